package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Cited;

/// How much of the sum of its circuits a distribution is assumed to carry.
public final class Diversity {
  private static final Table TABLE = Table.load("iec-61439-2-2020/diversity.tsv");

  private Diversity() {}

  public static Optional<Cited<Double>> distribution(int circuits) {
    return TABLE.cited(circuits, "factor");
  }
}
