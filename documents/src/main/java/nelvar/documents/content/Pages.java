package nelvar.documents.content;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Shape;

/// A4 pages as they fill, in millimetres: where the next line goes, and what is known of the pages
/// that are full.
final class Pages {
  static final double WIDTH = 210;
  static final double HEIGHT = 297;
  static final double LEFT = 20;
  static final double RIGHT = 14;
  static final double TOP = 26;
  static final double BOTTOM = 20;
  static final double INNER = WIDTH - LEFT - RIGHT;

  private final List<List<Shape>> all = new ArrayList<>();
  private List<Shape> page = new ArrayList<>();
  private double y = TOP;
  private final List<Paper.Entry> contents = new ArrayList<>();
  private final List<Paper.Link> links = new ArrayList<>();
  private final Map<String, Integer> anchors = new HashMap<>();

  /// Pages with a frame of their own, by number.
  private final Map<Integer, Drawing> full = new HashMap<>();

  Pages() {
    all.add(page);
  }

  int count() {
    return all.size();
  }

  /// Counted from 0.
  int current() {
    return all.size() - 1;
  }

  List<Shape> shapes(int number) {
    return all.get(number);
  }

  Optional<Drawing> own(int number) {
    return Optional.ofNullable(full.get(number));
  }

  boolean fresh() {
    return page.isEmpty();
  }

  double y() {
    return y;
  }

  void down(double by) {
    y += by;
  }

  double left() {
    return HEIGHT - BOTTOM - y;
  }

  void add(Shape shape) {
    page.add(shape);
  }

  void next() {
    page = new ArrayList<>();
    all.add(page);
    y = TOP;
  }

  /// A page of one drawing, and a new one behind it.
  void add(Drawing drawing) {
    full.put(current(), drawing);
    page.addAll(drawing.shapes());
    next();
  }

  /// A new page unless this much is left of the current one.
  void room(double height) {
    if (height > left() && !page.isEmpty()) next();
  }

  /// The last page is only kept if something stands on it.
  void end() {
    if (page.isEmpty() && all.size() > 1) all.removeLast();
  }

  void enter(Paper.Entry entry) {
    contents.add(entry);
    anchor(entry.title());
  }

  List<Paper.Entry> contents() {
    return contents;
  }

  /// The current page can be found under this name from now on; the first of a name counts.
  void anchor(String name) {
    anchors.putIfAbsent(name, current());
  }

  Optional<Integer> page(String anchor) {
    return Optional.ofNullable(anchors.get(anchor));
  }

  void link(Paper.Link link) {
    links.add(link);
  }

  List<Paper.Link> links() {
    return links;
  }
}
