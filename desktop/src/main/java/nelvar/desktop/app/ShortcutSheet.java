package nelvar.desktop.app;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/// All commands with their keys, over the window; Escape closes it.
final class ShortcutSheet extends StackPane {
  private final Button close = new Button("Close");

  ShortcutSheet(List<Command> commands, Runnable done) {
    getStyleClass().add("overlay");
    setId("shortcuts");
    var title = new Label("Keys");
    title.getStyleClass().add("title");
    var grid = new GridPane(28, 5);
    var half = (commands.size() + 8) / 2;
    var own =
        List.of(
            new String[] {"Arrow keys", "walk a picture"},
            new String[] {"Enter", "select; edit a row"},
            new String[] {"+  −  0", "zoom in, out, fit"},
            new String[] {"Ctrl+wheel", "zoom"},
            new String[] {"Escape", "put a field back; close"});
    var row = 0;
    for (var command : commands) {
      if (command.keys().isEmpty()) continue;
      put(grid, row++, half, command.keyText(), command.name());
    }
    for (var pair : own) put(grid, row++, half, pair[0], pair[1]);
    close.setOnAction(_ -> done.run());
    var card = new VBox(title, grid, close);
    card.getStyleClass().add("card");
    card.setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
    setAlignment(Pos.CENTER);
    getChildren().add(card);
    setOnMousePressed(e -> {
      if (e.getTarget() == this) done.run();
    });
  }

  private static void put(GridPane grid, int row, int half, String keys, String name) {
    var key = new Label(keys);
    key.getStyleClass().add("mono");
    grid.add(key, row / half * 2, row % half);
    grid.add(new Label(name), row / half * 2 + 1, row % half);
  }

  void focus() {
    close.requestFocus();
  }
}
