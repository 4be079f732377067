package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// The coil of a contactor, relay, valve or brake.
///
/// @param power while it holds; of an alternating-current coil its apparent power, VA
/// @param least lowest voltage at which it must pull in, in % of `voltage` (IEC 60947-4-1: 85 %)
/// @param greatest highest voltage it stands for ever (IEC 60947-4-1: 110 %)
/// @param alternating whether it is made for alternating current; not where nothing is stated
/// @param pickUp what an alternating-current coil takes until its armature has closed, VA; 8 times
///   its holding power where nothing is stated (5 to 12 in use, common practice)
public record Coil(
    Voltage voltage,
    Power power,
    Percent least,
    Percent greatest,
    Optional<Boolean> alternating,
    Optional<Power> pickUp) {
  private static final double USUAL_PICK_UP = 8;

  public Coil {
    Part.require(voltage.volts() > 0, "a coil is made for more than 0 V");
    Part.require(
        least.percent() >= 0 && least.compareTo(greatest) <= 0,
        "a coil pulls in from a lowest to a highest share of its voltage, not from %s to %s"
            .formatted(least, greatest));
  }

  public VoltageRange operates() {
    return new VoltageRange(voltage.times(least.fraction()), voltage.times(greatest.fraction()));
  }

  public boolean madeForAlternating() {
    return alternating.orElse(false);
  }

  /// What it takes while it pulls in; a direct-current coil takes no more than in holding.
  public Power pullingIn() {
    return pickUp.orElse(madeForAlternating() ? power.times(USUAL_PICK_UP) : power);
  }
}
