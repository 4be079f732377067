package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.standards.FuseClass;
import nelvar.core.standards.TripCurve;
import nelvar.core.units.Current;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// When devices open, at the corners of their standards.
final class TripTimeTest {
  private static double latest(ProtectiveDevice protection, double amperes) {
    return TripTime.latest(protection, new Current(amperes), 1).orElseThrow().seconds();
  }

  /// Conventional times by rating: IEC 60269-1, Table 2 and IEC 60898-1, 8.6.1.
  @ParameterizedTest
  @CsvSource({
    "gG, 63, 1",
    "gG, 80, 2",
    "gG, 160, 2",
    "gG, 200, 3",
    "gG, 400, 3",
    "gG, 500, 4",
    "C, 63, 1",
    "C, 80, 2"
  })
  void conventionalTimesFollowTheRating(String sign, double rating, double hours) {
    var protection =
        sign.equals("C")
            ? new ProtectiveDevice.Breaker(new Current(rating), TripCurve.C)
            : new ProtectiveDevice.Fuse(new Current(rating), FuseClass.GG);
    var tripping = (sign.equals("C") ? 1.45 : 1.6) * rating;
    assertThat(latest(protection, tripping * 1.0001)).isCloseTo(3600 * hours, within(20.0));
  }

  /// A rating without gates of its own is no later than the next larger one that has them, and
  /// holds no longer than the next smaller one: 13 A lies between 12 A and 16 A; 1 A below 2 A.
  @Test
  void aFuseWithoutARowOpensAllTheSame() {
    var odd = new ProtectiveDevice.Fuse(new Current(13), FuseClass.GG);
    var larger = new ProtectiveDevice.Fuse(new Current(16), FuseClass.GG);
    assertThat(latest(odd, 65)).isCloseTo(latest(larger, 65), within(0.01));
    assertThat(latest(new ProtectiveDevice.Fuse(new Current(1), FuseClass.GG), 9.2))
        .isCloseTo(5, within(0.1));
  }

  /// Back-up fuses promise nothing on overload.
  @Test
  void anAmFuseProtectsAgainstNoOverload() {
    var fuse = new ProtectiveDevice.Fuse(new Current(16), FuseClass.AM);
    assertThat(TripTime.notPromised(fuse, new Current(32)).orElseThrow()).contains("no overload");
    assertThat(TripTime.notPromised(fuse, new Current(110))).isEmpty();
  }

  private static final double NEVER = Double.POSITIVE_INFINITY;

  private static ProtectiveDevice device(String text) {
    var parts = text.split(" ");
    var rating = new Current(Double.parseDouble(parts[1]));
    for (var curve : TripCurve.values())
      if (curve.name().equals(parts[0])) return new ProtectiveDevice.Breaker(rating, curve);
    return switch (parts[0]) {
      case "motor" ->
          new ProtectiveDevice.MotorSwitch(
              new Current(rating.amperes() / 1.6), rating, java.util.Optional.of(rating));
      case "channel" -> new ProtectiveDevice.Electronic("1", rating);
      default ->
          new ProtectiveDevice.Fuse(
              rating,
              java.util.Arrays.stream(FuseClass.values())
                  .filter(fuse -> fuse.sign().equals(parts[0]))
                  .findFirst()
                  .orElseThrow());
    };
  }

  private static double seconds(java.util.Optional<nelvar.core.units.Duration> time) {
    return time.map(nelvar.core.units.Duration::seconds).orElse(NEVER);
  }

  /// The corners of the curves, in multiples of the rating, as the class names them; on both sides
  /// of each, so that neither the figure nor its side can slip. Figures from memory where the class
  /// says so. `T` of IEC 60127 lets go at 2.1, 2.75, 4 and 10; aM of IEC 60269-2 at 4, 6.3, 12.5
  /// and 19; UL 248 at 1.35 and 2; IEC 60947-4-1 class 10 at 1.2, 1.5 and 7.2; IEC 60898-1 at 1.13,
  /// 1.45 and 2.55.
  @ParameterizedTest(name = "{0} at {1}: {2} to {3}")
  @CsvSource({
    "aM 16,    3.99,   Infinity, Infinity",
    "aM 16,    4.001,  60,       Infinity",
    "aM 16,    6.301,  2.60,     60",
    "aM 16,    8.001,  0.5,      11.30",
    "aM 16,    12.501, 0.2048,   0.5",
    "aM 16,    19.001, 0.0886,   0.1",
    "aM 16,    38,     0.02216,  0.025",
    "C 16,     1.12,   Infinity, Infinity",
    "C 16,     1.1301, 3600,     Infinity",
    "C 16,     1.4501, 292.9,    3600",
    "C 16,     2.5501, 1,        60",
    "C 16,     4.99,   0.2611,   15.67",
    "C 16,     5.01,   0.005,    15.54",
    "C 16,     10.01,  0.005,    0.1",
    "B 40,     2.5501, 1,        120",
    "motor 4,  1.04,   Infinity, Infinity",
    "motor 4,  1.2001, 144,      7200",
    "motor 4,  1.5001, 92.16,    240",
    "motor 4,  7.2001, 4,        10",
    "motor 4,  10.41,  0.005,    4.784",
    "motor 4,  15.61,  0.005,    0.1",
    "channel 4, 1.19,  Infinity, Infinity",
    "channel 4, 1.21,  0.01,     1",
    "channel 4, 2.01,  0.01,     0.02"
  })
  void theCornersOfTheCurves(String text, double multiple, double earliest, double latest) {
    var one = device(text);
    var at = new Current(one.rating().amperes() * multiple);
    close(seconds(TripTime.earliest(one, at, 1)), earliest);
    close(seconds(TripTime.latest(one, at, 1)), latest);
  }

  private static void close(double found, double expected) {
    if (Double.isInfinite(expected)) assertThat(found).isInfinite();
    else assertThat(found).isCloseTo(expected, within(0.02 * expected));
  }

  /// Of every kind, at any current: never later than the latest, and the more flows the sooner.
  @ParameterizedTest
  @org.junit.jupiter.params.provider.ValueSource(
      strings = {
        "B 6",
        "C 16",
        "D 40",
        "K 10",
        "Z 4",
        "gG 2",
        "gG 13",
        "gG 63",
        "gG 400",
        "aM 25",
        "T 2",
        "gR 40",
        "motor 4",
        "channel 4"
      })
  void noCurveCrossesItselfOrTurnsBack(String text) {
    var one = device(text);
    var before = new double[] {NEVER, NEVER};
    for (var m = 0.5; m < 200; m *= 1.01) {
      var at = new Current(one.rating().amperes() * m);
      var earliest = seconds(TripTime.earliest(one, at, 1));
      var latest = seconds(TripTime.latest(one, at, 1));
      assertThat(earliest).as("%s at %s", text, at).isLessThanOrEqualTo(latest * 1.0001);
      assertThat(earliest).as("%s at %s", text, at).isLessThanOrEqualTo(before[0] * 1.0001);
      assertThat(latest).as("%s at %s", text, at).isLessThanOrEqualTo(before[1] * 1.0001);
      before[0] = earliest;
      before[1] = latest;
    }
    assertThat(before[1]).as("opens on a dead short").isLessThan(0.2);
  }
}
