package nelvar.core.analysis.stop;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Appliance;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.trail.Working;
import nelvar.core.units.Duration;

/// A stop does not let go of the work while a tool still turns.
///
/// Clamps, chucks, grippers and vacuum that holds are known by the words of their purpose or
/// function, tools by theirs. Rehearsed with each stop and guard: a grip that loses its volts
/// before the tool stands is pointed out, also where nobody timed the tool. With the mains away the
/// same is advice only: no wire cures it. What its words say stays closed by itself (by a spring, a
/// valve that stays as it was) passes; what they do not say is not known.
///
/// Demand: IEC 60204-1:2016, 9.3.1 and ISO 12100:2010, 6.2.11 (work that is held stays held when
/// energy goes), unchecked.
public final class GripHolds implements Rule {
  private static final Reason LETS_GO =
      Reason.of("What holds the work lets go while the tool turns");

  private static final Pattern GRIPS =
      Pattern.compile(
          "clamp|grip|chuck|\\bvice\\b|\\bvise\\b|hold-?down|vacuum.*(table|bed|cup|hold|plate)|(table|bed|cup|hold|plate).*vacuum|magnet.*(hold|plate|chuck)");

  private static final Reason WITH_THE_MAINS =
      Reason.of("What holds the work lets go when the mains goes");

  private static final Pattern STAYS_CLOSED =
      Pattern.compile(
          "(clos|held|hold|clamp|grip)\\w* by (a |its )?springs?|spring[- ](clos|held|clamp|applied)|bistable|two[- ]position|stays? (as it was|closed)|\\blatch(ed|ing)");

  private static final Pattern TURNS =
      Pattern.compile(
          "spindle|\\bsaw|\\bmill|cutter|router|drill|grind|lathe|blade|knife|polish|sand(er|ing)|planer");

  /// What coasts is looked at for so long.
  private static final Duration LOOKED_AT = new Duration(30);

  /// Whether words name what holds work.
  public static boolean holdsWork(String words) {
    return GRIPS.matcher(words.toLowerCase(Locale.ROOT)).find();
  }

  /// Whether words name a tool that turns.
  public static boolean turnsATool(String words) {
    return TURNS.matcher(words.toLowerCase(Locale.ROOT)).find();
  }

  @Override
  public String id() {
    return "stop.grip";
  }

  @Override
  public String asks() {
    return "A stop keeps the work held until the tool stands.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var tools = named(TURNS, study).filter(d -> is(d, study, GripHolds::turns)).toList();
    if (tools.isEmpty()) return Stream.empty();
    return named(GRIPS, study)
        .filter(d -> !tools.contains(d) && is(d, study, GripHolds::holds))
        .flatMap(Contained.one(this, Device::id, grip -> judge(grip, tools, study)));
  }

  /// A motor, or a ready-made tool on its plug.
  private static boolean turns(Part part) {
    return part.motor() || part instanceof Appliance;
  }

  /// A valve, a magnet, a pump: not a brake.
  private static boolean holds(Part part) {
    return !part.brakes()
        && (part.motor()
            || (part.ownCoil().isPresent() && part.actuators().isEmpty())
            || part instanceof Appliance);
  }

  private static boolean is(Device device, Study study, java.util.function.Predicate<Part> what) {
    return study.part(device).filter(what).isPresent();
  }

  private static Stream<Device> named(Pattern words, Study study) {
    return study.project().devices().stream()
        .filter(device -> words.matcher(says(device, study)).find());
  }

  /// Its purpose and the name of its function, in small letters.
  static String says(Device device, Study study) {
    var function =
        study.project().functions().stream()
            .filter(f -> device.serves().filter(f.id()::equals).isPresent())
            .map(f -> f.name())
            .findFirst();
    return (device.purpose() + " " + function.orElse("")).toLowerCase(Locale.ROOT);
  }

