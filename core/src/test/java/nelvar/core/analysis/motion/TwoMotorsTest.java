package nelvar.core.analysis.motion;

import static nelvar.core.analysis.motion.Axes.study;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nelvar.core.Panel;
import nelvar.core.model.Project;
import nelvar.core.network.Feed;
import nelvar.core.network.WhatIf;
import org.junit.jupiter.api.Test;

/// Two stepper motors on one drive, side by side and one behind the other, and one of them
/// unplugged.
class TwoMotorsTest {
  private static Panel drive(double amperes) {
    return Panel.dc("supply-48v-10a", "breaker-1p-c10")
        .device("A", "motion-controller-4ax-sourcing")
        .device("U", "stepper-drive-50v-5a")
        .setTo(amperes)
        .device("M1", "stepper-motor-3a")
        .device("M2", "stepper-motor-3a")
        .wire("T:+", "U:+", 2.5, 1)
        .wire("U:-", "T:-", 2.5, 1)
        .wire("A:STEP1+", "U:STEP+", 0.25, 1)
        .wire("A:STEP1-", "U:STEP-", 0.25, 1);
  }

  static Project parallel(double amperes) {
    var panel = drive(amperes);
    for (var motor : new String[] {"M1", "M2"})
      for (var end : new String[] {"A+", "A-", "B+", "B-"})
        panel = panel.wire("U:" + end, motor + ":" + end, 1, 5);
    return panel.build();
  }

  static Project series(double amperes) {
    var panel = drive(amperes);
    for (var coil : new String[] {"A", "B"})
      panel =
          panel
              .wire("U:" + coil + "+", "M1:" + coil + "+", 1, 5)
              .wire("M1:" + coil + "-", "M2:" + coil + "+", 1, 1)
              .wire("M2:" + coil + "-", "U:" + coil + "-", 1, 5);
    return panel.build();
  }

  /// Amperes in the wires of coil A at each motor.
  private static double[] amperes(Project project, WhatIf trial) {
    var live =
        study(project)
            .engine()
            .solve(
                trial, nelvar.core.network.Conditions.usual(new nelvar.core.units.Temperature(20)));
    assertThat(live.settled()).isTrue();
    return project.conductors().stream()
        .filter(c -> c.to().terminal().equals("A+"))
        .filter(c -> c.to().device().text().startsWith("M"))
        .mapToDouble(c -> live.current(c.id()).orElseThrow().rms())
        .toArray();
  }

  @Test
  void oneBehindTheOtherCarryTheSame() {
    var project = series(3);
    assertThat(study(project).network().feeds())
        .filteredOn(feed -> feed.device().id().text().startsWith("M"))
        .hasSize(4)
        .allMatch(feed -> feed.state() == Feed.State.FED);
    var flows = amperes(project, WhatIf.AS_DESIGNED);
    assertThat(flows).hasSize(2);
    for (var flow : flows) assertThat(flow).isCloseTo(3, within(0.05));
    var cut =
        project.conductors().stream()
            .filter(c -> c.to().equals(nelvar.core.model.TerminalRef.of("M2:A+")))
            .findFirst()
            .orElseThrow();
    for (var flow : amperes(project, WhatIf.AS_DESIGNED.togglingCut(cut.id())))
      assertThat(flow).as("one unplugged, both stand").isLessThan(0.05);
  }

  @Test
  void sideBySideTheyShare() {
    for (var flow : amperes(parallel(3), WhatIf.AS_DESIGNED))
      assertThat(flow).isCloseTo(1.5, within(0.05));
  }

  private static java.util.Optional<nelvar.core.finding.Verdict> judged(Project project) {
    return new TwoOnOneDrive().check(study(project)).findFirst();
  }

  /// Set to 3 A for two of 3 A each gets half of it; set to 5 A the other would get 5 A alone. In
  /// series the bus is shared: 24 V of 48 V for each, the current whole.
  @Test
  void whatOneUnpluggedDoesIsJudged() {
    assertThat(judged(parallel(3)).orElseThrow())
        .isInstanceOf(nelvar.core.finding.Verdict.Pass.class);
    assertThat(((nelvar.core.finding.Verdict.Finding) judged(parallel(5)).orElseThrow()).text())
        .contains("burns");
    assertThat(judged(series(3)).orElseThrow())
        .isInstanceOf(nelvar.core.finding.Verdict.Pass.class);
    assertThat(
            judged(Axes.axis("screw 5 mm", java.util.Optional.empty(), java.util.Optional.empty())))
        .isEmpty();

    var side = MotionAxes.of(study(parallel(5))).getFirst();
    assertThat(side.company()).isEqualTo(new MotionAxis.Company(2, 1));
    assertThat(AxisForces.current(side).amperes()).isCloseTo(2.5, within(1e-9));
    var behind = MotionAxes.of(study(series(3))).getFirst();
    assertThat(behind.company()).isEqualTo(new MotionAxis.Company(1, 2));
    assertThat(AxisForces.current(behind).amperes()).isCloseTo(3, within(1e-9));
    assertThat(AxisForces.own(behind, behind.bus().orElseThrow()).volts())
        .isCloseTo(behind.bus().orElseThrow().volts() / 2, within(1e-9));
    assertThat(new nelvar.core.analysis.load.DriveSetCurrent().check(study(parallel(5))))
        .as("2.5 A each is no more than rated")
        .allMatch(nelvar.core.finding.Verdict.Pass.class::isInstance);
  }
}
