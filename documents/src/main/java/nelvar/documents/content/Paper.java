package nelvar.documents.content;

import java.util.List;
import nelvar.documents.drawing.Drawing;

/// Finished pages, and where each chapter begins.
public record Paper(List<Drawing> pages, List<Entry> contents) {
  public Paper {
    pages = List.copyOf(pages);
    contents = List.copyOf(contents);
  }

  /// @param page counted from 0
  public record Entry(String title, int page) {}
}
