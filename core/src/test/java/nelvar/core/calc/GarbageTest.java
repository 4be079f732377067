package nelvar.core.calc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Random;
import nelvar.core.trail.Computed;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GarbageTest {
  private static final List<String> THINGS =
      List.of(
          "",
          " ",
          "0",
          "-1",
          "1e99",
          "NaN",
          "Infinity",
          "1",
          "3",
          "0.5",
          "2.5mm2",
          "16 AWG",
          "230V",
          "5A",
          "10m",
          "80%",
          "abc",
          "漢",
          "1;2",
          "B1",
          "45C",
          "1,5 kW",
          "999999999999");

  /// Whatever is written, a calculator answers, says what is missing, or names the wrong input;
  /// nothing else comes out.
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5})
  void anyInputGivesAnAnswerOrAReason(long seed) {
    var random = new Random(seed);
    for (var calculator : Calculators.ALL) {
      for (var round = 0; round < 120; round++) {
        var written = new HashMap<String, String>();
        for (var input : calculator.inputs())
          written.put(
              input.symbol(),
              random.nextBoolean() ? input.example() : THINGS.get(random.nextInt(THINGS.size())));
        try {
          switch (calculator.answer(written)) {
            case Computed.Known<?>(var explained) ->
                assertThat(String.valueOf(explained.value()))
                    .doesNotContain("NaN")
                    .doesNotContain("Infinity");
            case Computed.Missing<?>(var why) -> assertThat(why).isNotBlank();
          }
        } catch (Calculator.WrongInput wrong) {
          assertThat(wrong.getMessage()).isNotBlank();
        }
      }
    }
  }
}
