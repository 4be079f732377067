package nelvar.desktop.stage.motion;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.motion.DriveSheet;
import nelvar.core.analysis.motion.SettingsSheet;
import nelvar.core.model.edit.PinEdits;
import nelvar.desktop.session.Session;

/// What is to be entered, a tick for each that is; of a drive that shows its values a second one
/// for what was read back.
final class EntryGrid {
  private final List<SettingsSheet.Row> rows;
  private final List<DriveSheet.Line> lines;
  private final Session session;
  private final boolean narrow;
  private final Runnable redraw;

  /// @param lines the same with what a drive keeps; none of an axis
  EntryGrid(
      List<SettingsSheet.Row> rows,
      List<DriveSheet.Line> lines,
      Session session,
      boolean narrow,
      Runnable redraw) {
    this.rows = List.copyOf(rows);
    this.lines = List.copyOf(lines);
    this.session = session;
    this.narrow = narrow;
    this.redraw = redraw;
  }

  /// Each value with a tick once it is entered; another one that is entered is named.
  Node node() {
    var grid = new GridPane(10, 3);
    grid.setMinWidth(0);
    var n = 0;
    for (var row : rows) {
      var tick = new CheckBox();
      tick.setId("enter-" + n);
      tick.setAccessibleText(
          "%s of %s is entered".formatted(row.name(), row.device().designation()));
      tick.setSelected(row.standing() == SettingsSheet.Standing.ENTERED);
      tick.setDisable(row.enters().isEmpty());
      tick.setOnAction(_ -> entered(row, tick.isSelected()));
      var where = new Label(row.device().designation().text());
      where.getStyleClass().addAll("mono", "soft");
      var name = new Label(row.name());
      name.setMinWidth(narrow ? 70 : javafx.scene.layout.Region.USE_PREF_SIZE);
      var value =
          new Label(
              row.value()
                  .map(v -> row.unit().isEmpty() ? v : v + " " + row.unit())
                  .orElse("not known"));
      value.getStyleClass().add(row.value().isPresent() ? "strong" : "soft");
      value.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
      var says = new Label(says(row));
      says.getStyleClass().add(wrong(row) ? "wrong-note" : "soft");
      says.setMinWidth(0);
      for (var node : java.util.List.of(name, value, says)) node.setTooltip(new Tooltip(row.why()));
      grid.addRow(n++, tick, where, name, value);
      if (n <= lines.size()) grid.add(read(lines.get(n - 1), n - 1), 4, n - 1);
      if (!narrow) grid.add(says, 5, n - 1);
      else if (wrong(row)) grid.add(says, 2, n++, 2, 1);
    }
    var scroll = new ScrollPane(grid);
    scroll.getStyleClass().add("bare");
    scroll.setFitToWidth(true);
    scroll.setPrefViewportHeight(168);
    scroll.setMinHeight(100);
    var box = new VBox(6, scroll);
    box.setMinWidth(0);
    HBox.setHgrow(box, Priority.ALWAYS);
    return box;
  }

  private static boolean wrong(SettingsSheet.Row row) {
    return row.standing() == SettingsSheet.Standing.DIFFERS
        || row.standing() == SettingsSheet.Standing.TO_TRY;
  }

  private static String says(SettingsSheet.Row row) {
    return switch (row.standing()) {
      case DIFFERS -> "entered is " + row.entered().orElse("");
      case TO_TRY -> "entered to try: " + row.entered().orElse("");
      default -> row.why();
    };
  }

  /// A tick once its display showed the same.
  private Node read(DriveSheet.Line line, int n) {
    var tick = new CheckBox("read back");
    tick.setId("read-" + n);
    tick.setAccessibleText(
        "%s of %s was read back".formatted(line.row().name(), line.row().device().designation()));
    tick.setSelected(line.read().isPresent() && !line.readOtherwise());
    tick.setDisable(line.row().entered().isEmpty());
    tick.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    tick.setOnAction(_ ->
        session.edit(
            PinEdits.say(
                line.row().device(),
                DriveSheet.READ + line.row().name(),
                tick.isSelected() ? line.row().entered().orElse("") : "")));
    return tick;
  }

  private void entered(SettingsSheet.Row row, boolean on) {
    if (on) row.enters().ifPresent(session::edit);
    else if (!row.name().equals("Phase current") && !row.name().equals("Dial"))
      session.edit(PinEdits.say(row.device(), row.name(), ""));
    else redraw.run();
  }
}
