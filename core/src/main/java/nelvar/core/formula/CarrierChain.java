package nelvar.core.formula;

import nelvar.core.units.Length;

/// A chain of links that carries cables to what moves, lying in a loop. Common practice, no
/// published source; the maker's own figures win.
public final class CarrierChain {
  /// Links for the two ends (common practice).
  private static final int END_LINKS = 2;

  private CarrierChain() {}

  /// `L = S/2 + Δ + π · R + 2 · t`: half the travel from its fixed end, what that end stands off
  /// the middle, the bend, and a link for each end.
  ///
  /// @param travel of the moving end, S
  /// @param fixedOff of the middle of the travel, Δ
  /// @param bendRadius of the middle of the links, R
  /// @param pitch of one link, t
  public static Length length(Length travel, Length fixedOff, Length bendRadius, Length pitch) {
    return new Length(
        travel.metres() / 2
            + fixedOff.metres()
            + Math.PI * bendRadius.metres()
            + END_LINKS * pitch.metres());
  }

  /// Whole links that are at least as long.
  public static int links(Length length, Length pitch) {
    return (int) Math.ceil(length.metres() / pitch.metres() - 1e-9);
  }

  /// How high it stands at rest, `H = 2 · R + h`: the bend and the height of a link.
  public static Length restHeight(Length bendRadius, Length outerHeight) {
    return new Length(2 * bendRadius.metres() + outerHeight.metres());
  }

  /// How far the bend stands out beyond the middle of its run when it is drawn in, `R + h/2`.
  public static Length overhang(Length bendRadius, Length outerHeight) {
    return new Length(bendRadius.metres() + outerHeight.metres() / 2);
  }
}
