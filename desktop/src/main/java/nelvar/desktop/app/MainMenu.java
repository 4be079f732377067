package nelvar.desktop.app;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import nelvar.core.compose.need.ShippedLists;

/// What can be done with files and the program, at its name: the commands by the names and keys
/// they have everywhere.
final class MainMenu {
  private final MenuButton button;
  private final List<Command> commands;

  /// @param recent projects worked on before, newest first
  MainMenu(
      Node brand,
      List<Command> commands,
      Supplier<List<Path>> recent,
      Consumer<Path> open,
      Consumer<String> begin) {
    this.commands = commands;
    this.button = new MenuButton("", brand);
    button.setId("menu");
    button.getStyleClass().add("brand-menu");
    button.setAccessibleText("Nelvar: files, settings, keys");
    button.setMinWidth(MenuButton.USE_PREF_SIZE);
    // What stands on a menu is not laid out before it is wanted.
    button.setOnShowing(_ -> {
      var lists = new Menu("New from a list");
      for (var name : ShippedLists.NAMES)
        lists.getItems().add(item(name.replace('-', ' '), () -> begin.accept(name)));
      var before = new Menu("Open recent");
      for (var path : recent.get()) {
        var entry = item(path.getFileName() + "   in " + path.getParent(), () -> open.accept(path));
        entry.setMnemonicParsing(false);
        before.getItems().add(entry);
      }
      before.setDisable(before.getItems().isEmpty());
      button
          .getItems()
          .setAll(
              command("New machine", "Begin a new project"),
              lists,
              command("Open…", "Open a project…"),
              before,
              new SeparatorMenuItem(),
              command("Save", "Save"),
              command("Save as…", "Save as…"),
              new SeparatorMenuItem(),
              command("Import parts…", "Add parts from CSV…"),
              command("Import rows: wires or devices…", "Paste rows: wires or devices"),
              command("Export: write the pack…", "Write the pack…"),
              new SeparatorMenuItem(),
              command("Settings: light or dark", "Light or dark"),
              command("Keys", "Keys"),
              command("About and welcome", "Welcome and recent projects"));
    });
    button.getItems().add(new MenuItem("New machine"));
  }

  MenuButton button() {
    return button;
  }

  private MenuItem command(String text, String name) {
    var command = commands.stream().filter(c -> c.name().equals(name)).findFirst().orElseThrow();
    var item = item(text, command.run());
    // The window listens for the keys itself.
    item.setId("menu-" + name.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z]+", "-"));
    if (!command.keyText().isEmpty()) item.setText(text + "   " + command.keyText());
    return item;
  }

  private static MenuItem item(String text, Runnable run) {
    var item = new MenuItem(text);
    item.setOnAction(_ -> run.run());
    return item;
  }
}
