package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Power;
import nelvar.core.units.VoltageRange;

/// A ready-made mains appliance with cord and plug: a router, a vacuum cleaner, a screen.
///
/// @param powerFactor true power factor
/// @param load what takes its current, where that is stated
/// @param earthed class I, with a protective contact; else class II, double insulated
public record Appliance(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Power power,
    double powerFactor,
    Optional<Inrush> inrush,
    boolean earthed,
    Optional<Load> load)
    implements Part {
  /// What takes the current of an appliance: whether cutting pieces out of the mains' waves slows
  /// it, or harms it.
  public enum Load {
    /// A motor with brushes, or what only heats.
    BRUSHED,
    /// Electronics, its own speed control among them, or an induction motor.
    ELECTRONIC
  }

  public Appliance {
    Part.require(
        powerFactor > 0 && powerFactor <= 1,
        "a power factor is above 0 and at most 1, not " + powerFactor);
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>(Part.mains(1));
    if (earthed) all.add(Terminal.required("PE", Role.PROTECTIVE));
    return all;
  }

  @Override
  public Optional<Boolean> bearsCutWaves() {
    return load.map(what -> what == Load.BRUSHED);
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "mains", "L", "N", input, new Demand.FixedPower(power, powerFactor), inrush));
  }
}
