package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.AxisForces;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.analysis.motion.Mechanics;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.analysis.stop.Course.Phase;
import nelvar.core.analysis.stop.Course.State;
import nelvar.core.catalogue.DriveParameter.Role;
import nelvar.core.catalogue.Part;
import nelvar.core.formula.Stopping;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.LetsGo;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Duration;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;

/// What moves after its torque has ended: falls until a brake bites, coasts until friction has
/// taken its speed, or is slowed down by its drive.
///
/// Taken at its worst: moving at its fastest when something is done (a hanging load downwards),
/// torque ended at its soonest, the brake biting at its latest, friction of a hanging load left
/// out.
final class Motions {
  private static final Duration AT_ONCE = new Duration(0);

  /// A screw that gives back less than half does not run backwards by its load (textbook; shaking
  /// lets it creep).
  private static final double SELF_LOCKING = 0.5;

  private final StopRehearsal rehearsal;
  private final Study study;

  Motions(StopRehearsal rehearsal, Study study) {
    this.rehearsal = rehearsal;
    this.study = study;
  }

  /// @param fate of what the motor takes its power by
  Course of(Device motor, StopRehearsal.Fate fate) {
    var axis =
        MotionAxes.of(study).stream().filter(a -> a.motor().id().equals(motor.id())).findFirst();
    if (fate.dry().isEmpty()) return goesOn(motor, fate);
    var dry = fate.dry().get();
    var hanging = axis.filter(a -> a.mechanics().vertical());
    if (hanging.isPresent()) return hanging(motor, hanging.get(), dry);
    if (axis.isPresent()) return sliding(motor, axis.get(), dry);
    var driven =
        DrivenMotor.all(study).stream()
            .filter(d -> d.motors().stream().anyMatch(m -> m.id().equals(motor.id())))
            .findFirst();
    return turning(motor, driven, dry);
  }

  private Course goesOn(Device motor, StopRehearsal.Fate fate) {
    var ends =
        fate.back().map(it -> "has its volts again after " + it.again()).orElse("keeps its volts");
    return new Course(
        Course.Kind.MOVES,
        List.of(motor),
        motor.purpose(),
        Course.on(fate.back()),
        ends,
        Optional.empty(),
        fate.known() ? List.of() : List.of("its volts are not known at every moment"),
        Optional.empty());
  }

  /// Energised, and by the charge of its drive, until its torque ends.
  private static List<Phase> driven(StopRehearsal.Dry dry) {
    var all = new ArrayList<Phase>();
    all.add(new Phase(State.ENERGISED, AT_ONCE, Optional.of(dry.fed())));
    if (dry.carried().isPresent() && dry.latest().compareTo(dry.fed()) > 0)
      all.add(new Phase(State.CARRIED, dry.fed(), Optional.of(dry.latest())));
    return all;
  }

  private static List<String> assumed(StopRehearsal.Dry dry) {
    return dry.carried().filter(ride -> ride.assumed()).isPresent()
        ? new ArrayList<>(List.of("the capacitors of its drive"))
        : new ArrayList<>();
  }

  /// What holds an axis: a brake that serves the same function; the only brake of a machine holds
  /// its only hanging axis (assumed).
  static List<Device> brakes(MotionAxis axis, Study study) {
    var all =
        study.project().devices().stream()
            .filter(device -> study.part(device).filter(Part::brakes).isPresent())
            .toList();
    var own =
        all.stream()
            .filter(device ->
                device.serves().isPresent()
                    && device.serves().equals(axis.function().map(MachineFunction::id)))
            .toList();
    if (!own.isEmpty() || all.stream().map(Device::serves).distinct().count() != 1) return own;
    var hanging =
        MotionAxes.of(study).stream().filter(other -> other.mechanics().vertical()).toList();
    return hanging.size() == 1 && hanging.contains(axis) ? all : List.of();
  }

  /// Whether that is only assumed.
  static boolean brakeAssumed(MotionAxis axis, Study study) {
    return brakes(axis, study).stream()
        .anyMatch(brake -> !brake.serves().equals(axis.function().map(MachineFunction::id)));
  }

