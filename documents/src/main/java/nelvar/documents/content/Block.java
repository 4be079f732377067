package nelvar.documents.content;

import java.util.List;
import nelvar.core.trail.Trail;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Ink;

/// A piece of a document, before it falls onto a page.
public sealed interface Block {
  record Heading(String text, int level) implements Block {}

  record Paragraph(String text) implements Block {}

  /// A boxed notice with a bar in its ink.
  record Notice(String title, String text, Ink ink) implements Block {}

  record Rows(ListTable table) implements Block {}

  /// A calculation with its lines.
  record Sheet(Trail trail, String result) implements Block {}

  /// A drawing in millimetres, scaled down to the width of the page where it is wider.
  record Picture(Drawing drawing) implements Block {}

  /// A page of its own, with a frame and a title of its own, in millimetres of its own paper.
  ///
  /// @param title as it stands on it
  record FullPage(String title, Drawing drawing) implements Block {}

  record NewPage() implements Block {}

  static List<Block> list(ListTable table) {
    return List.of(new Heading(table.title(), 1), new Rows(table));
  }
}
