package nelvar.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

/// Worked by hand from the textbook formulas; the same figures as [CouplingTest] where both have
/// them.
class CrosstalkTest {
  @Test
  void twoWiresOverAPlate() {
    // 10 mm over it, 10 mm apart: µ0/4π · ln 5.
    assertThat(Crosstalk.mutualOverPlate(0.01, 0.01, 0.01)).isCloseTo(160.9e-9, within(0.1e-9));
    assertThat(Crosstalk.mutualOverPlate(0.01, 0.01, 0.1)).isCloseTo(3.92e-9, within(0.01e-9));
    var c = Crosstalk.capacitances(0.01, 0.0005, 0.01, 0.0005, 0.01, 1);
    assertThat(c.between()).isCloseTo(3.454e-12, within(0.002e-12));
    assertThat(c.toPlate()).isCloseTo(12.380e-12, within(0.002e-12));
  }

  @Test
  void pairsFallWithTheSquareOfTheirDistance() {
    assertThat(Crosstalk.mutualOfPairs(0.003, 0.003, 0.05)).isCloseTo(0.7213e-9, within(2e-13));
    assertThat(
            Crosstalk.mutualOfPairs(0.003, 0.003, 0.05)
                / Crosstalk.mutualOfPairs(0.003, 0.003, 0.1))
        .isCloseTo(4, within(0.02));
  }

  /// 300 V in 0.1 µs, 5 m: simple at 100 Ω, at 10 kΩ no more than the divider lets through.
  @Test
  void anEdgeThroughCapacitance() {
    var c = Crosstalk.capacitances(0.01, 0.0005, 0.01, 0.0005, 0.01, 1);
    assertThat(Crosstalk.capacitive(c, 5, 300, 1e-7, 100)).isCloseTo(5.18, within(0.01));
    assertThat(Crosstalk.capacitive(c, 5, 300, 1e-7, 10_000)).isCloseTo(61.48, within(0.3));
  }

  @Test
  void anEdgeDrivesTheLesserOfTwoCurrents() {
    assertThat(Crosstalk.commonMode(150e-12, 5, 565, 1e-7, 100)).isCloseTo(4.2375, within(1e-9));
    assertThat(Crosstalk.commonMode(150e-12, 50, 565, 1e-7, 100)).isCloseTo(5.65, within(1e-9));
    assertThat(Crosstalk.travels(1e-7)).isCloseTo(10, within(1e-9));
  }

  /// 10 mΩ/m and 1 µH/m: at 16 kHz 20.1 dB, at 1 MHz 56 dB, at 50 Hz next to nothing.
  @Test
  void aShieldHelpsAboveItsCutOff() {
    assertThat(decibels(16e3)).isCloseTo(20.1, within(0.05));
    assertThat(decibels(1e6)).isCloseTo(56.0, within(0.05));
    assertThat(decibels(50)).isCloseTo(0.004, within(0.001));
    // Two pigtails of 50 mm leave a tenth and more where clamps leave a thousandth.
    var pigtail = Crosstalk.pigtail(0.05, 0.001);
    assertThat(pigtail).isCloseTo(43.0e-9, within(0.1e-9));
    assertThat(Crosstalk.shieldFactor(0.01, 1e-6, 1, 2 * pigtail, 3e6))
        .isGreaterThan(10 * Crosstalk.shieldFactor(0.01, 1e-6, 1, 2e-9, 3e6));
  }

  private static double decibels(double frequency) {
    return -20 * Math.log10(Crosstalk.shieldFactor(0.01, 1e-6, 3, 0, frequency));
  }

  /// 80 Ω and 3 turns in 150 Ω: 15.27 dB.
  @Test
  void turnsThroughAFerrite() {
    assertThat(-20 * Math.log10(Crosstalk.ferrite(80, 3, 150))).isCloseTo(15.27, within(0.01));
  }

  @Test
  void aFilterLetsLittleOfAShortPulseThrough() {
    assertThat(Crosstalk.passes(1e-7, 1e-3)).isCloseTo(1e-4, within(1e-8));
    assertThat(Crosstalk.passes(1, 1e-3)).isCloseTo(1, within(1e-9));
    assertThat(Crosstalk.passes(1e-7, 0)).isEqualTo(1);
  }

  @Test
  void farOffNothingRises() {
    var random = new Random(7);
    for (var i = 0; i < 500; i++) {
      var h1 = 0.005 + 0.1 * random.nextDouble();
      var h2 = 0.005 + 0.1 * random.nextDouble();
      var x = 0.004 + 0.3 * random.nextDouble();
      assertThat(Crosstalk.mutualOverPlate(h1, h2, 2 * x))
          .isLessThanOrEqualTo(Crosstalk.mutualOverPlate(h1, h2, x));
      var near = Crosstalk.capacitances(h1, 0.001, h2, 0.001, x, 1);
      var far = Crosstalk.capacitances(h1, 0.001, h2, 0.001, 2 * x, 1);
      assertThat(far.between()).isLessThanOrEqualTo(near.between());
      var f = Math.pow(10, 2 + 6 * random.nextDouble());
      assertThat(Crosstalk.shieldFactor(0.01, 1e-6, 5, 1e-8 * random.nextDouble(), f))
          .isLessThanOrEqualTo(1);
    }
  }
}
