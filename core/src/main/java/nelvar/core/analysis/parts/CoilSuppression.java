package nelvar.core.analysis.parts;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Coil;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Suppression;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;
import nelvar.core.units.Significant;

/// A coil has something that takes up its energy when it is switched off.
///
/// Without it the switch sees a thousand volts and more, contacts burn, transistors die and
/// controllers hang.
///
/// Demand: common practice; IEC 60204-1:2016, 9.4.2 (unchecked) asks for suppression at the coil.
public final class CoilSuppression implements Rule {
  private static final Reason DIODE_ACROSS_AN_ALTERNATING_CURRENT_COIL =
      Reason.of("Diode across an alternating-current coil");
  private static final Reason COIL_WITHOUT_SUPPRESSION = Reason.of("Coil without suppression");

  /// What conducts one way only.
  private static final java.util.Set<Suppression> ONE_WAY =
      java.util.EnumSet.of(Suppression.DIODE, Suppression.ZENER);

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
        .flatMap(
            Contained.many(
                this,
                device -> device.id(),
                device ->
                    study
                        .part(device)
                        .flatMap(Part::ownCoil)
                        .map(coil -> judge(device, coil))
                        .stream()));
  }

  private static Verdict judge(Device device, Coil coil) {
    var w = Working.of("Coil suppression");
    w.given("coil", coil.voltage() + ", " + coil.power(), device.designation().text());
    w.given(
        "fitted",
        device.suppression().map(Suppression::words).orElse("nothing"),
        device.designation().text());
    device
        .suppression()
        .ifPresent(fitted ->
            w.given(
                "lets go",
                "at most %s times later".formatted(Significant.digits(fitted.lengthens())),
                "than with nothing fitted, common practice"));
    var trail = w.explain(coil).trail();
    if (coil.madeForAlternating() && device.suppression().filter(ONE_WAY::contains).isPresent())
      return new Verdict.Finding(
          device.id(),
          Severity.ERROR,
          DIODE_ACROSS_AN_ALTERNATING_CURRENT_COIL,
          "A %s conducts every second half wave: %s is fed with alternating current and its suppression is a short circuit. Fit an RC element or a varistor."
              .formatted(device.suppression().get().words(), device.designation()),
          trail,
          List.of(Repair.of(Edits.suppress(device, Suppression.RC))));
    if (device.suppression().isPresent()) return new Verdict.Pass(device.id(), trail);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        COIL_WITHOUT_SUPPRESSION,
        "When %s is switched off its coil throws a spike of many hundred volts back into the wiring: outputs die, controllers hang."
            .formatted(device.designation()),
        trail,
        List.of(
            Repair.of(
                Edits.suppress(
                    device, coil.madeForAlternating() ? Suppression.RC : Suppression.DIODE))));
  }
}
