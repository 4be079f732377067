package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.DriveSheet;
import nelvar.core.analysis.motion.DrivenMotor;

/// What is entered in each frequency converter, in the order it is entered.
final class DriveRows {
  private DriveRows() {}

  static ListTable list(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var driven : DrivenMotor.all(study))
      for (var line : DriveSheet.of(driven, study))
        rows.add(
            row(
                driven.drive().designation().text(),
                line.parameter().code(),
                line.row().name(),
                line.row().value().orElse("not known"),
                line.parameter().original(),
                line.parameter().takes(),
                line.parameter().stoppedOnly() ? "standing" : "",
                line.row().entered().orElse(""),
                line.read().orElse("")));
    return new ListTable(
        "drive-values",
        "Values of drives",
        List.of(
            text("Device", 0.7),
            text("No.", 0.4),
            text("Setting", 1.5),
            text("Value", 1.2),
            text("Came with", 1),
            text("Takes", 1.8),
            text("Only", 0.8),
            text("Entered", 1),
            text("Read back", 1)),
        rows);
  }
}
