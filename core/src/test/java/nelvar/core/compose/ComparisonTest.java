package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/// Variants side by side, and the parts that could stand in a device's place.
class ComparisonTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();
  private static Review demo;

  @BeforeAll
  static void open() {
    demo = Review.findingsOnly(Demo.settled(), STANDARD);
  }

  private static Device device(String id) {
    return demo.project().device(new Id(id)).orElseThrow();
  }

  private static Comparison.Variant swap(String id, String part) {
    return new Comparison.Variant(
        id + " " + part, Edits.swap(device(id), STANDARD.find(part).orElseThrow()));
  }

  private static Comparison compare(Comparison.Variant... variants) {
    return Comparison.of(demo, List.of(variants), STANDARD, () -> false).orElseThrow();
  }

  private static double price(String part) {
    return STANDARD.find(part).orElseThrow().price().orElseThrow().amount().doubleValue();
  }

  /// By hand: one part bought, one left over, one device exchanged.
  @Test
  void anotherSupplyIsBoughtAndTheOldOneIsLeftOver() {
    var comparison = compare(swap("T2", "supply-24v-20a"));
    var before = comparison.columns().getFirst();
    var after = comparison.columns().get(1);
    assertThat(before.title()).isEqualTo("as it is");
    assertThat(before.toBuy()).isEqualTo(new Costs(0, 0));
    assertThat(before.minutes()).isZero();
    assertThat(before.effects().opened()).isEmpty();
    assertThat(after.toBuy()).isEqualTo(new Costs(price("supply-24v-20a"), 0));
    assertThat(after.cost().amount() - before.cost().amount())
        .isCloseTo(price("supply-24v-20a") - price("supply-24v-10a"), Assertions.within(0.005));
    assertThat(after.leftOver())
        .containsExactly(STANDARD.find("supply-24v-10a").orElseThrow().name());
    assertThat(after.minutes()).isEqualTo(12);
    assertThat(before.fullest()).contains("-T2");
    // 8.4 A of 10 A, then of 20 A: another one is the fullest then.
    assertThat(before.fullestPercent()).isGreaterThan(after.fullestPercent());
    assertThat(after.wires()).isEqualTo(before.wires());
  }

  /// A price nobody stated is no price of nothing: it is told beside the sum.
  @Test
  void whatHasNoPriceIsCountedApart() throws Exception {
    var own =
        nelvar.core.exchange.PartsCsv.read(
            "p.csv",
            "kind,id,name,coil.voltage,coil.power,coil.least,coil.greatest\nsolenoid,our-valve,Our valve,24 V,4.8 W,90 %,110 %\n");
    var project = Edits.ownParts("own", own).on(demo.project(), STANDARD);
    var review = Review.findingsOnly(project, STANDARD);
    var comparison =
        Comparison.of(
                review,
                List.of(new Comparison.Variant("ours", Edits.swap(device("Y1"), own.getFirst()))),
                STANDARD,
                () -> false)
            .orElseThrow();
    assertThat(comparison.columns().get(1).toBuy()).isEqualTo(new Costs(0, 1));
    assertThat(
            comparison.rows().stream()
                .filter(row -> row.name().startsWith("To buy"))
                .findFirst()
                .orElseThrow()
                .cells())
        .containsExactly("0.00 EUR", "0.00 EUR and 1 without a price");
    assertThat(
            Candidates.of(device("Y1"), review, STANDARD, () -> false).stream()
                .filter(c -> c.part().id().equals("our-valve"))
                .findFirst()
                .orElseThrow()
                .costs())
        .isEmpty();
  }

  @Test
  void whatAVariantOpensIsWhatItsReviewSays() {
    var small = swap("T2", "supply-24v-2p5a");
    var column = compare(small).columns().get(1);
    assertThat(column.effects().errors()).anyMatch(text -> text.startsWith("-T2"));
    var review = Review.findingsOnly(small.edit().apply(demo.project()), STANDARD);
    assertThat(column.errors()).isEqualTo(review.count(Severity.ERROR));
    assertThat(column.after()).isEqualTo(review.project());
  }

  @Test
  void fourColumnsAndEveryRowHasACellForEach() {
    var comparison =
        compare(
            swap("T2", "supply-24v-20a"),
            swap("T2", "supply-24v-5a"),
            swap("F5", "breaker-1p-c10"));
    assertThat(comparison.columns()).hasSize(4);
    assertThat(comparison.rows()).allMatch(row -> row.cells().size() == 4);
    assertThat(comparison.rows().stream().filter(Comparison.Row::differs))
        .extracting(Comparison.Row::name)
        .contains("Fullest supply", "To buy beside what is there", "Left over")
        .doesNotContain("Wires", "Free inputs");
  }

  @Test
  void whatCannotBeSaysWhyAndTheOthersStand() {
    var impossible =
        new Comparison.Variant(
            "no",
            new Edit(
                "no",
                _ -> {
                  throw new EditRefused("it lacks a terminal");
                }));
    var comparison = compare(impossible, swap("T2", "supply-24v-20a"));
    assertThat(comparison.refused()).containsEntry("no", "it lacks a terminal");
    assertThat(comparison.columns()).hasSize(2);
    assertThat(Comparison.of(demo, List.of(impossible), STANDARD, () -> true)).isEmpty();
  }

  /// A way for a new function is a variant like any other.
  @Test
  void waysOfAFunctionStandSideBySide() {
    var need = nelvar.core.compose.need.NeedReader.read("pump 24 V 1.5 A").orThrow();
    var name = Draft.designation(demo.project(), need.kind());
    var function =
        new nelvar.core.model.MachineFunction(
            Draft.id(demo.project(), name), name, need.name(), need.kind(), need.wants());
    var ways = Ways.of(function, demo, STANDARD).ways();
    var comparison =
        compare(
            new Comparison.Variant(ways.getFirst().title(), ways.getFirst().edit()),
            new Comparison.Variant(ways.getLast().title(), ways.getLast().edit()));
    for (var n = 0; n < 2; n++) {
      var way = n == 0 ? ways.getFirst() : ways.getLast();
      var column = comparison.columns().get(n + 1);
      assertThat(column.wires() - demo.project().conductors().size()).isEqualTo(way.wires());
      assertThat(column.cost().amount() - comparison.columns().getFirst().cost().amount())
          .isCloseTo(way.costs(), Assertions.within(0.005));
      assertThat(column.effects().closed()).isEqualTo(way.closed());
      assertThat(column.minutes()).isPositive();
    }
  }

  /// The same functions run by other architectures: each variant works; what cannot be says why.
  @Test
  void architecturesAreDrawnUpFromTheSameFunctions() {
    var list =
        ((Drafting.Drawn)
                Drafting.of(
                    "x",
                    "mains 230 V 50 Hz TN-S\nupstream 20 A\n2 axes stepper 1.5 A\n3 limit switches\nspindle 1.5 kW 3x230 V\n",
                    STANDARD))
            .draft()
            .project();
    var today = Review.findingsOnly(list, STANDARD);
    var comparison =
        Comparison.of(today, Comparison.architectures(list, STANDARD), STANDARD, () -> false)
            .orElseThrow();
    assertThat(comparison.refused()).isEmpty();
    assertThat(comparison.columns()).hasSize(5).allMatch(column -> column.errors() == 0);
    var byTitle =
        comparison.columns().stream()
            .collect(java.util.stream.Collectors.toMap(Comparison.Column::title, column -> column));
    // Drawn up again as it was, nothing differs.
    assertThat(byTitle.get("stand-alone controller").after().devices()).isEqualTo(list.devices());
    var computer = byTitle.get("computer with a bare breakout board");
    assertThat(computer.hostComputer()).isTrue();
    assertThat(computer.after().devices()).anyMatch(d -> d.part().equals("breakout-5ax"));
    assertThat(computer.after().devices()).anyMatch(d -> d.part().startsWith("computer-"));
    // On the board there are no drives beside it, and a stop takes the volts of those on it.
    var board = byTitle.get("board with drives on it");
    assertThat(board.after().devices()).noneMatch(d -> d.part().startsWith("stepper-drive"));
    assertThat(board.axisCurrent()).contains(2.5);
    assertThat(board.axes()).isEqualTo(6);
    var drawn = Review.findingsOnly(board.after(), STANDARD).study();
    var motors =
        board.after().devices().stream().filter(d -> d.part().startsWith("stepper-motor")).toList();
    assertThat(motors)
        .hasSize(2)
        .allMatch(motor -> nelvar.core.compose.sketch.Composer.cutByStop(motor, drawn));
    var small = byTitle.get("microcontroller board with separate drives");
    assertThat(small.hostComputer()).isFalse();
    assertThat(small.skill()).contains(nelvar.core.catalogue.Controller.Skill.PROGRAMMING);
    assertThat(small.squares()).contains(true);
    assertThat(small.spindleLink())
        .isEqualTo(byTitle.get("as it is").spindleLink())
        .isNotEqualTo("–");
    // One more axis takes a drive that is free on the board, and only its motor is new.
    var more =
        Ways.of(
            new nelvar.core.model.MachineFunction(
                new nelvar.core.model.Id("more"),
                new nelvar.core.model.Designation("=AX9"),
                "more",
                nelvar.core.model.FunctionKind.MOVE,
                nelvar.core.compose.need.NeedReader.read("stepper 1.5 A").orThrow().wants()),
            Review.findingsOnly(board.after(), STANDARD),
            STANDARD);
    assertThat(more.ways().getFirst().adds())
        .anyMatch(line -> line.contains("Stepper motor, 1.7 A"))
        .noneMatch(line -> line.contains("drive"));
    var strong =
        ((Drafting.Drawn)
                Drafting.of(
                    "x", "mains 230 V 50 Hz TN-S\nupstream 20 A\nstepper 4.2 A\n", STANDARD))
            .draft()
            .project();
    assertThat(
            Comparison.of(
                    Review.findingsOnly(strong, STANDARD),
                    Comparison.architectures(strong, STANDARD),
                    STANDARD,
                    () -> false)
                .orElseThrow()
                .refused()
                .get("board with drives on it"))
        .contains("it wants 4.2 A, and a drive on the board gives 2.5 A");
  }

  /// What lies in a drawer need not be bought, and costs nothing.
  @Test
  void whatIsOwnedCostsNothing() {
    var larger = STANDARD.find("supply-24v-20a").orElseThrow();
    var swap = Edits.swap(device("T2"), larger);
    for (var pieces : List.of(0, 1)) {
      var project = Edits.owned(larger, pieces).on(demo.project(), STANDARD);
      var column =
          Comparison.of(
                  Review.findingsOnly(project, STANDARD),
                  List.of(new Comparison.Variant("larger", swap)),
                  STANDARD,
                  () -> false)
              .orElseThrow()
              .columns()
              .getLast();
      assertThat(column.toBuy().amount())
          .isEqualTo(pieces == 1 ? 0 : larger.price().orElseThrow().amount().doubleValue());
      assertThat(column.leftOver()).containsExactly("24 V supply, 10 A, 240 W");
    }
  }

  /// Another flange or shaft is told before it is taken.
  @Test
  void whatDoesNotBoltOnIsTold() {
    var motors =
        Candidates.of(
            device("M4"), Review.findingsOnly(demo.project(), STANDARD), STANDARD, () -> false);
    var large =
        motors.stream()
            .filter(c -> c.part().id().equals("stepper-motor-6a"))
            .findFirst()
            .orElseThrow();
    assertThat(large.mechanics())
        .containsExactly(
            "4.6 kg where 1.6 kg is: see that its axis carries it",
            "frame 86 mm where 57 mm is",
            "shaft 14 mm where 8 mm is");
  }

  /// A pump for 24 V behind a supply of 12 V: another one for 24 V opens no new error, and does not
  /// fit all the same.
  @Test
  void whatLeavesTheErrorOfTodayDoesNotFit() {
    var wrong =
        Edits.swap(device("T2"), STANDARD.find("supply-12v-5a").orElseThrow())
            .on(demo.project(), STANDARD);
    var review = Review.findingsOnly(wrong, STANDARD);
    assertThat(review.open())
        .anyMatch(entry ->
            entry.finding().orElseThrow().severity() == Severity.ERROR
                && entry.finding().orElseThrow().subject().concerns(new Id("M7")));
    var pumps = Candidates.of(device("M7"), review, STANDARD, () -> false);
    assertThat(pumps).isNotEmpty();
    for (var pump : pumps) {
      var accepts =
          nelvar.core.model.Device.of(new Id("x"), "-X", "", "", nelvar.core.model.Place.PANEL)
              .intakes(pump.part())
              .getFirst()
              .accepts();
      if (accepts.least().volts() > 13) assertThat(pump.unfit()).as(pump.part().id()).isPresent();
    }
  }

  /// Every candidate that fits opens no error when taken; every other one says why it does not.
  @Test
  void candidatesSayBeforeTheyAreTakenWhetherTheyFit() {
    for (var id : List.of("T2", "F5", "K10", "U4", "M4", "Y1", "B1", "A1")) {
      var all = Candidates.of(device(id), demo, STANDARD, () -> false);
      if (!id.equals("A1")) assertThat(all).as(id).isNotEmpty();
      for (var candidate : all) {
        if (candidate.unfit().isPresent()) {
          assertThat(candidate.unfit().get()).isNotBlank();
          continue;
        }
        var after = Review.findingsOnly(candidate.edit().on(demo.project(), STANDARD), STANDARD);
        assertThat(Effects.between(demo, after).errors())
            .as(id + " as " + candidate.part().id())
            .isEmpty();
      }
    }
    var supplies = Candidates.of(device("T2"), demo, STANDARD, () -> false);
    var twelve =
        supplies.stream()
            .filter(c -> c.part().id().startsWith("supply-12v"))
            .findFirst()
            .orElseThrow();
    assertThat(twelve.unfit()).isPresent();
    assertThat(supplies.getFirst().unfit()).isEmpty();
    assertThat(supplies.getFirst().part().id()).startsWith("supply-24v");
  }
}
