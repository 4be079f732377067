package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Random;
import nelvar.core.formula.Crosstalk;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// Twenty random pairs of wires over a plate: their capacitances and inductances from a field
/// solution of the test's own, the ways in from a simulation in time by ngspice; against what the
/// matrix of couplings computes.
///
/// Where the wires are no closer than four radii the formulas of thin wires hold to 1 dB. Closer
/// than that, charge crowds on the sides that face each other: touching wires couple up to 4 dB
/// more through capacitance than thin ones would. That is the limit of the formula, and less than
/// what is not known of a loom.
class CrosstalkBesideSimulatorTest {
  private static final double DECIBEL = 1;

  @TempDir Path folder;

  private record Pair(
      double h1,
      double r1,
      double h2,
      double r2,
      double apart,
      double length,
      double rise,
      double volts,
      double seen) {
    static Pair random(Random random) {
      var r1 = 0.0004 + 0.001 * random.nextDouble();
      var r2 = 0.0004 + 0.001 * random.nextDouble();
      var rise = Math.pow(10, -7 + 1.5 * random.nextDouble());
      return new Pair(
          0.01 + 0.05 * random.nextDouble(),
          r1,
          0.01 + 0.05 * random.nextDouble(),
          r2,
          (r1 + r2) * (2 + 20 * random.nextDouble()),
          0.5 + 3 * random.nextDouble(),
          rise,
          24 + 540 * random.nextDouble(),
          Math.pow(10, 1.5 + 2.5 * random.nextDouble()));
    }
  }

  @Test
  void capacitanceAndInductanceAreThoseOfTheField() {
    var random = new Random(16);
    for (var i = 0; i < 20; i++) {
      var p = Pair.random(random);
      var field = FieldSolution.of(p.h1, p.r1, p.h2, p.r2, p.apart);
      var c = Crosstalk.capacitances(p.h1, p.r1, p.h2, p.r2, p.apart, 1);
      assertThat(Crosstalk.decibels(c.between(), field.between))
          .as("C12 of %s", p)
          .isCloseTo(0, within(DECIBEL));
      assertThat(Crosstalk.decibels(c.toPlate(), field.secondToPlate))
          .as("C2g of %s", p)
          .isCloseTo(0, within(DECIBEL));
      assertThat(Crosstalk.decibels(Crosstalk.mutualOverPlate(p.h1, p.h2, p.apart), field.mutual))
          .as("M of %s", p)
          .isCloseTo(0, within(DECIBEL));
      assertThat(Crosstalk.decibels(Crosstalk.ownOverPlate(p.h1, p.r1), field.ownFirst))
          .isCloseTo(0, within(DECIBEL));
    }
  }

  @Test
  void whereTheyTouchTheFieldCouplesMore() {
    var field = FieldSolution.of(0.02, 0.001, 0.02, 0.001, 0.0021);
    var thin = Crosstalk.capacitances(0.02, 0.001, 0.02, 0.001, 0.0021, 1);
    assertThat(Crosstalk.decibels(field.between, thin.between())).isBetween(1.0, 12.0);
  }

  @Test
  void eachWayInIsThatOfTheSimulator() throws Exception {
    assumeTrue(Simulator.installed(), "skipped: ngspice is not installed");
    var random = new Random(16);
    for (var i = 0; i < 20; i++) {
      var p = Pair.random(random);
      var field = FieldSolution.of(p.h1, p.r1, p.h2, p.r2, p.apart);
      var got = simulated(p, field);
      var c = Crosstalk.capacitances(p.h1, p.r1, p.h2, p.r2, p.apart, 1);
      assertThat(
              Crosstalk.decibels(
                  Crosstalk.capacitive(c, p.length, p.volts, p.rise, p.seen), got[0]))
          .as("capacitance of %s", p)
          .isCloseTo(0, within(DECIBEL));
      var m = Crosstalk.mutualOverPlate(p.h1, p.h2, p.apart) * p.length;
      assertThat(Crosstalk.decibels(m * 1.0 / p.rise, got[1]))
          .as("field of %s", p)
          .isCloseTo(0, within(DECIBEL));
    }
  }

  /// An edge on one wire with the other at its input; a current of 1 A that rises as fast beside an
  /// open loop.
  private double[] simulated(Pair p, FieldSolution field) throws Exception {
    var own = field.ownFirst * p.length;
    var netlist =
        String.format(
            Locale.ROOT,
            """
            * one pair
            V1 a 0 PWL(0 0 %.9g %.9g %.9g %.9g)
            C12 a b %.9g
            C2g b 0 %.9g
            R2 b 0 %.9g
            I1 0 c PWL(0 0 %.9g 1 %.9g 1)
            L1 c 0 %.9g
            L2 d 0 %.9g
            K1 L1 L2 %.9g
            R3 d 0 1e9
            .tran %.9g %.9g
            .meas tran cap max V(b) from=0 to=%.9g
            .meas tran ind avg V(d) from=%.9g to=%.9g
            .end
            """,
            p.rise,
            p.volts,
            10 * p.rise,
            p.volts,
            field.between * p.length,
            field.secondToPlate * p.length,
            p.seen,
            p.rise,
            10 * p.rise,
            own,
            own,
            field.mutual / field.ownFirst,
            p.rise / 500,
            3 * p.rise,
            3 * p.rise,
            0.3 * p.rise,
            0.7 * p.rise);
    var measured = Simulator.measure(netlist, folder);
    return new double[] {measured.get("cap"), Math.abs(measured.get("ind"))};
  }
}
