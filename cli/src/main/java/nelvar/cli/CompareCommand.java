package nelvar.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.Callable;
import nelvar.core.compose.Comparison;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import picocli.CommandLine;

@CommandLine.Command(
    name = "compare",
    description =
        "Compare a project with variants of it, each reviewed on a copy; the file is not changed.",
    mixinStandardHelpOptions = true)
final class CompareCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--swap",
      paramLabel = "DEVICE=PART",
      description =
          "A variant with another part in a device's place; several devices of one variant with commas between. Repeat for up to three variants.")
  private List<String> swaps = List.of();

  @CommandLine.Option(
      names = "--architectures",
      description =
          "The machine drawn up anew from its functions, run by a stand-alone controller, a computer with a bare breakout board, a microcontroller board; what cannot be is told.")
  private boolean architectures;

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    if (swaps.size() >= Comparison.MOST)
      throw new CommandLineTool.BadUse(
          "at most %d variants stand beside the machine as it is, not %d"
              .formatted(Comparison.MOST - 1, swaps.size()));
    var standard = CatalogueFile.standard();
    var project = ProjectFile.at(file).open();
    if (swaps.isEmpty() == !architectures)
      throw new CommandLineTool.BadUse("compare takes --swap DEVICE=PART, or --architectures");
    if (architectures && project.functions().isEmpty())
      throw new CommandLineTool.BadUse(
          "this project names no functions, so nothing can be drawn up from them");
    var variants = new ArrayList<Comparison.Variant>();
    if (architectures) variants.addAll(Comparison.architectures(project, standard));
    for (var swap : swaps) variants.add(new Comparison.Variant(swap, edit(swap, project)));
    var comparison =
        Comparison.of(Review.findingsOnly(project, standard), variants, standard, () -> false)
            .orElseThrow();
    var out = Objects.requireNonNull(spec).commandLine().getOut();
    for (var refused : comparison.refused().entrySet()) {
      var why = refused.getKey() + ": " + refused.getValue();
      if (!architectures) throw new CommandLineTool.BadUse(why);
      if (!json) out.println("cannot be: " + why);
    }
    if (json) out.println(NelvarJson.mapper().writeValueAsString(Document.of(comparison)));
    else print(comparison, out);
    return CommandLineTool.FINE;
  }

  private static Edit edit(String swap, Project project) {
    Edit all = new Edit(swap, p -> p);
    var catalogue = CatalogueFile.standard().with(project.ownParts());
    for (var one : swap.split(",")) {
      var halves = one.split("=", 2);
      if (halves.length != 2)
        throw new CommandLineTool.BadUse(
            "'%s' is no exchange: write DEVICE=PART, such as T1=supply-24v-10a".formatted(one));
      var name = halves[0].strip();
      var device =
          project.devices().stream()
              .filter(d ->
                  d.designation().text().equalsIgnoreCase(name)
                      || d.designation().text().equalsIgnoreCase("-" + name)
                      || d.id().text().equals(name))
              .findFirst()
              .orElseThrow(() ->
                  new CommandLineTool.BadUse(
                      "there is no device %s in %s".formatted(name, project.name())));
      var part =
          catalogue
              .find(halves[1].strip())
              .orElseThrow(() ->
                  new CommandLineTool.BadUse(
                      "there is no part '%s'; 'nelvar catalogue' lists them"
                          .formatted(halves[1].strip())));
      all = all.then(Edits.swap(device, part));
    }
    return all.named(swap);
  }

  private static void print(Comparison comparison, PrintWriter out) {
    for (var column : comparison.columns()) out.println(column.title());
    var names = comparison.rows().stream().mapToInt(row -> row.name().length()).max().orElse(0);
    for (var row : comparison.rows()) {
      out.println();
      for (var n = 0; n < row.cells().size(); n++)
        out.printf("%-" + names + "s  %s%n", n == 0 ? row.name() : "", row.cells().get(n));
    }
  }

  private record Document(int version, List<Variant> variants) {
    static Document of(Comparison comparison) {
      return new Document(1, comparison.columns().stream().map(Variant::of).toList());
    }
  }

  private record Variant(
      String title,
      java.util.Optional<Double> inletAmperes,
      java.util.Optional<String> fullestSupply,
      double fullestSupplyPercent,
      double heatWatts,
      int devices,
      int wires,
      double cost,
      int costUnpriced,
      double toBuy,
      int toBuyUnpriced,
      List<String> leftOver,
      int axes,
      int freeInputs,
      int freeOutputs,
      boolean computer,
      List<String> licences,
      String driveLink,
      java.util.Optional<Boolean> squaresAxes,
      java.util.Optional<String> skill,
      java.util.Optional<String> noise,
      int workMinutes,
      long errors,
      long warnings,
      Map<String, String> opens,
      List<String> closes) {
    static Variant of(Comparison.Column c) {
      var opens = new java.util.LinkedHashMap<String, String>();
      c.effects()
          .opened()
          .forEach((text, severity) ->
              opens.put(text, severity.name().toLowerCase(java.util.Locale.ROOT)));
      return new Variant(
          c.title(),
          c.inletAmperes(),
          c.fullest(),
          c.fullestPercent(),
          c.heat(),
          c.devices(),
          c.wires(),
          c.cost().amount(),
          c.cost().unpriced(),
          c.toBuy().amount(),
          c.toBuy().unpriced(),
          c.leftOver(),
          c.axes(),
          c.freeInputs(),
          c.freeOutputs(),
          c.hostComputer(),
          c.licences(),
          c.spindleLink(),
          c.squares(),
          c.skill().map(skill -> skill.name().toLowerCase(java.util.Locale.ROOT)),
          c.noise().map(Object::toString),
          c.minutes(),
          c.errors(),
          c.warnings(),
          opens,
          c.effects().closed());
    }
  }
}
