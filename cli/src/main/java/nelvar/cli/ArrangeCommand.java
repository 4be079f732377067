package nelvar.cli;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Box;
import nelvar.core.compose.place.Arrange;
import nelvar.core.compose.place.Proposal;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import picocli.CommandLine;

@CommandLine.Command(
    name = "arrange",
    description =
        "Lays the cabinet of a machine out and writes it to another file. What is held stays where it is. Exit 0 everything stands, 1 something found no place.",
    mixinStandardHelpOptions = true)
final class ArrangeCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--out",
      paramLabel = "FILE",
      required = true,
      description = "The project file that is written; may be the same.")
  private Path target = Path.of("");

  @CommandLine.Option(
      names = "--seed",
      paramLabel = "N",
      description = "The same number gives the same layout; 1 where nothing is said.")
  private long seed = 1;

  @CommandLine.Option(
      names = "--smallest",
      description = "Takes the smallest cabinet of the catalogue that does, not the one at hand.")
  private boolean smallest;

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    var catalogue = CatalogueFile.standard();
    var project = ProjectFile.at(file).open();
    var study = Study.of(project, catalogue);
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    var err = spec.commandLine().getErr();
    var cabinet =
        smallest
            ? Arrange.smallest(study, seed, () -> false)
            : Arrange.cabinet(study, seed, () -> false);
    if (cabinet.isEmpty()) {
      err.println(
          "No cabinet of the catalogue holds everything, and the machine has none. Add an enclosure, or divide the machine over two; nothing was written.");
      return CommandLineTool.FOUND;
    }
    var best = Optional.<Proposal>empty();
    for (var proposal : Arrange.proposals(study, cabinet.get(), seed, () -> false, _ -> {})) {
      out.printf(
          "%-12s %s of wire, %s under the roof, %s of room left%s%n",
          proposal.name(),
          proposal.copper(),
          proposal.hottest(),
          proposal.room(),
          proposal.lacks().map(what -> ", " + what).orElse(""));
      if (best.isEmpty() || (!best.get().fits() && proposal.fits())) best = Optional.of(proposal);
    }
    var taken = best.orElseThrow();
    for (var waits : taken.waiting())
      out.printf("%s waits: %s%n", waits.device().designation(), waits.why());
    var shell = taken.cabinet().shell();
    ProjectFile.at(target).save(taken.edit(study).on(project, catalogue));
    out.printf(
        "%s: %.0f × %.0f × %.0f mm, %d devices placed (%s). Written to %s.%n",
        taken.cabinet().name(),
        Box.mm(shell.width()),
        Box.mm(shell.height()),
        Box.mm(shell.depth()),
        taken.placements().size(),
        taken.name(),
        target);
    return taken.fits() && taken.waiting().isEmpty() ? CommandLineTool.FINE : CommandLineTool.FOUND;
  }
}
