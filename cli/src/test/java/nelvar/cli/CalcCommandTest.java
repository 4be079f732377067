package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.calc.Calculator;
import nelvar.core.calc.Calculators;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.json.JsonMapper;

/// Every quick calculation through the command line, right and wrong.
class CalcCommandTest {
  private record Outcome(int code, String out, String err) {}

  private static Outcome run(List<String> arguments) {
    var out = new StringWriter();
    var err = new StringWriter();
    var code =
        CommandLineTool.run(
            arguments.toArray(String[]::new),
            new PrintWriter(out, true),
            new PrintWriter(err, true));
    assertThat(out + "" + err).doesNotContain("\tat ").doesNotContain("Exception");
    return new Outcome(code, out.toString(), err.toString());
  }

  private static List<String> examples(Calculator calculator) {
    var all = new ArrayList<>(List.of("calc", calculator.name()));
    for (var input : calculator.inputs()) all.add(input.symbol() + "=" + input.example());
    return all;
  }

  /// Its own examples give an answer, exit 0; as JSON the same answer with the working.
  @TestFactory
  Stream<DynamicTest> answersItsExamples() {
    return Calculators.ALL.stream()
        .map(calculator ->
            DynamicTest.dynamicTest(
                calculator.name(),
                () -> {
                  var answer = run(examples(calculator));
                  assertThat(answer.code()).as(answer.err()).isZero();
                  assertThat(answer.out()).contains(calculator.gives() + ": ");
                  var json = new ArrayList<>(examples(calculator));
                  json.add("--json");
                  var tree = JsonMapper.builder().build().readTree(run(json).out());
                  assertThat(tree.get("version").asInt()).isEqualTo(1);
                  assertThat(tree.get("name").asString()).isEqualTo(calculator.name());
                  assertThat(answer.out())
                      .endsWith(": " + tree.get("answer").asString() + System.lineSeparator());
                  assertThat(tree.get("working").size()).isPositive();
                }));
  }

  /// A wrong unit in its first input exits 2, names the input and says what is accepted.
  @TestFactory
  Stream<DynamicTest> refusesNonsense() {
    return Calculators.ALL.stream()
        .map(calculator ->
            DynamicTest.dynamicTest(
                calculator.name(),
                () -> {
                  var first = calculator.inputs().getFirst();
                  var arguments = examples(calculator);
                  arguments.set(2, first.symbol() + "=12 parsec");
                  var refused = run(arguments);
                  assertThat(refused.code()).isEqualTo(2);
                  assertThat(refused.out()).isEmpty();
                  assertThat(refused.err()).contains(first.symbol() + ":", first.accepts());
                }));
  }

  /// With nothing written it says what it takes; with one thing missing, which.
  @TestFactory
  Stream<DynamicTest> tellsWhatItTakes() {
    return Calculators.ALL.stream()
        .filter(calculator -> calculator.inputs().stream().anyMatch(i -> i.usual().isEmpty()))
        .map(calculator ->
            DynamicTest.dynamicTest(
                calculator.name(),
                () -> {
                  var help = run(List.of("calc", calculator.name()));
                  assertThat(help.code()).isZero();
                  for (var input : calculator.inputs())
                    assertThat(help.out())
                        .contains(input.symbol(), input.meaning(), input.accepts());
                  var needed =
                      calculator.inputs().stream()
                          .filter(i -> i.usual().isEmpty())
                          .findFirst()
                          .orElseThrow();
                  var arguments = new ArrayList<>(examples(calculator));
                  arguments.removeIf(text -> text.startsWith(needed.symbol() + "="));
                  if (arguments.size() == 2) return;
                  var refused = run(arguments);
                  assertThat(refused.code()).isEqualTo(2);
                  assertThat(refused.err()).contains(needed.symbol() + " is missing");
                }));
  }

  /// What a table does not hold is a reason, exit 2.
  @Test
  void whatCannotBeComputedExitsTwoWithTheReason() {
    var refused = run(List.of("calc", "fuse-limit", "Iz=1A"));
    assertThat(refused.code()).isEqualTo(2);
    assertThat(refused.err()).contains("cannot be computed, because even a 2 A fuse");
  }
}
