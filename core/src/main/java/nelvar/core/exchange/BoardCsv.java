package nelvar.core.exchange;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Soundness;
import nelvar.core.file.Explanations;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.UnreadableFile;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.node.ObjectNode;

/// A controller board of one's own from a table: one row a pin.
///
/// Needed are the columns `pin` and `type`, and once `input` and `current`; wanted besides
/// `pin-out`, `firmware`, `connector`, `place`, `rating`, `thresholds`, `low`, `high`, `greatest`,
/// `pull-up`, `pull-up supply`, `frequency`, `pulse`, `group`, `group rating`, `common`, `boots`,
/// `resets`, `unpowered`, `peak`, `greatest volts`, `gives`, `line`, `set-up`, `resistance`,
/// `bits`, `burden`. What is the board's own stands in the first row that says it: `board` (its
/// name), `input`, `current`, `output supply`, `price`.
public final class BoardCsv {
  private static final Map<String, String> PIN =
      Map.ofEntries(
          Map.entry("pin", "name"),
          Map.entry("type", "type"),
          Map.entry("pin-out", "pinOut"),
          Map.entry("pinout", "pinOut"),
          Map.entry("firmware", "firmware"),
          Map.entry("connector", "at.connector"),
          Map.entry("place", "at.number"),
          Map.entry("rating", "rating"),
          Map.entry("thresholds", "thresholds"),
          Map.entry("low", "logic.low"),
          Map.entry("high", "logic.high"),
          Map.entry("greatest", "logic.greatest"),
          Map.entry("pull-up", "logic.pullUp"),
          Map.entry("pull-up supply", "logic.supply"),
          Map.entry("frequency", "frequency"),
          Map.entry("pulse", "pulse"),
          Map.entry("group", "group"),
          Map.entry("common", "common"),
          Map.entry("boots", "whileBooting"),
          Map.entry("resets", "whileResetting"),
          Map.entry("unpowered", "unpowered"),
          Map.entry("peak", "peak"),
          Map.entry("group rating", "groupRating"),
          Map.entry("gives", "gives"),
          Map.entry("line", "line"),
          Map.entry("set-up", "setUp"),
          Map.entry("greatest volts", "greatestVoltage"),
          Map.entry("resistance", "analogue.resistance"),
          Map.entry("bits", "analogue.bits"),
          Map.entry("burden", "analogue.burden"));

  private static final Map<String, String> BOARD =
      Map.of(
          "board", "name",
          "input", "input",
          "current", "current",
          "output supply", "outputSupply",
          "price", "price");

  private static final Pattern AT_PIN = Pattern.compile("pins\\[([0-9]+)].*");

  private BoardCsv() {}

  /// Whether the first row names what pins have.
  public static boolean looksLikeOne(String text) {
    var names = TableRows.headings(text);
    return names.contains("pin") && names.contains("type");
  }

  /// @param file its name, for messages and where no name is said
  public static Part read(String file, String text) throws UnreadableFile {
    TableRows table;
    try {
      table = TableRows.read(text);
    } catch (TableRows.NoTable why) {
      throw wrong(file, 1, String.valueOf(why.getMessage()));
    }
    var columns = columns(file, table);
    var tree = NelvarJson.mapper().createObjectNode();
    tree.put("kind", "controller");
    var lines = new HashMap<Integer, Integer>();
    var pins = tree.putArray("pins");
    var seen = new HashSet<String>();
    for (var row : table.rows()) {
      var pin = NelvarJson.mapper().createObjectNode();
      for (var cell : new LinkedHashMap<>(row.cells()).entrySet()) {
        var column = columns.get(cell.getKey());
        if (column == null) continue;
        var value = cell.getValue();
        if (BOARD.containsKey(column)) {
          if (tree.get(BOARD.get(column)) == null) tree.put(BOARD.get(column), value);
        } else put(pin, path(column), value, file, row.line());
      }
      var name = Optional.ofNullable(pin.get("name")).map(node -> node.asString()).orElse("");
      if (name.isEmpty()) throw wrong(file, row.line(), "the row names no pin");
      if (!seen.add(name)) throw wrong(file, row.line(), "pin '" + name + "' stands twice");
      lines.put(pins.size(), row.line());
      pins.add(pin);
    }
    finish(tree, file);
    try {
      var part = NelvarJson.mapper().treeToValue(tree, Part.class);
      var problem = Soundness.problem(part);
      if (problem.isPresent()) throw wrong(file, 2, problem.get());
      return part;
    } catch (JacksonException e) {
      var problem = Explanations.of(e);
      var at = AT_PIN.matcher(problem);
      throw wrong(
          file,
          at.matches() ? lines.getOrDefault(Integer.parseInt(String.valueOf(at.group(1))), 2) : 2,
          problem);
    }
  }

