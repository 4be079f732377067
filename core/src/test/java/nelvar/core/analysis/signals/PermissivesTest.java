package nelvar.core.analysis.signals;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import nelvar.core.Panel;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Setting;
import nelvar.core.model.edit.Edits;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/// A clamp with its sensors, and what may run: on the wiring, with each sensor stuck, and against
/// plain enumeration.
class PermissivesTest {
  private static final PermissivesHold RULE = new PermissivesHold();

  private static Project clamp(String... rows) {
    var project =
        Panel.dc()
            .device("A", "motion-controller-4ax-sourcing")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .wire("T:+", "A:P+", 0.75, 1)
            .device("B1", "cylinder-sensor-pnp")
            .purpose("clamp open")
            .wire("T:+", "B1:+", 0.5, 5)
            .wire("B1:-", "T:-", 0.5, 5)
            .wire("B1:OUT", "A:DI1", 0.5, 5)
            .device("B2", "cylinder-sensor-pnp")
            .purpose("clamped with tool")
            .wire("T:+", "B2:+", 0.5, 5)
            .wire("B2:-", "T:-", 0.5, 5)
            .wire("B2:OUT", "A:DI2", 0.5, 5)
            .device("M", "pump-24v-3a")
            .device("K", "relay-6a-24vdc")
            .purpose("spindle run")
            .wire("A:DO3", "K:A1", 0.5, 1)
            .wire("K:A2", "T:-", 0.5, 1)
            .wire("T:+", "K:11", 0.75, 1)
            .wire("K:14", "M:+", 0.75, 1)
            .wire("M:-", "T:-", 0.75, 1)
            .build();
    for (var n = 0; n < rows.length; n++)
      project =
          Edits.set(new Setting(new Id("A"), "Permissive " + (char) ('a' + n), rows[n], ""))
              .apply(project);
    return project;
  }

  private static List<Verdict> verdicts(Project project) {
    return RULE.check(Panel.study(project)).toList();
  }

  private static List<String> findings(Project project) {
    return verdicts(project).stream()
        .filter(Verdict.Finding.class::isInstance)
        .map(v -> ((Verdict.Finding) v).text())
        .toList();
  }

  /// One sensor alone: stuck on, the spindle may run with the clamp open.
  @Test
  void oneSensorStuckLetsItRun() {
    var project = clamp("B2 off permits nothing", "B2 on permits DO3");
    assertThat(findings(project))
        .singleElement()
        .satisfies(text -> assertThat(text).contains("B2 stuck on", "-K spindle run"));
    assertThat(((Verdict.Finding) verdicts(project).getFirst()).severity())
        .isEqualTo(Severity.ERROR);
  }

  /// Both ends sensed, both at once forbidden: any single stuck sensor reads like nothing that
  /// permits.
  @Test
  void bothEndsSensedHold() {
    var project =
        clamp(
            "B1 on, B2 off permits nothing",
            "B1 off, B2 on permits DO3",
            "B1 off, B2 off permits nothing",
            "B1 on, B2 on forbidden");
    // Between its ends, with B2 stuck on, it reads like clamped: two sensors cannot tell that.
    assertThat(findings(project))
        .singleElement()
        .satisfies(text -> assertThat(text).contains("'c'", "B2 stuck on"));
    assertThat(
            findings(
                clamp(
                    "B1 on, B2 off permits nothing",
                    "B1 off, B2 on permits DO3",
                    "B1 on, B2 on forbidden")))
        .isEmpty();
    assertThat(findings(clamp("B1 on, B2 off permits nothing", "B1 off, B2 on permits DO3")))
        .isEmpty();
  }

  @Test
  void twoSituationsThatReadAlikeAreFound() {
    assertThat(findings(clamp("B1 off permits nothing", "B1 off, B2 on permits DO3"))).isNotEmpty();
    // The sensor is on no pin: nothing tells the rows apart.
    var project = clamp("B2 off permits nothing", "B2 on permits DO3");
    var cut =
        project.withConductors(
            project.conductors().stream()
                .filter(wire -> !wire.from().toString().equals("B2:OUT"))
                .toList());
    assertThat(findings(cut)).anyMatch(text -> text.contains("cannot tell them apart"));
  }

