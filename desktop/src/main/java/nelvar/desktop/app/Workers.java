package nelvar.desktop.app;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;

/// The threads beside the interface's own: one reviews, one writes, one sets pages. All end with
/// the program.
public record Workers(ExecutorService reviewing, ExecutorService writing, ExecutorService pages) {
  public static Workers start() {
    return new Workers(one("review"), one("journal"), one("pages"));
  }

  /// Waits a few seconds for what is being written: the program was told to end.
  void finishWriting() {
    writing.shutdown();
    try {
      if (!writing.awaitTermination(10, TimeUnit.SECONDS)) writing.shutdownNow();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static ExecutorService one(String name) {
    return Executors.newSingleThreadExecutor(
        task -> Thread.ofPlatform().name("nelvar-" + name).daemon(true).unstarted(task));
  }
}
