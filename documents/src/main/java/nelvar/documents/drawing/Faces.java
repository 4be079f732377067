package nelvar.documents.drawing;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Pattern;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/// Measures text in the shipped faces, and says which face draws which character.
public final class Faces {
  private record Metrics(
      CmapLookup cmap, int unitsPerEm, Map<Integer, Integer> advances, TrueTypeFont font) {
    /// In the font's own units; asked of the font once for each character.
    int advance(int character) {
      return advances.computeIfAbsent(
          character,
          c -> {
            try {
              return font.getAdvanceWidth(cmap.getGlyphId(c));
            } catch (IOException e) {
              throw new UncheckedIOException(e);
            }
          });
    }
  }

  private static final Map<Face, Metrics> METRICS = load();

  /// The space between a number and its unit, where no line may break.
  private static final Pattern UNIT =
      Pattern.compile("(?<=[0-9]) (?=(?:°C|%|[kMmµ]?[AVWΩs]|mΩ/m|k?Hz|mm²?|m|AWG)(?![\\p{L}0-9]))");

  private Faces() {}

  /// A piece of text that one face can draw.
  public record Run(Face face, String text) {}

  public static InputStream open(Face face) {
    return Objects.requireNonNull(
        Faces.class.getResourceAsStream("/nelvar/documents/fonts/" + face.file()), face.file());
  }

  private static Map<Face, Metrics> load() {
    var all = new EnumMap<Face, Metrics>(Face.class);
    for (var face : Face.values()) {
      try (var in = open(face)) {
        var font = new TTFParser().parse(new RandomAccessReadBuffer(in));
        all.put(
            face,
            new Metrics(
                font.getUnicodeCmapLookup(),
                font.getUnitsPerEm(),
                new java.util.concurrent.ConcurrentHashMap<>(),
                font));
      } catch (IOException e) {
        throw new UncheckedIOException(face.file(), e);
      }
    }
    return all;
  }

  private static Metrics metrics(Face face) {
    return Objects.requireNonNull(METRICS.get(face));
  }

  /// The width of `text` at `size`, in the unit of `size`.
  public static double width(String text, Face face, double size) {
    var total = 0.0;
    for (var run : runs(text, face)) {
      var metrics = metrics(run.face());
      var units = 0L;
      for (var c : run.text().codePoints().toArray()) units += metrics.advance(c);
      total += size * units / metrics.unitsPerEm();
    }
    return total;
  }

  /// The text in pieces, each in a face that has its characters: Greek and mathematics go to the
  /// mono face, unknown ones become ¤.
  public static List<Run> runs(String text, Face face) {
    var runs = new ArrayList<Run>();
    var piece = new StringBuilder();
    var current = face;
    for (var c : text.codePoints().toArray()) {
      var draws = drawing(c, face);
      if (draws != current && !piece.isEmpty()) {
        runs.add(new Run(current, piece.toString()));
        piece.setLength(0);
      }
      current = draws;
      piece.appendCodePoint(has(draws, c) ? c : Character.isWhitespace(c) ? ' ' : '¤');
    }
    if (!piece.isEmpty()) runs.add(new Run(current, piece.toString()));
    return runs;
  }

  /// The face that draws a character in a text of `face`.
  private static Face drawing(int c, Face face) {
    if (has(face, c)) return face;
    var other =
        face == Face.BOLD || face == Face.SEMIBOLD || face == Face.MONO_BOLD
            ? Face.MONO_BOLD
            : Face.MONO;
    return has(other, c) ? other : face;
  }

  private static boolean has(Face face, int c) {
    return metrics(face).cmap().getGlyphId(c) != 0;
  }

  /// The width of one character at `size`, in the face that draws it.
  private static double advance(int c, Face face, double size) {
    var draws = drawing(c, face);
    var metrics = metrics(draws);
    return size
        * metrics.advance(has(draws, c) ? c : Character.isWhitespace(c) ? ' ' : '¤')
        / metrics.unitsPerEm();
  }

  /// `text` cut so that it fits `width`, with … at the end where something is lost. Takes no longer
  /// for a text that is cut than for what is left of it.
  public static String fit(String text, Face face, double size, double width) {
    var ellipsis = advance('…', face, size);
    var sum = 0.0;
    var best = 0;
    // As wide as what is left when spaces at the end go.
    var stripped = 0.0;
    for (var i = 0; i < text.length(); ) {
      var c = text.codePointAt(i);
      i += Character.charCount(c);
      sum += advance(c, face, size);
      if (!Character.isWhitespace(c)) stripped = sum;
      if (stripped + ellipsis <= width) best = i;
      else if (sum > width) return best == 0 ? "" : text.substring(0, best).stripTrailing() + "…";
    }
    return text;
  }

  /// `text` in lines no wider than `width`, broken at spaces; a longer word is cut. Each character
  /// is looked at once.
  public static List<String> wrap(String text, Face face, double size, double width) {
    var lines = new ArrayList<String>();
    var space = advance(' ', face, size);
    for (var paragraph : UNIT.matcher(text).replaceAll("\u00a0").split("\n", -1)) {
      var line = new StringBuilder();
      var wide = 0.0;
      for (var word : paragraph.split(" ", -1)) {
        var own = width(word, face, size);
        if (line.isEmpty()) {
          line.append(word);
          wide = own;
        } else if (wide + space + own <= width) {
          line.append(' ').append(word);
          wide += space + own;
        } else {
          lines.add(line.toString());
          line.setLength(0);
          line.append(word);
          wide = own;
        }
        if (wide > width && line.length() > 1) wide = cut(line, face, size, width, lines);
      }
      lines.add(line.toString());
    }
    return lines;
  }

  /// Cuts a line that is too wide, at least one character a piece; the last piece stays in `line`.
  ///
  /// @return how wide it is
  private static double cut(
      StringBuilder line, Face face, double size, double width, List<String> lines) {
    var all = line.toString();
    var begin = 0;
    var wide = 0.0;
    for (var i = 0; i < all.length(); ) {
      var c = all.codePointAt(i);
      var advance = advance(c, face, size);
      if (wide + advance > width && i > begin) {
        lines.add(all.substring(begin, i));
        begin = i;
        wide = 0;
      }
      wide += advance;
      i += Character.charCount(c);
    }
    line.setLength(0);
    line.append(all, begin, all.length());
    return wide;
  }
}
