package nelvar.desktop.stage.quiet;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.interference.Symptom;
import nelvar.core.analysis.interference.Trial;
import nelvar.core.finding.Severity;
import nelvar.desktop.control.Icon;
import nelvar.desktop.style.Theme;

/// What a symptom points at: the pairs that could do it, and what is cheap to try, with what each
/// outcome would mean.
final class SymptomBox extends VBox {
  private final Consumer<Pair> look;

  SymptomBox(Consumer<Pair> look) {
    super(6);
    this.look = look;
    setId("quiet-says");
  }

  void show(Optional<Symptom> symptom, Theme theme) {
    getChildren().clear();
    setManaged(symptom.isPresent());
    setVisible(symptom.isPresent());
    symptom.ifPresent(it -> fill(it, theme));
  }

  private void fill(Symptom it, Theme theme) {
    getChildren().add(PairCard.soft(it.says()));
    for (var pair : it.suspects()) {
      var link =
          new Hyperlink(
              "%+.0f dB  %s into %s, %s"
                  .formatted(
                      pair.margin(),
                      pair.emitter().label(),
                      pair.receiver().label(),
                      pair.receiver().words()));
      link.setOnAction(_ -> look.accept(pair));
      getChildren().add(link);
    }
    if (it.trials().isEmpty()) return;
    var title = new Label("Cheap to try, before anything is bought");
    title.getStyleClass().add("strong");
    getChildren().add(title);
    if (it.trials().stream().anyMatch(Trial::dead)) {
      var caution =
          new Label(
              "Where hands go in: switch off, lock off, wait for stored charge, prove dead. Then try.");
      caution.setGraphic(Icon.of(Severity.WARNING, theme));
      caution.setWrapText(true);
      caution.setMinHeight(Region.USE_PREF_SIZE);
      getChildren().add(caution);
    }
    for (var trial : it.trials()) getChildren().add(card(trial));
  }

  private static HBox card(Trial trial) {
    var what = new Label(trial.what());
    what.getStyleClass().addAll("strong", "wrapping");
    what.setWrapText(true);
    var gone = PairCard.soft("Gone: " + trial.gone() + ".");
    var stays = PairCard.soft("As before: " + trial.stays() + ".");
    var text = new VBox(2, what, gone, stays);
    HBox.setHgrow(text, Priority.ALWAYS);
    var expects =
        new Label(
            "%.0f min%s"
                .formatted(
                    trial.minutes(),
                    trial.margin().isPresent()
                        ? trial.margin().getAsDouble() >= Pair.FAR
                            ? "\nat best nothing is left"
                            : "\nat best %+.0f dB".formatted(trial.margin().getAsDouble())
                        : ""));
    expects.setMinWidth(Region.USE_PREF_SIZE);
    var row = new HBox(12, text, expects);
    row.getStyleClass().add("card");
    row.setStyle("-fx-padding: 6 10 6 12;");
    return row;
  }
}