  /// Whether its load cannot turn its screw.
  static boolean locksItself(MotionAxis axis) {
    return axis.mechanics().efficiency().filter(e -> e < SELF_LOCKING).isPresent();
  }

  /// When the slowest brake of an axis holds; empty where none does.
  private Optional<Duration> bites(MotionAxis axis, Working w) {
    var brakes = brakes(axis, study);
    Optional<Duration> first = Optional.empty();
    for (var brake : brakes) {
      var part = study.part(brake).orElseThrow();
      var dry = rehearsal.of(brake).stream().flatMap(f -> f.latest().stream()).findFirst();
      if (dry.isEmpty() || part.ownCoil().isEmpty()) continue;
      var holds = LetsGo.of(brake, part.ownCoil().get(), part).most();
      w.given("tY", dry.get(), "volts of " + brake.designation() + " gone, at the latest");
      w.assumed(
          "tB",
          holds,
          "its coil with "
              + brake.suppression().map(s -> s.words()).orElse("nothing fitted")
              + ", slowest of its kind");
      var at = dry.get().plus(holds);
      first = first.filter(f -> f.compareTo(at) <= 0).or(() -> Optional.of(at));
    }
    return first;
  }

  private Course hanging(Device motor, MotionAxis axis, StopRehearsal.Dry dry) {
    var w = Working.of("Way of " + motor.designation() + " downwards");
    var assumed = assumed(dry);
    assumed.add("it moves down at its fastest");
    if (brakeAssumed(axis, study))
      assumed.add(
          brakes(axis, study).getFirst().designation() + " is its brake: there is no other");
    var phases = driven(dry);
    if (locksItself(axis)) {
      phases.add(new Phase(State.HELD, dry.latest(), Optional.empty()));
      return course(
          motor, phases, "stands: its screw does not run back", Optional.empty(), assumed, w, dry);
    }
    var bites = bites(axis, w);
    if (bites.isEmpty()) {
      phases.add(new Phase(State.FALLING, dry.latest(), Optional.empty()));
      var brakes = brakes(axis, study);
      var why =
          brakes.isEmpty()
              ? "falls: no brake is known to hold it"
              : "falls: its brake %s keeps its volts and stays open"
                  .formatted(brakes.getFirst().designation());
      return course(motor, phases, why, Optional.empty(), assumed, w, dry);
    }
    var feed = axis.wants().speed().filter(v -> v.unit() == Measure.Unit.FEED);
    var load = AxisForces.load(axis);
    var until = bites.get();
    var free = new Duration(Math.max(0, until.seconds() - dry.soonest().seconds()));
    var falls = until.compareTo(dry.soonest()) > 0;
    cutAt(phases, falls ? dry.soonest() : until);
    if (falls) phases.add(new Phase(State.FALLING, dry.soonest(), Optional.of(until)));
    phases.add(new Phase(State.HELD, until, Optional.empty()));
    if (feed.isEmpty() || load.isEmpty() || load.get().load().mass() <= 0)
      return course(
          motor,
          phases,
          "falls until its brake bites after "
              + until
              + "; how far is not known: its mass or its speed is not said",
          Optional.empty(),
          assumed,
          w,
          dry);
    var way = way(feed.get(), dry.soonest(), free, load.get().load(), w);
    var end = axis.wants().travel().filter(t -> t.compareTo(way) <= 0);
    var ends =
        end.map(t -> "falls to its end, up to " + t)
            .orElse("sinks " + way + ", then held after " + until);
    return course(motor, phases, ends, Optional.of(end.orElse(way)), assumed, w, dry);
  }

  /// No phase goes on after a time.
  private static void cutAt(List<Phase> phases, Duration end) {
    phases.removeIf(phase -> phase.from().compareTo(end) >= 0 && phase.from().seconds() > 0);
    var last = phases.removeLast();
    phases.add(new Phase(last.state(), last.from(), Optional.of(end)));
  }

