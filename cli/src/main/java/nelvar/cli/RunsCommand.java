package nelvar.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Carriers;
import nelvar.core.analysis.runs.CutList;
import nelvar.core.analysis.runs.Entries;
import nelvar.core.analysis.runs.Fill;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.runs.WireKinds;
import nelvar.core.analysis.runs.WiringHours;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Length;
import picocli.CommandLine;

@CommandLine.Command(
    name = "runs",
    description =
        "Which way every wire and cable takes, how long that makes it, and how full what it lies in is.",
    mixinStandardHelpOptions = true)
final class RunsCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Option(
      names = "--stock",
      description =
          "Which single wires are bought, and which of them become thicker ones so that whole drums cost less.")
  private boolean stock;

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  /// Metres; what is not known is absent.
  private record Run(
      String number,
      String from,
      String to,
      Optional<String> section,
      Optional<Double> length,
      String by,
      String way,
      Optional<String> cable,
      List<String> liesIn) {}

  private record CableRun(
      String number,
      String cable,
      Optional<Double> length,
      String by,
      String way,
      Optional<Double> diameter,
      Optional<String> gland) {}

  /// Percent of its room where the most lies, and what it may be.
  private record Filled(
      String bundle,
      String name,
      Optional<String> kind,
      int lies,
      Optional<Double> percent,
      Optional<Double> atMost,
      Optional<Boolean> holds) {}

  /// A carrier: what is ordered and the room it takes, in words; millimetres.
  private record Moves(
      String bundle, int links, double length, double loop, double standsOut, String words) {}

  private record Cut(
      String kind, double metres, int drums, double drum, double left, int withoutLength) {}

  /// Of one kind; what its drums cost is absent where the catalogue has no price.
  private record Bought(String kind, double metres, int drums, Optional<Double> cost) {}

  private record Stock(
      int version,
      String project,
      List<Bought> before,
      List<String> merges,
      List<Bought> after,
      double saves) {}

  private record Told(
      int version,
      String project,
      List<Run> conductors,
      List<CableRun> cables,
      List<Filled> fill,
      List<Moves> carriers,
      List<Cut> cut,
      double hours) {}

  @Override
  public Integer call() throws Exception {
    var study = Study.of(ProjectFile.at(file).open(), CatalogueFile.standard());
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    if (stock) return stock(study, out);
    var told =
        new Told(
            1,
            study.project().name(),
            study.project().conductors().stream().map(wire -> run(wire, study)).toList(),
            study.project().cables().stream().map(cable -> run(cable, study)).toList(),
            Lying.of(study).all().stream()
                .filter(bundle -> !study.lyingIn(bundle).isEmpty())
                .map(bundle -> filled(bundle, study))
                .toList(),
            study.project().bundles().stream().flatMap(bundle -> moves(bundle).stream()).toList(),
            CutList.of(study).stream()
                .map(kind -> cut(kind, CutList.drum(study).metres()))
                .toList(),
            Math.round(WiringHours.hours(study) * 10) / 10.0);
    if (json)
      out.println(NelvarJson.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(told));
    else print(told, study, out);
    return CommandLineTool.FINE;
  }

  private int stock(Study study, PrintWriter out) throws java.io.IOException {
    var answer = WireKinds.of(study, CatalogueFile.standard());
    var told =
        new Stock(
            1,
            study.project().name(),
            answer.before().stream().map(RunsCommand::bought).toList(),
            answer.merges().stream().map(WireKinds.Merge::words).toList(),
            answer.after().stream().map(RunsCommand::bought).toList(),
            Math.round(answer.saves() * 100) / 100.0);
    if (json) {
      out.println(NelvarJson.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(told));
      return CommandLineTool.FINE;
    }
    var currency = study.project().brief().policies().currency();
    out.printf("As designed, %d kinds of wire in whole drums:%n", told.before().size());
    print(told.before(), currency, out);
    out.println();
    if (told.merges().isEmpty()) {
      out.println("No kind can be left out so that it costs less.");
      return CommandLineTool.FINE;
    }
    for (var merge : told.merges()) out.println(merge);
    out.printf(
        Locale.ROOT,
        "%nThen %d kinds, %.2f %s less:%n",
        told.after().size(),
        told.saves(),
        currency);
    print(told.after(), currency, out);
    out.println("In the window: Find, 'Fewer kinds of wire'.");
    return CommandLineTool.FINE;
  }

  private static Bought bought(WireKinds.Kind kind) {
    return new Bought(
        kind.words(),
        Math.round(kind.metres().metres() * 100) / 100.0,
        kind.drums(),
        kind.cost().map(cost -> Math.round(cost * 100) / 100.0));
  }

  private static void print(List<Bought> kinds, String currency, PrintWriter out) {
    for (var kind : kinds)
      out.printf(
          Locale.ROOT,
          "  %-34s %8.1f m  %d drums  %s%n",
          kind.kind(),
          kind.metres(),
          kind.drums(),
          kind.cost()
              .map(cost -> String.format(Locale.ROOT, "%.2f %s", cost, currency))
              .orElse("no price"));
  }

  private static Run run(Conductor wire, Study study) {
    var answer = HowLong.of(study).answer(wire);
    return new Run(
        wire.label().text(),
        end(wire.from(), study),
        end(wire.to(), study),
        wire.section().map(Object::toString),
        answer.length().map(l -> l.metres()),
        answer.basis().name().toLowerCase(Locale.ROOT),
        way(answer, Lying.of(study).words(wire)),
        study.cable(wire).map(cable -> cable.label().text()),
        study.bundles(wire).stream().map(bundle -> bundle.id().text()).toList());
  }

  /// Its way; where it is not known, what is missing for it.
  private static String way(HowLong.Answer answer, String lies) {
    return answer.basis() == HowLong.Basis.ASSUMED || answer.basis() == HowLong.Basis.UNKNOWN
        ? lies + (lies.isEmpty() ? "" : "; ") + answer.why()
        : lies;
  }

  private static String end(TerminalRef end, Study study) {
    return study.label(end.device()) + ":" + end.terminal();
  }

  private static CableRun run(Cable cable, Study study) {
    var answer = HowLong.of(study).answer(cable);
    var entry =
        study.project().layout().cabinets().stream()
            .flatMap(cabinet -> Entries.of(cabinet, study).of(cable.id()).stream())
            .findFirst();
    return new CableRun(
        cable.label().text(),
        cable.stock(),
        answer.length().map(l -> l.metres()),
        answer.basis().name().toLowerCase(Locale.ROOT),
        way(
            answer,
            study.cores(cable.id()).stream().findFirst().map(Lying.of(study)::words).orElse("")),
        entry.flatMap(Entries.Entry::diameter),
        entry.flatMap(Entries.Entry::gland).map(Cable.Gland::words));
  }

  private static Filled filled(Bundle bundle, Study study) {
    var fill = Fill.of(bundle, study);
    return new Filled(
        bundle.id().text(),
        bundle.name(),
        bundle.form().map(form -> form.kind().words()),
        study.lyingIn(bundle).size(),
        fill.map(f -> f.filled().value().percent()),
        fill.map(f -> f.most().percent().percent()),
        fill.map(Fill::holds));
  }

  private static Optional<Moves> moves(Bundle bundle) {
    return Carriers.of(bundle)
        .map(carrier ->
            new Moves(
                bundle.id().text(),
                Carriers.links(carrier),
                tenths(Carriers.chain(carrier).value()),
                tenths(Carriers.rest(carrier).value()),
                tenths(Carriers.standsOut(carrier)),
                Carriers.words(carrier)));
  }

  private static double tenths(Length length) {
    return Math.round(length.metres() * 10_000) / 10.0;
  }

  private static Cut cut(CutList.Kind kind, double drum) {
    return new Cut(
        kind.kind(),
        Math.round(kind.metres().metres() * 100) / 100.0,
        kind.drums().size(),
        drum,
        Math.round(kind.drums().stream().mapToDouble(d -> d.left().metres()).sum() * 100) / 100.0,
        kind.unknown());
  }

  private static String metres(Optional<Double> length, Study study) {
    return length
        .map(l ->
            String.format(Locale.ROOT, "%.2f m", l)
                + HowLong.onTape(new Length(l), study).map(tape -> " " + tape).orElse(""))
        .orElse("not known");
  }

  private static void print(Told told, Study study, PrintWriter out) {
    for (var run : told.conductors())
      out.printf(
          "%-6s %-12s %-12s %-8s %10s  %-8s %s%n",
          run.number(),
          run.from(),
          run.to(),
          run.section().orElse("choose"),
          metres(run.length(), study),
          run.by(),
          run.way());
    if (!told.cables().isEmpty()) out.println();
    for (var run : told.cables())
      out.printf(
          "%-6s %-26s %10s  %-8s %-5s %s%n",
          run.number(),
          run.cable(),
          metres(run.length(), study),
          run.by(),
          run.gland().orElse(""),
          run.way());
    out.println();
    for (var fill : told.fill())
      out.printf(
          "%-6s %-34s %3d conductors%s%n",
          fill.bundle(),
          fill.name(),
          fill.lies(),
          fill.percent()
              .map(p ->
                  String.format(
                      Locale.ROOT,
                      ", %.0f %% full, at most %.0f %%%s",
                      p,
                      fill.atMost().orElse(0.0),
                      fill.holds().orElse(true) ? "" : ": too full"))
              .orElse(fill.kind().isPresent() ? ", nothing around it" : ", its size is not known"));
    for (var carrier : told.carriers()) out.printf("%-6s %s%n", carrier.bundle(), carrier.words());
    out.println();
    for (var cut : told.cut())
      out.printf(
          "%-34s %8.2f m from %d of %.0f m%s%n",
          cut.kind(),
          cut.metres(),
          cut.drums(),
          cut.drum(),
          cut.withoutLength() > 0
              ? ", and %d without a length".formatted(cut.withoutLength())
              : "");
    out.printf("%nAbout %.0f hours of wiring by assumed minutes a step.%n", told.hours());
  }
}