  private static String path(String column) {
    return java.util.Objects.requireNonNull(PIN.get(column));
  }

  /// A board is called like its file where no name is said; what it takes must be.
  private static void finish(ObjectNode tree, String file) throws UnreadableFile {
    if (tree.get("name") == null) tree.put("name", file.replaceFirst("\\.[A-Za-z]+$", ""));
    for (var asked : List.of("input", "current"))
      if (tree.get(asked) == null)
        throw wrong(
            file,
            2,
            "what the board takes is not said: write its volts and amperes in columns input and current of the first row, such as 20.4–28.8 V and 0.2 A");
    var id = tree.get("name").asString().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    tree.put("id", "own-" + id.replaceAll("^-|-$", ""));
  }

  private static Map<Integer, String> columns(String file, TableRows table) throws UnreadableFile {
    var all = new HashMap<Integer, String>();
    for (var n = 0; n < table.columns().size(); n++) {
      var name = table.columns().get(n).strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " ");
      if (!PIN.containsKey(name) && !BOARD.containsKey(name))
        throw wrong(
            file,
            1,
            "column %d: '%s' is no heading of a table of pins; they are %s"
                .formatted(
                    n + 1,
                    nelvar.core.units.Texts.plain(name),
                    String.join(", ", new java.util.TreeSet<>(PIN.keySet()))
                        + ", "
                        + String.join(", ", new java.util.TreeSet<>(BOARD.keySet()))));
      all.put(n, name);
    }
    return all;
  }

  private static void put(ObjectNode pin, String path, String value, String file, int line)
      throws UnreadableFile {
    var parts = path.split("\\.");
    var at = parts.length == 2 ? pin.withObjectProperty(parts[0]) : pin;
    var name = parts[parts.length - 1];
    switch (name) {
      case "number" -> {
        if (!value.matches("[0-9]{1,4}"))
          throw wrong(file, line, "place: '" + value + "' is no number of a pin on its connector");
        at.put(name, Integer.parseInt(value));
      }
      case "bits" -> {
        if (!value.matches("[0-9]{1,2}"))
          throw wrong(file, line, "bits: '" + value + "' is no number of bits from 1 to 32");
        at.put(name, Integer.parseInt(value));
      }
      case "whileBooting", "whileResetting", "unpowered" -> {
        if (!value.matches("(?i)on|off|yes|no|true|false"))
          throw wrong(
              file, line, "%s: '%s' says neither on nor off".formatted(column(name), value));
        at.put(name, value.matches("(?i)on|yes|true"));
      }
      case "type" -> at.put(name, type(value, file, line));
      case "line" -> at.put(name, value.toLowerCase(Locale.ROOT));
      default -> at.put(name, value);
    }
  }

  private static String column(String field) {
    return PIN.entrySet().stream()
        .filter(entry -> entry.getValue().equals(field))
        .map(Map.Entry::getKey)
        .findFirst()
        .orElse(field);
  }

  /// As files name it, or in the words Nelvar uses.
  private static String type(String value, String file, int line) throws UnreadableFile {
    for (var type : Pin.Type.values()) {
      var id = type.name().toLowerCase(Locale.ROOT).replace('_', '-');
      if (value.equalsIgnoreCase(id) || value.equalsIgnoreCase(type.words())) return id;
    }
    throw wrong(
        file,
        line,
        "type: '%s' is no type of a pin; they are %s"
            .formatted(
                value,
                String.join(
                    ", ",
                    java.util.Arrays.stream(Pin.Type.values())
                        .map(t -> t.name().toLowerCase(Locale.ROOT).replace('_', '-'))
                        .toList())));
  }

  private static UnreadableFile wrong(String file, int line, String problem) {
    return new UnreadableFile(
        file,
        Optional.of(new UnreadableFile.Place(line, 0, "")),
        problem,
        "Correct it in the table and read it again; nothing was added.");
  }

  /// The pins of a board, for a message.
  public static int pins(Part board) {
    return board.logic().map(Controller::pins).map(List::size).orElse(0);
  }
}
