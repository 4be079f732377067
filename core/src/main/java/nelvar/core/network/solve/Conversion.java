package nelvar.core.network.solve;

/// Hands power from the outputs of converters to their inputs, and life from their inputs to their
/// outputs.
final class Conversion {
  private static final double SETTLED = 1e-9;

  /// Volts that move no current worth counting through any source.
  private static final double NEXT_TO_NOTHING = 1e-9;

  /// Loads of converters take their power down to where they die, which is what `least` says of
  /// them. Once dead they come back at so many times those volts; common practice.
  private static final double AGAIN = 2;

  /// A small current that tells how a bridge begins to sag, A, and the softest it counts as, Ω.
  private static final double SMALL_LOAD = 0.01;

  private static final double SOFTEST = 1e3;

  /// An output whose input collapses as often as it comes back counts as off.
  private static final int MANY = 3;

  private final Grid grid;
  private final Inputs inputs;
  private final Present now;
  private final Frequency direct;
  private final Frequency alternating;

  /// Which frequency has something new to settle.
  record Changed(boolean direct, boolean alternating) {}

  /// After so many steps since an output last went on or off, inputs and outputs move only half of
  /// the way, against two that chase each other.
  private static final int QUICK = 10;

  private static final int SLOW = 60;

  private int step;
  private double part = 1;
  private boolean dc;
  private boolean ac;

  Conversion(Grid grid, Inputs inputs, Present now, Frequency direct, Frequency alternating) {
    this.grid = grid;
    this.inputs = inputs;
    this.now = now;
    this.direct = direct;
    this.alternating = alternating;
  }

  /// Takes the voltages left from the solution before as a first guess of what converters take.
  void restore() {
    take();
  }

  /// What outputs ask of inputs first; only when that stands still is it asked which of them live,
  /// so that no output dies of volts that were only on the way.
  Changed update() {
    part = step < QUICK ? 1 : step < SLOW ? 0.5 : 0.1;
    step++;
    dc = false;
    ac = false;
    take();
    for (var converter : grid.converters()) follow(converter);
    cutOff();
    if (!dc && !ac) {
      var lives = false;
      for (var converter : grid.converters()) lives |= life(converter);
      if (lives) step = 0;
      if (lives) now.islands = now.islands.with(grid, now.on);
    }
    return new Changed(dc, ac);
  }

  /// What no source reaches at all is dead at once: nothing on the way can bring it back.
  private void cutOff() {
    var any = false;
    for (var converter : grid.converters()) {
      if (!now.on[converter.group()] || inputs.kept(converter.group())) continue;
      for (var index : converter.loads())
        if (now.on[converter.group()] && !now.islands.live(grid.loads().get(index).a()))
          any |= life(converter);
    }
    if (any) now.islands = now.islands.with(grid, now.on);
  }

  private boolean life(Grid.Converter converter) {
    if (inputs.kept(converter.group())) return false;
    var alive = inputs.allowed(converter.group());
    for (var index : converter.loads()) {
      var load = grid.loads().get(index);
      alive &= enough(converter, load) && now.islands.live(load.a());
    }
    alive &= now.deaths[converter.group()] < MANY;
    if (now.on[converter.group()] == alive) return false;
    now.on[converter.group()] = alive;
    now.version++;
    if (!alive) now.deaths[converter.group()]++;
    var own = grid.groups().get(converter.group()).alternating();
    mark(own);
    // On, it is its own impedance at the other frequency too; off, it is open there as well. That
    // changes something only where volts of that frequency stand across it.
    if (stands(converter.group(), !own)) mark(!own);
    return true;
  }

  /// A bridge needs no more than the drop of its diodes; electronics need volts to live on, and
  /// once dead they want all of their least again.
  private boolean enough(Grid.Converter converter, Grid.Load load) {
    var volts = volts(load);
    if (converter instanceof Grid.Converter.Rectifier bridge)
      return Math.sqrt(2) * volts > bridge.idleDrop();
    var again = now.deaths[converter.group()] > 0 && !now.on[converter.group()];
    return volts >= (again ? AGAIN : 1) * load.least();
  }

  private boolean stands(int group, boolean ofAlternating) {
    var frequency = ofAlternating ? alternating : direct;
    for (var emf : grid.emfs())
      if (emf.group() == group
          && Phasor.size(
                  frequency.re[emf.plus()] - frequency.re[emf.minus()],
                  frequency.im[emf.plus()] - frequency.im[emf.minus()])
              > NEXT_TO_NOTHING) return true;
    return false;
  }

  private double volts(Grid.Load load) {
    var frequency = load.alternating() ? alternating : direct;
    if (load.polar()) return Math.max(0, direct.re[load.a()] - direct.re[load.b()]);
    return Phasor.size(
        frequency.re[load.a()] - frequency.re[load.b()],
        frequency.im[load.a()] - frequency.im[load.b()]);
  }

  private void mark(boolean ofAlternating) {
    if (ofAlternating) ac = true;
    else dc = true;
  }

  /// Sets what converters ask for; one that serves several outputs asks for all of them.
  private void take() {
    var asked = new java.util.TreeMap<Integer, Double>();
    for (var converter : grid.converters()) {
      // A bridge says what it takes as an admittance.
      if (converter instanceof Grid.Converter.Rectifier) continue;
      // The pull-up of an input lives on what its device is fed with and asks for nothing itself.
      if (converter instanceof Grid.Converter.Chopper(_, _, var of, _) && of == 0) continue;
      var share = now.on[converter.group()] ? asked(converter) / converter.loads().size() : 0;
      for (var index : converter.loads()) asked.merge(index, share, Double::sum);
    }
    asked.forEach((index, wanted) -> {
      var amount = now.amount[index] + part * (wanted - now.amount[index]);
      if (Math.abs(now.amount[index] - amount) <= SETTLED * (1 + Math.abs(amount))) return;
      now.amount[index] = amount;
      mark(grid.loads().get(index).alternating());
    });
  }

