package nelvar.core.network.solve;

/// Brings the limits of direct-current sources, and diodes, in line with the voltages found.
final class Limits {
  private static final double SMALL = 1e-7;

  private final Grid grid;
  private final Present now;
  private final Frequency direct;

  Limits(Grid grid, Present now, Frequency direct) {
    this.grid = grid;
    this.now = now;
    this.direct = direct;
  }

  /// Whether anything had to be changed; `one` changes only the first, against endless exchange.
  boolean correct(boolean one) {
    var changed = false;
    for (var i = 0; i < grid.emfs().size() && !(one && changed); i++) changed |= source(i);
    for (var i = 0; i < grid.branches().size() && !(one && changed); i++) changed |= diode(i);
    return changed;
  }

  private boolean source(int index) {
    var emf = grid.emfs().get(index);
    var group = grid.groups().get(emf.group());
    if (group.alternating() || group.limit() == Grid.Limit.NONE || !now.on[emf.group()])
      return false;
    var own = emf.re() * now.emf(index);
    var volts = direct.re[emf.plus()] - direct.re[emf.minus()];
    var amperes = (own - volts) / emf.ohms();
    var mode = now.mode[emf.group()];
    now.mode[emf.group()] =
        switch (mode) {
          case GIVING -> {
            if (amperes > group.greatest() * (1 + SMALL))
              yield switch (group.limit()) {
                case HICCUP, TRIP -> Present.Mode.TRIPPED;
                case NONE, CONSTANT_CURRENT, FOLD_BACK -> Present.Mode.LIMITED;
              };
            yield amperes < -SMALL ? Present.Mode.IDLE : mode;
          }
          case LIMITED ->
              volts > own - emf.ohms() * group.greatest() + SMALL ? Present.Mode.GIVING : mode;
          case IDLE -> volts < own - SMALL ? Present.Mode.GIVING : mode;
          case TRIPPED -> mode;
        };
    if (now.mode[emf.group()] == mode) return false;
    now.version++;
    return true;
  }

  /// Whether an alternating source had to switch off: all its lines together.
  static boolean trip(Grid grid, Present now, Frequency alternating) {
    var changed = false;
    for (var i = 0; i < grid.emfs().size(); i++) {
      var at = grid.emfs().get(i).group();
      var group = grid.groups().get(at);
      if (!group.alternating() || group.limit() != Grid.Limit.TRIP) continue;
      if (!now.on[at] || now.mode[at] == Present.Mode.TRIPPED) continue;
      if (EmfCurrent.of(grid, i, now, alternating).magnitude() <= group.greatest()) continue;
      for (var sibling : siblings(grid, at)) now.mode[sibling] = Present.Mode.TRIPPED;
      now.version++;
      changed = true;
    }
    return changed;
  }

  /// The outputs of one drive: those fed through the same loads; itself among them.
  static java.util.List<Integer> siblings(Grid grid, int group) {
    var all = new java.util.ArrayList<>(java.util.List.of(group));
    for (var one : grid.converters()) {
      if (one.group() != group) continue;
      for (var other : grid.converters())
        if (other.group() != group
            && grid.groups().get(other.group()).limit() == Grid.Limit.TRIP
            && other.loads().equals(one.loads())) all.add(other.group());
    }
    return all;
  }

  private boolean diode(int index) {
    var branch = grid.branches().get(index);
    if (!branch.diode() || !now.closed[index]) return false;
    var volts = direct.re[branch.a()] - direct.re[branch.b()] - branch.forward();
    var before = now.diode[index];
    now.diode[index] = before ? volts > -SMALL : volts > SMALL;
    if (before == now.diode[index]) return false;
    now.version++;
    return true;
  }
}
