package nelvar.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import nelvar.core.exchange.PartsCsv;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.InputFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import picocli.CommandLine;

@CommandLine.Command(
    name = "import",
    description = "Add your own parts to a project from CSV; see docs/guide/parts.md.",
    mixinStandardHelpOptions = true)
final class ImportCommand implements Callable<Integer> {
  @CommandLine.Parameters(
      index = "0",
      paramLabel = "FILE",
      description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Parameters(index = "1", paramLabel = "CSV", description = "Parts, one row each.")
  private Path csv = Path.of("");

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    var projectFile = ProjectFile.at(file);
    var project = projectFile.open();
    var parts =
        PartsCsv.read(
            String.valueOf(csv.getFileName()),
            InputFile.text(csv, PartsCsv.GREATEST_FILE, "Choose a CSV of parts."));
    try {
      projectFile.save(Edits.ownParts("Add parts", parts).on(project, CatalogueFile.standard()));
    } catch (EditRefused refused) {
      throw new CommandLineTool.BadUse(String.valueOf(refused.getMessage()));
    }
    java.util.Objects.requireNonNull(spec)
        .commandLine()
        .getOut()
        .printf("%d parts added to %s%n", parts.size(), file);
    return CommandLineTool.FINE;
  }
}
