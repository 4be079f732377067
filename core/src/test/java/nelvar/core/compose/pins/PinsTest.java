package nelvar.core.compose.pins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.compose.Effects;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Device;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.review.Review;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/// Signals on pins: matched as well as trying everything does, and what becomes of a machine.
class PinsTest {
  private static final nelvar.core.catalogue.Catalogue STANDARD = CatalogueFile.standard();

  private static Study study(Project project) {
    return Study.of(project, STANDARD);
  }

  /// Against every permutation: as many matched, and for as little.
  @RepeatedTest(40)
  void matchingIsAsGoodAsTryingEverything(RepetitionInfo run) {
    var random = new Random(run.getCurrentRepetition());
    var rows = 1 + random.nextInt(5);
    var columns = 1 + random.nextInt(6);
    var cost = new double[rows][columns];
    for (var row : cost)
      for (var c = 0; c < columns; c++)
        row[c] = random.nextInt(3) == 0 ? LeastCost.FORBIDDEN : random.nextInt(100);
    var of = LeastCost.match(cost);
    assertThat(Arrays.stream(of).filter(c -> c >= 0)).doesNotHaveDuplicates();
    assertThat(sum(cost, of)).isCloseTo(best(cost, 0, new ArrayList<>()), within(1e-6));
  }

  private static double sum(double[][] cost, int[] of) {
    var sum = 0.0;
    for (var row = 0; row < of.length; row++)
      sum += of[row] < 0 ? LeastCost.FORBIDDEN : cost[row][of[row]];
    return sum;
  }

  private static double best(double[][] cost, int row, List<Integer> taken) {
    if (row == cost.length) return 0;
    var best = LeastCost.FORBIDDEN + best(cost, row + 1, taken);
    for (var column = 0; column < cost[row].length; column++) {
      if (taken.contains(column) || cost[row][column] >= LeastCost.FORBIDDEN) continue;
      taken.add(column);
      best = Math.min(best, cost[row][column] + best(cost, row + 1, taken));
      taken.remove(Integer.valueOf(column));
    }
    return best;
  }

  /// A sourcing and a sinking sensor, a button on +, a valve with its 0 V: each lands where it is
  /// read or fed, is proved there, and nothing is opened.
  @Test
  void freeSignalsLandOnPinsThatSuitThem() {
    var project =
        Panel.dc()
            .device("A", "motion-controller-4ax-sourcing")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .wire("T:+", "A:P+", 0.75, 1)
            .device("B1", "photo-eye-pnp")
            .wire("T:+", "B1:+", 0.5, 5)
            .wire("B1:-", "T:-", 0.5, 5)
            .device("S1", "push-button-1no")
            .wire("T:+", "S1:13", 0.5, 5)
            .device("Y1", "valve-24vdc-4w8")
            .suppressed()
            .wire("Y1:2", "T:-", 0.75, 5)
            .device("B9", "transmitter-4-20ma")
            .wire("T:+", "B9:+", 0.5, 5)
            .wire("B9:-", "T:-", 0.5, 5)
            .build();
    var proposal = AssignPins.of(study(project), STANDARD);
    assertThat(proposal.left()).isEmpty();
    assertThat(proposal.landings()).hasSize(4).allMatch(landing -> !landing.because().isEmpty());
    var after = proposal.edit().apply(project);
    for (var landing : proposal.landings()) {
      var link =
          PinLinks.of(study(after)).stream()
              .filter(l -> l.at().equals(landing.pin()))
              .findFirst()
              .orElseThrow();
      assertThat(link.standing()).as(link.words()).isEqualTo(PinLink.Standing.SURE);
    }
    assertThat(AssignPins.of(study(after), STANDARD).nothing()).isTrue();
    assertThat(effects(project, after).errors()).isEmpty();
  }

  private static Effects effects(Project before, Project after) {
    return Effects.between(Review.of(before, STANDARD), Review.of(after, STANDARD));
  }

