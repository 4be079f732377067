package nelvar.core.analysis.stop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.Axes;
import nelvar.core.analysis.stop.Course.State;
import nelvar.core.file.Demo;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Suppression;
import nelvar.core.units.Duration;
import org.junit.jupiter.api.Test;

/// The lanes of a stop, checked by hand.
class CoursesTest {
  private static final Duration MINUTES = new Duration(300);
  private static final double G = 9.80665;

  private static Study study(Project project) {
    return Panel.study(project);
  }

  private static StopRehearsal pressing(String button, Study study) {
    return StopRehearsal.pressing(study.device(new Id(button)).orElseThrow(), MINUTES, study);
  }

  private static List<Course> lanes(String button, Project project) {
    var study = study(project);
    return Courses.of(pressing(button, study), study);
  }

  private static Course lane(List<Course> lanes, Course.Kind kind, String device) {
    return lanes.stream()
        .filter(c -> c.kind() == kind)
        .filter(c -> c.devices().stream().anyMatch(d -> d.id().text().equals(device)))
        .findFirst()
        .orElseThrow();
  }

  private static Course.Phase phase(Course course, State state) {
    return course.phases().stream().filter(p -> p.state() == state).findFirst().orElseThrow();
  }

  private static Project suppressed(Suppression by) {
    var project = Demo.settled();
    return project.withDevices(
        Project.changed(
            project.devices(), d -> d.id().text().equals("Y0"), d -> d.withSuppression(by)));
  }

  /// 12 kg on a screw of 10 mm a turn, at 0.25 m/s downwards: the way is what it travels until its
  /// brake holds, and what it falls besides from the end of its torque.
  @Test
  void whatHangsSinksUntilItsBrakeHolds() {
    var press = lane(lanes("S1", Demo.settled()), Course.Kind.MOVES, "M3");
    var falls = phase(press, State.FALLING);
    var from = falls.from().seconds();
    var to = falls.to().orElseThrow().seconds();
    assertThat(press.last()).isEqualTo(State.HELD);
    var rotor =
        study(Demo.settled())
            .catalogue()
            .find("servo-motor-400w")
            .map(p -> ((nelvar.core.catalogue.ServoMotor) p).stated().inertia().orElseThrow())
            .orElseThrow()
            .value();
    var turning = 2 * Math.PI / 0.010;
    var pulls = G / (1 + rotor * turning * turning / 12);
    assertThat(press.way().orElseThrow().metres())
        .isCloseTo(0.25 * to + pulls * (to - from) * (to - from) / 2, within(1e-6));
    assertThat(press.ends()).startsWith("sinks ").contains("then held after ");
  }

  /// A diode on the coil of the brake lets it hold on: it bites later, and the load sinks further.
  @Test
  void aDiodeOnTheBrakeCostsMillimetres() {
    var quick = lane(lanes("S1", suppressed(Suppression.ZENER)), Course.Kind.MOVES, "M3");
    var slow = lane(lanes("S1", suppressed(Suppression.DIODE)), Course.Kind.MOVES, "M3");
    assertThat(slow.way().orElseThrow().metres())
        .isGreaterThan(1.5 * quick.way().orElseThrow().metres());
  }

  /// As shipped no stop cuts the brake: it falls, and nobody says how far.
  @Test
  void aBrakeThatKeepsItsVoltsHoldsNothing() {
    var press = lane(lanes("S1", Demo.planted()), Course.Kind.MOVES, "M3");
    assertThat(press.last()).isEqualTo(State.FALLING);
    assertThat(press.way()).isEmpty();
    assertThat(press.ends()).contains("-Y0", "stays open");
    assertThat(press.over()).isEmpty();
  }

