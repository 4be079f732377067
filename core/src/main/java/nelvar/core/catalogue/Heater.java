package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Resistance heater: on the mains with its protective conductor, on extra-low voltage (up to 60 V)
/// without.
///
/// @param madeFor the voltage at which it gives `power`
public record Heater(String id, String name, Article article, Power power, Voltage madeFor)
    implements Part {
  private static final Voltage EXTRA_LOW = new Voltage(60);

  private boolean extraLow() {
    return madeFor.compareTo(EXTRA_LOW) <= 0;
  }

  @Override
  public Optional<Boolean> bearsCutWaves() {
    return Optional.of(true);
  }

  @Override
  public List<Terminal> terminals() {
    if (extraLow())
      return List.of(Terminal.required("1", Role.PLUS), Terminal.required("2", Role.MINUS));
    return List.of(
        Terminal.required("L", Role.LINE),
        Terminal.required("N", Role.NEUTRAL),
        Terminal.required("PE", Role.PROTECTIVE));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        new Intake(
            "element",
            List.of(extraLow() ? "1" : "L"),
            Optional.of(extraLow() ? "2" : "N"),
            new VoltageRange(madeFor.times(0.85), madeFor.times(1.1)),
            new Demand.Ohmic(power, madeFor),
            Optional.empty(),
            extraLow()));
  }
}
