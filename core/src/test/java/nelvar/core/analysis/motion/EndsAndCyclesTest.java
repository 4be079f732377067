package nelvar.core.analysis.motion;

import static nelvar.core.analysis.motion.Axes.first;
import static nelvar.core.analysis.motion.Axes.say;
import static nelvar.core.analysis.motion.Axes.study;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nelvar.core.file.Demo;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.Driving;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.Wants;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Ends of an axis, a stroke of it, what was measured of its travel, and values that are changed
/// together.
class EndsAndCyclesTest {
  private static final Optional<Measure> FAST = Optional.of(new Measure(6000, Measure.Unit.FEED));

  private static Project axis(String mechanics) {
    return Axes.axis(mechanics, FAST, Optional.empty());
  }

  private static Project travelling(String mechanics, double millimetres) {
    var project = axis(mechanics);
    var function = project.functions().getFirst();
    var w = function.wants();
    return FunctionEdits.change(
            new MachineFunction(
                function.id(),
                function.designation(),
                function.name(),
                function.kind(),
                new Wants(
                    w.count(),
                    w.by(),
                    w.voltage(),
                    w.current(),
                    w.power(),
                    w.speed(),
                    Optional.of(new Length(millimetres / 1000)),
                    w.mass(),
                    w.resolution(),
                    w.place(),
                    w.detail())))
        .apply(project);
  }

  private static List<Verdict> ends(Project project) {
    return new AxisEnds().check(study(project)).toList();
  }

