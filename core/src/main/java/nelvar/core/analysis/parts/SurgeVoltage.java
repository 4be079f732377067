package nelvar.core.analysis.parts;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.SurgeArrester;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;
import nelvar.core.units.Voltage;

/// A surge arrester stands the voltage that is always there: its continuous voltage is at least 110
/// % of that from line to earth, in IT of that between lines.
///
/// Demand: IEC 60364-5-534:2015, 534.4.4.3 (from memory, unchecked).
public final class SurgeVoltage implements Rule {
  private static final Reason FOR_LESS_THAN_THE_MAINS =
      Reason.of("Surge arrester for less than the mains");
  private static final double MARGIN = 1.1;

  @Override
  public String id() {
    return "parts.surge-voltage";
  }

  @Override
  public String asks() {
    return "Every surge arrester stands the voltage that is always there.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).orElse(null) instanceof SurgeArrester)
        .flatMap(Contained.many(this, device -> device.id(), device -> judge(device, study)));
  }

  private static Stream<Verdict> judge(Device device, Study study) {
    var part = (SurgeArrester) study.part(device).orElseThrow();
    var topology = study.network().topology();
    var marks = new java.util.ArrayList<>(part.lineMarks());
    marks.add("PE");
    for (var mark : marks)
      if (!topology.wired(new TerminalRef(device.id(), mark)))
        return Stream.of(
            new Verdict.NotChecked(device.id(), "nothing lands on its terminal " + mark));
    var supply = study.project().brief().supply();
    var isolated = supply.earthing() == Brief.Earthing.IT;
    var against = isolated ? supply.voltage().between() : supply.voltage().toNeutral();
    var w = Working.of("Continuous voltage of a surge arrester");
    w.given("U", against, isolated ? "between lines: IT" : "line to earth");
    var least = w.result("Uc least", "1.1 · U", new Voltage(MARGIN * against.volts()));
    w.given("Uc", part.continuous(), part.name());
    var trail = w.explain(least).trail();
    if (part.continuous().compareTo(least) >= 0)
      return Stream.of(new Verdict.Pass(device.id(), trail));
    return Stream.of(
        new Verdict.Finding(
            device.id(),
            Severity.ERROR,
            FOR_LESS_THAN_THE_MAINS,
            "%s stands %s for ever, and %s is wanted here: it would age and burn."
                .formatted(device.designation(), part.continuous(), least),
            trail,
            List.of()));
  }
}
