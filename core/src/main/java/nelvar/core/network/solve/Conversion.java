package nelvar.core.network.solve;

/// Hands power from the outputs of converters to their inputs, and life from their inputs to their
/// outputs.
final class Conversion {
  /// Share of the least input voltage below which an output goes off; common practice.
  private static final double DEAD = 0.5;

  private static final double SETTLED = 1e-9;

  /// Volts that move no current worth counting through any source.
  private static final double NEXT_TO_NOTHING = 1e-9;

  /// An output whose input collapses as often as it comes back counts as off.
  private static final int MANY = 3;

  private final Grid grid;
  private final Inputs inputs;
  private final Present now;
  private final Frequency direct;
  private final Frequency alternating;

  /// Which frequency has something new to settle.
  record Changed(boolean direct, boolean alternating) {}

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

  Changed update() {
    dc = false;
    ac = false;
    var lives = false;
    for (var converter : grid.converters()) {
      lives |= life(converter);
    }
    take();
    for (var converter : grid.converters())
      if (converter.conversion() == Grid.Conversion.RECTIFIER) rectify(converter);
    if (lives) now.islands = Islands.of(grid, now.closed, now.on);
    return new Changed(dc, ac);
  }

  private boolean life(Grid.Converter converter) {
    if (inputs.kept(converter.group())) return false;
    var alive = inputs.allowed(converter.group());
    for (var index : converter.loads()) {
      var load = grid.loads().get(index);
      alive &= volts(load) >= DEAD * load.least() && now.islands.live(load.a());
    }
    alive &= now.deaths[converter.group()] < MANY;
    if (now.on[converter.group()] == alive) return false;
    now.on[converter.group()] = alive;
    if (!alive) now.deaths[converter.group()]++;
    var own = grid.groups().get(converter.group()).alternating();
    mark(own);
    // On, it is its own impedance at the other frequency too; off, it is open there as well. That
    // changes something only where volts of that frequency stand across it.
    if (stands(converter.group(), !own)) mark(!own);
    return true;
  }

  private boolean stands(int group, boolean ofAlternating) {
    var frequency = ofAlternating ? alternating : direct;
    for (var emf : grid.emfs())
      if (emf.group() == group
          && Math.hypot(
                  frequency.re[emf.plus()] - frequency.re[emf.minus()],
                  frequency.im[emf.plus()] - frequency.im[emf.minus()])
              > NEXT_TO_NOTHING) return true;
    return false;
  }

  private double volts(Grid.Load load) {
    var frequency = load.alternating() ? alternating : direct;
    return Math.hypot(
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
      var share = now.on[converter.group()] ? asked(converter) / converter.loads().size() : 0;
      for (var index : converter.loads()) asked.merge(index, share, Double::sum);
    }
    asked.forEach((index, amount) -> {
      if (Math.abs(now.amount[index] - amount) <= SETTLED * (1 + Math.abs(amount))) return;
      now.amount[index] = amount;
      mark(grid.loads().get(index).alternating());
    });
  }

  private double asked(Grid.Converter converter) {
    var given = given(converter.group());
    return switch (converter.conversion()) {
      case EFFICIENCY -> converter.own() + Math.max(0, given.watts()) / converter.factor();
      case CHOPPER -> converter.factor() * given.amperes();
      case RECTIFIER ->
          Math.max(0, given.watts()) + converter.drop() * Math.max(0, given.amperes());
    };
  }

  private void rectify(Grid.Converter converter) {
    var load = grid.loads().get(converter.loads().getFirst());
    var peak = Math.max(0, Math.sqrt(2) * volts(load) - converter.drop());
    var amperes = Math.max(0, given(converter.group()).amperes());
    var ripple = Ripple.of(amperes, peak, converter.farads(), converter.frequency());
    for (var emf : grid.emfs()) {
      if (emf.group() != converter.group()) continue;
      var factor = Math.max(0, peak - ripple / 2) / emf.re();
      if (Math.abs(now.volts[emf.group()] - factor) <= SETTLED) continue;
      now.volts[emf.group()] = factor;
      dc = true;
    }
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
