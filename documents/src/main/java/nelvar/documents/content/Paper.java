package nelvar.documents.content;

import java.util.List;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Shape;

/// Finished pages, where each chapter begins, and what leads from one page to another.
public record Paper(List<Drawing> pages, List<Entry> contents, List<Link> links) {
  public Paper {
    pages = List.copyOf(pages);
    contents = List.copyOf(contents);
    links = List.copyOf(links);
  }

  /// Drawings that are pages of their own.
  public static Paper of(List<Drawing> pages, List<String> titles) {
    var contents = new java.util.ArrayList<Entry>();
    for (var i = 0; i < titles.size(); i++)
      contents.add(new Entry(titles.get(i), i, 1, 0, List.of()));
    return new Paper(pages, contents, List.of());
  }

  /// @param page counted from 0
  /// @param level 1 for a chapter, 2 and 3 for what stands in it
  /// @param y its upper edge on the page
  /// @param lines the labels that are its heading; empty where a whole page is titled so
  public record Entry(String title, int page, int level, double y, List<Shape> lines) {
    public Entry {
      lines = List.copyOf(lines);
    }
  }

  /// An area of a page that leads to another page; both counted from 0.
  public record Link(int page, double x, double y, double width, double height, int target) {}
}
