package nelvar.core.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.HandWire;
import nelvar.core.compose.WireText;
import nelvar.core.compose.need.PartSearch;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.units.CrossSection;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Reading;

/// Devices or wires from the rows of a table, looked at row by row before anything is taken.
///
/// Wires: *from* and *to* (`-T1:+`), and as wanted *number*, *section*, *length*, *colour*, *use*.
/// Devices: *designation* and *part* (its id or name), and as wanted *purpose*, *place*,
/// *function*. What a cell does not say is proposed as for a wire drawn by hand. What was built:
/// *number* of a wire or cable with *measured* or *done*, as in the wiring sheet; empty cells
/// change nothing. One row that cannot be read and nothing is taken.
public final class MachineRows {
  /// What a row gives, or why it gives nothing.
  ///
  /// @param says what was understood; the cells as written where that is not
  /// @param problem empty where the row is right
  public record Row(int line, String says, Optional<String> problem) {}

  /// @param what the rows are: `wires`, `devices` or [#BUILT]
  /// @param ignored headings that mean nothing here
  /// @param edit takes all rows as one step; empty while one is wrong
  public record Preview(String what, List<String> ignored, List<Row> rows, Optional<Edit> edit) {
    public Preview {
      ignored = List.copyOf(ignored);
      rows = List.copyOf(rows);
    }

    public List<Row> wrong() {
      return rows.stream().filter(row -> row.problem().isPresent()).toList();
    }
  }

  private static final String[] FROM = {"from", "begin", "source", "from terminal", "end 1"};
  private static final String[] TO = {"to", "end", "target", "to terminal", "end 2"};
  private static final String[] NUMBER = {"number", "no", "wire", "nr", "label", "wire number"};
  private static final String[] SECTION = {"section", "size", "mm²", "mm2", "awg", "gauge"};
  private static final String[] LENGTH = {"length", "length m", "length ft"};
  private static final String[] COLOUR = {"colour", "color"};
  private static final String[] USE = {"use", "kind"};

  /// What rows of a wiring sheet are.
  public static final String BUILT = "marks of what was built";

  private static final String[] MEASURED = {"measured", "measured m", "measured ft"};
  private static final String[] DONE = {"done"};
  private static final String[] NAME = {"designation", "device", "tag", "name"};
  private static final String[] PART = {"part", "type", "part id"};
  private static final String[] PURPOSE = {"purpose", "description", "what for"};
  private static final String[] PLACE = {"place", "where", "location"};
  private static final String[] FUNCTION = {"function", "serves"};

  private final Study study;
  private final Catalogue standard;
  private final Project project;
  private final TableRows table;
  private final List<Row> rows = new ArrayList<>();
  private final Set<Integer> used = new HashSet<>();
  private final Set<String> taken = new HashSet<>();

  private MachineRows(TableRows table, Study study, Catalogue standard) {
    this.table = table;
    this.study = study;
    this.standard = standard;
    this.project = study.project();
    project.functions().forEach(f -> taken.add(f.designation().text()));
    project.devices().forEach(d -> taken.add(d.designation().text()));
    project.cables().forEach(c -> taken.add(c.label().text()));
    project.conductors().forEach(c -> taken.add(c.label().text()));
  }

  /// Looks through a table; changes nothing.
  ///
  /// @return why it is no table of wires or devices, or what its rows say
  public static Reading<Preview> preview(String text, Study study, Catalogue standard) {
    TableRows table;
    try {
      table = TableRows.read(text);
    } catch (TableRows.NoTable none) {
      return new Reading.Misread<>("This is no table: " + none.getMessage() + ".");
    }
    var reader = new MachineRows(table, study, standard);
    if (table.column(NUMBER).isPresent()
        && (table.column(MEASURED).isPresent() || table.column(DONE).isPresent()))
      return new Reading.Value<>(reader.built());
    if (table.column(FROM).isPresent() && table.column(TO).isPresent())
      return new Reading.Value<>(reader.wires());
    if (table.column(NAME).isPresent() && table.column(PART).isPresent())
      return new Reading.Value<>(reader.devices());
    return new Reading.Misread<>(
        "The first row must name the columns: from and to for wires, designation and part for devices, number with measured or done for what was built. It reads: %s."
            .formatted(String.join(", ", table.columns())));
  }

