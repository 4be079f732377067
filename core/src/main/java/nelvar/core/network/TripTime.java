package nelvar.core.network;

import java.util.Optional;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.standards.FuseClass;
import nelvar.core.standards.FuseLink;
import nelvar.core.standards.TimeCurrent;
import nelvar.core.trail.Cited;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// When a protective device opens at a steady current.
///
/// Corners stand in tables ([TimeCurrent], [FuseLink]), joined by straight lines on log paper, then
/// by constant I²t; breakers open within 0.1 s above the upper end of the magnetic band. On direct
/// current the band counts 1.4 or 1.5 times, by the school of the Brief (common practice). All
/// unchecked.
public final class TripTime {
  /// How many times the magnetic band counts on alternating current; on direct current
  /// `Policies.magneticBand` says.
  public static final double ALTERNATING = 1;

  /// Of the magnetic part: the latest and the earliest, s (IEC 60898-1, Table 7; common practice).
  private static final double AT_ONCE = 0.1;

  private static final double SOONEST = 0.005;

  /// The fusing factor of gG links above 400 A (IEC 60269-1, Table 2, from memory).
  private static final double ABOVE_400 = 1.6;

  /// What its curve does not promise at a current, in words; empty where it does.
  public static Optional<String> notPromised(ProtectiveDevice protection, Current current) {
    var m = current.amperes() / protection.rating().amperes();
    if (protection instanceof ProtectiveDevice.Fuse(_, var fuse)
        && fuse == FuseClass.AM
        && m > 1
        && m < 6.3)
      return Optional.of(
          m <= 4
              ? "an aM fuse protects against no overload: nothing is promised below 4 times its rating, and it may overheat"
              : "an aM fuse may hold or open here: it must open only from 6.3 times its rating");
    return Optional.empty();
  }

  private TripTime() {}

  /// The latest it opens; empty where it need not open at all.
  public static Optional<Duration> latest(
      ProtectiveDevice protection, Current current, double band) {
    return seconds(latestSeconds(protection, current.amperes(), band));
  }

  /// The earliest it may open; empty where it must not.
  public static Optional<Duration> earliest(
      ProtectiveDevice protection, Current current, double band) {
    return seconds(earliestSeconds(protection, current.amperes(), band));
  }

  private static Optional<Duration> seconds(double seconds) {
    return Double.isFinite(seconds) ? Optional.of(new Duration(seconds)) : Optional.empty();
  }

  /// The current that opens it within `limit` for certain.
  public static Current opensWithin(ProtectiveDevice protection, Duration limit, double band) {
    var low = protection.rating().amperes();
    var high = 1000 * low;
    for (var i = 0; i < 80; i++) {
      var middle = Math.sqrt(low * high);
      if (latestSeconds(protection, middle, band) <= limit.seconds()) high = middle;
      else low = middle;
    }
    return new Current(high);
  }

  private static double latestSeconds(ProtectiveDevice protection, double amperes, double band) {
    var in = protection.rating().amperes();
    var m = amperes / in;
    return switch (protection) {
      case ProtectiveDevice.Breaker(var rating, var curve) ->
          amperes >= curve.trips(rating).value().amperes() * band
              ? AT_ONCE
              : Math.max(AT_ONCE, TimeCurrent.breaker(rating).latest(m));
      case ProtectiveDevice.Fuse(var rating, var fuse) -> {
        if (fuse == FuseClass.AM) yield Math.max(0.01, TimeCurrent.BACK_UP_FUSE.latest(m));
        if (fuse.american()) yield Math.max(0.01, TimeCurrent.AMERICAN_FUSE.latest(m));
        if (fuse == FuseClass.MINIATURE) yield Math.max(0.01, TimeCurrent.MINIATURE_FUSE.latest(m));
        var factor = FuseLink.fusingFactor(rating).map(Cited::value).orElse(ABOVE_400);
        if (m < factor) yield Double.POSITIVE_INFINITY;
        var g = FuseLink.gatesAbove(rating);
        yield fuse(
            amperes,
            in * factor,
            TimeCurrent.conventionalTimeOfFuse(rating),
            g.blows5s().amperes(),
            5,
            g.blows100ms().amperes());
      }
      case ProtectiveDevice.MotorSwitch motor ->
          amperes >= TimeCurrent.motorSwitchTrips(motor.greatest()).amperes() * band
              ? AT_ONCE
              : Math.max(AT_ONCE, TimeCurrent.MOTOR_SWITCH.latest(m));
      case ProtectiveDevice.Electronic _ -> TimeCurrent.channelOpens(m);
    };
  }

  private static double earliestSeconds(ProtectiveDevice protection, double amperes, double band) {
    var in = protection.rating().amperes();
    var m = amperes / in;
    return switch (protection) {
      case ProtectiveDevice.Breaker(var rating, var curve) ->
          amperes > curve.holds(rating).value().amperes() * band
              ? SOONEST
              : TimeCurrent.breaker(rating).earliest(m);
      case ProtectiveDevice.Fuse(var rating, var fuse) -> {
        if (fuse == FuseClass.AM) yield TimeCurrent.BACK_UP_FUSE.earliest(m);
        if (fuse.american()) yield m > 5 ? 0.01 : TimeCurrent.AMERICAN_FUSE.earliest(m);
        if (fuse == FuseClass.MINIATURE) yield TimeCurrent.MINIATURE_FUSE.earliest(m);
        if (fuse == FuseClass.GR) yield m <= 1.1 ? Double.POSITIVE_INFINITY : 1e-4;
        if (m <= 1.25) yield Double.POSITIVE_INFINITY;
        var g = FuseLink.gatesBelow(rating);
        var fast = g.holds100ms().amperes();
        yield amperes > fast
            ? least(amperes, fast, FuseLink.leastMelting(rating).value())
            : fuse(
                amperes,
                1.25 * in,
                TimeCurrent.conventionalTimeOfFuse(rating),
                g.holds10s().amperes(),
                10,
                fast);
      }
      case ProtectiveDevice.MotorSwitch motor ->
          amperes > TimeCurrent.motorSwitchHolds(motor.greatest()).amperes() * band
              ? SOONEST
              : TimeCurrent.MOTOR_SWITCH.earliest(m);
      case ProtectiveDevice.Electronic _ -> TimeCurrent.channelHolds(m);
    };
  }

  private static double fuse(
      double amperes, double slow, double slowTime, double middle, double middleTime, double fast) {
    if (amperes <= middle) return TimeCurrent.between(amperes, slow, slowTime, middle, middleTime);
    if (amperes <= fast) return TimeCurrent.between(amperes, middle, middleTime, fast, 0.1);
    return 0.1 * Math.pow(fast / amperes, 2);
  }

  /// Below 0.1 s: on a straight line to the least energy that melts it within 10 ms, which is less
  /// than at 0.1 s, since no heat leaves; from there that energy.
  private static double least(double amperes, double fast, double energy) {
    var at10ms = Math.sqrt(energy / 0.01);
    return amperes < at10ms
        ? TimeCurrent.between(amperes, fast, 0.1, at10ms, 0.01)
        : Math.min(0.1, energy / amperes / amperes);
  }
}
