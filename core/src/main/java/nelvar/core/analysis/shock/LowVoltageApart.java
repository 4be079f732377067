package nelvar.core.analysis.shock;

import java.util.ArrayList;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.WireClass;
import nelvar.core.catalogue.Connector;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.trail.Working;

/// What is safe to touch by its low volts does not share a cable or a plug with mains, unless all
/// of it is insulated for the mains.
///
/// Catalogues state no volts of cores, so a shared cable is not checked and says what to read off
/// it; a plug that is made for the volts of the mains is not asked about. Single wires in ducts are
/// insulated for 450/750 V (assumed) and pass.
///
/// Demand: IEC 60204-1:2016, 6.4.1 and 13.1.3; IEC 60364-4-41, 414.4 (unchecked).
public final class LowVoltageApart implements Rule {
  @Override
  public String id() {
    return "shock.low-voltage-apart";
  }

  @Override
  public String asks() {
    return "Low volts share no cable and no plug with mains, or are insulated for it.";
  }

  @Override
  public boolean protectsPeople() {
    return true;
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Stream.concat(
        study.project().cables().stream()
            .flatMap(
                Contained.many(
                    this,
                    Cable::id,
                    cable ->
                        judge(cable.id(), study.cores(cable.id()), cable.label().text(), study)
                            .stream())),
        study.project().devices().stream()
            .filter(device ->
                study.part(device).orElse(null) instanceof Connector plug && !forMains(plug, study))
            .flatMap(
                Contained.many(
                    this,
                    Device::id,
                    plug ->
                        judge(plug.id(), study.at(plug.id()), plug.designation().text(), study)
                            .stream())));
  }

  /// A plug made for the volts of the mains may hold both.
  private static boolean forMains(Connector plug, Study study) {
    return plug.voltage().compareTo(study.project().brief().supply().voltage().toNeutral()) >= 0;
  }

  private static boolean dangerous(Conductor wire, Study study) {
    var of = WireClass.of(wire, study);
    return of == WireClass.MAINS || (of == WireClass.MOTOR && high(wire, study));
  }

  /// Leads of a motor from a drive that mains feeds; of one on a low bus they are low.
  private static boolean high(Conductor wire, Study study) {
    return study.asDesigned().toEarth(wire.from()).filter(both -> both.rms() > 60).isPresent();
  }

  /// Empty where nothing dangerous is in it.
  private static Optional<Verdict> judge(
      nelvar.core.model.Id id, java.util.List<Conductor> wires, String name, Study study) {
    var mains = new ArrayList<String>();
    var low = new ArrayList<String>();
    for (var wire : wires) {
      if (!wire.carriesWork()) continue;
      (dangerous(wire, study) ? mains : low).add(wire.label().text());
    }
    if (mains.isEmpty()) return Optional.empty();
    if (!low.isEmpty())
      return Optional.of(
          new Verdict.NotChecked(
              id,
              "%s leads mains (%s) and low volts (%s): allowed only where all of it is insulated for the mains, read that off it; else take two"
                  .formatted(name, some(mains), some(low))));
    var w = Working.of("What " + name + " leads");
    w.given("mains", some(mains), "and nothing of low volts");
    return Optional.of(new Verdict.Pass(id, w.explain(name).trail()));
  }

  private static String some(java.util.List<String> labels) {
    return labels.size() <= 3
        ? String.join(", ", labels)
        : "%s and %d more".formatted(String.join(", ", labels.subList(0, 2)), labels.size() - 2);
  }
}
