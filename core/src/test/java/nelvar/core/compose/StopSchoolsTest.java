package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.Predicate;
import nelvar.core.Panel;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.stop.Course;
import nelvar.core.analysis.stop.Courses;
import nelvar.core.analysis.stop.GripHolds;
import nelvar.core.analysis.stop.StartsByItself;
import nelvar.core.analysis.stop.StartsOnRelease;
import nelvar.core.analysis.stop.StopByParameter;
import nelvar.core.analysis.stop.StopReadOnly;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.analysis.stop.WayBack;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.SafetyRelay;
import nelvar.core.catalogue.Solenoid;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Project;
import nelvar.core.review.Review;
import nelvar.core.review.WaysOut;
import nelvar.core.units.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// What each school of a stop draws up, pressed and let go.
class StopSchoolsTest {
  private static final Duration MINUTE = new Duration(60);

  private static Study drawn(String mains, String schools, String more) {
    var list =
        """
        machine Felt press
        %s
        upstream 16 A
        impedance 0.5 Ω
        ambient 35 °C
        %s
        =RL1 roller: motor on a drive 0.75 kW
        =RL2 brush: motor on a drive 0.37 kW
        =RL3 winder: motor on a drive 0.37 kW
        =HL1 holding: holding brake 24 V 17 W
        =VA1 nozzle: valve 24 V
        =STP1 stop: stop button
        =STP2 hood: guard
        =SNS1 start: start button
        %s
        """
            .formatted(mains, schools, more);
    var drafting = Drafting.of("felt", list, CatalogueFile.standard());
    assertThat(drafting).as(String.valueOf(drafting)).isInstanceOf(Drafting.Drawn.class);
    return Panel.study(((Drafting.Drawn) drafting).draft().project());
  }

  private static List<Device> stops(Study study) {
    return study.project().devices().stream().filter(d -> StopRehearsal.stops(d, study)).toList();
  }

  private static long count(Study study, Class<? extends Part> kind) {
    return study.project().devices().stream()
        .filter(d -> study.part(d).filter(kind::isInstance).isPresent())
        .count();
  }

  private static List<StopRehearsal.Fate> of(
      StopRehearsal rehearsal, Study study, Predicate<Part> which) {
    return rehearsal.loads().stream()
        .filter(f -> f.device().serves().isPresent())
        .filter(f -> study.part(f.device()).filter(which).isPresent())
        .toList();
  }

  private static List<Verdict> judged(Rule rule, Study study) {
    return rule.check(study).toList();
  }

  /// Every school but the last: each stop takes the torque of each motor within 3 s, the volts of
  /// the brake and of the valve; let go, nothing has them again, nor after the mains came back.
  @ParameterizedTest
  @ValueSource(
      strings = {
        "stop by safety relay",
        "stop by contactor",
        "stop by torque inputs",
        "stop category 1",
        "stop by torque inputs\nstop category 1"
      })
  void eachTakesWhatMoves(String school) {
    for (var mains : List.of("mains 3x400 V 50 Hz TN-S", "mains 230 V 50 Hz TN-S")) {
      var study = drawn(mains, school, "");
      assertThat(stops(study)).hasSize(1);
      var button = stops(study).getFirst();
      var rehearsal = StopRehearsal.pressing(button, MINUTE, study);
      var motors = of(rehearsal, study, Part::motor);
      assertThat(motors).hasSize(3);
      for (var fate : motors)
        assertThat(fate.latest().orElseThrow().seconds())
            .as(mains + school + fate.device().designation())
            .isLessThan(3);
      for (var fate : of(rehearsal, study, part -> part instanceof Solenoid))
        assertThat(fate.dry()).as(fate.device().designation().text()).isPresent();
      assertThat(judged(new StopReadOnly(), study)).allMatch(v -> v instanceof Verdict.Pass);
      assertThat(judged(new StopByParameter(), study)).allMatch(v -> v instanceof Verdict.Pass);
      assertThat(judged(new StartsOnRelease(), study)).noneMatch(v -> v instanceof Verdict.Finding);
      assertThat(judged(new StartsByItself(), study)).noneMatch(v -> v instanceof Verdict.Finding);
    }
  }