  /// 4 kg and the rotor behind 8 mm a turn, 15 N, 0.1 m/s: `F · (s/2π)²/J`.
  @Test
  void frictionBringsASlideToRest() {
    var indexer = lane(lanes("S1", Demo.settled()), Course.Kind.MOVES, "M5");
    var coasts = phase(indexer, State.COASTING);
    var lasted = coasts.to().orElseThrow().seconds() - coasts.from().seconds();
    var rotor =
        nelvar.core.analysis.motion.MotionAxes.of(study(Demo.settled())).stream()
            .filter(a -> a.motor().id().text().equals("M5"))
            .findFirst()
            .flatMap(nelvar.core.analysis.motion.MotionAxis::rotor)
            .orElseThrow()
            .value();
    var lever = 0.008 / (2 * Math.PI);
    var mass = 4 + rotor / lever / lever;
    assertThat(lasted).isCloseTo(0.1 * mass / 15, within(1e-6));
    assertThat(indexer.way().orElseThrow().metres())
        .isCloseTo(0.1 * (coasts.from().seconds() + lasted / 2), within(1e-6));
  }

  /// What nobody timed is not known; said once, it stands after that, and its turns follow.
  @Test
  void whatNobodyTimedIsNotKnown() {
    assertThat(lane(lanes("S1", Demo.settled()), Course.Kind.MOVES, "M1"))
        .satisfies(auger -> {
          assertThat(auger.over()).isEmpty();
          assertThat(auger.ends()).contains("nobody timed");
        });
    var timed = Axes.moving(Demo.settled(), "AUG", d -> d + " coasts 4 s");
    var auger = lane(lanes("S1", timed), Course.Kind.MOVES, "M1");
    var coasts = phase(auger, State.COASTING);
    assertThat(auger.over().orElseThrow().seconds() - coasts.from().seconds())
        .isCloseTo(4, within(1e-9));
    assertThat(auger.ends()).contains("turns");
  }

  /// Capacitors of the drives: `t = R · C · ln(U/60 V)` after their feed has gone.
  @Test
  void chargeStaysForItsTimeConstant() {
    var study = study(Demo.settled());
    var lanes = Courses.of(pressing("S1", study), study);
    for (var drive : List.of("U1", "U2")) {
      var lane = lane(lanes, Course.Kind.CHARGED, drive);
      var store =
          study.part(study.device(new Id(drive)).orElseThrow()).orElseThrow().elements().stream()
              .filter(nelvar.core.catalogue.Element.Store.class::isInstance)
              .map(nelvar.core.catalogue.Element.Store.class::cast)
              .findFirst()
              .orElseThrow();
      var charged = phase(lane, State.CHARGED);
      var peak = Double.parseDouble(lane.what().split(" ")[0]);
      assertThat(charged.to().orElseThrow().seconds() - charged.from().seconds())
          .isCloseTo(
              store.bleeder().orElseThrow().ohms()
                  * store.capacitance().farads()
                  * Math.log(peak / 60),
              within(0.2));
    }
  }

  /// Every lane begins at the act, has no gap and ends nowhere but in its last state.
  @Test
  void lanesHaveNoGaps() {
    for (var project : List.of(Demo.settled(), Demo.planted(), Demo.rinser(), Demo.sprayer())) {
      var study = study(project);
      for (var button : study.project().devices()) {
        if (!StopRehearsal.stops(button, study)) continue;
        for (var lane : Courses.of(pressing(button.id().text(), study), study)) {
          var phases = lane.phases();
          assertThat(phases.getFirst().from().seconds()).isZero();
          assertThat(phases.getLast().to()).isEmpty();
          for (var i = 1; i < phases.size(); i++)
            assertThat(phases.get(i - 1).to()).contains(phases.get(i).from());
        }
      }
    }
  }

  /// Resets name their button, and what hangs is homed first.
  @Test
  void theWayBackIsInOrder() {
    var study = study(Demo.settled());
    var back = WayBack.of(pressing("S1", study), study);
    assertThat(back.getFirst()).contains("-K0", "-S5");
    assertThat(back.getLast()).contains("Home =AX1, then ");
    assertThat(back).noneMatch(step -> step.contains("-A1 starts anew"));
  }
}
