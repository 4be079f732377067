package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.text;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.analysis.circuit.Spot;
import nelvar.core.model.Device;
import nelvar.documents.drawing.CircuitPicture;

/// Where each device and wire is found, and which contacts and pins are free.
final class Designations {
  static final String TITLE = "Index of designations";

  private Designations() {}

  static List<Block> index(Study study, SheetFormat circuits) {
    return List.of(
        new Block.Heading(TITLE, 1),
        new Block.Paragraph(
            "Circuit: sheet, column and row where it stands first. Other numbers are pages: its place, its terminals, its repair sheet."),
        new Block.Rows(devices(study, CircuitSheets.of(study, circuits))),
        new Block.Heading("Wires on the circuit sheets", 2),
        new Block.Rows(wires(study, CircuitSheets.of(study, circuits))));
  }

  private static ListTable devices(Study study, CircuitSheets sheets) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var device :
        study.project().devices().stream()
            .sorted(Comparator.comparing(Device::designation))
            .toList()) {
      var spots = sheets.at(device.id());
      rows.add(
          List.of(
              new ListTable.Cell.Words(device.designation().text()),
              new ListTable.Cell.Words(device.purpose()),
              spots.isEmpty() ? new ListTable.Cell.Words("") : spot(spots.getFirst()),
              new ListTable.Cell.Reference("", Pictures.placed(device, study)),
              new ListTable.Cell.Reference("", "terminal-plan/" + device.designation()),
              new ListTable.Cell.Reference("", RepairSheet.NAME + "/" + load(device, study))));
    }
    return new ListTable(
        "index",
        TITLE,
        List.of(
            text("Device", 1),
            text("What it is", 2.4),
            text("Circuit", 0.8),
            text("Place", 0.6),
            text("Terminals", 0.8),
            text("Repair", 0.6)),
        rows);
  }

  private static String load(Device device, Study study) {
    return study.network().feeds(device.id()).stream()
        .map(feed -> feed.name())
        .findFirst()
        .orElse("");
  }

  private static ListTable.Cell spot(Spot spot) {
    return new ListTable.Cell.Reference(spot.toString(), CircuitPicture.name(spot.sheet()));
  }

  private static ListTable wires(Study study, CircuitSheets sheets) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var wire :
        study.project().conductors().stream().sorted(Comparator.comparing(w -> w.label())).toList())
      sheets
          .at(wire.from())
          .or(() -> sheets.at(wire.to()))
          .ifPresent(
              spot -> rows.add(List.of(new ListTable.Cell.Words(wire.label().text()), spot(spot))));
    return new ListTable(
        "index-of-wires",
        "Wires on the circuit sheets",
        List.of(text("No.", 1), text("Circuit", 1)),
        rows);
  }

  /// Contacts and pins on which nothing lands, device by device.
  static ListTable free(Study study) {
    var free = new TreeMap<String, List<String>>();
    var purposes = new java.util.HashMap<String, String>();
    for (var terminal : CircuitSheets.of(study, SheetFormat.A4).free()) {
      var name = study.label(terminal.device());
      free.computeIfAbsent(name, _ -> new ArrayList<>()).add(terminal.terminal());
      purposes.put(name, study.device(terminal.device()).map(Device::purpose).orElse(""));
    }
    var rows = new ArrayList<List<ListTable.Cell>>();
    free.forEach((name, terminals) ->
        rows.add(ListTable.row(name, purposes.getOrDefault(name, ""), inRuns(terminals))));
    return new ListTable(
        "free-terminals",
        "Free contacts and pins",
        List.of(text("Device", 0.8), text("What it is", 2), text("Free", 5)),
        rows);
  }

  /// Numbers that follow one another as a run: `5–8, 10`.
  static String inRuns(List<String> names) {
    var said = new ArrayList<String>();
    for (var from = 0; from < names.size(); ) {
      var to = from;
      while (to + 1 < names.size() && follows(names.get(to), names.get(to + 1))) to++;
      if (to - from < 2) {
        said.add(names.get(from));
        from++;
      } else {
        said.add(names.get(from) + "–" + names.get(to));
        from = to + 1;
      }
    }
    return String.join(", ", said);
  }

  private static boolean follows(String one, String next) {
    return one.matches("[0-9]{1,6}")
        && next.matches("[0-9]{1,6}")
        && Integer.parseInt(next) == Integer.parseInt(one) + 1;
  }
}
