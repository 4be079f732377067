package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.stop.Course.Kind;
import nelvar.core.analysis.stop.Course.Phase;
import nelvar.core.analysis.stop.Course.State;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Appliance;
import nelvar.core.catalogue.CoilTimes;
import nelvar.core.catalogue.Heater;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Engine;
import nelvar.core.network.LetsGo;
import nelvar.core.network.StoredCharge;
import nelvar.core.units.Duration;
import nelvar.core.units.Voltage;

/// The lanes of a rehearsal: what switches, moves, holds, heats, is charged and commands, each from
/// the first act until nothing happens any more.
public final class Courses {
  private static final Duration AT_ONCE = new Duration(0);

  /// What a person may touch (IEC 60204-1:2016, 6.2.4, unchecked).
  private static final Voltage SAFE = StoredCharge.MARKS.getFirst();

  private final StopRehearsal rehearsal;
  private final Study study;
  private final Motions motions;

  private Courses(StopRehearsal rehearsal, Study study) {
    this.rehearsal = rehearsal;
    this.study = study;
    this.motions = new Motions(rehearsal, study);
  }

  /// In the order of their kinds, alike ones together.
  public static List<Course> of(StopRehearsal rehearsal, Study study) {
    return folded(each(rehearsal, study));
  }

  /// In the order of the devices, each by itself.
  static List<Course> each(StopRehearsal rehearsal, Study study) {
    var courses = new Courses(rehearsal, study);
    var all = new ArrayList<Course>();
    for (var device : study.project().devices()) courses.of(device).ifPresent(all::add);
    all.addAll(courses.charged());
    return all;
  }

  private Optional<Course> of(Device device) {
    var part = study.part(device);
    if (part.isEmpty()) return Optional.empty();
    var fate = rehearsal.of(device).stream().findFirst();
    if (switches(part.get())) return switching(device, part.get());
    if (fate.isEmpty()) return Outlets.of(device, rehearsal, study);
    if (part.get().motor()) return Optional.of(motions.of(device, fate.get()));
    if (part.get().brakes()) return Optional.of(braking(device, part.get(), fate.get()));
    if (part.get().logic().isPresent())
      return Optional.of(plain(Kind.CONTROLS, device, fate.get(), AT_ONCE, "goes on", "dead"));
    if (part.get().ownCoil().isPresent() && part.get().actuators().isEmpty()) {
      var holds = LetsGo.of(device, part.get().ownCoil().get(), part.get()).most();
      return Optional.of(plain(Kind.ACTS, device, fate.get(), holds, "stays on", "springs back"));
    }
    if (part.get() instanceof Appliance)
      return Optional.of(plain(Kind.ACTS, device, fate.get(), AT_ONCE, "stays on", "off"));
    if (part.get() instanceof Heater) {
      return Optional.of(
          plain(Kind.HEATS, device, fate.get(), AT_ONCE, "stays live", "off, stays hot"));
    }
    return Optional.empty();
  }

  /// A contactor or what watches a stop: the rest of relays is told of by what they do.
  private static boolean switches(Part part) {
    var watched =
        !part.drives()
            && part.actuators().stream()
                .anyMatch(a -> a instanceof Actuator.Watch watch && watch.reset().isPresent());
    return watched || part.coilTimes().equals(CoilTimes.CONTACTOR);
  }

  private Optional<Course> switching(Device device, Part part) {
    var first = rehearsal.slow().moments().getFirst().live();
    return part.actuators().stream()
        .map(actuator -> new ActuatorRef(device.id(), actuator.name()))
        .filter(first::on)
        .findFirst()
        .map(ref -> {
          var off = StopRehearsal.offSince(ref, rehearsal.slow());
          var soon = StopRehearsal.offSince(ref, rehearsal.quick());
          return off.isEmpty()
              ? stayed(device, ref)
              : one(
                  Kind.SWITCHES,
                  device,
                  List.of(on(off), new Phase(State.DEAD, off.get(), Optional.empty())),
                  "open after " + band(soon, off.get()));
        });
  }

  private Course stayed(Device device, ActuatorRef ref) {
    var back = StopRehearsal.backIn(ref, rehearsal.slow());
    return one(
        Kind.SWITCHES,
        device,
        Course.on(back),
        back.map(it -> "in again after " + it.again()).orElse("stays in"));
  }

  private static Phase on(Optional<Duration> to) {
    return new Phase(State.ENERGISED, AT_ONCE, to);
  }