  /// 300 mm between the stops, 20 mm behind the switch, zero 5 mm beyond it: stops at -25 and 275;
  /// as much room is left at the far one.
  @Test
  void softLimitsFollowFromTheStops() {
    var project = say(travelling("screw 5 mm overrun 20 mm", 300), "A", "Home offset =X", "5");
    var stretch = AxisStretch.of(first(project), study(project));
    assertThat(stretch.trip()).isEqualTo(-5);
    assertThat(stretch.low().orElseThrow()).isEqualTo(-25);
    assertThat(stretch.high().orElseThrow()).isEqualTo(275);
    assertThat(stretch.allowed().orElseThrow()).isEqualTo(new AxisStretch.Soft(0, 255));
    assertThat(ends(project)).as("no soft limits, no target").isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "0 to 200, refused, pass",
    "0 to 200, slow, pass",
    "0 to 200, free, free to run into its stop",
    "0 to 200, , not said",
    "0 to 300, refused, its stop is at 275 mm",
    "-10 to 200, refused, its switch trips at -5 mm",
    "all of it, refused, write them such as"
  })
  void softLimitsAreJudged(String soft, String before, String says) {
    var project = say(travelling("screw 5 mm overrun 20 mm", 300), "A", "Home offset =X", "5");
    project = say(project, "A", "Soft limits =X", soft);
    if (before != null) project = say(project, "A", "Before homing =X", before);
    var verdict = ends(project).getFirst();
    switch (verdict) {
      case Verdict.Pass _ -> assertThat(says).isEqualTo("pass");
      case Verdict.NotChecked(_, var why) -> assertThat(why).contains(says);
      case Verdict.Finding finding -> {
        assertThat(finding.text()).contains(says);
        for (var way : finding.proposals())
          assertThat(ends(way.edit().apply(project))).allMatch(Verdict.Pass.class::isInstance);
      }
    }
  }

  /// The press of the demo: 20 mm of target against 12.9 mm to stop is enough, 10 mm is not; a
  /// target at 0.2 mm rubs.
  @ParameterizedTest
  @CsvSource({
    "steel 20 mm at 2 mm, 0, ",
    "steel 10 mm at 2 mm, 1, passes it",
    "steel 20 mm at 0.2 mm, 1, rubs"
  })
  void targetsAreLongEnoughAndDoNotRub(String target, int findings, String says) {
    var project = say(Demo.settled(), "B6", "Target", target);
    var found = ends(project).stream().filter(Verdict.Finding.class::isInstance).toList();
    assertThat(found).hasSize(findings);
    if (findings > 0)
      assertThat(found.getFirst())
          .asInstanceOf(org.assertj.core.api.InstanceOfAssertFactories.type(Verdict.Finding.class))
          .extracting(Verdict.Finding::text, org.assertj.core.api.InstanceOfAssertFactories.STRING)
          .contains(says);
  }

  /// Told 100 mm it went 99.2 mm: 40 · 100/99.2 steps. With a second length of 200 mm, gone 198.9:
  /// the slope is 0.997, and 0.5 mm are missing each time.
  @Test
  void measuredTravelCorrectsTheSteps() {
    var project = say(axis("screw 40 mm"), "U", "Microsteps", "8");
    project = say(project, "A", "Steps =X", "40");
    assertThat(AxisSteps.computed(first(project)).orElseThrow().value()).isEqualTo(40);
    project = AxisMeasured.note(first(project), 100, 99.2).orElseThrow().apply(project);
    assertThat(AxisSteps.computed(first(project)).orElseThrow().value())
        .isCloseTo(40 * 100 / 99.2, within(1e-9));
    project = AxisMeasured.note(first(project), 200, 198.9).orElseThrow().apply(project);
    var measured = AxisMeasured.of(first(project)).orElseThrow();
    assertThat(measured.scale()).isCloseTo(0.997, within(1e-9));
    assertThat(measured.offset().orElseThrow()).isCloseTo(-0.5, within(1e-9));
    assertThat(AxisSteps.computed(first(project)).orElseThrow().value())
        .isCloseTo(40 / 0.997, within(1e-6));
    // Entered as corrected, the stand-in goes what it is told, and nothing is found.
    var steps = AxisValues.of(first(project)).stream().filter(r -> r.name().equals("Steps =X"));
    var entered = steps.findFirst().orElseThrow().enters().orElseThrow().apply(project);
    assertThat(new StepsEntered().check(study(entered))).allMatch(Verdict.Pass.class::isInstance);
    assertThat(new TravelMeasured().check(study(entered))).allMatch(Verdict.Pass.class::isInstance);
    assertThat(AxisSteps.computed(first(entered)).orElseThrow().value())
        .as("it stays true once it is entered")
        .isCloseTo(40 / 0.997, within(1e-6));
  }

  /// Half as far as told is no wear: the mechanics are doubted, and nothing is corrected.
  @Test
  void aMeasurementFarOffDoubtsTheMechanics() {
    var project = say(say(axis("screw 40 mm"), "U", "Microsteps", "8"), "A", "Steps =X", "40");
    project = AxisMeasured.note(first(project), 100, 50).orElseThrow().apply(project);
    assertThat(AxisSteps.computed(first(project)).orElseThrow().value()).isEqualTo(40);
    assertThat(new TravelMeasured().check(study(project)).findFirst().orElseThrow())
        .isInstanceOf(Verdict.Finding.class);
  }

  /// Twice the microsteps are twice the steps; written per inch they stay so.
  @Test
  void microstepsAndStepsChangeTogether() {
    var project =
        say(say(axis("screw 40 mm"), "U", "Microsteps", "8"), "A", "Steps =X", "1016 steps/inch");
    var next = Coupled.microsteps(first(project), 16).apply(project);
    assertThat(first(next).settings().steps().orElseThrow().text()).isEqualTo("2032 steps/inch");
    assertThat(first(next).settings().microsteps().orElseThrow().text()).isEqualTo("16");
  }

  /// By hand: 2 N·m for 1 s, 1 N·m for 2 s, nothing for 3 s: √((4 + 2)/6) = 1 N·m. 10 kg at 0.5 m/s
  /// on 10 mm a turn, no friction, no losses, 5 m/s²: ½ · 10 · 0.25 = 1.25 J come back.
  @Test
  void effectiveTorqueAndReturnedEnergyAreWorkedByHand() {
    assertThat(
            Driving.effective(
                List.of(new Driving.Spell(2, 1), new Driving.Spell(1, 2), new Driving.Spell(0, 3))))
        .isCloseTo(1, within(1e-12));
    var load = new Driving.Load(10, 0, 0, 0.010, 1, false);
    assertThat(load.returnedByStop(0.5, 5)).isCloseTo(1.25, within(1e-9));
    var rubbing = new Driving.Load(10, 60, 0, 0.010, 1, false);
    assertThat(rubbing.returnedByStop(0.5, 5)).as("friction of 60 N takes all of 50 N").isZero();
    var hanging = new Driving.Load(10, 0, 0, 0.010, 1, true);
    assertThat(hanging.returnedByLowering(1)).isCloseTo(98.0665, within(1e-9));
  }

  /// 6000 mm/min and 1000 mm/s²: 0.1 s up, 0.1 s down, over 210 mm 2 s between.
  @Test
  void aStrokeIsTimed() {
    var cycle =
        AxisCycle.of(first(travelling("screw 5 mm friction 10 N ramp 1000 mm/s2", 210)))
            .orElseThrow();
    assertThat(cycle.up()).isCloseTo(0.1, within(1e-9));
    assertThat(cycle.cruise()).isCloseTo(2, within(1e-9));
    assertThat(cycle.rest()).isZero();
    assertThat(AxisCycle.of(first(axis("screw 5 mm")))).as("no ramp").isEmpty();
  }

  /// 15000 mm/min are 250 mm/s; at 30 1/s it lags 8.33 mm, at 50 1/s 5 mm.
  @Test
  void aServoLagsAndItsLimitLeavesRoom() {
    var project = say(Demo.settled(), "U3", "Following limit", "8 mm");
    var verdict = new FollowsWithin().check(study(project)).findFirst().orElseThrow();
    assertThat(verdict).isInstanceOf(Verdict.Finding.class);
    var way = ((Verdict.Finding) verdict).proposals().getFirst().edit().apply(project);
    assertThat(new FollowsWithin().check(study(way)).findFirst().orElseThrow())
        .isInstanceOf(Verdict.Pass.class);
    var stiffer = say(project, "U3", "Position gain", "50");
    assertThat(new FollowsWithin().check(study(stiffer)).findFirst().orElseThrow())
        .isInstanceOf(Verdict.Pass.class);
  }

  /// An axis that carries the belt drive of the demo feels its motor: 5.6 kg on top of its 1.2 kg.
  @Test
  void whatAnAxisCarriesIsMoved() {
    var settled = Demo.settled();
    var carrying = Axes.moving(settled, "AX2", d -> d + " carries =BLT");
    var plain = MotionAxes.of(study(settled)).get(1);
    var heavier = MotionAxes.of(study(carrying)).get(1);
    assertThat(plain.mass().orElseThrow().value()).isCloseTo(1.2, within(1e-9));
    assertThat(heavier.mass().orElseThrow().value()).isCloseTo(6.8, within(1e-9));
    assertThat(AxisForces.asked(heavier).orElseThrow().asked())
        .isGreaterThan(AxisForces.asked(plain).orElseThrow().asked());
    assertThat(heavier.mechanics().words()).isEqualTo(plain.mechanics().words());
  }
}
