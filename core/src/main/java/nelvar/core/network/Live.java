package nelvar.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.CurrentLimit;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.solve.Impedances;
import nelvar.core.network.solve.Inputs;
import nelvar.core.network.solve.Phasor;
import nelvar.core.network.solve.Solution;
import nelvar.core.network.solve.Solver;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;

/// The volts and amperes of a machine in one state, asked by terminal, conductor and device.
public final class Live {
  /// Volts from which a terminal counts as live.
  private static final double LIVE = 1;

  /// What only an idle source or an empty load joins, Ω: no way for a current.
  private static final double OPEN_WAY = 1e8;

  /// A voltage or current with its direct and its alternating part (r.m.s.).
  public record Both(double direct, Phasor alternating) {
    static final Both NONE = new Both(0, Phasor.ZERO);

    public double rms() {
      return Math.hypot(direct, alternating.magnitude());
    }

    /// Whether the alternating part is the greater.
    public boolean mostlyAlternating() {
      return alternating.magnitude() > Math.abs(direct);
    }
  }

  /// One protective pole with what flows in it.
  public record Loaded(
      Device device,
      ProtectiveDevice protection,
      PoleRef pole,
      Current current,
      boolean alternating) {
    /// Whether it opens by itself, without the other poles of its device.
    public boolean alone() {
      return switch (protection) {
        case ProtectiveDevice.Fuse _, ProtectiveDevice.Electronic _ -> true;
        case ProtectiveDevice.Breaker _, ProtectiveDevice.MotorSwitch _ -> false;
      };
    }
  }

  private final Circuitry circuitry;
  private final Solution solution;
  private final WhatIf trial;
  private final Conditions conditions;
  private final Positions positions;
  private final List<ActuatorRef> chatter;
  private final List<ActuatorRef> race;
  private final Solver solver;
  private final Inputs inputs;
  private List<StoredCharge> charged = List.of();
  private Optional<Duration> after = Optional.empty();
  private Optional<Live> before = Optional.empty();

  Live(
      Circuitry circuitry,
      Solution solution,
      WhatIf trial,
      Conditions conditions,
      Positions positions,
      List<ActuatorRef> chatter,
      List<ActuatorRef> race,
      Solver solver,
      Inputs inputs) {
    this.solver = solver;
    this.inputs = inputs;
    this.circuitry = circuitry;
    this.solution = solution;
    this.trial = trial;
    this.conditions = conditions;
    this.positions = positions;
    this.chatter = List.copyOf(chatter);
    this.race = List.copyOf(race);
  }

  /// The same with what capacitors still hold, so long after they lost what fed them.
  Live holding(List<StoredCharge> charges, Duration time, Live was) {
    var live =
        new Live(circuitry, solution, trial, conditions, positions, chatter, race, solver, inputs);
    live.charged = List.copyOf(charges);
    live.after = Optional.of(time);
    live.before = Optional.of(was);
    return live;
  }

  /// What was charged while it was fed and is fed no longer.
  public List<StoredCharge> charged() {
    return charged;
  }

  /// How long after it was disturbed; empty for a steady state in which nothing is left of charges.
  public Optional<Duration> after() {
    return after;
  }

  /// How the machine as a whole came to rest, or why not.
  public Outcome outcome() {
    if (!solution.settled()) return new Outcome.Unsettled(unsettled());
    if (!race.isEmpty()) return new Outcome.Undecided(race);
    return chatter.isEmpty() ? new Outcome.Settled() : new Outcome.Chattering(chatter);
  }

  /// Whether every number may be read; else some or all are not there to be read.
  public boolean settled() {
    return solution.settled();
  }

  /// Whether the volts between two terminals are known, be it that nothing joins them.
  public boolean known(TerminalRef a, TerminalRef b) {
    var first = circuitry.node(a);
    var second = circuitry.node(b);
    return first < 0 || second < 0 || solution.settled(first, second);
  }

  /// The devices of whose sources no state was found.
  private List<Id> unsettled() {
    return circuitry.given.stream()
        .filter(given -> !known(given))
        .map(given -> given.device().id())
        .distinct()
        .toList();
  }

  private boolean known(Circuitry.Given given) {
    return given.emfs().stream().allMatch(solution::emfSettled);
  }

  public WhatIf trial() {
    return trial;
  }

  public Conditions conditions() {
    return conditions;
  }

