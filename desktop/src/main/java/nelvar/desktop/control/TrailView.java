package nelvar.desktop.control;

import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import nelvar.core.trail.Trail;
import nelvar.documents.content.Sheets;

/// A working as it is read: each formula with its numbers, below it where it comes from.
public final class TrailView extends VBox {
  public TrailView(Trail trail) {
    getStyleClass().add("working");
    for (var line : trail.lines()) {
      var parts = Sheets.parts(line);
      var box = new VBox(new Label(parts.formula()));
      box.getChildren().getFirst().getStyleClass().add("formula");
      if (!parts.origin().isEmpty()) {
        var origin = new Label(parts.origin());
        origin.getStyleClass().add("origin");
        if (!parts.holds()) origin.getStyleClass().add("broken");
        box.getChildren().add(origin);
      }
      if (!parts.holds()) box.getChildren().getFirst().getStyleClass().add("broken");
      getChildren().add(box);
    }
    if (trail.lines().isEmpty()) getChildren().add(new Label("Nothing was computed for this."));
  }
}
