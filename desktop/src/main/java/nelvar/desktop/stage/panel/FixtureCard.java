package nelvar.desktop.stage.panel;

import java.util.ArrayList;
import java.util.Optional;
import java.util.function.Predicate;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Fixture;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.desktop.control.QuantityField;
import nelvar.desktop.session.Session;

/// The rail or the duct that is selected: where it lies, how long it is, what lies in it.
final class FixtureCard {
  private final Fixture fixture;
  private final Study study;
  private final Session session;

  FixtureCard(Fixture fixture, Study study, Session session) {
    this.fixture = fixture;
    this.study = study;
    this.session = session;
  }

  Node node() {
    var box = fixture.box();
    var title = new Label(fixture.name() + " on the " + fixture.surface().words());
    title.getStyleClass().add("title-small");
    var says = new Label(carries());
    says.getStyleClass().add("soft");
    var places =
        new VBox(
            4,
            field(
                "From the left",
                Length.ofMillimetres(box.left()),
                v -> moved(mm(v) - box.left(), 0)),
            field(
                "From the top", Length.ofMillimetres(box.top()), v -> moved(0, mm(v) - box.top())));
    var sizes =
        new VBox(
            4,
            field(
                "Length",
                Length.ofMillimetres(fixture.upright() ? box.height() : box.width()),
                v -> session.edit(fixture.sized(v))));
    var row = new HBox(18, places, sizes);
    fixture.cabinet().duct(fixture.id()).ifPresent(duct -> of(duct, sizes, row));
    var remove =
        Buttons.of(
            "Remove " + fixture.name(), "panel-remove", () -> session.edit(fixture.removed()));
    var head = new HBox(12, title, says, remove);
    head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return new VBox(6, head, row);
  }

  private void of(Cabinet.Duct duct, VBox sizes, HBox row) {
    var all = new ArrayList<Optional<Id>>();
    all.add(Optional.empty());
    study.project().bundles().forEach(bundle -> all.add(Optional.of(bundle.id())));
    sizes
        .getChildren()
        .add(field("Face", duct.width(), v -> session.edit(fixture.section(v, duct.depth()))));
    var holds =
        CabinetCard.choice(
            "Holds",
            "duct-bundle",
            all,
            duct.bundle(),
            id -> id.map(this::name).orElse("nothing said"),
            next -> session.edit(fixture.holding(next)));
    var kept = new ArrayList<Optional<Bundle.Only>>();
    kept.add(Optional.empty());
    for (var only : Bundle.Only.values()) kept.add(Optional.of(only));
    var only =
        CabinetCard.choice(
            "Kept for",
            "duct-only",
            kept,
            duct.only(),
            it -> it.map(Bundle.Only::words).orElse("anything"),
            next -> session.edit(RunEdits.keep(fixture.cabinet(), duct, next)));
    row.getChildren()
        .add(
            new VBox(
                4,
                field("Depth", duct.depth(), v -> session.edit(fixture.section(duct.width(), v))),
                holds));
    row.getChildren().add(new VBox(4, only));
  }

  private String name(Id bundle) {
    return study.project().bundles().stream()
        .filter(b -> b.id().equals(bundle))
        .findFirst()
        .map(b -> b.name().isBlank() ? b.id().text() : b.name())
        .orElse(bundle.text());
  }

  private String carries() {
    var count = fixture.carries(study).size();
    return !fixture.rail()
        ? "drag it, or Alt with the arrow keys"
        : count == 0
            ? "nothing is clipped on it"
            : count == 1 ? "one part goes along with it" : count + " parts go along with it";
  }

  private boolean moved(double across, double down) {
    return session.edit(fixture.movedBy(across, down).moved(study));
  }

  private static double mm(Length length) {
    return nelvar.core.analysis.space.Box.mm(length);
  }

  private QuantityField<Length> field(String name, Length now, Predicate<Length> take) {
    var field =
        new QuantityField<Length>(name, "", Kind.LENGTH::read, CabinetCard.careful(session, take));
    field.show(CabinetCard.millimetres(now));
    field.setId("fixture-" + name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
    return field;
  }
}
