package nelvar.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.bonding.Bonding;
import nelvar.core.analysis.interference.Coupled;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.interference.Remedies;
import nelvar.core.analysis.interference.Separation;
import nelvar.core.analysis.interference.Symptom;
import nelvar.core.compose.Quieter;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.ProjectFile;
import nelvar.core.review.Review;
import nelvar.core.units.Price;
import picocli.CommandLine;

@CommandLine.Command(
    name = "quiet",
    description =
        "What disturbs what, by which way, how far below what disturbs it, and what would help.",
    mixinStandardHelpOptions = true)
final class QuietCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Option(
      names = "--pairs",
      paramLabel = "N",
      description = "So many pairs, worst first (20).")
  private int most = 20;

  @CommandLine.Option(
      names = "--remedies",
      paramLabel = "N",
      description =
          "What would help the worst N of them that are not alike, each tried on a copy (3).")
  private int helped = 3;

  @CommandLine.Option(
      names = "--symptom",
      paramLabel = "TEXT",
      description =
          "What goes wrong, and when: \"hopper weight jumps when the auger runs\". Names what could do it and what to try.")
  private Optional<String> symptom = Optional.empty();

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  /// Volts by way; decibels.
  private record Told(
      String disturbs,
      String kind,
      String hears,
      String at,
      String input,
      double margin,
      double uncertainty,
      String standing,
      Map<String, Double> volts,
      double tooMuch,
      double beside,
      Optional<String> where,
      List<Help> helps) {}

  private record Help(
      String what,
      double gain,
      double margin,
      Optional<String> costs,
      double minutes,
      int others) {}

  private record Best(List<String> steps, double worst) {}

  /// Ohms to the protective terminal of the inlet; absent where nothing joins it.
  private record Metal(String device, String at, Optional<Double> mains, Optional<Double> fast) {}

  private record Joint(String kind, String what, String from, String to) {}

  private record Ring(String closedBy, String kind, boolean matters) {}

  private record Zero(String supply, int times, List<String> by) {}

  private record Bonds(
      List<Metal> metal, List<Joint> joints, List<Ring> rings, List<Zero> zeroVolt, int assumed) {}

  private record Suspect(String disturbs, String kind, String hears, String input, double margin) {}

  /// @param margin dB that are expected while it is tried; absent where nothing computes it
  private record Try(
      String what,
      double minutes,
      Optional<Double> margin,
      String gone,
      String stays,
      boolean switchedOff) {}

  private record Seen(String says, List<Suspect> suspects, List<Try> trials) {}

  private record All(
      int version,
      String project,
      Optional<Seen> symptom,
      int pairs,
      Optional<String> none,
      List<Told> worst,
      Optional<Best> best,
      List<Keep> apart,
      Bonds bonds) {}

  /// Trays that nobody said how near they are; metres that they should keep.
  private record Keep(String disturbs, String hears, double metres, double byTable, String says) {}

  @Override
  public Integer call() throws Exception {
    var study = Study.of(ProjectFile.at(file).open(), CatalogueFile.standard());
    var out = Objects.requireNonNull(spec).commandLine().getOut();
    if (most < 1 || helped < 0)
      throw new CommandLine.ParameterException(
          spec.commandLine(), "--pairs is 1 and more, --remedies 0 and more");
    // Only what helps is reviewed.
    var today = Review.findingsOnly(study);
    var pairs = Coupled.of(study).pairs();
    var told = new ArrayList<Told>();
    var alike = new HashSet<List<Object>>();
    for (var pair : pairs.subList(0, Math.min(most, pairs.size()))) {
      var next = told(pair, List.of());
      var first = alike.size() < helped && alike.add(like(next));
      told.add(first ? told(pair, Quieter.of(pair, today, () -> false)) : next);
    }
    var best = helped == 0 ? Optional.<Remedies.Best>empty() : Quieter.best(today, 5);
    var all =
        new All(
            1,
            study.project().name(),
            symptom.map(text -> seen(Symptom.of(text, study))),
            pairs.size(),
            Coupled.of(study).none(),
            told,
            best.map(b -> new Best(b.steps(), round(b.worst()))),
            Separation.of(study).stream()
                .map(k ->
                    new Keep(
                        k.disturbs().name(),
                        k.hears().name(),
                        Math.ceil(k.metres() * 100) / 100,
                        Separation.BY_TABLE,
                        k.words()))
                .toList(),
            bonds(study));
    if (json)
      out.println(NelvarJson.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(all));
    else print(all, out);
    return pairs.stream().anyMatch(p -> p.margin() < 0)
        ? CommandLineTool.FOUND
        : CommandLineTool.FINE;
  }

  private static Seen seen(Symptom symptom) {
    return new Seen(
        symptom.says(),
        symptom.suspects().stream()
            .map(p ->
                new Suspect(
                    p.emitter().label(),
                    p.emitter().kind().words(),
                    p.receiver().label(),
                    p.receiver().words(),
                    round(p.margin())))
            .toList(),
        symptom.trials().stream()
            .map(t ->
                new Try(
                    t.what(),
                    t.minutes(),
                    t.margin().isPresent()
                        ? Optional.of(round(t.margin().getAsDouble()))
                        : Optional.empty(),
                    t.gone(),
                    t.stays(),
                    t.dead()))
            .toList());
  }

  private static void print(Seen seen, PrintWriter out) {
    out.printf("%s%n", seen.says());
    for (var s : seen.suspects())
      out.printf(
          Locale.ROOT,
          "%+6.1f dB  %s (%s) into %s (%s)%n",
          s.margin(),
          s.disturbs(),
          s.kind(),
          s.hears(),
          s.input());
    if (seen.trials().stream().anyMatch(Try::switchedOff))
      out.println(
          "Try, cheapest first. Where hands go in: switch off, lock off, wait for stored charge, prove dead; then try.");
    for (var t : seen.trials())
      out.printf(
          Locale.ROOT,
          "  %2.0f min  %s%s%n          gone:  %s%n          stays: %s%n",
          t.minutes(),
          t.what(),
          t.margin().map(m -> " (at best %+.0f dB)".formatted(m)).orElse(""),
          t.gone(),
          t.stays());
    out.println();
  }

  private static Told told(Pair pair, List<Quieter.Tried> helps) {
    var volts = new TreeMap<String, Double>();
    pair.volts().forEach((way, v) -> volts.put(way.words(), v));
    return new Told(
        pair.emitter().label(),
        pair.emitter().kind().words(),
        pair.receiver().label(),
        pair.receiver().at().toString(),
        pair.receiver().words(),
        round(pair.margin()),
        pair.uncertainty(),
        pair.standing().words(),
        volts,
        pair.receiver().threshold(),
        round(pair.beside()),
        pair.apart().map(Pair.Place::name),
        helps.stream()
            .map(h ->
                new Help(
                    h.remedy().repair().label(),
                    round(h.remedy().gain()),
                    round(h.remedy().margin()),
                    h.remedy().costs().map(Price::toString),
                    Math.ceil(h.remedy().minutes()),
                    h.remedy().others()))
            .toList());
  }

  private static Bonds bonds(Study study) {
    var net = Bonding.of(study);
    return new Bonds(
        net.pieces().stream()
            .map(p ->
                new Metal(p.device().designation().text(), p.at().toString(), p.mains(), p.fast()))
            .toList(),
        net.bonds().stream()
            .map(
                b -> new Joint(b.kind().words(), b.label(), b.from().toString(), b.to().toString()))
            .toList(),
        net.loops().stream()
            .map(l -> new Ring(l.closes().label(), l.closes().kind().words(), l.matters()))
            .toList(),
        net.zeroVolt().stream()
            .map(z ->
                new Zero(
                    z.source().device().designation().text(),
                    z.times(),
                    z.wires().stream().map(wire -> wire.label().text()).toList()))
            .toList(),
        net.assumed());
  }

  private static double round(double value) {
    return Math.round(value * 10) / 10.0;
  }

  /// What pins of one device share that the same thing disturbs alike.
  private static List<Object> like(Told pair) {
    return List.of(
        pair.disturbs(),
        pair.kind(),
        pair.at().replaceAll(":.*", ""),
        pair.margin(),
        pair.input(),
        pair.where().orElse(""));
  }

  /// A line for what is alike.
  private static Collection<List<Told>> folded(List<Told> worst) {
    var all = new LinkedHashMap<List<Object>, List<Told>>();
    for (var pair : worst) all.computeIfAbsent(like(pair), _ -> new ArrayList<>()).add(pair);
    return all.values();
  }

  private static void print(All all, PrintWriter out) {
    all.symptom().ifPresent(seen -> print(seen, out));
    out.printf(
        Locale.ROOT,
        "%d pairs couple; margins in dB, ± 6 where geometry is fixed, ± 12 in a loom: trust the ranking. It proves nothing about emissions.%n",
        all.pairs());
    all.none().ifPresent(out::println);
    for (var alike : folded(all.worst())) {
      var pair = alike.getFirst();
      out.printf(
          Locale.ROOT,
          "%+6.1f ± %.0f  %-9s %-22s into %-12s %-24s %s%n",
          pair.margin(),
          pair.uncertainty(),
          pair.disturbs(),
          pair.kind(),
          pair.hears() + (alike.size() > 1 ? " + " + (alike.size() - 1) : ""),
          pair.input(),
          pair.where()
              .map(w -> (pair.beside() > 0 ? "%.2f m, ".formatted(pair.beside()) : "") + w)
              .orElse(""));
      for (var help : pair.helps())
        out.printf(
            Locale.ROOT,
            "          %+5.1f dB to %+.1f  %s (%s, %.0f min%s)%n",
            help.gain(),
            help.margin(),
            help.what(),
            help.costs().orElse("no price"),
            help.minutes(),
            help.others() > 0 ? ", helps %d more".formatted(help.others()) : "");
    }
    all.best()
        .ifPresent(best ->
            out.printf(
                Locale.ROOT,
                "The best %d: %s. Then the worst is %+.1f dB.%n",
                best.steps().size(),
                String.join("; ", best.steps()),
                best.worst()));
    for (var keep : all.apart()) out.println("Nobody said how near they are. " + keep.says());
    print(all.bonds(), out);
  }

  private static void print(Bonds bonds, PrintWriter out) {
    out.printf("%nJoined to the inlet's PE, at the frequency of the mains and at 1 MHz:%n");
    for (var metal : bonds.metal())
      out.printf(
          Locale.ROOT,
          "  %-10s %-12s %s%n",
          metal.device(),
          metal.at(),
          metal
              .mains()
              .map(ohms ->
                  String.format(
                      Locale.ROOT, "%8.2f mΩ %8.2f Ω", ohms * 1000, metal.fast().orElse(0.0)))
              .orElse("not joined"));
    if (bonds.assumed() > 0)
      out.printf(
          "  %d wires whose length or section is not known are taken as 1 m or 1 mm²: assumed%n",
          bonds.assumed());
    for (var zero : bonds.zeroVolt())
      out.printf(
          "  0 V of %s: joined to earth %s%n",
          zero.supply(),
          zero.times() == 0 ? "nowhere" : zero.times() == 1 ? "once" : zero.times() + " times");
  }
}
