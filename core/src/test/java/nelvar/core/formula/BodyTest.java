package nelvar.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;

/// Against table 1 of IEC 60479-1:2018, 5 % of the population (from memory).
class BodyTest {
  private static double amperes(double volts) {
    return Body.through(new Voltage(volts)).amperes();
  }

  @Test
  void valuesOfTheTableAndBetween() {
    assertThat(Body.impedance(new Voltage(100)).ohms()).isEqualTo(990);
    assertThat(Body.impedance(new Voltage(225)).ohms()).isEqualTo(775);
    assertThat(Body.impedance(new Voltage(62.5)).ohms()).isCloseTo(1250, within(1e-9));
    assertThat(amperes(230)).isCloseTo(0.2976, within(0.0001));
  }

  /// More volts never let less through, and the ends of the table hold on.
  @Test
  void moreVoltsMoreCurrent() {
    for (var u = 1; u < 900; u++) assertThat(amperes(u + 1)).as("" + u).isGreaterThan(amperes(u));
    assertThat(Body.impedance(new Voltage(5)).ohms()).isEqualTo(1750);
    assertThat(Body.impedance(new Voltage(1000)).ohms()).isEqualTo(575);
  }
}
