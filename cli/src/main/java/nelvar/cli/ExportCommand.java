package nelvar.cli;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.exchange.GraphMl;
import nelvar.core.exchange.SpiceNetlist;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.OutputFiles;
import nelvar.core.review.Review;
import nelvar.documents.content.Lists;
import nelvar.documents.content.Pack;
import nelvar.documents.export.CsvExport;
import nelvar.documents.export.PackFiles;
import nelvar.documents.export.WorkingsJson;
import nelvar.documents.export.XlsxExport;
import picocli.CommandLine;

@CommandLine.Command(
    name = "export",
    description = "Write one thing of a project in one format.",
    mixinStandardHelpOptions = true)
final class ExportCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--format",
      required = true,
      paramLabel = "F",
      description =
          "pdf, circuits.pdf and circuits-a3.pdf (circuit sheets only), workings (every working as JSON), circuit-1.svg, circuit-1.dxf and so on (one sheet), svg (single-line), xlsx (all lists), json (review), graphml (wires as a graph), spice-dc and spice-ac (netlist of the running machine), spice-states (direct current from cold, contacts, diodes and limits by their behaviour), plate.dxf, plate.svg, door.dxf and so on (a surface of a cabinet; of the second one plate-2.dxf), or a list as CSV: wire-list, cable-list, terminal-plan, repair-sheet, protective-devices, wait-times, lamps, free-terminals, cut-list, labels, ferrules, fill, wiring-hours, bill-of-materials, settings, short-circuit-currents, findings, deviations, not-checked.")
  private String format = "";

  @CommandLine.Option(
      names = "--out",
      required = true,
      paramLabel = "PATH",
      description = "File to write.")
  private Path out = Path.of("");

  @CommandLine.Option(
      names = "--by-function",
      description = "Lists go by what the machine must do.")
  private boolean byFunction;

  @CommandLine.Option(
      names = "--annex",
      description = "With pdf: every working, and the lists to work with.")
  private boolean annex;

  @CommandLine.Mixin private AskedMachine asked = new AskedMachine();

  /// What prints the ways out: trying them takes many times as long as all the rest.
  private static final Set<String> TRIED = Set.of("pdf", "xlsx", "json", "findings");

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    OutputFiles.checkFile(out);
    var project = asked.open(file);
    var bytes =
        bytes(
            TRIED.contains(format)
                ? ReviewCommand.review(project)
                : Review.of(project, CatalogueFile.standard()));
    OutputFiles.write(out, bytes);
    java.util.Objects.requireNonNull(spec).commandLine().getOut().println(out);
    return CommandLineTool.FINE;
  }

  private static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private byte[] bytes(Review review) {
    return switch (format) {
      case "pdf" -> PackFiles.pdf(review, new Pack.Options("", byFunction, annex, SheetFormat.A4));
      case "svg" -> PackFiles.svg(review);
      case "xlsx" -> XlsxExport.write(Lists.all(review, byFunction));
      case "spice-dc" -> utf8(SpiceNetlist.direct(review.project(), review.study().asDesigned()));
      case "spice-ac" ->
          utf8(SpiceNetlist.alternating(review.project(), review.study().asDesigned()));
      case "spice-states" ->
          utf8(SpiceNetlist.behaviour(review.project(), review.study().asDesigned()));
      case "graphml" -> utf8(GraphMl.write(review.project()));
      case "circuits.pdf" -> PackFiles.circuitsPdf(review);
      case "circuits-a3.pdf" -> PackFiles.circuitsPdf(review, SheetFormat.A3);
      case "workings" -> utf8(WorkingsJson.of(review));
      case "json" -> (ReviewJson.of(review) + "\n").getBytes(StandardCharsets.UTF_8);
      default -> {
        var picture = Optional.ofNullable(PackFiles.pictures(review.study()).get(format));
        yield picture.isPresent() ? picture.get() : list(review);
      }
    };
  }

  private byte[] list(Review review) {
    return Lists.all(review, byFunction).stream()
        .filter(list -> list.name().equals(format))
        .findFirst()
        .map(list -> CsvExport.write(list).getBytes(StandardCharsets.UTF_8))
        .orElseThrow(() ->
            new CommandLineTool.BadUse(
                "there is no format '%s'; there are pdf, circuits.pdf, circuits-a3.pdf, workings, svg, xlsx, json, graphml, spice-dc, spice-ac, spice-states, %s"
                    .formatted(
                        format,
                        String.join(
                            ", ",
                            Stream.concat(
                                    PackFiles.pictures(review.study()).keySet().stream(),
                                    Lists.all(review).stream().map(list -> list.name()))
                                .toList()))));
  }
}
