package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.VoltageRange;

/// Direct-current motor: pump, vibrator, fan.
///
/// @param starting starting current as a multiple of the rated one
public record DcMotor(
    String id, String name, Article article, VoltageRange input, Current current, double starting)
    implements Part {
  @Override
  public boolean motor() {
    return true;
  }

  @Override
  public boolean turnsByVolts() {
    return true;
  }

  @Override
  public List<Terminal> terminals() {
    return List.of(Terminal.required("+", Role.PLUS), Terminal.required("-", Role.MINUS));
  }

  @Override
  public boolean runsBackwards() {
    return true;
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "supply",
            "+",
            "-",
            input,
            new Demand.FixedCurrent(current),
            Optional.of(new Inrush(current.times(starting), new Duration(0.1)))));
  }
}
