package nelvar.core.analysis.motion;

import static nelvar.core.analysis.motion.Axes.axis;
import static nelvar.core.analysis.motion.Axes.say;
import static nelvar.core.analysis.motion.Axes.study;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.analysis.Rule;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Project;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Steps, pulses, microsteps and torque of one axis: `A` gives pulses, `U` drives `M` of `=X`.
class MotionRulesTest {
  private static Project set(String micro, String steps) {
    var project =
        axis(
            "screw 5 mm friction 20 N ramp 1000 mm/s2",
            Optional.of(new Measure(6000, Measure.Unit.FEED)),
            Optional.of(new Length(0.00001)));
    var next = micro.isEmpty() ? project : say(project, "U", "Microsteps", micro);
    return steps.isEmpty() ? next : say(next, "A", "Steps =X", steps);
  }

  private static Optional<Verdict> verdict(Rule rule, Project project) {
    return rule.check(study(project)).findFirst();
  }

  private static Verdict.Finding found(Rule rule, Project project) {
    return (Verdict.Finding) verdict(rule, project).orElseThrow();
  }

  @Test
  void theChainIsFoundOnTheWiring() {
    var axis = MotionAxes.of(study(set("16", "640"))).getFirst();
    assertThat(axis.name()).isEqualTo("=X");
    assertThat(axis.drive().id().text()).isEqualTo("U");
    assertThat(axis.board().id().text()).isEqualTo("A");
    assertThat(axis.step().orElseThrow().pin().name()).startsWith("STEP1");
    assertThat(axis.bus().orElseThrow().volts()).isCloseTo(48, within(0.5));
    assertThat(AxisSteps.computed(axis).orElseThrow().value()).isEqualTo(640);
  }

  /// 200 · 16/5 mm are 640; 16256 an inch is the same; half of it goes twice as far... and half.
  @ParameterizedTest
  @CsvSource({
    "640,pass",
    "640.1,pass",
    "640 steps/mm,pass",
    "16256 steps/inch,pass",
    "320,finding",
    "1280,finding",
    "1 test,finding",
    "many,not checked"
  })
  void oneUnitIsOneUnit(String steps, String expected) {
    var verdict = verdict(new StepsEntered(), set("16", steps)).orElseThrow();
    assertThat(
            switch (verdict) {
              case Verdict.Pass _ -> "pass";
              case Verdict.Finding _ -> "finding";
              case Verdict.NotChecked _ -> "not checked";
            })
        .isEqualTo(expected);
  }

