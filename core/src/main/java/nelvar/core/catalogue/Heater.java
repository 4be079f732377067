package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Resistance heater on the mains.
///
/// @param madeFor the voltage at which it gives `power`
public record Heater(String id, String name, Article article, Power power, Voltage madeFor)
    implements Part {
  @Override
  public List<Terminal> terminals() {
    return List.of(
        Terminal.required("L", Role.LINE),
        Terminal.required("N", Role.NEUTRAL),
        Terminal.required("PE", Role.PROTECTIVE));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "element",
            "L",
            "N",
            new VoltageRange(madeFor.times(0.85), madeFor.times(1.1)),
            new Demand.Ohmic(power, madeFor),
            Optional.empty()));
  }
}
