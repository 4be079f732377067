package nelvar.core.exchange;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import nelvar.core.network.solve.Phasor;

/// Runs ngspice, a general-purpose circuit simulator from the distribution, where it is installed.
final class Simulator {
  private Simulator() {}

  static boolean installed() {
    try {
      var process = new ProcessBuilder("ngspice", "--version").redirectErrorStream(true).start();
      process.getInputStream().readAllBytes();
      return process.waitFor() == 0;
    } catch (IOException e) {
      return false;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  /// The voltage of every node against node 0.
  static Map<String, Phasor> run(String netlist, Path folder) throws Exception {
    var file = folder.resolve("netlist.cir");
    var raw = folder.resolve("out.raw");
    Files.deleteIfExists(raw);
    var exact =
        netlist.contains(".options")
            ? ""
            : ".options reltol=1e-9 abstol=1e-12 vntol=1e-9 itl1=1000\n";
    var control =
        exact + ".control\nset filetype=ascii\nrun\nwrite " + raw + "\nquit\n.endc\n.end\n";
    Files.writeString(file, netlist.replaceFirst("(?m)^\\.end\n", control));
    var process =
        new ProcessBuilder("ngspice", "-b", file.toString()).redirectErrorStream(true).start();
    var log = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    if (!process.waitFor(60, TimeUnit.SECONDS) || !Files.exists(raw) || log.contains("aborted"))
      throw new AssertionError("the simulator gave no result:\n" + log);
    return voltages(raw);
  }

  /// What the `.meas` lines of a transient netlist found.
  static Map<String, Double> measure(String netlist, Path folder) throws Exception {
    var file = folder.resolve("transient.cir");
    Files.writeString(file, netlist);
    var process =
        new ProcessBuilder("ngspice", "-b", file.toString()).redirectErrorStream(true).start();
    var log = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    if (!process.waitFor(60, TimeUnit.SECONDS)) throw new AssertionError("no result:\n" + log);
    var all = new HashMap<String, Double>();
    for (var line : log.lines().toList()) {
      var found =
          java.util.regex.Pattern.compile("^(\\w+)\\s*=\\s*([-+.0-9e]+)\\s+(from|at)")
              .matcher(line);
      if (found.find()) all.put(found.group(1), Double.parseDouble(found.group(2)));
    }
    if (all.isEmpty()) throw new AssertionError("nothing was measured:\n" + log);
    return all;
  }

  /// Of the last point.
  private static Map<String, Phasor> voltages(Path raw) throws IOException {
    var lines = Files.readAllLines(raw, StandardCharsets.ISO_8859_1);
    var variables = lines.indexOf("Variables:");
    var values = lines.indexOf("Values:");
    var all = new HashMap<String, Phasor>();
    var count = values - variables - 1;
    var points =
        lines.subList(values + 1, lines.size()).stream().filter(l -> !l.isBlank()).toList();
    var first = points.size() - count;
    for (var i = 0; i < count; i++) {
      var name = lines.get(variables + 1 + i).trim().split("\\s+")[1];
      var text = points.get(first + i).trim();
      var parts = (i == 0 ? text.replaceFirst("^[0-9]+\\s+", "") : text).split(",");
      all.put(
          name.replaceFirst("^v\\((.*)\\)$", "$1"),
          new Phasor(
              Double.parseDouble(parts[0].trim()),
              parts.length > 1 ? Double.parseDouble(parts[1].trim()) : 0));
    }
    return all;
  }
}
