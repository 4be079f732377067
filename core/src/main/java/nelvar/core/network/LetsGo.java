package nelvar.core.network;

import nelvar.core.catalogue.Coil;
import nelvar.core.catalogue.Part;
import nelvar.core.formula.CoilFormulas;
import nelvar.core.model.Device;
import nelvar.core.units.Duration;

/// How long a coil holds on after its feed has gone: from the quickest to the slowest of its kind.
///
/// A direct-current coil goes on with its own current through what takes up its energy, `L/R ·
/// ln((1 + z)/(h + z))`, `z` the clamp's volts over the coil's, down to between 75 and 10 % of its
/// current (IEC 60947-4-1, from memory), and then has to move. One for alternating current only
/// moves; an RC element makes it up to twice as slow (common practice).
public record LetsGo(Duration least, Duration most) {
  private static final double HOLDS_LONGEST = 0.10;
  private static final double HOLDS_SHORTEST = 0.75;

  public static LetsGo of(Device device, Coil coil, Part part) {
    var times = part.coilTimes();
    var least = times.opens().seconds();
    var most = times.slowOpens().seconds();
    var suppression = device.suppression();
    if (coil.madeForAlternating()) return band(least, 2 * most);
    var clamp = suppression.map(nelvar.core.model.Suppression::clamp);
    // With nothing fitted an arc at the contact takes the energy: no time to speak of.
    if (clamp.isEmpty()) return band(least, most);
    return band(
        least + CoilFormulas.letsGo(times.constant(), HOLDS_SHORTEST, clamp.get()).seconds(),
        most + CoilFormulas.letsGo(times.slowConstant(), HOLDS_LONGEST, clamp.get()).seconds());
  }

  private static LetsGo band(double least, double most) {
    return new LetsGo(new Duration(least), new Duration(most));
  }
}
