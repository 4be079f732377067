package nelvar.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.ProjectFile;
import nelvar.core.network.Conditions;
import nelvar.core.network.Rehearsal;
import nelvar.core.network.TrialText;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Reading;
import picocli.CommandLine;

@CommandLine.Command(
    name = "stop",
    description =
        "What each stop button takes volts from and when, or what happens in which order when something is done.",
    mixinStandardHelpOptions = true)
final class StopCommand implements Callable<Integer> {
  private static final Pattern ACT =
      Pattern.compile("(?i)(?:(press|release|open|close)\\s+)?(\\S.*?)(?:\\s+at\\s+(\\S.*))?");

  private static final String NOT_IN =
      "Programs go on as before. Contacts, coils and supplies only: a drive without its feed goes on by its capacitors, what turns coasts, what hangs falls until a brake bites; none of that is in these times. Nelvar computes and certifies nothing.";

  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--do",
      paramLabel = "ACT",
      description =
          "\"press S1\", \"release S1 at 2 s\", \"open Q0 at 0.5 s\", or any DEVICE=STATE of solve. May be repeated; without it each stop button is pressed by itself.")
  private List<String> acts = new ArrayList<>();

  @CommandLine.Option(
      names = "--until",
      paramLabel = "TIME",
      description = "Nothing later is looked at (60 s).")
  private String until = "60 s";

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  /// @param at s after the first act
  private record Moment(double at, String what) {}

  /// @param dry s after the first act; absent where it keeps its volts
  /// @param back where it had lost them and has them again
  private record Load(
      String device,
      String intake,
      String purpose,
      double before,
      Optional<Double> dry,
      Optional<Double> back,
      boolean earliest,
      boolean known) {}

  private record Told(String what, List<Moment> moments, boolean endless, List<Load> loads) {}

  private record All(int version, String project, List<Told> rehearsals, String says) {}

  @Override
  public Integer call() throws Exception {
    var study = Study.of(ProjectFile.at(file).open(), CatalogueFile.standard());
    var out = Objects.requireNonNull(spec).commandLine().getOut();
    var end = time("--until", until);
    if (!study.asDesigned().settled())
      throw new CommandLineTool.BadUse(
          "no steady state of the running machine is found: 'nelvar solve' says where");
    var told = new ArrayList<Told>();
    if (acts.isEmpty())
      study.project().devices().stream()
          .filter(device -> StopRehearsal.stops(device, study))
          .forEach(button ->
              told.add(
                  told(
                      "press " + button.designation(),
                      StopRehearsal.pressing(button, end, study))));
    else told.add(told(String.join(", ", acts), StopRehearsal.of(read(study), end, study)));
    var all = new All(1, study.project().name(), told, NOT_IN);
    if (json)
      out.println(NelvarJson.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(all));
    else print(all, out);
    return CommandLineTool.FINE;
  }

  private List<Rehearsal.Act> read(Study study) {
    var conditions = Conditions.usual(study.project().brief().surroundings().inside());
    var text = new TrialText(study.project(), study.engine().circuitry(conditions.wires()));
    var all = new ArrayList<Rehearsal.Act>();
    for (var act : acts) {
      var read = ACT.matcher(act.strip());
      if (!read.matches())
        throw new CommandLineTool.BadUse("--do: nothing is done by '" + act + "'");
      var at = read.group(3) == null ? new Duration(0) : time("--do", read.group(3));
      var what = read.group(2) + state(Optional.ofNullable(read.group(1)));
      // Read once, so that what cannot be is said before anything runs.
      text.set(WhatIf.AS_DESIGNED, what);
      all.add(new Rehearsal.Act(at, act, trial -> text.set(trial, what)));
    }
    all.sort(Comparator.comparing(Rehearsal.Act::at));
    return all;
  }

  private static String state(Optional<String> verb) {
    return verb.map(v ->
            switch (v.toLowerCase(Locale.ROOT)) {
              case "press" -> "=pressed";
              case "release" -> "=released";
              case "open" -> "=open";
              default -> "=closed";
            })
        .orElse("");
  }

  private static Duration time(String option, String text) {
    return switch (Kind.DURATION.read(text)) {
      case Reading.Value<Duration>(var value) -> value;
      case Reading.Misread<Duration>(var message) ->
          throw new CommandLineTool.BadUse(option + ": " + message);
    };
  }

  private static Told told(String what, StopRehearsal rehearsal) {
    return new Told(
        what,
        rehearsal.timeline().moments().stream()
            .map(m -> new Moment(m.at().seconds(), m.what()))
            .toList(),
        rehearsal.timeline().endless(),
        rehearsal.loads().stream()
            .map(f ->
                new Load(
                    f.device().designation().text(),
                    f.intake(),
                    f.device().purpose(),
                    f.before().volts(),
                    f.dry().map(Duration::seconds),
                    f.back().map(Duration::seconds),
                    f.earliest(),
                    f.known()))
            .toList());
  }

  private static void print(All all, PrintWriter out) {
    if (all.rehearsals().isEmpty())
      out.println(
          "No device is called a stop: one whose part or purpose says so, with a contact closed at rest.");
    for (var told : all.rehearsals()) {
      out.println(told.what());
      for (var moment : told.moments())
        out.printf(Locale.ROOT, "  %9s  %s%n", new Duration(moment.at()), moment.what());
      if (told.endless()) out.println("  and so on: things go on happening");
      loads(
          "loses its volts", told.loads().stream().filter(l -> l.dry().isPresent()).toList(), out);
      loads(
          "has them again by itself",
          told.loads().stream().filter(l -> l.back().isPresent()).toList(),
          out);
      loads(
          "keeps its volts",
          told.loads().stream().filter(l -> l.dry().isEmpty() && l.back().isEmpty()).toList(),
          out);
      out.println();
    }
    out.println(all.says());
  }

  private static void loads(String what, List<Load> loads, PrintWriter out) {
    if (loads.isEmpty()) return;
    out.println(" " + what + ":");
    for (var load : loads)
      out.printf(
          "  %-8s %-10s %-28s %s%s%n",
          load.device(),
          load.intake(),
          load.purpose(),
          load.dry()
              .or(load::back)
              .map(t -> (load.earliest() ? "not before " : "after ") + new Duration(t))
              .orElse(""),
          load.known() ? "" : " its volts are not known at every moment");
  }
}
