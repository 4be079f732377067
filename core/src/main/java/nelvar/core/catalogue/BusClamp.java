package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Braking chopper with its resistor across a direct-current bus, + and -: burns what braking
/// motors give back.
///
/// @param threshold from where it conducts
/// @param power its resistor stands for ever
public record BusClamp(
    String id, String name, Article article, Voltage threshold, Resistance resistance, Power power)
    implements Part {
  @Override
  public boolean servesBus() {
    return true;
  }

  @Override
  public List<Terminal> terminals() {
    return List.of(Terminal.required("+", Role.PLUS), Terminal.required("-", Role.MINUS));
  }

  /// The bus itself must stay below its threshold, else it conducts for ever and burns.
  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "bus",
            "+",
            "-",
            new VoltageRange(new Voltage(0), threshold.times(0.97)),
            new Demand.FixedPower(new Power(0), 1),
            Optional.empty()));
  }
}