  @Test
  void whatCannotBeReadIsSaid() {
    for (var row :
        List.of(
            "B9 on permits DO3",
            "B1 maybe permits DO3",
            "nonsense",
            "B1 on permits DI1",
            "B1 on, B1 off permits DO3"))
      assertThat(findings(clamp(row)))
          .as(row)
          .singleElement()
          .satisfies(text -> assertThat(text).contains("cannot be read"));
  }

  /// Tables drawn by lot, against enumeration: a row reads as its sensors stand, a stuck one
  /// changes its own bit only.
  @RepeatedTest(12)
  void asEnumerationSays(RepetitionInfo run) {
    var random = new Random(run.getCurrentRepetition());
    var rows = new ArrayList<int[]>();
    var seen = new HashSet<Integer>();
    while (rows.size() < 2 + random.nextInt(3)) {
      var bits = random.nextInt(4);
      if (seen.add(bits)) rows.add(new int[] {bits, random.nextInt(2)});
    }
    var texts =
        rows.stream()
            .map(row ->
                "B1 %s, B2 %s permits %s"
                    .formatted(
                        (row[0] & 1) != 0 ? "on" : "off",
                        (row[0] & 2) != 0 ? "on" : "off",
                        row[1] == 1 ? "DO3" : "nothing"))
            .toArray(String[]::new);
    var expected = 0;
    for (var row : rows)
      for (var bit : List.of(1, 2))
        for (var on : List.of(true, false)) {
          var reads = on ? row[0] | bit : row[0] & ~bit;
          for (var other : rows)
            if (other != row && other[0] == reads && other[1] == 1 && row[1] == 0) expected++;
        }
    assertThat(findings(clamp(texts))).as(String.join("; ", texts)).hasSize(expected);
  }

  /// 0.81 · 4 mm of mild steel, 0.4 of it for aluminium: 3.24 and 1.30 mm.
  @Test
  void targetsAreSeenOrNot() {
    assertThat(target("inductive-m12-pnp", "steel 12 mm at 3 mm")).isEmpty();
    assertThat(target("inductive-m12-pnp", "aluminium 12 mm at 2 mm")).contains("1.3 mm");
    assertThat(target("inductive-m12-pnp", "steel 6 mm at 3 mm")).contains("1.62 mm");
    assertThat(target("inductive-m18-nonflush-pnp", "steel 30 mm at 3 mm, flush in metal"))
        .contains("not made to sit flush");
    assertThat(target("inductive-m12-pnp", "wood 12 mm at 2 mm")).contains("cannot be read");
  }

  /// 10 mm at 4 m/s stand there for 2.5 ms; the sensor needs 0.5 ms. Every 2 mm at 4 m/s are 2000 a
  /// second, and it tells 1000.
  @Test
  void whatPassesTooFastIsMissed() {
    assertThat(target("inductive-m12-pnp", "steel 12 mm at 2 mm, passes at 4 m/s")).isEmpty();
    assertThat(target("inductive-m12-pnp", "steel 12 mm at 2 mm, passes at 40 m/s"))
        .contains("missed");
    assertThat(target("inductive-m12-pnp", "steel 12 mm at 2 mm, passes at 4 m/s every 2 mm"))
        .contains("counts are lost");
    // 10 degrees at 24 000 rpm: 69 µs, and the reader needs 100.
    assertThat(target("speed-eye-reflective-pnp", "mark 10 deg at 24000 rpm")).contains("69.4 µs");
    assertThat(target("speed-eye-reflective-pnp", "mark 30 deg at 24000 rpm")).isEmpty();
  }

  private static String target(String sensor, String text) {
    var project =
        Panel.dc()
            .device("A", "motion-controller-4ax-sourcing")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .device("B", sensor)
            .wire("T:+", "B:+", 0.5, 5)
            .wire("B:-", "T:-", 0.5, 5)
            .wire("B:OUT", "A:DI1", 0.5, 5)
            .build();
    var study = Panel.study(Edits.set(new Setting(new Id("B"), "Target", text, "")).apply(project));
    return Boards.found(new SensesTarget(), study).map(Verdict.Finding::text).orElse("");
  }
}