  @Test
  void aWrongStepSaysHowFarItGoesAndIsCured() {
    var project = set("16", "1280");
    var finding = found(new StepsEntered(), project);
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.text()).contains("told to go 100 mm it goes 200 mm");
    var cured = cured(finding, project);
    assertThat(verdict(new StepsEntered(), cured).orElseThrow()).isInstanceOf(Verdict.Pass.class);
    var test = found(new StepsEntered(), set("16", "1 test"));
    assertThat(test.severity()).isEqualTo(Severity.WARNING);
    assertThat(test.text()).contains("before the machine is handed over");
  }

  private static Project cured(Verdict.Finding finding, Project project) {
    var repair = finding.proposals().getFirst();
    return repair.edit().on(project, CatalogueFile.standard());
  }

  /// What is not known is said, and nothing is condemned by it.
  @Test
  void whatIsNotKnownIsSaid() {
    assertThat(verdict(new StepsEntered(), set("", "640")).orElseThrow())
        .isInstanceOf(Verdict.NotChecked.class);
    var unsaid = say(axis("moves", Optional.empty(), Optional.empty()), "A", "Steps =X", "640");
    assertThat(((Verdict.NotChecked) verdict(new StepsEntered(), unsaid).orElseThrow()).why())
        .contains("what one turn of -M moves is not said");
    assertThat(verdict(new StepsEntered(), set("16", ""))).as("nothing entered").isEmpty();
    assertThat(verdict(new TorqueReserve(), unsaid)).isEmpty();
    assertThat(verdict(new PulseRate(), unsaid)).isEmpty();
  }

  /// 6000 mm/min on 5 mm are 20 turns a second: 4000 · m pulses, of 200 kHz at most 160 in use.
  @ParameterizedTest
  @CsvSource({"32,pass,", "64,error,32", "128,error,32"})
  void pulsesAreCounted(String micro, String expected, String remedy) {
    var project = set(micro, "");
    var verdict = verdict(new PulseRate(), project).orElseThrow();
    if (expected.equals("pass")) {
      assertThat(verdict).isInstanceOf(Verdict.Pass.class);
      return;
    }
    var finding = (Verdict.Finding) verdict;
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.text()).contains("With " + remedy + " microsteps");
    var cured = cured(finding, project);
    assertThat(verdict(new PulseRate(), cured).orElseThrow()).isInstanceOf(Verdict.Pass.class);
  }

  /// 0.01 mm of a 5 mm screw want 2.5 microsteps: 4 do, 8 are proposed, 2 are too coarse; the drive
  /// has no 10.
  @Test
  void microstepsAreSuchAsTheDriveHas() {
    assertThat(verdict(new MicrostepsSet(), set("4", "")).orElseThrow())
        .isInstanceOf(Verdict.Pass.class);
    var coarse = found(new MicrostepsSet(), set("2", ""));
    assertThat(coarse.text()).contains("4 do");
    var none = found(new MicrostepsSet(), set("10", ""));
    assertThat(none.severity()).isEqualTo(Severity.ERROR);
    assertThat(none.text()).contains("not into 10");
    var axis = MotionAxes.of(study(set("", ""))).getFirst();
    var wanted = AxisSteps.wanted(axis).orElseThrow();
    assertThat(wanted.needed()).isCloseTo(2.5, within(1e-9));
    assertThat(wanted.next()).contains(4);
    assertThat(wanted.reserve()).contains(8);
    assertThat(AxisValues.of(axis).getFirst().value()).contains("8");
  }

  /// By hand: J felt of 10 kg on 5 mm is 10 · (0.005/2π)² = 6.33·10⁻⁶, with the rotor 3.63·10⁻⁵; 1
  /// m/s² are 1257 rad/s²: 45.6 mN·m; 20 N ask 20 · 0.005/2π/0.9 = 17.7 mN·m.
  @Test
  void torqueIsAskedFor() {
    var axis = MotionAxes.of(study(set("16", ""))).getFirst();
    var asked = AxisForces.asked(axis).orElseThrow();
    assertThat(asked.speedingUp()).isCloseTo(0.0456, within(2e-4));
    assertThat(asked.steady()).isCloseTo(0.01768, within(1e-5));
    assertThat(asked.leftOut()).isEmpty();
    assertThat(asked.usualEfficiency()).isTrue();
    assertThat(verdict(new TorqueReserve(), set("16", "")).orElseThrow())
        .isInstanceOf(Verdict.Pass.class);
    var hanging =
        say(
            axis(
                "screw 10 mm vertical friction 300 N ramp 8000 mm/s2",
                Optional.of(new Measure(24000, Measure.Unit.FEED)),
                Optional.empty()),
            "U",
            "Microsteps",
            "4");
    var little = found(new TorqueReserve(), hanging);
    assertThat(little.severity()).as("an estimate never condemns").isEqualTo(Severity.WARNING);
    assertThat(little.text()).contains("± 30 %", "where 2 is usual");
  }

  /// A deceleration gives back only what inertia has beyond friction.
  @Test
  void frictionTakesWhatWouldComeBack() {
    var axis = MotionAxes.of(study(set("16", ""))).getFirst();
    assertThat(AxisForces.asked(axis).orElseThrow().returned()).isPositive();
    var stiff =
        axis(
            "screw 5 mm friction 500 N ramp 100 mm/s2",
            Optional.of(new Measure(600, Measure.Unit.FEED)),
            Optional.empty());
    assertThat(AxisForces.asked(MotionAxes.of(study(stiff)).getFirst()).orElseThrow().returned())
        .isZero();
  }

  /// Every value of a sheet that is computed can be entered, and then stands as entered.
  @Test
  void aSheetIsEnteredValueByValue() {
    var project = set("", "");
    for (var turn = 0; turn < 12; turn++) {
      var rows = AxisValues.of(MotionAxes.of(study(project)).getFirst());
      var open =
          rows.stream()
              .filter(row -> row.standing() == SettingsSheet.Standing.TO_ENTER)
              .findFirst();
      if (open.isEmpty()) break;
      project = open.get().enters().orElseThrow().on(project, CatalogueFile.standard());
    }
    var rows = AxisValues.of(MotionAxes.of(study(project)).getFirst());
    assertThat(rows)
        .hasSizeGreaterThan(6)
        .allMatch(row -> row.standing() == SettingsSheet.Standing.ENTERED);
    assertThat(verdict(new StepsEntered(), project).orElseThrow()).isInstanceOf(Verdict.Pass.class);
    assertThat(verdict(new MicrostepsSet(), project).orElseThrow())
        .isInstanceOf(Verdict.Pass.class);
  }

  /// The press of the demo, a servo: 2000 pulses a turn on 10 mm are 200 a mm, 2500 lines are 10000
  /// counts, five for a pulse. 400 W at 3000 rpm are 1.27 N·m for ever; 12 kg and 60 N ask 0.314.
  @Test
  void aServoIsAnAxisToo() {
    var press = MotionAxes.of(study(Demo.settled())).getFirst();
    assertThat(press.servo()).isPresent();
    assertThat(AxisSteps.computed(press).orElseThrow().value()).isEqualTo(200);
    assertThat(press.servo().orElseThrow().torque().orElseThrow().value())
        .isCloseTo(1.273, within(1e-3));
    assertThat(AxisForces.asked(press).orElseThrow().steady()).isCloseTo(0.314, within(1e-3));
    assertThat(AxisValues.of(press))
        .extracting(row -> row.name() + " " + row.value().orElse("") + " " + row.standing())
        .contains("Pulses a turn 2000 ENTERED", "Electronic gear 5/1 ENTERED");
    var heavy =
        verdict(
                new TorqueReserve(),
                change(Demo.settled(), "screw 10 mm vertical friction 900 N ramp 3000 mm/s2"))
            .orElseThrow();
    assertThat(((Verdict.Finding) heavy).text()).contains("friction and weight ask");
    var hard =
        verdict(
                new TorqueReserve(),
                change(Demo.settled(), "screw 10 mm friction 60 N ramp 200000 mm/s2"))
            .orElseThrow();
    assertThat(((Verdict.Finding) hard).text()).contains("speeding up asks");
    var fast =
        verdict(
                new TorqueReserve(),
                change(Demo.settled(), "screw 2 mm friction 60 N ramp 900 mm/s2"))
            .orElseThrow();
    assertThat(((Verdict.Finding) fast).text()).contains("is to turn at 7500 rpm");
  }

  private static Project change(Project project, String detail) {
    var function =
        project.functions().stream()
            .filter(f -> f.id().text().equals("AX1"))
            .findFirst()
            .orElseThrow();
    var wants = function.wants();
    return nelvar.core.model.edit.FunctionEdits.change(
            function.withWants(
                wants.withMotion(
                    wants.speed(), wants.mass(), wants.resolution(), Optional.of(detail))))
        .apply(project);
  }

  /// The drum of the demo: 200 · 8 · 3/120 mm, 450 rpm at its fastest.
  @Test
  void theDrumOfTheDemo() {
    var axes = MotionAxes.of(study(Demo.settled()));
    assertThat(axes).extracting(MotionAxis::name).containsExactly("=AX1", "=AX2", "=AX3");
    var drum = axes.get(1);
    assertThat(AxisSteps.computed(drum).orElseThrow().value()).isCloseTo(40, within(1e-9));
    assertThat(AxisSteps.turns(drum, drum.wants().speed().orElseThrow()).orElseThrow())
        .isCloseTo(450, within(1e-9));
  }
}
