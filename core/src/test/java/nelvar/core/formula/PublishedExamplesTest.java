package nelvar.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Couplings against what others published. Named with each; all figures from memory, unchecked
/// against the books.
class PublishedExamplesTest {
  private static final double VACUUM = 1.11265e-17;

  /// Two wires of 0.406 mm radius, 20 mm over a plane and 20 mm apart: 0.918 µH/m own, 0.161 µH/m
  /// mutual (C. R. Paul, Introduction to Electromagnetic Compatibility, wires above ground). Their
  /// capacitances are `µ0ε0 · L⁻¹`: the inverse of that matrix, which is another way than by
  /// potential coefficients.
  @Test
  void wiresAboveAGroundPlane() {
    var own = Crosstalk.ownOverPlate(0.02, 0.4064e-3);
    var mutual = Crosstalk.mutualOverPlate(0.02, 0.02, 0.02);
    assertThat(own).isCloseTo(0.9179e-6, within(0.0003e-6));
    assertThat(mutual).isCloseTo(0.1609e-6, within(0.0001e-6));
    var determinant = own * own - mutual * mutual;
    var c = Crosstalk.capacitances(0.02, 0.4064e-3, 0.02, 0.4064e-3, 0.02, 1);
    assertThat(c.between()).isCloseTo(VACUUM * mutual / determinant, within(0.002e-12));
    assertThat(c.toPlate()).isCloseTo(VACUUM * (own - mutual) / determinant, within(0.01e-12));
  }

  /// Four straight filaments of 2 m by F. W. Grover's formula (Inductance Calculations, 1946, two
  /// equal parallel filaments): pairs far apart against their length agree, and where they end
  /// matters as little as it should.
  @ParameterizedTest
  @CsvSource({"0.003, 0.03", "0.003, 0.1", "0.01, 0.05", "0.005, 0.2"})
  void pairsAreFourFilaments(double spacing, double middles) {
    var l = 2.0;
    var published =
        filaments(l, middles - spacing)
            + filaments(l, middles + spacing)
            - 2 * filaments(l, middles);
    assertThat(Crosstalk.mutualOfPairs(spacing, spacing, middles) * l)
        .isCloseTo(Math.abs(published), within(0.05 * Math.abs(published)));
  }

  /// H: `µ0/2π · (l · asinh(l/d) − √(l² + d²) + d)`.
  private static double filaments(double l, double d) {
    return 2e-7
        * (l * (Math.log(l / d + Math.sqrt(1 + l * l / d / d))) - Math.sqrt(l * l + d * d) + d);
  }

  /// A wire over its image is two filaments the other way: the same formula by Grover.
  @Test
  void aWireAndItsImage() {
    var l = 5.0;
    var published = 2 * (filaments(l, 0.03) - filaments(l, Math.hypot(0.03, 0.04)));
    // Seen by one of both loops: half of what the two images together enclose.
    assertThat(Crosstalk.mutualOverPlate(0.02, 0.02, 0.03) * l)
        .isCloseTo(published / 2, within(0.02 * published));
  }

  /// E. B. Rosa, The self and mutual inductances of linear conductors (1908): a round wire of 50 mm
  /// and 1 mm diameter, current at its surface.
  @Test
  void aPigtailIsAStraightWire() {
    var rosa = 2e-7 * 0.05 * (Math.log(2 * 0.05 / 0.0005) - 1);
    assertThat(Crosstalk.pigtail(0.05, 0.001)).isCloseTo(rosa, within(1e-12));
    assertThat(2 * Math.PI * 30e6 * Crosstalk.pigtail(0.05, 0.001)).isCloseTo(8.1, within(0.05));
  }

  /// Shield cut-off of braided and foiled cables: 0.6 to 7 kHz (H. W. Ott, Noise Reduction
  /// Techniques in Electronic Systems, table of measured shield cut-off frequencies). What is taken
  /// for a shield here lies among them; five cut-offs above it, 14 dB are left out.
  @Test
  void shieldsBeginToWorkWhereTheyWereMeasuredTo() {
    var cutOff = 0.010 / (2 * Math.PI * 1e-6);
    assertThat(cutOff).isBetween(600.0, 7000.0);
    assertThat(Crosstalk.shieldFactor(0.010, 1e-6, 1, 0, cutOff))
        .isCloseTo(Math.sqrt(0.5), within(1e-3));
    assertThat(-20 * Math.log10(Crosstalk.shieldFactor(0.010, 1e-6, 1, 0, 5 * cutOff)))
        .isCloseTo(14.1, within(0.1));
  }

  /// Ferrites: impedance with the square of the turns, insertion loss of the whole loop (textbook,
  /// as Ott has it): 3 turns of 80 Ω in 150 Ω, 15.3 dB.
  @Test
  void aFerriteBySquareOfTurns() {
    assertThat(-20 * Math.log10(Crosstalk.ferrite(80, 3, 150))).isCloseTo(15.27, within(0.02));
    assertThat(-20 * Math.log10(Crosstalk.ferrite(80, 2, 150))).isCloseTo(9.92, within(0.02));
  }
}
