package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.MotorChecks;
import nelvar.core.analysis.motion.MotorLeads;

/// Leads of motors, each with what it is joined to, and how they are told apart and proved.
final class LeadRows {
  private LeadRows() {}

  static ListTable leads(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var motor : study.project().devices())
      for (var lead : MotorLeads.of(motor, study))
        rows.add(
            row(
                motor.designation().text(),
                lead.mark(),
                lead.colour().orElse(""),
                lead.letter().orElse(""),
                lead.to().orElse(""),
                lead.core().orElse(""),
                lead.remark()));
    return new ListTable(
        "motor-leads",
        "Leads of motors",
        List.of(
            text("Device", 0.8),
            text("Lead", 0.6),
            text("Colour", 1),
            text("Letter", 0.6),
            text("Joined to", 1),
            text("Core", 1.2),
            text("Besides", 2.4)),
        rows);
  }

  static ListTable checks(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var motor : study.project().devices()) {
      var n = 0;
      for (var check : MotorChecks.of(motor, study))
        rows.add(
            row(motor.designation().text(), String.valueOf(++n), check.what(), check.expect(), ""));
    }
    return new ListTable(
        "motor-checks",
        "Leads told apart and proved",
        List.of(
            text("Device", 0.8),
            text("No.", 0.4),
            text("What is done", 2.6),
            text("Expect", 2.6),
            ListTable.Column.toFill("Measured", 1)),
        rows);
  }
}
