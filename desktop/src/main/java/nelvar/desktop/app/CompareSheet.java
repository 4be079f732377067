package nelvar.desktop.app;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SelectionMode;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nelvar.core.compose.Comparison;
import nelvar.core.finding.Severity;
import nelvar.core.model.edit.Edit;
import nelvar.desktop.control.Icon;
import nelvar.desktop.session.Session;
import nelvar.desktop.style.Theme;

/// What could be taken, at the left, with what speaks against it; up to three of them beside the
/// machine as it is, at the right. Nothing changes until one is taken.
final class CompareSheet extends StackPane {
  /// Something that can be taken.
  ///
  /// @param note what it costs and changes, in a line
  /// @param unfit why it does not go together with the machine; empty where it does
  record Choice(String title, String note, Optional<String> unfit, Edit edit) {}

  private final Session session;
  private final Theme theme;
  private final ListView<Choice> list = new ListView<>();
  private final GridPane table = new GridPane();
  private final Label said = new Label("Each is tried on a copy of the machine and reviewed.");
  private final Button take = new Button("Take it");

  CompareSheet(Session session, Theme theme, String what, Runnable done) {
    this.session = session;
    this.theme = theme;
    getStyleClass().add("overlay");
    setId("compare");
    var title = new Label(what);
    title.getStyleClass().add("title");
    said.setId("compare-said");
    said.getStyleClass().addAll("soft", "wrapping");
    said.setMinHeight(Region.USE_PREF_SIZE);
    list.setId("compare-list");
    list.setAccessibleText("What could be taken; select up to three to compare");
    list.setPrefWidth(370);
    list.setMinWidth(340);
    list.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    list.setCellFactory(_ -> new ChoiceCell());
    list.setPlaceholder(new Label("Trying each on a copy…"));
    list.getSelectionModel()
        .getSelectedItems()
        .addListener((javafx.collections.ListChangeListener<Choice>) _ -> compare());
    list.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) take.fire();
    });
    take.setId("compare-take");
    take.getStyleClass().add("primary");
    take.setDisable(true);
    take.setOnAction(_ -> {
      var chosen = chosen();
      if (chosen.size() != 1) return;
      done.run();
      session.edit(chosen.getFirst().edit());
    });
    var leave = new Button("Leave it");
    leave.setId("compare-leave");
    leave.setOnAction(_ -> done.run());
    var foot = new HBox(10, take, leave);
    foot.setAlignment(Pos.CENTER_LEFT);
    foot.setPadding(new Insets(10, 0, 0, 0));
    table.setHgap(14);
    table.setVgap(5);
    table.setPadding(new Insets(4, 10, 4, 4));
    var scroll = new ScrollPane(table);
    scroll.setId("compare-table");
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    HBox.setHgrow(scroll, Priority.ALWAYS);
    var middle = new HBox(16, list, scroll);
    middle.setPadding(new Insets(10, 0, 0, 0));
    var card = new BorderPane(middle);
    card.setTop(new VBox(6, title, said));
    card.setBottom(foot);
    card.getStyleClass().add("card");
    card.setMaxSize(1200, 700);
    setMargin(card, new Insets(30));
    getChildren().add(card);
  }

  /// What there is, once it is known; the first that fits is selected.
  void show(List<Choice> choices) {
    list.getItems().setAll(choices);
    list.setPlaceholder(new Label("Nothing else of its kind is in the catalogue."));
    said.setText(
        choices.isEmpty()
            ? "Nothing can be taken in its place."
            : "Each was tried on a copy and reviewed: %d go together with the machine, %d do not. Select up to three to compare (Ctrl or Shift)."
                .formatted(
                    choices.stream().filter(c -> c.unfit().isEmpty()).count(),
                    choices.stream().filter(c -> c.unfit().isPresent()).count()));
    if (!choices.isEmpty()) list.getSelectionModel().selectFirst();
    list.requestFocus();
  }

  void say(String text) {
    said.setText(text);
  }

  private List<Choice> chosen() {
    return List.copyOf(list.getSelectionModel().getSelectedItems());
  }

  private void compare() {
    var chosen = chosen();
    take.setDisable(chosen.size() != 1);
    take.setText(
        chosen.size() == 1 && chosen.getFirst().unfit().isPresent()
            ? "Take it all the same"
            : "Take it");
    if (chosen.isEmpty()) {
      table.getChildren().clear();
      return;
    }
    session
        .composing()
        .compare(
            chosen.stream()
                .limit(Comparison.MOST - 1L)
                .map(choice -> new Comparison.Variant(choice.title(), choice.edit()))
                .toList(),
            this::fill,
            this::say);
  }

  private void fill(Comparison comparison) {
    table.getChildren().clear();
    table.getColumnConstraints().clear();
    var name = new ColumnConstraints();
    name.setPrefWidth(150);
    name.setMinWidth(110);
    table.getColumnConstraints().add(name);
    for (var n = 0; n < comparison.columns().size(); n++) {
      var each = new ColumnConstraints();
      each.setHgrow(Priority.ALWAYS);
      each.setPercentWidth(82.0 / comparison.columns().size());
      table.getColumnConstraints().add(each);
      table.add(cell(comparison.columns().get(n).title(), "strong"), n + 1, 0);
    }
    var line = 1;
    for (var row : comparison.rows()) {
      table.add(cell(row.name(), "soft"), 0, line);
      for (var n = 0; n < row.cells().size(); n++)
        table.add(cell(row.cells().get(n), row.differs() ? "value" : "faint"), n + 1, line);
      line++;
    }
    if (!comparison.refused().isEmpty())
      say(
          comparison.refused().entrySet().stream()
              .map(refused -> refused.getKey() + ": " + refused.getValue())
              .collect(Collectors.joining(" ")));
  }

  private static Node cell(String text, String style) {
    // Each finding on a line of its own.
    var label = new Label(text.replace("; ", "\n"));
    label.getStyleClass().addAll(style, "wrapping");
    label.setMinHeight(Region.USE_PREF_SIZE);
    GridPane.setValignment(label, VPos.TOP);
    return label;
  }

  private final class ChoiceCell extends ListCell<Choice> {
    @Override
    protected void updateItem(Choice choice, boolean empty) {
      super.updateItem(choice, empty);
      if (empty || choice == null) {
        setGraphic(null);
        return;
      }
      var title = new Label(choice.title());
      title.getStyleClass().addAll("strong", "wrapping");
      var note = new Label(choice.unfit().map(why -> "does not fit: " + why).orElse(choice.note()));
      note.getStyleClass().addAll("faint", "wrapping");
      for (var label : List.of(title, note)) {
        label.setMinHeight(Region.USE_PREF_SIZE);
        label.setPrefWidth(262);
      }
      var mark = choice.unfit().isPresent() ? Icon.of(Severity.ERROR, theme) : Icon.settled(theme);
      var row = new HBox(8, mark, new VBox(2, title, note));
      row.setAlignment(Pos.TOP_LEFT);
      setGraphic(row);
      setAccessibleText(choice.title() + ", " + note.getText());
    }
  }
}
