package nelvar.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.exchange.BoardCsv;
import nelvar.core.exchange.MachineRows;
import nelvar.core.exchange.PartsCsv;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.InputFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.Reading;
import picocli.CommandLine;

@CommandLine.Command(
    name = "import",
    description =
        "Add your own parts, devices or wires to a project from CSV; see docs/guide/parts.md.",
    mixinStandardHelpOptions = true)
final class ImportCommand implements Callable<Integer> {
  @CommandLine.Parameters(
      index = "0",
      paramLabel = "FILE",
      description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Parameters(
      index = "1",
      paramLabel = "CSV",
      description =
          "One row each; its first row tells what they are: kind and id for parts, pin and type for the pins of a board, designation and part for devices, from and to for wires.")
  private Path csv = Path.of("");

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    var projectFile = ProjectFile.at(file);
    var project = projectFile.open();
    var name = String.valueOf(csv.getFileName());
    var text =
        InputFile.text(csv, PartsCsv.GREATEST_FILE, "Choose a CSV of parts, devices or wires.");
    Import found =
        PartsCsv.looksLikeOne(text)
            ? parts(name, text)
            : BoardCsv.looksLikeOne(text) ? board(name, text) : rows(name, text, project);
    try {
      projectFile.save(found.edit().on(project, CatalogueFile.standard()));
    } catch (EditRefused refused) {
      throw new CommandLineTool.BadUse(String.valueOf(refused.getMessage()));
    }
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    // One wire, two wires.
    var what = found.count() == 1 ? found.what().replaceFirst("s\\b", "") : found.what();
    out.printf("%d %s added to %s%n", found.count(), what, file);
    if (!found.ignored().isEmpty())
      out.println("Columns not used: " + String.join(", ", found.ignored()));
    return CommandLineTool.FINE;
  }

  private record Import(Edit edit, int count, String what, List<String> ignored) {}

  private static Import parts(String name, String text) throws UnreadableFile {
    var parts = PartsCsv.read(name, text);
    return new Import(Edits.ownParts("Add parts", parts), parts.size(), "parts", List.of());
  }

  private static Import board(String name, String text) throws UnreadableFile {
    var board = BoardCsv.read(name, text);
    return new Import(
        Edits.ownParts("Add a board", List.of(board)),
        BoardCsv.pins(board),
        "pins of " + board.id(),
        List.of());
  }

  private static Import rows(String name, String text, Project project) {
    var study = Study.of(project, CatalogueFile.standard());
    return switch (MachineRows.preview(text, study, CatalogueFile.standard())) {
      case Reading.Misread<MachineRows.Preview>(var why) ->
          throw new CommandLineTool.BadUse("%s: %s Nothing was added.".formatted(name, why));
      case Reading.Value<MachineRows.Preview>(var preview) ->
          new Import(
              preview.edit().orElseThrow(() -> wrong(name, preview)),
              preview.rows().size(),
              preview.what(),
              preview.ignored());
    };
  }

  private static CommandLineTool.BadUse wrong(String name, MachineRows.Preview preview) {
    var lines =
        preview.wrong().stream()
            .limit(MOST_LINES)
            .map(row -> "\n        line %d, %s".formatted(row.line(), row.problem().orElse("")))
            .collect(Collectors.joining());
    var more = preview.wrong().size() - MOST_LINES;
    return new CommandLineTool.BadUse(
        "%s: nothing was added, %d of %d rows cannot be read:%s%s"
            .formatted(
                name,
                preview.wrong().size(),
                preview.rows().size(),
                lines,
                more > 0 ? "\n        and %d more".formatted(more) : ""));
  }

  private static final int MOST_LINES = 20;
}