  /// `0.05 to 0.16 s`, once where both are the same.
  private static String band(Optional<Duration> soon, Duration late) {
    return soon.filter(s -> late.seconds() - s.seconds() > 0.05 * late.seconds())
        .map(s -> s + " to " + late)
        .orElse(late.toString());
  }

  private Course braking(Device device, Part part, StopRehearsal.Fate fate) {
    if (fate.dry().isEmpty())
      return one(
          Kind.BRAKES,
          device,
          Course.on(fate.back()),
          fate.back().isPresent() ? "open again" : "keeps its volts: stays open");
    var holds = part.ownCoil().map(coil -> LetsGo.of(device, coil, part));
    var late = fate.dry().get().latest().plus(holds.map(LetsGo::most).orElse(AT_ONCE));
    var soon = fate.dry().get().soonest().plus(holds.map(LetsGo::least).orElse(AT_ONCE));
    return one(
        Kind.BRAKES,
        device,
        List.of(on(Optional.of(late)), new Phase(State.HELD, late, Optional.empty())),
        "holds after " + band(Optional.of(soon), late));
  }

  private static Course plain(
      Kind kind, Device device, StopRehearsal.Fate fate, Duration lag, String keeps, String loses) {
    if (fate.dry().isEmpty())
      return one(
          kind,
          device,
          Course.on(fate.back()),
          fate.back().map(it -> "has its volts again after " + it.again()).orElse(keeps));
    var at = fate.dry().get().latest().plus(lag);
    return one(
        kind,
        device,
        List.of(on(Optional.of(at)), new Phase(State.DEAD, at, Optional.empty())),
        loses + " after " + at);
  }

  private static Course one(Kind kind, Device device, List<Phase> phases, String ends) {
    return new Course(
        kind,
        List.of(device),
        device.purpose(),
        phases.stream()
            .filter(p -> p.to().filter(t -> t.compareTo(p.from()) <= 0).isEmpty())
            .toList(),
        ends,
        Optional.empty(),
        List.of(),
        Optional.empty());
  }

  /// What holds more than 60 V when its feed has gone.
  private List<Course> charged() {
    var slow = rehearsal.slow();
    return Engine.charges(slow.moments().getFirst().live(), slow.last()).stream()
        .filter(charge -> charge.from().compareTo(SAFE) > 0)
        .map(this::charged)
        .toList();
  }

  private Course charged(StoredCharge charge) {
    var lost =
        charge.members().stream()
            .flatMap(id -> rehearsal.of(study.device(id).orElseThrow()).stream())
            .flatMap(fate -> fate.latest().stream())
            .max(Duration::compareTo)
            .orElse(AT_ONCE);
    var down = charge.until(SAFE).map(lost::plus);
    var phases = new ArrayList<Phase>();
    phases.add(on(Optional.of(lost)));
    phases.add(new Phase(State.CHARGED, lost, down));
    down.ifPresent(t -> phases.add(new Phase(State.DEAD, t, Optional.empty())));
    return new Course(
        Kind.CHARGED,
        charge.members().stream().flatMap(id -> study.device(id).stream()).toList(),
        charge.from() + " inside",
        phases.stream()
            .filter(p -> p.to().filter(t -> t.compareTo(p.from()) <= 0).isEmpty())
            .toList(),
        down.map(t -> "60 V after " + t).orElse("nothing is stated that discharges it: measure"),
        Optional.empty(),
        charge.assumed() ? List.of("charged to the most it may be") : List.of(),
        Optional.empty());
  }

  private record Alike(Kind kind, String what, List<Phase> phases, String ends) {}

  /// What is the same at the same times, and ends alike, stands in one lane.
  private static List<Course> folded(List<Course> all) {
    var groups = new LinkedHashMap<Alike, List<Course>>();
    for (var course : all)
      groups
          .computeIfAbsent(
              new Alike(
                  course.kind(),
                  course.kind() == Kind.CHARGED ? course.names() : "",
                  course.phases(),
                  course.ends()),
              _ -> new ArrayList<>())
          .add(course);
    return groups.values().stream()
        .map(Courses::together)
        .sorted(Comparator.comparing(Course::kind))
        .toList();
  }

  private static Course together(List<Course> alike) {
    var first = alike.getFirst();
    if (alike.size() == 1) return first;
    return new Course(
        first.kind(),
        alike.stream().flatMap(c -> c.devices().stream()).toList(),
        String.join(", ", alike.stream().map(Course::what).distinct().toList()),
        first.phases(),
        first.ends(),
        first.way(),
        first.assumed(),
        first.trail());
  }
}
