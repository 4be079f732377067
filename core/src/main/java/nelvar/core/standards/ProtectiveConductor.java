package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;

/// The least protective conductor for a line conductor, copper for both.
public final class ProtectiveConductor {
  private static final Table TABLE = Table.load("iec-60364-5-54-2011/protective-conductor.tsv");

  private ProtectiveConductor() {}

  public static Optional<Cited<CrossSection>> forLine(CrossSection line) {
    return TABLE.cited(line.squareMillimetres(), "pe", CrossSection::new);
  }
}
