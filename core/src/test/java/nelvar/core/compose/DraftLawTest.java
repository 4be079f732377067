package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.stream.IntStream;
import nelvar.core.compose.need.DraftList;
import nelvar.core.compose.sketch.Architecture;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.finding.Severity;
import nelvar.core.model.Conductor;
import nelvar.core.model.Project;
import nelvar.core.sample.RandomList;
import org.junit.jupiter.api.Test;

/// What holds of any draft, on 500 lists from seeds: 3 to 40 functions, all kinds, both schools,
/// every mains.
class DraftLawTest {
  private static final int LISTS = 500;
  private static final int TWICE = 25;
  private static final int OTHERS = 40;

  private final List<String> broken = Collections.synchronizedList(new ArrayList<>());
  private final List<String> unmet = Collections.synchronizedList(new ArrayList<>());

  @Test
  void anyListBecomesAMachineWithoutErrors() {
    IntStream.range(0, LISTS)
        .parallel()
        .forEach(seed -> draw(seed, RandomList.of(seed), Architecture.STAND_ALONE));
    assertThat(broken).isEmpty();
    // The rest ask for more than one inlet gives, and say so.
    assertThat(unmet).hasSizeLessThanOrEqualTo(LISTS / 20);
    assertThat(unmet).allMatch(why -> why.length() > 40);
  }

  /// The same, whatever runs it; a board with drives on it moves small axes only, and says so.
  @Test
  void whateverRunsItThereAreNoErrors() {
    IntStream.range(0, OTHERS)
        .parallel()
        .forEach(seed -> {
          for (var architecture : Architecture.values())
            draw(seed, RandomList.of(seed), architecture);
          draw(seed, small(seed), Architecture.BOARD_WITH_DRIVES);
        });
    assertThat(broken).isEmpty();
    assertThat(unmet)
        .allMatch(why ->
            why.contains("on the board")
                || why.contains("the board has")
                || why.contains("before the inlet"));
    assertThat(unmet).hasSizeLessThan(2 * OTHERS);
  }

  /// Small axes, as boards move them, with other things beside them.
  private static String small(int seed) {
    return """
    mains %s
    %d axes stepper %s A
    %d limit switches
    %d valves 24 V
    stop button
    spindle 0.75 kW
    """
        .formatted(
            seed % 2 == 0 ? "230 V 50 Hz TN-S" : "3x400 V 50 Hz TN-S",
            1 + seed % 6,
            List.of("0.8", "1.5", "2", "2.5").get(seed % 4),
            1 + seed % 9,
            1 + seed % 11);
  }

  private void draw(int seed, String text, Architecture architecture) {
    var list = DraftList.read("random", text);
    if (!list.problems().isEmpty()) {
      broken.add(seed + ": " + list.problems());
      return;
    }
    try {
      var draft =
          Draft.of(list.project(), CatalogueFile.standard(), list.upstreamStated(), architecture);
      judge(seed, draft, list, architecture);
    } catch (Unmet why) {
      unmet.add(
          "seed %d, %s: %s"
              .formatted(
                  seed,
                  why.function().map(f -> f.designation().text()).orElse("the machine"),
                  why.why()));
    }
  }

  private void judge(int seed, Draft draft, DraftList.Machine list, Architecture architecture) {
    for (var entry : draft.review().open())
      if (entry.finding().orElseThrow().severity() == Severity.ERROR)
        broken.add(seed + ": " + entry.finding().orElseThrow().text());
    var project = draft.project();
    for (var wire : project.conductors())
      if (!whole(wire, project)) broken.add(seed + ": " + wire.label() + " is not whole");
    if (labels(project) != project.conductors().size())
      broken.add(seed + ": wire numbers stand twice");
    var served =
        new HashSet<>(project.devices().stream().flatMap(d -> d.serves().stream()).toList());
    for (var function : list.project().functions())
      if (!served.contains(function.id()) && !shared(function.kind()))
        broken.add(seed + ": nothing serves " + function.designation());
    if (seed % TWICE == 0 && architecture == Architecture.STAND_ALONE) sameAgain(seed, draft, list);
  }

  /// One controller may serve two functions of computing.
  private static boolean shared(nelvar.core.model.FunctionKind kind) {
    return kind == nelvar.core.model.FunctionKind.COMPUTE;
  }

  private static boolean whole(Conductor wire, Project project) {
    var length =
        wire.length().isPresent()
            || wire.cable().flatMap(project::cable).flatMap(cable -> cable.length()).isPresent();
    return length
        && wire.section().isPresent()
        && wire.colour().isPresent()
        && (wire.cable().isPresent() || wire.bundle().isPresent());
  }

  private static long labels(Project project) {
    return project.conductors().stream().map(Conductor::label).distinct().count();
  }

  /// The same list gives the same bytes; they are read back as the same project; taken as an edit
  /// it passes the one door, and the project it was taken on is untouched.
  private void sameAgain(int seed, Draft draft, DraftList.Machine list) {
    try {
      var bytes = ProjectFormat.write(draft.project());
      var again =
          Draft.of(
              DraftList.read("random", RandomList.of(seed)).project(),
              CatalogueFile.standard(),
              list.upstreamStated());
      if (!new String(bytes, StandardCharsets.UTF_8)
          .equals(new String(ProjectFormat.write(again.project()), StandardCharsets.UTF_8)))
        broken.add(seed + ": the same list gives other bytes");
      if (!ProjectFormat.read("x", bytes, CatalogueFile.standard()).equals(draft.project()))
        broken.add(seed + ": does not come back from its file");
      var before = ProjectFormat.write(list.project());
      draft.edit().on(list.project(), CatalogueFile.standard());
      if (!java.util.Arrays.equals(before, ProjectFormat.write(list.project())))
        broken.add(seed + ": the list's own project was changed");
    } catch (nelvar.core.file.UnreadableFile unreadable) {
      broken.add(seed + ": " + unreadable.getMessage());
    }
  }
}
