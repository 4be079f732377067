package nelvar.core.analysis.motion;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Designation;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.Wants;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;

/// One axis for tests: `A` gives pulses, `U` drives `M` of `=X`.
public final class Axes {
  private Axes() {}

  static Project axis(String mechanics, Optional<Measure> speed, Optional<Length> fine) {
    return wired(mechanics, speed, fine, "A+", "A-", "B+", "B-");
  }

  /// @param ends of the motor, in the order A+, A-, B+, B- of the drive
  static Project wired(
      String mechanics, Optional<Measure> speed, Optional<Length> fine, String... ends) {
    var panel =
        Panel.dc("supply-48v-10a", "breaker-1p-c10")
            .device("A", "motion-controller-4ax-sourcing")
            .device("U", "stepper-drive-50v-5a")
            .setTo(3)
            .device("M", "stepper-motor-3a")
            .wire("T:+", "U:+", 2.5, 1)
            .wire("U:-", "T:-", 2.5, 1);
    var drive = new String[] {"A+", "A-", "B+", "B-"};
    for (var n = 0; n < 4; n++) panel = panel.wire("U:" + drive[n], "M:" + ends[n], 1, 5);
    panel =
        panel
            .wire("A:STEP1+", "U:STEP+", 0.25, 1)
            .wire("A:STEP1-", "U:STEP-", 0.25, 1)
            .wire("A:DIR1+", "U:DIR+", 0.25, 1)
            .wire("A:DIR1-", "U:DIR-", 0.25, 1);
    var function =
        new MachineFunction(
            new Id("X"),
            new Designation("=X"),
            "table",
            FunctionKind.MOVE,
            Wants.NOTHING.withMotion(
                speed,
                Optional.of(new Measure(10, Measure.Unit.MASS)),
                fine,
                Optional.of(mechanics)));
    var project = FunctionEdits.add(function).apply(panel.build());
    return FunctionEdits.serve(project.device(new Id("M")).orElseThrow(), Optional.of(function))
        .apply(project);
  }

  static Project say(Project project, String device, String name, String value) {
    return PinEdits.say(project.device(new Id(device)).orElseThrow(), name, value).apply(project);
  }

  /// The same with other words of what a function moves with.
  public static Project moving(
      Project project, String function, java.util.function.UnaryOperator<String> words) {
    return project.withFunctions(
        project.functions().stream()
            .map(f ->
                f.id().text().equals(function)
                    ? f.withWants(
                        f.wants()
                            .withMotion(
                                f.wants().speed(),
                                f.wants().mass(),
                                f.wants().resolution(),
                                Optional.of(words.apply(f.wants().detail().orElse("")))))
                    : f)
            .toList());
  }

  static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  /// What came of a rule, in a word.
  static String kind(Optional<Verdict> verdict) {
    return verdict
        .map(v ->
            switch (v) {
              case Verdict.Pass _ -> "pass";
              case Verdict.Finding _ -> "finding";
              case Verdict.NotChecked _ -> "said";
            })
        .orElse("none");
  }

  static MotionAxis first(Project project) {
    return MotionAxes.of(study(project)).getFirst();
  }
}