  /// Servos have the input as well: their torque goes within 20 ms by it, and their bus stays.
  @Test
  void servosByTheirTorqueInputs() {
    for (var beside : List.of("", "=VA1 nozzle: valve 24 V")) {
      var drafting =
          Drafting.of(
              "carver",
              """
              mains 230 V 50 Hz TN-S
              upstream 16 A
              impedance 0.5 Ω
              stop by torque inputs
              =AX1 carriage: servo 200 W
              =AX2 arm: servo 200 W
              =STP1 stop: stop button
              =SNS1 start: start button
              %s
              """
                  .formatted(beside),
              CatalogueFile.standard());
      assertThat(drafting).as(String.valueOf(drafting)).isInstanceOf(Drafting.Drawn.class);
      var study = Panel.study(((Drafting.Drawn) drafting).draft().project());
      var drives =
          study.project().devices().stream()
              .filter(d -> study.part(d).filter(Part::drives).isPresent())
              .toList();
      assertThat(drives).hasSize(2).allMatch(d -> d.part().endsWith("-sto"));
      var button = stops(study).getFirst();
      var rehearsal = StopRehearsal.pressing(button, MINUTE, study);
      for (var fate : of(rehearsal, study, Part::motor)) {
        assertThat(fate.latest().orElseThrow().seconds()).isBetween(0.02, 0.2);
        assertThat(fate.dry().orElseThrow().carried()).isEmpty();
      }
      assertThat(of(rehearsal, study, Part::drives))
          .hasSize(2)
          .allMatch(fate -> fate.dry().isEmpty());
      for (var rule : List.of(new StopReadOnly(), new StopByParameter(), new StartsOnRelease()))
        assertThat(judged(rule, study)).noneMatch(v -> v instanceof Verdict.Finding);
      assertThat(judged(new StartsByItself(), study)).noneMatch(v -> v instanceof Verdict.Finding);
      var review = Review.findingsOnly(study);
      assertThat(review.count(Severity.ERROR)).isZero();
    }
  }

  @Test
  void oneContactorHoldsItself() {
    var study = drawn("mains 3x400 V 50 Hz TN-S", "stop by contactor", "");
    assertThat(count(study, SafetyRelay.class)).isZero();
    assertThat(count(study, Contactor.class)).isOne();
    var rehearsal = StopRehearsal.pressing(stops(study).getFirst(), MINUTE, study);
    assertThat(WayBack.of(rehearsal, study).getFirst()).contains("switch -K", "on again with -S");
  }

  /// The drives keep their feed and lose their torque as soon as the relay has let go: 20 ms, and
  /// 20 ms of the drive, whatever the contactors do.
  @Test
  void torqueInputsLeaveDrivesTheirFeed() {
    var study = drawn("mains 3x400 V 50 Hz TN-S", "stop by torque inputs", "");
    var rehearsal = StopRehearsal.pressing(stops(study).getFirst(), MINUTE, study);
    for (var fate : of(rehearsal, study, part -> part.torqueInput().isPresent()))
      assertThat(fate.dry()).as(fate.device().designation().text()).isEmpty();
    assertThat(of(rehearsal, study, part -> part.torqueInput().isPresent())).hasSize(3);
    for (var fate : of(rehearsal, study, Part::motor))
      assertThat(fate.latest().orElseThrow().seconds()).isCloseTo(0.04, within(0.001));
    assertThat(Courses.of(rehearsal, study))
        .filteredOn(c -> c.kind() == Course.Kind.MOVES)
        .noneMatch(c -> c.phases().stream().anyMatch(p -> p.state() == Course.State.RAMPING));
  }

  /// Run inputs open at once, the power goes a second later; a valve keeps its volts until then.
  @Test
  void inTwoStepsTheDrivesBrakeFirst() {
    var study = drawn("mains 3x400 V 50 Hz TN-S", "stop category 1", "");
    var rehearsal = StopRehearsal.pressing(stops(study).getFirst(), MINUTE, study);
    for (var fate : of(rehearsal, study, Part::motor))
      assertThat(fate.latest().orElseThrow().seconds()).isLessThan(0.1);
    for (var fate : of(rehearsal, study, Part::drives))
      assertThat(fate.dry().orElseThrow().soonest().seconds()).isBetween(1.0, 1.3);
    for (var fate : of(rehearsal, study, Part::brakes)) {
      assertThat(fate.dry().orElseThrow().soonest().seconds()).isBetween(1.0, 1.3);
      assertThat(fate.latest().orElseThrow().seconds()).isCloseTo(1.0, within(0.03));
    }
  }

  /// It is drawn up as asked, and called what it is.
  @Test
  void anOutputAloneIsNoEmergencyStop() {
    var study = drawn("mains 3x400 V 50 Hz TN-S", "stop by output of the controller", "");
    assertThat(judged(new StopReadOnly(), study))
        .singleElement()
        .isInstanceOfSatisfying(
            Verdict.Finding.class,
            found -> {
              assertThat(found.severity()).isEqualTo(Severity.WARNING);
              assertThat(found.text()).contains("no emergency stop");
            });
  }

