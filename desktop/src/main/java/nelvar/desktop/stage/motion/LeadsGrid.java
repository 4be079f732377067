package nelvar.desktop.stage.motion;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.MotorChecks;
import nelvar.core.analysis.motion.MotorLeads;
import nelvar.core.model.Device;
import nelvar.core.model.edit.PinEdits;
import nelvar.desktop.session.Session;

/// Leads of a motor, with a place for the colour somebody sees, and how they are told apart.
final class LeadsGrid {
  private final Device motor;
  private final Study study;
  private final Session session;

  LeadsGrid(Device motor, Study study, Session session) {
    this.motor = motor;
    this.study = study;
    this.session = session;
  }

  Node node() {
    var grid = new GridPane(10, 3);
    var n = 0;
    for (var lead : MotorLeads.of(motor, study)) {
      var mark = strong(lead.mark());
      mark.getStyleClass().add("mono");
      var seen =
          new TextField(
              lead.colour().orElse("") + lead.letter().map(l -> ", letter " + l).orElse(""));
      seen.setId("lead-" + lead.mark());
      seen.setPromptText("colour, letter A");
      seen.setPrefColumnCount(11);
      seen.setAccessibleText("Colour and letter of lead " + lead.mark() + " as seen");
      seen.setOnAction(
          _ -> session.edit(PinEdits.say(motor, MotorLeads.LEAD + lead.mark(), seen.getText())));
      var to = soft(lead.to().orElse("–"));
      to.getStyleClass().add("mono");
      grid.addRow(
          n++,
          mark,
          seen,
          to,
          soft(lead.core().orElse("") + (lead.remark().isEmpty() ? "" : " " + lead.remark())));
    }
    var step = 0;
    for (var check : MotorChecks.of(motor, study)) {
      var what = new Label(++step + ". " + check.what());
      what.getStyleClass().add("wrapping");
      what.setMaxWidth(400);
      grid.add(what, 0, n++, 4, 1);
      var expect = soft(check.expect());
      expect.getStyleClass().add("wrapping");
      grid.add(expect, 1, n++, 3, 1);
    }
    var scroll = new ScrollPane(grid);
    scroll.getStyleClass().add("bare");
    scroll.setFitToWidth(true);
    scroll.setPrefViewportHeight(168);
    scroll.setMinHeight(100);
    var box = new VBox(6, scroll);
    box.setMinWidth(0);
    box.setAlignment(Pos.TOP_LEFT);
    HBox.setHgrow(box, Priority.ALWAYS);
    return box;
  }

  private static Label strong(String text) {
    var label = new Label(text);
    label.getStyleClass().add("strong");
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  private static Label soft(String text) {
    var label = new Label(text);
    label.getStyleClass().add("soft");
    label.setTooltip(new Tooltip(text));
    return label;
  }
}
