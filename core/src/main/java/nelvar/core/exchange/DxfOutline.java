package nelvar.core.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.units.Length;

/// The outline of a drawing in DXF text: lines, polylines with their arcs, circles and arcs, laid
/// with their lower left corner on that of a surface. Units as the drawing says; millimetres where
/// it says none. What else is in it is not read, and counted.
public final class DxfOutline {
  /// More characters than this are not taken for an outline.
  public static final int GREATEST_FILE = 8_000_000;

  private static final int MOST_POINTS = 20_000;
  private static final double MOST_MM = 5000;
  private static final double STEP = Math.toRadians(15);

  /// @param strokes in millimetres from the upper left of the surface
  /// @param left what was not read, and how often: `SPLINE 3`
  /// @param unit `mm`, `inch`; `mm, which is assumed` where the drawing says none
  public record Read(List<Cabinet.Stroke> strokes, List<String> left, String unit) {
    public Read {
      strokes = List.copyOf(strokes);
      left = List.copyOf(left);
    }

    /// What was read, for whoever asked.
    public String words() {
      return "%d %s read in %s%s"
          .formatted(
              strokes.size(),
              strokes.size() == 1 ? "line" : "lines",
              unit,
              left.isEmpty() ? "" : "; not read: " + String.join(", ", left));
    }
  }

  private record Pair(int code, String value) {}

  private record Spot(double x, double y) {}

  private final String file;
  private final List<Pair> pairs = new ArrayList<>();
  private final List<List<Spot>> lines = new ArrayList<>();
  private final Map<String, Integer> left = new TreeMap<>();
  private int at;
  private int points;

  private DxfOutline(String file) {
    this.file = file;
  }

  private UnreadableFile wrong(String problem, String remedy) {
    return new UnreadableFile(file, Optional.empty(), problem, remedy);
  }

  /// @param file its name, for messages
  /// @param text a DXF file with text, of any release
  /// @param height of the surface, from whose lower edge the drawing counts
  public static Read read(String file, String text, Surface surface, Length height)
      throws UnreadableFile {
    var outline = new DxfOutline(file);
    if (text.indexOf('\0') >= 0)
      throw outline.wrong("it is no text", "Save it as DXF with text (ASCII)");
    outline.pairs(text);
    var unit = outline.unit();
    outline.entities();
    if (outline.lines.isEmpty())
      throw outline.wrong(
          "there is no line, polyline, circle or arc in it"
              + (outline.left.isEmpty()
                  ? ""
                  : ", only " + String.join(", ", outline.left.keySet())),
          "Save the outline as plain lines");
    return outline.laid(surface, height.metres() * 1000, unit);
  }

  private void pairs(String text) throws UnreadableFile {
    var rows = text.lines().toList();
    for (var i = 0; i + 1 < rows.size(); i += 2) {
      try {
        pairs.add(new Pair(Integer.parseInt(rows.get(i).strip()), rows.get(i + 1).strip()));
      } catch (NumberFormatException e) {
        throw new UnreadableFile(
            file,
            Optional.of(new UnreadableFile.Place(i + 1, 0, "")),
            "'%s' is no group code of a DXF".formatted(shortened(rows.get(i))),
            "A DXF with text is pairs of lines, a number and its value");
      }
    }
    if (pairs.stream().noneMatch(p -> p.code() == 2 && p.value().equals("ENTITIES")))
      throw wrong("it has no section ENTITIES", "It is no DXF, or nothing is drawn in it");
  }

  private static String shortened(String text) {
    return text.length() <= 30 ? text : text.substring(0, 30) + "…";
  }

  /// Millimetres of one unit, by the header.
  private double unit() throws UnreadableFile {
    for (var i = 0; i + 1 < pairs.size(); i++)
      if (pairs.get(i).code() == 9 && pairs.get(i).value().equals("$INSUNITS"))
        return switch (pairs.get(i + 1).value()) {
          case "0", "4" -> 1;
          case "1" -> 25.4;
          case "2" -> 304.8;
          case "5" -> 10;
          case "6" -> 1000;
          default ->
              throw wrong(
                  "its unit ($INSUNITS %s) is not known".formatted(pairs.get(i + 1).value()),
                  "Save it in millimetres, centimetres, metres, inches or feet");
        };
    return 1;
  }

