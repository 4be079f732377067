package nelvar.desktop.stage.runs;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.runs.Carriers;
import nelvar.core.model.Bundle;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.review.Review;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.session.Session;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.BundleSection;
import nelvar.documents.drawing.CarrierPicture;

/// What stands beside the ways: a cut through what the selection lies in, or the row of terminals
/// or the connector it lands on.
final class BesideWays extends VBox {
  /// Stands for the cut among what can be looked at.
  private static final Id CUT = new Id("cut");

  private final DuctBar ducts = new DuctBar(this::look);
  private final FormBar form = new FormBar();
  private Optional<Session> session = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Optional<Shown> shown = Optional.empty();
  private Optional<Id> looked = Optional.empty();
  private Optional<Id> lookedFrom = Optional.empty();
  private Theme theme = Theme.LIGHT;

  private record Shown(
      List<Device> ends, Optional<RunsModel.Ends> seen, Optional<RunsModel.Cut> cut, Theme in) {}

  BesideWays() {
    setStyle("-fx-padding: 4 18 8 4; -fx-spacing: 4;");
  }

  /// Shows the cut of a bundle, or a row of terminals, until something else is selected.
  void look(Id thing, Session on, Review newest) {
    looked = Optional.of(thing);
    lookedFrom = on.selection().get();
    show(on, newest, theme);
  }

  private void look(Id thing) {
    if (session.isPresent() && review.isPresent()) look(thing, session.get(), review.get());
  }

  void show(Session on, Review newest, Theme look) {
    session = Optional.of(on);
    review = Optional.of(newest);
    theme = look;
    var selected = on.selection().get();
    if (!selected.equals(lookedFrom)) looked = Optional.empty();
    var ends = RunsModel.ends(newest, selected);
    var seen =
        looked
            .or(() -> selected)
            .flatMap(id -> ends.stream().filter(device -> device.id().equals(id)).findFirst())
            .map(
                device -> RunsModel.seen(device, newest, selected, Math.max(200, getWidth() - 44)));
    var through =
        seen.isPresent()
            ? Optional.<RunsModel.Cut>empty()
            : RunsModel.cut(newest, looked, selected, Math.max(200, getWidth() - 190), 240);
    var named = through.filter(m -> !m.drawn()).map(RunsModel.Cut::bundle);
    ducts.show(on, named);
    form.show(on, named);
    var model = new Shown(ends, seen, through, theme);
    if (shown.filter(model::equals).isPresent()) return;
    shown = Optional.of(model);
    getChildren().clear();
    if (!ends.isEmpty()) getChildren().add(choices(model));
    seen.ifPresent(this::seen);
    through.ifPresent(this::cut);
    if (seen.isEmpty() && through.isEmpty())
      getChildren()
          .addAll(
              new Label("No duct, tray or carrier yet: wires that lie nowhere cannot be rated."),
              ducts);
  }

  /// The cut, and each row of terminals and connector the selection lands on.
  private HBox choices(Shown model) {
    var row = new HBox(6);
    row.setId("runs-beside");
    var group = new ToggleGroup();
    row.getChildren().add(choice("Cut", CUT, model.seen().isEmpty(), group));
    for (var device : model.ends())
      row.getChildren()
          .add(
              choice(
                  device.designation().text(),
                  device.id(),
                  model.seen().filter(s -> s.device().id().equals(device.id())).isPresent(),
                  group));
    return row;
  }

  private ToggleButton choice(String text, Id thing, boolean on, ToggleGroup group) {
    var button = new ToggleButton(text);
    button.setToggleGroup(group);
    button.setSelected(on);
    button.setId("beside-" + thing);
    button.setOnAction(_ -> look(thing));
    return button;
  }

  private void seen(RunsModel.Ends ends) {
    var words = new Label(ends.words());
    words.getStyleClass().add("soft");
    words.setWrapText(true);
    getChildren().add(words);
    for (var drawing : ends.drawings()) {
      var pane = new DrawingPane("Terminals of " + ends.device().designation(), false);
      pane.show(drawing, theme);
      pane.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
      getChildren().add(pane);
    }
  }

  private void cut(RunsModel.Cut model) {
    var pane = new DrawingPane("Cut through " + model.bundle().name(), false);
    pane.show(model.drawing(), theme);
    pane.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
    var words = new Label(model.words());
    words.getStyleClass().add("soft");
    var legend = new DrawingPane("What the colours mean", false);
    legend.setFocusTraversable(false);
    legend.show(BundleSection.legend(), theme);
    words.setWrapText(true);
    var name = new Label(model.bundle().name());
    name.getStyleClass().add("strong");
    getChildren().addAll(name, words, new HBox(12, pane, legend));
    Carriers.of(model.bundle()).ifPresent(carrier -> moves(carrier, model.bundle()));
    getChildren().addAll(ducts, form);
  }

  /// How long it is, what room it takes, and how it moves.
  private void moves(Bundle.Carrier carrier, Bundle bundle) {
    var words = new Label(Carriers.words(carrier));
    words.setId("carrier-words");
    words.getStyleClass().add("soft");
    words.setWrapText(true);
    var pane = new DrawingPane("How the %s moves".formatted(bundle.name()), false);
    pane.setFocusTraversable(false);
    CarrierPicture.of(bundle, Math.max(200, getWidth() - 44))
        .ifPresent(drawing -> pane.show(drawing, theme));
    getChildren().addAll(words, pane);
  }
}
