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
  private double mains = 1;

  public Inputs(Grid grid) {
    closed = new boolean[grid.branches().size()];
    allowed = new boolean[grid.groups().size()];
    kept = new boolean[grid.groups().size()];
    tripped = new boolean[grid.groups().size()];
    share = new double[grid.loads().size()];
    loose = new double[grid.branches().size()];
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

  double[] looseNow() {
    return loose.clone();
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