  private boolean unitSaid() {
    for (var i = 0; i + 1 < pairs.size(); i++)
      if (pairs.get(i).code() == 9 && pairs.get(i).value().equals("$INSUNITS"))
        return !pairs.get(i + 1).value().equals("0");
    return false;
  }

  private void entities() throws UnreadableFile {
    while (at < pairs.size()
        && !(pairs.get(at).code() == 2 && pairs.get(at).value().equals("ENTITIES"))) at++;
    at++;
    while (at < pairs.size()) {
      var pair = pairs.get(at);
      if (pair.code() != 0) {
        at++;
        continue;
      }
      if (pair.value().equals("ENDSEC") || pair.value().equals("EOF")) return;
      at++;
      entity(pair.value());
    }
  }

  private void entity(String kind) throws UnreadableFile {
    switch (kind) {
      case "LINE" -> {
        var own = own();
        add(List.of(new Spot(of(own, 10), of(own, 20)), new Spot(of(own, 11), of(own, 21))));
      }
      case "CIRCLE" -> {
        var own = own();
        arc(of(own, 10), of(own, 20), of(own, 40), 0, 2 * Math.PI);
      }
      case "ARC" -> {
        var own = own();
        var from = Math.toRadians(of(own, 50));
        var to = Math.toRadians(of(own, 51));
        arc(of(own, 10), of(own, 20), of(own, 40), from, to <= from ? to + 2 * Math.PI : to);
      }
      case "LWPOLYLINE" -> polyline(corners(), false);
      case "POLYLINE" -> {
        var closed = (int) of(own(), 70) % 2 == 1;
        var corners = new ArrayList<double[]>();
        while (at < pairs.size() && pairs.get(at).value().equals("VERTEX")) {
          at++;
          var own = own();
          corners.add(
              new double[] {of(own, 10), of(own, 20), own.containsKey(42) ? of(own, 42) : 0});
        }
        polyline(corners, closed);
      }
      case "SEQEND", "VERTEX" -> own();
      default -> {
        left.merge(kind, 1, Integer::sum);
        own();
      }
    }
  }

  /// The values of one entity up to the next.
  private Map<Integer, String> own() {
    var all = new HashMap<Integer, String>();
    while (at < pairs.size() && pairs.get(at).code() != 0) {
      all.putIfAbsent(pairs.get(at).code(), pairs.get(at).value());
      at++;
    }
    return all;
  }

  private boolean closed;

  /// Corners of a light polyline with what they bulge.
  private List<double[]> corners() throws UnreadableFile {
    var all = new ArrayList<double[]>();
    closed = false;
    while (at < pairs.size() && pairs.get(at).code() != 0) {
      var pair = pairs.get(at++);
      switch (pair.code()) {
        case 70 -> closed = (int) number(pair.value()) % 2 == 1;
        case 10 -> all.add(new double[] {number(pair.value()), 0, 0});
        case 20 -> {
          if (!all.isEmpty()) all.getLast()[1] = number(pair.value());
        }
        case 42 -> {
          if (!all.isEmpty()) all.getLast()[2] = number(pair.value());
        }
        default -> {}
      }
    }
    return all;
  }

  private void polyline(List<double[]> corners, boolean shut) throws UnreadableFile {
    if (corners.size() < 2) return;
    var around = shut || closed;
    closed = false;
    var all = new ArrayList<Spot>();
    all.add(new Spot(corners.getFirst()[0], corners.getFirst()[1]));
    var count = around ? corners.size() : corners.size() - 1;
    for (var i = 0; i < count; i++) {
      var a = corners.get(i);
      var b = corners.get((i + 1) % corners.size());
      if (a[2] != 0) bulge(a, b, all);
      all.add(new Spot(b[0], b[1]));
    }
    add(all);
  }