  @Test
  void anotherWordIsExplained() {
    assertThat(Drafting.of("x", "stop by goodwill\n4 valves 24 V", CatalogueFile.standard()))
        .isInstanceOfSatisfying(
            Drafting.Refused.class,
            refused ->
                assertThat(refused.problems().getFirst().why())
                    .contains("contactor", "safety relay", "torque inputs"));
  }

  private static List<Verdict> grips(String saw, String grip) {
    var drafting =
        Drafting.of(
            "saw",
            """
            mains 3x400 V 50 Hz TN-S
            upstream 16 A
            impedance 0.5 Ω
            stop by torque inputs
            =SW1 saw blade: motor on a drive 0.75 kW %s
            =CL1 %s: valve 24 V
            =STP1 stop: stop button
            =SNS1 start: start button
            """
                .formatted(saw, grip),
            CatalogueFile.standard());
    return judged(new GripHolds(), Panel.study(clamping((Drafting.Drawn) drafting)));
  }

  /// The valve behind the stop is a clamp, which a draft would not hang there.
  private static Project clamping(Drafting.Drawn drawn) {
    var project = drawn.draft().project();
    return project.withDevices(
        project.devices().stream()
            .map(d -> d.withPurpose(d.purpose().replace("bar valve", "bar clamp")))
            .toList());
  }

  /// Drawn up as a clamp it keeps its volts, and the draft says why.
  @Test
  void aDraftKeepsTheWorkHeld() {
    var drawn =
        (Drafting.Drawn)
            Drafting.of(
                "saw",
                """
                mains 3x400 V 50 Hz TN-S
                upstream 16 A
                impedance 0.5 Ω
                =SW1 saw blade: motor on a drive 0.75 kW
                =CL1 bar clamp: valve 24 V
                =VL1 oil mist: valve 24 V
                =STP1 stop: stop button
                =SNS1 start: start button
                """,
                CatalogueFile.standard());
    assertThat(drawn.draft().reasons()).anyMatch(why -> why.contains("bar clamp holds work"));
    var study = Panel.study(drawn.draft().project());
    // With the mains away it lets go all the same, unless a spring closes it.
    assertThat(judged(new GripHolds(), study))
        .singleElement()
        .isInstanceOfSatisfying(
            Verdict.Finding.class,
            f -> {
              assertThat(f.severity()).isEqualTo(Severity.ADVICE);
              assertThat(f.text()).contains("mains away", "No wire cures that");
            });
    var bySpring =
        study.project().devices().stream()
            .map(d ->
                d.withPurpose(d.purpose().replace("bar clamp", "bar clamp, closed by a spring")))
            .toList();
    assertThat(
            judged(new GripHolds(), Panel.study(study.project().withDevices(bySpring))).stream()
                .filter(Verdict.Finding.class::isInstance))
        .isEmpty();
    var rehearsal = StopRehearsal.pressing(stops(study).getFirst(), MINUTE, study);
    for (var device : study.project().devices()) {
      if (!device.part().startsWith("valve")) continue;
      var dry = rehearsal.of(device).stream().anyMatch(f -> f.dry().isPresent());
      assertThat(dry).as(device.purpose()).isEqualTo(device.purpose().equals("oil mist"));
    }
  }

  /// The clamp loses its volts with its supply; the blade without torque runs on for as long as
  /// somebody timed, or nobody knows how long. One that stands at once is waited for.
  @Test
  void theWorkIsHeldUntilTheToolStands() {
    assertThat(grips("coasts 8 s", "bar valve"))
        .singleElement()
        .isInstanceOfSatisfying(
            Verdict.Finding.class,
            f -> assertThat(f.text()).contains("bar clamp", "stands after 8.04 s"));
    assertThat(grips("", "bar valve"))
        .singleElement()
        .isInstanceOfSatisfying(
            Verdict.Finding.class, f -> assertThat(f.text()).contains("nobody timed"));
    // With the mains away the drive gives torque for as long as its capacitors last.
    assertThat(grips("coasts 0.001 s", "bar valve"))
        .singleElement()
        .isInstanceOfSatisfying(
            Verdict.Finding.class,
            f -> {
              assertThat(f.severity()).isEqualTo(Severity.ADVICE);
              assertThat(f.text()).contains("mains away", "stands after 0.221 s");
            });
    assertThat(grips("coasts 8 s", "oil mist")).isEmpty();
  }

