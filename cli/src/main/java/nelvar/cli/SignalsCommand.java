package nelvar.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Pin;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;
import picocli.CommandLine;

@CommandLine.Command(
    name = "signals",
    description =
        "Every pin of every controller: what it reads or drives, its volts and amperes in both states, and how sure it is. Exit 0 all sure, 1 where one is wrong.",
    mixinStandardHelpOptions = true)
final class SignalsCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(names = "--free", description = "Free pins too.")
  private boolean free;

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Mixin private AskedMachine asked = new AskedMachine();

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  /// Volts and amperes at a pin.
  private record Seen(double volts, double amperes) {
    static Optional<Seen> of(Optional<PinLink.Seen> seen) {
      return seen.map(s -> new Seen(s.volts().volts(), s.current().amperes()));
    }
  }

  private record Link(
      String board,
      String pin,
      Optional<String> pinOut,
      Optional<String> firmware,
      Optional<String> connector,
      Optional<Integer> number,
      Pin.Type type,
      List<String> partners,
      Optional<Seen> on,
      Optional<Seen> off,
      String standing,
      Optional<Double> marginVolts,
      Optional<Double> spareAmperes,
      String words) {}

  private record Document(int version, String project, String revision, List<Link> links) {}

  @Override
  public Integer call() throws Exception {
    var whole = ProjectFile.at(file).open();
    var study = Study.of(asked.horizon().of(whole), CatalogueFile.standard());
    var links = PinLinks.of(study);
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    if (json)
      out.println(
          NelvarJson.mapper()
              .writerWithDefaultPrettyPrinter()
              .writeValueAsString(
                  new Document(
                      1,
                      whole.name(),
                      whole.revision(),
                      links.stream().map(link -> link(link, study)).toList())));
    else print(links, study, whole, out);
    return links.stream().anyMatch(link -> link.standing() == PinLink.Standing.WRONG)
        ? CommandLineTool.FOUND
        : CommandLineTool.FINE;
  }

  private void print(
      List<PinLink> links, Study study, nelvar.core.model.Project whole, PrintWriter out) {
    var about = asked.horizon().says(whole);
    if (!about.isEmpty()) out.println(about);
    if (links.isEmpty()) out.println("No controller with pins is in this project.");
    for (var link : links) {
      if (!link.wired() && !free) continue;
      out.printf(
          "%-10s %-14s %-14s %-10s %s%n",
          link.board().designation() + ":" + link.pin().name(),
          FirmwareNames.of(study.project(), link.board().id(), link.pin()).orElse(""),
          link.partners().stream()
              .map(end -> at(end, study))
              .reduce((a, b) -> a + " " + b)
              .orElse(""),
          link.standing().words(),
          link.words()
              + link.margin().map(volts -> ", %s to spare".formatted(volts)).orElse("")
              + link.spare().map(amperes -> ", %s to spare".formatted(amperes)).orElse(""));
    }
    out.printf(
        "%d pins, %d wired: %d sure, %d wrong, %d not proved%n",
        links.size(),
        links.stream().filter(PinLink::wired).count(),
        count(links, PinLink.Standing.SURE),
        count(links, PinLink.Standing.WRONG),
        count(links, PinLink.Standing.UNPROVED));
  }

  private static long count(List<PinLink> links, PinLink.Standing standing) {
    return links.stream().filter(link -> link.standing() == standing).count();
  }

  private static String at(TerminalRef end, Study study) {
    return study.label(end.device()) + ":" + end.terminal();
  }

  private static Link link(PinLink link, Study study) {
    var pin = link.pin();
    return new Link(
        link.board().designation().text(),
        pin.name(),
        pin.pinOut(),
        FirmwareNames.of(study.project(), link.board().id(), pin),
        pin.at().map(Pin.Spot::connector),
        pin.at().map(Pin.Spot::number),
        pin.type(),
        link.partners().stream().map(end -> at(end, study)).toList(),
        Seen.of(link.on()),
        Seen.of(link.off()),
        link.standing().words(),
        link.margin().map(Voltage::volts),
        link.spare().map(Current::amperes),
        link.words());
  }
}
