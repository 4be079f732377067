package nelvar.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class QuantityTest {
  @ParameterizedTest
  @CsvSource({
    "10.39,10.4",
    "0.0133,0.0133",
    "1450,1450",
    "999.6,1000",
    "0,0",
    "2.5,2.5",
    "1234.5,1234",
    "0.00012345,0.000123",
    "-4.25,-4.25"
  })
  void threeDigitsThatMatter(double value, String written) {
    assertThat(Significant.digits(value)).isEqualTo(written);
  }

  @Test
  void theUnitIsAlwaysBeside() {
    assertThat(new ResistancePerLength(0.0133)).hasToString("13.3 mΩ/m");
    assertThat(new Power(1910)).hasToString("1.91 kW");
    assertThat(new Current(0.0208)).hasToString("0.0208 A");
    assertThat(new Current(6000)).hasToString("6000 A");
    assertThat(new Voltage(0.0121)).hasToString("12.1 mV");
    assertThat(new Length(0.09)).hasToString("90 mm");
    assertThat(new Duration(0.001)).hasToString("1 ms");
    assertThat(new Temperature(45)).hasToString("45 °C");
    assertThat(new Percent(6.6)).hasToString("6.6 %");
    assertThat(new Resistance(2e6)).hasToString("2 MΩ");
  }

  @Test
  void impossibleValuesAreRefusedWithTheRange() {
    assertThatThrownBy(() -> new Current(Double.NaN)).isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() -> new Length(-1))
        .hasMessageContaining("-1 m")
        .hasMessageContaining("write 0 to 100000 m");
    assertThatThrownBy(() -> new Temperature(-300)).hasMessageContaining("temperature");
    assertThatThrownBy(() -> new CrossSection(0)).isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() -> VoltageRange.of(30, 10)).hasMessageContaining("low to high");
    assertThatThrownBy(() -> Price.of("cheap")).hasMessageContaining("12.40");
    assertThatThrownBy(() -> Price.of("-1")).isInstanceOf(ImpossibleQuantity.class);
  }

  @Test
  void aRangeSaysByHowMuchItIsMissed() {
    var range = VoltageRange.of(10, 30);
    assertThat(range.missedBy(new Voltage(5)).volts()).isEqualTo(5);
    assertThat(range.missedBy(new Voltage(31.5)).volts()).isEqualTo(1.5);
    assertThat(range.missedBy(new Voltage(24)).volts()).isZero();
    assertThat(range.contains(new Voltage(10)) && range.contains(new Voltage(30))).isTrue();
  }

  @Test
  void moneyStaysExact() {
    assertThat(Price.of("0.1").plus(Price.of("0.2"))).hasToString("0.30");
    assertThat(Price.of("12,40").times(3)).hasToString("37.20");
  }
}