  /// What no pin is left for is named, and what is on a pin that suits it stays.
  @Test
  void whatFindsNoPinIsNamed() {
    var panel =
        Panel.dc()
            .device("A", "board-4-axes-24v-2a")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1);
    for (var n = 1; n <= 4; n++)
      panel
          .device("B" + n, "photo-eye-npn")
          .wire("T:+", "B" + n + ":+", 0.5, 5)
          .wire("B" + n + ":-", "T:-", 0.5, 5);
    panel.device("B5", "photo-eye-pnp").wire("T:+", "B5:+", 0.5, 5).wire("B5:-", "T:-", 0.5, 5);
    var project = panel.wire("B1:OUT", "A:IN2", 0.5, 5).build();
    var proposal = AssignPins.of(study(project), STANDARD);
    assertThat(proposal.landings())
        .extracting(landing -> landing.pin().terminal())
        .containsExactlyInAnyOrder("IN1", "IN3");
    assertThat(proposal.left()).hasSize(2).anyMatch(words -> words.contains("-B5"));
  }

  /// Valves on groups that may carry 0.5 A: no group gets three of 0.2 A.
  @Test
  void noGroupIsOverloaded() {
    var rows = new ArrayList<String>();
    for (var n = 1; n <= 6; n++)
      rows.add("Q%d,output-sinking,0.5 A,%s,0.5 A".formatted(n, n <= 3 ? "one" : "two"));
    var csv =
        new StringBuilder("board,input,current,pin,type,rating,group,group rating\n")
            .append("Groups,20.4–28.8 V,0.2 A,")
            .append(rows.getFirst())
            .append('\n');
    rows.stream().skip(1).forEach(row -> csv.append(",,,").append(row).append('\n'));
    nelvar.core.catalogue.Part board;
    try {
      board = nelvar.core.exchange.BoardCsv.read("groups.csv", csv.toString());
    } catch (nelvar.core.file.UnreadableFile e) {
      throw new AssertionError(e);
    }
    var panel =
        Panel.dc()
            .part(board)
            .device("A", board.id())
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1);
    for (var n = 1; n <= 4; n++)
      panel.device("Y" + n, "valve-24vdc-4w8").suppressed().wire("T:+", "Y" + n + ":1", 0.75, 5);
    var project = panel.build();
    var proposal = AssignPins.of(study(project), STANDARD);
    assertThat(proposal.landings()).hasSize(4);
    assertThat(
            proposal.landings().stream()
                .filter(landing -> "Q1 Q2 Q3".contains(landing.pin().terminal()))
                .count())
        .isEqualTo(2);
  }

  /// The controller of the seed-tray filler pulls to 0 V; another that gives + takes over all of
  /// it: coils are turned, the auger's drive gets a relay, no earth fault switches anything on any
  /// more.
  @Test
  void aControllerThatGivesPlusTakesOver() {
    var project = Demo.planted();
    var board = project.device(new Id("A1")).orElseThrow();
    var part = STANDARD.find("motion-controller-4ax-sourcing").orElseThrow();
    var proposal = SwapBoard.of(board, part, study(project), STANDARD);
    assertThat(proposal.left()).isEmpty();
    assertThat(proposal.changes()).filteredOn(SwapBoard.Change::relay).hasSize(1);
    assertThat(proposal.changes()).filteredOn(SwapBoard.Change::turned).hasSize(7);
    assertThat(proposal.said()).anyMatch(words -> words.contains("measure whether they reach"));
    var after = proposal.edit().apply(project);
    assertThat(after.settings())
        .as("what a sensor permits goes along with its output")
        .anyMatch(s -> s.value().equals("B7 on permits " + pinOf(after, "K14")));
    var effects = effects(project, after);
    assertThat(effects.closed()).anyMatch(words -> words.contains("An earth fault"));
    assertThat(effects.opened()).isEmpty();
    for (var link : PinLinks.of(study(after)))
      assertThat(link.standing() == PinLink.Standing.WRONG)
          .as(link.pin().name() + " " + link.words())
          .isEqualTo(wrongBefore(link, project));
  }

  /// The pin that a wire of the coil lands on.
  private static String pinOf(nelvar.core.model.Project project, String relay) {
    return project.conductors().stream()
        .flatMap(wire ->
            wire.from().device().text().equals(relay) && wire.to().device().text().equals("A1")
                ? java.util.stream.Stream.of(wire.to())
                : wire.to().device().text().equals(relay)
                        && wire.from().device().text().equals("A1")
                    ? java.util.stream.Stream.of(wire.from())
                    : java.util.stream.Stream.empty())
        .map(TerminalRef::terminal)
        .findFirst()
        .orElse("none");
  }

  /// The sensors that were wrong before are so still: they are other findings' business.
  private static boolean wrongBefore(PinLink link, Project before) {
    return PinLinks.of(study(before)).stream()
        .filter(old -> old.standing() == PinLink.Standing.WRONG)
        .anyMatch(old -> old.partners().equals(link.partners()) && !link.partners().isEmpty());
  }

  /// Names that the builder gave go with their signals.
  @Test
  void namesGoWithTheirSignals() {
    var project = Demo.settled();
    Device board = project.device(new Id("A1")).orElseThrow();
    project = PinEdits.firmwareName(board, "DI3", "drum_home").apply(project);
    var part = STANDARD.find("controller-16di-16do").orElseThrow();
    var without =
        project.withConductors(
            project.conductors().stream()
                .filter(wire ->
                    !(wire.from().terminal().startsWith("STEP")
                        || wire.from().terminal().startsWith("DIR")))
                .toList());
    var proposal = SwapBoard.of(board, part, study(without), STANDARD);
    assertThat(proposal.left()).isEmpty();
    var after = proposal.edit().apply(without);
    var pin =
        after.conductors().stream()
            .filter(wire -> wire.from().equals(TerminalRef.of("B3:OUT")))
            .map(wire -> wire.to().terminal())
            .findFirst()
            .orElseThrow();
    assertThat(after.settings())
        .anyMatch(
            s -> s.name().equals(FirmwareNames.setting(pin)) && s.value().equals("drum_home"));
  }

  @Test
  void aBoardThatCannotIsToldWhy() {
    var project = Demo.settled();
    var board = project.device(new Id("A1")).orElseThrow();
    var proposal =
        SwapBoard.of(
            board, STANDARD.find("extension-4ai-4ao").orElseThrow(), study(project), STANDARD);
    assertThat(proposal.possible()).isFalse();
    assertThat(proposal.left()).anyMatch(words -> words.contains("finds no pin"));
    assertThat(SwapBoard.candidates(board, study(Demo.planted()), STANDARD).getFirst().possible())
        .isTrue();
  }
}