  /// Behind the stop, it is hung on what stays live by the way out: the stop leaves it, and all
  /// else is as before.
  @Test
  void aGripIsHungOnWhatStaysLive() {
    var before =
        clamping(
            (Drafting.Drawn)
                Drafting.of(
                    "saw",
                    """
                    mains 3x400 V 50 Hz TN-S
                    upstream 16 A
                    impedance 0.5 Ω
                    =SW1 saw blade: motor on a drive 0.75 kW coasts 8 s
                    =CL1 bar valve: valve 24 V
                    =STP1 stop: stop button
                    =SNS1 start: start button
                    """,
                    CatalogueFile.standard()));
    var review = Review.findingsOnly(before, CatalogueFile.standard());
    var entry = review.open().stream().filter(e -> e.rule().id().equals("stop.grip")).findFirst();
    var ways =
        WaysOut.of(review, CatalogueFile.standard(), new WaysAsRepairs(CatalogueFile.standard()))
            .of(entry.orElseThrow())
            .orElseThrow();
    assertThat(ways).hasSize(1);
    assertThat(ways.getFirst().label()).contains("stays live");
    var study = Panel.study(ways.getFirst().edit().on(before, CatalogueFile.standard()));
    var rehearsal = StopRehearsal.pressing(stops(study).getFirst(), MINUTE, study);
    for (var device : study.project().devices()) {
      if (!device.part().startsWith("valve")) continue;
      var dry = rehearsal.of(device).stream().anyMatch(f -> f.dry().isPresent());
      assertThat(dry).as(device.purpose()).isFalse();
    }
    assertThat(judged(new GripHolds(), study))
        .singleElement()
        .isInstanceOfSatisfying(
            Verdict.Finding.class, f -> assertThat(f.severity()).isEqualTo(Severity.ADVICE));
  }

  /// A router on its plug runs on when it is off, and nobody knows for how long.
  @Test
  void aToolOnItsPlugTurnsOnToo() {
    var drafting =
        Drafting.of(
            "router",
            """
            mains 120/240 V 60 Hz
            upstream 20 A
            impedance 0.4 Ω
            =SW1 saw blade: router 400 W
            =CL1 bar valve: valve 24 V
            =STP1 stop: stop button
            """,
            CatalogueFile.standard());
    assertThat(judged(new GripHolds(), Panel.study(clamping((Drafting.Drawn) drafting))))
        .singleElement()
        .isInstanceOfSatisfying(
            Verdict.Finding.class,
            f -> assertThat(f.text()).contains("bar clamp", "saw blade", "off after"));
  }

  /// A router's socket is dry once the contactors are open; that of the computer stays live, and is
  /// told of.
  @Test
  void socketsAreToldOf() {
    var study = drawn("mains 3x400 V 50 Hz TN-S", "", "=RT1 router: router 400 W\n=CT1 computer");
    var rehearsal = StopRehearsal.pressing(stops(study).getFirst(), MINUTE, study);
    var sockets =
        Courses.of(rehearsal, study).stream().filter(c -> c.ends().startsWith("sockets")).toList();
    assertThat(sockets)
        .anySatisfy(c -> {
          assertThat(c.what()).contains("router");
          assertThat(c.ends()).startsWith("sockets dry after 0.");
          assertThat(c.last()).isEqualTo(Course.State.DEAD);
        })
        .anySatisfy(c -> {
          assertThat(c.what()).contains("computer");
          assertThat(c.ends()).startsWith("sockets stay live, 2");
        });
  }

  @Test
  void whatCannotSlowDownFirstSaysSo() {
    var drawn =
        (Drafting.Drawn)
            Drafting.of(
                "x",
                "stop by contactor\nstop category 1\n=AX1 table: stepper 2 A\n=STP1 stop: stop button",
                CatalogueFile.standard());
    assertThat(drawn.draft().reasons()).anyMatch(why -> why.contains("power goes at once"));
  }

  /// 20 W at 48 V are 0.42 A, more than the 0.4 A that a small relay breaks there: a contactor
  /// switches the brake, behind the stop.
  @Test
  void aBrakeThatASmallRelayCannotBreakHasAContactor() {
    var drafting =
        Drafting.of(
            "x",
            """
            mains 230 V 50 Hz TN-S
            upstream 16 A
            impedance 0.5 Ω
            =LF1 lift: servo 400 W screw 10 mm vertical 12 kg
            =BR1 holding: holding brake 48 V 20 W
            =STP1 stop: stop button
            """,
            CatalogueFile.standard());
    assertThat(drafting).as(String.valueOf(drafting)).isInstanceOf(Drafting.Drawn.class);
    assertThat(count(Panel.study(((Drafting.Drawn) drafting).draft().project()), Contactor.class))
        .isEqualTo(3);
  }
}
