package nelvar.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.concurrent.Callable;
import nelvar.core.calc.Calculator;
import nelvar.core.calc.Calculators;
import nelvar.core.file.NelvarJson;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Line;
import picocli.CommandLine;

@CommandLine.Command(
    name = "calc",
    description = "One quick calculation with its working; without a name, the list of them.",
    mixinStandardHelpOptions = true)
final class CalcCommand implements Callable<Integer> {
  @CommandLine.Parameters(
      index = "0",
      arity = "0..1",
      paramLabel = "NAME",
      description = "Which calculation.")
  private String name = "";

  @CommandLine.Parameters(
      index = "1..*",
      paramLabel = "KEY=VALUE",
      description = "Its inputs, as people write them: S=1.5mm2 I=5A")
  private List<String> inputs = List.of();

  @CommandLine.Option(names = "--json", description = "Machine-readable, version 1.")
  private boolean json;

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  private record Answer(
      int version, String name, String gives, String answer, List<String> working) {}

  @Override
  public Integer call() {
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    if (name.isEmpty()) {
      for (var subject : Calculators.SUBJECTS) {
        out.printf("%s%n", subject.name());
        for (var calculator : subject.calculators())
          out.printf("  %-27s %s%n", calculator.name(), calculator.title());
      }
      out.println("nelvar calc NAME shows what one takes and gives.");
      return CommandLineTool.FINE;
    }
    var calculator =
        Calculators.named(name)
            .orElseThrow(() ->
                new CommandLineTool.BadUse(
                    "there is no calculation '%s'; there are %s"
                        .formatted(
                            name,
                            String.join(
                                ", ", Calculators.ALL.stream().map(Calculator::name).toList()))));
    if (inputs.isEmpty()
        && calculator.inputs().stream().anyMatch(input -> input.usual().isEmpty())) {
      out.printf("%s: %s%n", calculator.title(), calculator.gives());
      for (var input : calculator.inputs())
        out.printf(
            "  %-12s %s; such as %s=%s%n",
            input.symbol(), input.help(), input.symbol(), input.example());
      return CommandLineTool.FINE;
    }
    var written = new LinkedHashMap<String, String>();
    for (var input : inputs) {
      var equals = input.indexOf('=');
      if (equals < 1)
        throw new CommandLineTool.BadUse(
            "'" + input + "' is not an input: write KEY=VALUE, such as S=1.5mm2");
      if (written.put(input.substring(0, equals), input.substring(equals + 1)) != null)
        throw new CommandLineTool.BadUse(
            "input '%s' is given twice".formatted(input.substring(0, equals)));
    }
    return switch (calculator.answer(written)) {
      case Computed.Missing<?>(var why) ->
          throw new CommandLineTool.BadUse("cannot be computed, because " + why);
      case Computed.Known<?>(var explained) -> {
        if (json)
          out.println(
              NelvarJson.mapper()
                  .writerWithDefaultPrettyPrinter()
                  .writeValueAsString(
                      new Answer(
                          1,
                          calculator.name(),
                          calculator.gives(),
                          String.valueOf(explained.value()),
                          explained.trail().lines().stream().map(Line::text).toList()))
                  .replace("\r\n", "\n"));
        else {
          out.println(explained.trail().text());
          out.println(calculator.gives() + ": " + explained.value());
        }
        yield CommandLineTool.FINE;
      }
    };
  }
}
