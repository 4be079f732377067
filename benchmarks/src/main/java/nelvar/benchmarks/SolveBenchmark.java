package nelvar.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Id;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Engine;
import nelvar.core.network.Live;
import nelvar.core.network.Network;
import nelvar.core.network.WhatIf;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.units.Temperature;
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

/// The engine: from a network to volts and amperes everywhere.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class SolveBenchmark {
  private static final Conditions USUAL = new Conditions(new Temperature(45), 1);

  private Network demo = network(60);
  private final Network thousand = network(60);
  private final Network tenThousand = network(600);
  private final Network thirtyThousand = network(1818);
  private Engine demoEngine = Engine.of(demo);
  private boolean pressed;

  static Network network(int loads) {
    return Network.of(GeneratedPanel.of(loads, 1), CatalogueFile.standard());
  }

  @Setup
  public void load() throws IOException, UnreadableFile {
    var file =
        Path.of(
            System.getProperty(
                "nelvar.demo", "demo/seed-tray-filler/seed-tray-filler.nelvar.json"));
    demo =
        Network.of(
            ProjectFormat.read("demo", Files.readAllBytes(file), CatalogueFile.standard()),
            CatalogueFile.standard());
    demoEngine = Engine.of(demo);
  }

  /// From its wiring, nothing kept from before.
  @Benchmark
  public Live demoFromItsWiring() {
    return Engine.of(demo).solve(WhatIf.AS_DESIGNED, USUAL);
  }

  /// A stop pressed, then let go: contacts follow their coils each time.
  @Benchmark
  public Live demoWithASwitchChanged() {
    pressed = !pressed;
    var stop = new ActuatorRef(new Id("S1"), "pressed");
    return demoEngine.solve(WhatIf.AS_DESIGNED.holding(stop, pressed), USUAL);
  }

  @Benchmark
  public Live panelOf1000Conductors() {
    return Engine.of(thousand).solve(WhatIf.AS_DESIGNED, USUAL);
  }

  @Benchmark
  public Live panelOf10000Conductors() {
    return Engine.of(tenThousand).solve(WhatIf.AS_DESIGNED, USUAL);
  }

  @Benchmark
  public Live panelOf30000Conductors() {
    return Engine.of(thirtyThousand).solve(WhatIf.AS_DESIGNED, USUAL);
  }
}
