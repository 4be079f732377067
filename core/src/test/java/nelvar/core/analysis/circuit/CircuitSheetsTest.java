package nelvar.core.analysis.circuit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.compose.Draft;
import nelvar.core.compose.need.DraftList;
import nelvar.core.compose.sketch.Architecture;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Drawn;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.SheetEdits;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.sample.RandomList;
import org.junit.jupiter.api.Test;

class CircuitSheetsTest {
  private static final int RANDOM = 200;

  private static List<Project> demos() {
    return List.of(
        Demo.planted(),
        Demo.settled(),
        Demo.rinser(),
        Demo.rinserSettled(),
        Demo.sprayer(),
        Demo.sprayerSettled());
  }

  private static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  /// Whoever waits hears how far it is, and whoever gives up gets nothing; asked again it is all
  /// there.
  @Test
  void layingOutSaysHowFarItIsAndCanBeGivenUp() {
    var study = study(Demo.planted());
    var heard = new ArrayList<Double>();
    assertThat(CircuitSheets.of(study, SheetFormat.A4, () -> heard.size() >= 5, heard::add))
        .isEmpty();
    assertThat(heard).hasSize(5).isSorted();
    heard.clear();
    var sheets = CircuitSheets.of(study, SheetFormat.A4, () -> false, heard::add).orElseThrow();
    assertThat(heard.getFirst()).isZero();
    assertThat(heard).isSorted().allMatch(share -> share >= 0 && share < 1);
    assertThat(heard.getLast()).isGreaterThan(0.8);
    assertThat(CircuitSheets.of(study, SheetFormat.A4)).isSameAs(sheets);
  }

  @Test
  void theDemosStandWhole() {
    for (var project : demos())
      for (var format : SheetFormat.values()) {
        var study = study(project);
        assertThat(SheetLaws.broken(study, CircuitSheets.of(study, format)))
            .as(project.name() + " " + format)
            .isEmpty();
      }
  }

  /// The demo's sheets, with all lists, are to stay within a binder: 14 at the most.
  @Test
  void theDemoTakesFewSheets() {
    assertThat(CircuitSheets.of(study(Demo.planted()), SheetFormat.A4).sheets())
        .hasSizeLessThanOrEqualTo(14);
  }

  /// Machines of all kinds, drawn up from random lists: the laws hold on each; and against the same
  /// symbols row by row in the order they are listed, with bars that run through, at least 30 %
  /// fewer crossings in the mean.
  @Test
  void anyMachineStandsWholeAndWithFewCrossings() {
    var broken = new ConcurrentLinkedQueue<String>();
    var shares = new ConcurrentLinkedQueue<Double>();
    var drawn = new ConcurrentLinkedQueue<Long>();
    LongStream.range(0, RANDOM)
        .parallel()
        .forEach(seed ->
            drafted(seed)
                .ifPresent(project -> {
                  drawn.add(seed);
                  var study = study(project);
                  var format = seed % 4 == 0 ? SheetFormat.A3 : SheetFormat.A4;
                  var sheets = CircuitSheets.of(study, format);
                  for (var text : SheetLaws.broken(study, sheets))
                    broken.add("seed " + seed + ": " + text);
                  var plain = CircuitSheets.plain(study, format).crossings();
                  if (plain > 0) shares.add((double) sheets.crossings() / plain);
                }));
    assertThat(broken).isEmpty();
    assertThat(drawn).hasSizeGreaterThan(RANDOM / 2);
    var mean = shares.stream().mapToDouble(s -> s).average().orElseThrow();
    System.out.printf(
        "circuit sheets: %.0f %% of the crossings of a plain order, mean of %d machines%n",
        100 * mean, shares.size());
    assertThat(mean).isLessThan(0.7);
  }

  private static Optional<Project> drafted(long seed) {
    var list = DraftList.read("random", RandomList.of(seed));
    if (!list.problems().isEmpty()) return Optional.empty();
    try {
      return Optional.of(
          Draft.of(
                  list.project(),
                  CatalogueFile.standard(),
                  list.upstreamStated(),
                  Architecture.STAND_ALONE)
              .project());
    } catch (Unmet none) {
      return Optional.empty();
    }
  }

