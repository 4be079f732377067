package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.text.TextAlignment;
import nelvar.core.model.Id;
import nelvar.desktop.style.Style;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.Shape;

/// Shows a drawing: zoom with the wheel or + and -, pan by dragging, select by click, walk its
/// spots with the arrow keys. Layers lie above it and are changed without it; what stands on a spot
/// can be dragged where somebody says what that means.
///
/// Only what is in view is drawn, so that a large drawing pans smoothly.
public final class DrawingPane extends Region {
  private final Canvas canvas = new Canvas();
  private final boolean movable;
  private Drawing drawing = new Drawing(1, 1, List.of(), List.of());
  private List<double[]> bounds = List.of();
  private List<List<Letters>> measured = List.of();
  private Theme theme = Theme.LIGHT;
  private double scale = 1;
  private double offsetX;
  private double offsetY;
  private double pressX;
  private double pressY;
  private boolean dragged;
  private boolean fitted = true;
  private Consumer<Id> onSelect = _ -> {};
  private Consumer<Id> onOpen = _ -> {};
  private Optional<Consumer<Id>> onMark = Optional.empty();
  private Optional<Consumer<Id>> onTry = Optional.empty();
  private Optional<Id> focusSpot = Optional.empty();
  private final java.util.SequencedMap<String, Drawing> layers = new java.util.LinkedHashMap<>();
  private Optional<Dragging> dragging = Optional.empty();
  private Optional<Drawing.Spot> taken = Optional.empty();
  private static final String DRAGGED = "dragged";

  /// What dragging a thing of the drawing means. Places are in the drawing's own units.
  public interface Dragging {
    /// Whether it can be taken along; else the picture pans.
    boolean takes(Drawing.Spot from);

    /// What is seen above the picture while it is over a place.
    Drawing over(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto);

    /// It was let go there.
    void drop(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto);
  }

  /// @param movable can be zoomed and panned; otherwise it lies still at its natural size
  public DrawingPane(String name, boolean movable) {
    this.movable = movable;
    setAccessibleRole(AccessibleRole.IMAGE_VIEW);
    setAccessibleText(name);
    setFocusTraversable(true);
    getChildren().add(canvas);
    canvas.setManaged(false);
    setMinSize(40, 40);
    addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
    addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
    addEventHandler(MouseEvent.MOUSE_RELEASED, this::released);
    addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    focusedProperty().addListener(_ -> draw());
  }

  public void onSelect(Consumer<Id> action) {
    onSelect = action;
  }

  /// What Enter or a second click does; selecting comes first.
  public void onOpen(Consumer<Id> action) {
    onOpen = action;
  }

  /// What a click or the space bar with Shift does: marks one more, or takes the mark off.
  public void onMark(Consumer<Id> action) {
    onMark = Optional.of(action);
  }

  /// What a click with the other button or the key T does: tries something on it.
  public void onTry(Consumer<Id> action) {
    onTry = Optional.of(action);
  }

  public void onDrag(Dragging what) {
    dragging = Optional.of(what);
  }

  /// Lays a drawing of the same size above the picture, under a name; the one of that name before
  /// goes. Nothing can be selected on it.
  public void layer(String name, Drawing above) {
    layers.put(name, above);
    draw();
  }

  public void withoutLayer(String name) {
    if (layers.remove(name) != null) draw();
  }

  /// The names of the layers, lowest first.
  public List<String> layers() {
    return List.copyOf(layers.sequencedKeySet());
  }

  public void show(Drawing next, Theme look) {
    drawing = next;
    theme = look;
    bounds = next.shapes().stream().map(DrawingPane::boundsOf).toList();
    measured =
        next.shapes().stream()
            .map(shape -> shape instanceof Shape.Label label ? letters(label) : List.<Letters>of())
            .toList();
    if (!movable) {
      setPrefSize(next.width(), next.height());
      setMinSize(next.width(), next.height());
    }
    if (fitted) fit();
    draw();
  }

  public Drawing drawing() {
    return drawing;
  }

