package nelvar.cli;

import java.io.PrintWriter;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.need.PartFilter;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.PartSheet;
import picocli.CommandLine;

@CommandLine.Command(
    name = "catalogue",
    description =
        "List the generic parts that ship with the program: all, those of one kind, those with words and ratings such as 'supply 24 V >= 5 A'; or all that is known of one.",
    mixinStandardHelpOptions = true)
final class CatalogueCommand implements Callable<Integer> {
  @CommandLine.Parameters(
      arity = "0..*",
      paramLabel = "WORDS",
      description = "Words and ratings: breaker C 6..16 A, motor '< 1 kW'.")
  private List<String> words = List.of();

  @CommandLine.Option(names = "--kind", paramLabel = "KIND", description = "Such as dc-supply.")
  private String kind = "";

  @CommandLine.Option(
      names = "--sheet",
      paramLabel = "PART",
      description = "All that is known of the part with this id.")
  private String sheet = "";

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() {
    var out = Objects.requireNonNull(spec).commandLine().getOut();
    var standard = CatalogueFile.standard();
    if (!sheet.isEmpty()) {
      sheet(
          standard
              .find(sheet)
              .orElseThrow(() ->
                  new CommandLineTool.BadUse(
                      "there is no part '%s'; nelvar catalogue lists them".formatted(sheet))),
          out);
      return CommandLineTool.FINE;
    }
    var all =
        standard.all().stream()
            .filter(part -> kind.isEmpty() || NelvarJson.kindName(part.getClass()).equals(kind))
            .toList();
    if (all.isEmpty())
      throw new CommandLineTool.BadUse(
          "there is no kind '%s'; the second column of nelvar catalogue names them"
              .formatted(kind));
    var text = String.join(" ", words);
    for (var part : text.isBlank() ? all : PartFilter.find(all, text, PartSheet::values))
      out.printf(
          "%-32s %-22s %8s  %s%n",
          part.id(),
          NelvarJson.kindName(part.getClass()),
          part.price().map(Object::toString).orElse("-"),
          part.name());
    return CommandLineTool.FINE;
  }

  private static void sheet(Part part, PrintWriter out) {
    out.println(part.name());
    for (var section : PartSheet.of(part)) {
      out.println(section.title());
      for (var row : section.rows()) out.printf("  %-32s %s%n", row.name(), row.value());
    }
  }
}
