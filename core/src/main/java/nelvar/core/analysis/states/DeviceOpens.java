package nelvar.core.analysis.states;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// No protective device opens, sooner or later, at the current that flows through it in a state of
/// the machine; the one before the inlet included, at its conventional tripping current.
///
/// Demand: IEC 60898-1, table 7 (1.45 In); the others by their own curves.
public final class DeviceOpens implements Rule {
  private static final Reason IT_OPENS_IN_WORK = Reason.of("It opens in work");
  private static final Reason THE_DEVICE_BEFORE_THE_INLET_OPENS =
      Reason.of("The device before the inlet opens");

  private static final double CONVENTIONAL = 1.45;

  @Override
  public String id() {
    return "states.device-opens";
  }

  @Override
  public String asks() {
    return "No protective device opens in a state of the machine.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device ->
            study
                .part(device)
                .filter(part ->
                    part instanceof MainsInlet
                        || part.links().stream().anyMatch(link -> link.protection().isPresent()))
                .isPresent())
        .flatMap(
            Contained.one(
                this,
                device -> device.id(),
                device ->
                    study.part(device).orElseThrow() instanceof MainsInlet
                        ? upstream(device, study)
                        : judge(device, study)));
  }

  private static Verdict judge(Device device, Study study) {
    var w = Working.of("Current in " + device.designation());
    var judged = false;
    for (var state : MachineStates.of(study)) {
      if (!state.settled()) continue;
      judged = true;
      for (var pole : state.poles(device.id())) {
        w.result(
            "I " + pole.pole().a().terminal() + " " + state.name(),
            "network solved",
            pole.protection().toString(),
            pole.current());
        var opens = state.live().tripTime(pole);
        if (opens.isEmpty()) continue;
        return new Verdict.Finding(
            device.id(),
            Severity.ERROR,
            IT_OPENS_IN_WORK,
            "%s (%s) carries %s %s and opens within %s. Either something takes a current it should not, or the device is too small."
                .formatted(
                    device.designation(),
                    pole.protection(),
                    pole.current(),
                    state.words(),
                    opens.get()),
            w.explain(pole.current()).trail(),
            List.of());
      }
    }
    return judged
        ? new Verdict.Pass(device.id(), w.explain(device).trail())
        : new Verdict.NotChecked(device.id(), "no state of the machine comes to rest");
  }

  private static Verdict upstream(Device inlet, Study study) {
    var rating = inlet.connected().upstream().orElse(study.project().brief().supply().upstream());
    var w = Working.of("Current at " + inlet.designation());
    w.given("In", rating, "device before the inlet, Brief");
    var worst = new Current(0);
    var where = "";
    for (var state : MachineStates.of(study)) {
      if (!state.settled()) continue;
      for (var output : state.outputs(inlet.id())) {
        w.result("I " + state.name(), "network solved", output.output().name(), output.current());
        if (!where.isEmpty() && output.current().compareTo(worst) <= 0) continue;
        worst = output.current();
        where = state.words();
      }
    }
    if (where.isEmpty())
      return new Verdict.NotChecked(inlet.id(), "no state of the machine comes to rest");
    var found = w.result("I", "the greatest of them", worst);
    var judged =
        Explained.atMost(
            w.explain(found),
            "I",
            rating.times(CONVENTIONAL),
            Citation.recalled("IEC 60898-1:2015", "Table 7"));
    if (judged.holds()) return new Verdict.Pass(inlet.id(), judged.trail());
    return new Verdict.Finding(
        inlet.id(),
        Severity.ERROR,
        THE_DEVICE_BEFORE_THE_INLET_OPENS,
        "%s flows in at %s %s; the device before it, %s, opens. Find where the current goes: a short, a line joined to earth, or more load than the inlet has."
            .formatted(worst, inlet.designation(), where, rating),
        judged.trail(),
        List.of());
  }
}
