package nelvar.desktop.app;

import java.util.Arrays;
import java.util.Optional;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.SnapshotParameters;
import javafx.stage.Stage;
import nelvar.core.file.CatalogueFile;
import nelvar.core.review.Review;
import nelvar.core.sample.GeneratedPanel;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.River;

/// For the benchmark: pans the river of the large generated panel and prints how long a frame
/// takes, painting included.
public final class Frames extends Application {
  private static final int FRAMES = 120;

  public static void main(String[] arguments) {
    launch(Frames.class, arguments);
  }

  @Override
  public void start(Stage stage) {
    var review = Review.of(GeneratedPanel.of(600, 1), CatalogueFile.standard());
    var pane = new DrawingPane("river", true);
    stage.setScene(new Scene(pane, 830, 600));
    stage.show();
    pane.show(River.of(review, new River.View(false, false, Optional.empty())), Theme.LIGHT);
    Platform.runLater(() -> {
      print("whole width", measure(pane));
      pane.zoom(0.1, 400, 300);
      print("zoomed out, everything in view", measure(pane));
      Platform.exit();
    });
  }

  private static double[] measure(DrawingPane pane) {
    var times = new double[FRAMES];
    for (var frame = 0; frame < FRAMES; frame++) {
      var begin = System.nanoTime();
      pane.pan(0, frame % 20 < 10 ? -37 : 37);
      pane.snapshot(new SnapshotParameters(), null);
      times[frame] = (System.nanoTime() - begin) / 1e6;
    }
    return Arrays.copyOfRange(times, 20, FRAMES);
  }

  private static void print(String what, double[] times) {
    Arrays.sort(times);
    System.out.printf(
        "panning the river of 600 loads, %s: median %.1f ms, 95th of a hundred %.1f ms a frame%n",
        what, times[times.length / 2], times[times.length * 95 / 100]);
  }
}
