package nelvar.core.exchange;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.regex.Pattern;

/// The settings of a controller or drive as a text of its own: keys and values in any order,
/// sections, comments. Values are changed where they stand; everything else stays as it is, to the
/// last blank.
///
/// Read are `key = value`, `key: value`, `key value` and `#define key value`, with `[section]`
/// before them; a key of a section is also `section.key`. A line that is none of these is kept and
/// means nothing.
public final class SettingsText {
  private static final Pattern SECTION = Pattern.compile("\\s*\\[([^\\]]+)]\\s*([#;].*)?");
  private static final Pattern COMMENT = Pattern.compile("\\s*(?:#(?!define\\b)|;|//|\\().*");
  private static final Pattern PAIR =
      Pattern.compile(
          "(\\s*(?:#define\\s+)?)([$A-Za-z_][\\w.$/\\[\\]-]*)(\\s*[=:]\\s*|\\s+)([^\\s#;(/][^\\s#;]*)(.*)");

  private final List<Line> lines;

  /// @param key empty where nothing is set in it; @param section before it, empty where none
  private record Line(
      String text,
      String section,
      String before,
      Optional<String> key,
      String joint,
      String value,
      String after) {
    static Line plain(String text, String section) {
      return new Line(text, section, "", Optional.empty(), "", "", "");
    }

    boolean is(String name) {
      return key.filter(k ->
              k.equalsIgnoreCase(name)
                  || (!section.isEmpty() && (section + "." + k).equalsIgnoreCase(name)))
          .isPresent();
    }

    Line with(String next) {
      return new Line(
          before + key.orElse("") + joint + next + after, section, before, key, joint, next, after);
    }
  }

  private SettingsText(List<Line> lines) {
    this.lines = lines;
  }

  public static SettingsText read(String text) {
    var lines = new ArrayList<Line>();
    var section = "";
    // Kept with their ends, so that nothing but values changes.
    for (var line : text.split("(?<=\n)", -1)) {
      var bare = line.replaceFirst("\\R$", "");
      var end = line.substring(bare.length());
      var heading = SECTION.matcher(bare);
      var pair = PAIR.matcher(bare);
      if (heading.matches()) {
        section = String.valueOf(heading.group(1)).strip();
        lines.add(Line.plain(line, section));
      } else if (COMMENT.matcher(bare).matches() || !pair.matches()) {
        lines.add(Line.plain(line, section));
      } else
        lines.add(
            new Line(
                line,
                section,
                String.valueOf(pair.group(1)),
                Optional.of(String.valueOf(pair.group(2))),
                String.valueOf(pair.group(3)),
                String.valueOf(pair.group(4)),
                pair.group(5) + end));
    }
    return new SettingsText(lines);
  }

  /// Its value; the last where it stands twice, since the last one counts.
  public Optional<String> value(String key) {
    return lines.stream().filter(line -> line.is(key)).map(Line::value).reduce((_, last) -> last);
  }

  /// How often a key is set.
  public long count(String key) {
    return lines.stream().filter(line -> line.is(key)).count();
  }

  /// All keys with their values, in their order; those of a section with its name before them.
  public SequencedMap<String, String> all() {
    var all = new LinkedHashMap<String, String>();
    for (var line : lines)
      line.key()
          .ifPresent(key ->
              all.put(line.section().isEmpty() ? key : line.section() + "." + key, line.value()));
    return all;
  }

  /// The same with other values; keys it does not have are left out.
  public SettingsText with(Map<String, String> changes) {
    var next = new ArrayList<Line>();
    for (var line : lines) {
      var changed = line;
      for (var change : changes.entrySet())
        if (line.is(change.getKey())) changed = line.with(change.getValue());
      next.add(changed);
    }
    return new SettingsText(next);
  }

  /// As it is written to a file.
  public String text() {
    var all = new StringBuilder();
    for (var line : lines) all.append(line.text());
    return all.toString();
  }

  /// What of a settings sheet stands otherwise in a text.
  ///
  /// @param key in the text; @param name of what is set
  public record Difference(String key, String name, String text, String computed) {}

  /// @param wanted by key, what is to be set: its name and its value
  public List<Difference> differences(SequencedMap<String, Wanted> wanted) {
    var all = new ArrayList<Difference>();
    for (var entry : wanted.entrySet()) {
      var stands = value(entry.getKey());
      if (stands.isPresent() && !same(stands.get(), entry.getValue().value()))
        all.add(
            new Difference(
                entry.getKey(), entry.getValue().name(), stands.get(), entry.getValue().value()));
    }
    return all;
  }

  /// @param name of what is set; @param value it is to have
  public record Wanted(String name, String value) {}

  private static final Pattern NUMBER = Pattern.compile("([-+]?[0-9]*\\.?[0-9]+).*");

  /// Numbers by their size, to what a text with six digits keeps; all else to the letter.
  private static boolean same(String one, String other) {
    var a = NUMBER.matcher(one);
    var b = NUMBER.matcher(other);
    if (!a.matches() || !b.matches()) return one.equalsIgnoreCase(other);
    var x = Double.parseDouble(String.valueOf(a.group(1)));
    var y = Double.parseDouble(String.valueOf(b.group(1)));
    return Math.abs(x - y) <= 1e-5 * Math.max(Math.abs(x), Math.abs(y));
  }
}
