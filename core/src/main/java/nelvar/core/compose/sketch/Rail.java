package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.CurrentLimit;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.catalogue.ElectronicProtection;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;

/// Direct current of one voltage: as many supplies as its loads need, each with channels of
/// electronic protection and a 0 V that is earthed once.
///
/// Electronic channels, because a supply limits its current: what it still gives opens no fuse or
/// breaker in time (common practice).
final class Rail {
  private static final double MOST_CHANNELS = 24;

  private final Sketch sketch;
  private final Mains mains;
  private final double volts;
  private final boolean safe;
  private final List<Unit> units = new ArrayList<>();

  Rail(Sketch sketch, Mains mains, double volts, boolean safe) {
    this.sketch = sketch;
    this.mains = mains;
    this.volts = volts;
    this.safe = safe;
  }

  double volts() {
    return volts;
  }

  Ink plus() {
    return volts == 24 ? Ink.PLUS : Ink.BUS_PLUS;
  }

  Ink back() {
    return volts == 24 ? Ink.ZERO : Ink.BUS_ZERO;
  }

  boolean safe() {
    return safe;
  }

  /// Loads that share a channel.
  private static final class Group {
    private final String name;
    private final boolean own;
    private final List<TerminalRef> users = new ArrayList<>();
    private double amperes;

    Group(String name, boolean own) {
      this.name = name;
      this.own = own;
    }
  }

  /// One supply with what hangs on it.
  private static final class Unit {
    private final List<Group> groups = new ArrayList<>();
    private final List<Rails.Fed> fed = new ArrayList<>();
    private final List<TerminalRef> zeros = new ArrayList<>();
    private final List<Bar> bars = new ArrayList<>();
    private double amperes;

    /// What the load that starts hardest takes more than it does running.
    private double starting;

    private Optional<Device> supply = Optional.empty();
    private Optional<Bar> zero = Optional.empty();
  }

  Rails.Fed feed(double amperes, double starting, String group, boolean own) {
    var unit = unit(amperes);
    var channel = channel(unit, amperes, group, own);
    var fed = new Rails.Fed(sketch.promise(), sketch.promise());
    channel.users.add(fed.plus());
    channel.amperes += amperes;
    unit.amperes += amperes;
    unit.starting = Math.max(unit.starting, starting - amperes);
    unit.zeros.add(fed.zero());
    unit.fed.add(fed);
    return fed;
  }

  /// Another way back beside one that was given.
  Optional<TerminalRef> zeroBeside(Rails.Fed other) {
    for (var unit : units) {
      if (!unit.fed.contains(other)) continue;
      var zero = sketch.promise();
      unit.zeros.add(zero);
      return Optional.of(zero);
    }
    return Optional.empty();
  }

  private Unit unit(double amperes) {
    var most = greatest() * sketch.brief().policies().headroom().fraction();
    if (amperes > most)
      throw new Unmet(
          "it takes %s A at %s V; the greatest supply gives %s A with the headroom wanted"
              .formatted(round(amperes), round(volts), round(most)));
    for (var unit : units)
      if (unit.amperes + amperes <= most && unit.groups.size() < MOST_CHANNELS) return unit;
    var unit = new Unit();
    units.add(unit);
    return unit;
  }

  private Group channel(Unit unit, double amperes, String name, boolean own) {
    var most = greatestChannel();
    if (amperes > most)
      throw new Unmet(
          "it takes %s A at %s V; electronic protection has up to %s A a channel"
              .formatted(round(amperes), round(volts), round(most)));
    for (var group : unit.groups)
      if (!own
          && !group.own
          && group.name.equals(name)
          && group.amperes + amperes <= 0.8 * most / 2) return group;
    var group = new Group(name, own);
    unit.groups.add(group);
    return group;
  }

  static String round(double value) {
    return nelvar.core.units.Significant.digits(value);
  }

