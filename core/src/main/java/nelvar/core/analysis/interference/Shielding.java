package nelvar.core.analysis.interference;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.formula.Crosstalk;
import nelvar.core.model.Cable;
import nelvar.core.model.Cable.Ending;

/// A cable's shield and how it ends.
///
/// A shield that nobody says how it ends counts as open at that end: that is the unsafe side, and
/// it is said. Copper braid, 10 mΩ and a leak of 1 nH for each metre; a clamp has 1 nH, a pigtail
/// of 50 mm and 1 mm diameter the inductance of its wire (all from memory).
///
/// @param length of the cable, m; below zero where it is not known, which counts as the worst
/// @param said whether both ends were said
public record Shielding(boolean there, Ending from, Ending to, double length, boolean said) {
  /// Ω/m.
  static final double RESISTANCE = 0.010;

  /// H/m.
  private static final double LEAKS = 1e-9;

  /// H/m of a shield over its surroundings.
  static final double OWN = 1e-6;

  private static final double CLAMP = 1e-9;
  private static final double PIGTAIL = Crosstalk.pigtail(0.05, 0.001);

  public static final Shielding NONE = new Shielding(false, Ending.OPEN, Ending.OPEN, 0, true);

  static Shielding of(Optional<Cable> cable, double length, Study study) {
    return cable
        .filter(c ->
            study.catalogue().find(c.stock()).orElse(null) instanceof CableStock stock
                && stock.shielded())
        .map(c ->
            new Shielding(
                true,
                c.screened().from().orElse(Ending.OPEN),
                c.screened().to().orElse(Ending.OPEN),
                length,
                c.screened().from().isPresent() && c.screened().to().isPresent()))
        .orElse(NONE);
  }

  /// H.
  private static double end(Ending ending) {
    return ending == Ending.CLAMP ? CLAMP : PIGTAIL;
  }

  /// Joined at both ends for fast edges; a capacitor is a short for them.
  boolean both() {
    return there && from != Ending.OPEN && to != Ending.OPEN;
  }

  boolean joined() {
    return there && (from != Ending.OPEN || to != Ending.OPEN);
  }

  /// What is left of a field of so much frequency: 1 where it is not joined at both ends.
  double ofField(double frequency) {
    if (!both() || length <= 0) return 1;
    return Crosstalk.shieldFactor(RESISTANCE, OWN, length, end(from) + end(to), frequency);
  }

  /// Ω between what flows into the shield and the core: its transfer impedance, and its ends.
  double transfer(double along, double frequency) {
    var omega = 2 * Math.PI * frequency;
    var ends =
        both() ? 1 / (1 / end(from) + 1 / end(to)) : from != Ending.OPEN ? end(from) : end(to);
    return Crosstalk.transferImpedance(RESISTANCE, LEAKS, frequency)
            * (along < 0 ? Lays.UNKNOWN : along)
        + omega * ends;
  }

  /// How much of a length an open end leaves unshielded: what is beyond a twentieth of the wave.
  double bare(double along, double rise) {
    if (!there) return along;
    if (both()) return 0;
    if (!joined()) return along;
    return Math.max(0, along - Crosstalk.twentieth(rise));
  }

  /// `shielded, clamped all around and open`.
  public String words() {
    if (!there) return "no shield";
    var ends = from == to ? from.words() + " at both ends" : from.words() + " and " + to.words();
    return "shield " + ends + (said ? "" : " (not said: counted as open)");
  }
}
