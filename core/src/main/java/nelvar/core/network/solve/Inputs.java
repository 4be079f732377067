package nelvar.core.network.solve;

import java.util.Arrays;

/// What can be switched or varied without building a grid anew: which branches conduct, which
/// sources may give, how much each load takes, and the mains voltage. At first all is on and
/// nominal.
public final class Inputs {
  private final boolean[] closed;
  private final boolean[] allowed;
  private final boolean[] kept;
  private final boolean[] tripped;
  private final double[] share;
  private final double[] loose;
  private final java.util.Map<Integer, Double> charged = new java.util.HashMap<>();
  private final java.util.List<Bridged> bridged = new java.util.ArrayList<>();
  private double mains = 1;

  /// Two nodes joined by a resistance that the grid does not have, Ω.
  public record Bridged(int a, int b, double ohms) {}

  private Inputs(int branches, int groups, int loads) {
    closed = new boolean[branches];
    allowed = new boolean[groups];
    kept = new boolean[groups];
    tripped = new boolean[groups];
    share = new double[loads];
    loose = new double[branches];
  }

  public Inputs(Grid grid) {
    this(grid.branches().size(), grid.groups().size(), grid.loads().size());
    Arrays.fill(closed, true);
    for (var group = 0; group < allowed.length; group++)
      allowed[group] = !grid.groups().get(group).charge();
    Arrays.fill(share, 1);
  }

  public void close(int branch, boolean conducts) {
    closed[branch] = conducts;
  }

  /// @param ohms more than the branch has by itself
  public void loosen(int branch, double ohms) {
    loose[branch] += ohms;
  }

  /// Joins two different nodes.
  public void bridge(int a, int b, double ohms) {
    bridged.add(new Bridged(a, b, ohms));
  }

  public java.util.List<Bridged> bridges() {
    return java.util.List.copyOf(bridged);
  }

  double[] looseNow() {
    return loose.clone();
  }

  /// The same with no sources but some.
  Inputs only(java.util.function.IntPredicate groups) {
    var other = new Inputs(closed.length, allowed.length, share.length);
    System.arraycopy(closed, 0, other.closed, 0, closed.length);
    System.arraycopy(kept, 0, other.kept, 0, kept.length);
    System.arraycopy(tripped, 0, other.tripped, 0, tripped.length);
    System.arraycopy(share, 0, other.share, 0, share.length);
    System.arraycopy(loose, 0, other.loose, 0, loose.length);
    for (var group = 0; group < allowed.length; group++)
      other.allowed[group] = allowed[group] && groups.test(group);
    other.charged.putAll(charged);
    other.bridged.addAll(bridged);
    other.mains = mains;
    return other;
  }

  /// The same with all loads taking a part of what they take, and with or without bridges.
  Inputs easier(double part, boolean withBridges) {
    var other = only(_ -> true);
    for (var load = 0; load < share.length; load++) other.share[load] *= part;
    if (!withBridges) other.bridged.clear();
    return other;
  }

  public void allow(int group, boolean gives) {
    allowed[group] = gives;
  }

  /// Charges a capacitor: it stands at so many volts, whatever it gives.
  public void charge(int group, double volts) {
    allowed[group] = true;
    charged.put(group, volts);
  }

  java.util.Optional<Double> volts(int group) {
    return java.util.Optional.ofNullable(charged.get(group));
  }

  /// Switches a source off by what it watches besides its current.
  public void trip(int group) {
    tripped[group] = true;
  }

  boolean tripped(int group) {
    return tripped[group];
  }

  public boolean gives(int group) {
    return allowed[group];
  }

  public boolean closes(int branch) {
    return closed[branch];
  }

  /// Keeps a source up although its input is gone: charge left in its capacitors.
  public void keep(int group) {
    kept[group] = true;
  }

  boolean kept(int group) {
    return kept[group];
  }

  /// @param of its amount, 1 for all
  public void share(int load, double of) {
    share[load] = of;
  }

  /// @param factor on the voltage of sources that stand by themselves, 1 for nominal
  public void mains(double factor) {
    mains = factor;
  }

  boolean allowed(int group) {
    return allowed[group];
  }

  double share(int load) {
    return share[load];
  }

  double mains() {
    return mains;
  }

  boolean[] closedNow() {
    return closed.clone();
  }

  boolean[] allowedNow() {
    return allowed.clone();
  }
}
