package nelvar.cli;

import java.nio.file.Path;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Horizon;
import picocli.CommandLine;

/// Which machine a command answers for, where things are marked as to build or for later.
final class AskedMachine {
  @CommandLine.Option(
      names = "--as",
      paramLabel = "WHEN",
      converter = When.class,
      description =
          "today (without what is to build), finished (the default: without what is for later), later (all of it).")
  private Horizon horizon = Horizon.FINISHED;

  Horizon horizon() {
    return horizon;
  }

  Project open(Path file) throws Exception {
    return horizon.of(ProjectFile.at(file).open());
  }

  static final class When implements CommandLine.ITypeConverter<Horizon> {
    @Override
    public Horizon convert(String text) {
      return switch (text) {
        case "today" -> Horizon.TODAY;
        case "finished" -> Horizon.FINISHED;
        case "later" -> Horizon.WITH_LATER;
        default ->
            throw new CommandLine.TypeConversionException(
                "'%s' is none of today, finished, later".formatted(text));
      };
    }
  }
}
