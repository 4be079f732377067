package nelvar.benchmarks;

import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.shock.Touch;
import nelvar.core.analysis.stop.Courses;
import nelvar.core.analysis.stop.Scenario;
import nelvar.core.analysis.stop.StopMatrix;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.Splice;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.sample.NewProject;
import nelvar.core.units.Duration;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/// Rehearsals of stops. Asked: one of the first demo under 100 ms; of a panel of 1,000 devices the
/// first within 1 s, all within 30 s.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class StopBenchmark {
  private static final int LOADS = 620;
  private static final Duration LOOKED_AT = new Duration(60);

  private Project demo = Project.empty("x", "", NewProject.usualBrief());
  private Project large = demo;
  private Study ofDemo = Study.of(demo, CatalogueFile.standard());
  private Study ofLarge = ofDemo;

  @Setup
  public void make() throws Exception {
    demo = ProjectFile.at(Path.of("demo/seed-tray-filler/seed-tray-filler.nelvar.json")).open();
    large = GeneratedPanel.of(LOADS, 1);
    // A stop behind the first supply.
    large = stopped(large);
    System.out.println("# " + large.devices().size() + " devices");
  }

  private static Project stopped(Project panel) {
    var next =
        Edits.add(Device.of(new Id("STOP"), "-S999", "stop", "stop-button-2nc", Place.DOOR))
            .apply(panel);
    var wire =
        panel.conductors().stream()
            .filter(c -> c.from().equals(TerminalRef.of("T0:+")))
            .findFirst()
            .orElseThrow();
    return Splice.over(
        next, wire, wire.to().device(), TerminalRef.of("STOP:11"), TerminalRef.of("STOP:12"));
  }

  @Setup(Level.Invocation)
  public void fresh() {
    ofDemo = Study.of(demo, CatalogueFile.standard());
    ofDemo.asDesigned();
    ofLarge = Study.of(large, CatalogueFile.standard());
    ofLarge.asDesigned();
  }

  private static int rehearsed(Study study) {
    var act = Scenario.first(study).orElseThrow();
    var rehearsal = StopRehearsal.of(act.at(new Duration(0)), LOOKED_AT, study);
    return Courses.of(rehearsal, study).size();
  }

  @Benchmark
  public int demoOneStop() {
    return rehearsed(ofDemo);
  }

  @Benchmark
  public int thousandDevicesFirstStop() {
    return rehearsed(ofLarge);
  }

  @Benchmark
  public int thousandDevicesEveryStop() {
    return StopMatrix.of(ofLarge, () -> false, _ -> {}).columns().size();
  }

  @Benchmark
  public int demoTouch() {
    return Touch.all(ofDemo).size();
  }
}
