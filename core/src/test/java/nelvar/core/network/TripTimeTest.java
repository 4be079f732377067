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
}