  private double asked(Grid.Converter converter) {
    var given = given(converter.group());
    return switch (converter) {
      case Grid.Converter.Efficient(_, _, var efficiency, var own, _) ->
          own + Math.max(0, given.watts()) / efficiency;
      case Grid.Converter.Chopper(_, _, var share, _) -> share * given.amperes();
      case Grid.Converter.Rectifier bridge -> {
        var amperes = Math.max(0, given.amperes());
        yield Math.max(0, given.watts()) + bridge.drop(amperes) * amperes;
      }
    };
  }

  /// Sets what an output can be at the volts of its input.
  private void follow(Grid.Converter converter) {
    if (converter instanceof Grid.Converter.Rectifier bridge) rectify(bridge);
    else if (converter.gain() > 0) bound(converter);
  }

  private void bound(Grid.Converter converter) {
    var most = Double.POSITIVE_INFINITY;
    for (var index : converter.loads()) {
      var load = grid.loads().get(index);
      // Below what it lives on it will go off: following it down would let its input recover, and
      // so for ever.
      if (volts(load) < load.least()) return;
      most = Math.min(most, converter.gain() * volts(load));
    }
    volts(converter.group(), Math.min(1, most));
  }

  private void volts(int group, double factor) {
    if (Math.abs(now.volts[group] - factor) <= SETTLED) return;
    now.volts[group] += part * (factor - now.volts[group]);
    mark(grid.groups().get(group).alternating());
  }

  private void rectify(Grid.Converter.Rectifier converter) {
    var index = converter.load();
    var load = grid.loads().get(index);
    if (!now.on[converter.group()]) {
      admit(converter, new double[] {0, 0, 0}, 0);
      return;
    }
    var emf =
        grid.emfs().stream().filter(e -> e.group() == converter.group()).findFirst().orElseThrow();
    var seen = alternating.seenBy(load, index, now);
    var amperes = Math.max(0, given(converter.group()).amperes());
    var state = state(converter, seen, amperes);
    // The tangent at this current: what it is softer by, and the volts it would have without.
    var more = Math.max(amperes * 1.001, amperes + SMALL_LOAD);
    var slope = (state.mean() - state(converter, seen, more).mean()) / (more - amperes);
    var softer = Math.clamp(slope, 0, SOFTEST);
    if (Math.abs(now.softer[converter.group()] - softer) > 1e-3 * softer + 1e-6) {
      now.softer[converter.group()] += part * (softer - now.softer[converter.group()]);
      now.version++;
      dc = true;
    }
    softer = now.softer[converter.group()];
    volts(converter.group(), (state.mean() + (softer + emf.ohms()) * amperes) / emf.re());
    admit(converter, seen, state.rms());
  }

  /// The load as what takes this current and this power from the source it sees: its current lags
  /// so that what is left of the source's power behind its ohms is what the bridge takes.
  private void admit(Grid.Converter.Rectifier converter, double[] seen, double rms) {
    var g = 0.0;
    var s = 0.0;
    if (rms > 0 && seen[0] > 0) {
      var cos = Math.clamp((asked(converter) + rms * rms * seen[1]) / (seen[0] * rms), 0.0, 1.0);
      var ir = rms * cos;
      var ii = -rms * Math.sqrt(1 - cos * cos);
      var vr = seen[0] - (seen[1] * ir - seen[2] * ii);
      var vi = -(seen[1] * ii + seen[2] * ir);
      var size = Math.max(vr * vr + vi * vi, 1e-12);
      g = Math.max(0, (ir * vr + ii * vi) / size);
      s = (ii * vr - ir * vi) / size;
    }
    var index = converter.load();
    var change = Phasor.size(g - now.amount[index], s - now.susceptance[index]);
    if (change <= 1e-9 + 1e-8 * Phasor.size(g, s)) return;
    now.amount[index] += part * (g - now.amount[index]);
    now.susceptance[index] += part * (s - now.susceptance[index]);
    now.version++;
    ac = true;
  }

  private static CapacitorInput state(
      Grid.Converter.Rectifier bridge, double[] seen, double amperes) {
    return CapacitorInput.of(
        seen[0],
        Phasor.size(seen[1], seen[2]),
        bridge.drop(amperes),
        bridge.farads(),
        bridge.hertz(),
        amperes);
  }

  private record Given(double watts, double amperes) {}

  /// What a source gives at its terminals: watts together, amperes of its most loaded line.
  private Given given(int group) {
    var frequency = grid.groups().get(group).alternating() ? alternating : direct;
    var watts = 0.0;
    var amperes = 0.0;
    for (var i = 0; i < grid.emfs().size(); i++) {
      var emf = grid.emfs().get(i);
      if (emf.group() != group) continue;
      var current = EmfCurrent.of(grid, i, now, frequency);
      var vr = frequency.re[emf.plus()] - frequency.re[emf.minus()];
      var vi = frequency.im[emf.plus()] - frequency.im[emf.minus()];
      watts += vr * current.re() + vi * current.im();
      amperes = Math.max(amperes, current.magnitude());
    }
    return new Given(watts, amperes);
  }
}