  public Positions positions() {
    return positions;
  }

  public Circuitry circuitry() {
    return circuitry;
  }

  public Solution solution() {
    return solution;
  }

  public boolean on(ActuatorRef actuator) {
    return positions.on().getOrDefault(actuator, false);
  }

  /// Volts from `a` to `b`; empty where nothing joins them, so that a meter would show nothing of
  /// worth, where a terminal is unknown, and where no state was found ([#known]).
  public Optional<Both> voltage(TerminalRef a, TerminalRef b) {
    var first = circuitry.node(a);
    var second = circuitry.node(b);
    if (first < 0 || second < 0) return Optional.empty();
    if (!solution.settled(first, second) || !solution.joined(first, second))
      return Optional.empty();
    return Optional.of(
        new Both(solution.direct(first, second), solution.alternating(first, second)));
  }

  /// Volts against the protective conductor of the inlet; empty where nothing joins the two.
  public Optional<Both> toEarth(TerminalRef terminal) {
    var node = circuitry.node(terminal);
    var earth = circuitry.grid.earth();
    if (node < 0 || earth < 0) return Optional.empty();
    if (!solution.settled(node, earth) || !solution.joined(node, earth)) return Optional.empty();
    return Optional.of(new Both(solution.direct(node, earth), solution.alternating(node, earth)));
  }

  /// Whether any way, through loads too, joins a terminal to the protective conductor of the inlet.
  public boolean joinedToEarth(TerminalRef terminal) {
    return toEarth(terminal).isPresent();
  }

  /// Amperes in a conductor, from its first end to its second; empty where no state was found.
  public Optional<Both> current(Id conductor) {
    var branch = circuitry.branch(conductor);
    if (branch.isEmpty()) return Optional.of(Both.NONE);
    return branch
        .filter(solution::branchSettled)
        .map(at -> new Both(solution.branchDirect(at), solution.branchAlternating(at)));
  }

  /// The impedance between two terminals with every source that is on replaced by its own and loads
  /// taken away, Ω.
  Optional<Phasor> impedance(TerminalRef a, TerminalRef b, boolean atMainsFrequency) {
    var first = circuitry.node(a);
    var second = circuitry.node(b);
    if (first < 0 || second < 0) return Optional.empty();
    if (!solution.settled()) return Optional.empty();
    return impedances(atMainsFrequency, false)
        .between(first, second)
        .filter(z -> z.magnitude() < OPEN_WAY);
  }

  /// Amperes in a contact, an output or a protective pole, from its first terminal to its second.
  public Optional<Both> current(PoleRef pole) {
    var branch = circuitry.branch(pole);
    if (branch.isEmpty()) return Optional.of(Both.NONE);
    return branch
        .filter(solution::branchSettled)
        .map(at -> new Both(solution.branchDirect(at), solution.branchAlternating(at)));
  }

  /// Amperes in a bridge; none where both its ends are one, empty where no state was found.
  Optional<Both> current(Disturbance.Bridge bridge) {
    var bridged = circuitry.bridged(bridge);
    if (bridged.isEmpty()) return Optional.of(Both.NONE);
    return bridged
        .filter(solution::bridgeSettled)
        .map(b -> new Both(solution.bridgeDirect(b), solution.bridgeAlternating(b)));
  }

  /// What each bridge that is tried does.
  public List<ShortCircuit> shorts() {
    return ShortCircuit.of(this, before);
  }

  /// The direct-current resistance between two terminals with loads taken away and sources replaced
  /// by their own, Ω; empty where no way joins them.
  public Optional<Double> ohms(TerminalRef a, TerminalRef b) {
    return impedance(a, b, false).map(Phasor::re);
  }

  /// What an ohmmeter finds: coils and heaters count, electronics do not, Ω.
  Optional<Double> resistance(TerminalRef a, TerminalRef b) {
    return impedances(false, true)
        .between(circuitry.node(a), circuitry.node(b))
        .map(Phasor::re)
        .filter(ohms -> ohms < OPEN_WAY);
  }

  private final java.util.concurrent.ConcurrentMap<Boolean, Impedances> known =
      new java.util.concurrent.ConcurrentHashMap<>();

  private Impedances impedances(boolean atMainsFrequency, boolean withResistances) {
    if (withResistances) return solver.impedances(inputs, solution, atMainsFrequency, true);
    return known.computeIfAbsent(
        atMainsFrequency, at -> solver.impedances(inputs, solution, at, false));
  }

