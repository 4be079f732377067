package nelvar.desktop.app;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/// The threads beside the interface's own: one reviews, one writes, one sets pages. All end with
/// the program.
public record Workers(ExecutorService reviewing, ExecutorService writing, ExecutorService pages) {
  public static Workers start() {
    return new Workers(one("review"), one("journal"), one("pages"));
  }

  private static ExecutorService one(String name) {
    return Executors.newSingleThreadExecutor(
        task -> Thread.ofPlatform().name("nelvar-" + name).daemon(true).unstarted(task));
  }
}
