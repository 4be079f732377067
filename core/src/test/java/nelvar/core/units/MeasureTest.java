package nelvar.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/// The rarer units, and the spellings that are easily read wrongly.
class MeasureTest {
  private static double read(Kind<?> kind, String text) {
    return kind.read(text).orThrow().si();
  }

  static List<Kind<?>> commonKinds() {
    return List.of(
        Kind.CURRENT,
        Kind.VOLTAGE,
        Kind.POWER,
        Kind.LENGTH,
        Kind.CROSS_SECTION,
        Kind.RESISTANCE,
        Kind.CAPACITANCE,
        Kind.RESISTANCE_PER_LENGTH,
        Kind.TEMPERATURE,
        Kind.PERCENT,
        Kind.DURATION,
        Kind.FREQUENCY,
        Kind.ENERGY);
  }

  /// What a kind writes it reads again, to the digits it shows; so does its example.
  @ParameterizedTest
  @EnumSource(Measure.Unit.class)
  void whatIsWrittenIsReadAgain(Measure.Unit unit) {
    var kind = Kind.of(unit);
    var most = unit == Measure.Unit.INDUCTANCE_PER_METRE ? 1 : 99;
    for (var value : new double[] {1, 2.5, 42, 99}) {
      if (value > most) continue;
      var written = kind.of(value).toString();
      assertThat(read(kind, written)).as(written).isCloseTo(value, within(value * 0.005));
    }
    for (var example : kind.example().split(" or "))
      assertThat(read(kind, example)).as(example).isPositive();
  }

  @ParameterizedTest
  @MethodSource("commonKinds")
  void everyKindTellsItsOwnUnitAndReadsItsExamples(Kind<?> kind) {
    assertThat(kind.ownUnit()).isNotBlank();
    for (var example : kind.example().split(", | or "))
      assertThat(kind.read(example)).as(example).isInstanceOf(Reading.Value.class);
  }

  @ParameterizedTest
  @CsvSource({"2.5 mH,0.0025", "470 µH,0.00047", "470 uH,0.00047", "1 H,1", "'0,33 mH',0.00033"})
  void inductancesWithTheirPrefixes(String text, double henries) {
    assertThat(read(Kind.of(Measure.Unit.INDUCTANCE), text)).isCloseTo(henries, within(1e-12));
  }

  @ParameterizedTest
  @CsvSource({"0.01 kgm2,0.01", "0.01 kg·m²,0.01", "0.01,0.01"})
  void inertiaAsPeopleWriteIt(String text, double value) {
    assertThat(read(Kind.of(Measure.Unit.INERTIA), text)).isEqualTo(value);
  }

  /// A megohm is not a milliohm.
  @Test
  void milliAndMegaAreKeptApart() {
    assertThat(read(Kind.RESISTANCE, "20 MΩ")).isEqualTo(20e6);
    assertThat(read(Kind.RESISTANCE, "20 Mohm")).isEqualTo(20e6);
    assertThat(read(Kind.RESISTANCE, "20 mΩ")).isEqualTo(0.02);
    assertThat(read(Kind.RESISTANCE, "20 mohm")).isEqualTo(0.02);
    assertThat(read(Kind.RESISTANCE, "4,7 kΩ")).isEqualTo(4700);
    assertThat(read(Kind.POWER, "2 MW")).isEqualTo(2e6);
    assertThat(read(Kind.POWER, "2 mW")).isEqualTo(0.002);
    assertThat(Kind.RESISTANCE.read("20 MOHM")).isInstanceOf(Reading.Misread.class);
  }

  @ParameterizedTest
  @CsvSource({"100 ns,1e-7", "0.1 us,1e-7", "0.1 µs,1e-7", "2 min,120", "1 h,3600"})
  void timesFromNanosecondsToHours(String text, double seconds) {
    assertThat(read(Kind.DURATION, text)).isCloseTo(seconds, within(seconds * 1e-9));
  }

  /// 1 kcmil is 0.506707 mm²; ASTM B258: 4/0 is 107.2 mm², between them 211.6 kcmil.
  @Test
  void thousandsOfCircularMils() {
    assertThat(read(Kind.CROSS_SECTION, "250 kcmil")).isCloseTo(126.68, within(0.01));
    assertThat(read(Kind.CROSS_SECTION, "250 MCM")).isCloseTo(126.68, within(0.01));
    assertThat(CrossSection.ofKcmil(500)).hasToString("500 kcmil");
    assertThat(CrossSection.ofGauge(-3).circularMils()).isCloseTo(211_600, within(10.0));
    assertThat(CrossSection.ofGauge(12).circularMils()).isCloseTo(6530, within(1.0));
    assertThat(CrossSection.ofGauge(0)).hasToString("1/0 AWG");
    assertThat(CrossSection.ofGauge(0).gaugeNumber()).hasValue(0);
    assertThat(CrossSection.ofKcmil(250).gaugeNumber()).hasValue(250);
    assertThat(new CrossSection(2.5).gaugeNumber()).isEmpty();
    assertThat(new CrossSection(2.5)).hasToString("2.5 mm²");
  }

  /// Gauges and metric sizes stay apart: no metric section is a gauge, none is rounded into one.
  @ParameterizedTest
  @ValueSource(
      doubles = {0.2, 0.25, 0.34, 0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120})
  void noMetricSectionIsAGauge(double section) {
    assertThat(new CrossSection(section).gauge()).isEmpty();
  }

  @Test
  void impossibleMeasuresAreRefusedWithTheirRange() {
    assertThatThrownBy(() -> new Measure(-1, Measure.Unit.CHARGE))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("a charge")
        .hasMessageContaining("C");
    assertThatThrownBy(() -> new Measure(Double.NaN, Measure.Unit.AREA))
        .isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() -> new Measure(9999, Measure.Unit.ADIABATIC))
        .isInstanceOf(ImpossibleQuantity.class);
  }

  @Test
  void measuresOfOneUnitAreOrdered() {
    var sorted =
        Arrays.asList(
            new Measure(3, Measure.Unit.CHARGE),
            new Measure(1, Measure.Unit.CHARGE),
            new Measure(2, Measure.Unit.CHARGE));
    sorted.sort(null);
    assertThat(sorted).extracting(Measure::value).containsExactly(1.0, 2.0, 3.0);
  }
}
