package nelvar.core.calc;

import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;

/// The inputs of one calculation, read, and the sheet it is worked on.
public final class Given {
  private final Map<String, Object> read;
  private final Working sheet;

  Given(Map<String, Object> read, String title) {
    this.read = read;
    this.sheet = Working.of(title);
  }

  /// The value of an input this calculator lists.
  @SuppressWarnings("unchecked") // what stands under an input's symbol was read by that input
  public <T> T get(Input<T> input) {
    return (T) Objects.requireNonNull(read.get(input.symbol()), input.symbol());
  }

  /// As [#get], and written on the sheet.
  <T> T of(Input<T> input) {
    return sheet.given(input.symbol(), get(input), input.meaning());
  }

  Working sheet() {
    return sheet;
  }

  /// A line of the sheet on the way to the answer.
  <Q> Q step(String symbol, String formula, Q value) {
    return sheet.result(symbol, formula, value);
  }

  /// The last line of the sheet, taken from a table; what is `missing` completes "cannot be
  /// computed, because …".
  <Q> Computed<?> table(String symbol, Optional<Cited<Q>> cited, String row, String missing) {
    return cited.isPresent()
        ? Computed.known(sheet.explain(sheet.table(symbol, cited.get(), row)))
        : Computed.missing(missing);
  }

  /// The last line of the sheet.
  <Q> Computed<Q> answer(String symbol, String formula, Q value) {
    return Computed.known(explained(symbol, formula, value));
  }

  <Q> Explained<Q> explained(String symbol, String formula, Q value) {
    return sheet.explain(sheet.result(symbol, formula, value));
  }
}