  /// A cell that cannot be read: `section: …`.
  private static final class Wrong extends Exception {
    private static final long serialVersionUID = 1;

    Wrong(String column, String why) {
      super(column + ": " + why);
    }
  }

  private Optional<String> cell(TableRows.Row row, String... names) {
    var column = table.column(names);
    column.ifPresent(used::add);
    return column.flatMap(n -> Optional.ofNullable(row.cells().get(n)));
  }

  private String needed(TableRows.Row row, String... names) throws Wrong {
    var cell = cell(row, names);
    if (cell.isEmpty()) throw new Wrong(names[0], "the cell is empty");
    return cell.get();
  }

  private Preview done(String what, Optional<Edit> edit) {
    var ignored = new ArrayList<String>();
    for (var n = 0; n < table.columns().size(); n++)
      if (!used.contains(n) && !table.columns().get(n).isBlank())
        ignored.add(table.columns().get(n));
    return new Preview(
        what,
        ignored,
        rows,
        rows.stream().anyMatch(r -> r.problem().isPresent()) ? Optional.empty() : edit);
  }

  private void wrong(TableRows.Row row, Exception why) {
    var cells =
        row.cells().entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .map(Map.Entry::getValue)
            .collect(Collectors.joining("  "));
    rows.add(new Row(row.line(), cells, Optional.of(String.valueOf(why.getMessage()))));
  }

  private Designation designation(String column, String text) throws Wrong {
    Designation designation;
    try {
      designation = new Designation(text);
    } catch (ImpossibleQuantity impossible) {
      throw new Wrong(column, String.valueOf(impossible.getMessage()));
    }
    if (!taken.add(text)) throw new Wrong(column, "%s is taken already".formatted(text));
    return designation;
  }

  // Wires.

  private Preview wires() {
    var asked = new ArrayList<HandWire.Asked>();
    var joined = new HashMap<Set<TerminalRef>, String>();
    for (var wire : project.conductors())
      joined.put(Set.of(wire.from(), wire.to()), wire.label().text());
    for (var row : table.rows()) {
      try {
        var from = end(row, "from", FROM);
        var to = end(row, "to", TO);
        if (from.equals(to))
          throw new Wrong("to", "a wire ends on another terminal than it begins on");
        var before = joined.putIfAbsent(Set.of(from, to), "line " + row.line());
        if (before != null)
          throw new Wrong("to", "%s joins these two terminals already".formatted(before));
        var number = cell(row, NUMBER);
        asked.add(
            new HandWire.Asked(
                from,
                to,
                number.isPresent()
                    ? Optional.of(designation("number", number.get()))
                    : Optional.empty(),
                use(row),
                section(row),
                length(row),
                cell(row, COLOUR)));
        rows.add(
            new Row(
                row.line(),
                "%s%s:%s to %s:%s"
                    .formatted(
                        number.map(n -> n + "  ").orElse(""),
                        study.label(from.device()),
                        from.terminal(),
                        study.label(to.device()),
                        to.terminal()),
                Optional.empty()));
      } catch (Wrong why) {
        wrong(row, why);
      }
    }
    return done("wires", Optional.of(laid(asked)));
  }

  private Edit laid(List<HandWire.Asked> asked) {
    return new Edit(
        "Lay %d wires from a table".formatted(asked.size()),
        now -> {
          if (!now.equals(project))
            throw new EditRefused(
                "The machine has changed since the table was read: read it again.");
          return HandWire.all(asked, study, standard);
        });
  }

  private TerminalRef end(TableRows.Row row, String column, String... names) throws Wrong {
    return switch (WireText.terminal(needed(row, names), study)) {
      case Reading.Misread<TerminalRef>(var why) -> throw new Wrong(column, why);
      case Reading.Value<TerminalRef>(var end) -> end;
    };
  }

