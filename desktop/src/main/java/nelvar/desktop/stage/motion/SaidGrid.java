package nelvar.desktop.stage.motion;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import nelvar.core.analysis.motion.Sayable;
import nelvar.core.model.Device;
import nelvar.core.model.edit.PinEdits;
import nelvar.desktop.session.Session;

/// What else can be said of an axis or a drive: a field for each with an example, and a free one
/// for what papers say of a value and what a settings text calls it.
final class SaidGrid {
  private final List<Sayable> all;
  private final Session session;

  SaidGrid(List<Sayable> all, Session session) {
    this.all = List.copyOf(all);
    this.session = session;
  }

  Node node() {
    var grid = new GridPane(10, 4);
    var n = 0;
    for (var one : all) {
      var where = new Label(one.device().designation().text());
      where.getStyleClass().addAll("mono", "soft");
      var name = new Label(one.name());
      name.setMinWidth(Region.USE_PREF_SIZE);
      var field = new TextField(one.said(session.project()).orElse(""));
      field.setId("say-" + n);
      field.setPromptText(one.example());
      field.setAccessibleText("%s of %s".formatted(one.name(), one.device().designation()));
      field.setOnAction(_ -> session.edit(PinEdits.say(one.device(), one.name(), field.getText())));
      grid.addRow(n++, where, name, field);
    }
    grid.add(free(), 0, n, 3, 1);
    var scroll = new ScrollPane(grid);
    scroll.getStyleClass().add("bare");
    scroll.setFitToWidth(true);
    scroll.setPrefViewportHeight(168);
    scroll.setMinHeight(100);
    var box = new VBox(6, scroll);
    box.setMinWidth(0);
    HBox.setHgrow(box, Priority.ALWAYS);
    return box;
  }

  /// Any other name: `Microsteps by manual p. 12`, `Key Run source`.
  private Node free() {
    var device = new ChoiceBox<Device>();
    device.setId("say-device");
    device.setAccessibleText("Of which device");
    device.getItems().setAll(Sayable.devices(all));
    device.getSelectionModel().selectFirst();
    device.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(Device shown) {
            return shown == null ? "" : shown.designation().text();
          }

          @Override
          public Device fromString(String text) {
            return device.getValue();
          }
        });
    var name = new TextField();
    name.setId("say-name");
    name.setPromptText("Microsteps by manual p. 12");
    name.setPrefColumnCount(15);
    name.setAccessibleText("What is said, such as Microsteps by manual p. 12");
    var value = new TextField();
    value.setId("say-value");
    value.setPromptText("16");
    value.setPrefColumnCount(7);
    value.setAccessibleText("Its value; Enter keeps it");
    name.setOnAction(_ -> value.requestFocus());
    value.setOnAction(_ -> {
      if (!name.getText().isBlank())
        session.edit(PinEdits.say(device.getValue(), name.getText().strip(), value.getText()));
    });
    return new HBox(8, device, name, value);
  }
}
