package nelvar.core.analysis.motion;

import static nelvar.core.analysis.motion.Axes.first;
import static nelvar.core.analysis.motion.Axes.say;
import static nelvar.core.analysis.motion.Axes.study;
import static nelvar.core.analysis.motion.Axes.wired;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.units.Measure;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Which way an axis turns, where it stops, what starts it, and what a stand-in of its controller
/// makes of its settings.
class RunningTest {
  private static final Optional<Measure> FAST = Optional.of(new Measure(6000, Measure.Unit.FEED));

  private static Project axis(String mechanics) {
    return Axes.axis(mechanics, FAST, Optional.empty());
  }

  /// By the field of the motor: each exchange turns it round, two of them do not. A plug turned
  /// round exchanges the coils and the ends of both: it turns.
  @ParameterizedTest
  @CsvSource({
    "A+ A- B+ B-, 0",
    "A- A+ B+ B-, 1",
    "A- A+ B- B+, 2",
    "B+ B- A+ A-, 1",
    "B- B+ A- A+, 3"
  })
  void reversalsOfTheWiring(String ends, int reversals) {
    var project = wired("screw 5 mm", FAST, Optional.empty(), ends.split(" "));
    var direction = Direction.of(first(project), study(project));
    assertThat(direction.reversals()).hasSize(reversals);
    assertThat(direction.reversed()).isEqualTo(turnsBack(ends.split(" ")));
  }

  /// The field of the two coils over four full steps of a drive: which way it goes round.
  private static boolean turnsBack(String... ends) {
    var before = 0.0;
    var turned = 0.0;
    for (var step = 0; step <= 4; step++) {
      var a = Math.cos(step * Math.PI / 2 + 0.3);
      var b = Math.sin(step * Math.PI / 2 + 0.3);
      var first = (ends[0].endsWith("-") ? -1 : 1) * a;
      var second = (ends[2].endsWith("-") ? -1 : 1) * b;
      var x = ends[0].startsWith("A") ? first : second;
      var y = ends[0].startsWith("A") ? second : first;
      var angle = Math.atan2(y, x);
      if (step > 0) turned += Math.IEEEremainder(angle - before, 2 * Math.PI);
      before = angle;
    }
    return turned < 0;
  }

  /// Seen running the wrong way: one setting turns it, and then it counts as right. Later somebody
  /// exchanges the ends of a coil: it is known to run the wrong way again.
  @Test
  void aWrongDirectionIsTurnedOnce() {
    var project = axis("screw 5 mm");
    var rule = new RunsRightWay();
    assertThat(rule.check(study(project))).as("nobody has seen it").isEmpty();
    var direction = Direction.of(first(project), study(project));
    var seen = direction.observed(first(project), false).apply(project);
    var finding = (Verdict.Finding) rule.check(study(seen)).findFirst().orElseThrow();
    assertThat(finding.severity()).isEqualTo(Severity.WARNING);
    var cured = finding.proposals().getFirst().edit().on(seen, CatalogueFile.standard());
    assertThat(cured.setting(new Id("A"), "Reversed =X")).contains("yes");
    assertThat(rule.check(study(cured)).findFirst().orElseThrow()).isInstanceOf(Verdict.Pass.class);
    var rewired =
        cured.withConductors(
            cured.conductors().stream()
                .map(wire ->
                    wire.to().toString().equals("M:A+")
                        ? wire.withEnds(wire.from(), nelvar.core.model.TerminalRef.of("M:A-"))
                        : wire.to().toString().equals("M:A-")
                            ? wire.withEnds(wire.from(), nelvar.core.model.TerminalRef.of("M:A+"))
                            : wire)
                .toList());
    assertThat(rule.check(study(rewired)).findFirst().orElseThrow())
        .isInstanceOf(Verdict.Finding.class);
    // Mounted the other way round besides, it runs right again.
    assertThat(
            rule.check(study(say(rewired, "M", "Mounted", "turned round")))
                .findFirst()
                .orElseThrow())
        .isInstanceOf(Verdict.Pass.class);
    assertThat(Direction.seen("perhaps")).isEmpty();
  }

  /// 0.1 m/s and 1 m/s²: 5 mm to stop and 1 mm until it reacts.
  @ParameterizedTest
  @CsvSource({"overrun 6 mm,pass", "overrun 5 mm,finding", "'',none"})
  void itStopsBeforeItsStop(String room, String expected) {
    var project = axis("screw 5 mm ramp 1000 mm/s2 " + room);
    assertThat(StopsInTime.stopping(first(project)).orElseThrow().metres())
        .isCloseTo(0.006, within(1e-9));
    var verdict = new StopsInTime().check(study(project)).findFirst();
    assertThat(verdict.map(v -> v instanceof Verdict.Pass ? "pass" : "finding").orElse("none"))
        .isEqualTo(expected);
    assertThat(
            new StopsInTime()
                .check(study(axis("screw 5 mm overrun 6 mm")))
                .findFirst()
                .orElseThrow())
        .isInstanceOf(Verdict.NotChecked.class);
  }

