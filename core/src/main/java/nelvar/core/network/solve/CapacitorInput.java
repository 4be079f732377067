package nelvar.core.network.solve;

/// A bridge that charges a capacitor from a winding: the direct voltage, its ripple, and the
/// current in the winding at a load.
///
/// Charging begins where the source rises above the capacitor and ends where its current falls to
/// nothing; between, `C·dv/dt = (e − d − v)/R − I`; after it the load alone empties the capacitor.
/// Both parts are solved in closed form, and the angle at which charging begins is the one that
/// comes back half a period later. Derived from the circuit; checked against a time-domain
/// simulation in the tests. A winding's leakage reactance counts as resistance, which gives a volt
/// or so less than it would.
///
/// @param mean direct voltage, V
/// @param ripple peak to peak, V
/// @param rms current in the winding, A
public record CapacitorInput(double mean, double ripple, double rms) {
  private static final double LEAST_OHMS = 1e-3;
  private static final int PANELS = 64;

  /// @param volts of the source without load, r.m.s.
  /// @param ohms of the source
  /// @param drop of the two diodes that conduct, V
  /// @param farads of the capacitor; `hertz` of the mains; `amperes` direct current taken
  public static CapacitorInput of(
      double volts, double ohms, double drop, double farads, double hertz, double amperes) {
    var peak = Math.sqrt(2) * volts;
    if (peak <= drop) return new CapacitorInput(0, 0, 0);
    if (amperes <= 0) return new CapacitorInput(peak - drop, 0, 0);
    return new Cycle(peak, Math.max(ohms, LEAST_OHMS), drop, 2 * Math.PI * hertz * farads, amperes)
        .solve();
  }

  /// One half period, in angles; the source is at its peak at 0.
  private static final class Cycle {
    private final double peak;
    private final double ohms;
    private final double drop;
    private final double susceptance;
    private final double amperes;
    private final double tau;
    private double begin;
    private double end;
    private double free;

    Cycle(double peak, double ohms, double drop, double susceptance, double amperes) {
      this.peak = peak;
      this.ohms = ohms;
      this.drop = drop;
      this.susceptance = susceptance;
      this.amperes = amperes;
      this.tau = susceptance * ohms;
    }

    CapacitorInput solve() {
      var low = -Math.acos(drop / peak);
      // Loaded so hard that charging never ends: the mean of the rectified wave.
      var most = comesBack(low);
      if (most <= 0) {
        var mean = Math.max(0, 2 / Math.PI * peak - drop - amperes * ohms);
        return new CapacitorInput(mean, 0, amperes);
      }
      findBegin(low, most);
      return new CapacitorInput(mean(), ripple(), rms());
    }

    private double source(double angle) {
      return peak * Math.cos(angle) - drop;
    }

    /// The part of the capacitor's voltage that the source forces.
    private double forced(double angle) {
      return -drop
          - amperes * ohms
          + peak * (Math.cos(angle) + tau * Math.sin(angle)) / (1 + tau * tau);
    }

    private double capacitor(double angle) {
      return forced(angle) + free * Math.exp(-(angle - begin) / tau);
    }

    private double current(double angle) {
      return (source(angle) - capacitor(angle)) / ohms;
    }

    /// What the capacitor has too much, half a period after charging began at `angle`.
    private double comesBack(double angle) {
      begin = angle;
      free = source(begin) - forced(begin);
      end = findEnd();
      return capacitor(end) - amperes * (Math.PI - (end - begin)) / susceptance - source(begin);
    }

    /// False position, halving the side that stays (Illinois).
    private void findBegin(double from, double most) {
      var low = from;
      var atLow = most;
      var high = 0.0;
      var atHigh = comesBack(high);
      for (var i = 0; i < 100 && high - low > 1e-14; i++) {
        var middle = (low * atHigh - high * atLow) / (atHigh - atLow);
        var there = comesBack(middle);
        if (Math.abs(there) <= 1e-13 * peak) return;
        if (there > 0) {
          low = middle;
          if (i % 2 == 1) atHigh /= 2;
          atLow = there;
        } else {
          high = middle;
          if (i % 2 == 1) atLow /= 2;
          atHigh = there;
        }
      }
    }

    /// Newton from the later side, kept between where current flows and where none can: charging is
    /// over at the latest where the source falls below the drop of the diodes.
    private double findEnd() {
      var low = begin;
      var high = Math.PI / 2;
      var angle = Math.max(end, begin + 0.1);
      for (var i = 0; i < 60; i++) {
        var now = current(angle);
        if (now > 0) low = angle;
        else high = angle;
        var slope = (-peak * Math.sin(angle) - (now * ohms / tau - amperes / susceptance)) / ohms;
        var next = angle - now / slope;
        if (!(slope < 0) || next <= low || next >= high) next = (low + high) / 2;
        if (Math.abs(next - angle) < 1e-14) return next;
        angle = next;
      }
      return angle;
    }

    private double mean() {
      var charging =
          (-drop - amperes * ohms) * (end - begin)
              + peak
                  * (Math.sin(end) - tau * Math.cos(end) - Math.sin(begin) + tau * Math.cos(begin))
                  / (1 + tau * tau)
              + free * tau * (1 - Math.exp(-(end - begin) / tau));
      var emptying = (capacitor(end) + source(begin)) / 2 * (Math.PI - (end - begin));
      return (charging + emptying) / Math.PI;
    }

    private double ripple() {
      var most = source(begin);
      var least = most;
      for (var i = 0; i <= PANELS; i++) {
        var volts = capacitor(begin + (end - begin) * i / PANELS);
        most = Math.max(most, volts);
        least = Math.min(least, volts);
      }
      return most - least;
    }

    private double rms() {
      var step = (end - begin) / PANELS;
      var sum = 0.0;
      for (var i = 0; i <= PANELS; i++) {
        var weight = i == 0 || i == PANELS ? 1 : i % 2 == 1 ? 4 : 2;
        sum += weight * Math.pow(current(begin + i * step), 2);
      }
      return Math.sqrt(sum * step / 3 / Math.PI);
    }
  }
}
