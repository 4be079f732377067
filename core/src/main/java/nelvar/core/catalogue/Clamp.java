package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Measure;

/// What one place of a row of terminals holds, by its maker.
///
/// @param least thinnest conductor it holds
/// @param greatest thickest conductor it takes
/// @param wires how many it holds at once; empty where that is not stated
/// @param type how it is closed
/// @param torque its screw is tightened with
public record Clamp(
    Optional<CrossSection> least,
    CrossSection greatest,
    Optional<Integer> wires,
    Optional<Type> type,
    Optional<Measure> torque) {
  public Clamp {
    Part.require(
        least.filter(thin -> thin.compareTo(greatest) > 0).isEmpty(),
        "a clamp holds from its thinnest to its thickest wire, not the other way round");
    Part.require(wires.filter(n -> n < 1 || n > 8).isEmpty(), "a clamp holds 1 to 8 wires at once");
    Part.require(
        torque.filter(t -> t.unit() != Measure.Unit.TORQUE).isEmpty(),
        "a screw is tightened with a torque in N·m");
  }

  public enum Type {
    SCREW,
    SPRING
  }

  static Clamp upTo(CrossSection greatest) {
    return new Clamp(
        Optional.empty(), greatest, Optional.empty(), Optional.empty(), Optional.empty());
  }

  /// Whether a single wire of this section is held.
  public boolean holds(CrossSection section) {
    return section.squareMillimetres() <= greatest.squareMillimetres() + 1e-6
        && least
            .filter(thin -> thin.squareMillimetres() > section.squareMillimetres() + 1e-6)
            .isEmpty();
  }

  /// `0.14 mm² to 4 mm², one wire each, screw, 0.6 N·m`; only what is stated.
  public String words() {
    return least.map(thin -> thin + " to " + greatest).orElseGet(() -> "up to " + greatest)
        + wires.map(n -> n == 1 ? ", one wire each" : ", up to " + n + " wires each").orElse("")
        + type.map(t -> t == Type.SCREW ? ", screw" : ", spring").orElse("")
        + torque.map(t -> ", " + t).orElse("");
  }
}
