package nelvar.desktop.app;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.River;

/// What is seen without a project: what this is, the demo one click away, and the projects worked
/// on before.
final class Welcome extends HBox {
  Welcome(
      List<Path> recent,
      Runnable demo,
      Runnable fresh,
      Runnable open,
      Consumer<Path> openRecent,
      String problem,
      Theme theme) {
    super(48);
    getStyleClass().add("stage");
    setAlignment(Pos.CENTER);
    var column = new VBox(14);
    column.setPrefWidth(430);
    column.setMinWidth(330);
    column.setAlignment(Pos.CENTER_LEFT);
    setPadding(new Insets(40));
    var brand = new Label("nelvar");
    brand.getStyleClass().add("brand");
    brand.setStyle("-fx-font-size: 40px;");
    var dot = new Label(".");
    dot.getStyleClass().add("brand-dot");
    dot.setStyle("-fx-font-size: 40px;");
    var what =
        new Label(
            "The electrical panel of your machine: computed from one model, judged with reasons, printed with its working.");
    what.getStyleClass().addAll("wrapping");
    column.getChildren().addAll(new HBox(brand, dot), what);
    if (!problem.isEmpty()) {
      var note = new Label(problem);
      note.getStyleClass().addAll("wrapping", "caution");
      note.setId("open-problem");
      note.setMinHeight(USE_PREF_SIZE);
      column.getChildren().add(note);
    }
    var first = button("Open the demo machine", demo);
    first.getStyleClass().add("primary");
    first.setId("welcome-demo");
    column
        .getChildren()
        .add(
            new HBox(
                10, first, button("Begin a new project", fresh), button("Open a project…", open)));
    if (!recent.isEmpty()) {
      var title = new Label("Worked on before");
      title.getStyleClass().add("section-title");
      column.getChildren().add(title);
      for (var path : recent) {
        var button =
            button(path.getFileName() + "   in " + path.getParent(), () -> openRecent.accept(path));
        button.getStyleClass().add("link");
        column.getChildren().add(button);
      }
    }
    var caution =
        new Label(
            "Nelvar computes and reminds; it claims no compliance. Local codes and a licensed electrician decide.");
    caution.getStyleClass().addAll("soft", "wrapping");
    column.getChildren().add(caution);
    getChildren().addAll(column, picture(demo, theme));
  }

  /// The demo as it will look, drawn when it has been read; a click opens it.
  private static VBox picture(Runnable demo, Theme theme) {
    var pane = new DrawingPane("The demo machine, a seed-tray filler", true);
    pane.setFocusTraversable(false);
    pane.setMouseTransparent(true);
    pane.setPrefSize(640, 500);
    var caption =
        new Label(
            "The demo: the feeds of a seed-tray filler, with honest mistakes left in to find.");
    caption.getStyleClass().add("soft");
    var card = new VBox(pane, caption);
    card.getStyleClass().add("card");
    card.setMaxHeight(USE_PREF_SIZE);
    card.setOnMouseClicked(_ -> demo.run());
    HBox.setHgrow(card, Priority.SOMETIMES);
    VBox.setVgrow(pane, Priority.ALWAYS);
    DemoMachine.whenRead(review ->
        pane.show(River.of(review, new River.View(false, false, Optional.empty())), theme));
    return card;
  }

  private static Button button(String text, Runnable action) {
    var button = new Button(text);
    button.setOnAction(_ -> action.run());
    return button;
  }
}