  /// Shows the whole width; a drawing shorter than the pane also its whole height.
  public void fit() {
    fitted = true;
    if (!movable || getWidth() <= 0) {
      scale = 1;
      offsetX = 0;
      offsetY = 0;
      return;
    }
    scale = Math.clamp(Math.min(getWidth() / drawing.width(), 1.35), 0.2, 4);
    if (drawing.height() * scale > getHeight() && drawing.height() * scale < getHeight() * 1.3)
      scale = getHeight() / drawing.height();
    offsetX = Math.max(0, (getWidth() - drawing.width() * scale) / 2);
    offsetY = Math.max(0, (getHeight() - drawing.height() * scale) / 2);
    draw();
  }

  public void zoom(double factor, double aroundX, double aroundY) {
    if (!movable) return;
    fitted = false;
    var next = Math.clamp(scale * factor, 0.05, 8);
    offsetX = aroundX - (aroundX - offsetX) * next / scale;
    offsetY = aroundY - (aroundY - offsetY) * next / scale;
    scale = next;
    draw();
  }

  public void pan(double dx, double dy) {
    if (!movable) return;
    fitted = false;
    offsetX += dx;
    offsetY += dy;
    draw();
  }

  public double scale() {
    return scale;
  }

  /// The middle of a spot in the pane's own coordinates.
  public Optional<javafx.geometry.Point2D> middleOf(Id about) {
    return drawing
        .spot(about)
        .map(spot ->
            new javafx.geometry.Point2D(
                offsetX + (spot.x() + spot.width() / 2) * scale,
                offsetY + (spot.y() + Math.min(spot.height() / 2, 40)) * scale));
  }

  @Override
  protected void layoutChildren() {
    canvas.setWidth(getWidth());
    canvas.setHeight(getHeight());
    if (fitted) fit();
    draw();
  }

  private void pressed(MouseEvent e) {
    requestFocus();
    pressX = e.getX();
    pressY = e.getY();
    dragged = false;
    taken =
        e.getButton() == MouseButton.PRIMARY
            ? spotAt(e).filter(spot -> dragging.filter(d -> d.takes(spot)).isPresent())
            : Optional.empty();
  }

  private Optional<Drawing.Spot> spotAt(MouseEvent e) {
    return drawing.at(inX(e), inY(e));
  }

  private double inX(MouseEvent e) {
    return (e.getX() - offsetX) / scale;
  }

  private double inY(MouseEvent e) {
    return (e.getY() - offsetY) / scale;
  }

  private void dragged(MouseEvent e) {
    if (!movable && taken.isEmpty()) return;
    if (!dragged && Math.hypot(e.getX() - pressX, e.getY() - pressY) < 4) return;
    dragged = true;
    if (taken.isPresent()) {
      layer(DRAGGED, dragging.orElseThrow().over(taken.get(), inX(e), inY(e), spotAt(e)));
      return;
    }
    pan(e.getX() - pressX, e.getY() - pressY);
    pressX = e.getX();
    pressY = e.getY();
  }

  /// What is being dragged goes back to where it was.
  private boolean letGo() {
    if (taken.isEmpty() || !dragged) return false;
    taken = Optional.empty();
    withoutLayer(DRAGGED);
    return true;
  }

  private void released(MouseEvent e) {
    var from = taken;
    if (letGo()) {
      dragging.orElseThrow().drop(from.orElseThrow(), inX(e), inY(e), spotAt(e));
      return;
    }
    if (!dragged && e.getButton() == MouseButton.SECONDARY)
      onTry.ifPresent(action -> spotAt(e).ifPresent(spot -> action.accept(spot.about())));
    if (dragged || e.getButton() != MouseButton.PRIMARY) return;
    if (e.isShiftDown() && onMark.isPresent())
      spotAt(e).ifPresent(spot -> onMark.get().accept(spot.about()));
    else spotAt(e).ifPresent(spot -> choose(spot, e.getClickCount() > 1));
  }

  private void choose(Drawing.Spot spot, boolean open) {
    focusSpot = Optional.of(spot.about());
    onSelect.accept(spot.about());
    if (open) onOpen.accept(spot.about());
  }

  private void scrolled(ScrollEvent e) {
    if (!movable) return;
    if (e.isControlDown() || e.getTouchCount() > 0)
      zoom(e.getDeltaY() > 0 ? 1.12 : 1 / 1.12, e.getX(), e.getY());
    else pan(e.getDeltaX(), e.getDeltaY());
    e.consume();
  }

