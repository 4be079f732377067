package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Power;
import nelvar.core.units.Price;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Two-phase stepper motor, coils A and B as connected.
///
/// @param phaseCurrent rated current of one phase
public record StepperMotor(
    String id,
    String name,
    Optional<Price> price,
    Optional<Power> loss,
    Current phaseCurrent,
    VoltageRange bus)
    implements Part {
  @Override
  public List<Terminal> terminals() {
    return Stream.of("A+", "A-", "B+", "B-").map(end -> Terminal.required(end, Role.LINE)).toList();
  }

  /// A chopper gives a winding what its current needs, far below the bus.
  private VoltageRange winding() {
    return new VoltageRange(new Voltage(1), bus.greatest());
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "A", "A+", "A-", winding(), new Demand.FixedCurrent(phaseCurrent), Optional.empty()),
        Intake.twoWire(
            "B", "B+", "B-", winding(), new Demand.FixedCurrent(phaseCurrent), Optional.empty()));
  }
}
