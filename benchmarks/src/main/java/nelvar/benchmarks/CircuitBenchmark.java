package nelvar.benchmarks;

import java.util.concurrent.TimeUnit;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Project;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.sample.NewProject;
import nelvar.documents.drawing.CircuitPicture;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/// All circuit sheets of a machine laid out and drawn. Asked: the sheet of a selection under 150 ms
/// (it takes the layout of all), demo A under 1 s, 1,000 devices under 20 s.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class CircuitBenchmark {
  /// Loads of the generated panel: 620 make about 1,000 devices.
  @Param({"50", "620"})
  public int loads;

  private Project project = Project.empty("x", "", NewProject.usualBrief());

  @Setup
  public void make() {
    project = GeneratedPanel.of(loads, 1);
  }

  /// From the project: study, layout.
  @Benchmark
  public int layout() {
    return CircuitSheets.of(study(), SheetFormat.A4).sheets().size();
  }

  /// The same with every sheet drawn.
  @Benchmark
  public int drawn() {
    return CircuitPicture.all(study(), SheetFormat.A4).size();
  }

  private Study study() {
    return Study.of(project, CatalogueFile.standard());
  }
}
