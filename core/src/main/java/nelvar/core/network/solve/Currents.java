package nelvar.core.network.solve;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import nelvar.core.catalogue.Demand;
import nelvar.core.model.Device;
import nelvar.core.network.Feed;
import nelvar.core.network.Network;
import nelvar.core.network.Source;

/// The currents of every feed, added up along the ways they flow, from the loads back to the inlet.
///
/// Two states: *running* counts each load with loading, simultaneity and duty; *design* leaves duty
/// out and is at least the largest single load in full. Voltages are nominal; alternating currents
/// add as phasors at their power factor.
public final class Currents {
  private final Network network;
  private final Sum[] edges;
  private final Map<Feed, Drawn> drawn = new HashMap<>();
  private final Map<Source, Sum[]> given = new HashMap<>();
  private final Map<Source, List<Feed>> served = new HashMap<>();
  private final Map<Source, List<Feed>> through = new HashMap<>();
  private final Set<Source> inProgress = new HashSet<>();
  private final List<Source> loops = new ArrayList<>();

  /// What one feed takes, in amperes of each line: `running`; `design`, with the simultaneity of
  /// what lies behind it but not its own; `full`, what its own wire must carry.
  public record Drawn(
      double running,
      double design,
      double full,
      double runningWatts,
      double designWatts,
      double powerFactor) {
    static final Drawn NOTHING = new Drawn(0, 0, 0, 0, 0, 1);
  }

  /// The sum on one edge or terminal.
  public static final class Sum {
    private Phasor running = Phasor.ZERO;
    private Phasor design = Phasor.ZERO;
    private double largest;
    private double charging;
    private double starting;
    private double chargingTime;
    private double startingTime;

    public double running() {
      return running.magnitude();
    }

    /// All that can be on together, without regard to the largest single load.
    public double together() {
      return design.magnitude();
    }

    public double design() {
      return Math.max(design.magnitude(), largest);
    }

    /// Greatest instantaneous current at switching on: all charging capacitors together, or the
    /// hardest starting motor.
    public double inrushPeak() {
      return Math.max(charging, starting);
    }

    /// The same when all charging capacitors and the hardest starting motor meet.
    public double allAtOnce() {
      return charging + starting;
    }

    /// How long that lasts, s.
    public double inrushSeconds() {
      return charging >= starting ? chargingTime : startingTime;
    }

    private void add(Sum other) {
      running = running.plus(other.running);
      design = design.plus(other.design);
      largest = Math.max(largest, other.largest);
      charging += other.charging;
      chargingTime = Math.max(chargingTime, other.chargingTime);
      start(other.starting, other.startingTime);
    }

    private void start(double peak, double seconds) {
      if (peak > starting || (peak == starting && seconds > startingTime)) {
        starting = peak;
        startingTime = seconds;
      }
    }

    private Sum times(double part) {
      var next = new Sum();
      next.running = running.times(part);
      next.design = design.times(part);
      next.largest = largest * part;
      next.charging = charging * part;
      next.starting = starting * part;
      next.chargingTime = chargingTime;
      next.startingTime = startingTime;
      return next;
    }

    private void add(Phasor runningPart, Phasor designPart, double full, Feed feed) {
      running = running.plus(runningPart);
      design = design.plus(designPart);
      largest = Math.max(largest, full);
      feed.intake()
          .inrush()
          .ifPresent(inrush -> {
            if (feed.intake().demand() instanceof Demand.Converts) {
              charging += inrush.peak().amperes();
              chargingTime = Math.max(chargingTime, inrush.duration().seconds());
            } else start(inrush.peak().amperes(), inrush.duration().seconds());
          });
    }
  }

  private Currents(Network network) {
    this.network = network;
    this.edges = new Sum[network.topology().edgeCount()];
    for (var feed : network.feeds())
      feed.source()
          .ifPresent(source -> served.computeIfAbsent(source, _ -> new ArrayList<>()).add(feed));
    for (var feed : network.feeds())
      for (var lower : feed.below())
        through.computeIfAbsent(lower, _ -> new ArrayList<>()).add(feed);
  }

