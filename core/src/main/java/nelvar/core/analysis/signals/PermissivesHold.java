package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Subject;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Disturbance;
import nelvar.core.network.Live;
import nelvar.core.network.WhatIf;
import nelvar.core.trail.Working;

/// What sensors permit holds on the wiring, and with any one of them stuck.
///
/// Each situation is solved: what the pins then read is what the program knows. Two situations that
/// permit different things must read differently; and with one sensor stuck, or its wire broken, no
/// situation may read like one that permits more. What reads like none of them permits nothing.
/// Single faults only; what the program makes of it is not seen here (IEC 60204-1:2016, 9.4, asks
/// that a fault does not lead to a hazard, unchecked).
public final class PermissivesHold implements Rule {
  private static final Reason NOT_READ = Reason.of("A row of the permissives cannot be read");
  private static final Reason ALIKE = Reason.of("Two situations read alike");
  private static final Reason STUCK = Reason.of("A stuck sensor lets it run");

  @Override
  public String id() {
    return "signals.permissive";
  }

  @Override
  public String asks() {
    return "What sensors permit holds, with any one of them stuck too.";
  }

  /// What the program reads: each input with a sensor of the table on it.
  public record Pattern(Map<TerminalRef, PinLink.Reads> reads) {
    public Pattern {
      reads = Map.copyOf(reads);
    }

    boolean sure() {
      return reads.values().stream().noneMatch(read -> read == PinLink.Reads.BETWEEN);
    }
  }

  /// One row with what it reads like, as it should be and with each sensor stuck.
  ///
  /// @param sensor the one that is stuck; @param stuck what is tried; @param like the row it then
  ///   reads like
  public record Tried(
      Permissive row,
      Optional<ActuatorRef> sensor,
      String stuck,
      Optional<Permissive> like,
      boolean sure) {
    /// What could be switched on and must not.
    public List<TerminalRef> wrongly() {
      return like.map(other -> other.beyond(Optional.of(row))).orElse(List.of());
    }
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var table = Permissive.Table.of(study);
    var unread =
        table.unread().stream()
            .<Verdict>map(row ->
                new Verdict.Finding(
                    row.board().id(),
                    Severity.WARNING,
                    NOT_READ,
                    "The permissive '%s' of %s cannot be read: %s. Until then it protects nobody."
                        .formatted(row.name(), row.board().designation(), row.why()),
                    Working.of("Permissive " + row.name()).explain(row).trail(),
                    List.of()));
    var boards = new LinkedHashMap<Id, List<Permissive>>();
    for (var row : table.rows())
      boards.computeIfAbsent(row.board().id(), _ -> new ArrayList<>()).add(row);
    return Stream.concat(
        unread,
        boards.values().stream()
            .flatMap(
                Contained.many(
                    this, rows -> rows.getFirst().board().id(), rows -> judge(rows, study))));
  }

  /// Every row, as it is and with each sensor stuck on and off.
  public static List<Tried> tried(List<Permissive> rows, Study study) {
    var sensors = new LinkedHashSet<ActuatorRef>();
    for (var row : rows) sensors.addAll(row.stands().keySet());
    var patterns = new LinkedHashMap<Permissive, Pattern>();
    for (var row : rows) patterns.put(row, pattern(row, Optional.empty(), sensors, study));
    var all = new ArrayList<Tried>();
    for (var row : rows) {
      all.add(
          tried(
              row,
              Optional.empty(),
              "as it should be",
              pattern(row, Optional.empty(), sensors, study),
              patterns));
      // A forbidden one is there by a fault already: another would be the second.
      if (row.forbidden()) continue;
      for (var sensor : sensors)
        for (var on : List.of(true, false)) {
          var stuck = new Disturbance.Frozen(sensor, on);
          all.add(
              tried(
                  row,
                  Optional.of(sensor),
                  "%s stuck %s".formatted(study.label(sensor.device()), on ? "on" : "off"),
                  pattern(row, Optional.of(stuck), sensors, study),
                  patterns));
        }
    }
    return all;
  }

