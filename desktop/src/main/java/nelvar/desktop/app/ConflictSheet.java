package nelvar.desktop.app;

import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nelvar.core.model.edit.Differences;
import nelvar.desktop.session.Conflict;
import nelvar.desktop.session.Session;

/// The file was changed by another program: what differs there and here, side by side, and what can
/// be done. Escape decides later; until then nothing is written.
final class ConflictSheet extends StackPane {
  private final List<Button> buttons;

  ConflictSheet(String file, Conflict conflict, Session session, Runnable done) {
    getStyleClass().add("overlay");
    setId("conflict");
    var title = new Label(file + " was changed by another program");
    title.getStyleClass().add("title");
    var there = conflict.there();
    var here = conflict.here();
    var touched =
        here.stream().map(change -> change.list() + " " + change.key()).collect(Collectors.toSet());
    var both =
        there.stream()
            .filter(change -> touched.contains(change.list() + " " + change.key()))
            .map(Differences.Change::name)
            .toList();
    var says = new Label(says(conflict, both));
    says.setId("conflict-says");
    says.getStyleClass().add("wrapping");
    says.setMinHeight(Region.USE_PREF_SIZE);
    var lists =
        new HBox(
            16,
            side("Changed there", "conflict-there", there, both),
            side("Changed here, not saved", "conflict-here", here, both));
    var merge = button("Merge both and save", "conflict-merge", () -> merge(session, done));
    var theirs =
        button(
            here.isEmpty() ? "Go on with theirs" : "Take theirs (mine by Undo)",
            "conflict-theirs",
            () -> {
              done.run();
              session.takeTheirs();
            });
    var aside =
        button(
            "Keep mine aside and go on with it",
            "conflict-aside",
            () -> {
              done.run();
              session.keepAside();
            });
    var later =
        button(
            "Decide later",
            "conflict-later",
            () -> {
              done.run();
              session.answerLater();
            });
    if (conflict.theirs().isEmpty()) buttons = List.of(aside, later);
    else if (here.isEmpty()) buttons = List.of(theirs, aside, later);
    else buttons = List.of(merge, theirs, aside, later);
    buttons.getFirst().getStyleClass().add("primary");
    buttons.getFirst().setDefaultButton(true);
    var foot = new HBox(10);
    foot.getChildren().addAll(buttons);
    foot.setAlignment(Pos.CENTER_LEFT);
    foot.setPadding(new Insets(10, 0, 0, 0));
    var head = new VBox(6, title, says);
    head.setPadding(new Insets(0, 0, 10, 0));
    var card = new BorderPane(lists);
    card.setTop(head);
    card.setBottom(foot);
    card.getStyleClass().add("card");
    card.setMaxWidth(900);
    card.setMaxHeight(Region.USE_PREF_SIZE);
    setMargin(card, new Insets(40));
    getChildren().add(card);
  }

  private static String says(Conflict conflict, List<String> both) {
    if (conflict.theirs().isEmpty())
      return "What stands there now cannot be read. Nothing was written over it.";
    if (conflict.here().isEmpty()) return "Here nothing is unsaved.";
    if (both.isEmpty())
      return "The two touch different things: merging keeps both. Nothing was written over.";
    return "Both changed %s: merging keeps theirs there, and yours everywhere else. Nothing was written over."
        .formatted(named(both));
  }

  private static String named(List<String> names) {
    return names.size() <= 4
        ? String.join(", ", names)
        : String.join(", ", names.subList(0, 3)) + " and %d more".formatted(names.size() - 3);
  }

  private static void merge(Session session, Runnable done) {
    session
        .mergeBoth()
        .ifPresent(both -> {
          done.run();
          if (!both.isEmpty())
            session.tell("Merged; theirs was kept of " + named(both) + ". Undo brings yours back.");
        });
  }

  private static Button button(String text, String id, Runnable action) {
    var button = new Button(text);
    button.setId(id);
    button.setOnAction(_ -> action.run());
    return button;
  }

  private static Node side(
      String name, String id, List<Differences.Change> changes, List<String> both) {
    var title = new Label("%s (%d)".formatted(name, changes.size()));
    title.getStyleClass().add("strong");
    var list = new ListView<Differences.Change>();
    list.setId(id);
    list.setAccessibleText(name);
    list.getItems().setAll(changes);
    list.setPlaceholder(new Label("nothing"));
    list.setCellFactory(_ ->
        new ListCell<>() {
          @Override
          protected void updateItem(Differences.Change change, boolean empty) {
            super.updateItem(change, empty);
            setWrapText(true);
            setPrefWidth(0);
            setText(
                empty || change == null
                    ? null
                    : change + (both.contains(change.name()) ? " (both changed it)" : ""));
          }
        });
    // As long as what differs, up to a third of the window.
    list.setPrefHeight(Math.clamp(44L * changes.size() + 10, 60, 300));
    var box = new VBox(6, title, list);
    VBox.setVgrow(list, Priority.ALWAYS);
    HBox.setHgrow(box, Priority.ALWAYS);
    box.setPrefWidth(400);
    return box;
  }

  void focus() {
    buttons.getFirst().requestFocus();
  }
}
