package nelvar.core.calc;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import nelvar.core.trail.Computed;
import nelvar.core.units.ImpossibleQuantity;

/// One quick calculation: its name, its inputs, and what it does with them.
///
/// @param gives the symbol and meaning of the answer
public record Calculator(
    String name, String title, String gives, List<Input<?>> inputs, Function calculate) {

  /// Computes from inputs that were read and lie in their ranges.
  @FunctionalInterface
  public interface Function {
    Computed<?> of(Given given);
  }

  static Calculator of(
      String name, String title, String gives, Function calculate, Input<?>... inputs) {
    return new Calculator(name, title, gives, List.of(inputs), calculate);
  }

  /// @throws WrongInput naming the input and what is accepted
  public Computed<?> answer(Map<String, String> written) {
    for (var symbol : written.keySet()) {
      if (inputs.stream().noneMatch(input -> input.symbol().equals(symbol)))
        throw new WrongInput(
            symbol,
            "%s has no input '%s'; it takes %s".formatted(name, symbol, Input.joined(inputs)));
    }
    var read = new LinkedHashMap<String, Object>();
    for (var input : inputs) read.put(input.symbol(), value(input, written));
    try {
      return calculate.of(new Given(read, title));
    } catch (ImpossibleQuantity impossible) {
      return Computed.missing("the result is not possible: " + impossible.getMessage());
    }
  }

  private static Object value(Input<?> input, Map<String, String> written) {
    var text = written.getOrDefault(input.symbol(), "");
    if (text.isBlank()) text = input.usual().orElseThrow(() -> missing(input));
    try {
      return Objects.requireNonNull(input.reader().read(text), input.symbol());
    } catch (ImpossibleQuantity impossible) {
      throw new WrongInput(
          input.symbol(), input.problem(text).orElse(String.valueOf(impossible.getMessage())));
    }
  }

  private static WrongInput missing(Input<?> input) {
    return new WrongInput(
        input.symbol(),
        "%s is missing: %s, %s, such as %s=%s"
            .formatted(
                input.symbol(), input.meaning(), input.accepts(), input.symbol(), input.example()));
  }

  /// An input that cannot be used; the message names it and what is accepted.
  public static final class WrongInput extends IllegalArgumentException {
    private static final long serialVersionUID = 1;
    private final String symbol;

    public WrongInput(String symbol, String message) {
      super(message);
      this.symbol = symbol;
    }

    /// Of the input.
    public String symbol() {
      return symbol;
    }
  }
}