  /// Long rows of terminals in series, which go on in the next column.
  @Test
  void aPanelOfTheGeneratorStandsWhole() {
    var study = study(GeneratedPanel.of(40, 3));
    assertThat(SheetLaws.broken(study, CircuitSheets.of(study, SheetFormat.A4))).isEmpty();
  }

  private static Map<TerminalRef, Drawn> byName(List<Drawn> places) {
    var all = new HashMap<TerminalRef, Drawn>();
    places.forEach(place -> all.put(place.symbol(), place));
    return all;
  }

  @Test
  void whatIsKeptStandsWhereItStood() {
    for (var project : demos()) {
      var first = CircuitSheets.of(study(project), SheetFormat.A4);
      var kept = SheetEdits.keep("Keep", Drawn.Paper.A4, first.places()).apply(project);
      var again = CircuitSheets.of(study(kept), SheetFormat.A4);
      assertThat(again.places()).containsExactlyInAnyOrderElementsOf(first.places());
      // The other paper has a layout of its own.
      assertThat(CircuitSheets.of(study(kept), SheetFormat.A3).places())
          .isEqualTo(CircuitSheets.of(study(project), SheetFormat.A3).places());
    }
  }

  /// Every wire of the demo moved to another terminal of the device it leads to, or away from it:
  /// no symbol moves but those of the two devices the wire joins and the one it joins now.
  @Test
  void movingOneWireMovesOnlyWhatItJoins() {
    var project = Demo.planted();
    var first = CircuitSheets.of(study(project), SheetFormat.A4);
    var kept = SheetEdits.keep("Keep", Drawn.Paper.A4, first.places()).apply(project);
    var before = byName(first.places());
    var moved = 0;
    for (var wire : kept.conductors()) {
      var free =
          first.free().stream().filter(t -> t.device().equals(wire.to().device())).findFirst();
      if (free.isEmpty()) continue;
      moved++;
      var next =
          kept.withConductors(
              kept.conductors().stream()
                  .map(w -> w.id().equals(wire.id()) ? w.withEnds(w.from(), free.get()) : w)
                  .toList());
      var study = study(next);
      var sheets = CircuitSheets.of(study, SheetFormat.A4);
      assertThat(SheetLaws.broken(study, sheets)).as(wire.label().text()).isEmpty();
      var ends = List.of(wire.from().device(), wire.to().device());
      var elsewhere = new ArrayList<Drawn>();
      for (var place : sheets.places()) {
        var stood = before.get(place.symbol());
        if (stood != null && !stood.equals(place) && !ends.contains(place.symbol().device()))
          elsewhere.add(place);
      }
      assertThat(elsewhere).as(wire.label().text()).isEmpty();
    }
    assertThat(moved).isGreaterThan(40);
  }

  @Test
  void aDeviceTakenAwayLeavesItsPlaceFree() {
    var project = Demo.planted();
    var first = CircuitSheets.of(study(project), SheetFormat.A4);
    var kept = SheetEdits.keep("Keep", Drawn.Paper.A4, first.places()).apply(project);
    var pump = kept.called("-M6").orElseThrow();
    var next = Edits.remove(pump).on(kept, CatalogueFile.standard());
    assertThat(next.layout().drawn()).noneMatch(d -> d.symbol().device().equals(pump.id()));
    var study = study(next);
    assertThat(SheetLaws.broken(study, CircuitSheets.of(study, SheetFormat.A4))).isEmpty();
  }

  private static CircuitSheet.Placed placed(CircuitSheets sheets, String key) {
    return sheets.sheets().stream()
        .flatMap(sheet -> sheet.pieces().stream())
        .filter(one -> one.piece().key().equals(TerminalRef.of(key)))
        .findFirst()
        .orElseThrow();
  }

