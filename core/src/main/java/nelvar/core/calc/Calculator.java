package nelvar.core.calc;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.trail.Computed;
import nelvar.core.units.ImpossibleQuantity;

/// One quick calculation: its name, its inputs, and what it does with them.
///
/// @param gives the symbol and meaning of the answer
public record Calculator(
    String name, String title, String gives, List<Input> inputs, Function calculate) {

  /// @param symbol the field's own: `S`, `Ta`, `I`
  /// @param example also shows the unit
  /// @param usual taken where nothing is said; empty where it must be said
  public record Input(String symbol, String meaning, String example, Optional<String> usual) {
    static Input needed(String symbol, String meaning, String example) {
      return new Input(symbol, meaning, example, Optional.empty());
    }

    static Input usually(String symbol, String meaning, String example, String usual) {
      return new Input(symbol, meaning, example, Optional.of(usual));
    }
  }

  /// Reads its inputs from `given` and computes.
  @FunctionalInterface
  public interface Function {
    Computed<?> of(Given given);
  }

  /// @throws WrongInput naming the input and what is accepted
  public Computed<?> answer(Map<String, String> written) {
    for (var symbol : written.keySet()) {
      if (inputs.stream().noneMatch(input -> input.symbol().equals(symbol))) {
        throw new WrongInput(
            "%s has no input '%s'; it takes %s"
                .formatted(
                    name, symbol, String.join(", ", inputs.stream().map(Input::symbol).toList())));
      }
    }
    var all = new LinkedHashMap<String, String>();
    for (var input : inputs) {
      var text = written.getOrDefault(input.symbol(), "");
      if (text.isBlank()) {
        text =
            input
                .usual()
                .orElseThrow(() ->
                    new WrongInput(
                        "%s is missing: %s, such as %s=%s"
                            .formatted(
                                input.symbol(), input.meaning(), input.symbol(), input.example())));
      }
      all.put(input.symbol(), text);
    }
    try {
      return calculate.of(new Given(all));
    } catch (ImpossibleQuantity impossible) {
      throw new WrongInput(String.valueOf(impossible.getMessage()));
    }
  }

  /// An input that cannot be used; the message names it and what is accepted.
  public static final class WrongInput extends IllegalArgumentException {
    private static final long serialVersionUID = 1;

    public WrongInput(String message) {
      super(message);
    }
  }
}
