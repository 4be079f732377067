package nelvar.desktop.control;

import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/// Labels as the side sheet has them.
final class Labels {
  private Labels() {}

  static Label section(String text) {
    var label = new Label(text);
    label.getStyleClass().add("section-title");
    return label;
  }

  /// As high as its lines need.
  static Label wrapped(String text, String... styles) {
    var label = new Label(text);
    label.getStyleClass().add("wrapping");
    label.getStyleClass().addAll(styles);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }
}