  private double greatest() {
    return supplies(0)
        .mapToDouble(part -> part.rating().amperes())
        .max()
        .orElseThrow(() ->
            new Unmet("the catalogue has no supply of %s V on this mains".formatted(round(volts))));
  }

  /// Supplies of this voltage that this mains can feed and that give `amperes`.
  private java.util.stream.Stream<DcSupply> supplies(double amperes) {
    return sketch
        .catalogue()
        .of(DcSupply.class)
        .filter(part ->
            part.output().volts() == volts
                && part.rating().amperes() >= amperes
                && part.doubleInsulated().isEmpty()
                && part.adjustable().isEmpty()
                && part.parallel().isEmpty()
                && part.currentLimit().behaviour() != CurrentLimit.Behaviour.HICCUP
                && mains.feeds(part.phases(), part.input()));
  }

  private static java.util.stream.Stream<ElectronicProtection> modules(
      Sketch sketch, double volts) {
    return sketch
        .catalogue()
        .of(ElectronicProtection.class)
        .filter(part -> volts == 24 || part.id().endsWith("48v"));
  }

  private double greatestChannel() {
    return modules(sketch, volts)
        .flatMap(part -> part.channels().stream())
        .mapToDouble(channel -> channel.amperes() / stays())
        .max()
        .orElse(0);
  }

  void settle() {
    for (var unit : units) settle(unit);
  }

  private void settle(Unit unit) {
    var needed = unit.amperes / sketch.brief().policies().headroom().fraction();
    // One that starts everything and opens each channel at a short, where there is one; else the
    // review tells of it.
    var peak = TO_START * (unit.amperes + unit.starting);
    var opens =
        OPENS
            * unit.groups.stream().mapToDouble(group -> channelFor(group.amperes)).max().orElse(0);
    var part =
        cheapest(supplies(needed).filter(s -> gives(s) >= Math.max(peak, opens)))
            .or(() -> cheapest(supplies(needed).filter(s -> gives(s) >= opens)))
            .or(() -> cheapest(supplies(needed)))
            .orElseThrow();
    var words = round(volts) + " V " + (safe ? "behind the stop" : "that stays on");
    var supply = sketch.add(part, words, Place.PANEL, Optional.empty());
    unit.supply = Optional.of(supply);
    mains.feedSupply(supply, part, safe, unit.amperes * volts);
    var zero = new Bar(sketch, "0 V of " + supply.designation(), Terminal.Role.MINUS, back());
    unit.zero = Optional.of(zero);
    sketch.wire(zero.next(), sketch.at(supply, "-"), back());
    protect(unit, part, supply, zero);
    for (var promise : unit.zeros) if (sketch.used(promise)) sketch.keep(promise, zero.next());
  }

  /// Modules from the largest channels down, so that each group finds one that carries it.
  private void protect(Unit unit, DcSupply part, Device supply, Bar zero) {
    var open = new ArrayList<>(unit.groups);
    open.sort(Comparator.comparingDouble((Group group) -> -group.amperes));
    while (!open.isEmpty()) {
      var module = module(open, part.currentLimit().shortCircuit().amperes());
      var device =
          sketch.add(module, "branches of " + supply.designation(), Place.PANEL, Optional.empty());
      sketch.wire(sketch.at(supply, "+"), sketch.at(device, "+"), plus());
      sketch.wire(sketch.at(device, "0V"), zero.next(), back());
      // The largest channel first for the largest group.
      var channels = new ArrayList<Integer>();
      for (var n = 0; n < module.channels().size(); n++) channels.add(n);
      channels.sort(Comparator.comparing((Integer n) -> module.channels().get(n)).reversed());
      var landed = false;
      for (var n : channels) {
        if (open.isEmpty()) break;
        var channel = module.channels().get(n).amperes();
        if (!carries(channel, open.getFirst()) || (landed && !fits(channel, open.getFirst())))
          break;
        landed = true;
        land(unit, open.removeFirst(), sketch.at(device, String.valueOf(n + 1)));
      }
    }
  }

