package nelvar.desktop.app;

import java.io.IOException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.Consumer;
import javafx.application.Platform;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.file.UnreadableFile;
import nelvar.core.review.Review;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Faces;

/// The demo machine as shipped, read and reviewed; begun beside the start of the window where it
/// will be wanted.
final class DemoMachine {
  private static final String DEMO = "/nelvar/demo/seed-tray-filler/seed-tray-filler.nelvar.json";
  private static final String SECOND = "/nelvar/demo/bottle-rinser/bottle-rinser.nelvar.json";
  private static final String THIRD = "/nelvar/demo/glaze-sprayer/glaze-sprayer.nelvar.json";

  /// Read once, when first asked for.
  private static final class Once {
    static final CompletableFuture<Review> REVIEW = CompletableFuture.supplyAsync(() -> read(DEMO));
  }

  private DemoMachine() {}

  /// Begins what a window needs and that does not need the window: faces, catalogue, and the demo
  /// where it is asked for.
  static void warmUp(boolean demo) {
    Thread.ofPlatform().daemon(true).start(() -> Faces.width("Nelvar", Face.TEXT, 14));
    if (demo) Once.REVIEW.isDone();
    else Thread.ofPlatform().daemon(true).start(CatalogueFile::standard);
  }

  /// @throws IllegalStateException with a message for the person
  static Review reviewed() {
    try {
      return Once.REVIEW.join();
    } catch (CompletionException e) {
      throw new IllegalStateException(
          e.getCause() == null ? "the demo cannot be read" : e.getCause().getMessage(), e);
    }
  }

  /// Hands the demo over on the interface thread once it has been read; not at all where it cannot
  /// be.
  static void whenRead(Consumer<Review> take) {
    var _ = Once.REVIEW.thenAccept(review -> Platform.runLater(() -> take.accept(review)));
  }

  /// The North American machine.
  ///
  /// @throws IllegalStateException with a message for the person
  static Review second() {
    return read(SECOND);
  }

  /// The potter's machine of three small boards.
  ///
  /// @throws IllegalStateException with a message for the person
  static Review third() {
    return read(THIRD);
  }

  private static Review read(String resource) {
    try (var in = DemoMachine.class.getResourceAsStream(resource)) {
      if (in == null) throw new IllegalStateException("the demo is missing from this build");
      return Review.of(
          ProjectFormat.read("demo", in.readAllBytes(), CatalogueFile.standard()),
          CatalogueFile.standard());
    } catch (IOException | UnreadableFile e) {
      throw new IllegalStateException(e.getMessage(), e);
    }
  }
}
