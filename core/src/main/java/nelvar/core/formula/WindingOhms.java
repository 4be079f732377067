package nelvar.core.formula;

import nelvar.core.units.Resistance;

/// What an ohmmeter reads between two leads of a three-phase winding of which one phase is known;
/// circuit laws.
public final class WindingOhms {
  public enum Joined {
    /// Two phases in series.
    STAR,
    /// One phase beside the other two.
    DELTA,
    /// Nothing joined yet: the phase alone.
    OPEN
  }

  private WindingOhms() {}

  /// `2 · R`, `2/3 · R` or `R`.
  public static Resistance betweenLeads(Resistance phase, Joined joined) {
    return new Resistance(
        phase.ohms()
            * switch (joined) {
              case STAR -> 2;
              case DELTA -> 2.0 / 3;
              case OPEN -> 1;
            });
  }

  /// The same number of coils in parallel: of `n` groups each a share.
  public static Resistance inParallel(Resistance phase, int groups) {
    return new Resistance(phase.ohms() / groups);
  }
}
