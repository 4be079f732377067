package nelvar.documents.content;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.TerminalRef;

/// Which function of the machine a thing belongs to, and lists with their rows in the order of the
/// functions; what belongs to none, or serves several, comes last.
///
/// A wire or cable belongs to the one function that the devices at its ends serve.
final class ByFunction {
  static final String WHOLE = "whole machine";

  private final Study study;
  private final List<MachineFunction> functions;

  /// Owners by what a list names them: designations, labels of wires and cables.
  private final Map<String, Optional<MachineFunction>> named = new HashMap<>();

  ByFunction(Study study) {
    this.study = study;
    this.functions = study.project().functions();
    for (var wire : study.project().conductors()) named.put(wire.label().text(), of(wire));
    for (var cable : study.project().cables())
      named.put(
          cable.label().text(),
          one(study.cores(cable.id()).stream().map(this::of).flatMap(Optional::stream).toList()));
    for (var device : study.project().devices()) named.put(device.designation().text(), of(device));
  }

  Optional<MachineFunction> of(Device device) {
    return device.serves().flatMap(study.project().plan()::function);
  }

  private Optional<MachineFunction> of(Conductor wire) {
    var ends = new ArrayList<MachineFunction>();
    for (TerminalRef end : List.of(wire.from(), wire.to()))
      study.device(end.device()).flatMap(this::of).ifPresent(ends::add);
    return one(ends);
  }

  private static Optional<MachineFunction> one(List<MachineFunction> all) {
    return all.stream().distinct().count() == 1 ? Optional.of(all.getFirst()) : Optional.empty();
  }

  /// By what stands in one of the first cells of a row.
  Optional<MachineFunction> named(String text) {
    var name = text.contains(":") ? text.substring(0, text.indexOf(':')) : text;
    return named.getOrDefault(name, Optional.empty());
  }

  static String words(Optional<MachineFunction> function) {
    return function.map(f -> f.designation() + " " + f.name()).orElse(WHOLE);
  }

  int place(Optional<MachineFunction> function) {
    return function
        .map(f -> functions.stream().map(MachineFunction::id).toList().indexOf(f.id()))
        .orElse(functions.size());
  }

  /// The list with its rows by function, named in a first column. A list whose rows are not about
  /// things stays as it is, and one whose order counts.
  ListTable grouped(ListTable list) {
    if (list.name().equals(RunRows.WIRING_SHEET) || list.name().equals(RepairSheet.NAME))
      return list;
    var key = key(list);
    if (key < 0) return list;
    record Row(Optional<MachineFunction> owner, List<ListTable.Cell> cells) {}
    var rows = new ArrayList<Row>();
    for (var cells : list.cells()) rows.add(new Row(named(cells.get(key).printed()), cells));
    rows.sort(Comparator.comparingInt(row -> place(row.owner())));
    var columns = new ArrayList<ListTable.Column>();
    columns.add(COLUMN);
    columns.addAll(list.columns());
    return new ListTable(
        list.name(),
        list.title(),
        columns,
        rows.stream().map(row -> with(row.owner(), row.cells())).toList(),
        list.groups().stream().map(column -> column + 1).toList());
  }

  static final ListTable.Column COLUMN = ListTable.Column.text("Function", 1.5);

  static List<ListTable.Cell> with(Optional<MachineFunction> owner, List<ListTable.Cell> cells) {
    var all = new ArrayList<ListTable.Cell>();
    all.add(new ListTable.Cell.Words(words(owner)));
    all.addAll(cells);
    return all;
  }

  /// The column that names one thing a row.
  private static int key(ListTable list) {
    var headings = list.columns().stream().map(ListTable.Column::heading).toList();
    for (var heading : List.of("No.", "Device", "At", "Joined to"))
      if (headings.contains(heading)) return headings.indexOf(heading);
    return -1;
  }
}
