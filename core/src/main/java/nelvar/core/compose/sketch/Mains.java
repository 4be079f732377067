package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.ControlTransformer;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.catalogue.FuseHolder;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.standards.FuseClass;
import nelvar.core.standards.TripCurve;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// What is fed from the mains: each branch with its protective device, on the distribution of a new
/// machine or on what stands.
public final class Mains {
  /// What a branch counts for when lines are balanced although it takes next to nothing, A.
  private static final double SLIGHTLY = 0.01;

  private final Sketch sketch;
  private final MainsVoltage system;
  private final List<Branch> branches = new ArrayList<>();
  private final List<TerminalRef> earths = new ArrayList<>();
  private final Distribution distribution;
  private boolean stops;
  private int contactors;
  private boolean drives;

  private final Optional<Existing> existing;

  Mains(Sketch sketch, Optional<Existing> existing) {
    this.sketch = sketch;
    this.existing = existing;
    this.system = sketch.brief().supply().voltage();
    this.distribution = new Distribution(sketch, lineCount());
    this.stops = existing.map(Existing::stops).orElse(false);
  }

  /// What protects a branch.
  public enum Protection {
    /// A breaker, or a fuse of class CC in the North American school.
    USUAL,
    /// A gG fuse where there is a neutral: it lets less through a thin cord than a breaker.
    CORD,
    /// Semiconductor fuses its maker asks for.
    SEMICONDUCTOR,
    /// What is fed brings its own.
    OWN
  }

  /// Something fed from the mains.
  ///
  /// @param poles its line terminals; two for a single-phase load: line, then neutral or line
  /// @param between whether its two poles hang on two lines
  private record Branch(
      String purpose,
      List<TerminalRef> poles,
      boolean between,
      double amperes,
      boolean safe,
      Protection protection) {
    boolean threePhase() {
      return poles.size() == 3;
    }
  }

  /// Says that a stop takes power away from what moves, over so many contactors.
  void stop(int contactors) {
    stops = true;
    this.contactors = contactors;
  }

  boolean stops() {
    return stops;
  }

  int lineCount() {
    return switch (system.phases()) {
      case SINGLE -> 1;
      case SPLIT -> 2;
      case THREE -> 3;
    };
  }

  public boolean threePhase() {
    return lineCount() == 3;
  }

  /// Between its lines, or from line to neutral where there is one line only.
  public Voltage between() {
    return system.between();
  }

  /// Whether a part with so many phases and such an input can be fed.
  public boolean feeds(int phases, VoltageRange input) {
    return phases == 3 ? threePhase() && input.contains(between()) : feedsTwoWire(input);
  }

  public boolean feedsTwoWire(VoltageRange input) {
    return input.contains(system.toNeutral()) || (lineCount() > 1 && input.contains(between()));
  }

  /// Volts a two-wire load of such an input gets here; empty where neither fits.
  public Optional<Voltage> twoWire(VoltageRange input) {
    if (input.contains(system.toNeutral())) return Optional.of(system.toNeutral());
    return lineCount() > 1 && input.contains(between()) ? Optional.of(between()) : Optional.empty();
  }

  /// Volts a two-wire load of such an input gets, over a transformer where need be.
  public double voltsFor(VoltageRange input) {
    return twoWire(input)
        .map(Voltage::volts)
        .orElseGet(() ->
            sketch
                .cheapest(ControlTransformer.class, t -> fits(t, input))
                .map(t -> t.secondary().volts())
                .orElseThrow(() -> lacking(input)));
  }

  private boolean fits(ControlTransformer transformer, VoltageRange input) {
    return feedsTwoWire(transformer.intakes(Linkage.STAR).getFirst().accepts())
        && input.contains(transformer.secondary());
  }

  private Unmet lacking(VoltageRange input) {
    return new Unmet(
        "it needs %s, which neither this mains (%s) nor a transformer of the catalogue gives"
            .formatted(input, system));
  }

  /// A branch for a two-wire load: from line to neutral where that fits, else between two lines.
  public void feedTwoWire(
      String purpose,
      TerminalRef line,
      TerminalRef back,
      VoltageRange input,
      double amperes,
      boolean safe,
      Protection protection) {
    if (!feedsTwoWire(input)) {
      transformed(purpose, line, back, input, amperes, safe);
      return;
    }
    branches.add(
        new Branch(
            purpose,
            List.of(line, back),
            !input.contains(system.toNeutral()) || betterBetween(input, amperes),
            amperes,
            safe && stops,
            protection));
  }

  /// What takes much and stands both hangs between two lines: half the current, and both lines
  /// loaded alike (120/240 V, 3x208 V).
  private boolean betterBetween(VoltageRange input, double amperes) {
    return lineCount() > 1 && amperes > MUCH && input.contains(between());
  }

