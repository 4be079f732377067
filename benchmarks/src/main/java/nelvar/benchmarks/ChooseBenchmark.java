package nelvar.benchmarks;

import java.util.Map;
import java.util.concurrent.TimeUnit;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.choice.Choosing;
import nelvar.core.analysis.choice.Goal;
import nelvar.core.analysis.choice.Proposal;
import nelvar.core.calc.Calculator;
import nelvar.core.calc.Calculators;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Project;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.trail.Computed;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/// Choosing devices and wires for a large panel (aim: 500 feeds under 1 s), and one quick
/// calculation with its working in words (aim: 50 ms).
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ChooseBenchmark {
  private static final Map<String, String> DROP =
      Map.of("S", "0.75 mm²", "l", "12 m", "I", "3 A", "Un", "24 V");

  private final Project panel = GeneratedPanel.of(500, 1);
  private final Calculator drop = Calculators.named("voltage-drop").orElseThrow();

  @Benchmark
  public Proposal chooseFor500Feeds() {
    return Choosing.all(Study.of(panel, CatalogueFile.standard()), Goal.LEAST_COST);
  }

  @Benchmark
  public Proposal chooseFewestKindsFor500Feeds() {
    return Choosing.all(Study.of(panel, CatalogueFile.standard()), Goal.FEWEST_KINDS);
  }

  @Benchmark
  public String aQuickCalculation() {
    return drop.answer(DROP) instanceof Computed.Known<?>(var explained)
        ? explained.trail().text()
        : "";
  }
}
