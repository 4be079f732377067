package nelvar.core.analysis.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import nelvar.core.formula.Axis;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// Screws, belts, racks and drums as builders write them. Travel of a turn by hand: lead = starts ·
/// pitch, 25.4 mm an inch (exact by definition), π · module · teeth (ISO 54 defines the module;
/// common practice).
class MechanicsTest {
  @ParameterizedTest
  @CsvSource({
    "screw 10 mm, 10, 1",
    "ball screw 5 mm, 5, 1",
    "screw 2 start 4 mm, 8, 1",
    "2 start screw 4 mm, 8, 1",
    "screw 4 starts of 2 mm, 8, 1",
    "screw 0.2 inch, 5.08, 1",
    "10 TPI 5 start, 12.7, 1",
    "5 starts 10 TPI, 12.7, 1",
    "16 TPI, 1.5875, 1",
    "belt 5 mm 24 teeth gear 3:1, 120, 3",
    "gear 60:20 24 teeth of 5 mm belt, 120, 3",
    "belt 2 mm 20 teeth reduction 4, 40, 4",
    "rack module 1 20 teeth gear 3:1, 62.8318531, 3",
    "pinion module 1.5 18 teeth, 84.8230016, 1",
    "rack 5 mm 20 teeth, 100, 1",
    "drum 120 mm gear 10:1, 376.991118, 10",
    "roller 2 in, 159.592907, 1",
    "turntable gear 60:1, 360, 60",
    "rotary gear 5 gear 2:1, 360, 10",
    "Belt 5mm 24 teeth Gear 3:1 on the gantry, 120, 3",
  })
  void whatATurnMoves(String text, double travel, double ratio) {
    var read = Mechanics.read(text);
    assertThat(read.perTurn().orElseThrow()).isCloseTo(travel, within(1e-6));
    assertThat(read.ratio()).isCloseTo(ratio, within(1e-12));
    assertThat(read.words()).isNotEmpty();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "screw",
        "belt of rubber",
        "beltt 5 mm",
        "screw 0 mm",
        "screw -3 mm",
        "water-cooled",
        "gear 3:1"
      })
  void whatIsNotSaidIsNotKnown(String text) {
    assertThat(Mechanics.read(text).perTurn()).isEmpty();
  }

  @Test
  void whatBesidesIsSaid() {
    var read =
        Mechanics.read(
            "belt 5 mm 24 teeth friction 30 N carrier drag 8 N ramp 2 m/s2 inertia 2.4 kgcm2 vertical efficiency 80 %");
    assertThat(read.friction()).contains(38.0);
    assertThat(read.ramp()).contains(2000.0);
    assertThat(read.inertia().orElseThrow()).isCloseTo(2.4e-4, within(1e-12));
    assertThat(read.vertical()).isTrue();
    assertThat(read.efficiency()).contains(0.8);
    assertThat(Mechanics.read("screw 5 mm inertia 300 gcm2").inertia().orElseThrow())
        .isCloseTo(3e-5, within(1e-12));
    assertThat(Mechanics.read("screw 5 mm per inch").unit()).isEqualTo(Mechanics.Unit.INCH);
  }

  /// 200 · 10/5 mm: 400; a gear of 2: 800; a rack of module 1 and 20 teeth behind 3:1 with 8:
  /// 76.394.
  @Test
  void stepsByHand() {
    assertThat(Axis.perUnit(200, 10, 1, 5)).isEqualTo(400);
    assertThat(Axis.perUnit(200, 10, 2, 5)).isEqualTo(800);
    assertThat(Axis.perUnit(200, 8, 3, Math.PI * 20)).isCloseTo(76.394, within(5e-4));
    assertThat(AxisSteps.typed(200.0 * 8 * 3 / (Math.PI * 20))).isEqualTo("76.3943727");
  }

  /// Whatever is unknown, the others give it back.
  @Test
  void solvedBackAndForth() {
    var random = new Random(7);
    for (var n = 0; n < 500; n++) {
      var full = random.nextBoolean() ? 200.0 : 400.0;
      var micro = (double) (1 << random.nextInt(8));
      var ratio = 0.1 + random.nextDouble() * 60;
      var travel = 0.5 + random.nextDouble() * 400;
      var k = Axis.perUnit(full, micro, ratio, travel);
      assertThat(Axis.microsteps(k, full, ratio, travel)).isCloseTo(micro, within(1e-9 * micro));
      assertThat(Axis.ratio(k, full, micro, travel)).isCloseTo(ratio, within(1e-9 * ratio));
      assertThat(Axis.travelPerTurn(k, full, micro, ratio))
          .isCloseTo(travel, within(1e-9 * travel));
    }
  }

  /// Told 100, went 99.5: 40 become 40.201. Of 100 and 300 mm with 100.4 and 300.8 measured the
  /// scale is 1.002 and the offset 0.2 mm.
  @Test
  void measuredTravelCorrects() {
    assertThat(Axis.corrected(40, 100, 99.5)).isCloseTo(40.201, within(1e-3));
    var line = Axis.line(100, 100.4, 300, 300.8).orElseThrow();
    assertThat(line.scale()).isCloseTo(1.002, within(1e-9));
    assertThat(line.offset()).isCloseTo(0.2, within(1e-9));
    assertThat(Axis.line(100, 100, 100, 101)).isEmpty();
    assertThat(Axis.line(100, 100, 200, 90)).as("backwards").isEmpty();
  }
}
