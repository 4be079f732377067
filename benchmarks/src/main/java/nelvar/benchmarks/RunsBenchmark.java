package nelvar.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Layout;
import nelvar.core.model.Place;
import nelvar.core.model.Placement;
import nelvar.core.model.Project;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.Wiring;
import nelvar.core.sample.NewProject;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/// All wires of a large plate routed anew: terminal strips in rows between ducts, wires from
/// anywhere to anywhere. Asked: 1,000 under 150 ms, 10,000 under 2 s.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class RunsBenchmark {
  @Param({"1000", "10000"})
  public int wires;

  private Project project = Project.empty("x", "", NewProject.usualBrief());
  private Study study = Study.of(project, CatalogueFile.standard());

  @Setup
  public void make() {
    var random = new SplittableRandom(1);
    var rows = 12;
    var columns = Math.max(4, wires / 250);
    var devices = new ArrayList<Device>();
    var placed = new ArrayList<Placement>();
    var ducts = new ArrayList<Cabinet.Duct>();
    var width = 60.0 + columns * 80;
    for (var side : new double[] {0, width - 40})
      ducts.add(duct("V%.0f".formatted(side), side, 0, 200.0 * rows, true));
    for (var r = 0; r < rows; r++) {
      ducts.add(duct("H" + r, 40, 200.0 * r, width - 80, false));
      for (var c = 0; c < columns; c++) {
        var id = new Id("X%d.%d".formatted(r, c));
        devices.add(Device.of(id, "-" + id.text(), "", "terminals-10x2p5", Place.PANEL));
        placed.add(
            Placement.at(
                id,
                new Id("C"),
                Surface.PLATE,
                Length.ofMillimetres(50 + 80.0 * c),
                Length.ofMillimetres(200.0 * r + 90)));
      }
    }
    var conductors = new ArrayList<Conductor>();
    while (conductors.size() < wires) {
      var a = devices.get(random.nextInt(devices.size()));
      var b = devices.get(random.nextInt(devices.size()));
      if (a.equals(b)) continue;
      var label = "W" + conductors.size();
      conductors.add(
          new Conductor(
              new Id(label),
              new Designation(label),
              new TerminalRef(a.id(), String.valueOf(1 + random.nextInt(10))),
              new TerminalRef(b.id(), String.valueOf(1 + random.nextInt(10))),
              Conductor.Function.CONTROL,
              Optional.of(new CrossSection(1)),
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              Optional.empty()));
    }
    var cabinet =
        Cabinet.of(
                new Id("C"),
                "cabinet",
                Optional.empty(),
                Shell.onWall(
                    Length.ofMillimetres(Math.min(5000, width + 50)),
                    Length.ofMillimetres(200.0 * rows + 50),
                    Length.ofMillimetres(300)))
            .withDucts(ducts);
    project =
        Project.empty("plate", "", NewProject.usualBrief())
            .with(new Wiring(devices, List.of(), conductors, List.of(), List.of()))
            .with(new Layout(List.of(), List.of(cabinet), placed, List.of(), List.of(), List.of()));
  }

  private static Cabinet.Duct duct(
      String id, double left, double top, double length, boolean upright) {
    return new Cabinet.Duct(
        new Id(id),
        Surface.PLATE,
        Length.ofMillimetres(left),
        Length.ofMillimetres(top),
        Length.ofMillimetres(length),
        Length.ofMillimetres(40),
        Length.ofMillimetres(60),
        upright ? Optional.of(true) : Optional.empty(),
        Optional.empty());
  }

  @Setup(Level.Invocation)
  public void fresh() {
    study = Study.of(project, CatalogueFile.standard());
  }

  @Benchmark
  public double reroute() {
    var sum = 0.0;
    for (var wire : project.conductors())
      sum += HowLong.of(wire, study).map(Length::metres).orElse(0.0);
    return sum + Lying.of(study).all().size();
  }
}
