package nelvar.benchmarks;

import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.review.Review;
import nelvar.core.sample.GeneratedPanel;

/// Opens and reviews the generated panel once, in a fresh JVM, as a person would; prints time and
/// memory.
public final class ColdOpen {
  private ColdOpen() {}

  public static void main(String[] arguments) throws Exception {
    var folder = Files.createTempDirectory("nelvar-bench");
    var file = ProjectFile.at(folder.resolve("large.nelvar.json"));
    if (arguments.length > 0) file = ProjectFile.at(Path.of(arguments[0]));
    else file.save(GeneratedPanel.of(600, 1));
    var begin = System.nanoTime();
    var project = file.open();
    var opened = System.nanoTime();
    var review = Review.of(project, CatalogueFile.standard());
    var done = System.nanoTime();
    System.gc();
    var heap = ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed() >> 20;
    System.out.printf(
        "cold: %d devices, %d conductors, %d verdicts: open %d ms, review %d ms, together %d ms; heap in use after it %d MB (limit set: %d MB)%n",
        project.devices().size(),
        project.conductors().size(),
        review.entries().size(),
        (opened - begin) / 1_000_000,
        (done - opened) / 1_000_000,
        (done - begin) / 1_000_000,
        heap,
        Runtime.getRuntime().maxMemory() >> 20);
  }
}
