package nelvar.documents.export;

import java.util.Locale;
import java.util.stream.Collectors;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Shape;

/// A drawing in millimetres as SVG 1.1: paths and text, fonts named by family with a generic one to
/// fall back on. Where wires land on terminals, an invisible circle names the terminal
/// (`data-terminal`) and the wire (`data-wire`), for programs that read the drawing.
public final class SvgExport {
  private SvgExport() {}

  public static String write(String title, Drawing drawing) {
    var svg = new StringBuilder();
    svg.append("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n");
    svg.append(
        "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%smm\" height=\"%smm\" viewBox=\"0 0 %s %s\">\n"
            .formatted(
                n(drawing.width()), n(drawing.height()), n(drawing.width()), n(drawing.height())));
    svg.append("<title>").append(escape(title)).append("</title>\n");
    for (var shape : drawing.shapes()) {
      svg.append(
          switch (shape) {
            case Shape.Path path -> path(path);
            case Shape.Label label -> label(label);
          });
    }
    for (var port : drawing.ports())
      svg.append(
          "<circle cx=\"%s\" cy=\"%s\" r=\"0.1\" fill=\"none\" data-terminal=\"%s\"%s/>\n"
              .formatted(
                  n(port.x()),
                  n(port.y()),
                  escape(port.terminal().toString()),
                  port.wire()
                      .map(wire -> " data-wire=\"" + escape(wire.text()) + "\"")
                      .orElse("")));
    return svg.append("</svg>\n").toString();
  }

  private static String path(Shape.Path path) {
    var d =
        path.steps().stream()
            .map(step ->
                switch (step) {
                  case Shape.Step.Move(var x, var y) -> "M%s %s".formatted(n(x), n(y));
                  case Shape.Step.Line(var x, var y) -> "L%s %s".formatted(n(x), n(y));
                  case Shape.Step.Curve(var x1, var y1, var x2, var y2, var x, var y) ->
                      "C%s %s %s %s %s %s".formatted(n(x1), n(y1), n(x2), n(y2), n(x), n(y));
                  case Shape.Step.Close() -> "Z";
                })
            .collect(Collectors.joining());
    var fill = path.fill().map(ink -> ink.paper()).orElse("none");
    var stroke =
        path.pen()
            .map(pen ->
                " stroke=\"%s\" stroke-width=\"%s\"%s"
                    .formatted(
                        pen.ink().paper(),
                        n(pen.width()),
                        pen.dash() > 0 ? " stroke-dasharray=\"%s\"".formatted(n(pen.dash())) : ""))
            .orElse("");
    return "<path d=\"%s\" fill=\"%s\"%s/>\n".formatted(d, fill, stroke);
  }

  private static String label(Shape.Label label) {
    var family =
        label.face().family()
            + (label.face() == Face.MONO || label.face() == Face.MONO_BOLD
                ? ", monospace"
                : ", sans-serif");
    return "<text x=\"%s\" y=\"%s\" font-family=\"%s\" font-weight=\"%d\" font-size=\"%s\" fill=\"%s\" text-anchor=\"%s\"%s>%s</text>\n"
        .formatted(
            n(label.x()),
            n(label.y()),
            family,
            label.face().weight(),
            n(label.size()),
            label.ink().paper(),
            label.anchor().name().toLowerCase(Locale.ROOT),
            label.turned()
                ? " transform=\"rotate(-90 %s %s)\"".formatted(n(label.x()), n(label.y()))
                : "",
            escape(label.text()));
  }

  private static String n(double value) {
    var text = String.format(Locale.ROOT, "%.3f", value).replaceFirst("\\.?0+$", "");
    return text.equals("-0") ? "0" : text;
  }

  private static String escape(String text) {
    return XmlText.allowed(text)
        .replace('\n', ' ')
        .codePoints()
        .mapToObj(c ->
            switch (c) {
              case '&' -> "&amp;";
              case '<' -> "&lt;";
              case '>' -> "&gt;";
              case '"' -> "&quot;";
              default -> Character.toString(c);
            })
        .collect(Collectors.joining());
  }
}
