package nelvar.documents.export;

import java.util.List;
import java.util.Locale;

/// DXF with text, release 12, in millimetres from the lower left corner; what is drawn counts from
/// the upper left one.
final class DxfWriter {
  private final StringBuilder text = new StringBuilder();
  private final double height;

  DxfWriter(double width, double height, List<String> layers) {
    this.height = height;
    head(width, layers);
  }

  /// All of it.
  String end() {
    pair(0, "ENDSEC");
    pair(0, "EOF");
    return text.toString();
  }

  private void head(double width, List<String> layers) {
    pair(0, "SECTION");
    pair(2, "HEADER");
    pair(9, "$INSUNITS");
    pair(70, "4");
    pair(9, "$EXTMIN");
    pair(10, "0");
    pair(20, "0");
    pair(9, "$EXTMAX");
    pair(10, n(width));
    pair(20, n(height));
    pair(0, "ENDSEC");
    pair(0, "SECTION");
    pair(2, "TABLES");
    pair(0, "TABLE");
    pair(2, "LTYPE");
    pair(70, "1");
    pair(0, "LTYPE");
    pair(2, "CONTINUOUS");
    pair(70, "0");
    pair(3, "Solid line");
    pair(72, "65");
    pair(73, "0");
    pair(40, "0");
    pair(0, "ENDTAB");
    pair(0, "TABLE");
    pair(2, "LAYER");
    pair(70, String.valueOf(layers.size()));
    for (var i = 0; i < layers.size(); i++) {
      pair(0, "LAYER");
      pair(2, layers.get(i));
      pair(70, "0");
      pair(62, String.valueOf(1 + i % 7));
      pair(6, "CONTINUOUS");
    }
    pair(0, "ENDTAB");
    pair(0, "ENDSEC");
    pair(0, "SECTION");
    pair(2, "ENTITIES");
  }

  /// @param across 0 where it begins there, 1 where that is its middle, 2 where it ends there
  void text(
      String layer, double x, double y, double letters, String words, int across, boolean turned) {
    pair(0, "TEXT");
    pair(8, layer);
    point(10, x, y);
    pair(40, n(letters));
    pair(1, plain(words));
    if (turned) pair(50, "90");
    if (across == 0) return;
    pair(72, String.valueOf(across));
    point(11, x, y);
  }

  void begin(String layer, boolean closed) {
    pair(0, "POLYLINE");
    pair(8, layer);
    pair(66, "1");
    pair(10, "0");
    pair(20, "0");
    pair(30, "0");
    pair(70, closed ? "1" : "0");
  }

  void corner(String layer, double x, double y) {
    pair(0, "VERTEX");
    pair(8, layer);
    point(10, x, y);
  }

  void end(String layer) {
    pair(0, "SEQEND");
    pair(8, layer);
  }

  /// Drawings count upwards.
  void point(int code, double x, double y) {
    pair(code, n(x));
    pair(code + 10, n(height - y));
    pair(code + 20, "0");
  }

  void pair(int code, String value) {
    text.append(String.format(Locale.ROOT, "%3d", code))
        .append("\r\n")
        .append(value)
        .append("\r\n");
  }

  /// Release 12 knows no letters beyond ASCII.
  static String plain(String name) {
    var plain = new StringBuilder();
    name.codePoints()
        .forEach(c ->
            plain.append(c >= 32 && c < 127 ? Character.toString(c) : "\\U+%04X".formatted(c)));
    return plain.toString();
  }

  static String n(double value) {
    var text = String.format(Locale.ROOT, "%.3f", value).replaceFirst("\\.?0+$", "");
    return text.isEmpty() || text.equals("-0") ? "0" : text;
  }
}
