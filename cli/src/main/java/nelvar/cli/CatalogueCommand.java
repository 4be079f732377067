package nelvar.cli;

import java.util.concurrent.Callable;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import picocli.CommandLine;

@CommandLine.Command(
    name = "catalogue",
    description = "List the generic parts that ship with the program.",
    mixinStandardHelpOptions = true)
final class CatalogueCommand implements Callable<Integer> {
  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() {
    for (var part : CatalogueFile.standard().all()) {
      java.util.Objects.requireNonNull(spec)
          .commandLine()
          .getOut()
          .printf(
              "%-32s %-22s %8s  %s%n",
              part.id(),
              NelvarJson.kindName(part.getClass()),
              part.price().map(Object::toString).orElse("-"),
              part.name());
    }
    return CommandLineTool.FINE;
  }
}
