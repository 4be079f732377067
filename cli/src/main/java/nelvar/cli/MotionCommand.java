package nelvar.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.AxisSteps;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.analysis.motion.MotorChecks;
import nelvar.core.analysis.motion.MotorLeads;
import nelvar.core.analysis.motion.SettingsSheet;
import nelvar.core.analysis.motion.StandIn;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.ProjectFile;
import nelvar.core.network.TrialText;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Frequency;
import nelvar.core.units.Measure;
import nelvar.core.units.Voltage;
import picocli.CommandLine;

@CommandLine.Command(
    name = "motion",
    description =
        "Every axis that turns by pulses: its chain, its steps, its speed and torque, and what is to be set for it. Exit 0 all entered as computed, 1 where something else is entered.",
    mixinStandardHelpOptions = true)
final class MotionCommand implements Callable<Integer> {
  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Option(
      names = "--do",
      paramLabel = "COMMAND",
      description =
          "Lets a stand-in of the controller do it, once for each command: =AX2 go 40; =AX2 turn; =AX2 home; =SPN run at 12000; =SPN stop; wait 2.")
  private List<String> commands = List.of();

  @CommandLine.Option(
      names = "--set",
      paramLabel = "DEVICE=STATE",
      description =
          "With --do: something is otherwise, written as for solve, such as S1=pressed, U2=factory, U2=keypad, 'U2.Run source=line'. May be repeated.")
  private List<String> set = List.of();

  @CommandLine.Option(
      names = "--leads",
      paramLabel = "MOTOR",
      description =
          "Leads of a motor, what each is joined to, and how they are told apart and proved: M4.")
  private Optional<String> leads = Optional.empty();

  @CommandLine.Mixin private AskedMachine asked = new AskedMachine();

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public Integer call() throws Exception {
    var whole = ProjectFile.at(file).open();
    var study = Study.of(asked.horizon().of(whole), CatalogueFile.standard());
    if (!commands.isEmpty()) return done(study);
    if (leads.isPresent()) return leads(leads.get(), study);
    var found = MotionJson.Document.of(whole.name(), whole.revision(), study);
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    if (json)
      out.println(NelvarJson.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(found));
    else {
      var about = asked.horizon().says(whole);
      if (!about.isEmpty()) out.println(about);
      if (found.axes().isEmpty() && found.drives().isEmpty() && found.dials().isEmpty())
        out.println("No motor of this project turns by pulses or hangs on a frequency converter.");
      for (var axis : MotionAxes.of(study)) print(MotionJson.Axis.of(axis, study), axis, out);
      for (var drive : found.drives()) print(drive, out);
      for (var dial : found.dials()) print(dial, out);
    }
    return SettingsSheet.all(study).stream()
            .anyMatch(row ->
                row.standing() == SettingsSheet.Standing.DIFFERS
                    || row.standing() == SettingsSheet.Standing.TO_TRY)
        ? CommandLineTool.FOUND
        : CommandLineTool.FINE;
  }

  private record Leads(
      int version,
      String project,
      String motor,
      List<MotorLeads> leads,
      List<MotorChecks> checks) {}

  private int leads(String name, Study study) throws Exception {
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    var motor =
        study
            .project()
            .called(name)
            .filter(d -> !MotorLeads.of(d, study).isEmpty())
            .orElseThrow(() ->
                new CommandLineTool.BadUse(
                    "there is no motor '%s'; there are %s"
                        .formatted(
                            name,
                            String.join(
                                ", ",
                                MotorLeads.motors(study).stream()
                                    .map(d -> d.designation().text())
                                    .toList()))));
    var all = MotorLeads.of(motor, study);
    var checks = MotorChecks.of(motor, study);
    if (json) {
      out.println(
          NelvarJson.mapper()
              .writerWithDefaultPrettyPrinter()
              .writeValueAsString(
                  new Leads(1, study.project().name(), motor.designation().text(), all, checks)));
      return CommandLineTool.FINE;
    }
    for (var lead : all)
      out.printf(
          "%-4s %-14s %-12s %-20s %s%n",
          lead.mark(),
          lead.colour().orElse("colour?") + lead.letter().map(l -> " " + l).orElse(""),
          lead.to().orElse("-"),
          lead.core().orElse("-"),
          lead.remark());
    var n = 0;
    for (var check : checks) out.printf("%2d. %s%n      %s%n", ++n, check.what(), check.expect());
    return CommandLineTool.FINE;
  }