  private Optional<Conductor.Function> use(TableRows.Row row) throws Wrong {
    var cell = cell(row, USE);
    if (cell.isEmpty()) return Optional.empty();
    for (var function : Conductor.Function.values())
      if (function.words().equalsIgnoreCase(cell.get())) return Optional.of(function);
    throw new Wrong(
        "use",
        "'%s' is none of %s"
            .formatted(
                cell.get(),
                java.util.Arrays.stream(Conductor.Function.values())
                    .map(Conductor.Function::words)
                    .collect(Collectors.joining(", "))));
  }

  private Optional<CrossSection> section(TableRows.Row row) throws Wrong {
    return quantity(row, "section", Kind.CROSS_SECTION, "mm²", SECTION);
  }

  private Optional<Length> length(TableRows.Row row) throws Wrong {
    return quantity(row, "length", Kind.LENGTH, "", LENGTH);
  }

  /// A bare number counts in the unit its heading gives.
  private <Q extends nelvar.core.units.Quantity> Optional<Q> quantity(
      TableRows.Row row, String column, Kind<Q> kind, String usual, String... names) throws Wrong {
    var cell = cell(row, names);
    if (cell.isEmpty()) return Optional.empty();
    var at = table.column(names).orElseThrow();
    var heading = table.columns().get(at).toLowerCase(Locale.ROOT);
    var words = List.of(heading.split("[^\\p{L}]+"));
    var unit =
        table
            .unit(at)
            .orElse(
                words.contains("awg")
                    ? "AWG"
                    : words.contains("ft") ? "ft" : words.contains("m") ? "m" : usual);
    var bare = cell.get().matches("[0-9]+(?:[.,][0-9]+)?");
    var text = bare && !unit.isEmpty() ? cell.get() + " " + unit : cell.get();
    return switch (kind.read(text)) {
      case Reading.Misread<Q>(var why) -> throw new Wrong(column, why);
      case Reading.Value<Q>(var value) -> Optional.of(value);
    };
  }

  // What was built.

  private Preview built() {
    var found = new ArrayList<RunEdits.AsBuilt>();
    var seen = new HashSet<String>();
    for (var row : table.rows()) {
      try {
        var number = needed(row, NUMBER);
        if (!seen.add(number)) throw new Wrong("number", number + " stands twice");
        var measured = quantity(row, "measured", Kind.LENGTH, "", MEASURED);
        if (measured.filter(length -> length.metres() <= 0).isPresent())
          throw new Wrong("measured", "a wire that is laid is longer than 0 m");
        var done = done(row);
        var id = wireOrCable(number, measured.isPresent());
        for (var names : List.of(FROM, TO, SECTION, LENGTH, COLOUR)) cell(row, names);
        if (measured.isEmpty() && done.isEmpty()) continue;
        found.add(new RunEdits.AsBuilt(id, measured, done));
        rows.add(
            new Row(
                row.line(),
                number
                    + measured.map(length -> "  measured " + length).orElse("")
                    + done.map(yes -> yes ? "  done" : "  not done").orElse(""),
                Optional.empty()));
      } catch (Wrong why) {
        wrong(row, why);
      }
    }
    return done(BUILT, found.isEmpty() ? Optional.empty() : Optional.of(RunEdits.asBuilt(found)));
  }

  private Optional<Boolean> done(TableRows.Row row) throws Wrong {
    var cell = cell(row, DONE).map(text -> text.toLowerCase(Locale.ROOT));
    if (cell.isEmpty()) return Optional.empty();
    if (List.of("yes", "y", "x", "done", "1", "true", "✓").contains(cell.get()))
      return Optional.of(true);
    if (List.of("no", "n", "0", "false", "-").contains(cell.get())) return Optional.of(false);
    throw new Wrong("done", "'%s' is neither yes nor no".formatted(cell.get()));
  }

  private Id wireOrCable(String number, boolean measured) throws Wrong {
    for (var cable : project.cables()) if (cable.label().text().equals(number)) return cable.id();
    for (var wire : project.conductors()) {
      if (!wire.label().text().equals(number)) continue;
      var cable = study.cable(wire);
      if (measured && cable.isPresent())
        throw new Wrong(
            "measured",
            "%s is a core: measure its cable %s".formatted(number, cable.get().label()));
      return wire.id();
    }
    throw new Wrong("number", "there is no wire and no cable '%s'".formatted(number));
  }

