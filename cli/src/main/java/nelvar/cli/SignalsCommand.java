package nelvar.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.Permissive;
import nelvar.core.analysis.signals.PermissivesHold;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.analysis.signals.PlugTrials;
import nelvar.core.catalogue.Pin;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;
import nelvar.documents.content.ConnectorRows;
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

  @CommandLine.Option(
      names = "--plugs",
      description =
          "Besides, what each plug does when it is put on turned round, shifted or in its neighbour's socket.")
  private boolean plugs;

  @CommandLine.Option(
      names = "--permissives",
      description = "Besides, the permissives with each sensor stuck on and off.")
  private boolean permissives;

  @CommandLine.Option(
      names = "--connectors",
      description = "Only the plugs, place by place, as text.")
  private boolean connectors;

  @CommandLine.Option(
      names = "--template",
      paramLabel = "LINE",
      description =
          "How a place is written with --connectors: a line with names in braces, such as {place} {pin} {wire} {colour} {to}; see docs/guide/command-line.md.")
  private String template = ConnectorRows.TEMPLATE;

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
    if (connectors) return connectors(study, out);
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
    else {
      print(links, study, whole, out);
      if (plugs) plugs(study, out);
      if (permissives) permissives(study, out);
    }
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

  private int connectors(Study study, PrintWriter out) {
    var problem = ConnectorRows.problem(template);
    if (problem.isPresent()) {
      java.util.Objects.requireNonNull(spec)
          .commandLine()
          .getErr()
          .println("nelvar: --template: " + problem.get());
      return CommandLineTool.BAD_USE;
    }
    for (var face : ConnectorRows.of(study)) {
      if (face.stream().noneMatch(place -> free || place.wire().isPresent())) continue;
      for (var place : face)
        if (free || place.wire().isPresent()) out.println(ConnectorRows.written(place, template));
    }
    return CommandLineTool.FINE;
  }

  private static void plugs(Study study, PrintWriter out) {
    for (var trial : PlugTrials.of(study))
      out.printf(
          "plug %-28s %s%n",
          trial.words(),
          trial.settled()
              ? trial.harm().isEmpty() ? "destroys nothing" : String.join("; ", trial.harm())
              : "no steady state is found");
  }

  private static void permissives(Study study, PrintWriter out) {
    var table = Permissive.Table.of(study);
    for (var row : table.unread())
      out.printf("permissive %s cannot be read: %s%n", row.name(), row.why());
    for (var tried : PermissivesHold.tried(table.rows(), study))
      out.printf(
          "permissive %-20s %-22s %s%n",
          tried.row().name(),
          tried.stuck(),
          tried
                  .like()
                  .map(other -> "reads like " + other.name())
                  .orElse("reads like itself or nothing")
              + (tried.wrongly().isEmpty() ? "" : ", WRONGLY PERMITS " + tried.wrongly()));
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