  private static Length way(
      Measure feed,
      Duration driven,
      Duration free,
      nelvar.core.formula.Driving.Load load,
      Working w) {
    w.given("v", feed, "its fastest, downwards");
    w.given("t1", driven, "torque, at its soonest end");
    w.given("t2", free, "from there until its brake holds");
    var mass = w.given("m", new Measure(load.mass(), Measure.Unit.MASS), "what hangs");
    var inertia =
        w.given("J", new Measure(load.inertia(), Measure.Unit.INERTIA), "screw and motor");
    var lead = w.given("lead", new Length(load.perTurn()), "of one turn of the motor");
    var pulls =
        w.result("g", "9.81 m/s²/(1 + J · (2π/lead)²/m)", Stopping.gravity(mass, inertia, lead));
    return w.result("s", "v · (t1 + t2) + g · t2²/2", Stopping.falls(feed, driven, free, pulls));
  }

  private Course sliding(Device motor, MotionAxis axis, StopRehearsal.Dry dry) {
    var w = Working.of("Run-out of " + motor.designation());
    var assumed = assumed(dry);
    var phases = driven(dry);
    var feed = axis.wants().speed().filter(v -> v.unit() == Measure.Unit.FEED);
    var load = AxisForces.load(axis).map(AxisForces.Loaded::load);
    if (feed.isEmpty() || load.isEmpty() || load.get().friction() <= 0) {
      assumed.add("nothing of its run-out: its speed, mass and friction with its function say it");
      phases.add(new Phase(State.COASTING, dry.latest(), Optional.empty()));
      return course(
          motor,
          phases,
          "no torque after %s; how far it runs out is not known".formatted(dry.latest()),
          Optional.empty(),
          assumed,
          w,
          dry);
    }
    assumed.add("it moves at its fastest");
    // What turns counts as mass at the load: J · (2π/s)².
    var lever = load.get().perTurn() / (2 * Math.PI);
    var mass =
        w.given("J", new Measure(load.get().felt(), Measure.Unit.INERTIA), "all, at the motor");
    var force = load.get().friction();
    w.given("v", feed.get(), "its fastest");
    w.given("t1", dry.latest(), "torque, at its latest end");
    var v = feed.get().value() / 60_000;
    var slows = force * lever * lever / mass.value();
    var coasts = w.result("t2", "v/a, a = F · (s/2π)²/J, friction alone", new Duration(v / slows));
    var way =
        w.result(
            "s",
            "v · (t1 + t2/2)",
            new Length(v * (dry.latest().seconds() + coasts.seconds() / 2)));
    var stands = dry.latest().plus(coasts);
    phases.add(new Phase(State.COASTING, dry.latest(), Optional.of(stands)));
    phases.add(new Phase(State.DEAD, stands, Optional.empty()));
    return course(
        motor,
        phases,
        "stands after %s, %s on".formatted(stands, way),
        Optional.of(way),
        assumed,
        w,
        dry);
  }

