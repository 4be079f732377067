package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Link;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Splice;
import nelvar.core.network.ActuatorRef;
import nelvar.core.trail.Working;
import nelvar.core.units.Duration;

/// What hangs is held by its brake whenever a stop or a guard takes its torque.
///
/// Solved with each of them pressed and every program going on; and rehearsed with the first: the
/// brake loses its volts no later than the axis its torque (common practice). A hanging axis is one
/// whose function says `vertical`; its brake is what brakes and serves the same function.
///
/// Demand: IEC 60204-1:2016, 9.3.4 and IEC 61800-5-2 (a torque-off function holds no load),
/// unchecked.
public final class BrakeHolds implements Rule {
  private static final Reason STAYS_OPEN = Reason.of("A brake that the stop does not close");
  private static final Reason CLOSES_LATE =
      Reason.of("A brake that closes after its torque has gone");

  /// Contacts, coils and supplies have acted by then.
  private static final Duration LOOKED_AT = new Duration(5);

  private static final Reason NOTHING_HOLDS = Reason.of("Nothing holds what hangs");

  @Override
  public String id() {
    return "stop.brake";
  }

  @Override
  public String asks() {
    return "What hangs is held by a brake whenever a stop takes its torque.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .filter(axis -> axis.mechanics().vertical())
        .flatMap(Contained.one(this, axis -> axis.motor().id(), axis -> judge(axis, study)));
  }

  private static Verdict judge(MotionAxis axis, Study study) {
    var motor = axis.motor();
    var w = Working.of("What holds " + motor.designation());
    if (!study.asDesigned().settled())
      return new Verdict.NotChecked(motor.id(), "no steady state of the machine is found");
    if (Motions.locksItself(axis)) {
      w.given("efficiency", "below 50 %", "its screw does not run back (textbook)");
      return new Verdict.Pass(motor.id(), w.explain(motor.id()).trail());
    }
    var brakes = Motions.brakes(axis, study);
    if (brakes.isEmpty()) {
      w.given("brake", "none", "no brake serves " + axis.name());
      return new Verdict.Finding(
          motor.id(),
          Severity.WARNING,
          NOTHING_HOLDS,
          "%s hangs and no brake serves its function: without torque it falls, at a stop and whenever the mains goes. Give it a motor with a brake, a counterweight, or a screw that does not run back (then say 'efficiency 40 %%')."
              .formatted(axis.name()),
          w.explain(motor.id()).trail(),
          List.of());
    }
    if (Motions.brakeAssumed(axis, study))
      w.assumed(
          "brake",
          brakes.stream().map(b -> b.designation().text()).collect(Collectors.joining(", ")),
          "of no axis, and there is no other for the only one that hangs");
    var open = new ArrayList<Pressed>();
    for (var one : Pressed.all(study)) {
      if (!one.takes(motor, study)) continue;
      var closed = brakes.stream().anyMatch(brake -> one.takes(brake, study));
      w.given(
          one.button().designation().text(),
          closed ? "the brake loses its volts too" : "the brake keeps its volts",
          "solved with it pressed");
      if (!closed) open.add(one);
    }
    if (open.isEmpty()) return late(axis, brakes, w, study);
    var trail = w.explain(motor.id()).trail();
    var brake = brakes.getFirst();
    return new Verdict.Finding(
        motor.id(),
        Severity.ERROR,
        STAYS_OPEN,
        "%s takes the torque of %s but not the volts of %s, which stays open: what hangs falls on whoever pressed it. Lead the brake over a contact that the stop opens; the program's own contact stays in the way besides."
            .formatted(
                String.join(", ", open.stream().map(p -> p.button().designation().text()).toList()),
                axis.name(),
                brake.designation()),
        trail,
        ways(brake, open.getFirst(), study));
  }

