package nelvar.desktop.app;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import nelvar.core.model.Id;
import nelvar.core.review.Review;

/// What the find field finds: commands by name, things of the project by label, purpose or finding.
final class Finder {
  private static final int MOST = 12;

  /// @param hint right of the name: keys of a command, what a thing is
  /// @param answers it is what the words say, whatever it is called
  record Hit(String name, String hint, boolean answers, Runnable go) {
    Hit(String name, String hint, Runnable go) {
      this(name, hint, false, go);
    }
  }

  private final TextField field;
  private final ListView<Hit> list = new ListView<>();
  private final Supplier<List<Hit>> all;
  private final Runnable leave;

  Finder(TextField field, Supplier<List<Hit>> all, Runnable leave) {
    this.field = field;
    this.all = all;
    this.leave = leave;
    list.getStyleClass().add("found");
    list.setId("found");
    list.setVisible(false);
    list.setManaged(false);
    list.setFocusTraversable(false);
    list.setFixedCellSize(28);
    list.setCellFactory(_ -> new HitCell());
    field.textProperty().addListener(_ -> update());
    field
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) list.setVisible(false);
          else update();
        });
    field.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    list.setOnMouseReleased(_ -> go());
  }

  ListView<Hit> list() {
    return list;
  }

  private void update() {
    var words = field.getText().toLowerCase(java.util.Locale.ROOT).strip();
    var hits = new ArrayList<Hit>();
    if (field.isFocused()) {
      for (var hit : all.get()) {
        var text = (hit.name() + " " + hit.hint()).toLowerCase(java.util.Locale.ROOT);
        if (hit.answers()) {
          hits.add(hit);
          continue;
        }
        if (words.isEmpty()
            ? !hit.hint().isEmpty()
            : java.util.Arrays.stream(words.split("\\s+")).allMatch(text::contains)) hits.add(hit);
        if (hits.size() == 400) break;
      }
      // What begins with the words comes first.
      hits.sort(
          java.util.Comparator.comparing(
              hit -> !hit.answers() && !stripped(hit.name()).startsWith(stripped(words))));
    }
    list.getItems().setAll(hits.subList(0, Math.min(MOST, hits.size())));
    if (hits.isEmpty() && !words.isEmpty() && field.isFocused())
      list.getItems().setAll(new Hit("Nothing is called so", "try a label such as -T2", () -> {}));
    list.getSelectionModel().selectFirst();
    list.setMaxHeight(list.getItems().size() * 28.0 + 10);
    list.setPrefHeight(list.getItems().size() * 28.0 + 10);
    list.setVisible(!list.getItems().isEmpty() && field.isFocused());
  }

  private static String stripped(String text) {
    return text.toLowerCase(java.util.Locale.ROOT).replaceFirst("^-", "");
  }

  private void key(KeyEvent e) {
    switch (e.getCode()) {
      case DOWN -> list.getSelectionModel().selectNext();
      case UP -> list.getSelectionModel().selectPrevious();
      case ENTER -> go();
      case ESCAPE -> close();
      default -> {
        return;
      }
    }
    e.consume();
  }

  private void close() {
    field.clear();
    list.setVisible(false);
    leave.run();
    list.setVisible(false);
  }

  private void go() {
    var hit = list.getSelectionModel().getSelectedItem();
    if (hit == null) return;
    close();
    hit.go().run();
  }

  /// Things of the project: devices, conductors, cables, findings.
  ///
  /// @param asked whose findings are found; @param review of all that is drawn
  static List<Hit> things(Review review, Review asked, java.util.function.Consumer<Id> select) {
    var hits = new ArrayList<Hit>();
    for (var device : review.project().devices())
      hits.add(
          new Hit(device.designation().text(), device.purpose(), () -> select.accept(device.id())));
    for (var conductor : review.project().conductors())
      hits.add(
          new Hit(
              conductor.label().text(),
              "%s to %s"
                  .formatted(
                      review.study().label(conductor.from().device()),
                      review.study().label(conductor.to().device())),
              () -> select.accept(conductor.id())));
    for (var cable : review.project().cables())
      hits.add(new Hit(cable.label().text(), "cable", () -> select.accept(cable.id())));
    for (var entry : asked.open()) {
      var finding = entry.finding().orElseThrow();
      hits.add(
          new Hit(
              finding.title(),
              review.study().label(finding.subject())
                  + ", "
                  + finding.severity().name().toLowerCase(java.util.Locale.ROOT),
              () -> finding.subject().thing().ifPresent(select)));
    }
    return hits;
  }

  private static final class HitCell extends ListCell<Hit> {
    @Override
    protected void updateItem(Hit hit, boolean empty) {
      super.updateItem(hit, empty);
      if (empty || hit == null) {
        setGraphic(null);
        return;
      }
      var hint = new Label(hit.hint());
      hint.getStyleClass().add("soft");
      var space = new Region();
      HBox.setHgrow(space, Priority.ALWAYS);
      setGraphic(new HBox(12, new Label(hit.name()), space, hint));
    }
  }
}