  private static final double MUCH = 3;

  /// Over a control transformer whose secondary is earthed on one side, with a device before it and
  /// one behind it.
  private void transformed(
      String purpose,
      TerminalRef line,
      TerminalRef back,
      VoltageRange input,
      double amperes,
      boolean safe) {
    var found =
        sketch.cheapest(
            ControlTransformer.class,
            t -> fits(t, input) && t.rating().watts() >= amperes * t.secondary().volts());
    var part = found.orElseThrow(() -> lacking(input));
    var device = sketch.add(part, purpose + ", transformer", Place.PANEL, Optional.empty());
    feedTwoWire(
        purpose + ", transformer",
        sketch.at(device, "1"),
        sketch.at(device, "2"),
        part.intakes(Linkage.STAR).getFirst().accepts(),
        amperes * part.secondary().volts() / part.primary().volts() / part.efficiency().fraction(),
        safe,
        Protection.USUAL);
    var behind = sketch.add(usual(1, amperes), purpose, Place.PANEL, Optional.empty());
    sketch.wire(sketch.at(device, "3"), sketch.at(behind, "1"), Ink.LINE);
    sketch.wire(sketch.at(behind, "2"), line, Ink.LINE);
    sketch.wire(sketch.at(device, "4"), back, Ink.NEUTRAL);
    earth(sketch.at(device, "PE"));
    earth(sketch.at(device, "4"));
  }

  public void feedThree(
      String purpose,
      List<TerminalRef> poles,
      double amperes,
      boolean safe,
      Protection protection) {
    branches.add(new Branch(purpose, poles, false, amperes, safe && stops, protection));
  }

  /// A way of the protective bar, for the core of a cable.
  public TerminalRef earth() {
    var promise = sketch.promise();
    earths.add(promise);
    return promise;
  }

  /// A wire, or what was promised becomes this terminal.
  private void connect(TerminalRef from, TerminalRef to, Ink ink) {
    if (sketch.promised(to)) sketch.keep(to, from);
    else sketch.wire(from, to, ink);
  }

  /// Joins something to the protective bar.
  public void earth(TerminalRef terminal) {
    earths.add(terminal);
  }

  /// A drive pollutes the mains: it wants a filter.
  public void polluted() {
    drives = true;
  }

  void feedSupply(Device supply, DcSupply part, boolean safe, double watts) {
    var taken = watts / (part.efficiency().fraction() * part.powerFactor());
    if (part.phases() == 3)
      feedThree(
          supply.purpose(),
          ends(supply, "L1", "L2", "L3"),
          taken / (Math.sqrt(3) * between().volts()),
          safe,
          Protection.USUAL);
    else
      feedTwoWire(
          supply.purpose(),
          sketch.at(supply, "L"),
          sketch.at(supply, "N"),
          part.input(),
          taken / twoWire(part.input()).orElseThrow().volts(),
          safe,
          Protection.USUAL);
    if (sketch.part(supply.id()).terminals().stream()
        .anyMatch(t -> t.role() == Terminal.Role.PROTECTIVE)) earth(sketch.at(supply, "PE"));
  }

  public List<TerminalRef> ends(Device device, String... marks) {
    var all = new ArrayList<TerminalRef>();
    for (var mark : marks) all.add(sketch.at(device, mark));
    return all;
  }

  /// The two contactors of the stop, before anything is wired to them.
  void begin() {
    if (stops && existing.isEmpty()) distribution.begin(contactors);
  }

  /// The contactors that the stop lets go.
  List<Device> contactors() {
    return distribution.contactors();
  }

  /// Everything that carries the whole machine, for what flows.
  ///
  /// @param upstream rating of the device before the inlet, A
  /// @param cut amperes behind the contactors of the stop
  void trim(double upstream, double cut) {
    distribution.trim(upstream, cut);
  }

  /// The bonds of the cabinet, once the bar is there.
  void bond(TerminalRef... ends) {
    for (var end : ends) sketch.wire(distribution.earth(), end, Ink.PROTECTIVE);
  }

