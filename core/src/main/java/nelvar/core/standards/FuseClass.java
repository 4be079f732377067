package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.Current;
import nelvar.core.units.Measure;

/// Classes of fuse-links by their curve and by what they may protect.
public enum FuseClass {
  /// Full-range, general purpose (IEC 60269).
  GG("gG", true),
  /// Back-up for motor circuits: does not open on overloads (IEC 60269).
  AM("aM", true),
  /// Full-range for semiconductors, at drive inputs (IEC 60269-4); never slower than gG.
  GR("gR", true),
  /// Miniature, time-lag (IEC 60127, UL 248-14): supplementary in North America.
  MINIATURE("T", false),
  /// North American branch fuses, time-delay.
  CLASS_CC("CC", true),
  CLASS_J("J", true),
  CLASS_RK5("RK5", true);

  private final String sign;
  private final boolean branch;

  FuseClass(String sign, boolean branch) {
    this.sign = sign;
    this.branch = branch;
  }

  public String sign() {
    return sign;
  }

  /// Whether it may protect a branch circuit in North America.
  public boolean branch() {
    return branch && this != GG && this != AM && this != GR;
  }

  /// The greatest let-through energy where a short makes it limit, from about 20 times its rating;
  /// empty for other classes and sizes.
  public Optional<Cited<Measure>> letThrough(Current rating) {
    return american()
        ? LetThrough.TABLE.cited(
            rating.amperes(), sign, energy -> new Measure(energy, Measure.Unit.JOULE_INTEGRAL))
        : Optional.empty();
  }

  private static final class LetThrough {
    static final Table TABLE = Table.load("ul-248/let-through.tsv");
  }

  public boolean american() {
    return this == CLASS_CC || this == CLASS_J || this == CLASS_RK5;
  }
}
