package nelvar.benchmarks;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Carried;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Fits;
import nelvar.core.analysis.space.Snap;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.analysis.thermal.PartAir;
import nelvar.core.compose.place.Arrange;
import nelvar.core.compose.place.Proposal;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.units.Length;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.PlatePicture;
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

/// Layout: wanted are one of 80 parts under 2 s, of 400 under 15 s; and one step of dragging over
/// 150 parts, heat and what is in the way following, under 33 ms with its picture.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 3)
@Fork(1)
public class PanelBenchmark {
  private Optional<Laid> eighty = Optional.empty();
  private Optional<Laid> hundredAndFifty = Optional.empty();
  private Optional<Laid> fourHundred = Optional.empty();
  private Optional<Id> carried = Optional.empty();
  private int step;

  private record Laid(Study study, Cabinet cabinet) {
    static Laid of(int loads, double width, double height) {
      return of(GeneratedPanel.of(loads, 1), width, height);
    }

    static Laid of(Project project, double width, double height) {
      return new Laid(
          Study.of(project, CatalogueFile.standard()),
          Cabinet.of(
              new Id("C"),
              "cabinet",
              Optional.empty(),
              Shell.onWall(
                  Length.ofMillimetres(width),
                  Length.ofMillimetres(height),
                  Length.ofMillimetres(300))));
    }

    Proposal best() {
      return Arrange.best(study, cabinet, 1);
    }
  }

  @Setup
  public void prepare() {
    eighty = Optional.of(Laid.of(132, 2400, 2000));
    fourHundred = Optional.of(Laid.of(680, 5000, 3000));
    var large = Laid.of(252, 3600, 2000);
    var best = large.best();
    var project =
        LayoutEdits.arrange("lay", best.cabinet(), best.placements())
            .apply(large.study().project());
    hundredAndFifty =
        Optional.of(new Laid(Study.of(project, CatalogueFile.standard()), best.cabinet()));
    carried =
        Bodies.of(hundredAndFifty.get().study()).in(best.cabinet()).stream()
            .map(Body::id)
            .filter(id -> id.text().startsWith("T"))
            .findFirst();
    System.err.printf(
        "placed: %d, %d, %d%n",
        placed(eighty.get().best()), best.placements().size(), placed(fourHundred.get().best()));
  }

  private static int placed(Proposal proposal) {
    if (!proposal.fits())
      System.err.printf("%s does not fit: %.0f mm%n", proposal.name(), proposal.over());
    return proposal.placements().size();
  }

  @Benchmark
  public Proposal layoutOfEighty() {
    return eighty.orElseThrow().best();
  }

  @Benchmark
  public Proposal layoutOfFourHundred() {
    return fourHundred.orElseThrow().best();
  }

  /// What one movement of the hand asks for: where it rests, what is in the way, the air there, and
  /// the ways its wires would take. Asked: under 33 ms.
  @Benchmark
  public Object carriedByOneStep() {
    var laid = hundredAndFifty.orElseThrow();
    var bodies = Bodies.of(laid.study());
    var body = bodies.of(carried.orElseThrow()).orElseThrow();
    step = (step + 7) % 900;
    var resting =
        Snap.rest(body.movedTo(100 + step, 400 + step), laid.cabinet(), bodies.in(laid.cabinet()));
    var fits = Fits.in(laid.cabinet(), laid.study());
    return List.of(
        fits.over(resting),
        fits.crowds(resting),
        Carried.of(resting, laid.study()),
        PartAir.of(resting, CabinetAir.of(laid.cabinet(), laid.study()), laid.study()));
  }

  /// The picture after it was let go, heat and all anew.
  @Benchmark
  public Drawing letGoAndDrawn() {
    var laid = hundredAndFifty.orElseThrow();
    step = (step + 7) % 900;
    var at =
        laid.study()
            .project()
            .layout()
            .placement(carried.orElseThrow())
            .orElseThrow()
            .movedTo(
                Surface.PLATE, Length.ofMillimetres(100 + step), Length.ofMillimetres(100 + step));
    var moved = LayoutEdits.place("move", List.of(at)).apply(laid.study().project());
    return PlatePicture.of(
            laid.study().tried(moved),
            laid.cabinet(),
            PlatePicture.Lens.HEAT,
            carried,
            Map.of(),
            900,
            560)
        .drawing();
  }
}
