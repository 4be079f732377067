package nelvar.desktop.control;

import java.util.List;
import javafx.scene.canvas.Canvas;
import nelvar.core.finding.Severity;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.Badge;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Shape;

/// Small marks: the severities, and settled or not begun.
public final class Icon {
  private Icon() {}

  public static Canvas of(Severity severity, Theme theme) {
    return paint(Badge.of(severity, 8, 8, 7), theme);
  }

  public static Canvas settled(Theme theme) {
    return paint(
        List.of(
            Shape.circle(
                8, 8, 5.5, java.util.Optional.of(Ink.SETTLED), java.util.Optional.empty())),
        theme);
  }

  public static Canvas notBegun(Theme theme) {
    return paint(
        List.of(
            Shape.circle(
                8,
                8,
                5,
                java.util.Optional.empty(),
                java.util.Optional.of(Shape.Pen.of(Ink.TEXT_FAINT, 1.4)))),
        theme);
  }

  private static Canvas paint(List<Shape> shapes, Theme theme) {
    var canvas = new Canvas(16, 16);
    for (var shape : shapes) DrawingPane.paint(canvas.getGraphicsContext2D(), shape, theme);
    return canvas;
  }
}
