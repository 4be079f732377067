package nelvar.desktop.stage.signals;

import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Job;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.network.Live;
import nelvar.core.review.Review;
import nelvar.core.units.Reading;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.QuantityField;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;

/// Controllers in the middle, what they read at the left, what they drive at the right; below, the
/// pin that is looked at, with its three names.
public final class SignalsStage implements Stage {
  private final BorderPane view = new BorderPane();
  private final DrawingPane picture =
      new DrawingPane(
          "Pins of the controllers, and what each reads or drives. Arrow keys walk, Enter selects.",
          true);
  private final Label summary = new Label();
  private final ToggleButton free = new ToggleButton("Free pins");
  private final Label teach =
      new Label(
          "Here stand the controllers, pin by pin, with what they read and what they drive.\n\nNo device of this machine has pins yet. Say in Parts (Ctrl+2) what it must read and move, or add a controller there; a board of your own is read from a table, one row a pin (Add parts from CSV).");
  private final VBox card = new VBox(6);
  private Optional<Session> session = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Theme theme = Theme.LIGHT;
  private Optional<SignalsModel> shown = Optional.empty();
  private Theme shownIn = Theme.LIGHT;

  public SignalsStage() {
    view.getStyleClass().add("stage");
    free.setId("signals-free");
    free.selectedProperty().addListener(_ -> draw());
    picture.setId("pins");
    picture.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
    teach.getStyleClass().addAll("wrapping", "soft");
    teach.setMaxWidth(460);
    card.setId("pin-card");
    card.getStyleClass().add("pin-card");
    card.setPadding(new Insets(8, 18, 10, 18));
    view.setTop(new StageHead("Signals", summary, free));
    view.setCenter(picture);
  }

  @Override
  public String name() {
    return "Signals";
  }

  @Override
  public Node view() {
    return view;
  }

  @Override
  public Node firstFocus() {
    return picture;
  }

  @Override
  public void show(Session next, Review newest, Theme look) {
    session = Optional.of(next);
    review = Optional.of(newest);
    theme = look;
    draw();
  }

  @Override
  public boolean owns(Review.Entry entry) {
    return entry.rule().job() == Job.SIGNALS;
  }

  private Optional<Live> tried() {
    return session
        .map(Session::bench)
        .filter(bench -> !bench.trial().get().asDesigned())
        .map(bench -> bench.solved().get().live())
        .filter(Live::settled);
  }

  private void draw() {
    if (session.isEmpty() || review.isEmpty()) return;
    var selected = session.get().selection().get();
    var model =
        SignalsModel.of(review.get(), new SignalsModel.View(free.isSelected(), selected, tried()));
    if (shown.filter(model::equals).isEmpty() || shownIn != theme) take(model);
    shown = Optional.of(model);
    shownIn = theme;
    picture.focusOn(selected);
  }

  private void take(SignalsModel model) {
    summary.setText(model.summary());
    free.setDisable(!model.begun());
    if (!model.begun()) {
      var beginning = new VBox(teach);
      beginning.setPadding(new Insets(20, 24, 24, 24));
      view.setCenter(beginning);
      view.setBottom(null);
      return;
    }
    view.setCenter(picture);
    picture.show(model.drawing(), theme);
    if (shown.flatMap(SignalsModel::card).equals(model.card()) && view.getBottom() != null) return;
    card.getChildren().clear();
    model.card().ifPresentOrElse(this::fill, this::nothingLookedAt);
    view.setBottom(card);
  }

  private void nothingLookedAt() {
    var says =
        new Label(
            "Full line: reads 1, or is on. Dashed: is not. Double: pulses of an axis. Choose a pin or a device to see its volts in both states.");
    says.getStyleClass().addAll("soft", "wrapping");
    card.getChildren().add(says);
  }

  /// Its wire and its name in the program go to the pin that is chosen, and those there come here.
  private ChoiceBox<SignalsModel.Other> swap(SignalsModel.Card pin) {
    var others = new ChoiceBox<SignalsModel.Other>();
    others.setId("swap-pin");
    others.setAccessibleText("Swap with another pin");
    others.getItems().setAll(pin.others());
    others
        .valueProperty()
        .addListener((_, _, other) -> {
          if (other != null)
            session.ifPresent(s -> s.edit(PinEdits.swap(pin.board(), pin.pin(), other.pin())));
        });
    return others;
  }

  private void fill(SignalsModel.Card pin) {
    var title = new Label(pin.title());
    title.getStyleClass().addAll("mono", "title-small");
    var words = new Label(pin.standing().words() + ": " + pin.words());
    words.getStyleClass().add(pin.standing() == PinLink.Standing.WRONG ? "wrong-note" : "soft");
    words.setMinWidth(0);
    var name =
        new QuantityField<String>(
            "In the program",
            "",
            text -> new Reading.Value<>(text),
            text ->
                session
                    .filter(s -> s.edit(PinEdits.firmwareName(pin.board(), pin.pin(), text)))
                    .isPresent());
    name.show(pin.firmware());
    name.setId("firmware-name");
    name.setMaxWidth(260);
    var head = new HBox(14, title, words);
    head.setAlignment(javafx.geometry.Pos.BASELINE_LEFT);
    var facts = new FlowPane(18, 3);
    for (var fact : pin.facts()) {
      var what = new Label(fact.name());
      what.getStyleClass().add("soft");
      var value = new Label(fact.value());
      value.getStyleClass().add("strong");
      facts.getChildren().add(new HBox(6, what, value));
    }
    var doing = new HBox(18, name);
    doing.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    if (!pin.others().isEmpty()) doing.getChildren().addAll(new Label("Swap with"), swap(pin));
    card.getChildren().addAll(head, facts, doing);
  }
}
