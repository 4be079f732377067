package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;

/// The door to what terminals carry by the section they are made for, where their maker states
/// nothing else.
public final class TerminalCurrents {
  private static final Table TABLE = Table.load("iec-60947-7-1-2009/terminal-current.tsv");

  private TerminalCurrents() {}

  /// Empty for sections that are not in the table.
  public static Optional<Cited<Current>> rated(CrossSection section) {
    return TABLE.cited(section.squareMillimetres(), "current", Current::new);
  }
}
