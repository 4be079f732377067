package nelvar.core.analysis.sizing;

import nelvar.core.standards.AmericanConductors;
import nelvar.core.standards.AmericanConductors.Rating;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Temperature;

/// The current a conductor carries for ever without growing too warm, North American school.
///
/// `Iz = min(I · Ca · Cb, It)`: I in A by size in the column of the insulation's rating (NEC 2023
/// Table 310.16), Ca for the air (Table 310.15(B)(1)(1)), Cb for current-carrying conductors in one
/// raceway or cable (Table 310.15(C)(1)); It the uncorrected column of the terminals (110.14(C)).
/// Correction begins at the insulation's column, not at the terminals'.
public final class AmericanAmpacity {
  private AmericanAmpacity() {}

  /// @param conductors current-carrying conductors together, this one's circuit included
  public static Computed<Current> corrected(
      CrossSection size, Rating insulation, Rating terminals, Temperature air, int conductors) {
    var base = AmericanConductors.ampacity(size, insulation);
    var limit = AmericanConductors.ampacity(size, terminals);
    var ambient = AmericanConductors.ambientFactor(air, insulation);
    var bundling = AmericanConductors.bundlingFactor(conductors);
    if (base.isEmpty() || limit.isEmpty())
      return Computed.missing(
          "the ampacity table has no row for %s at %s"
              .formatted(size, base.isEmpty() ? insulation : terminals));
    if (ambient.isEmpty())
      return Computed.missing(
          "insulation for %s has no correction for air at %s".formatted(insulation, air));
    if (bundling.isEmpty())
      return Computed.missing("the table for conductors together ends at 1000");
    var w = Working.of("Ampacity, North American");
    var i = w.table("I", base.get(), () -> "%s, insulation %s".formatted(size, insulation));
    var ca = w.table("Ca", ambient.get(), () -> "air " + air);
    var cb = w.table("Cb", bundling.get(), () -> conductors + " current-carrying conductors");
    var corrected = w.result("Ic", "I · Ca · Cb", i.times(ca * cb));
    var terminal =
        w.table("It", limit.get(), () -> "terminals %s, uncorrected".formatted(terminals));
    return Computed.known(
        w.explain(
            w.result(
                "Iz", "min(Ic, It)", corrected.compareTo(terminal) <= 0 ? corrected : terminal)));
  }
}