  private static Verdict judge(Device grip, List<Device> tools, Study study) {
    if (!study.asDesigned().settled())
      return new Verdict.NotChecked(grip.id(), "no steady state of the machine is found");
    var w = Working.of("How long " + grip.designation() + " holds");
    if (STAYS_CLOSED.matcher(says(grip, study)).find()) {
      w.assumed("stays closed", "without volts", "by its words");
      return new Verdict.Pass(grip.id(), w.explain(grip.id()).trail());
    }
    for (var one : Pressed.all(study)) {
      if (!one.takes(grip, study)) continue;
      var rehearsal = StopRehearsal.pressing(one.button(), LOOKED_AT, study);
      var lost = lost(grip, tools, one.button().designation().text(), rehearsal, w, study);
      if (lost.isEmpty()) continue;
      return new Verdict.Finding(
          grip.id(),
          Severity.WARNING,
          LETS_GO,
          "%s takes the volts of %s (%s) after %s, and %s (%s) then still turns: %s. Feed what holds from what stays live, or take a valve that stays as it was; where it closes by a spring, say so in its purpose."
              .formatted(
                  one.button().designation(),
                  grip.designation(),
                  grip.purpose(),
                  lost.get().open(),
                  lost.get().tool().designation(),
                  lost.get().tool().purpose(),
                  lost.get().course().ends()),
          w.explain(grip.id()).trail(),
          List.of());
    }
    var away = StopMatrix.acts(study).stream().filter(a -> a.kind() == Scenario.Kind.MAINS);
    for (var act : away.toList()) {
      var rehearsal = StopRehearsal.of(act.at(new Duration(0)), LOOKED_AT, study);
      var lost = lost(grip, tools, act.words(), rehearsal, w, study);
      if (lost.isEmpty()) continue;
      return new Verdict.Finding(
          grip.id(),
          Severity.ADVICE,
          WITH_THE_MAINS,
          "With the %s %s (%s) loses its volts after %s, and %s (%s) still turns: %s. No wire cures that: take a valve that stays as it was or a clamp that closes by a spring, and say so in its purpose."
              .formatted(
                  act.words(),
                  grip.designation(),
                  grip.purpose(),
                  lost.get().open(),
                  lost.get().tool().designation(),
                  lost.get().tool().purpose(),
                  lost.get().course().ends()),
          w.explain(grip.id()).trail(),
          List.of());
    }
    return new Verdict.Pass(grip.id(), w.explain(grip.id()).trail());
  }

  /// @param open when the grip is, at the soonest
  /// @param course of the tool that still turns then
  private record Lost(Duration open, Device tool, Course course) {}

  private static Optional<Lost> lost(
      Device grip, List<Device> tools, String by, StopRehearsal rehearsal, Working w, Study study) {
    var open =
        rehearsal.of(grip).stream()
            .flatMap(f -> f.dry().stream())
            .map(StopRehearsal.Dry::soonest)
            .findFirst();
    if (open.isEmpty()) return Optional.empty();
    w.given(by, open.get(), "it loses its volts, at the soonest");
    for (var tool : tools) {
      var course = course(tool, rehearsal, study);
      if (course.isEmpty()) continue;
      w.given(tool.designation().text(), course.get().ends(), "rehearsed");
      if (stands(course.get()).filter(t -> t.compareTo(open.get()) <= 0).isEmpty())
        return Optional.of(new Lost(open.get(), tool, course.get()));
    }
    return Optional.empty();
  }

  private static Optional<Course> course(Device tool, StopRehearsal rehearsal, Study study) {
    return Courses.each(rehearsal, study).stream()
        .filter(c -> c.devices().contains(tool))
        .filter(c -> c.kind() == Course.Kind.MOVES || c.kind() == Course.Kind.ACTS)
        .findFirst();
  }

  /// Empty where it never does, or where nobody timed it; of a ready-made tool it is only known
  /// when it is off.
  private static Optional<Duration> stands(Course course) {
    if (course.kind() != Course.Kind.MOVES) return Optional.empty();
    var last = course.phases().getLast();
    return last.state() == Course.State.DEAD || last.state() == Course.State.HELD
        ? Optional.of(last.from())
        : Optional.empty();
  }
}
