package nelvar.documents.export;

import java.io.IOException;
import java.util.ArrayDeque;
import nelvar.documents.content.Paper;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PageMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionGoTo;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDBorderStyleDictionary;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;

/// The outline of a PDF and what leads from page to page in it.
final class PdfLinks {
  private PdfLinks() {}

  static void write(PDDocument document, Paper paper) throws IOException {
    outline(document, paper);
    for (var link : paper.links()) {
      var page = document.getPage(link.page());
      var annotation = new PDAnnotationLink();
      var border = new PDBorderStyleDictionary();
      border.setWidth(0);
      annotation.setBorderStyle(border);
      annotation.setRectangle(
          new PDRectangle(
              points(link.x()),
              page.getMediaBox().getHeight() - points(link.y() + link.height()),
              points(link.width()),
              points(link.height())));
      var action = new PDActionGoTo();
      action.setDestination(top(document.getPage(link.target()), 0));
      annotation.setAction(action);
      annotation.setPage(page);
      var annotations = page.getAnnotations();
      annotations.add(annotation);
      page.setAnnotations(annotations);
    }
  }

  private static float points(double mm) {
    return (float) (mm * PdfExport.POINTS_PER_MM);
  }

  private static PDPageXYZDestination top(PDPage page, double y) {
    var destination = new PDPageXYZDestination();
    destination.setPage(page);
    destination.setTop((int) (page.getMediaBox().getHeight() - points(y)));
    return destination;
  }

  /// Chapters with what stands in them, folded.
  private static void outline(PDDocument document, Paper paper) {
    if (paper.contents().isEmpty()) return;
    var outline = new PDDocumentOutline();
    document.getDocumentCatalog().setDocumentOutline(outline);
    document.getDocumentCatalog().setPageMode(PageMode.USE_OUTLINES);
    record Open(int level, PDOutlineNode node) {}
    var open = new ArrayDeque<Open>();
    open.push(new Open(0, outline));
    for (var entry : paper.contents()) {
      while (open.element().level() >= entry.level()) open.pop();
      var item = new PDOutlineItem();
      item.setTitle(entry.title());
      item.setDestination(top(document.getPage(entry.page()), entry.y()));
      open.element().node().addLast(item);
      open.push(new Open(entry.level(), item));
    }
  }
}