  public static Currents of(Network network) {
    var currents = new Currents(network);
    for (var source : network.sources()) currents.give(source);
    SideBySide.of(network.topology()).forEach(currents::share);
    return currents;
  }

  public Drawn drawn(Feed feed) {
    return drawn.getOrDefault(feed, Drawn.NOTHING);
  }

  public Sum edge(int edge) {
    var sum = edges[edge];
    return sum == null ? new Sum() : sum;
  }

  /// What the terminals of a source give, in the order of its terminals.
  public List<Sum> given(Source source) {
    var sums = given.get(source);
    return sums == null ? List.of() : List.of(sums);
  }

  public List<Feed> served(Source source) {
    return served.getOrDefault(source, List.of());
  }

  /// Sources that, by a ring of converters, feed themselves; their currents are not to be trusted.
  public List<Source> loops() {
    return loops;
  }

  /// Conductors side by side carry together what the ways laid on any of them.
  private void share(java.util.Map<Integer, Double> shares) {
    var all = new Sum();
    for (var edge : shares.keySet()) if (edges[edge] != null) all.add(edges[edge]);
    shares.forEach((edge, part) -> edges[edge] = all.times(part));
  }

  private Sum[] give(Source source) {
    var known = given.get(source);
    if (known != null) return known;
    if (!inProgress.add(source)) {
      loops.add(source);
      return new Sum[0];
    }
    var sums = new Sum[source.terminals().size()];
    for (var i = 0; i < sums.length; i++) sums[i] = new Sum();
    for (var feed : served(source)) serve(source, sums, feed);
    for (var feed : through.getOrDefault(source, List.of())) pass(source, sums, feed);
    inProgress.remove(source);
    given.put(source, sums);
    return sums;
  }

  private void serve(Source source, Sum[] sums, Feed feed) {
    var taken = take(feed);
    drawn.put(feed, taken);
    var voltages = source.voltages();
    var reference = feed.backStart() < 0 ? Phasor.ZERO : voltages.get(feed.backStart());
    var share = feed.device().work().simultaneityFactor();
    var back = Phasor.ZERO;
    var backRunning = Phasor.ZERO;
    for (var i = 0; i < feed.lineStarts().size(); i++) {
      int terminal = feed.lineStarts().get(i);
      var against =
          feed.intake().threePhase()
              ? voltages.get(terminal)
              : voltages.get(terminal).minus(reference);
      var design = against.lagging(taken.design() * share, taken.powerFactor());
      var running = against.lagging(taken.running(), taken.powerFactor());
      add(sums[terminal], running, design, taken, feed);
      for (var edge : feed.lineWays().get(i)) add(sumAt(edge), running, design, taken, feed);
      back = back.minus(design);
      backRunning = backRunning.minus(running);
    }
    if (feed.backStart() >= 0) {
      add(sums[feed.backStart()], backRunning, back, taken, feed);
      for (var edge : feed.backWay()) add(sumAt(edge), backRunning, back, taken, feed);
    }
  }

  /// What a source above in series gives flows through this one too.
  private void pass(Source source, Sum[] sums, Feed feed) {
    feed.source().ifPresent(this::give);
    var taken = drawn(feed);
    var volts = source.voltages().getFirst();
    var share = feed.device().work().simultaneityFactor();
    var design = volts.lagging(taken.design() * share, taken.powerFactor());
    var running = volts.lagging(taken.running(), taken.powerFactor());
    add(sums[0], running, design, taken, feed);
    add(sums[1], running.times(-1), design.times(-1), taken, feed);
  }

  /// The feeds a source gives to, by itself or in series with others.
  private List<Feed> all(Source source) {
    var all = new ArrayList<>(served(source));
    all.addAll(through.getOrDefault(source, List.of()));
    return all;
  }

