package nelvar.documents.content;

import java.util.List;
import nelvar.core.trail.Trail;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Ink;

/// A piece of a document, before it falls onto a page.
public sealed interface Block {
  /// @param level 1 for a chapter, 2 for what the contents name beside it, 3 for the rest
  record Heading(String text, int level) implements Block {}

  record Paragraph(String text) implements Block {}

  /// What is long and looked up rather than read: smaller.
  record Fine(String text) implements Block {}

  /// A boxed notice with a bar in its ink.
  record Notice(String title, String text, Ink ink) implements Block {}

  record Rows(ListTable table) implements Block {}

  /// A calculation with its lines.
  record Sheet(Trail trail, String result) implements Block {}

  /// A drawing in millimetres, scaled down to the width of the page where it is wider.
  record Picture(Drawing drawing) implements Block {}

  /// Drawings in millimetres in columns side by side, each in the column that ends highest; scaled
  /// down where they are wider than a column.
  record Gallery(List<Titled> drawings, int columns) implements Block {
    public Gallery {
      drawings = List.copyOf(drawings);
    }
  }

  /// @param title above it; empty for none
  record Titled(String title, Drawing drawing) {}

  /// A page of its own, with a frame and a title of its own, in millimetres of its own paper.
  ///
  /// @param title as it stands on it
  /// @param chapter the chapter it is part of
  record FullPage(String chapter, String title, Drawing drawing) implements Block {}

  record NewPage() implements Block {}

  /// Where everything stands, on pages of its own.
  ///
  /// @param beside what else belongs to the document and is not printed in it
  record Contents(String beside) implements Block {}

  static List<Block> list(ListTable table) {
    return List.of(new Heading(table.title(), 2), new Rows(table));
  }
}
