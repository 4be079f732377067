package nelvar.cli;

import java.io.PrintWriter;
import java.nio.charset.MalformedInputException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.AxisSettings;
import nelvar.core.analysis.motion.LoadedProof;
import nelvar.core.analysis.motion.SettingsSheet;
import nelvar.core.exchange.SettingsKeys;
import nelvar.core.exchange.SettingsText;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.OutputFiles;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Device;
import picocli.CommandLine;

@CommandLine.Command(
    name = "settings",
    description =
        "What is to be set in drives and controllers, or what of it stands otherwise in a settings text. Exit 0 all as computed, 1 where something differs.",
    mixinStandardHelpOptions = true)
final class SettingsCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--compare",
      paramLabel = "TEXT",
      description =
          "A settings text of one device: key and value a line, in any order, comments kept.")
  private Optional<Path> compare = Optional.empty();

  @CommandLine.Option(
      names = "--of",
      paramLabel = "DEVICE",
      description = "Whose settings text it is, such as A1; needed where several have keys.")
  private Optional<String> of = Optional.empty();

  @CommandLine.Option(
      names = "--write",
      paramLabel = "NEW",
      description = "Writes the text with the computed values; nothing else of it changes.")
  private Optional<Path> write = Optional.empty();

  @CommandLine.Option(
      names = "--loaded",
      paramLabel = "HOW",
      description =
          "With --compare of the text as read back, where all of it is as computed: writes into the project that it was loaded, such as 'version 1.4, port USB'.")
  private Optional<String> loaded = Optional.empty();

  @CommandLine.Option(names = "--csv", description = "As a table.")
  private boolean csv;

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  private record Row(
      String device,
      String name,
      Optional<String> value,
      String unit,
      Optional<String> entered,
      String why) {}

  private record Sheet(int version, String project, List<Row> settings) {}

  private record Compared(
      int version,
      String project,
      String device,
      List<SettingsText.Difference> differences,
      List<String> missing) {}

  @Override
  public Integer call() throws Exception {
    var project = ProjectFile.at(file).open();
    var study = Study.of(project, CatalogueFile.standard());
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    return compare.isPresent() ? compared(compare.get(), study, out) : sheet(study, out);
  }

  private int sheet(Study study, PrintWriter out) throws Exception {
    var rows = SettingsSheet.all(study);
    var plain =
        rows.stream()
            .map(row ->
                new Row(
                    row.device().designation().text(),
                    row.name(),
                    row.value(),
                    row.unit(),
                    row.entered(),
                    row.why()))
            .toList();
    if (json)
      out.println(
          NelvarJson.mapper()
              .writerWithDefaultPrettyPrinter()
              .writeValueAsString(new Sheet(1, study.project().name(), plain)));
    else if (csv) {
      out.println("device,setting,value,unit,entered,why");
      for (var row : plain)
        out.println(
            String.join(
                ",",
                List.of(
                        row.device(),
                        row.name(),
                        row.value().orElse(""),
                        row.unit(),
                        row.entered().orElse(""),
                        row.why())
                    .stream()
                    .map(SettingsCommand::quoted)
                    .toList()));
    } else
      for (var row : plain)
        out.printf(
            "%-6s %-28s %-20s %s%n",
            row.device(),
            row.name(),
            row.value().map(v -> row.unit().isEmpty() ? v : v + " " + row.unit()).orElse("-"),
            row.entered().map(e -> "entered: " + e).orElse("to be entered"));
    return rows.stream().anyMatch(row -> row.standing() == SettingsSheet.Standing.DIFFERS)
        ? CommandLineTool.FOUND
        : CommandLineTool.FINE;
  }

  private static String quoted(String text) {
    return text.matches("[^,\"\\n]*") ? text : '"' + text.replace("\"", "\"\"") + '"';
  }

  private int compared(Path path, Study study, PrintWriter out) throws Exception {
    var device = device(study);
    var wanted = SettingsKeys.of(device, study);
    if (wanted.isEmpty())
      throw new CommandLineTool.BadUse(
          "%s has no keys for its settings: say what its text calls them, such as a setting 'Key %s' of it with the key as its value"
              .formatted(
                  device.designation(),
                  SettingsKeys.without(device, study).stream().findFirst().orElse("Steps =AX1")));
    var text = SettingsText.read(read(path));
    var differences = text.differences(wanted);
    var missing = new ArrayList<String>();
    wanted.forEach((key, row) -> {
      if (text.value(key).isEmpty()) missing.add("%s (%s)".formatted(key, row.name()));
    });
    if (loaded.isPresent()) {
      if (!differences.isEmpty() || !missing.isEmpty())
        throw new CommandLineTool.BadUse(
            "nothing was written down: %s"
                .formatted(
                    differences.isEmpty()
                        ? String.join(", ", missing) + " is not in it"
                        : "%s is %s and is to be %s"
                            .formatted(
                                differences.getFirst().key(),
                                differences.getFirst().text(),
                                differences.getFirst().computed())));
      var proof =
          LoadedProof.of(
              device,
              text.text(),
              loaded.get(),
              java.time.LocalDate.now(java.time.ZoneId.systemDefault()).toString(),
              study);
      ProjectFile.at(file).save(proof.on(study.project(), CatalogueFile.standard()));
    }
    if (write.isPresent()) {
      var changes = new java.util.LinkedHashMap<String, String>();
      for (var one : differences) changes.put(one.key(), one.computed());
      OutputFiles.write(write.get(), text.with(changes).text().getBytes(StandardCharsets.UTF_8));
    }
    if (json)
      out.println(
          NelvarJson.mapper()
              .writerWithDefaultPrettyPrinter()
              .writeValueAsString(
                  new Compared(
                      1,
                      study.project().name(),
                      device.designation().text(),
                      differences,
                      missing)));
    else {
      for (var one : differences)
        out.printf("%s = %s, and %s is %s%n", one.key(), one.text(), one.name(), one.computed());
      for (var key : missing) out.printf("%s is not in it%n", key);
      for (var key : wanted.keySet())
        if (text.count(key) > 1)
          out.printf("%s stands %d times: the last counts%n", key, text.count(key));
      if (differences.isEmpty() && missing.isEmpty())
        out.printf("All %d keys of %s stand as computed.%n", wanted.size(), device.designation());
      loaded.ifPresent(how -> out.printf("Written down as loaded: %s.%n", how));
      write.ifPresent(
          path1 -> out.printf("Written to %s: %d values changed.%n", path1, differences.size()));
    }
    return differences.isEmpty() && missing.isEmpty()
        ? CommandLineTool.FINE
        : CommandLineTool.FOUND;
  }

  private static String read(Path path) throws Exception {
    try {
      return Files.readString(path, StandardCharsets.UTF_8);
    } catch (MalformedInputException notText) {
      throw new CommandLineTool.BadUse(
          path + " is not a text in UTF-8: save it as such, or export it as text again");
    } catch (java.nio.file.NoSuchFileException gone) {
      throw new CommandLineTool.BadUse(path + " is not there");
    }
  }

  private Device device(Study study) throws CommandLineTool.BadUse {
    if (of.isPresent())
      return study
          .project()
          .called(of.get())
          .orElseThrow(() -> new CommandLineTool.BadUse("there is no device '" + of.get() + "'"));
    var keyed =
        study.project().devices().stream()
            .filter(device -> !SettingsKeys.of(device, study).isEmpty())
            .toList();
    if (keyed.size() == 1) return keyed.getFirst();
    if (keyed.isEmpty())
      return SettingsSheet.all(study).stream()
          .filter(row -> row.name().startsWith(AxisSettings.STEPS))
          .findFirst()
          .or(() -> SettingsSheet.all(study).stream().findFirst())
          .map(SettingsSheet.Row::device)
          .orElseThrow(() ->
              new CommandLineTool.BadUse(
                  "no motor of this project turns by pulses or hangs on a frequency converter"));
    throw new CommandLineTool.BadUse(
        "several devices have keys: say whose text it is with --of, one of "
            + String.join(", ", keyed.stream().map(d -> d.designation().text()).toList()));
  }
}