  /// The module that costs least for each group it serves.
  private ElectronicProtection module(List<Group> open, double limit) {
    var fitting = modules(sketch, volts).filter(part -> served(part, open) > 0).toList();
    var all =
        fitting.isEmpty()
            ? modules(sketch, volts)
                .filter(part -> carries(greatest(part), open.getFirst()))
                .toList()
            : fitting;
    return all.stream()
        .filter(part -> greatest(part) * OPENS <= limit)
        .min(byUse(open))
        .or(() -> all.stream().min(byUse(open)))
        .orElseThrow();
  }

  private static double gives(DcSupply supply) {
    return supply.currentLimit().shortCircuit().amperes();
  }

  /// The least channel there is for a load.
  private double channelFor(double amperes) {
    return modules(sketch, volts)
        .flatMap(part -> part.channels().stream())
        .mapToDouble(channel -> channel.amperes())
        .filter(rating -> rating >= amperes * stays())
        .min()
        .orElse(0);
  }

  /// A load that stays on for hours has a quarter to spare in the North American school.
  private double stays() {
    return sketch.american() ? 1.25 : 1;
  }

  private static final double TO_START = 1.05;

  private boolean carries(double channel, Group group) {
    return channel >= group.amperes * stays();
  }

  /// Large enough, and small enough that a short at the end of a thin wire still opens it.
  private boolean fits(double channel, Group group) {
    return carries(channel, group)
        && channel <= Math.max(SMALL_CHANNEL, AT_MOST * group.amperes * stays());
  }

  private static final double SMALL_CHANNEL = 4;
  private static final double AT_MOST = 1.5;

  /// An electronic channel opens at so many times its rating (common practice: 1.2), with some to
  /// spare.
  private static final double OPENS = 1.25;

  private static double greatest(ElectronicProtection part) {
    return part.channels().stream().mapToDouble(channel -> channel.amperes()).max().orElse(0);
  }

  private Comparator<ElectronicProtection> byUse(List<Group> open) {
    return Comparator.comparingDouble(
            (ElectronicProtection part) -> Sketch.price(part) / Math.max(1, served(part, open)))
        .thenComparing(ElectronicProtection::id);
  }

  private static Optional<DcSupply> cheapest(java.util.stream.Stream<DcSupply> supplies) {
    return supplies.min(
        Comparator.comparingDouble((DcSupply s) -> Sketch.price(s)).thenComparing(DcSupply::id));
  }

  private int served(ElectronicProtection part, List<Group> open) {
    var channels = part.channels().stream().sorted(Comparator.reverseOrder()).toList();
    var n = 0;
    while (n < channels.size() && n < open.size() && fits(channels.get(n).amperes(), open.get(n)))
      n++;
    return n;
  }

  /// One load hangs on the channel itself, several on a block.
  private void land(Unit unit, Group group, TerminalRef channel) {
    var users = group.users.stream().filter(sketch::used).toList();
    if (users.size() == 1) {
      sketch.keep(users.getFirst(), channel);
      return;
    }
    var bar = new Bar(sketch, "+" + round(volts) + " V " + group.name, Terminal.Role.PLUS, plus());
    unit.bars.add(bar);
    sketch.wire(channel, bar.next(), plus());
    for (var user : users) sketch.keep(user, bar.next());
  }

  /// The 0 V bars, one a supply.
  List<Bar> zeros() {
    return units.stream().flatMap(unit -> unit.zero.stream()).toList();
  }

  List<Id> supplies() {
    return units.stream().flatMap(unit -> unit.supply.stream()).map(Device::id).toList();
  }

  void trim() {
    for (var unit : units) {
      unit.zero.ifPresent(zero -> zero.trim(unit.amperes));
      for (var bar : unit.bars) bar.trim(greatestChannel());
    }
  }
}
