package nelvar.desktop.quick;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import nelvar.core.calc.Calculator;
import nelvar.core.calc.Calculators;
import nelvar.core.calc.Input;
import nelvar.core.trail.Explained;

/// One calculation at a time: what was written, and what comes of it. What was written stays with
/// its calculation while the program runs.
public final class QuickModel {
  /// What comes of the inputs as they stand.
  public sealed interface Outcome {
    record Answer(Explained<?> explained) implements Outcome {}

    /// No answer exists; `why` is a clause.
    record Lacks(String why) implements Outcome {}

    /// @param symbol of the input that is wrong
    record Wrong(String symbol, String message) implements Outcome {}

    /// @param symbol of the first input that is still to be written
    record Waits(String symbol, String meaning) implements Outcome {}
  }

  private final Map<String, Map<String, String>> written = new HashMap<>();
  private final ReadOnlyObjectWrapper<Calculator> calculator =
      new ReadOnlyObjectWrapper<>(Calculators.named("ampacity").orElseThrow());
  private final ReadOnlyObjectWrapper<Outcome> outcome =
      new ReadOnlyObjectWrapper<>(new Outcome.Waits("", ""));

  public QuickModel() {
    answer();
  }

  public ReadOnlyObjectProperty<Calculator> calculator() {
    return calculator.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<Outcome> outcome() {
    return outcome.getReadOnlyProperty();
  }

  public void choose(Calculator next) {
    calculator.set(next);
    answer();
  }

  /// What stands in an input of the present calculation; empty where nothing does.
  public String written(String symbol) {
    return inputs().getOrDefault(symbol, "");
  }

  public void write(String symbol, String text) {
    inputs().put(symbol, text);
    answer();
  }

  public void clear() {
    inputs().clear();
    answer();
  }

  private Map<String, String> inputs() {
    return written.computeIfAbsent(calculator.get().name(), _ -> new HashMap<>());
  }

  private void answer() {
    var missing =
        calculator.get().inputs().stream()
            .filter(input -> input.usual().isEmpty() && written(input.symbol()).isBlank())
            .findFirst();
    outcome.set(missing.<Outcome>map(this::waits).orElseGet(this::computed));
  }

  /// What is written already may be wrong before all is written.
  private Outcome waits(Input<?> missing) {
    for (var input : calculator.get().inputs()) {
      var text = written(input.symbol());
      if (text.isBlank()) continue;
      var problem = input.problem(text);
      if (problem.isPresent()) return new Outcome.Wrong(input.symbol(), problem.get());
    }
    return new Outcome.Waits(missing.symbol(), missing.meaning());
  }

  private Outcome computed() {
    try {
      return calculator.get().answer(inputs()).fold(Outcome.Answer::new, Outcome.Lacks::new);
    } catch (Calculator.WrongInput wrong) {
      return new Outcome.Wrong(wrong.symbol(), String.valueOf(wrong.getMessage()));
    }
  }

  /// The answer as plain text with its working, for the clipboard.
  public Optional<String> text() {
    return outcome.get() instanceof Outcome.Answer(var explained)
        ? Optional.of(
            explained.trail().text()
                + "\n"
                + calculator.get().gives()
                + ": "
                + explained.value()
                + "\n")
        : Optional.empty();
  }
}