  /// A drive that starts from 20 mV starts by what is left on the wire; from 0.5 V it does not, and
  /// from 3 V a third of its speeds never run.
  @ParameterizedTest
  @CsvSource({"20 mV,A stray volt starts it", "0.5 V,''", "3 V,Slow speeds never start"})
  void whatStartsADrive(String from, String title) {
    var study = commanded(from);
    var finding =
        new SpeedStarts()
            .check(study)
            .filter(Verdict.Finding.class::isInstance)
            .map(Verdict.Finding.class::cast)
            .findFirst();
    assertThat(finding.map(f -> f.reason().toString()).orElse("")).contains(title);
    if (title.isEmpty())
      assertThat(new SpeedStarts().check(study).findFirst().orElseThrow())
          .isInstanceOf(Verdict.Pass.class);
    assertThat(new SpeedStarts().check(commanded("some")).findFirst().orElseThrow())
        .isInstanceOf(Verdict.NotChecked.class);
    assertThat(new SpeedStarts().check(commanded(""))).isEmpty();
  }

  private static Study commanded(String from) {
    var project =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .device("U", "drive-1ph-230-0p37kw")
            .wire("A:AO1", "U:AI", 0.25, 2)
            .wire("A:AO0", "U:AI0", 0.25, 2)
            .build();
    return study(
        from.isEmpty()
            ? project
            : PinEdits.say(project.device(new Id("U")).orElseThrow(), SpeedStarts.SETTING, from)
                .apply(project));
  }

  /// 3 · 6 · 2400 · 800/60000/0.8 are 720 W: a spindle of 1.5 kW cooled by air gives 1125 W, half
  /// as deep again asks 1080, twice as deep 1440. What is no cut is said.
  @ParameterizedTest
  @CsvSource({
    "cuts aluminium 3 x 6 mm at 2400 mm/min,pass", "cuts aluminum 4.5 x 6 mm at 40 mm/s,pass",
    "cuts aluminium 6 x 6 mm at 2400 mm/min,finding", "cuts cheese 6 x 6 mm at 2400 mm/min,said",
    "cuts it,said", "turns,none"
  })
  void aSpindleGivesThePowerOfItsCut(String words, String expected) {
    var spindle =
        CatalogueFile.standard().all().stream()
            .filter(nelvar.core.catalogue.InductionMotor.class::isInstance)
            .map(nelvar.core.catalogue.InductionMotor.class::cast)
            .filter(m -> Math.abs(m.power().watts() - 1500) < 1)
            .filter(m ->
                m.cooling()
                    .filter(nelvar.core.catalogue.InductionMotor.Cooling.LIQUID::equals)
                    .isEmpty())
            .findFirst()
            .orElseThrow();
    var function =
        new nelvar.core.model.MachineFunction(
            new Id("S"),
            new nelvar.core.model.Designation("=S"),
            "spindle",
            nelvar.core.model.FunctionKind.MOVE,
            nelvar.core.model.Wants.NOTHING.withMotion(
                Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(words)));
    var project =
        nelvar.core.model.edit.FunctionEdits.add(function)
            .apply(Panel.dc().device("M", spindle.id()).build());
    project =
        nelvar.core.model.edit.FunctionEdits.serve(
                project.device(new Id("M")).orElseThrow(), Optional.of(function))
            .apply(project);
    var verdict = new SpindleCuts().check(study(project)).findFirst();
    assertThat(Axes.kind(verdict)).isEqualTo(expected);
    assertThat(
            SpindleCuts.read("cuts aluminium 3 x 6 mm at 2400 mm/min")
                .orElseThrow()
                .power()
                .watts())
        .isCloseTo(720, within(1e-6));
  }

