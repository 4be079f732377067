package nelvar.core.analysis.choice;

/// What a choice is good for.
public enum Goal {
  /// Least cost of copper and devices.
  LEAST_COST("least cost", 0),
  /// Fewest different wires and devices in stock: another kind counts as much as 25 units of the
  /// currency (assumed), so thinner wires are bought as the next thicker one, and devices as
  /// another that does, where that costs less.
  FEWEST_KINDS("fewest kinds in stock", 25);

  private final String words;
  private final double stocking;

  Goal(String words, double stocking) {
    this.words = words;
    this.stocking = stocking;
  }

  public String words() {
    return words;
  }

  double stocking() {
    return stocking;
  }
}
