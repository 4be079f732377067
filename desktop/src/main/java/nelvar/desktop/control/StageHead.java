package nelvar.desktop.control;

import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/// The line above a stage: its name, what there is to say in a few words, what can be done. Where
/// room is short the words give way, never a button.
public final class StageHead extends HBox {
  public StageHead(String name, Label words, Node... doing) {
    getStyleClass().add("stage-head");
    var title = new Label(name);
    title.getStyleClass().add("title");
    title.setMinWidth(USE_PREF_SIZE);
    words.getStyleClass().add("soft");
    words.setMinWidth(0);
    var space = new Region();
    setHgrow(space, Priority.ALWAYS);
    getChildren().addAll(title, words, space);
    for (var node : doing) {
      whole(node);
      getChildren().add(node);
    }
  }

  private static void whole(Node node) {
    switch (node) {
      case ButtonBase button -> button.setMinWidth(USE_PREF_SIZE);
      case HBox box -> {
        box.setMinWidth(USE_PREF_SIZE);
        box.getChildren().forEach(StageHead::whole);
      }
      default -> {}
    }
  }
}
