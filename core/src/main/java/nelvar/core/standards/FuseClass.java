package nelvar.core.standards;

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

  public boolean american() {
    return this == CLASS_CC || this == CLASS_J || this == CLASS_RK5;
  }
}
