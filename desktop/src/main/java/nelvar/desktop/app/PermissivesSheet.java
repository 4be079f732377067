package nelvar.desktop.app;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.signals.Permissive;
import nelvar.core.model.Device;
import nelvar.core.model.edit.PinEdits;
import nelvar.desktop.session.Pinning;
import nelvar.desktop.session.Session;

/// What sensors permit, one situation a line; tried on the wiring before it is taken, each sensor
/// stuck on and off.
final class PermissivesSheet extends StackPane {
  private static final int MOST = 14;

  private final Session session;
  private final Device board;
  private final TextArea rows = new TextArea();
  private final Label said = new Label();

  PermissivesSheet(Session session, Device board, Runnable done) {
    this.session = session;
    this.board = board;
    getStyleClass().add("overlay");
    setId("permissives");
    var title = new Label("What sensors permit, " + board.designation());
    title.getStyleClass().add("title");
    var how =
        new Label(
            "A situation a line: its name, how each sensor stands, what may then be on. Such as\nclamped: B20 on, B21 off permits DO3\nclamp open: B20 off, B21 on permits nothing\nboth: B20 on, B21 on forbidden");
    how.getStyleClass().addAll("soft", "wrapping");
    how.setMinHeight(Region.USE_PREF_SIZE);
    rows.setId("permissive-rows");
    rows.setAccessibleText("Situations, one a line");
    rows.setPrefRowCount(6);
    rows.setText(now());
    said.setId("permissive-said");
    said.getStyleClass().add("wrapping");
    said.setWrapText(true);
    var scroll = new ScrollPane(said);
    scroll.setFitToWidth(true);
    scroll.setPrefHeight(150);
    var attempt = new Button("Try it");
    attempt.setId("permissive-try");
    attempt.setOnAction(_ -> attempt());
    var take = new Button("Take it");
    take.setId("permissive-take");
    take.getStyleClass().add("primary");
    take.setOnAction(_ -> {
      done.run();
      session.edit(PinEdits.sayAll(board, Permissive.SETTING, typed()));
    });
    var leave = new Button("Leave it");
    leave.setOnAction(_ -> done.run());
    var foot = new HBox(10, take, attempt, leave);
    var picks = new HBox(10, sensors(), outputs(), ends());
    picks.setAlignment(Pos.CENTER_LEFT);
    foot.setAlignment(Pos.CENTER_LEFT);
    foot.setPadding(new Insets(10, 0, 0, 0));
    var card = new BorderPane(new VBox(10, rows, picks, scroll));
    var head = new VBox(6, title, how);
    head.setPadding(new Insets(0, 0, 10, 0));
    card.setTop(head);
    card.setBottom(foot);
    card.getStyleClass().add("card");
    card.setMaxSize(820, 520);
    setMargin(card, new Insets(36));
    getChildren().add(card);
  }

  /// How a sensor stands, picked: written where the line ends.
  private MenuButton sensors() {
    var menu = new MenuButton("A sensor stands");
    menu.setId("permissive-sensors");
    for (var sensor : session.pinning().sensors(board))
      for (var on : List.of("on", "off"))
        menu.getItems()
            .add(
                item(
                    "%s %s, %s".formatted(sensor.name(), on, sensor.purpose()),
                    () -> says(", ", sensor.name() + " " + on)));
    return menu;
  }

  /// What may be on then, picked.
  private MenuButton outputs() {
    var menu = new MenuButton("Permits");
    menu.setId("permissive-outputs");
    for (var output : session.pinning().permissible(board))
      menu.getItems()
          .add(
              item(
                  "%s, %s".formatted(output.name(), output.purpose()),
                  () -> says(line().contains(" permits ") ? ", " : " permits ", output.name())));
    return menu;
  }

  private MenuButton ends() {
    var menu = new MenuButton("Nothing, or must not be");
    menu.setId("permissive-ends");
    menu.getItems()
        .addAll(
            item("permits nothing", () -> says(" ", "permits nothing")),
            item("forbidden: a sensor is broken then", () -> says(" ", "forbidden")));
    return menu;
  }

  private static MenuItem item(String words, Runnable does) {
    var item = new MenuItem(words);
    item.setOnAction(_ -> does.run());
    return item;
  }

  private String line() {
    var text = rows.getText();
    return text.substring(text.lastIndexOf('\n') + 1);
  }

  /// At the end of the last line; a line that is complete is followed by another.
  private void says(String joint, String words) {
    var line = line();
    var complete = line.endsWith("forbidden") || line.endsWith("permits nothing");
    var sensor = words.endsWith(" on") || words.endsWith(" off");
    var next = complete || (sensor && line.contains(" permits "));
    var fresh = next || line.isBlank();
    rows.appendText(next ? "\n" : "");
    rows.appendText(
        fresh
            ? "situation %d: %s".formatted(typed().size() + 1, words)
            : (line.endsWith(": ") || line.endsWith(":") ? " " : joint) + words);
  }

  void focus() {
    rows.requestFocus();
  }

  private String now() {
    var all = new ArrayList<String>();
    for (var setting : session.project().settings())
      if (setting.device().equals(board.id()) && setting.name().startsWith(Permissive.SETTING))
        all.add(setting.name().substring(Permissive.SETTING.length()) + ": " + setting.value());
    return String.join("\n", all);
  }

  /// By name; a line without one is numbered.
  private java.util.SequencedMap<String, String> typed() {
    var all = new LinkedHashMap<String, String>();
    for (var line : rows.getText().split("\\R", -1)) {
      if (line.isBlank()) continue;
      var colon = line.indexOf(':');
      var name = colon < 1 ? "row %d".formatted(all.size() + 1) : line.substring(0, colon).strip();
      all.put(name, line.substring(colon + 1).strip());
    }
    return all;
  }

  /// On a copy, away from the interface thread; nothing is changed.
  private void attempt() {
    said.setText("Trying each sensor stuck on and off…");
    session
        .pinning()
        .tried(
            PinEdits.sayAll(board, Permissive.SETTING, typed()),
            found -> said.setText(words(found)),
            said::setText);
  }

  private static String words(Pinning.Permitted found) {
    var all = new ArrayList<String>();
    for (var row : found.table().unread())
      all.add("'%s' cannot be read: %s.".formatted(row.name(), row.why()));
    var wrong = found.tried().stream().filter(t -> !t.wrongly().isEmpty()).toList();
    for (var one : wrong.stream().limit(MOST).toList())
      all.add(
          "%s, %s: reads like '%s' and would permit %s."
              .formatted(
                  one.row().name(),
                  one.stuck(),
                  one.like().orElseThrow().name(),
                  String.join(", ", one.wrongly().stream().map(pin -> pin.terminal()).toList())));
    if (wrong.size() > MOST) all.add("and %d more".formatted(wrong.size() - MOST));
    if (all.isEmpty())
      all.add(
          "%d situations tried, each sensor stuck on and off: none permits what it must not."
              .formatted(found.tried().size()));
    return String.join("\n", all);
  }
}