  /// Its volts go before its axis loses its torque, at the slowest of the one and the quickest of
  /// the other; else it hangs on nothing in between. Rehearsed with the first stop that takes both.
  private static Verdict late(MotionAxis axis, List<Device> brakes, Working w, Study study) {
    var motor = axis.motor();
    var stop = Pressed.all(study).stream().filter(one -> one.takes(motor, study)).findFirst();
    if (stop.isEmpty()) return new Verdict.Pass(motor.id(), w.explain(motor.id()).trail());
    var rehearsal = StopRehearsal.pressing(stop.get().button(), LOOKED_AT, study);
    var fate = rehearsal.of(motor).stream().filter(f -> f.dry().isPresent()).findFirst();
    var shut =
        brakes.stream()
            .flatMap(brake -> rehearsal.of(brake).stream())
            .flatMap(f -> f.latest().stream())
            .min(Duration::compareTo);
    if (fate.isEmpty() || shut.isEmpty())
      return new Verdict.NotChecked(
          motor.id(), "its torque or its brake loses no volts within " + LOOKED_AT);
    var gone = fate.get().dry().orElseThrow().soonest();
    w.given("torque gone", gone, "at its soonest, " + stop.get().button().designation());
    w.given("volts of its brake gone", shut.get(), "at the latest");
    var trail = w.explain(motor.id()).trail();
    if (shut.get().compareTo(gone) <= 0) return new Verdict.Pass(motor.id(), trail);
    var brake = brakes.getFirst();
    return new Verdict.Finding(
        motor.id(),
        Severity.WARNING,
        CLOSES_LATE,
        "%s takes the torque of %s from %s on, and the volts of %s only up to %s later: %s. Lead the brake over a contact that opens at once, such as one of the safety relay, not behind a contactor or a supply that the stop cuts."
            .formatted(
                stop.get().button().designation(),
                axis.name(),
                gone,
                brake.designation(),
                new Duration(shut.get().seconds() - gone.seconds()),
                new Motions(rehearsal, study).of(motor, fate.get()).ends()),
        trail,
        ways(brake, stop.get(), study));
  }

  /// Over a free contact of what watches the stop, which opens first; of a contactor only where
  /// there is none.
  private static List<Repair> ways(Device brake, Pressed stop, Study study) {
    var wire = wire(brake, study);
    if (wire.isEmpty()) return List.of();
    var free =
        study.project().devices().stream()
            .filter(device -> device.place().equals(Place.PANEL))
            .flatMap(device -> contact(device, stop, study).stream())
            .toList();
    var watching = free.stream().filter(Free::watches).toList();
    return (watching.isEmpty() ? free : watching)
        .stream().limit(1).map(one -> over(brake, wire.get(), one)).toList();
  }

  /// @param watches whether it is a safety relay: its contacts are two in series that watch each
  ///   other (common practice)
  private record Free(Device device, Link contact, boolean watches) {}

  private static Optional<Free> contact(Device device, Pressed stop, Study study) {
    var part = study.part(device);
    if (part.isEmpty() || part.get().protection().isPresent()) return Optional.empty();
    var topology = study.network().topology();
    return part.get().links().stream()
        .filter(link -> link.kind() == Link.Kind.CONTACT && !link.closedAtRest())
        .filter(link ->
            link.actuator()
                .map(name -> new ActuatorRef(device.id(), name))
                .filter(ref -> study.asDesigned().on(ref) && !stop.pressed().on(ref))
                .isPresent())
        .filter(link ->
            !topology.wired(new TerminalRef(device.id(), link.a()))
                && !topology.wired(new TerminalRef(device.id(), link.b())))
        .findFirst()
        .map(link ->
            new Free(
                device,
                link,
                part.get().actuators().stream()
                    .anyMatch(
                        a -> a instanceof Actuator.Watch watch && watch.reset().isPresent())));
  }

  /// @param load the device at its fed end
  private record Last(Conductor wire, Id load) {}

  /// The last wire on its way that lies in the panel and carries nothing else.
  private static Optional<Last> wire(Device brake, Study study) {
    for (var feed : study.network().feeds(brake.id()))
      for (var way : feed.lineWays()) {
        var load = brake.id();
        for (var wire : study.wires(way).reversed()) {
          if (!wire.touches(load)) break;
          if (wire.cable().isEmpty()
              && inside(wire.from(), study)
              && inside(wire.to(), study)
              && alone(wire.to(), study)
              && alone(wire.from(), study)) return Optional.of(new Last(wire, load));
          load = wire.to().device().equals(load) ? wire.from().device() : wire.to().device();
        }
      }
    return Optional.empty();
  }

  private static boolean inside(TerminalRef end, Study study) {
    return study.device(end.device()).filter(d -> d.place().equals(Place.PANEL)).isPresent();
  }

  private static boolean alone(TerminalRef end, Study study) {
    return study.project().conductors().stream()
            .filter(c -> c.from().equals(end) || c.to().equals(end))
            .count()
        == 1;
  }

  private static Repair over(Device brake, Last last, Free free) {
    var label =
        "Lead %s over %s:%s-%s"
            .formatted(
                brake.designation(),
                free.device().designation(),
                free.contact().a(),
                free.contact().b());
    return new Repair(
        label,
        new Edit(
            label,
            project ->
                Splice.over(
                    project,
                    last.wire(),
                    last.load(),
                    new TerminalRef(free.device().id(), free.contact().a()),
                    new TerminalRef(free.device().id(), free.contact().b()))));
  }
}
