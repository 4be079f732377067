package nelvar.desktop.app;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.finding.Severity;
import nelvar.core.model.edit.Horizon;
import nelvar.core.review.Review;
import nelvar.desktop.control.Icon;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;

/// The stages in working order, each with its state: worst open finding and how many, or settled. A
/// route, not a wizard.
final class JobLine extends VBox {
  private final List<Stage> stages;
  private final List<ToggleButton> buttons = new ArrayList<>();
  private final VBox asked = new VBox(2);
  private final java.util.EnumMap<Horizon, ToggleButton> horizons =
      new java.util.EnumMap<>(Horizon.class);

  /// @param ask which machine is asked about
  JobLine(List<Stage> stages, Consumer<Stage> choose, Consumer<Horizon> ask) {
    this.stages = stages;
    getStyleClass().add("job-line");
    var group = new ToggleGroup();
    for (var stage : stages) {
      var button = new ToggleButton(stage.name());
      button.getStyleClass().setAll("button-base", "job");
      button.setToggleGroup(group);
      button.setMaxWidth(Double.MAX_VALUE);
      button.setId("job-" + stage.name().toLowerCase(java.util.Locale.ROOT));
      button.setOnAction(_ -> {
        button.setSelected(true);
        choose.accept(stage);
      });
      buttons.add(button);
      getChildren().add(button);
    }
    var space = new Region();
    VBox.setVgrow(space, Priority.ALWAYS);
    var title = new Label("Machine asked about");
    title.getStyleClass().add("faint");
    title.setPadding(new Insets(0, 0, 2, 15));
    asked.getChildren().add(title);
    asked.setId("horizons");
    var which = new ToggleGroup();
    for (var horizon : Horizon.values()) {
      var button = new ToggleButton(capital(horizon.words()));
      button.getStyleClass().setAll("button-base", "job");
      button.setToggleGroup(which);
      button.setMaxWidth(Double.MAX_VALUE);
      button.setId("horizon-" + horizon.words().replace(' ', '-'));
      button.setAccessibleText("Ask about " + horizon.sentence());
      button.setOnAction(_ -> {
        button.setSelected(true);
        ask.accept(horizon);
      });
      horizons.put(horizon, button);
      asked.getChildren().add(button);
    }
    getChildren().addAll(space, asked);
  }

  private static String capital(String text) {
    return Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }

  /// Which machine is asked about, where anything is marked as not there yet.
  void show(Horizon horizon, boolean marked) {
    asked.setVisible(marked);
    asked.setManaged(marked);
    horizons.forEach((each, button) -> button.setSelected(each == horizon));
  }

  void show(Stage current, Review review, Theme theme) {
    // Nothing is settled where nothing is drawn.
    var bare = review.project().conductors().isEmpty();
    for (var i = 0; i < stages.size(); i++) {
      var stage = stages.get(i);
      var button = buttons.get(i);
      button.setSelected(stage == current);
      var open = review.open().stream().filter(stage::owns).toList();
      var pack = stages.getLast() == stage;
      var errors = pack && review.count(Severity.ERROR) > 0;
      var undone = stage.unfinished(review);
      var mark = new BorderPane();
      mark.setLeft(
          open.isEmpty()
              ? errors || bare
                  ? Icon.notBegun(theme)
                  : undone > 0 ? Icon.of(Severity.WARNING, theme) : Icon.settled(theme)
              : Icon.of(open.getFirst().finding().orElseThrow().severity(), theme));
      var left = open.size() + undone;
      button.setText(left == 0 ? stage.name() : stage.name() + "   " + left);
      button.setGraphic(mark);
      button.setAccessibleText(
          stage.name()
              + (open.isEmpty() ? "" : ", " + open.size() + " open findings")
              + (undone == 0 ? "" : ", " + undone + " not finished")
              + (left == 0 ? bare ? ", not begun" : ", settled" : ""));
    }
  }
}
