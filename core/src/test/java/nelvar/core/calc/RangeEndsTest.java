package nelvar.core.calc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/// What a calculator says it accepts can be typed as it is printed, at both ends.
final class RangeEndsTest {
  private static final Pattern RANGE =
      Pattern.compile("(?:a number |a whole number )?from (.+) to (.+?)(?: each.*)?");

  @Test
  void printedEndsCanBeTyped() {
    var broken = new ArrayList<String>();
    var tried = 0;
    for (var calculator : Calculators.ALL) {
      for (var input : calculator.inputs()) {
        var match = RANGE.matcher(input.accepts());
        if (!match.matches()) continue;
        for (var end : new String[] {match.group(1), match.group(2)}) {
          tried++;
          input
              .problem(end)
              .ifPresent(problem ->
                  broken.add(
                      calculator.name() + " " + input.symbol() + " " + end + ": " + problem));
        }
      }
    }
    assertThat(tried).isGreaterThan(200);
    assertThat(broken).isEmpty();
  }

  /// Milli is not mega: what differs in nothing but that letter's case is refused, not guessed.
  @Test
  void milliIsNotMega() {
    assertThat(Inputs.TIME.problem("5 Ms")).isPresent();
    assertThat(Inputs.I.problem("5 mA")).isEmpty();
    assertThat(Inputs.P.problem("5 KW")).isEmpty();
  }

  /// A decimal comma stays one: `7,5 kW; 4 kW` are two powers; `1,2,3` is refused.
  @Test
  void aDecimalCommaSplitsNoList() {
    var list = Input.several(Inputs.P, "1 kW, 2 kW");
    assertThat(list.reader().read("7,5 kW; 4 kW")).hasSize(2);
    assertThat(list.reader().read("7,5 kW").getFirst().watts()).isEqualTo(7500);
    assertThat(list.reader().read("7.5 kW, 4 kW,2 kW")).hasSize(3);
    assertThat(list.problem("1,2,3 kW").orElseThrow()).contains("semicolons");
  }
}