  private static void add(Sum sum, Phasor running, Phasor design, Drawn taken, Feed feed) {
    sum.add(running, design, taken.full(), feed);
  }

  private Sum sumAt(int edge) {
    var sum = edges[edge];
    if (sum == null) edges[edge] = sum = new Sum();
    return sum;
  }

  private Drawn take(Feed feed) {
    var use = feed.device().work();
    var volts = feed.voltage().volts();
    var phases = feed.intake().threePhase() ? Math.sqrt(3) : 1;
    return switch (feed.intake().demand()) {
      case Demand.FixedPower(var power, var powerFactor) ->
          load(power.watts() * use.loadingFactor(), powerFactor, volts * phases, feed.device());
      case Demand.FixedCurrent(var current) ->
          load(
              set(feed, current) * use.loadingFactor() * volts * phases,
              1,
              volts * phases,
              feed.device());
      case Demand.Ohmic(var power, var madeFor) ->
          load(
              power.watts() * use.loadingFactor() * Math.pow(volts / madeFor.volts(), 2),
              1,
              volts * phases,
              feed.device());
      case Demand.Converts(var output, var efficiency, var powerFactor, var own) ->
          converts(feed, output, efficiency.fraction(), powerFactor, own.watts(), volts * phases);
      case Demand.Chops(var outputs, var factor) ->
          chops(feed, outputs.getFirst(), factor.fraction(), volts);
    };
  }

  /// What its drive makes flow in it, where that is a chopper; else what it is rated for.
  private double set(Feed feed, nelvar.core.units.Current rated) {
    return network
        .topology()
        .setCurrents()
        .getOrDefault(
            new nelvar.core.model.TerminalRef(feed.device().id(), feed.intake().lines().getFirst()),
            rated.amperes());
  }

  private static Drawn load(double watts, double powerFactor, double volts, Device device) {
    var amperes = watts / (volts * powerFactor);
    var use = device.work();
    var running = use.simultaneityFactor() * use.dutyFactor();
    return new Drawn(amperes * running, amperes, amperes, watts * running, watts, powerFactor);
  }

  private Drawn converts(
      Feed feed, String output, double efficiency, double powerFactor, double own, double volts) {
    var source = outputOf(feed, output);
    if (source.isEmpty()) return Drawn.NOTHING;
    var bank = network.together(source.get());
    bank.forEach(this::give);
    var running = own;
    var design = own;
    var largest = 0.0;
    for (var member : bank)
      for (var load : all(member)) {
        var taken = drawn(load);
        var part = load.share(member) / efficiency;
        running += taken.runningWatts() * part;
        design += taken.designWatts() * load.device().work().simultaneityFactor() * part;
        largest =
            Math.max(
                largest,
                own + taken.designWatts() * taken.full() / Math.max(taken.design(), 1e-12) * part);
      }
    if (bank.size() > 1) {
      // Running they share; any one may have to give all it can.
      var out = source.get().output();
      var most = out.rating().amperes() * out.voltage().volts() / efficiency + own;
      running = own + (running - own) * network.share(source.get());
      design = Math.min(design, most);
      largest = Math.min(largest, most);
    }
    var amperes = 1 / (volts * powerFactor);
    return new Drawn(
        running * amperes,
        design * amperes,
        Math.max(design, largest) * amperes,
        running,
        design,
        powerFactor);
  }

  private Drawn chops(Feed feed, String output, double factor, double volts) {
    var source = outputOf(feed, output);
    if (source.isEmpty()) return Drawn.NOTHING;
    var sums = give(source.get());
    if (sums.length == 0) return Drawn.NOTHING;
    var running = sums[0].running() * factor;
    var design = sums[0].design.magnitude() * factor;
    return new Drawn(
        running, design, sums[0].design() * factor, running * volts, design * volts, 1);
  }

  private java.util.Optional<Source> outputOf(Feed feed, String output) {
    return network.sources(feed.device()).stream()
        .filter(source -> source.output().name().equals(output))
        .findFirst();
  }
}