  private void key(KeyEvent e) {
    if (e.isControlDown() || e.isAltDown()) return;
    switch (e.getCode()) {
      case UP, DOWN, LEFT, RIGHT -> step(e.getCode());
      case ENTER, SPACE ->
          focusSpot.ifPresent(id -> {
            if (e.isShiftDown() && onMark.isPresent()) {
              onMark.get().accept(id);
              return;
            }
            onSelect.accept(id);
            onOpen.accept(id);
          });
      case T -> {
        if (onTry.isEmpty() || focusSpot.isEmpty()) return;
        onTry.get().accept(focusSpot.get());
      }
      case PLUS, EQUALS, ADD -> zoom(1.2, getWidth() / 2, getHeight() / 2);
      case MINUS, SUBTRACT -> zoom(1 / 1.2, getWidth() / 2, getHeight() / 2);
      case DIGIT0, NUMPAD0, HOME -> fit();
      case ESCAPE -> {
        if (!letGo()) return;
      }
      default -> {
        return;
      }
    }
    e.consume();
  }

  /// Goes to the nearest spot in the direction of the key.
  private void step(KeyCode towards) {
    var spots = drawing.spots();
    if (spots.isEmpty()) return;
    var here = focusSpot.flatMap(drawing::spot);
    if (here.isEmpty()) {
      choose(spots.getFirst(), false);
      return;
    }
    var x = here.get().x() + here.get().width() / 2;
    var y = here.get().y() + here.get().height() / 2;
    Drawing.Spot best = null;
    var nearest = Double.MAX_VALUE;
    for (var spot : spots) {
      var dx = spot.x() + spot.width() / 2 - x;
      var dy = spot.y() + spot.height() / 2 - y;
      var along =
          switch (towards) {
            case UP -> -dy;
            case DOWN -> dy;
            case LEFT -> -dx;
            default -> dx;
          };
      var across = towards == KeyCode.UP || towards == KeyCode.DOWN ? Math.abs(dx) : Math.abs(dy);
      if (along < 6 || spot.about().equals(here.get().about())) continue;
      var distance = along + 2.5 * across;
      if (distance < nearest) {
        nearest = distance;
        best = spot;
      }
    }
    if (best != null) {
      choose(best, false);
      setAccessibleText(best.says());
    }
  }

  /// Moves the picture where a spot does not stand well within the pane.
  public void bringIntoView(Id about) {
    if (!movable || getWidth() <= 0) return;
    drawing
        .spot(about)
        .ifPresent(spot -> {
          var x = offsetX + (spot.x() + spot.width() / 2) * scale;
          var y = offsetY + (spot.y() + spot.height() / 2) * scale;
          var across = x < EDGE || x > getWidth() - EDGE;
          var down = y < EDGE || y > getHeight() - EDGE;
          if (across || down) pan(across ? getWidth() / 2 - x : 0, down ? getHeight() / 2 - y : 0);
        });
  }

  /// Nearer to the edge of the pane a spot is hard to see.
  private static final double EDGE = 60;

  /// The spot that the arrow keys start from.
  public void focusOn(Optional<Id> about) {
    focusSpot = about.filter(id -> drawing.spot(id).isPresent());
  }

  private void draw() {
    if (canvas.getWidth() <= 0 || canvas.getHeight() <= 0) return;
    var g = canvas.getGraphicsContext2D();
    g.setTransform(1, 0, 0, 1, 0, 0);
    g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
    g.setTransform(scale, 0, 0, scale, offsetX, offsetY);
    var left = -offsetX / scale;
    var top = -offsetY / scale;
    var right = left + canvas.getWidth() / scale;
    var bottom = top + canvas.getHeight() / scale;
    for (var i = 0; i < bounds.size(); i++) {
      var box = bounds.get(i);
      if (box[2] < left || box[0] > right || box[3] < top || box[1] > bottom) continue;
      var label = measured.get(i);
      if (label.isEmpty()) paint(g, drawing.shapes().get(i), theme);
      // Letters too small to read are left out while zoomed far away.
      else if (label.getFirst().font().getSize() * scale > 3)
        label.forEach(piece -> piece.paint(g, theme));
    }
    for (var above : layers.values()) for (var shape : above.shapes()) paint(g, shape, theme);
    if (isFocused())
      focusSpot
          .flatMap(drawing::spot)
          .ifPresent(spot -> {
            g.setStroke(theme.colour(nelvar.documents.drawing.Ink.ACCENT));
            g.setLineWidth(1.2 / scale);
            g.setLineDashes(3 / scale);
            g.strokeRect(spot.x() - 2, spot.y() - 2, spot.width() + 4, spot.height() + 4);
            g.setLineDashes();
          });
  }

