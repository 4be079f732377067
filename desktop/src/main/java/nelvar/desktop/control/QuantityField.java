package nelvar.desktop.control;

import java.util.function.Function;
import java.util.function.Predicate;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nelvar.core.units.Reading;

/// A named field that reads what people write. Wrong input keeps the text and says, beside the
/// field, what would be right.
///
/// Taken over with Enter or on leaving; Escape puts the old value back.
public final class QuantityField<Q> extends VBox {
  private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");

  private final TextField field = new TextField();
  private final Label label;
  private final Label note = new Label();
  private final Function<String, Reading<Q>> read;
  private final Predicate<Q> take;
  private String shown = "";

  /// @param take applies the value; false when it was refused
  public QuantityField(
      String name, String unit, Function<String, Reading<Q>> read, Predicate<Q> take) {
    super(2);
    this.read = read;
    this.take = take;
    label = new Label(name);
    label.setLabelFor(field);
    nameWide(104);
    label.setWrapText(true);
    label.setMinHeight(USE_PREF_SIZE);
    field.setAccessibleText(name);
    field.setPrefColumnCount(9);
    field.setId("field-" + name.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-"));
    var units = new Label(unit);
    units.getStyleClass().add("unit");
    units.setMinWidth(USE_PREF_SIZE);
    var row = unit.isEmpty() ? new HBox(8, label, field) : new HBox(8, label, field, units);
    row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    HBox.setHgrow(field, Priority.ALWAYS);
    note.getStyleClass().add("wrong-note");
    note.setVisible(false);
    note.setManaged(false);
    getChildren().addAll(row, note);
    field.setOnAction(_ -> takeOver());
    field
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) takeOver();
        });
    Typing.in(
        field,
        () -> {
          takeOver();
          return note.getText().isEmpty()
              ? java.util.Optional.empty()
              : java.util.Optional.of("'" + name + "': " + note.getText());
        });
    field.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ESCAPE) {
        show(shown);
        e.consume();
      }
    });
  }

  public void show(String value) {
    shown = value;
    field.setText(value);
    wrong("");
  }

  /// Otherwise called, where what it asks depends on another field.
  public void name(String name) {
    label.setText(name);
    field.setAccessibleText(name);
  }

  /// So much room for its name, px; longer ones wrap.
  public void nameWide(double width) {
    label.setMinWidth(width);
    label.setPrefWidth(width);
    label.setMaxWidth(width);
  }

  public TextField field() {
    return field;
  }

  public String note() {
    return note.getText();
  }

  private void takeOver() {
    var text = field.getText() == null ? "" : field.getText();
    if (text.equals(shown)) {
      wrong("");
      return;
    }
    switch (read.apply(text)) {
      case Reading.Misread<Q>(var message) -> wrong(message);
      case Reading.Value<Q>(var value) -> {
        if (take.test(value)) {
          shown = text;
          wrong("");
        } else {
          wrong("This was refused; see the note at the bottom.");
        }
      }
    }
  }

  private void wrong(String message) {
    field.pseudoClassStateChanged(WRONG, !message.isEmpty());
    note.setText(message);
    note.setVisible(!message.isEmpty());
    note.setManaged(!message.isEmpty());
  }
}
