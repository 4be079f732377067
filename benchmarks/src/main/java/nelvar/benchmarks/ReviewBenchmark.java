package nelvar.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.units.CrossSection;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.River;
import nelvar.documents.export.PackFiles;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/// From an edit to fresh verdicts, from a large file to its review, and the pictures in between.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ReviewBenchmark {
  private Project demo = GeneratedPanel.of(1, 1);
  private byte[] large = {};
  private Review reviewed = Review.of(demo, CatalogueFile.standard());
  private Review largeReviewed = reviewed;
  private boolean thick;

  @Setup
  public void load() throws IOException, UnreadableFile {
    var file =
        Path.of(
            System.getProperty(
                "nelvar.demo", "demo/seed-tray-filler/seed-tray-filler.nelvar.json"));
    demo = ProjectFormat.read("demo", Files.readAllBytes(file), CatalogueFile.standard());
    large = ProjectFormat.write(GeneratedPanel.of(600, 1));
    reviewed = Review.of(demo, CatalogueFile.standard());
    largeReviewed = openAndReviewLargePanel();
  }

  @Benchmark
  public Review editToFreshVerdictsOnTheDemo() {
    thick = !thick;
    var edited =
        Edits.section(
                "W32",
                Set.of(new Id("W32")),
                new CrossSection(thick ? 2.5 : 1),
                CatalogueFile.standard())
            .apply(demo);
    return Review.of(edited, CatalogueFile.standard());
  }

  /// About 1,000 devices and 10,000 conductors, from bytes to verdicts.
  @Benchmark
  public Review openAndReviewLargePanel() throws UnreadableFile {
    return Review.of(
        ProjectFormat.read("large", large, CatalogueFile.standard()), CatalogueFile.standard());
  }

  @Benchmark
  public Drawing riverOfTheDemo() {
    return River.of(reviewed, new River.View(false, false, Optional.empty()));
  }

  @Benchmark
  public Drawing riverOfTheLargePanel() {
    return River.of(largeReviewed, new River.View(false, false, Optional.empty()));
  }

  @Benchmark
  public byte[] packOfTheDemo() {
    return PackFiles.pdf(reviewed);
  }
}
