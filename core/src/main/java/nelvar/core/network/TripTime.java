package nelvar.core.network;

import java.util.Optional;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.standards.FuseClass;
import nelvar.core.standards.FuseLink;
import nelvar.core.trail.Cited;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// When a protective device opens at a steady current.
///
/// Breakers: thermal gates of IEC 60898-1 Table 7 (no trip at 1.13 In; within 1 h at 1.45 In; 1 to
/// 60 s at 2.55 In, 120 s above 32 A), joined by straight lines on log paper, then by constant I²t;
/// within 0.1 s above the upper end of the magnetic band. On direct current the band counts 1.4 or
/// 1.5 times, by the school of the Brief (common practice). Fuses: the gates of IEC 60269-1, joined
/// likewise. Electronic channels: 1.2 times the rating within 1 s, twice within 20 ms (typical,
/// assumed). All unchecked.
public final class TripTime {
  /// How many times the magnetic band counts on alternating current; on direct current
  /// `Policies.magneticBand` says.
  public static final double ALTERNATING = 1;

  private static final double HOUR = 3600;

  /// The fusing factor of gG links above 400 A (IEC 60269-1, Table 2, from memory).
  private static final double ABOVE_400 = 1.6;

  /// The time within which a device opens at its conventional tripping current: breakers 1 h, above
  /// 63 A 2 h (IEC 60898-1, 8.6.1); fuses 1 h, above 63 A 2 h, above 160 A 3 h, above 400 A 4 h
  /// (IEC 60269-1, Table 2); from memory.
  static double conventionalTime(ProtectiveDevice protection) {
    var in = protection.rating().amperes();
    return switch (protection) {
      case ProtectiveDevice.Breaker _ -> in > 63 ? 2 * HOUR : HOUR;
      case ProtectiveDevice.Fuse _ ->
          in > 400 ? 4 * HOUR : in > 160 ? 3 * HOUR : in > 63 ? 2 * HOUR : HOUR;
      case ProtectiveDevice.MotorSwitch _ -> 2 * HOUR;
      case ProtectiveDevice.Electronic _ -> 1;
    };
  }

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
      case ProtectiveDevice.Breaker(var rating, var curve) -> {
        var magnetic = curve.trips(rating).value().amperes() * band;
        var at255 = in > 32 ? 120 : 60;
        var thermal =
            m < 1.45
                ? Double.POSITIVE_INFINITY
                : m < 2.55
                    ? between(m, 1.45, conventionalTime(protection), 2.55, at255)
                    : at255 * Math.pow(2.55 / m, 2);
        yield amperes >= magnetic ? 0.1 : Math.max(0.1, thermal);
      }
      case ProtectiveDevice.Fuse(var rating, var fuse) -> {
        if (fuse == FuseClass.AM) yield backUp(m, false);
        if (fuse.american()) yield american(m);
        if (fuse == FuseClass.MINIATURE) yield miniature(m, false);
        var factor = FuseLink.fusingFactor(rating).map(Cited::value).orElse(ABOVE_400);
        if (m < factor) yield Double.POSITIVE_INFINITY;
        var g = FuseLink.gatesAbove(rating);
        yield fuse(
            amperes,
            in * factor,
            conventionalTime(protection),
            g.blows5s().amperes(),
            5,
            g.blows100ms().amperes());
      }
      case ProtectiveDevice.MotorSwitch motor -> {
        // IEC 60947-4-1, class 10: 1.2 within 2 h, 1.5 within 4 min, 7.2 within 10 s; magnetic at
        // 13 times its greatest setting with 20 % (maker curves, unchecked).
        var magnetic = 15.6 * band * motor.greatest().amperes();
        yield amperes >= magnetic
            ? 0.1
            : m < 1.2
                ? Double.POSITIVE_INFINITY
                : m < 1.5
                    ? between(m, 1.2, 2 * HOUR, 1.5, 240)
                    : m < 7.2
                        ? between(m, 1.5, 240, 7.2, 10)
                        : Math.max(0.1, 10 * 7.2 * 7.2 / m / m);
      }
      case ProtectiveDevice.Electronic _ -> m >= 2 ? 0.02 : m >= 1.2 ? 1 : Double.POSITIVE_INFINITY;
    };
  }

  private static double earliestSeconds(ProtectiveDevice protection, double amperes, double band) {
    var in = protection.rating().amperes();
    var m = amperes / in;
    return switch (protection) {
      case ProtectiveDevice.Breaker(var rating, var curve) -> {
        var magnetic = curve.holds(rating).value().amperes() * band;
        if (amperes > magnetic) yield 0.005;
        yield m <= 1.13
            ? Double.POSITIVE_INFINITY
            : m < 2.55
                ? between(m, 1.13, conventionalTime(protection), 2.55, 1)
                : Math.pow(2.55 / m, 2);
      }
      case ProtectiveDevice.Fuse(var rating, var fuse) -> {
        if (fuse == FuseClass.AM) yield backUp(m, true);
        // A time-delay fuse holds five times its rating for 10 s (UL 248, from memory); at less it
        // holds at
        // least as long as constant I²t says.
        if (fuse.american())
          yield m <= 1.1 ? Double.POSITIVE_INFINITY : m <= 5 ? 10 * 25 / m / m : 0.01;
        if (fuse == FuseClass.MINIATURE) yield miniature(m, true);
        if (fuse == FuseClass.GR) yield m <= 1.1 ? Double.POSITIVE_INFINITY : 1e-4;
        if (m <= 1.25) yield Double.POSITIVE_INFINITY;
        var g = FuseLink.gatesBelow(rating);
        var fast = g.holds100ms().amperes();
        yield amperes > fast
            ? least(amperes, fast, FuseLink.leastMelting(rating).value())
            : fuse(
                amperes, 1.25 * in, conventionalTime(protection), g.holds10s().amperes(), 10, fast);
      }
      case ProtectiveDevice.MotorSwitch motor -> {
        var magnetic = 10.4 * band * motor.greatest().amperes();
        yield amperes > magnetic
            ? 0.005
            : m <= 1.05 ? Double.POSITIVE_INFINITY : 4 * 7.2 * 7.2 / m / m;
      }
      case ProtectiveDevice.Electronic _ -> m >= 1.2 ? 0.01 : Double.POSITIVE_INFINITY;
    };
  }

  private static double fuse(
      double amperes, double slow, double slowTime, double middle, double middleTime, double fast) {
    if (amperes <= middle) return between(amperes, slow, slowTime, middle, middleTime);
    if (amperes <= fast) return between(amperes, middle, middleTime, fast, 0.1);
    return 0.1 * Math.pow(fast / amperes, 2);
  }

  /// Below 0.1 s: on a straight line to the least energy that melts it within 10 ms, which is less
  /// than at 0.1 s, since no heat leaves; from there that energy.
  private static double least(double amperes, double fast, double energy) {
    var at10ms = Math.sqrt(energy / 0.01);
    return amperes < at10ms
        ? between(amperes, fast, 0.1, at10ms, 0.01)
        : Math.min(0.1, energy / amperes / amperes);
  }

  /// On a straight line on log-log paper. aM gates of IEC 60269-2, from memory (to be verified
  /// before use): surely holds 4 In for 60 s and 8 In for 0.5 s; surely melts at 6.3 In within 60
  /// s, 12.5 In within 0.5 s, 19 In within 0.1 s.
  private static double backUp(double m, boolean least) {
    if (least)
      return m <= 4
          ? Double.POSITIVE_INFINITY
          : m <= 8 ? between(m, 4, 60, 8, 0.5) : 0.5 * 64 / m / m;
    return m < 6.3
        ? Double.POSITIVE_INFINITY
        : m < 12.5
            ? between(m, 6.3, 60, 12.5, 0.5)
            : m < 19 ? between(m, 12.5, 0.5, 19, 0.1) : Math.max(0.01, 0.1 * 361 / m / m);
  }

  /// UL 248, up to 30 A, from memory: opens within 1 h at 135 % and within 2 min at 200 %; then no
  /// later than at constant I²t, which physics does not let it exceed.
  private static double american(double m) {
    return m < 1.35
        ? Double.POSITIVE_INFINITY
        : m < 2 ? between(m, 1.35, HOUR, 2, 120) : Math.max(0.01, 120 * 4 / m / m);
  }

  /// IEC 60127-2, time-lag, from memory (to be verified before use): within 2 min at 2.1 In; 0.6 to
  /// 10 s at 2.75 In; 0.15 to 3 s at 4 In; 20 to 300 ms at 10 In.
  private static double miniature(double m, boolean least) {
    if (least)
      return m <= 1.5
          ? Double.POSITIVE_INFINITY
          : m < 2.75
              ? between(m, 1.5, HOUR, 2.75, 0.6)
              : m < 4 ? between(m, 2.75, 0.6, 4, 0.15) : Math.min(0.15, 0.02 * 100 / m / m);
    return m < 2.1
        ? Double.POSITIVE_INFINITY
        : m < 2.75
            ? between(m, 2.1, 120, 2.75, 10)
            : m < 4
                ? between(m, 2.75, 10, 4, 3)
                : m < 10 ? between(m, 4, 3, 10, 0.3) : Math.max(0.01, 0.3 * 100 / m / m);
  }

  private static double between(double x, double x1, double y1, double x2, double y2) {
    var share = Math.log(x / x1) / Math.log(x2 / x1);
    return Math.exp(Math.log(y1) + share * Math.log(y2 / y1));
  }
}
