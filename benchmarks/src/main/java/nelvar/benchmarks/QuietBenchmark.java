package nelvar.benchmarks;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Coupled;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Layout;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.Wiring;
import nelvar.core.sample.NewProject;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/// What disturbs what, of a machine that was just edited: the network and the ways stand already.
/// Asked: the first demo under 60 ms, 100 that disturb against 300 that hear under 400 ms.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class QuietBenchmark {
  private static final int VALVES = 100;
  private static final int SENSORS = 300;
  private static final int TRAYS = 10;

  private Project demo = Project.empty("x", "", NewProject.usualBrief());
  private Project large = demo;
  private Study ofDemo = Study.of(demo, CatalogueFile.standard());
  private Study ofLarge = ofDemo;

  @Setup
  public void make() throws Exception {
    demo = ProjectFile.at(Path.of("demo/seed-tray-filler/seed-tray-filler.nelvar.json")).open();
    large = trays();
  }

  /// Valves behind switches and photo eyes on controllers, their cables on ten trays.
  private static Project trays() {
    var random = new SplittableRandom(1);
    var devices = new ArrayList<Device>();
    var cables = new ArrayList<Cable>();
    var wires = new ArrayList<Conductor>();
    var bundles = new ArrayList<Bundle>();
    for (var i = 0; i < TRAYS; i++)
      bundles.add(new Bundle(new Id("P" + i), "tray " + i, InstallationMethod.E, false));
    devices.add(Device.of(new Id("T"), "-T", "", "supply-24v-10a", Place.PANEL));
    for (var i = 0; i < VALVES; i++) {
      devices.add(Device.of(new Id("S" + i), "-S" + i, "", "push-button-1no", Place.PANEL));
      devices.add(Device.of(new Id("Y" + i), "-Y" + i, "", "valve-24vdc-4w8", Place.MACHINE));
      wires.add(wire(wires.size(), "T:+", "S%d:13".formatted(i), Optional.empty()));
      var cable = cable("WY" + i, "cable-2x1", random);
      cables.add(cable);
      wires.add(
          wire(wires.size(), "S%d:14".formatted(i), "Y%d:1".formatted(i), Optional.of(cable)));
      wires.add(wire(wires.size(), "T:-", "Y%d:2".formatted(i), Optional.of(cable)));
    }
    for (var i = 0; i < SENSORS; i++) {
      if (i % 16 == 0)
        devices.add(
            Device.of(
                new Id("A" + i / 16), "-A" + i / 16, "", "motion-controller-3ax", Place.PANEL));
      devices.add(Device.of(new Id("B" + i), "-B" + i, "", "photo-eye-pnp", Place.MACHINE));
      var cable = cable("WB" + i, "cable-3x0p34", random);
      cables.add(cable);
      wires.add(wire(wires.size(), "T:+", "B%d:+".formatted(i), Optional.of(cable)));
      wires.add(wire(wires.size(), "T:-", "B%d:-".formatted(i), Optional.of(cable)));
      wires.add(
          wire(
              wires.size(),
              "A%d:DI%d".formatted(i / 16, 1 + i % 16),
              "B%d:OUT".formatted(i),
              Optional.of(cable)));
    }
    return Project.empty("trays", "", NewProject.usualBrief())
        .with(new Wiring(devices, cables, wires, List.of(), List.of()))
        .with(new Layout(bundles, List.of(), List.of(), List.of(), List.of(), List.of()));
  }

  private static Cable cable(String id, String stock, SplittableRandom random) {
    return new Cable(
        new Id(id),
        new Designation("-" + id),
        stock,
        Optional.of(new Length(3 + random.nextInt(10))),
        Optional.of(new Id("P" + random.nextInt(TRAYS))));
  }

  private static Conductor wire(int number, String from, String to, Optional<Cable> cable) {
    return new Conductor(
        new Id("W" + number),
        new Designation("W" + number),
        TerminalRef.of(from),
        TerminalRef.of(to),
        Conductor.Function.CONTROL,
        Optional.of(new CrossSection(0.75)),
        cable.isPresent() ? Optional.empty() : Optional.of(new Length(1)),
        Optional.empty(),
        cable.map(Cable::id),
        Optional.empty());
  }

  @Setup(Level.Invocation)
  public void fresh() {
    ofDemo = Study.of(demo, CatalogueFile.standard());
    Lying.of(ofDemo);
    ofLarge = Study.of(large, CatalogueFile.standard());
    Lying.of(ofLarge);
  }

  @Benchmark
  public int demoAfterAnEdit() {
    return Coupled.of(ofDemo).pairs().size();
  }

  @Benchmark
  public int hundredAgainstThreeHundred() {
    return Coupled.of(ofLarge).pairs().size();
  }
}
