package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Measure;
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
    Percent efficiency,
    Optional<ServoData> data)
    implements Part {
  /// What is stated of it.
  public ServoData stated() {
    return data.orElse(ServoData.UNKNOWN);
  }

  /// What it gives for ever up to its rated speed: `P/(2π · n)`; empty where that is not stated.
  public Optional<Measure> torque() {
    return stated()
        .ratedSpeed()
        .map(n -> new Measure(power.watts() / (2 * Math.PI * n.value() / 60), Measure.Unit.TORQUE));
  }

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
