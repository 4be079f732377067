package nelvar.core.network.solve;

import java.util.Optional;

/// The impedance between any two nodes of a network whose sources are replaced by their own.
public final class Impedances {
  private final Admittances matrix;
  private final Islands islands;

  Impedances(Admittances matrix, Islands islands) {
    this.matrix = matrix;
    this.islands = islands;
  }

  /// In Ω; empty where nothing joins them.
  public Optional<Phasor> between(int a, int b) {
    return islands.of(a) == islands.of(b) ? Optional.of(matrix.impedance(a, b)) : Optional.empty();
  }
}
