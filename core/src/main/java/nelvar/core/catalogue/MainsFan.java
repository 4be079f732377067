package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Power;
import nelvar.core.units.VoltageRange;

/// Cabinet fan on the mains, double insulated.
public record MainsFan(
    String id, String name, Article article, VoltageRange input, Power power, double powerFactor)
    implements Part {
  @Override
  public List<Terminal> terminals() {
    return List.of(Terminal.required("L", Role.LINE), Terminal.required("N", Role.NEUTRAL));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "motor", "L", "N", input, new Demand.FixedPower(power, powerFactor), Optional.empty()));
  }
}
