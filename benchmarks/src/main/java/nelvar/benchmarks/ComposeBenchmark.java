package nelvar.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import nelvar.core.compose.Comparison;
import nelvar.core.compose.Draft;
import nelvar.core.compose.HandWire;
import nelvar.core.compose.Ways;
import nelvar.core.compose.WireText;
import nelvar.core.compose.need.DraftList;
import nelvar.core.compose.need.Need;
import nelvar.core.compose.need.NeedReader;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import nelvar.core.units.Reading;
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

/// From what a machine must do to how it is made: wanted are a draft of 30 functions under 2 s, the
/// ways for one function on the demo under 150 ms, what was typed read under 50 ms, three variants
/// of the demo compared under 300 ms.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 12, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ComposeBenchmark {
  private static final String THIRTY =
      """
      mains 3x400 V
      6 steppers 3 A
      servo 200 W
      motor on a drive 1.5 kW
      motor on a drive 0.37 kW
      motor on the mains 0.75 kW
      spindle 2.2 kW
      pump 24 V 3 A
      pump 0.55 kW
      4 valves 24 V
      6 valves 24 V
      valve 12 V 5 W
      holding brake 24 V 17 W
      heater 24 V 60 W
      heating plate 0.5 kW
      2 work lights
      signal tower
      operator panel
      8 photo eyes
      6 homing sensors
      4 limit switches
      2 transmitters 4-20 mA
      load cell
      counter
      3 stop buttons
      2 guards
      computer
      start button
      signal lamp
      socket
      supply 24 V 2 A
      """;

  private Project thirty = DraftList.read("thirty", THIRTY).project();
  private Optional<Review> demo = Optional.empty();
  private Optional<MachineFunction> valves = Optional.empty();

  @Setup
  public void load() throws IOException, UnreadableFile {
    var file =
        Path.of(
            System.getProperty(
                "nelvar.demo", "demo/seed-tray-filler/seed-tray-filler.nelvar.json"));
    var project = ProjectFormat.read("demo", Files.readAllBytes(file), CatalogueFile.standard());
    demo = Optional.of(Review.findingsOnly(project, CatalogueFile.standard()));
    var need = NeedReader.read("4 valves 24 V on the gantry").orThrow();
    var designation = Draft.designation(project, need.kind());
    valves =
        Optional.of(
            new MachineFunction(
                Draft.id(project, designation),
                designation,
                need.name(),
                need.kind(),
                need.wants()));
  }

  @Benchmark
  public Draft draftOfThirtyFunctions() {
    return Draft.of(thirty, CatalogueFile.standard(), false);
  }

  @Benchmark
  public Ways.Found waysForOneFunctionOnTheDemo() {
    return Ways.of(valves.orElseThrow(), demo.orElseThrow(), CatalogueFile.standard());
  }

  @Benchmark
  public Optional<Comparison> threeVariantsOfTheDemo() {
    return compared("supply-24v-20a", "supply-24v-10a-boost", "supply-24v-10a-adjustable");
  }

  /// A supply of a quarter of what is taken: its limits are found step by step.
  @Benchmark
  public Optional<Comparison> anOverloadedVariantOfTheDemo() {
    return compared("supply-24v-2p5a");
  }

  private Optional<Comparison> compared(String... parts) {
    var review = demo.orElseThrow();
    var supply = review.project().device(new Id("T2")).orElseThrow();
    var variants =
        Stream.of(parts)
            .map(part ->
                new Comparison.Variant(
                    part, Edits.swap(supply, CatalogueFile.standard().find(part).orElseThrow())))
            .toList();
    return Comparison.of(review, variants, CatalogueFile.standard(), () -> false);
  }

  @Benchmark
  public HandWire.Proposed aWireByHandOnTheDemo() {
    var study = demo.orElseThrow().study();
    var ends = WireText.read("T1:+ to X31", study).orThrow();
    return HandWire.of(ends.from(), ends.to(), study, CatalogueFile.standard());
  }

  @Benchmark
  public Reading<Need> whatWasTyped() {
    return NeedReader.read("stepper 4.2 A belt 24 teeth 5 mm gear 3:1 on the gantry");
  }
}
