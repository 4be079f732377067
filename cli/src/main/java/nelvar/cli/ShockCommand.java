package nelvar.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.shock.Leaking;
import nelvar.core.analysis.shock.Opened;
import nelvar.core.analysis.shock.Touch;
import nelvar.core.catalogue.Part;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Device;
import nelvar.core.network.StoredCharge;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import picocli.CommandLine;

@CommandLine.Command(
    name = "shock",
    description =
        "What a hand meets at each piece of metal, in order, with a fault in it and with its protective conductor broken; what stays live with the main switch off, and how to open safely.",
    mixinStandardHelpOptions = true)
final class ShockCommand implements Callable<Integer> {
  private static final String SAYS =
      "Computed from the wires that are drawn; a protective conductor that is not there, loose or corroded is found by measuring only. Lock off, wait, prove dead. Local codes and a licensed electrician decide.";

  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  private record Metal(
      String device,
      String purpose,
      Optional<Double> insideVolts,
      boolean joined,
      Optional<Double> ohms,
      Optional<Double> faultAmperes,
      Optional<Double> touchVolts,
      Optional<Double> handAmperes,
      Optional<Double> opensAfter,
      double leaks,
      String now,
      String faulty,
      String broken) {}

  private record Leak(String inlet, double amperes, List<String> by) {}

  private record Live(String device, List<String> terminals, double volts) {}

  private record Charge(String device, double volts, Optional<Double> below60) {}

  private record All(
      int version,
      String project,
      boolean secondFault,
      List<Metal> metal,
      List<Leak> leakage,
      Optional<List<Live>> staysLive,
      List<Charge> charges,
      List<String> unearthed,
      List<String> opening,
      String says) {}

  @Override
  public Integer call() throws Exception {
    var study = Study.of(ProjectFile.at(file).open(), CatalogueFile.standard());
    var out = Objects.requireNonNull(spec).commandLine().getOut();
    var opened = Opened.of(study);
    var all =
        new All(
            1,
            study.project().name(),
            Touch.all(study).stream().anyMatch(Touch::second),
            Touch.all(study).stream().map(ShockCommand::metal).toList(),
            study.project().devices().stream()
                .filter(d -> study.part(d).filter(Part::mainsInlet).isPresent())
                .map(inlet -> leak(inlet, study))
                .toList(),
            Optional.of(
                    opened.live().entrySet().stream()
                        .map(e ->
                            new Live(
                                e.getKey().designation().text(),
                                e.getValue().stream().map(s -> s.at().terminal()).toList(),
                                e.getValue().stream()
                                    .mapToDouble(s -> s.volts().volts())
                                    .max()
                                    .orElse(0)))
                        .toList())
                .filter(_ -> opened.known()),
            opened.charges().stream()
                .map(c ->
                    new Charge(
                        c.device().designation().text(),
                        c.from().volts(),
                        c.until(StoredCharge.MARKS.getFirst()).map(Duration::seconds)))
                .toList(),
            Opened.unearthed(study).stream().map(d -> d.designation().text()).toList(),
            opened.order(study),
            SAYS);
    if (json)
      out.println(NelvarJson.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(all));
    else print(all, out);
    return CommandLineTool.FINE;
  }

  private static Leak leak(Device inlet, Study study) {
    return new Leak(
        inlet.designation().text(),
        Leaking.sum(inlet, study).amperes(),
        Leaking.leaking(inlet, study).stream().map(d -> d.designation().text()).toList());
  }

  private static Metal metal(Touch t) {
    return new Metal(
        t.name(),
        t.device().purpose(),
        t.known() ? Optional.of(t.inside().volts()) : Optional.empty(),
        t.joined(),
        t.way().map(Resistance::ohms),
        t.fault().map(Current::amperes),
        t.faultVolts().map(Voltage::volts),
        t.handWithFault().map(Current::amperes),
        t.opens().map(Duration::seconds),
        t.leaks().amperes(),
        t.now().words(),
        t.faulty().words(),
        t.broken().words());
  }

  private static void print(All all, PrintWriter out) {
    if (all.metal().isEmpty()) out.println("No device of this machine has a protective terminal.");
    else
      out.printf(
          "Metal, worst first: now / %s / its conductor broken%n",
          all.secondFault() ? "a second fault, in it and elsewhere (IT)" : "a fault in it");
    for (var m : all.metal())
      out.printf(
          Locale.ROOT,
          "  %-8s %-26s %s / %s%s / %s%n",
          m.device(),
          m.purpose(),
          m.now(),
          m.faulty(),
          m.touchVolts()
              .map(u ->
                  " ("
                      + new Voltage(u)
                      + m.handAmperes().map(i -> ", hand " + new Current(i)).orElse("")
                      + m.opensAfter().map(t -> " for " + new Duration(t)).orElse("")
                      + ")")
              .orElse(""),
          m.broken());
    for (var leak : all.leakage())
      out.printf(
          "leaks behind %s: %s%s%n",
          leak.inlet(),
          new Current(leak.amperes()),
          leak.by().isEmpty() ? "" : " (" + String.join(", ", leak.by()) + ")");
    if (!all.unearthed().isEmpty())
      out.printf(
          "no protective terminal, double insulated as far as parts say: %s%n",
          String.join(", ", all.unearthed()));
    out.println("To open it:");
    var n = 1;
    for (var step : all.opening()) out.printf("  %d. %s%n", n++, step);
    out.println(all.says());
  }
}
