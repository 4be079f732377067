package nelvar.cli;

import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import nelvar.core.file.ProjectFile;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.sample.NewProject;
import picocli.CommandLine;

@CommandLine.Command(
    name = "new",
    description = "Make a project: an empty one, or a generated one for trying things out.",
    mixinStandardHelpOptions = true)
final class NewCommand implements Callable<Integer> {
  @CommandLine.Parameters(
      paramLabel = "FILE",
      description = "Project file to make (*.nelvar.json); must not exist.")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--generate",
      paramLabel = "LOADS",
      description = "Fill it with this many loads, 1 to 20000.")
  private int loads;

  @CommandLine.Option(
      names = "--seed",
      paramLabel = "N",
      description = "Of the generator; the same seed gives the same panel.")
  private long seed = 1;

  @Override
  public Integer call() throws Exception {
    if (Files.exists(file)) throw new FileAlreadyExistsException(file.toString());
    if (loads < 0 || loads > 20_000)
      throw new CommandLineTool.BadUse("--generate takes 1 to 20000 loads, not " + loads);
    ProjectFile.at(file)
        .save(
            loads > 0
                ? GeneratedPanel.of(loads, seed)
                : NewProject.named(
                    String.valueOf(file.getFileName()).replace(ProjectFile.EXTENSION, "")));
    return CommandLineTool.FINE;
  }
}