  /// Each branch on the bars there are.
  private void land(Existing machine) {
    for (var branch : branches) {
      var wanted = branch.threePhase() ? 3 : branch.between() ? 2 : 1;
      var from = machine.lines(branch.safe());
      if (from.size() < wanted)
        throw new Unmet(
            "there is no distribution of %s%s"
                .formatted(
                    wanted == 1 ? "a line" : wanted + " lines",
                    branch.safe() ? " behind the stop" : ""));
      var blocks = new ArrayList<>(from.subList(0, wanted));
      blocks.sort(Comparator.comparing(Device::designation));
      var ways = blocks.stream().map(machine::line).toList();
      land(branch, ways);
      if (!branch.threePhase() && !branch.between())
        connect(
            machine
                .neutral()
                .orElseThrow(() -> new Unmet("no way is free on the distribution of N")),
            branch.poles().get(1),
            Ink.NEUTRAL);
    }
    for (var end : earths)
      connect(
          machine.earth().orElseThrow(() -> new Unmet("no way is free on the protective bar")),
          end,
          Ink.PROTECTIVE);
  }

  /// From the inlet to the bars, then each branch.
  void settle() {
    if (existing.isPresent()) {
      land(existing.get());
      return;
    }
    var wantsNeutral = branches.stream().anyMatch(b -> !b.threePhase() && !b.between());
    distribution.settle(wantsNeutral, drives, stops);
    branches();
    for (var end : earths) connect(distribution.earth(), end, Ink.PROTECTIVE);
  }

  public static boolean coil24(Contactor contactor) {
    return contactor.id().endsWith("24vdc");
  }

  /// Poles that stay open on purpose.
  public static List<String> spare(int polesUsed) {
    var all = new ArrayList<String>();
    for (var mark = 2 * polesUsed + 1; mark <= 6; mark++) all.add(String.valueOf(mark));
    return all;
  }

  /// Each branch on the lines that carry least so far, the largest first.
  private void branches() {
    var load = new double[lineCount()];
    var ordered = new ArrayList<>(branches);
    ordered.sort(
        Comparator.comparing(Branch::threePhase)
            .reversed()
            .thenComparing(Comparator.comparingDouble(Branch::amperes).reversed()));
    for (var branch : ordered) {
      var wanted = branch.threePhase() ? 3 : branch.between() ? 2 : 1;
      var chosen = new ArrayList<Integer>();
      for (var n = 0; n < lineCount(); n++) chosen.add(n);
      chosen.sort(Comparator.comparingDouble(n -> load[n]));
      var on = chosen.subList(0, wanted).stream().sorted().toList();
      for (var n : on) load[n] += Math.max(branch.amperes(), SLIGHTLY);
      land(branch, on.stream().map(n -> distribution.line(n, branch.safe())).toList());
      if (!branch.threePhase() && !branch.between())
        connect(distribution.neutral(), branch.poles().get(1), Ink.NEUTRAL);
    }
  }

  /// Over its protective device to its poles.
  private void land(Branch branch, List<TerminalRef> from) {
    if (branch.protection() == Protection.OWN) {
      for (var i = 0; i < from.size(); i++) connect(from.get(i), branch.poles().get(i), Ink.LINE);
      return;
    }
    var device =
        sketch.add(device(branch, from.size()), branch.purpose(), Place.PANEL, Optional.empty());
    for (var i = 0; i < from.size(); i++) {
      sketch.wire(from.get(i), sketch.at(device, String.valueOf(2 * i + 1)), Ink.LINE);
      connect(sketch.at(device, String.valueOf(2 * i + 2)), branch.poles().get(i), Ink.LINE);
    }
  }

  /// One of the kind the school wants; choosing finds the rating.
  private Part device(Branch branch, int poles) {
    if (branch.protection() == Protection.CORD && !sketch.american() && poles == 1)
      return fuse(1, FuseClass.GG).orElseThrow(() -> none(poles));
    if (branch.protection() != Protection.SEMICONDUCTOR) return usual(poles, branch.amperes());
    return fuse(poles, FuseClass.GR).orElseThrow(() -> none(poles));
  }

  private Part usual(int poles, double amperes) {
    // Class CC ends at 30 A; loads of hours have a quarter to spare.
    if (sketch.american())
      return fuse(poles, amperes * 1.25 <= 29 ? FuseClass.CLASS_CC : FuseClass.CLASS_J)
          .orElseThrow(() -> none(poles));
    return sketch
        .cheapest(
            CircuitBreaker.class,
            b ->
                b.poles() == poles
                    && b.listing().isEmpty()
                    && b.curve() == TripCurve.C
                    && b.rating().amperes() >= 10)
        .orElseThrow(() -> none(poles));
  }

  private static Unmet none(int poles) {
    return new Unmet("the catalogue has no protective device of %d poles for it".formatted(poles));
  }

  private Optional<FuseHolder> fuse(int poles, FuseClass fuse) {
    return sketch.cheapest(
        FuseHolder.class,
        f ->
            f.poles() == poles
                && f.fuse().orElse(FuseClass.GG) == fuse
                && f.rating().amperes() >= 10);
  }
}
