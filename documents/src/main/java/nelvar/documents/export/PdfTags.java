package nelvar.documents.export;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import nelvar.documents.content.Paper;
import nelvar.documents.drawing.Shape;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;

/// Says what the pieces of each page are: headings by their level, text, whole drawings with a
/// name, and lines that mean nothing to who cannot see them.
///
/// ISO 32000-1:2008, 14.7 and 14.8 (from memory); no conformity with an accessibility profile is
/// claimed.
final class PdfTags {
  private static final String TEXT = "P";
  private static final String DRAWING = "Figure";

  private final PDDocument document;
  private final PDStructureTreeRoot root = new PDStructureTreeRoot();
  private final PDStructureElement whole;
  private final Map<Integer, Map<Shape, Integer>> headings = new HashMap<>();
  private final Map<Integer, String> drawings = new HashMap<>();
  private final TreeMap<Integer, COSArray> parents = new TreeMap<>();

  PdfTags(PDDocument document, Paper paper) {
    this.document = document;
    this.whole = new PDStructureElement("Document", root);
    root.appendKid(whole);
    for (var entry : paper.contents()) {
      if (entry.lines().isEmpty()) drawings.put(entry.page(), entry.title());
      for (var line : entry.lines())
        headings.computeIfAbsent(entry.page(), _ -> new HashMap<>()).put(line, entry.level());
    }
  }

  OfPage page(int number) {
    return new OfPage(number);
  }

  /// The tags of one page, as it is written.
  final class OfPage {
    private final int number;
    private final List<PDStructureElement> elements = new ArrayList<>();

    /// What is open; empty before the first shape.
    private Optional<String> open = Optional.empty();

    private OfPage(int number) {
      this.number = number;
    }

    void before(Shape shape, PDPage page, PDPageContentStream out) throws IOException {
      var tag = tag(shape);
      if (open.filter(tag::equals).isPresent()) return;
      close(out);
      open = Optional.of(tag);
      if (tag.isEmpty()) {
        out.beginMarkedContent(COSName.ARTIFACT);
        return;
      }
      out.beginMarkedContent(COSName.getPDFName(tag), elements.size());
      var element = new PDStructureElement(tag, whole);
      element.setPage(page);
      element.appendKid(elements.size());
      if (tag.equals(DRAWING)) element.setAlternateDescription(drawings.get(number));
      whole.appendKid(element);
      elements.add(element);
      page.setStructParents(number);
    }

    /// Empty for what means nothing by itself.
    private String tag(Shape shape) {
      if (drawings.containsKey(number)) return DRAWING;
      if (!(shape instanceof Shape.Label)) return "";
      return Optional.ofNullable(headings.getOrDefault(number, Map.of()).get(shape))
          .map(level -> "H" + level)
          .orElse(TEXT);
    }

    private void close(PDPageContentStream out) throws IOException {
      if (open.isPresent()) out.endMarkedContent();
      open = Optional.empty();
    }

    void end(PDPageContentStream out) throws IOException {
      close(out);
      var array = new COSArray();
      for (var element : elements) array.add(element.getCOSObject());
      parents.put(number, array);
    }
  }

  /// After all pages.
  void write() {
    var numbers = new COSArray();
    parents.forEach((number, elements) -> {
      numbers.add(COSInteger.get(number));
      numbers.add(elements);
    });
    var tree = new COSDictionary();
    tree.setItem(COSName.NUMS, numbers);
    root.getCOSObject().setItem(COSName.getPDFName("ParentTree"), tree);
    root.setParentTreeNextKey(parents.size());
    var catalog = document.getDocumentCatalog();
    catalog.setStructureTreeRoot(root);
    catalog.setLanguage("en");
    var mark = new PDMarkInfo();
    mark.setMarked(true);
    catalog.setMarkInfo(mark);
    var preferences = new PDViewerPreferences(new COSDictionary());
    preferences.setDisplayDocTitle(true);
    catalog.setViewerPreferences(preferences);
  }
}
