package nelvar.desktop.stage.parts;

import java.util.List;
import java.util.Optional;
import nelvar.core.compose.Chains;
import nelvar.core.compose.need.Need;
import nelvar.core.compose.need.NeedReader;
import nelvar.core.model.Id;
import nelvar.core.review.Review;
import nelvar.core.units.Reading;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.FunctionRows;

/// What the Parts stage shows, without a node.
///
/// @param drawable whether all of it can be drawn up in one step
record PartsModel(
    Drawing headings, Drawing drawing, String summary, boolean empty, boolean drawable) {
  static PartsModel of(
      List<Chains.Row> rows, Review review, double width, Optional<Id> selected, boolean drawable) {
    var project = review.project();
    var functions = project.functions().size();
    var currency = project.brief().policies().currency();
    return new PartsModel(
        FunctionRows.headings(currency, width),
        FunctionRows.of(rows, currency, width, selected),
        "%d functions, %d devices, %d %s, %d W of heat"
            .formatted(
                functions,
                project.devices().size(),
                Math.round(rows.stream().mapToDouble(Chains.Row::cost).sum()),
                currency,
                Math.round(rows.stream().mapToDouble(Chains.Row::heat).sum())),
        functions == 0,
        drawable);
  }

  /// Functions that nothing makes work yet.
  static int unfinished(List<Chains.Row> rows) {
    return (int) rows.stream().filter(row -> row.function().isPresent() && !row.finished()).count();
  }

  /// What would be added, or what to write instead.
  static String understood(String text) {
    return switch (NeedReader.read(text)) {
      case Reading.Value<Need>(var need) -> need.words();
      case Reading.Misread<Need>(var why) -> why;
    };
  }
}