  private Course turning(Device motor, Optional<DrivenMotor> driven, StopRehearsal.Dry dry) {
    var w = Working.of("Run-down of " + motor.designation());
    var assumed = assumed(dry);
    var phases = driven(dry);
    var coasts =
        driven
            .flatMap(DrivenMotor::function)
            .or(() -> function(motor))
            .flatMap(f -> Mechanics.read(f.wants().detail().orElse("")).coasts());
    var ramp = driven.flatMap(d -> ramped(d, dry));
    var torqueEnds = dry.latest();
    if (ramp.isPresent()) {
      var stands = dry.latest().plus(ramp.get());
      var feedGone = feedGone(driven.get().drive());
      w.given("ramp", ramp.get(), "of " + driven.get().drive().designation());
      if (feedGone.isEmpty() || feedGone.get().compareTo(stands) >= 0) {
        if (coasts.filter(t -> t <= ramp.get().seconds()).isEmpty())
          assumed.add(
              "its drive takes up what it gives back in its ramp: if it trips, or its braking resistor is gone, it coasts"
                  + coasts.map(t -> " for " + new Duration(t)).orElse(""));
        phases.add(new Phase(State.RAMPING, dry.latest(), Optional.of(stands)));
        phases.add(new Phase(State.DEAD, stands, Optional.empty()));
        return course(
            motor,
            phases,
            "its drive brings it to rest after " + stands,
            Optional.empty(),
            assumed,
            w,
            dry);
      }
      // Not before the ramp was asked for.
      torqueEnds = Collections.max(List.of(feedGone.get(), dry.latest()));
      phases.add(new Phase(State.RAMPING, dry.latest(), Optional.of(torqueEnds)));
    }
    if (coasts.isEmpty()) {
      assumed.add("nothing of its run-down: 'coasts 4 s' with its function says it");
      phases.add(new Phase(State.COASTING, torqueEnds, Optional.empty()));
      return course(
          motor,
          phases,
          "no torque after %s; nobody timed how long it runs down".formatted(torqueEnds),
          Optional.empty(),
          assumed,
          w,
          dry);
    }
    var down = w.given("t2", new Duration(coasts.get()), "from its full speed, by a stop-watch");
    var stands = w.result("t", "t1 + t2", torqueEnds.plus(down));
    var turns = driven.map(d -> turns(d, down));
    phases.add(new Phase(State.COASTING, torqueEnds, Optional.of(stands)));
    phases.add(new Phase(State.DEAD, stands, Optional.empty()));
    return course(
        motor,
        phases,
        "stands after "
            + stands
            + turns
                .map(n -> ", at most %s turns without torque".formatted(Significant.digits(n)))
                .orElse(""),
        Optional.empty(),
        assumed,
        w,
        dry);
  }

  /// From the speed of its greatest frequency; of a motor whose poles are not stated with two.
  private double turns(DrivenMotor driven, Duration down) {
    var hertz = driven.frequency(Role.GREATEST_FREQUENCY).orElse(driven.wound(study)).hertz();
    var rpm = 60 * hertz / (driven.motor().poles().orElse(2) / 2.0);
    return Stopping.turns(new Measure(rpm, Measure.Unit.ROTATION), down);
  }

  private Optional<MachineFunction> function(Device device) {
    return device
        .serves()
        .flatMap(
            id -> study.project().functions().stream().filter(f -> f.id().equals(id)).findFirst());
  }

  /// Its drive still has its feed and slows it down; empty where it lets it coast, or where its
  /// ramp is not entered.
  private Optional<Duration> ramped(DrivenMotor driven, StopRehearsal.Dry dry) {
    return dry.carried().isPresent() ? Optional.empty() : RampHeld.ramp(driven);
  }

  /// When a drive can give no torque any more: without its feed, or its torque input.
  private Optional<Duration> feedGone(Device drive) {
    var fed =
        rehearsal.of(drive).stream().flatMap(f -> f.dry().stream()).map(d -> d.soonest()).limit(1);
    var input =
        study
            .part(drive)
            .flatMap(Part::torqueInput)
            .map(name -> new ActuatorRef(drive.id(), name))
            .filter(ref -> rehearsal.quick().moments().getFirst().live().on(ref))
            .flatMap(ref -> StopRehearsal.offSince(ref, rehearsal.quick()));
    return Stream.concat(fed, input.stream()).min(Duration::compareTo);
  }

  private static Course course(
      Device motor,
      List<Phase> phases,
      String ends,
      Optional<Length> way,
      List<String> assumed,
      Working w,
      StopRehearsal.Dry dry) {
    Trail trail =
        way.map(s -> w.explain(s).trail()).orElseGet(() -> w.explain(dry.latest()).trail());
    return new Course(
        Course.Kind.MOVES,
        List.of(motor),
        motor.purpose(),
        phases.stream()
            .filter(p -> p.to().filter(t -> t.compareTo(p.from()) <= 0).isEmpty())
            .toList(),
        ends,
        way,
        assumed,
        Optional.of(trail));
  }
}
