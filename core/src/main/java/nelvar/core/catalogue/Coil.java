package nelvar.core.catalogue;

import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// The coil of a contactor, relay, valve or brake.
///
/// @param least lowest voltage at which it must pull in, in % of `voltage` (IEC 60947-4-1: 85 %)
/// @param greatest highest voltage it stands for ever (IEC 60947-4-1: 110 %)
public record Coil(Voltage voltage, Power power, Percent least, Percent greatest) {
  public VoltageRange operates() {
    return new VoltageRange(voltage.times(least.fraction()), voltage.times(greatest.fraction()));
  }
}
