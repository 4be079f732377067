package nelvar.core.network;

import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.solve.Phasor;
import nelvar.core.units.Current;
import nelvar.core.units.Temperature;

/// Short-circuit currents between terminals: the volts that stand between them with nothing on,
/// over the impedance of all that leads there and back, windings before bridges included.
public final class Fault {
  /// Voltage factors for the greatest and least short-circuit current (IEC 60909-0, low voltage,
  /// unchecked; 0.95 with cold wires turned hot).
  static final double GREATEST = 1.05;

  private static final double LEAST = 0.95;

  private final Live open;

  /// Rules ask for the same short circuits.
  private final Map<PoleRef, Optional<Prospective>> known = new ConcurrentHashMap<>();

  private Fault(Live open) {
    this.open = open;
  }

  /// Wires at 20 °C, mains at 1.05 of nominal: the current devices must be able to break.
  public static Fault greatest(Engine engine) {
    return new Fault(
        engine.solve(
            WhatIf.AS_DESIGNED.with(LoadMode.IDLE), new Conditions(new Temperature(20), GREATEST)));
  }

  /// Hot wires, mains at 0.95 of nominal: the current that must still open a device.
  public static Fault least(Engine engine, Temperature hot) {
    return new Fault(
        engine.solve(WhatIf.AS_DESIGNED.with(LoadMode.IDLE), new Conditions(hot, LEAST)));
  }

  /// @param alternating whether it is alternating current
  /// @param limitedBy the source whose own limit keeps it down, where one does
  public record Prospective(
      Current current, double ohms, boolean alternating, Optional<Live.Output> limitedBy) {}

  /// The current through a bridge of no resistance between two terminals; empty where no source
  /// stands between them.
  public Optional<Prospective> between(TerminalRef a, TerminalRef b) {
    return known.computeIfAbsent(new PoleRef(a, b), _ -> computed(a, b));
  }

  private Optional<Prospective> computed(TerminalRef a, TerminalRef b) {
    // No number is read out of a state that did not settle.
    var volts = open.voltage(a, b);
    if (volts.isEmpty() || volts.get().rms() < 0.5) return Optional.empty();
    var alternating = volts.get().mostlyAlternating();
    var z = open.impedance(a, b, alternating);
    if (z.isEmpty()) return Optional.empty();
    var ohms = Math.max(z.get().magnitude(), 1e-6);
    var amperes =
        (alternating ? volts.get().alternating().magnitude() : Math.abs(volts.get().direct()))
            / ohms;
    if (alternating) return Optional.of(prospective(amperes, ohms, true, Optional.empty()));
    var bridges = bridges(a, b);
    if (bridges > 0) {
      ohms += 1 / bridges;
      amperes = Math.abs(volts.get().direct()) / ohms;
    }
    var limit = limiting(a, b);
    var most = limit.map(Fault::shortCircuit).orElse(Double.POSITIVE_INFINITY);
    return Optional.of(
        most < amperes
            ? prospective(most, ohms, false, limit)
            : prospective(amperes, ohms, false, Optional.empty()));
  }

  /// The conductance of all bridges that feed one of two terminals; 0 where none does.
  private double bridges(TerminalRef a, TerminalRef b) {
    return open.outputs().stream()
        .filter(output -> !output.output().alternating() && near(output, a, b))
        .mapToDouble(output -> bridge(output).map(ohms -> 1 / ohms).orElse(0.0))
        .sum();
  }

  /// What a bridge with its winding has inside, as its open volts over the mean of what its winding
  /// drives through a short: `√2·E/(2·√2/π · E/Z)`.
  private Optional<Double> bridge(Live.Output output) {
    var device = output.device();
    var part = open.circuitry().topology().part(device.id());
    var intake =
        part.stream()
            .flatMap(p -> p.elements().stream())
            .flatMap(e ->
                e instanceof nelvar.core.catalogue.Element.Bridge bridge
                        && bridge.output().equals(output.output().name())
                    ? java.util.stream.Stream.of(bridge.intake())
                    : java.util.stream.Stream.empty())
            .findFirst();
    return device.intakes(part.orElseThrow()).stream()
        .filter(i -> intake.filter(i.name()::equals).isPresent() && i.back().isPresent())
        .findFirst()
        .flatMap(i ->
            open.impedance(
                new TerminalRef(device.id(), i.lines().getFirst()),
                new TerminalRef(device.id(), i.back().orElseThrow()),
                true))
        .map(z -> Math.PI / 2 * z.magnitude());
  }

  private static Prospective prospective(
      double amperes, double ohms, boolean alternating, Optional<Live.Output> limitedBy) {
    return new Prospective(new Current(amperes), ohms, alternating, limitedBy);
  }

  /// What charged capacitors give at once into a short between two terminals.
  public CapacitorShort fromCapacitors(TerminalRef a, TerminalRef b) {
    return CapacitorShort.of(open, a, b);
  }

  /// Bolted on three lines: `Ik3 = U/√3 / (Zab/2)`.
  public Optional<Prospective> threePhase(TerminalRef a, TerminalRef b) {
    return between(a, b)
        .map(two ->
            prospective(
                two.current().amperes() * 2 / Math.sqrt(3),
                two.ohms() / 2,
                two.alternating(),
                two.limitedBy()));
  }

  private static double shortCircuit(Live.Output output) {
    return output.limit().map(limit -> limit.shortCircuit().amperes()).orElse(1e9);
  }

  /// The direct-current supply that feeds one of two terminals. Of several of one voltage whose 0 V
  /// are joined, the one with the least resistance on the way: to the others it leads through
  /// supplies.
  private Optional<Live.Output> limiting(TerminalRef a, TerminalRef b) {
    var near =
        open.outputs().stream()
            .filter(output -> !output.output().alternating() && output.limit().isPresent())
            .filter(output -> near(output, a, b))
            .toList();
    if (near.size() < 2) return near.stream().findFirst();
    return near.stream().min(Comparator.comparingDouble(output -> way(output, a, b)));
  }

  private double way(Live.Output output, TerminalRef a, TerminalRef b) {
    var plus = new TerminalRef(output.device().id(), output.output().lines().getFirst());
    return java.util.stream.Stream.of(a, b)
        .filter(end -> drops(plus, end))
        .flatMap(end -> open.impedance(plus, end, false).stream())
        .mapToDouble(Phasor::magnitude)
        .min()
        .orElse(Double.POSITIVE_INFINITY);
  }

  private boolean near(Live.Output output, TerminalRef a, TerminalRef b) {
    var plus = new TerminalRef(output.device().id(), output.output().lines().getFirst());
    return drops(plus, a) || drops(plus, b);
  }

  /// With nothing on, a terminal on a supply's own line stands within a volt of it.
  private boolean drops(TerminalRef plus, TerminalRef terminal) {
    return open.voltage(plus, terminal).map(v -> Math.abs(v.direct()) < 1).orElse(false);
  }

  /// The impedance between two terminals with sources replaced by their own, Ω.
  public Optional<Phasor> impedance(TerminalRef a, TerminalRef b) {
    if (!open.settled()) return Optional.empty();
    return open.impedance(a, b, true);
  }
}
