package nelvar.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.CurrentLimit;
import nelvar.core.catalogue.Guard;
import nelvar.core.catalogue.Intake;
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

  /// How the solution ended.
  public enum Status {
    SOLVED("solved"),
    /// Contacts never come to rest.
    CHATTERS("contacts chatter"),
    /// Two or more race for it: which comes first decides what the machine does.
    UNDECIDED("a race of contacts is undecided"),
    /// No state was found in which sources, loads and limits agree; nothing in it is to be trusted.
    NOT_SETTLED("not settled");

    private final String words;

    Status(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

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
      Device device, Guard guard, PoleRef pole, Current current, boolean alternating) {
    /// Whether it opens by itself, without the other poles of its device.
    public boolean alone() {
      return switch (guard) {
        case Guard.Fuse _, Guard.Electronic _ -> true;
        case Guard.Breaker _, Guard.MotorSwitch _ -> false;
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

  public Status status() {
    if (solution.status() != Solution.Status.SOLVED) return Status.NOT_SETTLED;
    if (!race.isEmpty()) return Status.UNDECIDED;
    return chatter.isEmpty() ? Status.SOLVED : Status.CHATTERS;
  }

  /// Whether no number may be read: sources, loads and limits agree in no state that was found.
  /// Volts are then empty, and there are no outputs, poles and currents.
  private boolean unknown() {
    return solution.status() != Solution.Status.SOLVED;
  }

  /// What moves to and fro where contacts chatter.
  public List<ActuatorRef> chatter() {
    return chatter;
  }

  /// What stands otherwise if another of them is quicker, where a race decides; what is shown is
  /// one of the outcomes.
  public List<ActuatorRef> race() {
    return race;
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
  /// worth, or where a terminal is unknown.
  public Optional<Both> voltage(TerminalRef a, TerminalRef b) {
    var first = circuitry.node(a);
    var second = circuitry.node(b);
    if (unknown() || first < 0 || second < 0 || !solution.joined(first, second))
      return Optional.empty();
    return Optional.of(
        new Both(solution.direct(first, second), solution.alternating(first, second)));
  }

  /// Volts against the protective conductor of the inlet; empty where nothing joins the two.
  public Optional<Both> toEarth(TerminalRef terminal) {
    var node = circuitry.node(terminal);
    var earth = circuitry.grid.earth();
    if (unknown() || node < 0 || earth < 0 || !solution.joined(node, earth))
      return Optional.empty();
    return Optional.of(new Both(solution.direct(node, earth), solution.alternating(node, earth)));
  }

  /// Whether any way, through loads too, joins a terminal to the protective conductor of the inlet.
  public boolean joinedToEarth(TerminalRef terminal) {
    return toEarth(terminal).isPresent();
  }

  /// Amperes in a conductor, from its first end to its second.
  public Both current(Id conductor) {
    if (unknown()) return Both.NONE;
    return circuitry
        .branch(conductor)
        .map(branch -> new Both(solution.branchDirect(branch), solution.branchAlternating(branch)))
        .orElse(Both.NONE);
  }

  /// The impedance between two terminals with every source that is on replaced by its own and loads
  /// taken away, Ω.
  Optional<Phasor> impedance(TerminalRef a, TerminalRef b, boolean atMainsFrequency) {
    var first = circuitry.node(a);
    var second = circuitry.node(b);
    if (first < 0 || second < 0) return Optional.empty();
    return impedances(atMainsFrequency, false)
        .between(first, second)
        .filter(z -> z.magnitude() < OPEN_WAY);
  }

  /// Amperes in a bridge; none where both its ends are one.
  Both current(Disturbance.Bridge bridge) {
    if (unknown()) return Both.NONE;
    var branch = circuitry.bridges.get(bridge);
    return branch == null
        ? Both.NONE
        : new Both(solution.branchDirect(branch), solution.branchAlternating(branch));
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
    // What is not known counts as live.
    if (unknown()) return true;
    var reference = solution.reference(node);
    return Math.hypot(
            solution.direct(node, reference), solution.alternating(node, reference).magnitude())
        >= LIVE;
  }

  /// Whether current flows in a conductor or its ends are live.
  public boolean energised(nelvar.core.model.Conductor conductor) {
    return live(conductor.from())
        || live(conductor.to())
        || current(conductor.id()).rms() >= 0.0005;
  }

  /// Volts at an intake: between its lines (the least of the three), or from line to back.
  public Voltage at(Device device, Intake intake) {
    var least = Double.MAX_VALUE;
    for (var pair : pairs(device, intake))
      least = Math.min(least, voltage(pair.a(), pair.b()).map(Both::rms).orElse(0.0));
    return new Voltage(
        least == Double.MAX_VALUE || !Double.isFinite(least) || least < 1e-6 ? 0 : least);
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

  /// What an intake takes now, all its lines together.
  public Power taken(Device device, Intake intake) {
    var watts = 0.0;
    if (unknown()) return power(watts);
    for (var served : circuitry.served) {
      if (!served.device().id().equals(device.id())
          || !served.intake().name().equals(intake.name())) continue;
      for (var index : served.loads()) watts += watts(index);
    }
    return power(watts);
  }

  private double watts(int index) {
    var load = circuitry.grid.loads().get(index);
    var v = solution.alternating(load.a(), load.b());
    var i = solution.loadAlternating(index);
    return solution.direct(load.a(), load.b()) * solution.loadDirect(index)
        + v.re() * i.re()
        + v.im() * i.im();
  }

  /// What every source gives, in the order of the devices; sources inside inputs left out.
  public List<Output> outputs() {
    if (unknown()) return List.of();
    return circuitry.given.stream()
        .filter(given -> given.output().isPresent())
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

  /// Every protective pole with its current.
  public List<Loaded> poles() {
    if (unknown()) return List.of();
    return circuitry.poles.stream().map(this::loaded).toList();
  }

  private Loaded loaded(Circuitry.Pole pole) {
    var both =
        new Both(solution.branchDirect(pole.branch()), solution.branchAlternating(pole.branch()));
    return new Loaded(
        pole.device(), pole.guard(), pole.pole(), amperes(both.rms()), both.mostlyAlternating());
  }

  // An unsettled solution may hold anything; what cannot be written as a quantity is cut off.
  private static Power power(double watts) {
    return new Power(Double.isFinite(watts) && watts >= 1e-6 ? watts : 0);
  }

  private static Current amperes(double amperes) {
    return new Current(Double.isFinite(amperes) && amperes >= 1e-6 ? amperes : 0);
  }

  /// When a protective pole opens at its present current; empty where it need not.
  public Optional<Duration> tripTime(Loaded pole) {
    return TripTime.latest(
        pole.guard(),
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
            case CONTACT, GUARDED, OUTPUT -> closed(pole(device, link));
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
      case CONTACT, GUARDED, OUTPUT -> closed(pole(through.device(), through.link()));
    };
  }
}
