package nelvar.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.OperatingState;
import nelvar.core.model.Project;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.LoadMode;
import nelvar.core.network.Outcome;
import nelvar.core.network.Positions;
import nelvar.core.network.TrialText;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Percent;
import nelvar.core.units.Reading;
import nelvar.core.units.Significant;
import picocli.CommandLine;

@CommandLine.Command(
    name = "solve",
    description =
        "Volts and amperes of a machine in one state. Exit 0 solved, 1 when contacts chatter or no steady state is found.",
    mixinStandardHelpOptions = true)
final class SolveCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--set",
      paramLabel = "DEVICE=STATE",
      description =
          "S1=pressed, K1=off, A1.Q3=on, F3=open, F3.1=open (one pole), A1=dead, A1.Q3=frozen-on; M1=50%% (load), Q4=2.5A (dial), U2=factory, U2=keypad, U2=\"entered 3\" (what a drive keeps), T1=PART (wrong part), W12=2ohm (bad end); a device by its id or designation. May be repeated.")
  private List<String> set = new ArrayList<>();

  @CommandLine.Option(
      names = "--state",
      paramLabel = "NAME",
      description = "A state the project names, such as homing; --set comes on top.")
  private String state = "";

  @CommandLine.Option(
      names = "--cut",
      paramLabel = "CONDUCTOR",
      description = "A broken conductor. May be repeated.")
  private List<String> cut = new ArrayList<>();

  @CommandLine.Option(
      names = "--short",
      paramLabel = "A,B",
      description = "Two terminals bridged: T1:+,T1:-. May be repeated.")
  private List<String> shorts = new ArrayList<>();

  @CommandLine.Option(
      names = "--swap",
      paramLabel = "A,B",
      description = "The wires on two terminals exchanged: M1:U,M1:V. May be repeated.")
  private List<String> swaps = new ArrayList<>();

  @CommandLine.Option(
      names = "--weld",
      paramLabel = "A,B",
      description = "A contact that stays closed: K2:1,K2:2. May be repeated.")
  private List<String> welds = new ArrayList<>();

  @CommandLine.Option(
      names = "--loads",
      paramLabel = "L",
      description =
          "mean (with duty), together (all that can be on at once, the default), all_on, idle.")
  private LoadMode loads = LoadMode.TOGETHER;

  @CommandLine.Option(
      names = "--mains",
      paramLabel = "PERCENT",
      description = "Mains voltage, 50 to 130 %% of nominal (100).")
  private double mains = 100;

  @CommandLine.Option(
      names = "--after",
      paramLabel = "TIME",
      description =
          "How long after it was disturbed, such as 5 s: what capacitors still hold. 0 s, just after, where not said; 'rest' for when no charge is left.")
  private String after = "0 s";

  @CommandLine.Option(
      names = "--cold",
      description =
          "From cold: every coil begins let go, as when the mains comes back; else from running.")
  private boolean cold;

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Mixin private AskedMachine asked = new AskedMachine();

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    if (!(mains >= 50 && mains <= 130))
      throw new CommandLineTool.BadUse("--mains is from 50 to 130 %, not " + mains);
    var whole = ProjectFile.at(file).open();
    var study = Study.of(asked.horizon().of(whole), CatalogueFile.standard());
    var conditions = new Conditions(study.project().brief().surroundings().inside(), mains / 100);
    var live = solve(study, conditions);
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    if (json) out.println(SolveJson.of(study.project(), live));
    else {
      var about = asked.horizon().says(whole);
      if (!about.isEmpty()) out.println(about);
      text(study, live, out);
    }
    return live.outcome() instanceof Outcome.Settled ? CommandLineTool.FINE : CommandLineTool.FOUND;
  }

  private Live solve(Study study, Conditions conditions) {
    var trial = trial(study, conditions);
    if (cold)
      return study
          .engine()
          .solve(trial, conditions, Positions.cold(study.engine().circuitry(conditions.wires())));
    if (after.strip().equals("rest")) return study.engine().solve(trial, conditions);
    var time =
        switch (Kind.DURATION.read(after)) {
          case Reading.Value<Duration>(var value) -> value;
          case Reading.Misread<Duration>(var message) ->
              throw new CommandLineTool.BadUse("--after: " + message + "; or rest");
        };
    return study.engine().after(before(study, conditions), trial, conditions, time);
  }

  /// What it was running as.
  private WhatIf before(Study study, Conditions conditions) {
    return (state.isEmpty()
            ? WhatIf.AS_DESIGNED
            : study.engine().circuitry(conditions.wires()).in(named(study.project())))
        .with(loads);
  }

  private OperatingState named(Project project) {
    return project.states().stream()
        .filter(known -> known.name().equals(state) || known.id().text().equals(state))
        .findFirst()
        .orElseThrow(() ->
            new CommandLineTool.BadUse(
                project.states().isEmpty()
                    ? "the project names no state; keep one in the window (meter, Keep as a state)"
                    : "there is no state '%s'; there are %s"
                        .formatted(
                            state,
                            project.states().stream()
                                .map(OperatingState::name)
                                .collect(java.util.stream.Collectors.joining(", ")))));
  }

  private WhatIf trial(Study study, Conditions conditions) {
    var read = new TrialText(study.project(), study.engine().circuitry(conditions.wires()));
    var trial = before(study, conditions);
    for (var text : set) trial = read.set(trial, text);
    for (var text : cut) trial = trial.togglingCut(read.conductor(text));
    for (var text : welds) trial = trial.togglingWeld(read.contact(text));
    for (var text : swaps) trial = read.swap(trial, text);
    for (var text : shorts) {
      var ends = read.pair(text);
      trial = trial.togglingShort(ends.getFirst(), ends.getLast());
    }
    return trial;
  }

  private static void outcome(Live live, PrintWriter out) {
    switch (live.outcome()) {
      case Outcome.Settled _ -> {}
      case Outcome.Chattering(var circle) ->
          circle.forEach(ref -> out.println("chatters: " + live.name(ref)));
      case Outcome.Undecided(var race) ->
          race.forEach(ref ->
              out.println(
                  "decided by a race, and what hangs on it is not shown: " + live.name(ref)));
      case Outcome.Unsettled(var sources) ->
          out.println(
              "no state was found in which the sources, loads and limits of "
                  + sources.stream()
                      .map(live::label)
                      .collect(java.util.stream.Collectors.joining(", "))
                  + " agree: no volts and amperes are shown there");
    }
  }

  private static void text(Study study, Live live, PrintWriter out) {
    out.printf(
        "%s, wires at %s, mains %s of nominal%n",
        live.outcome().words(),
        live.conditions().wires(),
        new Percent(100 * live.conditions().mains() * live.trial().mains()));
    outcome(live, out);
    for (var output : live.outputs())
      out.printf(
          "source %-8s %-10s %10s %10s%s%n",
          output.device().designation(),
          output.output().name(),
          output.current(),
          output.power(),
          SolveJson.state(output).map(s -> "  " + s).orElse(""));
    for (var served : live.circuitry().served())
      out.printf(
          "load   %-8s %-10s %10s %10s%s%n",
          served.device().designation(),
          served.intake().name(),
          live.at(served.device(), served.intake())
              .map(volts ->
                  (live.reversed(served.device(), served.intake()) ? "reversed " : "") + volts)
              .orElse("not known"),
          live.taken(served.device(), served.intake()).map(Object::toString).orElse("not known"),
          served.device().purpose().isEmpty() ? "" : "  " + served.device().purpose());
    for (var ref : live.circuitry().actuatorRefs())
      out.printf("state  %-20s %s%n", live.name(ref), live.on(ref) ? "on" : "off");
    for (var bridged : live.shorts()) out.println("short  " + bridged.words(live));
    for (var charge : live.charged())
      out.printf(
          "charge %s; %s now%n",
          charge.words(), charge.after(live.after().orElse(new Duration(0))));
    for (var pole : live.poles())
      live.tripTime(pole)
          .ifPresent(time ->
              out.printf(
                  "opens  %s (%s) carries %s: within %s%n",
                  pole.pole(), pole.protection(), pole.current(), time));
    if (live.circuitry().assumesMains())
      out.println(
          "assumed 0.25 ohm a line for the mains, the site stating neither impedance nor short-circuit current");
    for (var wire : live.circuitry().assumed())
      out.println(
          "assumed a milliohm, its length or section not being known: " + study.label(wire));
    out.printf(
        "%d nodes, %d solves, currents at nodes add up to within %s A%n",
        live.circuitry().grid().nodes(),
        live.solution().solves(),
        Significant.digits(live.solution().residual()));
  }
}
