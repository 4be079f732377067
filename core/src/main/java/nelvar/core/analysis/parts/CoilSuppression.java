package nelvar.core.analysis.parts;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Coil;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Suppression;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;

/// A coil has something that takes up its energy when it is switched off.
///
/// Without it the switch sees a thousand volts and more, contacts burn, transistors die and
/// controllers hang.
///
/// Demand: common practice; IEC 60204-1:2016, 9.4.2 (unchecked) asks for suppression at the coil.
public final class CoilSuppression implements Rule {
  @Override
  public String id() {
    return "parts.coil-suppression";
  }

  @Override
  public String asks() {
    return "Every coil has suppression.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .flatMap(device ->
            study.part(device).flatMap(Part::ownCoil).map(coil -> judge(device, coil)).stream());
  }

  private static Verdict judge(Device device, Coil coil) {
    var w = Working.of("Coil suppression");
    w.given("coil", coil.voltage() + ", " + coil.power(), device.designation().text());
    w.given(
        "fitted",
        device.suppression().map(Suppression::words).orElse("nothing"),
        device.designation().text());
    var trail = w.explain(coil).trail();
    if (device.suppression().isPresent()) return new Verdict.Pass(device.id(), trail);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        "Coil without suppression",
        "When %s is switched off its coil throws a spike of many hundred volts back into the wiring: outputs die, controllers hang."
            .formatted(device.designation()),
        trail,
        List.of(Repair.of(Edits.suppress(device, Suppression.DIODE))));
  }
}
