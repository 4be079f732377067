package nelvar.cli;

import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import nelvar.core.compose.Draft;
import nelvar.core.compose.Drafting;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.file.CatalogueFile;
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

  @CommandLine.Option(
      names = "--draft",
      paramLabel = "LIST",
      description = {
        "Draw up a machine from a list of what it must do, one function a line as you would say it ('4 valves 24 V on the gantry').",
        "LIST is a text file, or one of: ${COMPLETION-CANDIDATES}."
      },
      completionCandidates = Lists.class)
  private String draft = "";

  /// The lists that are shipped.
  static final class Lists implements Iterable<String> {
    @Override
    public java.util.Iterator<String> iterator() {
      return ShippedLists.NAMES.iterator();
    }
  }

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    if (Files.exists(file)) throw new FileAlreadyExistsException(file.toString());
    if (!draft.isEmpty()) return draft();
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

  private int draft() throws Exception {
    if (loads != 0) throw new CommandLineTool.BadUse("take --draft or --generate, not both");
    var text = ShippedLists.text(draft);
    if (text.isEmpty()) text = Optional.of(listed());
    var title = String.valueOf(file.getFileName()).replace(ProjectFile.EXTENSION, "");
    return switch (Drafting.of(title, text.get(), CatalogueFile.standard())) {
      case Drafting.Refused(var problems) -> {
        var all = problems.stream().map(Object::toString).collect(Collectors.joining("\n        "));
        throw new CommandLineTool.BadUse("no file was made: " + all);
      }
      case Drafting.Drawn(var drawn, var assumptions) -> {
        ProjectFile.at(file).save(drawn.project());
        tell(drawn, assumptions);
        yield CommandLineTool.FINE;
      }
    };
  }

  private String listed() throws IOException {
    var path = Path.of(draft);
    if (!Files.isRegularFile(path))
      throw new CommandLineTool.BadUse(
          "there is no list '%s': give a text file, or one of %s"
              .formatted(draft, String.join(", ", ShippedLists.NAMES)));
    if (Files.size(path) > MOST_BYTES)
      throw new CommandLineTool.BadUse(draft + " is too large for a list of functions");
    var bytes = Files.readAllBytes(path);
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(java.nio.ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException e) {
      throw new CommandLineTool.BadUse(draft + " is not a text in UTF-8");
    }
  }

  private static final long MOST_BYTES = 1 << 20;

  private void tell(Draft drawn, List<String> assumptions) {
    var out = Objects.requireNonNull(spec).commandLine().getOut();
    var project = drawn.project();
    out.printf(
        "%s: %d functions, %d devices, %d wires, %d cables%n",
        project.name(),
        project.functions().size(),
        project.devices().size(),
        project.conductors().size(),
        project.cables().size());
    out.println("Assumed and decided:");
    for (var line : assumptions) out.println("  " + line);
    for (var line : drawn.reasons()) out.println("  " + line);
    var remarks = Drafting.remarks(drawn.review());
    out.println(remarks.isEmpty() ? "No finding is open." : "To be looked at:");
    for (var line : remarks) out.println("  " + line);
  }
}