  // Devices.

  private Preview devices() {
    var added = new ArrayList<Device>();
    var ids = new HashSet<String>();
    project.functions().forEach(f -> ids.add(f.id().text()));
    project.devices().forEach(d -> ids.add(d.id().text()));
    project.conductors().forEach(c -> ids.add(c.id().text()));
    project.cables().forEach(c -> ids.add(c.id().text()));
    project.bundles().forEach(b -> ids.add(b.id().text()));
    project.states().forEach(s -> ids.add(s.id().text()));
    for (var row : table.rows()) {
      try {
        var text = needed(row, NAME);
        var name = designation("designation", text.matches("[-=+].*") ? text : "-" + text);
        var part = part(needed(row, PART));
        var device =
            Device.of(
                    id(name.text(), ids),
                    name.text(),
                    cell(row, PURPOSE).orElse(""),
                    part.id(),
                    place(row))
                .withServes(function(row));
        added.add(device);
        rows.add(
            new Row(
                row.line(),
                "%s  %s, %s".formatted(name, part.name(), device.place().words()),
                Optional.empty()));
      } catch (Wrong why) {
        wrong(row, why);
      } catch (ImpossibleQuantity impossible) {
        wrong(row, impossible);
      }
    }
    return done(
        "devices",
        Optional.of(
            new Edit(
                "Add %d devices from a table".formatted(added.size()),
                now -> {
                  var all = new ArrayList<>(now.devices());
                  all.addAll(added);
                  return now.withDevices(all);
                })));
  }

  private static Id id(String name, Set<String> ids) {
    var base = name.replaceAll("[^\\p{L}\\p{N}._]", "").replaceFirst("^[._]+", "");
    if (base.isEmpty()) base = "x";
    var free = base;
    for (var n = 2; !ids.add(free); n++) free = base + "." + n;
    return new Id(free);
  }

  private Part part(String text) throws Wrong {
    var catalogue = study.catalogue();
    var byId = catalogue.find(text);
    if (byId.isPresent()) return byId.get();
    var byName =
        catalogue.all().stream().filter(part -> part.name().equalsIgnoreCase(text)).findFirst();
    if (byName.isPresent()) return byName.get();
    var near =
        PartSearch.find(catalogue, text).stream()
            .limit(3)
            .map(part -> "%s (%s)".formatted(part.id(), part.name()))
            .collect(Collectors.joining(", "));
    throw new Wrong(
        "part",
        near.isEmpty()
            ? "there is no part '%s' in the catalogue".formatted(text)
            : "there is no part '%s'; did you mean %s?".formatted(text, near));
  }

  private Place place(TableRows.Row row) throws Wrong {
    var cell = cell(row, PLACE).map(text -> text.toLowerCase(Locale.ROOT));
    if (cell.isEmpty()) return Place.PANEL;
    for (var place : Place.values())
      if (cell.get().equals(place.words())
          || cell.get().equals(place.name().toLowerCase(Locale.ROOT))) return place;
    if (cell.get().equals("cabinet")) return Place.PANEL;
    throw new Wrong("place", "'%s' is none of panel, door, machine".formatted(cell.get()));
  }

  private Optional<Id> function(TableRows.Row row) throws Wrong {
    var cell = cell(row, FUNCTION);
    if (cell.isEmpty()) return Optional.empty();
    for (var function : project.functions())
      if (function.designation().text().equalsIgnoreCase(cell.get())
          || function.designation().text().equalsIgnoreCase("=" + cell.get())
          || function.name().equalsIgnoreCase(cell.get())) return Optional.of(function.id());
    var known =
        project.functions().stream()
            .map(f -> f.designation().text())
            .collect(Collectors.toCollection(LinkedHashSet::new));
    throw new Wrong(
        "function",
        known.isEmpty()
            ? "this machine has no functions"
            : "there is no function '%s'; there are %s"
                .formatted(cell.get(), String.join(", ", known)));
  }
}
