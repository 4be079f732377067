package nelvar.desktop.stage.panel;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Snap;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.analysis.thermal.InsideAir;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Measured;
import nelvar.core.model.Placement;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.desktop.control.QuantityField;
import nelvar.desktop.session.Session;

/// The part that is selected: where it stands, its size, how warm it is there, and what can be done
/// with it.
final class BodyCard {
  private final Body body;
  private final Cabinet cabinet;
  private final Study study;
  private final Session session;

  BodyCard(Body body, Cabinet cabinet, Study study, Session session) {
    this.body = body;
    this.cabinet = cabinet;
    this.study = study;
    this.session = session;
  }

  Node node() {
    var left =
        field(
            "From the left",
            Length.ofMillimetres(body.box().left()),
            value -> place(body.at().movedTo(body.surface(), value, body.at().top())));
    var top =
        field(
            "From the top",
            Length.ofMillimetres(body.box().top()),
            value -> place(body.at().movedTo(body.surface(), body.at().left(), value)));
    var width = size("Width", Length.ofMillimetres(upright()[0]), true);
    var height = size("Height", Length.ofMillimetres(upright()[1]), false);
    var places = new HBox(14, new VBox(4, left, top), new VBox(4, width, height));
    var title = new Label(body.name() + " on the " + body.surface().words());
    title.getStyleClass().add("title-small");
    var heat = new Label(warm());
    heat.getStyleClass().add("soft");
    heat.setMinWidth(0);
    return new VBox(6, new HBox(12, title, heat), new HBox(18, places, doing()));
  }

  /// Its width and height before it was turned.
  private double[] upright() {
    return body.at().quarters() % 2 == 1
        ? new double[] {body.box().height(), body.box().width()}
        : new double[] {body.box().width(), body.box().height()};
  }

  private String warm() {
    var air = CabinetAir.of(cabinet, study);
    var watts = air.heat(body.id()).map(h -> h.whole().value().toString()).orElse("0 W");
    return InsideAir.at(body.id(), study)
        .map(at ->
            "gives off %s, stands in %s (up to %s)%s"
                .formatted(
                    watts, at.expected(), at.upper(), body.assumed() ? ", size assumed" : ""))
        .orElse("gives off " + watts);
  }

  private Node doing() {
    var pane = new FlowPane(6, 6);
    pane.setPrefWrapLength(330);
    pane.getChildren()
        .addAll(
            Buttons.of("Turn", "panel-turn", () -> place(body.at().turned())),
            Buttons.of("Onto the rail", "panel-rail", this::rest),
            Buttons.of("Close up the row", "panel-close", () -> row(Snap.closedUp(row()))),
            Buttons.of("Spread the row", "panel-spread", () -> row(Snap.spread(row()))),
            Buttons.of(
                "Take off",
                "panel-off",
                () -> body.device().ifPresent(d -> session.edit(LayoutEdits.takeOff(d)))));
    var holds = new CheckBox("Stays when arranged");
    holds.setId("panel-hold");
    holds.setSelected(body.at().stays());
    holds.setOnAction(_ -> place(body.at().held(holds.isSelected())));
    pane.getChildren().add(holds);
    if (body.fitting().through().isPresent()) {
      var sink = new CheckBox("Heat sink through the wall");
      sink.setId("panel-sink");
      sink.setSelected(body.at().sinkOutside());
      sink.setOnAction(_ -> place(body.at().sinking(sink.isSelected())));
      pane.getChildren().add(sink);
    }
    return pane;
  }

  private void rest() {
    var there = Snap.rest(body, cabinet, Bodies.of(study).in(cabinet));
    place(there.at());
  }

  private List<Body> row() {
    return Snap.row(body, Bodies.of(study).in(cabinet));
  }

  private void row(List<Body> next) {
    session.edit(
        LayoutEdits.place("Move the row of " + body.name(), next.stream().map(Body::at).toList()));
  }

  private boolean place(Placement at) {
    return body.device().map(d -> session.edit(LayoutEdits.place(d, at))).orElse(false);
  }

  private QuantityField<Length> field(
      String name, Length now, java.util.function.Predicate<Length> take) {
    var field =
        new QuantityField<Length>(name, "", Kind.LENGTH::read, CabinetCard.careful(session, take));
    field.show(CabinetCard.millimetres(now));
    field.setId("panel-" + name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
    return field;
  }

  private QuantityField<Length> size(String name, Length now, boolean wide) {
    return field(
        name,
        now,
        value ->
            body.device()
                .map(device ->
                    session.edit(
                        LayoutEdits.measure(
                            device,
                            Optional.of(
                                new Measured(
                                    device.id(),
                                    wide ? value : Length.ofMillimetres(upright()[0]),
                                    wide ? Length.ofMillimetres(upright()[1]) : value,
                                    body.depth().map(Length::ofMillimetres))))))
                .orElse(false));
  }
}
