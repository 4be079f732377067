package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.motion.SettingsSheet;

/// What is to be set for each axis, in drive and controller: one page for the door.
final class AxisRows {
  private AxisRows() {}

  static ListTable list(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var axis : MotionAxes.of(study))
      for (var row : SettingsSheet.of(axis, study))
        rows.add(
            row(
                row.device().designation().text(),
                axis.name(),
                row.name(),
                row.value()
                    .map(value -> row.unit().isEmpty() ? value : value + " " + row.unit())
                    .orElse("not known"),
                row.entered().orElse("")));
    return new ListTable(
        "axis-values",
        "Values of axes",
        List.of(
            text("Device", 0.8),
            text("Axis", 0.8),
            text("Setting", 2),
            text("Value", 1.8),
            text("Entered", 1.4)),
        rows);
  }
}
