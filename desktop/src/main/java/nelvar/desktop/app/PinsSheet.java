package nelvar.desktop.app;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.beans.property.SimpleStringProperty;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nelvar.core.model.edit.Edit;
import nelvar.desktop.session.Session;

/// Wires that come to other pins, line by line with the reason, before they are taken: signals
/// assigned, or another controller taking over. Enter takes it, Escape leaves everything.
final class PinsSheet extends StackPane {
  /// One wire: what it is, where it goes, why or what changes at it.
  record Line(String what, String where, String why) {}

  /// One thing that can be taken; of several the first is shown.
  ///
  /// @param refused why it cannot be taken; empty where it can
  record Choice(
      String title,
      List<Line> lines,
      List<String> notes,
      List<String> refused,
      Optional<Edit> edit) {
    Choice {
      lines = List.copyOf(lines);
      notes = List.copyOf(notes);
      refused = List.copyOf(refused);
    }

    @Override
    public String toString() {
      return refused.isEmpty() ? title : title + " (cannot)";
    }
  }

  private final Label said = new Label("Tried on a copy of the machine and reviewed…");
  private final ChoiceBox<Choice> choices = new ChoiceBox<>();
  private final TableView<Line> table = new TableView<>();
  private final Button take = new Button("Take it");

  PinsSheet(Session session, String what, Runnable done) {
    getStyleClass().add("overlay");
    setId("pins-sheet");
    var title = new Label(what);
    title.getStyleClass().add("title");
    said.setId("pins-said");
    said.getStyleClass().addAll("wrapping", "soft");
    said.setMinHeight(Region.USE_PREF_SIZE);
    choices.setId("pins-choice");
    choices.setAccessibleText("What takes over");
    choices.setVisible(false);
    choices.setManaged(false);
    choices.valueProperty().addListener((_, _, choice) -> shown(choice));
    table.setId("pins-table");
    table.getColumns().add(column("Signal", 300, Line::what));
    table.getColumns().add(column("Pin", 190, Line::where));
    table.getColumns().add(column("Why, and what changes", 440, Line::why));
    table.setPlaceholder(new Label("Looking…"));
    take.setId("pins-take");
    take.getStyleClass().add("primary");
    take.setDefaultButton(true);
    take.setDisable(true);
    take.setOnAction(_ -> {
      var edit = Optional.ofNullable(choices.getValue()).flatMap(Choice::edit);
      done.run();
      edit.ifPresent(session::edit);
    });
    var leave = new Button("Leave it");
    leave.setId("pins-leave");
    leave.setOnAction(_ -> done.run());
    var foot = new HBox(10, take, leave);
    foot.setAlignment(Pos.CENTER_LEFT);
    foot.setPadding(new Insets(10, 0, 0, 0));
    var head = new VBox(6, title, choices, said);
    head.setPadding(new Insets(0, 0, 10, 0));
    var card = new BorderPane(table);
    card.setTop(head);
    card.setBottom(foot);
    card.getStyleClass().add("card");
    card.setMaxSize(1000, 640);
    setMargin(card, new Insets(36));
    getChildren().add(card);
  }

  void show(List<Choice> all) {
    choices.getItems().setAll(all);
    choices.setVisible(all.size() > 1);
    choices.setManaged(all.size() > 1);
    if (all.isEmpty()) say("There is nothing to choose from.");
    else choices.setValue(all.getFirst());
    take.requestFocus();
  }

  void say(String text) {
    said.setText(text);
    table.setPlaceholder(new Label(""));
  }

  private void shown(Choice choice) {
    if (choice == null) return;
    table.getItems().setAll(choice.lines());
    table.setPlaceholder(new Label("No wire changes its pin."));
    said.setText(
        String.join(" ", choice.notes())
            + (choice.refused().isEmpty()
                ? ""
                : " Cannot: " + String.join("; ", choice.refused()) + "."));
    take.setDisable(choice.edit().isEmpty() || choice.lines().isEmpty());
  }

  private static TableColumn<Line, String> column(
      String name, double width, Function<Line, String> value) {
    var column = new TableColumn<Line, String>(name);
    column.setPrefWidth(width);
    column.setCellValueFactory(cell -> new SimpleStringProperty(value.apply(cell.getValue())));
    return column;
  }
}