  /// The soil auger as an electrician draws it, by hand: breaker, contactor, drive and motor one
  /// below the other, three lines straight from each to the next; the coil of the contactor fed by
  /// the safety relay (elsewhere), its way back on the 0 V of the actuators.
  @Test
  void theAugerStandsAsDrawnByHand() {
    var study = study(Demo.planted());
    var sheets = CircuitSheets.of(study, SheetFormat.A4);
    var breaker = placed(sheets, "F1:1");
    var contactor = placed(sheets, "K1:1");
    var drive = placed(sheets, "U1:L1");
    var motor = placed(sheets, "M1:U");
    assertThat(List.of(breaker, contactor, drive, motor))
        .extracting(CircuitSheet.Placed::row)
        .containsExactly(breaker.row(), breaker.row() + 1, breaker.row() + 2, breaker.row() + 3);
    var sheet =
        sheets.sheets().stream()
            .filter(s -> s.pieces().contains(breaker))
            .findFirst()
            .orElseThrow();
    assertThat(sheet.pieces()).contains(contactor, drive, motor);
    for (var number : List.of("W15", "W16", "W17", "W18", "W19", "W20", "W53", "W54", "W55"))
      assertThat(line(sheet, number).points()).as(number).hasSize(2);
    assertThat(breaker.piece().pins().stream().filter(Piece.Pin::top))
        .extracting(pin -> pin.terminal().terminal())
        .containsExactly("1", "3", "5");
    assertThat(line(sheet, "W12").tap()).contains(TerminalRef.of("X11:2"));
    var coil = placed(sheets, "K1:A1").piece();
    assertThat(coil.form()).isEqualTo(Form.SLIM);
    assertThat(coil.main()).isTrue();
    var fed = sheet.stubs().stream().filter(s -> s.here().equals(TerminalRef.of("K1:A1"))).toList();
    assertThat(fed).extracting(CircuitSheet.Stub::there).containsExactly(TerminalRef.of("K0:14"));
    assertThat(line(sheet, "W125").tap()).contains(TerminalRef.of("X40:10"));
    // The auxiliary contacts of the contactor serve nothing.
    assertThat(sheets.free())
        .contains(
            TerminalRef.of("K1:13"),
            TerminalRef.of("K1:14"),
            TerminalRef.of("K1:21"),
            TerminalRef.of("K1:22"));
  }

  private static CircuitSheet.Line line(CircuitSheet sheet, String number) {
    return sheet.lines().stream()
        .filter(line -> line.wire().label().text().equals(number))
        .findFirst()
        .orElseThrow();
  }

  /// A relay's coil says where its contact is, and the contact where the coil is.
  @Test
  void coilsAndContactsFindEachOther() {
    var sheets = CircuitSheets.of(study(Demo.planted()), SheetFormat.A4);
    var relay = new Id("K12");
    var coil = placed(sheets, "K12:A1").piece();
    var contact = placed(sheets, "K12:11").piece();
    assertThat(contact.form()).isEqualTo(Form.CHANGEOVER);
    assertThat(sheets.main(relay)).isEqualTo(sheets.at(coil));
    assertThat(sheets.at(relay))
        .containsExactlyInAnyOrder(sheets.at(coil).orElseThrow(), sheets.at(contact).orElseThrow());
  }

  /// Thirty lamps on the eight channels of one device: wider than a sheet, so it stands in parts.
  @Test
  void aBoxWiderThanASheetStandsInParts() {
    var project = Demo.planted();
    for (var n = 1; n <= 30; n++) {
      var lamp = new Id("H" + (100 + n));
      project =
          Edits.add(Device.of(lamp, "-" + lamp, "lamp", "signal-tower-3-24v", Place.MACHINE))
              .apply(project);
      var wires = new ArrayList<>(project.conductors());
      wires.add(
          new Conductor(
              new Id("W" + (900 + n)),
              new Designation("W" + (900 + n)),
              new TerminalRef(new Id("F21"), String.valueOf(1 + n % 8)),
              new TerminalRef(lamp, "+"),
              Conductor.Function.CONTROL,
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              Optional.empty()));
      project = project.withConductors(wires);
    }
    for (var format : SheetFormat.values()) {
      var study = study(project);
      assertThat(SheetLaws.broken(study, CircuitSheets.of(study, format))).isEmpty();
    }
  }

  @Test
  void anEmptyMachineHasNoSheets() {
    var empty = Project.empty("nothing", "", Demo.planted().brief());
    assertThat(CircuitSheets.of(study(empty), SheetFormat.A4).sheets()).isEmpty();
  }

  @Test
  void theSameMachineGivesTheSameSheets() {
    var one = CircuitSheets.of(study(Demo.sprayer()), SheetFormat.A3);
    var two = CircuitSheets.of(study(Demo.sprayer()), SheetFormat.A3);
    assertThat(two.sheets()).isEqualTo(one.sheets());
    assertThat(Stream.of(one, two).map(CircuitSheets::crossings).distinct()).hasSize(1);
  }
}
