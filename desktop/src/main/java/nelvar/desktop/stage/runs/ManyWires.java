package nelvar.desktop.stage.runs;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.util.StringConverter;
import nelvar.core.catalogue.CableStock;
import nelvar.core.model.Bundle;
import nelvar.core.model.Id;
import nelvar.core.model.edit.CableEdits;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Kind;
import nelvar.core.units.Reading;
import nelvar.desktop.session.Session;
import org.jspecify.annotations.Nullable;

/// One change for all wires that are selected: section, colour, where they lie. There while more
/// than one is.
final class ManyWires extends HBox {
  /// More to choose from help nobody.
  private static final int MOST = 30;

  private final Label count = new Label();
  private final TextField section = field("many-section", "1.5 mm²", "Section of all of them");
  private final TextField colour = field("many-colour", "colour", "Colour of all of them");
  private final ChoiceBox<Bundle> lying = new ChoiceBox<>();
  private final ChoiceBox<CableStock> cable = new ChoiceBox<>();
  private Optional<Session> session = Optional.empty();
  private Set<Id> wires = Set.of();
  private boolean showing;

  ManyWires() {
    super(10);
    setAlignment(Pos.CENTER_LEFT);
    setPadding(new Insets(0, 18, 8, 18));
    count.getStyleClass().add("strong");
    count.setMinWidth(Region.USE_PREF_SIZE);
    lying.setId("many-bundle");
    lying.setAccessibleText("Where all of them lie");
    lying.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(@Nullable Bundle bundle) {
            return bundle == null ? "lay in …" : bundle.name();
          }

          @Override
          public @Nullable Bundle fromString(String text) {
            return null;
          }
        });
    lying
        .valueProperty()
        .addListener((_, _, bundle) -> {
          if (!showing && bundle != null)
            session.ifPresent(s -> s.edit(Edits.bundle(wires, bundle)));
        });
    cable.setId("many-cable");
    cable.setAccessibleText("One cable of all of them");
    cable.setPrefWidth(150);
    cable.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(@Nullable CableStock stock) {
            return stock == null ? "one cable …" : stock.name();
          }

          @Override
          public @Nullable CableStock fromString(String text) {
            return null;
          }
        });
    cable
        .valueProperty()
        .addListener((_, _, stock) -> {
          if (!showing && stock != null)
            session.ifPresent(s -> s.edit(CableEdits.join(wires, stock)));
        });
    section.setOnAction(_ -> section());
    colour.setOnAction(_ -> colour());
    var apply = new Button("Change them");
    apply.setId("many-apply");
    apply.setMinWidth(Region.USE_PREF_SIZE);
    apply.setOnAction(_ -> {
      section();
      colour();
    });
    getChildren().addAll(count, section, colour, lying, cable, apply);
    setVisible(false);
    managedProperty().bind(visibleProperty());
  }

  private static TextField field(String id, String prompt, String says) {
    var field = new TextField();
    field.setId(id);
    field.setPromptText(prompt);
    field.setAccessibleText(says);
    field.setPrefColumnCount(8);
    return field;
  }

  void show(Session next, List<RunRow> selected) {
    session = Optional.of(next);
    var ids = new LinkedHashSet<Id>();
    for (var row : selected) ids.add(row.conductor().id());
    wires = ids;
    setVisible(ids.size() > 1);
    if (ids.size() < 2) return;
    showing = true;
    count.setText(ids.size() + " wires");
    if (!lying.getItems().equals(next.project().bundles()))
      lying.getItems().setAll(next.project().bundles());
    lying.setValue(null);
    cable
        .getItems()
        .setAll(
            CableEdits.fitting(selected.stream().map(RunRow::conductor).toList(), next.catalogue())
                .stream()
                .limit(MOST)
                .toList());
    cable.setValue(null);
    showing = false;
  }

  private void section() {
    var text = section.getText().strip();
    if (text.isEmpty() || session.isEmpty()) return;
    switch (Kind.CROSS_SECTION.read(text)) {
      case Reading.Misread<CrossSection>(var why) -> session.get().tell(why);
      case Reading.Value<CrossSection>(var value) -> {
        if (session
            .get()
            .edit(Edits.section(wires.size() + " wires", wires, value, session.get().catalogue())))
          section.clear();
      }
    }
  }

  private void colour() {
    var text = colour.getText().strip();
    if (text.isEmpty() || session.isEmpty()) return;
    if (session.get().edit(Edits.colour(wires, text))) colour.clear();
  }
}
