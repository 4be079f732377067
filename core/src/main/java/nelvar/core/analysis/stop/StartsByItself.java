package nelvar.core.analysis.stop;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.Outcome;
import nelvar.core.network.Positions;
import nelvar.core.network.WhatIf;
import nelvar.core.trail.Working;
import nelvar.core.units.Voltage;

/// When the mains comes back, or a safety relay is reset, nothing moves until somebody starts it.
///
/// Solved from cold: coils out, hands as they stand, every program off as after a boot. A motor
/// that turns then turns after every dip. Solved again with each reset pressed once: what turns
/// then has been started by a reset.
///
/// Demand: IEC 60204-1:2016, 7.5 and 9.2.3.4.2, ISO 13850:2015, 4.1.4 (unchecked).
public final class StartsByItself implements Rule {
  private static final Reason STARTS_BY_ITSELF_AFTER_A_DIP =
      Reason.of("Starts by itself after a dip");

  private static final Reason STARTS_BY_A_RESET = Reason.of("Starts by a reset alone");

  @Override
  public String id() {
    return "stop.restart";
  }

  @Override
  public String asks() {
    return "No motor starts by itself when the mains comes back.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).filter(Part::turnsByVolts).isPresent())
        .filter(device -> !coolsACabinet(device, study))
        .filter(device ->
            study.network().feeds(device.id()).stream().anyMatch(f -> f.source().isPresent()))
        .flatMap(Contained.one(this, Device::id, device -> judge(device, study)));
  }

  /// The fan of a cabinet, behind its guard, is to run whenever there are volts.
  private static boolean coolsACabinet(Device device, Study study) {
    return Bodies.of(study)
        .of(device.id())
        .filter(body -> body.fitting().moves().isPresent())
        .isPresent();
  }

  /// Whether it has its volts from cold with programs off: before anybody starts the machine.
  public static boolean fedFromCold(Device device, Study study) {
    var live = cold(study);
    return live.settled()
        && study.part(device).stream()
            .flatMap(part -> device.intakes(part).stream())
            .anyMatch(intake ->
                live.at(device, intake)
                    .filter(volts -> volts.compareTo(intake.accepts().least()) >= 0)
                    .isPresent());
  }

  /// From cold, coils out and programs off.
  static Live cold(Study study) {
    return study.once(
        StartsByItself.class,
        () -> {
          var conditions = Conditions.usual(study.project().brief().surroundings().inside());
          var circuitry = study.engine().circuitry(conditions.wires());
          return study
              .engine()
              .solve(
                  WhatIf.AS_DESIGNED.holding(circuitry.programs(), false),
                  conditions,
                  Positions.cold(circuitry));
        });
  }

  /// Cold, and then each reset pressed and let go, programs off all the while.
  private record Reset(Device button, Live pressed, Live live) {
    private boolean settled() {
      return pressed.outcome() instanceof Outcome.Settled
          && live.outcome() instanceof Outcome.Settled;
    }
  }

  private static List<Reset> resets(Study study) {
    return study.once(
        Reset.class,
        () -> WayBack.resetButtons(study).stream().map(button -> reset(button, study)).toList());
  }

  private static Reset reset(Device button, Study study) {
    var conditions = Conditions.usual(study.project().brief().surroundings().inside());
    var cold = cold(study);
    var hand = cold.circuitry().actuators(button.id()).getFirst();
    var off = WhatIf.AS_DESIGNED.holding(cold.circuitry().programs(), false);
    var pressed = study.engine().solve(off.holding(hand, true), conditions, cold.positions());
    return new Reset(
        button,
        pressed,
        study.engine().solve(off.holding(hand, false), conditions, pressed.positions()));
  }

  /// What a reset alone starts, or that nobody knows; motors that turn by pulses only stand with
  /// their volts.
  private static Optional<Verdict> startedByReset(Device device, Study study) {
    if (MotionAxes.of(study).stream().anyMatch(axis -> axis.motor().id().equals(device.id())))
      return Optional.empty();
    var least = device.intakes(study.part(device).orElseThrow()).getFirst().accepts().least();
    for (var reset : resets(study)) {
      var volts =
          device.intakes(study.part(device).orElseThrow()).stream()
              .flatMap(intake -> reset.live().at(device, intake).stream())
              .max(Voltage::compareTo);
      if (volts.filter(u -> u.compareTo(least.times(0.5)) >= 0).isEmpty()) continue;
      var w =
          Working.of(device.designation() + " when " + reset.button().designation() + " resets");
      w.result(
          "U",
          "network solved from cold, programs off, reset pressed once",
          reset.live().solution().balance(),
          volts.get());
      return Optional.of(
          new Verdict.Finding(
              device.id(),
              Severity.ERROR,
              STARTS_BY_A_RESET,
              "%s alone gives %s its %s, with nobody starting it: a reset may only make ready. Let its run command come from a start that has to be given anew."
                  .formatted(reset.button().designation(), device.designation(), volts.get()),
              w.explain(volts.get()).trail(),
              List.of()));
    }
    var unknown =
        resets(study).stream()
            .filter(reset -> !reset.settled())
            .map(reset -> reset.button().designation().text())
            .toList();
    return unknown.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Verdict.NotChecked(
                device.id(),
                "no steady state is found after %s resets".formatted(String.join(", ", unknown))));
  }

  private static Verdict judge(Device device, Study study) {
    var live = cold(study);
    if (!live.settled())
      return new Verdict.NotChecked(device.id(), "no steady state from cold is found");
    var w = Working.of(device.designation() + " when the mains comes back");
    var part = study.part(device).orElseThrow();
    var volts =
        device.intakes(part).stream()
            .flatMap(intake -> live.at(device, intake).stream())
            .max(Voltage::compareTo)
            .orElseThrow();
    w.result("U", "network solved from cold, programs off", live.solution().balance(), volts);
    var least = device.intakes(part).getFirst().accepts().least();
    var trail = w.explain(volts).trail();
    if (volts.compareTo(least.times(0.5)) < 0)
      return startedByReset(device, study).orElse(new Verdict.Pass(device.id(), trail));
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        STARTS_BY_ITSELF_AFTER_A_DIP,
        "When the mains comes back %s has %s at once: it starts with nobody asking for it. A contactor that holds itself, or a drive that wants its run command anew, keeps it still; if nobody can be hurt by it, accept it with that reason."
            .formatted(device.designation(), volts),
        trail,
        List.of());
  }
}
