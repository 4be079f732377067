package nelvar.desktop.stage.circuits;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheet;
import nelvar.core.analysis.circuit.CircuitSheet.Placed;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.analysis.circuit.Spot;
import nelvar.core.finding.Severity;
import nelvar.core.model.Drawn;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.SheetEdits;
import nelvar.core.review.Review;
import nelvar.documents.drawing.CircuitPicture;
import nelvar.documents.drawing.CircuitScreen;
import nelvar.documents.drawing.CircuitView;

/// What the stage Circuits shows, without a node: one sheet of a machine.
record CircuitModel(Study study, CircuitSheets sheets, CircuitSheet sheet, CircuitScreen screen) {
  static final SheetFormat FORMAT = SheetFormat.A4;

  /// Lays the sheets out where that is not done yet; what is asked afterwards finds them laid.
  ///
  /// @return false when cancelled
  static boolean laid(Study study, BooleanSupplier cancelled, DoubleConsumer progress) {
    return CircuitSheets.of(study, FORMAT, cancelled, progress).isPresent();
  }

  /// @param number of the sheet wanted, counted from 1
  /// @return empty where nothing is wired yet
  static Optional<CircuitModel> of(Study study, int number, CircuitView view) {
    var sheets = CircuitSheets.of(study, FORMAT);
    if (sheets.sheets().isEmpty()) return Optional.empty();
    var sheet = sheets.sheets().get(Math.clamp(number, 1, sheets.sheets().size()) - 1);
    return Optional.of(
        new CircuitModel(study, sheets, sheet, CircuitScreen.of(study, sheets, sheet, view)));
  }

  /// The worst open finding of each thing.
  static Map<Id, Severity> marks(Review review) {
    var worst = new HashMap<Id, Severity>();
    for (var entry : review.open())
      entry
          .finding()
          .ifPresent(finding ->
              finding
                  .subject()
                  .thing()
                  .ifPresent(thing ->
                      worst.merge(
                          thing, finding.severity(), (a, b) -> a.compareTo(b) <= 0 ? a : b)));
    return worst;
  }

  /// The sheet on which a device or wire stands; the one shown where it stands there too.
  static Optional<Integer> sheetOf(Id about, Study study, int shown) {
    var sheets = CircuitSheets.of(study, FORMAT);
    var all =
        sheets.sheets().stream().filter(sheet -> stands(sheet, about)).map(CircuitSheet::number);
    var numbers = all.toList();
    if (numbers.contains(shown)) return Optional.of(shown);
    var main = sheets.main(about).map(Spot::sheet);
    return main.or(() -> numbers.stream().findFirst());
  }

  private static boolean stands(CircuitSheet sheet, Id about) {
    return sheet.pieces().stream().anyMatch(one -> one.piece().device().id().equals(about))
        || sheet.bars().stream().anyMatch(bar -> bar.block().id().equals(about))
        || sheet.lines().stream().anyMatch(line -> line.wire().id().equals(about))
        || sheet.stubs().stream().anyMatch(stub -> stub.wire().id().equals(about));
  }

  /// Where the other end of a wire stands that goes on elsewhere.
  Optional<Integer> otherEnd(Id wire) {
    return sheets.sheets().stream()
        .filter(other -> other.number() != sheet.number())
        .filter(other -> other.stubs().stream().anyMatch(stub -> stub.wire().id().equals(wire)))
        .map(CircuitSheet::number)
        .findFirst();
  }

  String title(CircuitSheet of) {
    return "%d  %s".formatted(of.number(), CircuitPicture.title(of, study));
  }

  /// Whether the places are kept with the project.
  boolean kept() {
    return study.project().layout().drawn().stream()
        .anyMatch(drawn -> drawn.paper() == FORMAT.paper());
  }

  Edit keep() {
    return SheetEdits.keep(
        "Keep the circuit sheets as they stand", FORMAT.paper(), sheets.places());
  }

  /// All symbols where arranging puts them.
  static Edit again(Study study) {
    return SheetEdits.keep(
        "Arrange the circuit sheets again",
        FORMAT.paper(),
        CircuitSheets.anew(study, FORMAT).places());
  }

  /// A symbol moved on its sheet; empty where it has no room there.
  ///
  /// @param dx steps to the right; @param rows rows down
  Optional<Edit> move(TerminalRef symbol, int dx, int rows) {
    var placed =
        sheet.pieces().stream().filter(one -> one.piece().key().equals(symbol)).findFirst();
    if (placed.isEmpty()) return Optional.empty();
    var to = new Placed(placed.get().piece(), placed.get().x() + dx, placed.get().row() + rows);
    if (!sheet.room(to)) return Optional.empty();
    return Optional.of(
        SheetEdits.keep(
            "Move " + placed.get().piece().device().designation() + " on its circuit sheet",
            FORMAT.paper(),
            sheets.places().stream()
                .map(drawn ->
                    drawn.symbol().equals(symbol)
                        ? new Drawn(symbol, drawn.paper(), drawn.sheet(), to.x(), to.row())
                        : drawn)
                .toList()));
  }
}
