package nelvar.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KindTest {
  /// Conversions by definition: 1 hp = 745.7 W (550 ft·lbf/s), 1 ft = 304.8 mm, °F = 1.8 °C + 32.
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "1.5 kW|1500",
        "1,5kW|1500",
        "2 hp|1491.4",
        "30W|30",
        "0.37 KW|370",
        "120 VA|120",
      })
  void readsPowerAsPeopleWriteIt(String text, double watts) {
    assertThat(Kind.POWER.read(text).orThrow().watts()).isCloseTo(watts, within(0.01));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {"24V|24", "24 v|24", "0,4 kV|400", "24 V DC|24", "230|230", " 48  V |48"})
  void readsVoltage(String text, double volts) {
    assertThat(Kind.VOLTAGE.read(text).orThrow().volts()).isCloseTo(volts, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {"3.2 m|3.2", "850 mm|0.85", "12 ft|3.6576", "3,2|3.2", "85 cm|0.85"})
  void readsLength(String text, double metres) {
    assertThat(Kind.LENGTH.read(text).orThrow().metres()).isCloseTo(metres, within(1e-9));
  }

  /// By definition 25.4 mm an inch: 54 in = 1.3716 m.
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "4 ft 6 in|1.3716",
        "4' 6 1/2\"|1.3843",
        "4'-6\"|1.3716",
        "12 feet, 3/8 inch|3.667125",
        "7/8 in|0.022225",
        "3-1/2 in|0.0889",
        "4 ft 6,5 in|1.3843",
        "2'|0.6096",
        "6.5 in|0.1651"
      })
  void readsFeetAndInches(String text, double metres) {
    assertThat(Kind.LENGTH.read(text).orThrow().metres()).isCloseTo(metres, within(1e-9));
  }

  @ParameterizedTest
  @org.junit.jupiter.params.provider.ValueSource(
      strings = {
        "4 ft 6",
        "5/0 in",
        "1/2 ft 3 in",
        "4 ft in",
        "3 / 8",
        "4 ft -6 ft",
        "9e9 ft 1 in"
      })
  void saysWhatIsNoLength(String text) {
    assertThat(Kind.LENGTH.read(text)).isInstanceOf(Reading.Misread.class);
  }

  @Test
  void readsFahrenheit() {
    assertThat(Kind.TEMPERATURE.read("104 °F").orThrow().celsius()).isCloseTo(40, within(1e-9));
    assertThat(Kind.TEMPERATURE.read("-5 °C").orThrow().celsius()).isEqualTo(-5);
    assertThat(Kind.TEMPERATURE.read("−5°C").orThrow().celsius()).isEqualTo(-5);
  }

  @Test
  void tellsMilliFromMega() {
    assertThat(Kind.POWER.read("1 mW").orThrow().watts()).isEqualTo(0.001);
    assertThat(Kind.POWER.read("1 MW").orThrow().watts()).isEqualTo(1e6);
    assertThat(Kind.RESISTANCE.read("10 mΩ").orThrow().ohms()).isEqualTo(0.01);
  }

  /// Areas of ASTM B258, as printed in NEC chapter 9 table 8: 12 AWG 3.309 mm², 18 AWG 0.823 mm²,
  /// 4/0 107.2 mm².
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "12 AWG|3.309",
        "AWG 18|0.823",
        "4/0 AWG|107.22",
        "#14|2.081",
        "16awg|1.309",
        "0,75 mm²|0.75",
        "1.5mm2|1.5"
      })
  void readsCrossSectionAndGauge(String text, double area) {
    assertThat(Kind.CROSS_SECTION.read(text).orThrow().squareMillimetres())
        .isCloseTo(area, within(area * 0.001));
  }

  @Test
  void aGaugeIsWrittenAsAGauge() {
    assertThat(Kind.CROSS_SECTION.read("16 AWG").orThrow()).hasToString("16 AWG");
    assertThat(Kind.CROSS_SECTION.read("2/0 AWG").orThrow()).hasToString("2/0 AWG");
    assertThat(new CrossSection(1.5)).hasToString("1.5 mm²");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "abc|is not a current",
        "1.2.3 A|two decimal marks",
        "1,000.5 A|two decimal marks",
        "5 V|'V' in '5 V' is not a unit of a current",
        "-2 A|is not possible",
        "1e9 A|is not possible",
        "''|nothing is written",
        "A|is not a current",
        "NaN A|is not a current",
      })
  void saysWhatIsWrongAndWhatWouldBeRight(String text, String part) {
    assertThat(Kind.CURRENT.read(text))
        .isInstanceOfSatisfying(
            Reading.Misread.class,
            misread -> assertThat(misread.message()).contains(part).containsPattern("write|A"));
  }

  @Test
  void aFileMustNameTheUnit() {
    assertThat(Kind.LENGTH.readStrict("3.2"))
        .isInstanceOfSatisfying(
            Reading.Misread.class, misread -> assertThat(misread.message()).contains("no unit"));
    assertThat(Kind.LENGTH.read("3.2")).isInstanceOf(Reading.Value.class);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {"37 AWG|not an AWG size", "5/0 AWG|not a wire gauge", "AWG|not a wire gauge"})
  void refusesGaugesThatDoNotExist(String text, String part) {
    assertThat(Kind.CROSS_SECTION.read(text))
        .isInstanceOfSatisfying(
            Reading.Misread.class, misread -> assertThat(misread.message()).contains(part));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "230 V|SINGLE|230|230",
        "3x400 V|THREE|400|230.94",
        "3 × 400V|THREE|400|230.94",
        "120/240 V|SPLIT|240|120",
        "400/230 V|THREE|400|230.94"
      })
  void readsMains(String text, MainsVoltage.Phases phases, double between, double toNeutral) {
    var mains = MainsVoltage.read(text).orThrow();
    assertThat(mains.phases()).isEqualTo(phases);
    assertThat(mains.between().volts()).isEqualTo(between);
    assertThat(mains.toNeutral().volts()).isCloseTo(toNeutral, within(0.01));
  }

  @Test
  void refusesMainsThatAreNone() {
    assertThat(MainsVoltage.read("100/300 V")).isInstanceOf(Reading.Misread.class);
    assertThat(MainsVoltage.read("0 V")).isInstanceOf(Reading.Misread.class);
    assertThat(MainsVoltage.read("lots"))
        .isInstanceOfSatisfying(
            Reading.Misread.class, misread -> assertThat(misread.message()).contains("3x400 V"));
  }

  /// Up to whole inches, by hand: 1.34 m are 52.76 in; 0.3048 m a foot; 0.1 m 3.94 in. What is read
  /// back is never shorter, and less than an inch longer.
  @Test
  void lengthsAsATapeInFeetHasThem() {
    assertThat(new Length(1.34).feetAndInches()).isEqualTo("4 ft 5 in");
    assertThat(new Length(0.3048).feetAndInches()).isEqualTo("1 ft");
    assertThat(new Length(0.1).feetAndInches()).isEqualTo("4 in");
    assertThat(new Length(0).feetAndInches()).isEqualTo("0 in");
    for (var metres = 0.01; metres < 30; metres += 0.137) {
      var words = new Length(metres).feetAndInches();
      var again = Kind.LENGTH.read(words);
      assertThat(again)
          .as(words)
          .isInstanceOfSatisfying(
              Reading.Value.class,
              value -> assertThat(((Length) value.value()).metres()).isPositive());
      assertThat(((Length) ((Reading.Value<?>) again).value()).metres())
          .isBetween(metres - 1e-9, metres + 0.0254 + 1e-9);
    }
  }
}
