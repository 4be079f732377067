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
      var other =
          face == Face.BOLD || face == Face.SEMIBOLD || face == Face.MONO_BOLD
              ? Face.MONO_BOLD
              : Face.MONO;
      var draws = has(face, c) ? face : has(other, c) ? other : face;
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

  private static boolean has(Face face, int c) {
    return metrics(face).cmap().getGlyphId(c) != 0;
  }

  /// `text` cut so that it fits `width`, with … at the end where something is lost.
  public static String fit(String text, Face face, double size, double width) {
    if (width(text, face, size) <= width) return text;
    var end = text.length();
    while (end > 0 && width(text.substring(0, end).stripTrailing() + "…", face, size) > width)
      end--;
    return end == 0 ? "" : text.substring(0, end).stripTrailing() + "…";
  }

  /// `text` in lines no wider than `width`, broken at spaces; a longer word is cut.
  public static List<String> wrap(String text, Face face, double size, double width) {
    var lines = new ArrayList<String>();
    for (var paragraph : UNIT.matcher(text).replaceAll("\u00a0").split("\n", -1)) {
      var line = new StringBuilder();
      for (var word : paragraph.split(" ", -1)) {
        var candidate = line.isEmpty() ? word : line + " " + word;
        if (width(candidate, face, size) <= width || line.isEmpty()) {
          line.setLength(0);
          line.append(candidate);
        } else {
          lines.add(line.toString());
          line.setLength(0);
          line.append(word);
        }
        while (width(line.toString(), face, size) > width && line.length() > 1) {
          var cut = line.length() - 1;
          while (cut > 1 && width(line.substring(0, cut), face, size) > width) cut--;
          lines.add(line.substring(0, cut));
          line.delete(0, cut);
        }
      }
      lines.add(line.toString());
    }
    return lines;
  }
}
