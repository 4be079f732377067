package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import nelvar.core.analysis.Study;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.units.Duration;

/// What each stop, each guard and the mains going away take: one column each, one row for each
/// thing that moves, brakes, acts or heats.
public record StopMatrix(List<Column> columns) {
  private static final Duration LOOKED_AT = new Duration(60);

  /// @param lanes of all that is told of, alike ones apart
  public record Column(Scenario.Doable act, Map<Id, Course> lanes) {}

  public StopMatrix {
    columns = List.copyOf(columns);
  }

  /// Whatever takes power from the running machine as a whole.
  public static List<Scenario.Doable> acts(Study study) {
    return Scenario.all(study).stream()
        .filter(act ->
            act.kind() == Scenario.Kind.PRESS
                || act.kind() == Scenario.Kind.GUARD
                || (act.kind() == Scenario.Kind.MAINS
                    && act.words().startsWith("mains away at ")
                    && act.steps().size() == 1))
        .toList();
  }

  /// Of all acts; without columns where nothing stops the machine.
  public static StopMatrix of(Study study) {
    var none = acts(study).stream().allMatch(act -> act.kind() == Scenario.Kind.MAINS);
    return study.once(StopMatrix.class, () -> of(study, () -> none, _ -> {}));
  }

  /// @param dropped asked between two columns; @param each hears of every column as it is ready
  public static StopMatrix of(Study study, BooleanSupplier dropped, Consumer<StopMatrix> each) {
    var all = new ArrayList<Column>();
    if (!study.asDesigned().settled()) return new StopMatrix(all);
    for (var act : acts(study)) {
      if (dropped.getAsBoolean()) break;
      var rehearsal = StopRehearsal.of(act.at(new Duration(0)), LOOKED_AT, study);
      var lanes = new LinkedHashMap<Id, Course>();
      for (var course : Courses.each(rehearsal, study))
        if (tells(course.kind())) lanes.put(course.devices().getFirst().id(), course);
      all.add(new Column(act, lanes));
      each.accept(new StopMatrix(all));
    }
    return new StopMatrix(all);
  }

  private static boolean tells(Course.Kind kind) {
    return switch (kind) {
      case MOVES, BRAKES, ACTS, HEATS -> true;
      case SWITCHES, CHARGED, CONTROLS -> false;
    };
  }

  /// What fares alike under all of them stands in one row.
  ///
  /// @param lanes one a column, of the first of them
  public record Row(Course.Kind kind, List<Device> devices, List<Course> lanes) {
    public Row {
      devices = List.copyOf(devices);
      lanes = List.copyOf(lanes);
    }
  }

  /// In the order of their kinds.
  public List<Row> rows() {
    if (columns.isEmpty()) return List.of();
    var groups = new LinkedHashMap<List<Object>, List<Course>>();
    for (var course : columns.getFirst().lanes().values()) {
      var words = new ArrayList<Object>(List.of(course.kind()));
      for (var lane : lanes(course)) words.add(word(lane));
      groups.computeIfAbsent(words, _ -> new ArrayList<>()).add(course);
    }
    return groups.values().stream()
        .map(alike ->
            new Row(
                alike.getFirst().kind(),
                alike.stream().flatMap(c -> c.devices().stream()).toList(),
                lanes(alike.getFirst())))
        .sorted(Comparator.comparing(Row::kind))
        .toList();
  }

  private List<Course> lanes(Course course) {
    var id = course.devices().getFirst().id();
    return columns.stream()
        .flatMap(column -> Optional.ofNullable(column.lanes().get(id)).stream())
        .toList();
  }

  /// How a row fares in a column, in a word or two.
  public static String word(Course course) {
    var powerless = course.powerless().map(Duration::toString);
    return switch (course.last()) {
      case ENERGISED, CARRIED, RAMPING -> "stays on";
      case FALLING -> "falls";
      case COASTING -> "coasts from " + powerless.orElse("?");
      case HELD ->
          course
              .way()
              .map(way -> "sinks " + way)
              .orElse("held " + course.phases().getLast().from());
      case DEAD -> course.over().map(Duration::toString).orElse("off");
      case CHARGED -> "charged";
    };
  }

  /// The slowest that stands still, or is held, by any stop of the machine; empty where one never
  /// is known to.
  public Optional<Duration> slowest() {
    var slowest = new Duration(0);
    for (var column : columns)
      if (column.act().kind() == Scenario.Kind.PRESS)
        for (var lane : column.lanes().values()) {
          if (lane.kind() != Course.Kind.MOVES) continue;
          if (lane.last() == Course.State.ENERGISED) continue;
          if (lane.over().isEmpty()) return Optional.empty();
          if (lane.over().get().compareTo(slowest) > 0) slowest = lane.over().get();
        }
    return slowest.seconds() > 0 ? Optional.of(slowest) : Optional.empty();
  }
}
