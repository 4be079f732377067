package nelvar.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.NoiseClass;
import nelvar.core.analysis.space.RoomLeft;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.analysis.thermal.PartAir;
import nelvar.core.compose.place.Arrange;
import nelvar.core.exchange.DxfOutline;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.InputFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.LayoutEdits;
import picocli.CommandLine;

@CommandLine.Command(
    name = "panel",
    description =
        "Where everything stands in its cabinets, what it gives off and how warm it gets.",
    mixinStandardHelpOptions = true)
final class PanelCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Option(
      names = "--background",
      paramLabel = "DXF",
      description = "Lays the outline of a DXF with text behind a surface; with --out.")
  private Optional<Path> background = Optional.empty();

  @CommandLine.Option(
      names = "--on",
      paramLabel = "SURFACE",
      description = "Where it lies: plate (if nothing is said), door, left, right, top, bottom.")
  private Surface on = Surface.PLATE;

  @CommandLine.Option(
      names = "--out",
      paramLabel = "FILE",
      description = "The project file that is written; may be the same.")
  private Optional<Path> target = Optional.empty();

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  /// Millimetres, watts, degrees Celsius; what is not known is absent.
  private record Stands(
      String device,
      String part,
      String surface,
      double left,
      double top,
      double width,
      double height,
      Optional<Double> depth,
      boolean assumed,
      String noise,
      double heat,
      double air,
      double airUpper,
      Optional<Double> airAtMost) {}

  private record Housing(
      String cabinet,
      String name,
      double width,
      double height,
      double depth,
      double heatInside,
      double around,
      double middle,
      double top,
      double topUpper,
      boolean mixed,
      Optional<Double> measuredOverModel,
      double copper,
      double roomLeftPercent,
      List<Stands> devices) {}

  private record Told(int version, String project, List<Housing> cabinets, List<String> waiting) {}

  @Override
  public Integer call() throws Exception {
    var study = Study.of(ProjectFile.at(file).open(), CatalogueFile.standard());
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    if (background.isPresent()) return behind(background.get(), study, out);
    var told =
        new Told(
            1,
            study.project().name(),
            study.project().layout().cabinets().stream().map(c -> housing(c, study)).toList(),
            Bodies.of(study).waiting().stream().map(d -> d.designation().text()).toList());
    if (json)
      out.println(NelvarJson.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(told));
    else print(told, out);
    return CommandLineTool.FINE;
  }

  /// Into the first cabinet.
  private int behind(Path drawing, Study study, PrintWriter out) throws Exception {
    if (target.isEmpty())
      throw new CommandLineTool.BadUse(
          "--background needs --out, the project file that is written");
    var cabinet = study.project().layout().cabinets().stream().findFirst();
    if (cabinet.isEmpty())
      throw new CommandLineTool.BadUse(
          "no cabinet is laid out; `nelvar arrange FILE --out FILE` makes a first layout");
    var read =
        DxfOutline.read(
            String.valueOf(drawing.getFileName()),
            InputFile.text(drawing, DxfOutline.GREATEST_FILE, "Choose a DXF with an outline."),
            on,
            cabinet.get().shell().size(on).height());
    var next = LayoutEdits.change("Background", cabinet.get().withBackground(on, read.strokes()));
    ProjectFile.at(target.get()).save(next.on(study.project(), CatalogueFile.standard()));
    out.printf("%s. Written to %s.%n", read.words(), target.get());
    return CommandLineTool.FINE;
  }

  private static Housing housing(Cabinet cabinet, Study study) {
    var air = CabinetAir.of(cabinet, study);
    var bodies = Bodies.of(study).in(cabinet);
    var shell = cabinet.shell();
    return new Housing(
        cabinet.id().text(),
        cabinet.name(),
        Box.mm(shell.width()),
        Box.mm(shell.height()),
        Box.mm(shell.depth()),
        air.inside().watts(),
        air.around().celsius(),
        air.at(0.5).celsius(),
        air.hottest().celsius(),
        air.upper(air.rise(1)).celsius(),
        air.mixed(),
        air.off(),
        Arrange.copper(cabinet, study).metres(),
        RoomLeft.of(cabinet, bodies).percent(),
        bodies.stream()
            .filter(body -> !body.later())
            .map(body -> stands(body, air, study))
            .toList());
  }

  private static Stands stands(Body body, CabinetAir air, Study study) {
    var at = PartAir.of(body, air, study);
    return new Stands(
        body.name(),
        body.part().id(),
        body.surface().words(),
        body.box().left(),
        body.box().top(),
        body.box().width(),
        body.box().height(),
        body.depth(),
        body.assumed(),
        NoiseClass.of(body.device().orElseThrow(), study).words(),
        air.heat(body.id()).map(h -> h.whole().value().watts()).orElse(0.0),
        at.expected().celsius(),
        at.upper().celsius(),
        body.fitting().most().map(t -> t.celsius()));
  }

  private static void print(Told told, PrintWriter out) {
    if (told.cabinets().isEmpty())
      out.println("No cabinet is laid out. `nelvar arrange FILE --out FILE` makes a first layout.");
    for (var c : told.cabinets()) {
      out.printf(
          "%s: %.0f x %.0f x %.0f mm, %.0f W inside, %.1f °C around, %.1f °C in the middle, %.1f °C at the top (up to %.1f), %.1f m of wire, %.0f %% of room left%n",
          c.name(),
          c.width(),
          c.height(),
          c.depth(),
          c.heatInside(),
          c.around(),
          c.middle(),
          c.top(),
          c.topUpper(),
          c.copper(),
          c.roomLeftPercent());
      c.measuredOverModel()
          .ifPresent(off -> out.printf("  measured: %.0f %% of what the model gives%n", off * 100));
      for (var d : c.devices())
        out.printf(
            "  %-7s %-10s %4.0f %4.0f  %3.0f x %3.0f mm%s  %5.1f W  %4.1f °C (up to %.1f)%n",
            d.device(),
            d.surface(),
            d.left(),
            d.top(),
            d.width(),
            d.height(),
            d.assumed() ? " assumed" : "",
            d.heat(),
            d.air(),
            d.airUpper());
    }
    if (!told.waiting().isEmpty())
      out.println("Placed nowhere yet: " + String.join(", ", told.waiting()));
  }
}
