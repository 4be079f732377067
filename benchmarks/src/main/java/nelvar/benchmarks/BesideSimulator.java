package nelvar.benchmarks;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.regex.Pattern;
import nelvar.core.exchange.SpiceNetlist;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.model.Project;
import nelvar.core.network.Conditions;
import nelvar.core.network.Engine;
import nelvar.core.network.Live;
import nelvar.core.network.Network;
import nelvar.core.network.WhatIf;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.units.Temperature;

/// The engine beside ngspice on the same networks in the same run: ngspice's own reported analysis
/// time for the direct-current and the mains-frequency netlist together, against one solve of both
/// here, from the wiring, warm.
final class BesideSimulator {
  private static final Conditions USUAL = new Conditions(new Temperature(45), 1);
  private static final Pattern TIME =
      Pattern.compile("Total analysis time \\(seconds\\) = ([0-9.eE+-]+)");

  private BesideSimulator() {}

  public static void main(String[] arguments) throws Exception {
    var file = Path.of(System.getProperty("nelvar.demo", ""));
    row("demo", ProjectFormat.read("demo", Files.readAllBytes(file), CatalogueFile.standard()));
    for (var loads : new int[] {60, 600, 1818}) {
      var panel = GeneratedPanel.of(loads, 1);
      row(panel.conductors().size() + " conductors", panel);
    }
  }

  private static void row(String name, Project project) throws Exception {
    var network = Network.of(project, CatalogueFile.standard());
    var live = Engine.of(network).solve(WhatIf.AS_DESIGNED, USUAL);
    var ours = ours(network);
    var theirs =
        theirs(SpiceNetlist.direct(project, live))
            + theirs(SpiceNetlist.alternating(project, live));
    System.out.printf(
        Locale.ROOT,
        "%-18s %8.2f ms here  %9.2f ms ngspice  ratio %.0f%n",
        name,
        1000 * ours,
        1000 * theirs,
        theirs / ours);
  }

  private static double ours(Network network) {
    Live last = null;
    var end = System.nanoTime() + 5_000_000_000L;
    while (System.nanoTime() < end) last = Engine.of(network).solve(WhatIf.AS_DESIGNED, USUAL);
    var turns = 0;
    var start = System.nanoTime();
    while (System.nanoTime() - start < 1_000_000_000L) {
      last = Engine.of(network).solve(WhatIf.AS_DESIGNED, USUAL);
      turns++;
    }
    if (last == null || !last.settled()) throw new IllegalStateException("not solved");
    return (System.nanoTime() - start) / 1e9 / turns;
  }

  private static double theirs(String netlist) throws IOException, InterruptedException {
    var file = Files.createTempFile("nelvar", ".cir");
    Files.writeString(
        file,
        netlist.replaceFirst(
            "(?m)^\\.end\n", ".control\nrun\nrusage everything\nquit\n.endc\n.end\n"));
    try {
      var process =
          new ProcessBuilder("ngspice", "-b", file.toString()).redirectErrorStream(true).start();
      var log = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      process.waitFor();
      var time = TIME.matcher(log);
      if (!time.find()) throw new IOException("ngspice reported no time:\n" + log);
      return Double.parseDouble(time.group(1));
    } finally {
      Files.delete(file);
    }
  }
}