  /// Paints one shape; also used for pages.
  public static void paint(GraphicsContext g, Shape shape, Theme theme) {
    switch (shape) {
      case Shape.Path(var steps, var fill, var pen) -> {
        g.beginPath();
        for (var step : steps) {
          switch (step) {
            case Shape.Step.Move(var x, var y) -> g.moveTo(x, y);
            case Shape.Step.Line(var x, var y) -> g.lineTo(x, y);
            case Shape.Step.Curve(var x1, var y1, var x2, var y2, var x, var y) ->
                g.bezierCurveTo(x1, y1, x2, y2, x, y);
            case Shape.Step.Close() -> g.closePath();
          }
        }
        fill.ifPresent(ink -> {
          g.setFill(theme.colour(ink));
          g.fill();
        });
        pen.ifPresent(p -> {
          g.setStroke(theme.colour(p.ink()));
          g.setLineWidth(p.width());
          g.setLineCap(StrokeLineCap.BUTT);
          if (p.dash() > 0) g.setLineDashes(p.dash());
          else g.setLineDashes();
          g.stroke();
        });
      }
      case Shape.Label label -> letters(label).forEach(piece -> piece.paint(g, theme));
    }
  }

  /// A piece of a label in one face, measured once.
  private record Letters(
      String text,
      javafx.scene.text.Font font,
      double x,
      double y,
      nelvar.documents.drawing.Ink ink,
      boolean turned) {
    void paint(GraphicsContext g, Theme theme) {
      g.setFill(theme.colour(ink));
      g.setTextBaseline(VPos.BASELINE);
      g.setTextAlign(TextAlignment.LEFT);
      g.setFont(font);
      if (!turned) {
        g.fillText(text, x, y);
        return;
      }
      g.save();
      g.translate(x, y);
      g.rotate(-90);
      g.fillText(text, 0, 0);
      g.restore();
    }
  }

  private static List<Letters> letters(Shape.Label label) {
    var pieces = new ArrayList<Letters>();
    var width =
        label.anchor() == Shape.Anchor.START
            ? 0
            : Faces.width(label.text(), label.face(), label.size());
    var before = label.anchor() == Shape.Anchor.END ? width : width / 2;
    var at = label.turned() ? label.y() + before : label.x() - before;
    for (var run : Faces.runs(label.text(), label.face())) {
      pieces.add(
          new Letters(
              run.text(),
              Style.font(run.face(), label.size()),
              label.turned() ? label.x() : at,
              label.turned() ? at : label.y(),
              label.ink(),
              label.turned()));
      var wide = Faces.width(run.text(), run.face(), label.size());
      at += label.turned() ? -wide : wide;
    }
    return pieces;
  }

  private static double[] boundsOf(Shape shape) {
    return switch (shape) {
      case Shape.Label label -> {
        var size = label.size();
        var box = label.bounds();
        yield new double[] {box[0] - size, box[1] - size, box[2] + size, box[3] + size};
      }
      case Shape.Path(var steps, _, var pen) -> {
        var box =
            new double[] {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
        for (var step : steps) {
          for (var point : points(step)) {
            box[0] = Math.min(box[0], point[0]);
            box[1] = Math.min(box[1], point[1]);
            box[2] = Math.max(box[2], point[0]);
            box[3] = Math.max(box[3], point[1]);
          }
        }
        var margin = pen.map(Shape.Pen::width).orElse(0.0);
        yield new double[] {box[0] - margin, box[1] - margin, box[2] + margin, box[3] + margin};
      }
    };
  }

  private static List<double[]> points(Shape.Step step) {
    var points = new ArrayList<double[]>();
    switch (step) {
      case Shape.Step.Move(var x, var y) -> points.add(new double[] {x, y});
      case Shape.Step.Line(var x, var y) -> points.add(new double[] {x, y});
      case Shape.Step.Curve(var x1, var y1, var x2, var y2, var x, var y) -> {
        points.add(new double[] {x1, y1});
        points.add(new double[] {x2, y2});
        points.add(new double[] {x, y});
      }
      case Shape.Step.Close() -> {}
    }
    return points;
  }
}