  /// What the stand-in does: pulses on a pin, where the axis is to stand and where it stands.
  private int done(Study study) throws Exception {
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    List<StandIn.Moved> all;
    try {
      var reader =
          new TrialText(
              study.project(),
              study.engine().circuitry(study.project().brief().surroundings().inside()));
      var trial = WhatIf.AS_DESIGNED;
      for (var text : set) trial = reader.set(trial, text);
      all = StandIn.run(commands, study, trial);
    } catch (StandIn.Refused why) {
      throw new CommandLineTool.BadUse(String.valueOf(why.getMessage()));
    }
    if (json)
      out.println(
          NelvarJson.mapper()
              .writerWithDefaultPrettyPrinter()
              .writeValueAsString(new Rehearsed(1, study.project().name(), all)));
    else
      for (var one : all)
        out.printf(
            "%8.3f s  %-20s %s: %s; is to stand at %s %s, stands at %s%s%n",
            one.at(),
            one.command(),
            one.pin(),
            one.unit().equals("rpm")
                ? new Frequency(one.hertz())
                    + (one.lasts() > 0 ? ", in " + AxisSteps.typed(one.lasts()) + " s" : "")
                : one.pulses() + " pulses",
            AxisSteps.typed(one.meant()),
            one.unit(),
            AxisSteps.typed(one.stands()),
            one.says().isEmpty() ? "" : "; " + one.says());
    return all.stream().allMatch(one -> (one.right() && one.says().isEmpty()) || homed(one))
        ? CommandLineTool.FINE
        : CommandLineTool.FOUND;
  }

  /// Nothing moved, and nothing had to.
  private static boolean homed(StandIn.Moved one) {
    return one.pulses() == 0 && !one.unit().equals("rpm");
  }

  private record Rehearsed(int version, String project, List<StandIn.Moved> moves) {}

  private static void print(MotionJson.Drive drive, PrintWriter out) {
    out.printf(
        "%s: %s, %s, %d poles: %s%s%s%n",
        drive.name(),
        drive.drive(),
        String.join(", ", drive.motors()),
        drive.poles(),
        drive
            .slowestCommanded()
            .map(n -> new Measure(n, Measure.Unit.ROTATION) + " to ")
            .orElse("up to "),
        new Measure(drive.fastestCommanded(), Measure.Unit.ROTATION),
        drive.startsFromVolts().map(v -> ", nothing below " + new Voltage(v)).orElse(""));
    for (var one : drive.parameters())
      out.printf(
          "    %-4s %-20s %-14s %-10s %-24s %s%n",
          one.code(),
          one.name(),
          one.value().orElse("not known"),
          one.stoppedOnly() ? "standing" : "",
          switch (one.standing()) {
            case ENTERED -> "entered" + one.readBack().map(r -> ", read " + r).orElse("");
            case DIFFERS -> "entered: " + one.entered().orElse("");
            case TO_ENTER, TO_TRY, UNKNOWN -> "to be entered, came with " + one.original();
          },
          one.why());
  }

  private static void print(MotionJson.Axis found, MotionAxis axis, PrintWriter out) {
    out.printf(
        "%s: %s %s, %s, %s%s%n",
        found.axis(),
        found.controller(),
        found.pin().orElse(""),
        found.drive(),
        found.motor(),
        found.mechanics().isEmpty() ? "" : ", " + String.join(", ", found.mechanics()));
    AxisSteps.computed(axis)
        .ifPresentOrElse(
            k -> out.println(k.trail().text().indent(4).stripTrailing()),
            () -> out.println("    its steps are not known"));
    found
        .torqueAtWantedSpeed()
        .ifPresent(torque ->
            out.printf(
                "    gives some %s (± 30 %%) at the wanted speed, %s%n",
                new Measure(torque, Measure.Unit.TORQUE),
                found
                    .torqueAsked()
                    .map(t -> "asked for " + new Measure(t, Measure.Unit.TORQUE))
                    .orElse("what is asked for is not said")));
    for (var row : found.settings()) print(row, out);
  }

  private static void print(MotionJson.Row row, PrintWriter out) {
    out.printf(
        "    %-6s %-26s %-18s %-20s %s%n",
        row.device(),
        row.name(),
        row.value().map(v -> row.unit().isEmpty() ? v : v + " " + row.unit()).orElse("not known"),
        switch (row.standing()) {
          case ENTERED -> "entered";
          case TO_ENTER -> "to be entered";
          case DIFFERS -> "entered: " + row.entered().orElse("");
          case TO_TRY -> "to try: " + row.entered().orElse("");
          case UNKNOWN -> "";
        },
        row.why());
  }
}