  /// Whether a terminal stands a volt or more above what its island counts from: the protective
  /// conductor where it is in reach, else the source's own minus.
  public boolean live(TerminalRef terminal) {
    var node = circuitry.node(terminal);
    if (node < 0 || !solution.live(node)) return false;
    var reference = solution.reference(node);
    // What is not known counts as live.
    if (!solution.settled(node, reference)) return true;
    return Math.hypot(
            solution.direct(node, reference), solution.alternating(node, reference).magnitude())
        >= LIVE;
  }

  /// Whether current flows in a conductor or its ends are live.
  public boolean energised(nelvar.core.model.Conductor conductor) {
    return live(conductor.from())
        || live(conductor.to())
        || current(conductor.id()).map(Both::rms).orElse(Double.MAX_VALUE) >= 0.0005;
  }

  /// Volts at an intake: between its lines (the least of the three), or from line to back; empty
  /// where no state was found.
  public Optional<Voltage> at(Device device, Intake intake) {
    var least = Double.MAX_VALUE;
    for (var pair : pairs(device, intake)) {
      if (!known(pair.a(), pair.b())) return Optional.empty();
      least = Math.min(least, voltage(pair.a(), pair.b()).map(Both::rms).orElse(0.0));
    }
    return Optional.of(new Voltage(least == Double.MAX_VALUE || least < 1e-6 ? 0 : least));
  }

  /// Whether direct current stands at an intake the wrong way round.
  public boolean reversed(Device device, Intake intake) {
    if (intake.threePhase() || intake.eitherWay()) return false;
    return pairs(device, intake).stream()
        .anyMatch(pair ->
            voltage(pair.a(), pair.b())
                .filter(both -> !both.mostlyAlternating() && both.direct() < -LIVE)
                .isPresent());
  }

  private static List<PoleRef> pairs(Device device, Intake intake) {
    var all = new ArrayList<PoleRef>();
    var lines = intake.lines();
    if (intake.threePhase()) {
      for (var i = 0; i < 3; i++) all.add(pair(device, lines.get(i), lines.get((i + 1) % 3)));
    } else {
      intake.back().ifPresent(back -> all.add(pair(device, lines.getFirst(), back)));
    }
    return all;
  }

  private static PoleRef pair(Device device, String a, String b) {
    return new PoleRef(new TerminalRef(device.id(), a), new TerminalRef(device.id(), b));
  }

  /// What an intake takes now, all its lines together; empty where no state was found.
  public Optional<Power> taken(Device device, Intake intake) {
    var watts = 0.0;
    for (var served : circuitry.served) {
      if (!served.device().id().equals(device.id())
          || !served.intake().name().equals(intake.name())) continue;
      for (var index : served.loads()) {
        if (!solution.loadSettled(index)) return Optional.empty();
        watts += watts(index);
      }
    }
    return Optional.of(power(watts));
  }

  private double watts(int index) {
    var load = circuitry.grid.loads().get(index);
    var v = solution.alternating(load.a(), load.b());
    var i = solution.loadAlternating(index);
    return solution.direct(load.a(), load.b()) * solution.loadDirect(index)
        + v.re() * i.re()
        + v.im() * i.im();
  }

  /// What every source gives, in the order of the devices; sources inside inputs left out, and
  /// those of which no state was found.
  public List<Output> outputs() {
    return circuitry.given.stream()
        .filter(given -> given.output().isPresent() && known(given))
        .map(this::output)
        .toList();
  }

  /// One source as it stands.
  ///
  /// @param current of its most loaded line
  /// @param limited gives its greatest current at less than its voltage
  /// @param backFed held up from outside above its own voltage
  /// @param tripped switched off by its own limit
  /// @param starved off because its input collapses whenever it is loaded
  /// @param limit what it does at overload, for electronic supplies
  public record Output(
      Device device,
      nelvar.core.catalogue.Output output,
      boolean on,
      boolean limited,
      boolean backFed,
      boolean tripped,
      boolean starved,
      Optional<CurrentLimit> limit,
      Current current,
      Power power) {}

