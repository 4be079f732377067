package nelvar.desktop.stage.panel;

import javafx.scene.control.Button;

/// Buttons of the cards below the plate: never cut short.
final class Buttons {
  private Buttons() {}

  static Button of(String text, String id, Runnable action) {
    var button = new Button(text);
    button.setId(id);
    button.setMinWidth(Button.USE_PREF_SIZE);
    button.setOnAction(_ -> action.run());
    return button;
  }
}
