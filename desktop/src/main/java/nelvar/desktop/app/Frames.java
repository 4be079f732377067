package nelvar.desktop.app;

import java.util.Arrays;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;
import nelvar.core.file.CatalogueFile;
import nelvar.core.review.Review;
import nelvar.core.sample.GeneratedPanel;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.River;

/// For the benchmark: pans the river of the large generated panel by one step a frame and prints
/// the time from frame to frame, which the toolkit holds at 17 ms or more.
public final class Frames extends Application {
  private static final int WARM = 60;
  private static final int FRAMES = 240;

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
    measure(
        pane,
        "whole width",
        () -> {
          pane.zoom(0.1, 400, 300);
          measure(pane, "zoomed out, everything in view", Platform::exit);
        });
  }

  private static void measure(DrawingPane pane, String what, Runnable then) {
    new AnimationTimer() {
      private final double[] times = new double[WARM + FRAMES];
      private int frame;
      private long before;

      @Override
      public void handle(long now) {
        var here = System.nanoTime();
        if (before != 0) times[frame++] = (here - before) / 1e6;
        before = here;
        if (frame == times.length) {
          stop();
          print(what, Arrays.copyOfRange(times, WARM, times.length));
          Platform.runLater(then);
          return;
        }
        pane.pan(0, frame / 120 % 2 == 0 ? -37 : 37);
      }
    }.start();
  }

  private static void print(String what, double[] times) {
    Arrays.sort(times);
    System.out.printf(
        "panning the river of 600 loads, %s: median %.1f ms, 95th of a hundred %.1f ms from frame to frame%n",
        what, times[times.length / 2], times[times.length * 95 / 100]);
  }
}