  private static Tried tried(
      Permissive row,
      Optional<ActuatorRef> sensor,
      String stuck,
      Pattern reads,
      Map<Permissive, Pattern> patterns) {
    var like =
        patterns.entrySet().stream()
            .filter(entry -> entry.getKey() != row && entry.getValue().equals(reads))
            .map(Map.Entry::getKey)
            // Of several alike the one that permits most counts.
            .max(java.util.Comparator.comparingInt(other -> other.beyond(Optional.of(row)).size()));
    return new Tried(row, sensor, stuck, like, reads.sure());
  }

  private static Pattern pattern(
      Permissive row, Optional<Disturbance> stuck, Set<ActuatorRef> sensors, Study study) {
    var trial = WhatIf.AS_DESIGNED;
    for (var entry : row.stands().entrySet())
      trial = trial.holding(entry.getKey(), entry.getValue());
    for (var disturbance : stuck.stream().toList()) trial = trial.with(disturbance);
    var live = study.engine().solve(trial, Conditions.hotAndLow(study.hot()));
    var reads = new LinkedHashMap<TerminalRef, PinLink.Reads>();
    for (var link : PinLinks.of(study)) {
      if (!link.wired() || !link.pin().type().digitalInput()) continue;
      if (Drivers.of(link.at(), study).conducting().keySet().stream().noneMatch(sensors::contains))
        continue;
      reads.put(link.at(), reads(link, live));
    }
    return new Pattern(reads);
  }

  private static PinLink.Reads reads(PinLink link, Live live) {
    if (!live.settled()) return PinLink.Reads.BETWEEN;
    return link.reads(link.at(), live);
  }

  private Stream<Verdict> judge(List<Permissive> rows, Study study) {
    var board = rows.getFirst().board();
    var tried = tried(rows, study);
    var w = Working.of("Permissives of " + board.designation());
    for (var row : rows)
      w.given(
          row.name(),
          row.forbidden()
              ? "forbidden"
              : row.permits().isEmpty()
                  ? "permits nothing"
                  : "permits " + names(row.permits(), study),
          row.words(study));
    w.given("tried", String.valueOf(tried.size()), "situations, each sensor stuck on and off");
    var trail = w.explain(rows).trail();
    if (tried.stream().anyMatch(t -> t.stuck().equals("as it should be") && !t.sure()))
      return Stream.of(
          new Verdict.NotChecked(
              board.id(), "what its inputs read is not sure, see the links of its pins"));
    var all = new ArrayList<Verdict>();
    for (var one : tried) {
      var wrongly = one.wrongly();
      if (wrongly.isEmpty()) continue;
      var asItIs = one.stuck().equals("as it should be");
      all.add(
          new Verdict.Finding(
              // Of the sensor, not of the pin: what is wrong stays where its signal moves.
              Subject.of(one.sensor().map(ActuatorRef::device).orElse(board.id())),
              severity(wrongly, study),
              asItIs ? ALIKE : STUCK,
              asItIs
                  ? "'%s' reads like '%s', which permits %s: the program cannot tell them apart. Add a sensor that does."
                      .formatted(
                          one.row().name(), one.like().orElseThrow().name(), names(wrongly, study))
                  : "With %s, '%s' reads like '%s', which permits %s. Sense the other end of the movement too, and forbid both at once."
                      .formatted(
                          one.stuck(),
                          one.row().name(),
                          one.like().orElseThrow().name(),
                          names(wrongly, study)),
              trail,
              List.of()));
    }
    return all.isEmpty() ? Stream.of(new Verdict.Pass(board.id(), trail)) : all.stream();
  }

  private static Severity severity(List<TerminalRef> outputs, Study study) {
    return PinLinks.of(study).stream()
            .filter(link -> outputs.contains(link.at()))
            .flatMap(link -> link.partners().stream())
            .flatMap(end -> study.device(end.device()).stream())
            .anyMatch(device -> Moving.could(device, study))
        ? Severity.ERROR
        : Severity.WARNING;
  }

  private static String names(List<TerminalRef> outputs, Study study) {
    var all = new LinkedHashSet<String>();
    for (var output : outputs)
      all.add(
          PinLinks.of(study).stream()
              .filter(link -> link.at().equals(output))
              .flatMap(link -> link.partners().stream())
              .flatMap(end -> study.device(end.device()).stream())
              .findFirst()
              .map(device -> (device.designation() + " " + device.purpose()).strip())
              .orElse(output.toString()));
    return String.join(", ", all);
  }
}
