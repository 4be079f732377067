package nelvar.core.calc;

import java.util.Map;
import java.util.Objects;
import nelvar.core.units.Kind;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;

/// The inputs of one calculation as written, read into quantities with messages that name the
/// input.
public final class Given {
  private final Map<String, String> written;

  Given(Map<String, String> written) {
    this.written = written;
  }

  public String text(String symbol) {
    return Objects.requireNonNull(written.get(symbol), symbol).strip();
  }

  public <Q extends Quantity> Q quantity(String symbol, Kind<Q> kind) {
    return switch (kind.read(text(symbol))) {
      case Reading.Value<Q>(var value) -> value;
      case Reading.Misread<Q>(var message) ->
          throw new Calculator.WrongInput(symbol + ": " + message);
    };
  }

  /// A quantity above zero.
  public <Q extends Quantity> Q positive(String symbol, Kind<Q> kind) {
    var value = quantity(symbol, kind);
    if (value.si() <= 0)
      throw new Calculator.WrongInput(
          "%s must be above zero, such as %s; it is %s".formatted(symbol, kind.example(), value));
    return value;
  }

  public int whole(String symbol, int least, int greatest) {
    try {
      var value = Integer.parseInt(text(symbol));
      if (value >= least && value <= greatest) return value;
    } catch (NumberFormatException notWhole) {
      // said below
    }
    throw new Calculator.WrongInput(
        "%s: '%s' is not a whole number from %d to %d"
            .formatted(symbol, text(symbol), least, greatest));
  }

  public double number(String symbol, double above, double greatest) {
    try {
      var value = Double.parseDouble(text(symbol).replace(',', '.'));
      if (value > above && value <= greatest) return value;
    } catch (NumberFormatException notANumber) {
      // said below
    }
    throw new Calculator.WrongInput(
        "%s: '%s' is not a number above %s and up to %s"
            .formatted(
                symbol,
                text(symbol),
                nelvar.core.units.Significant.digits(above),
                nelvar.core.units.Significant.digits(greatest)));
  }

  public <E extends Enum<E>> E word(String symbol, Class<E> words) {
    for (var word : words.getEnumConstants())
      if (word.name().equalsIgnoreCase(text(symbol).replace('-', '_'))) return word;
    throw new Calculator.WrongInput(
        "%s: '%s' is not one of %s"
            .formatted(
                symbol,
                text(symbol),
                String.join(
                    ", ",
                    java.util.Arrays.stream(words.getEnumConstants()).map(Enum::name).toList())));
  }
}
