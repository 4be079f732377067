package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Permanent-magnet servo motor.
///
/// @param power at the shaft
public record ServoMotor(
    String id,
    String name,
    Article article,
    Power power,
    Voltage voltage,
    Current current,
    Percent efficiency)
    implements Part {
  @Override
  public boolean motor() {
    return true;
  }

  @Override
  public List<Terminal> terminals() {
    return Part.threePhaseMotor();
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    var taken = power.times(1 / efficiency.fraction());
    var factor = Math.min(1, taken.watts() / (Math.sqrt(3) * voltage.volts() * current.amperes()));
    return List.of(
        Intake.threePhase(
            "stator",
            List.of("U", "V", "W"),
            new VoltageRange(voltage.times(0.5), voltage.times(1.25)),
            new Demand.FixedPower(taken, factor),
            Optional.empty()));
  }
}
