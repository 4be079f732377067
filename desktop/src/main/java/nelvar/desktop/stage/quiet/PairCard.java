package nelvar.desktop.stage.quiet;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.MarginWorking;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.interference.Symptom;
import nelvar.core.analysis.interference.WayIn;
import nelvar.core.compose.Quieter;
import nelvar.core.units.Voltage;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.TrailView;
import nelvar.desktop.session.Session;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.PairPicture;

/// One pair: how it gets in, way by way, and what helps, most for its cost first.
final class PairCard extends HBox {
  private static final double HIGH = 268;

  private static final double CUT = 334;

  private final VBox ways = new VBox(4);
  private final VBox helps = new VBox(6);
  private final DrawingPane cut = new DrawingPane("The cut through both wires", false);
  private final TextField symptom = new TextField();
  private final SymptomBox says;
  private final ToggleButton working = new ToggleButton("Working");
  private Optional<Pair> pair = Optional.empty();
  private Optional<Study> study = Optional.empty();
  private Optional<Session> session = Optional.empty();
  private Theme theme = Theme.LIGHT;

  /// @param asked what somebody typed of what goes wrong; blank where nothing any more
  /// @param look chooses a pair
  PairCard(Consumer<String> asked, Consumer<Pair> look) {
    says = new SymptomBox(look);
    says.show(Optional.empty(), theme);
    symptom.setId("quiet-symptom");
    symptom.setPromptText("What goes wrong? weight jumps when the auger runs");
    symptom.setAccessibleText(
        "What goes wrong, and when, in your words; Enter names what could do it and what to try");
    symptom.setPrefColumnCount(30);
    symptom.setOnAction(_ -> asked.accept(symptom.getText().strip()));
    cut.setId("quiet-cut");
    cut.setFocusTraversable(false);
    getStyleClass().add("pin-card");
    setId("quiet-pair");
    setPadding(new Insets(10, 18, 10, 18));
    setSpacing(22);
    setPrefHeight(HIGH);
    setMinHeight(HIGH);
    ways.setMinWidth(330);
    ways.setPrefWidth(360);
    working.setId("quiet-working");
    working.setOnAction(_ -> fill());
    var scroll = new ScrollPane(new VBox(8, says, helps));
    scroll.getStyleClass().add("plain");
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    var right = new VBox(8, symptom, scroll);
    HBox.setHgrow(right, Priority.ALWAYS);
    var left = new ScrollPane(ways);
    left.getStyleClass().add("plain");
    left.setFitToWidth(true);
    left.setMinWidth(350);
    left.setPrefWidth(390);
    getChildren().addAll(left, right);
  }

  /// What was asked, and what it points at; empty where nothing is asked.
  void symptom(Optional<Symptom> found) {
    says.show(found, theme);
  }

  void forget() {
    pair = Optional.empty();
    helps.getChildren().clear();
  }

  void show(Pair next, Study on, Session taker, Theme look) {
    var other = pair.filter(next::equals).isEmpty();
    pair = Optional.of(next);
    study = Optional.of(on);
    session = Optional.of(taker);
    theme = look;
    fill();
    if (other) helps.getChildren().setAll(soft("Trying what helps, each on a copy…"));
  }

  private void fill() {
    if (pair.isEmpty() || study.isEmpty()) return;
    var it = pair.get();
    var title = new Label("%s into %s".formatted(it.emitter().label(), it.receiver().label()));
    title.getStyleClass().addAll("strong", "designation");
    var margin = new Label("%+.0f dB ± %.0f".formatted(it.margin(), it.uncertainty()));
    margin.getStyleClass().add("strong");
    margin.setId("quiet-margin");
    var space = new Region();
    HBox.setHgrow(space, Priority.ALWAYS);
    var head = new HBox(10, title, margin, space, working);
    head.setAlignment(Pos.CENTER_LEFT);
    ways.getChildren().setAll(head);
    if (working.isSelected()) {
      ways.getChildren().add(new TrailView(MarginWorking.of(it, study.get()).trail()));
      return;
    }
    ways.getChildren()
        .add(
            soft(
                "%s, %s; %s, %s"
                    .formatted(
                        it.emitter().kind().words(),
                        it.emitter().basis(),
                        it.receiver().words(),
                        it.receiver().shield().words())));
    cut.show(PairPicture.of(it, study.get(), CUT), theme);
    ways.getChildren().add(cut);
    for (var way : WayIn.values())
      if (it.volts().get(way) instanceof Double volts)
        ways.getChildren()
            .add(
                row(
                    way.words(),
                    new Voltage(volts).toString(),
                    it.volts().size() > 1 && way == it.dominant().orElse(way)));
    ways.getChildren()
        .add(
            row(
                "too much, " + it.receiver().basis(),
                new Voltage(it.receiver().threshold()).toString(),
                false));
    for (var missing : it.unknown())
      ways.getChildren().add(soft(missing + " is not known: taken as the worst"));
    ways.getChildren()
        .add(
            soft(
                "An estimate from geometry and wire: trust the ranking. It proves nothing about emissions."));
  }

