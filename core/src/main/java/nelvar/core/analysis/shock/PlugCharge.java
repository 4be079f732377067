package nelvar.core.analysis.shock;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.earthing.ResidualCharge;
import nelvar.core.catalogue.Connector;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.network.StoredCharge;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Duration;
import nelvar.core.units.Voltage;

/// The pins of a plug that is pulled lose the charge of what they are joined to within 1 s, since
/// fingers reach them sooner than the inside of a cabinet.
///
/// `t = R · C · ln(U0/60 V)` of what metal joins to the pins while the machine runs. Where its pins
/// cannot be touched, or it can only be opened with a tool, accept it with that reason: a part does
/// not say so. The mains plug of a machine on a cord is not checked where a filter hangs on it.
///
/// Demand: IEC 60204-1:2016, 6.2.4 (unchecked).
public final class PlugCharge implements Rule {
  private static final Reason CHARGED = Reason.of("A plug with charge on its pins");
  private static final Citation DEMAND = Citation.recalled("IEC 60204-1:2016", "6.2.4");
  private static final Voltage SAFE = new Voltage(60);
  private static final Duration AT_ONCE = new Duration(1);

  @Override
  public String id() {
    return "shock.plug-charge";
  }

  @Override
  public String asks() {
    return "Pins of plugs fall to 60 V within 1 s of being pulled.";
  }

  @Override
  public boolean protectsPeople() {
    return true;
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Stream.concat(
        study.project().devices().stream()
            .filter(device -> study.part(device).orElse(null) instanceof Connector)
            .flatMap(Contained.many(this, Device::id, device -> judge(device, study).stream())),
        study.project().devices().stream()
            .filter(device -> device.connected().cord().isPresent())
            .filter(device -> study.part(device).filter(Part::mainsInlet).isPresent())
            .flatMap(inlet -> onItsCord(inlet, study).stream()));
  }

  /// A machine on a cord is unplugged: a filter holds what its capacitors were charged to, and no
  /// part states these. Supplies made for a plug discharge their own (common practice).
  private static Optional<Verdict> onItsCord(Device inlet, Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).filter(Part::filtersMains).isPresent())
        .findFirst()
        .map(filter ->
            new Verdict.NotChecked(
                inlet.id(),
                "how fast the pins of its mains plug fall below 60 V is not stated by %s: read its data sheet for the resistor across its capacitors, or measure within 1 s of pulling"
                    .formatted(filter.designation())));
  }

  /// What stands on its pins, the slowest first.
  private static Optional<StoredCharge> on(Device plug, Study study) {
    return ResidualCharge.charges(study).stream()
        .filter(charge -> charge.from().compareTo(SAFE) > 0)
        .filter(charge -> !ResidualCharge.exempt(charge))
        .filter(charge ->
            charge.across().stream()
                .flatMap(end -> study.asDesigned().metal(end).stream())
                .anyMatch(end -> end.device().equals(plug.id())))
        .max(
            java.util.Comparator.comparingDouble(
                charge -> charge.until(SAFE).map(Duration::seconds).orElse(Double.MAX_VALUE)));
  }

  private static Optional<Verdict> judge(Device plug, Study study) {
    var found = on(plug, study);
    if (found.isEmpty()) return Optional.empty();
    var charge = found.get();
    var w = Working.of("Pins of " + plug.designation());
    w.given("U0", charge.from(), "of " + charge.device().designation() + ", mains 10 % high");
    w.given("C", charge.capacitance(), "capacitance");
    if (charge.bleeder().isEmpty())
      return Optional.of(
          finding(
              plug,
              "%s is joined to %s, which holds up to %s, and nothing is stated that discharges it: never pull it until it is measured dead."
                  .formatted(plug.designation(), charge.device().designation(), charge.from()),
              w.explain(charge.from()).trail()));
    w.given("R", charge.bleeder().get(), "what discharges it");
    var time = w.explain(w.result("t", "R · C · ln(U0/60 V)", charge.until(SAFE).orElseThrow()));
    var judged = Explained.atMost(time, "t", AT_ONCE, DEMAND);
    if (judged.holds()) return Optional.of(new Verdict.Pass(plug.id(), judged.trail()));
    return Optional.of(
        finding(
            plug,
            "Pulled just after switching off, the pins of %s still have up to %s of %s: below 60 V only after %s, and fingers are there within 1 s. Say on it to wait that long, take one whose pins cannot be touched, or a resistor that discharges sooner."
                .formatted(
                    plug.designation(), charge.from(), charge.device().designation(), time.value()),
            judged.trail()));
  }

  private static Verdict finding(Device plug, String text, nelvar.core.trail.Trail trail) {
    return new Verdict.Finding(plug.id(), Severity.WARNING, CHARGED, text, trail, List.of());
  }
}
