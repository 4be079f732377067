package nelvar.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.file.OutputFiles;
import nelvar.core.file.ProjectFile;
import nelvar.documents.content.Pack;
import nelvar.documents.export.PackFiles;
import picocli.CommandLine;

@CommandLine.Command(
    name = "pack",
    description = "Write the papers: PDF, single-line as SVG, the lists as CSV and XLSX.",
    mixinStandardHelpOptions = true)
final class PackCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--out",
      required = true,
      paramLabel = "DIR",
      description = "Folder for the papers; made where it is missing.")
  private Path folder = Path.of("");

  @CommandLine.Option(
      names = "--by-function",
      description = "Lists go by what the machine must do.")
  private boolean byFunction;

  @CommandLine.Option(
      names = "--annex",
      description = "Print every working, and the lists to work with.")
  private boolean annex;

  @CommandLine.Option(names = "--a3", description = "Circuit sheets on A3.")
  private boolean wide;

  @CommandLine.Mixin private AskedMachine asked = new AskedMachine();

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    OutputFiles.checkFolder(folder);
    var whole = ProjectFile.at(file).open();
    var files =
        PackFiles.of(
            ReviewCommand.review(asked.horizon().of(whole)),
            new Pack.Options(
                asked.horizon().says(whole),
                byFunction,
                annex,
                wide ? SheetFormat.A3 : SheetFormat.A4));
    OutputFiles.write(folder, files);
    for (var name : files.keySet())
      java.util.Objects.requireNonNull(spec).commandLine().getOut().println(folder.resolve(name));
    return CommandLineTool.FINE;
  }
}