  /// The arc between two corners: its bulge is the tangent of a quarter of its angle.
  private static void bulge(double[] a, double[] b, List<Spot> all) {
    var angle = 4 * Math.atan(a[2]);
    var chord = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (chord == 0) return;
    var radius = chord / 2 / Math.sin(angle / 2);
    var off = radius * Math.cos(angle / 2);
    var cx = (a[0] + b[0]) / 2 - off * (b[1] - a[1]) / chord;
    var cy = (a[1] + b[1]) / 2 + off * (b[0] - a[0]) / chord;
    var from = Math.atan2(a[1] - cy, a[0] - cx);
    var steps = Math.max(1, (int) Math.ceil(Math.abs(angle) / STEP));
    for (var i = 1; i < steps; i++) {
      var to = from + angle * i / steps;
      all.add(new Spot(cx + Math.abs(radius) * Math.cos(to), cy + Math.abs(radius) * Math.sin(to)));
    }
  }

  private void arc(double x, double y, double radius, double from, double to)
      throws UnreadableFile {
    var steps = Math.max(2, (int) Math.ceil((to - from) / STEP));
    var all = new ArrayList<Spot>();
    for (var i = 0; i <= steps; i++) {
      var angle = from + (to - from) * i / steps;
      all.add(new Spot(x + radius * Math.cos(angle), y + radius * Math.sin(angle)));
    }
    add(all);
  }

  private void add(List<Spot> line) throws UnreadableFile {
    points += line.size();
    if (points > MOST_POINTS)
      throw wrong(
          "it has more than %,d points".formatted(MOST_POINTS),
          "An outline needs few: save only the outer lines and the holes");
    lines.add(line);
  }

  private double of(Map<Integer, String> own, int code) throws UnreadableFile {
    var text = own.get(code);
    return text == null ? 0 : number(text);
  }

  private double number(String text) throws UnreadableFile {
    try {
      var value = Double.parseDouble(text);
      if (Double.isFinite(value) && Math.abs(value) < 1e9) return value;
    } catch (NumberFormatException e) {
      // Said below, with what is no number and what is out of reach.
    }
    throw wrong(
        "'%s' is no coordinate".formatted(shortened(text)),
        "Save the drawing again as DXF with text");
  }

  private Read laid(Surface surface, double height, double unit) throws UnreadableFile {
    var spots = lines.stream().flatMap(List::stream).toList();
    var minX = spots.stream().mapToDouble(Spot::x).min().orElse(0);
    var minY = spots.stream().mapToDouble(Spot::y).min().orElse(0);
    var wide = (spots.stream().mapToDouble(Spot::x).max().orElse(0) - minX) * unit;
    var high = (spots.stream().mapToDouble(Spot::y).max().orElse(0) - minY) * unit;
    if (wide > MOST_MM || high > MOST_MM)
      throw wrong(
          "it is %.0f × %.0f mm, and a cabinet is at most %.0f".formatted(wide, high, MOST_MM),
          "Save only its outline, or in another unit");
    // What stands higher than the surface begins at its upper edge.
    var base = Math.max(height, high);
    var strokes =
        lines.stream()
            .map(line ->
                new Cabinet.Stroke(
                    surface,
                    line.stream()
                        .map(spot ->
                            new Cabinet.Point(
                                mm((spot.x() - minX) * unit), mm(base - (spot.y() - minY) * unit)))
                        .toList()))
            .toList();
    return new Read(
        strokes,
        left.entrySet().stream().map(e -> e.getKey() + " " + e.getValue()).toList(),
        unitSaid()
            ? (unit == 25.4 || unit == 304.8 ? "inch or foot" : "metric")
            : "mm, which is assumed");
  }

  private static Length mm(double value) {
    return Length.ofMillimetres(Math.max(0, Math.round(value * 100) / 100.0));
  }
}