  private Output output(Circuitry.Given given) {
    var most = 0.0;
    var watts = 0.0;
    var alternating = circuitry.grid.groups().get(given.group()).alternating();
    for (var index : given.emfs()) {
      var emf = circuitry.grid.emfs().get(index);
      var i = solution.given(index);
      most = Math.max(most, i.magnitude());
      var v =
          alternating
              ? solution.alternating(emf.plus(), emf.minus())
              : new Phasor(solution.direct(emf.plus(), emf.minus()), 0);
      watts += v.re() * i.re() + v.im() * i.im();
    }
    return new Output(
        given.device(),
        given.output().orElseThrow(),
        solution.on(given.group()) && !solution.tripped(given.group()),
        solution.limited(given.group()),
        solution.idle(given.group()),
        solution.tripped(given.group()),
        solution.starved(given.group()),
        circuitry
            .topology()
            .part(given.device().id())
            .flatMap(part -> part.limit(given.output().orElseThrow())),
        amperes(most),
        power(watts));
  }

  /// Every protective pole with its current; but those of which no state was found.
  public List<Loaded> poles() {
    return circuitry.poles.stream()
        .filter(pole -> solution.branchSettled(pole.branch()))
        .map(this::loaded)
        .toList();
  }

  private Loaded loaded(Circuitry.Pole pole) {
    var both =
        new Both(solution.branchDirect(pole.branch()), solution.branchAlternating(pole.branch()));
    return new Loaded(
        pole.device(),
        pole.protection(),
        pole.pole(),
        amperes(both.rms()),
        both.mostlyAlternating());
  }

  private static Power power(double watts) {
    return new Power(watts >= 1e-6 ? watts : 0);
  }

  private static Current amperes(double amperes) {
    return new Current(amperes >= 1e-6 ? amperes : 0);
  }

  /// When a protective pole opens at its present current; empty where it need not.
  public Optional<Duration> tripTime(Loaded pole) {
    return TripTime.latest(
        pole.protection(),
        pole.current(),
        circuitry.topology().project().brief().policies().magneticBand(pole.alternating()));
  }

  /// How a device is called on its label.
  public String label(Id device) {
    return circuitry
        .topology()
        .project()
        .device(device)
        .map(d -> d.designation().text())
        .orElse(device.text());
  }

  /// `-K1 coil`, `-S1 pressed`.
  public String name(ActuatorRef ref) {
    return label(ref.device()) + " " + ref.name();
  }

  /// What is tried in this state, in words.
  public java.util.List<String> tried() {
    return new DisturbanceText(circuitry.topology().project()).of(trial);
  }

  /// `-T1:+`.
  public String at(TerminalRef terminal) {
    return label(terminal.device()) + ":" + terminal.terminal();
  }

  /// Whether a contact or pole conducts.
  public boolean closed(PoleRef pole) {
    return circuitry.branch(pole).filter(solution::conducts).isPresent();
  }

  /// The terminals joined to one by metal in this state: wires, what is always joined inside
  /// devices, contacts and protective devices that are closed. Not through loads, diodes or
  /// windings.
  public java.util.Set<TerminalRef> metal(TerminalRef from) {
    var topology = circuitry.topology();
    var node = topology.node(from);
    if (node < 0) return java.util.Set.of();
    var scratch = new int[topology.nodeCount()];
    java.util.Arrays.fill(scratch, -1);
    var all = new java.util.LinkedHashSet<TerminalRef>();
    for (var reached : Walk.from(node, topology, this::passes, scratch).reached())
      all.add(topology.terminal(reached));
    return all;
  }

  private boolean passes(Edge edge) {
    return switch (edge) {
      case Edge.Wire(var conductor) -> !trial.cut(conductor.id());
      case Edge.Through(var device, var link) ->
          switch (link.kind()) {
            case JOINED -> true;
            case DIODE -> false;
            case CONTACT, PROTECTIVE, OUTPUT -> closed(pole(device, link));
          };
    };
  }

  private static PoleRef pole(Device device, nelvar.core.catalogue.Link link) {
    return new PoleRef(
        new TerminalRef(device.id(), link.a()), new TerminalRef(device.id(), link.b()));
  }

  /// Whether a way through a device conducts in this state.
  public boolean closed(Edge.Through through) {
    return switch (through.link().kind()) {
      case JOINED, DIODE -> true;
      case CONTACT, PROTECTIVE, OUTPUT -> closed(pole(through.device(), through.link()));
    };
  }
}
