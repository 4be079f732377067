package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;

/// The least protective conductor for a line conductor, copper for both.
public final class ProtectiveConductor {
  private static final Table TABLE = Table.load("iec-60364-5-54-2011/protective-conductor.tsv");

  private ProtectiveConductor() {}

  /// By the row of the section; for gauges from 0.5 mm² on by the rule the rows follow: as thick up
  /// to 16 mm², 16 mm² up to 35 mm², half of it above.
  public static Optional<Cited<CrossSection>> forLine(CrossSection line) {
    var s = line.squareMillimetres();
    return TABLE
        .cited(s, "pe", CrossSection::new)
        .or(() ->
            line.gauge()
                .filter(_ -> s >= 0.5)
                .map(_ ->
                    new Cited<>(
                        s <= 16 ? line : new CrossSection(s <= 35 ? 16 : s / 2),
                        TABLE.citation())));
  }
}
