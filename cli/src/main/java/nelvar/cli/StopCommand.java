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
import nelvar.core.analysis.stop.Course;
import nelvar.core.analysis.stop.Courses;
import nelvar.core.analysis.stop.Scenario;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.analysis.stop.WayBack;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.ProjectFile;
import nelvar.core.network.Conditions;
import nelvar.core.network.Rehearsal;
import nelvar.core.network.TrialText;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
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

  private static final String SAYS =
      "Programs go on as before; coils, drives and brakes at their slowest, torque of what hangs at its quickest end. Times of coils and of capacitors that nobody stated are those of their kind, from memory. Nelvar computes and certifies nothing: a stop is designed, validated and signed by somebody qualified, to the law of the place.";

  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--do",
      paramLabel = "ACT",
      description =
          "\"press S1\", \"release S1 at 2 s\", \"open Q0 at 0.5 s\", \"mains away at X0 for 20 ms\", \"reset with S5\", \"lose T2\", \"lose the phase L3 of X0\", \"A1 restarts, its outputs off\", or any DEVICE=STATE of solve. May be repeated; without it each stop button is pressed by itself.")
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

  /// @param soonest to @param latest s after the first act; absent where it keeps its volts
  /// @param back where it had lost them and has them again
  private record Load(
      String device,
      String intake,
      String purpose,
      double before,
      Optional<Double> soonest,
      Optional<Double> latest,
      Optional<Double> back,
      boolean known) {}

  private record Phase(String state, double from, Optional<Double> to) {}

  /// @param way m that a hanging or sliding load goes on
  private record Lane(
      String kind,
      List<String> devices,
      String what,
      List<Phase> phases,
      String ends,
      Optional<Double> way,
      List<String> assumed) {}

  private record Told(
      String what,
      List<Moment> moments,
      boolean endless,
      List<Lane> lanes,
      List<String> wayBack,
      List<Load> loads) {}

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
                      StopRehearsal.pressing(button, end, study),
                      study)));
    else told.add(told(String.join(", ", acts), StopRehearsal.of(read(study), end, study), study));
    var all = new All(1, study.project().name(), told, SAYS);
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
      var known = known(act, study);
      if (known.isPresent()) {
        all.addAll(known.get());
        continue;
      }
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

  /// In the words the window offers: `mains away at X0 for 20 ms at 2 s`.
  private static Optional<List<Rehearsal.Act>> known(String act, Study study) {
    var whole = Scenario.find(act, study);
    if (whole.isPresent()) return Optional.of(whole.get().at(new Duration(0)));
    var cut = act.toLowerCase(Locale.ROOT).lastIndexOf(" at ");
    if (cut < 0) return Optional.empty();
    return Scenario.find(act.substring(0, cut), study)
        .map(d -> d.at(time("--do", act.substring(cut + 4).strip())));
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

  private static Told told(String what, StopRehearsal rehearsal, Study study) {
    var slow = rehearsal.slow();
    return new Told(
        what,
        slow.moments().stream().map(m -> new Moment(m.at().seconds(), m.what())).toList(),
        slow.endless(),
        Courses.of(rehearsal, study).stream().map(StopCommand::lane).toList(),
        WayBack.of(rehearsal, study),
        rehearsal.loads().stream()
            .map(f ->
                new Load(
                    f.device().designation().text(),
                    f.intake(),
                    f.device().purpose(),
                    f.before().volts(),
                    f.dry().map(d -> d.soonest().seconds()),
                    f.latest().map(Duration::seconds),
                    f.back().map(back -> back.again().seconds()),
                    f.known()))
            .toList());
  }

  private static Lane lane(Course course) {
    return new Lane(
        course.kind().name().toLowerCase(Locale.ROOT),
        course.devices().stream().map(d -> d.designation().text()).toList(),
        course.what(),
        course.phases().stream()
            .map(p ->
                new Phase(
                    p.state().name().toLowerCase(Locale.ROOT),
                    p.from().seconds(),
                    p.to().map(Duration::seconds)))
            .toList(),
        course.ends(),
        course.way().map(Length::metres),
        course.assumed());
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
      for (var lane : told.lanes()) {
        out.printf(
            "  %-14s %-28s %s%n", String.join(", ", lane.devices()), lane.what(), lane.ends());
        for (var assumed : lane.assumed()) out.printf("  %-14s assumed: %s%n", "", assumed);
      }
      if (!told.wayBack().isEmpty()) out.println(" and back:");
      for (var step : told.wayBack()) out.println("  " + step);
      out.println();
    }
    out.println(all.says());
  }
}
