package nelvar.core.analysis.stop;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.Actuator;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.School;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.WhatIf;
import nelvar.core.trail.Working;

/// A stop button takes power away by itself; one that only a controller reads stops nothing when
/// the controller hangs.
///
/// Pressed in the engine with every program going on as before: if no coil lets go and no load
/// loses its volts, a program alone stands between the hand and the machine. A switch counts as a
/// stop where its part or purpose says so and it has a contact closed at rest.
///
/// Demand: IEC 60204-1:2016, 9.2.3.4.2 (unchecked).
public final class StopReadOnly implements Rule {
  private static final Reason A_STOP_THAT_ONLY_A_PROGRAM_READS =
      Reason.of("A stop that only a program reads");

  @Override
  public String id() {
    return "stop.read-only";
  }

  @Override
  public String asks() {
    return "Every stop button takes power away by itself, not only by a program that reads it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> StopRehearsal.stops(device, study))
        .flatMap(Contained.one(this, Device::id, device -> judge(device, study)));
  }

  private static Verdict judge(Device device, Study study) {
    var live = study.asDesigned();
    if (!live.settled())
      return new Verdict.NotChecked(device.id(), "no steady state of the machine is found");
    var hand = live.circuitry().actuators(device.id()).stream().findFirst().orElseThrow();
    var pressed =
        study
            .engine()
            .solve(
                WhatIf.AS_DESIGNED.holding(hand, true),
                Conditions.usual(study.project().brief().surroundings().inside()),
                live.positions());
    var w = Working.of("Pressing " + device.designation());
    var coils = released(live, pressed);
    w.given("coils that let go", coils.isEmpty() ? "none" : names(coils, live), "network solved");
    var dry = dry(live, pressed);
    w.given(
        "loads without volts",
        dry.isEmpty() ? "none" : String.join(", ", dry),
        pressed.solution().balance());
    Schools.name(w, study, School.STOP_CHAIN, School.STOP_CATEGORY);
    var trail = w.explain(device.id()).trail();
    if (!coils.isEmpty() || !dry.isEmpty()) return new Verdict.Pass(device.id(), trail);
    // What the Brief asks for is called what it is, and stays a warning.
    var chosen = study.project().brief().policies().chose(School.STOP_CHAIN, "output");
    return new Verdict.Finding(
        device.id(),
        chosen ? Severity.WARNING : Severity.ERROR,
        A_STOP_THAT_ONLY_A_PROGRAM_READS,
        "Pressing %s takes no volts from anything: all that happens is what a program makes of it. When the controller hangs, nothing stops. Let a contact of it break the coils or the enabling of the drives, or a safety relay.%s"
            .formatted(
                device.designation(),
                chosen ? " The Brief asks for no more: it is no emergency stop." : ""),
        trail,
        List.of());
  }

  private static List<ActuatorRef> released(Live live, Live pressed) {
    return live.circuitry().actuatorRefs().stream()
        .filter(ref -> live.on(ref) && !pressed.on(ref) && moved(ref, live))
        .toList();
  }

  /// Coils and circuits that watch; not the hand itself, nor a program.
  private static boolean moved(ActuatorRef ref, Live live) {
    return live.circuitry().topology().part(ref.device()).stream()
        .flatMap(part -> part.actuators().stream())
        .filter(actuator -> actuator.name().equals(ref.name()))
        .anyMatch(
            actuator -> actuator instanceof Actuator.Magnet || actuator instanceof Actuator.Watch);
  }

  private static String names(List<ActuatorRef> refs, Live live) {
    return refs.stream().map(live::name).collect(java.util.stream.Collectors.joining(", "));
  }

  /// Loads, not inputs of supplies that stay as they were.
  private static List<String> dry(Live live, Live pressed) {
    return live.circuitry().served().stream()
        .filter(served -> {
          var before = live.at(served.device(), served.intake());
          var after = pressed.at(served.device(), served.intake());
          // What is not known is not taken to have lost its volts.
          return before.isPresent()
              && after.isPresent()
              && before.get().volts() >= 1
              && after.get().volts() < StopRehearsal.KEPT * before.get().volts();
        })
        .map(served -> served.device().designation().text())
        .distinct()
        .toList();
  }
}
