package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class PackingTest {
  private static void apart(List<Packing.Laid> laid) {
    for (var a : laid)
      for (var b : laid)
        if (a.of() < b.of())
          assertThat(Math.hypot(a.x() - b.x(), a.y() - b.y()))
              .isGreaterThanOrEqualTo(a.radius() + b.radius() - 1e-5);
  }

  /// By hand: two of 10 mm side by side in 20 mm, the third on both: its middle 5 + 10 · sin 60°.
  @Test
  void threeAlike() {
    var laid = Packing.trough(List.of(10.0, 10.0, 10.0), 20);
    assertThat(laid).hasSize(3);
    assertThat(laid.get(2).x()).isCloseTo(10, within(1e-6));
    assertThat(laid.get(2).y()).isCloseTo(5 + 10 * Math.sin(Math.PI / 3), within(1e-6));
  }

  /// Random ones: none overlaps another or a wall, and each lies on something.
  @Test
  void noneOverlaps() {
    var random = new SplittableRandom(21);
    for (var trial = 0; trial < 40; trial++) {
      var all = new ArrayList<Double>();
      var count = 1 + random.nextInt(45);
      for (var n = 0; n < count; n++) all.add(2 + random.nextDouble() * 9);
      var width = 25 + random.nextDouble() * 50;
      var laid = Packing.trough(all, width);
      assertThat(laid).hasSize(count);
      apart(laid);
      for (var one : laid) {
        assertThat(one.x()).isBetween(one.radius() - 1e-5, width - one.radius() + 1e-5);
        assertThat(one.y()).isGreaterThanOrEqualTo(one.radius() - 1e-5);
      }
      // Circles alike fill at most 91 % of a plane, and piled ones hardly less than half.
      var area = all.stream().mapToDouble(d -> Math.PI / 4 * d * d).sum();
      var high = laid.stream().mapToDouble(one -> one.y() + one.radius()).max().orElse(0);
      assertThat(area / (high * width)).isLessThan(0.91);
      if (count > 25) assertThat(area / (high * width)).isGreaterThan(0.5);
    }
  }

  /// Two alike fill a conduit of twice their diameter; what does not go in is left out.
  @Test
  void inAConduit() {
    var two = Packing.round(List.of(10.0, 10.0), 20);
    assertThat(two).hasSize(2);
    apart(two);
    assertThat(Packing.round(List.of(10.0, 10.0), 19)).hasSize(1);
    assertThat(Packing.round(List.of(10.0), 9)).isEmpty();
    // Seven alike fit in three times their diameter: six round one.
    var random = new SplittableRandom(22);
    for (var trial = 0; trial < 30; trial++) {
      var all = new ArrayList<Double>();
      for (var n = 0; n < 30; n++) all.add(2 + random.nextDouble() * 3);
      var laid = Packing.round(all, 25);
      apart(laid);
      for (var one : laid)
        assertThat(Math.hypot(one.x() - 12.5, one.y() - 12.5))
            .isLessThanOrEqualTo(12.5 - one.radius() + 1e-5);
      // 40 % of a conduit always finds place in fact: what the tables allow goes in.
      var area = 0.0;
      var inside = new ArrayList<Double>();
      for (var d : all) {
        area += Math.PI / 4 * d * d;
        if (area > 0.40 * Math.PI / 4 * 625) break;
        inside.add(d);
      }
      assertThat(Packing.round(inside, 25)).hasSameSizeAs(inside);
    }
  }
}