  /// A spindle beside an axis: nothing tells that it turns; its drive does; the program waits, long
  /// enough, too short, for a time nobody said.
  @ParameterizedTest
  @CsvSource({
    "'','','',finding",
    "DI5,'','',pass",
    "'',3 s,2.5 s,pass",
    "'',2 s,2.5 s,finding",
    "'',3 s,'',said",
    "'',a while,2 s,said"
  })
  void axesFeedOnceTheSpindleTurns(String atSpeed, String dwell, String spinUp, String expected) {
    var spindle =
        CatalogueFile.standard().all().stream()
            .filter(nelvar.core.catalogue.InductionMotor.class::isInstance)
            .map(nelvar.core.catalogue.InductionMotor.class::cast)
            .filter(m -> m.frequency().isPresent())
            .findFirst()
            .orElseThrow();
    var project = axis("screw 5 mm");
    project =
        nelvar.core.model.edit.Edits.add(
                nelvar.core.model.Device.of(
                    new Id("S"), "-S", "spindle", spindle.id(), nelvar.core.model.Place.MACHINE))
            .apply(project);
    for (var said :
        List.of(List.of("At speed", atSpeed), List.of("Dwell", dwell), List.of("Spin-up", spinUp)))
      if (!said.get(1).isEmpty()) project = say(project, "A", said.get(0), said.get(1));
    var verdict = new FeedsAtSpeed().check(study(project)).findFirst();
    assertThat(Axes.kind(verdict)).isEqualTo(expected);
    assertThat(new FeedsAtSpeed().check(study(axis("screw 5 mm")))).as("no spindle").isEmpty();
  }

  /// The module of the potter's machine: 1.2 A are 0.96 V at its trimmer; bare it stands 1 A, with
  /// a heat sink 1.8 A.
  @Test
  void aTrimmerWithAndWithoutItsHeatSink() {
    var planted = nelvar.core.file.Demo.sprayer();
    var finding =
        new TrimmerWithin()
            .check(study(planted))
            .filter(Verdict.Finding.class::isInstance)
            .map(Verdict.Finding.class::cast)
            .findFirst()
            .orElseThrow();
    assertThat(finding.text()).contains("stands 1 A without a heat sink", "trimmer to 0.8 V");
    var cooled = say(planted, "U1", TrimmerWithin.SETTING, "yes");
    assertThat(new TrimmerWithin().check(study(cooled))).allMatch(Verdict.Pass.class::isInstance);
    var row =
        AxisValues.of(MotionAxes.of(study(planted)).getFirst()).stream()
            .filter(r -> r.name().equals("Trimmer"))
            .findFirst()
            .orElseThrow();
    assertThat(row.value()).contains("0.96 V");
    assertThat(row.why()).contains("clockwise gives more on this one");
  }

  /// 640 steps a mm entered where 640 are made; where 320 are made it goes half as far; with the
  /// direction known to be wrong it goes the other way; too fast it is said to lose steps.
  @Test
  void theStandInGoesWhereTheMachineWould() throws Exception {
    var right = say(say(axis("screw 5 mm"), "U", "Microsteps", "16"), "A", "Steps =X", "640");
    var moved = StandIn.run(List.of("X go 10", "", "wait 2", "=x go -2,5 at 300"), study(right));
    assertThat(moved).hasSize(2).allMatch(StandIn.Moved::right);
    assertThat(moved.getFirst().pulses()).isEqualTo(6400);
    assertThat(moved.getFirst().hertz()).isCloseTo(64_000, within(1e-6));
    assertThat(moved.getFirst().lasts()).isCloseTo(0.1, within(1e-9));
    assertThat(moved.get(1).at()).isCloseTo(2.1, within(1e-9));
    assertThat(moved.get(1).stands()).isCloseTo(7.5, within(1e-9));
    var half = say(right, "U", "Microsteps", "32");
    var short0 = StandIn.run(List.of("X go 10"), study(half)).getFirst();
    assertThat(short0.right()).isFalse();
    assertThat(short0.stands()).isCloseTo(5, within(1e-9));
    var back = say(right, "A", "Seen =X", "wrong, 0 reversals");
    assertThat(StandIn.run(List.of("X go 10"), study(back)).getFirst().stands())
        .isCloseTo(-10, within(1e-9));
    assertThat(StandIn.run(List.of("X go 10 at 60000"), study(right)).getFirst().says())
        .contains("loses steps");
    assertThat(StandIn.run(List.of("X turn", "X home"), study(right)).get(1).stands()).isZero();
  }

  @ParameterizedTest
  @CsvSource({
    "fly away,is no command",
    "Y go 1,there is no axis 'Y'",
    "X go,is no command",
    "X go 1e9,is no command"
  })
  void whatCannotBeDoneIsRefused(String command, String why) {
    var project = say(axis("screw 5 mm"), "U", "Microsteps", "16");
    assertThatThrownBy(() -> StandIn.run(List.of(command), study(project)))
        .isInstanceOf(StandIn.Refused.class)
        .hasMessageContaining(why);
    assertThatThrownBy(() -> StandIn.run(List.of("X go 1"), study(project)))
        .hasMessageContaining("no steps are entered");
    var unsaid = say(axis("moves"), "A", "Steps =X", "640");
    assertThatThrownBy(() -> StandIn.run(List.of("X turn"), study(unsaid)))
        .hasMessageContaining("is not said");
  }
}
