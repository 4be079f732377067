package nelvar.core.units;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import nelvar.core.file.NelvarJson;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// Laws that hold for every kind of quantity: what is written is read back, and no text breaks the
/// reader.
class ReadingLawsTest {
  private static final List<Kind<? extends Quantity>> KINDS =
      List.of(
          Kind.CURRENT,
          Kind.VOLTAGE,
          Kind.POWER,
          Kind.LENGTH,
          Kind.CROSS_SECTION,
          Kind.RESISTANCE,
          Kind.RESISTANCE_PER_LENGTH,
          Kind.TEMPERATURE,
          Kind.PERCENT,
          Kind.DURATION,
          Kind.FREQUENCY);

  private static <Q extends Quantity> void roundTrip(Kind<Q> kind, double value) {
    if (!(kind.read(String.valueOf(value)) instanceof Reading.Value<Q>(var quantity))) return;
    var written = NelvarJson.write(quantity, kind);
    assertThat(kind.readStrict(written).orThrow()).as(written).isEqualTo(quantity);
    assertThat(kind.read(written.replace('.', ',')).orThrow())
        .as("with a comma")
        .isEqualTo(quantity);
    assertThat(kind.read("  " + written.replace(" ", "") + " ").orThrow()).isEqualTo(quantity);
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void whatIsWrittenIsReadBackExactly(long seed) {
    var random = new Random(seed);
    for (var kind : KINDS) {
      for (var round = 0; round < 200; round++) {
        var magnitude = Math.pow(10, random.nextInt(7) - 3);
        roundTrip(kind, Math.round(random.nextDouble() * magnitude * 1e6) / 1e6);
      }
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4})
  void noTextBreaksTheReader(long seed) {
    var random = new Random(seed);
    var signs = "0123456789.,-+eE AVWmkMΩ²°C%Hz/#\"'\u00a0\u2212\u00b5漢x×~";
    for (var round = 0; round < 3000; round++) {
      var text = new StringBuilder();
      for (var length = random.nextInt(12); length > 0; length--)
        text.append(signs.charAt(random.nextInt(signs.length())));
      for (var kind : KINDS) {
        switch (kind.read(text.toString())) {
          case Reading.Value<? extends Quantity>(var value) -> assertThat(value.si()).isFinite();
          case Reading.Misread<? extends Quantity>(var message) -> assertThat(message).isNotBlank();
        }
      }
      assertThat(MainsVoltage.read(text.toString())).isNotNull();
    }
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.5, 1, 9.994, 9.996, 99.94, 99.96, 999.4, 999.6, 1000, 12345})
  void threeDigitsAreNeverOffByMoreThanHalfAUnit(double value) {
    var digits = Double.parseDouble(Significant.digits(value));
    assertThat(Math.abs(digits - value) / value).isLessThan(0.0051);
  }
}