  private static Node row(String words, String value, boolean strong) {
    var left = new Label(words);
    left.setWrapText(true);
    var right = new Label(value);
    right.setMinWidth(Region.USE_PREF_SIZE);
    if (strong) right.getStyleClass().add("strong");
    var row = new BorderPane();
    row.setCenter(left);
    BorderPane.setAlignment(left, Pos.CENTER_LEFT);
    row.setRight(right);
    row.getStyleClass().add("fact");
    row.setStyle("-fx-padding: 3 0 3 0;");
    return row;
  }

  static Label soft(String words) {
    var label = new Label(words);
    label.getStyleClass().addAll("soft", "wrapping");
    label.setWrapText(true);
    return label;
  }

  /// What came of trying, where this pair is still looked at.
  void helps(Pair of, List<Quieter.Tried> found) {
    if (pair.filter(of::equals).isEmpty()) return;
    helps.getChildren().clear();
    var title = new Label("What helps, most for its cost first");
    title.setId("quiet-helps");
    title.getStyleClass().add("strong");
    helps.getChildren().add(title);
    if (found.isEmpty())
      helps
          .getChildren()
          .add(
              soft(
                  "Nothing that is tried here gains a decibel. By hand: lay these wires in a duct of their own, or make them one shielded cable (Runs, One cable)."));
    var number = 1;
    for (var tried : found) helps.getChildren().add(card(tried, number++));
  }

  private Node card(Quieter.Tried tried, int number) {
    var remedy = tried.remedy();
    var what = new Label(remedy.repair().label());
    what.getStyleClass().addAll("strong", "wrapping");
    what.setWrapText(true);
    var cost =
        new Label(
            "%s, %.0f min%s"
                .formatted(
                    remedy
                        .costs()
                        .map(p -> p.amount().signum() == 0 ? "costs nothing" : p + " " + currency())
                        .orElse("price not known"),
                    Math.ceil(remedy.minutes()),
                    remedy.others() > 0 ? "; helps %d more".formatted(remedy.others()) : ""));
    cost.getStyleClass().add("faint");
    var gain =
        new Label(
            remedy.margin() >= Pair.FAR
                ? margin(remedy.margin())
                : "%+.0f dB → %s".formatted(remedy.gain(), margin(remedy.margin())));
    gain.getStyleClass().add("strong");
    gain.setMinWidth(Region.USE_PREF_SIZE);
    var take = new Button("Take it");
    take.getStyleClass().add(number == 1 ? "primary" : "repair");
    take.setId("quiet-take-" + number);
    take.setMinWidth(Region.USE_PREF_SIZE);
    take.setAccessibleText("Take it: " + remedy.repair().label());
    take.setOnAction(_ -> session.ifPresent(s -> s.edit(remedy.repair().edit())));
    var text = new VBox(2, what, cost);
    HBox.setHgrow(text, Priority.ALWAYS);
    var row = new HBox(12, text, gain, take);
    row.setAlignment(Pos.CENTER_LEFT);
    row.getStyleClass().add("card");
    row.setStyle("-fx-padding: 6 10 6 12;");
    return row;
  }

  private static String margin(double margin) {
    return margin >= Pair.FAR ? "nothing gets in" : "%+.0f dB".formatted(margin);
  }

  private String currency() {
    return session.map(s -> s.project().brief().policies().currency()).orElse("");
  }
}
