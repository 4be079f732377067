package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.WhatIf;
import nelvar.core.trail.Working;
import nelvar.core.units.Voltage;

/// A command that a program left on starts nothing after a stop: the controller is told of the stop
/// and can withdraw it.
///
/// Solved pressed, let go and with every reset and power-on button pressed once, programs going on.
/// A motor that then has its volts, and would not with the outputs of one controller off, is
/// started by a command left on. A controller that reads the stop, or an input that changes with
/// it, can withdraw it, and one that lost its volts starts anew with its outputs off: those pass;
/// what its program makes of it is not seen here.
///
/// Demand: IEC 60204-1:2016, 9.2.3.4.2 and ISO 13850:2015, 4.1.4: a reset starts nothing
/// (unchecked).
public final class CommandLeft implements Rule {
  private static final Reason LEFT_ON = Reason.of("A command left on starts it after a reset");

  @Override
  public String id() {
    return "stop.command-left";
  }

  @Override
  public String asks() {
    return "A controller whose outputs start something knows of every stop.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    if (!study.asDesigned().settled()) return Stream.empty();
    return boards(study).entrySet().stream()
        .flatMap(
            Contained.many(
                this,
                entry -> entry.getKey().id(),
                entry -> judge(entry.getKey(), entry.getValue(), study).stream()));
  }

  /// Programs by the controller they run on.
  private static Map<Device, List<ActuatorRef>> boards(Study study) {
    var all = new LinkedHashMap<Device, List<ActuatorRef>>();
    for (var program : study.asDesigned().circuitry().programs()) {
      var board = study.device(program.device());
      if (board.flatMap(study::part).flatMap(Part::logic).isPresent())
        all.computeIfAbsent(board.get(), _ -> new ArrayList<>()).add(program);
    }
    return all;
  }

  private static Optional<Verdict> judge(Device board, List<ActuatorRef> programs, Study study) {
    var w = Working.of("Commands of " + board.designation() + " after a stop");
    var untold = new LinkedHashMap<Device, List<Device>>();
    var any = false;
    for (var one : Pressed.all(study)) {
      var started = started(one, programs, study);
      if (started.isEmpty()) continue;
      any = true;
      var how = told(board, one, study);
      w.given(
          one.button().designation().text(),
          how.orElse("it is not told of it"),
          "starts " + names(started) + " after the reset, if its program does not withdraw it");
      if (how.isEmpty()) untold.put(one.button(), started);
    }
    if (!any) return Optional.empty();
    var trail = w.explain(board.id()).trail();
    if (untold.isEmpty()) return Optional.of(new Verdict.Pass(board.id(), trail));
    var motors = untold.values().stream().flatMap(List::stream).distinct().toList();
    return Optional.of(
        new Verdict.Finding(
            board.id(),
            Severity.WARNING,
            LEFT_ON,
            "%s %s the volts of %s, and %s, whose outputs start %s, is not told: the command stays on, and after the reset %s again with nobody starting. Lead a contact of the stop, or of what it opens, to an input of it, and let its program withdraw every command."
                .formatted(
                    names(List.copyOf(untold.keySet())),
                    untold.size() == 1 ? "takes" : "take",
                    names(motors),
                    board.designation(),
                    motors.size() == 1 ? "it" : "them",
                    motors.size() == 1 ? "it runs" : "they run"),
            trail,
            TellOfStop.ways(
                board,
                Pressed.all(study).stream().filter(p -> untold.containsKey(p.button())).toList(),
                study)));
  }

  /// What a stop takes and the outputs of one controller alone start again after the reset.
  private static List<Device> started(Pressed one, List<ActuatorRef> programs, Study study) {
    var taken =
        study.project().devices().stream()
            .filter(d -> study.part(d).filter(Part::motor).isPresent())
            .filter(d -> one.takes(d, study) && !one.comesBack(d, study))
            .toList();
    if (taken.isEmpty()) return List.of();
    var after = afterReset(one, study);
    if (!after.settled()) return List.of();
    var again = taken.stream().filter(d -> runs(d, after, study)).toList();
    if (again.isEmpty()) return List.of();
    var without =
        study
            .engine()
            .solve(
                WhatIf.AS_DESIGNED.holding(programs, false), after.conditions(), after.positions());
    return again.stream().filter(d -> without.settled() && !runs(d, without, study)).toList();
  }

  private static boolean runs(Device motor, Live live, Study study) {
    return live.circuitry().served(motor.id()).stream()
        .anyMatch(served -> {
          var was = study.asDesigned().at(motor, served.intake()).map(Voltage::volts).orElse(0.0);
          return was >= 1
              && live.at(motor, served.intake())
                  .filter(is -> is.volts() >= StopRehearsal.KEPT * was)
                  .isPresent();
        });
  }

  /// Every reset and every button beside a contact that holds itself pressed once and let go.
  private static Live afterReset(Pressed one, Study study) {
    var conditions = Conditions.usual(study.project().brief().surroundings().inside());
    var hands =
        WayBack.buttons(study).stream()
            .flatMap(d -> one.letGo().circuitry().actuators(d.id()).stream().limit(1))
            .toList();
    var pressed =
        study
            .engine()
            .solve(WhatIf.AS_DESIGNED.holding(hands, true), conditions, one.letGo().positions());
    return study
        .engine()
        .solve(WhatIf.AS_DESIGNED.holding(hands, false), conditions, pressed.positions());
  }

  /// How a controller can know of a stop.
  private static Optional<String> told(Device board, Pressed one, Study study) {
    if (one.takes(board, study)) return Optional.of("it loses its volts and starts anew");
    return PinLinks.of(study).stream()
        .filter(link -> link.wired() && link.pin().type().digitalInput())
        .filter(link -> link.board().id().equals(board.id()))
        .filter(link -> {
          var runs = link.reads(link.at(), study.asDesigned());
          var stopped = link.reads(link.at(), one.pressed());
          return runs != stopped
              && runs != PinLink.Reads.BETWEEN
              && stopped != PinLink.Reads.BETWEEN;
        })
        .map(link -> "its input " + link.at().terminal() + " changes")
        .findFirst();
  }

  private static String names(List<Device> devices) {
    return devices.stream().map(d -> d.designation().text()).collect(Collectors.joining(", "));
  }
}
