package nelvar.core.analysis.motion;

import static nelvar.core.analysis.motion.Axes.say;
import static nelvar.core.analysis.motion.Axes.study;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.catalogue.DriveParameter;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Linkage;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.Positions;
import nelvar.core.network.TrialText;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Measure;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// A motor on a frequency converter: what is entered in it, what that makes of its terminals, and
/// the speeds its command brings about.
class DrivenTest {
  private static final Conditions USUAL = Conditions.usual(new Temperature(20));

  /// A stop button S between RUN and COM, a lamp H on the contact, a command from A.
  private static Project machine() {
    return Panel.dc()
        .device("U", "drive-1ph-230-0p37kw")
        .device("M", "motor-0p25kw-230-400")
        .linked(Linkage.DELTA)
        .device("S", "stop-button-2nc")
        .device("H", "valve-24vdc-4w8")
        .device("A", "motion-controller-4ax-sourcing")
        .wire("X0:L1", "U:L", 1.5, 1)
        .wire("U:N", "X0:N", 1.5, 1)
        .wire("U:U", "M:U", 1.5, 5)
        .wire("U:V", "M:V", 1.5, 5)
        .wire("U:W", "M:W", 1.5, 5)
        .wire("S:11", "U:RUN", 0.5, 1)
        .wire("S:12", "U:COM", 0.5, 1)
        .wire("T:+", "U:FA", 0.5, 1)
        .wire("U:FB", "H:1", 0.5, 1)
        .wire("H:2", "T:-", 0.5, 1)
        .wire("T:+", "A:+", 0.5, 1)
        .wire("A:-", "T:-", 0.5, 1)
        .wire("A:AO1", "U:AI", 0.5, 1)
        .wire("A:AO0", "U:AI0", 0.5, 1)
        .build();
  }

  private static Live solved(Project project, WhatIf trial) {
    return study(project).engine().solve(trial, USUAL);
  }

  private static WhatIf trial(Project project, String... texts) {
    var reader = new TrialText(project, study(project).engine().circuitry(new Temperature(20)));
    var trial = WhatIf.AS_DESIGNED;
    for (var text : texts) trial = reader.set(trial, text);
    return trial;
  }

  private static boolean turns(Live live) {
    return live.live(new TerminalRef(new Id("M"), "U"));
  }

  private static boolean told(Live live) {
    return live.voltage(new TerminalRef(new Id("H"), "1"), new TerminalRef(new Id("H"), "2"))
            .map(Live.Both::direct)
            .orElse(0.0)
        > 20;
  }

  /// What stops it, by its parameters: with its terminals the button does; on its keypad nothing
  /// does; with the input turned round it stands until the button is pressed.
  @ParameterizedTest
  @CsvSource({
    "Run source, terminals, true, false",
    "Run source, keypad, true, true",
    "Run source, command, true, true",
    "Run source, line, true, true",
    "Run input, open runs, false, true",
    "Run input, closed runs, true, false"
  })
  void parametersDecideWhatItsTerminalsDo(
      String name, String value, boolean released, boolean pressed) {
    var project = say(machine(), "U", name, value);
    assertThat(turns(solved(project, WhatIf.AS_DESIGNED))).isEqualTo(released);
    assertThat(turns(solved(project, trial(project, "S=pressed")))).isEqualTo(pressed);
    // The same, tried on a machine that says nothing of it.
    var tried = trial(machine(), "U.%s=%s".formatted(name, value), "S=pressed");
    assertThat(turns(solved(machine(), tried))).isEqualTo(pressed);
  }

  /// Reset to what it came with: it runs by its keypad, and its contact tells faults, so that what
  /// hangs on it is off. Half entered, its run source is still what it came with.
  @Test
  void aResetAndAHalfEnteredDriveAreTried() {
    var project = machine();
    assertThat(told(solved(project, WhatIf.AS_DESIGNED))).isTrue();
    var reset = trial(project, "U=factory", "S=pressed");
    assertThat(turns(solved(project, reset))).as("the button does nothing").isTrue();
    assertThat(told(solved(project, reset))).isFalse();
    var half = trial(project, "U=entered 3", "S=pressed");
    assertThat(turns(solved(project, half))).isTrue();
    assertThat(turns(solved(project, trial(project, "U=entered 15", "S=pressed")))).isFalse();
    assertThat(solved(project, reset).tried()).contains("-U reset to factory");
    assertThatThrownBy(() -> trial(project, "U.Run source=sideways"))
        .hasMessageContaining("keypad, terminals, command, line");
    assertThatThrownBy(() -> trial(project, "U=resting")).hasMessageContaining("factory");
    assertThatThrownBy(() -> trial(project, "U=entered 99999999999"))
        .isInstanceOf(TrialText.Unreadable.class);
    assertThatThrownBy(() -> StandIn.run(List.of("=M run at " + "9".repeat(400)), study(project)))
        .isInstanceOf(StandIn.Refused.class);
    assertThat(AxisSettings.number("9".repeat(400))).isEmpty();
  }

  /// On its keypad it does not run again by itself: from cold it stands.
  @Test
  void aDriveOnItsKeypadStandsFromCold() {
    var project = say(machine(), "U", "Run source", "keypad");
    var engine = study(project).engine();
    var cold = Positions.cold(engine.circuitry(new Temperature(20)));
    assertThat(turns(engine.solve(WhatIf.AS_DESIGNED, USUAL, cold))).isFalse();
    var wired = study(machine()).engine();
    assertThat(
            turns(
                wired.solve(
                    WhatIf.AS_DESIGNED,
                    USUAL,
                    Positions.cold(wired.circuitry(new Temperature(20))))))
        .isTrue();
  }

  private static List<Verdict> judged(Project project) {
    return new DriveEntered().check(study(project)).toList();
  }

  /// What is entered against what it is wired to and against its motor: 230 V delta, 1.35 A, 50 Hz.
  @ParameterizedTest
  @CsvSource({
    "Run source, keypad, ERROR, runs by its keypad",
    "Run source, terminals, , ",
    "Run input, open runs, ERROR, broken wire",
    "Motor current, 2.4 A, ERROR, burn before it trips",
    "Motor current, 1350 mA, , ",
    "Base frequency, 30 Hz, ERROR, saturates",
    "Base frequency, 87 Hz, WARNING, stalls",
    "Motor volts, 400 V, ERROR, saturates",
    "Greatest frequency, 60 Hz, , ",
    "Greatest frequency, 120 Hz, WARNING, bearings",
    "Motor current, 0.5 A, WARNING, trips while its motor works",
    "Speed source, keypad, WARNING, that wire does nothing",
    "Speed source, command, , ",
    "Stops by, coast, , ",
    "Least frequency, 5 Hz, ADVICE, cools it too little",
    "Least frequency, 25 Hz, , ",
    "Contact, fault, WARNING, ready",
    "Read Run source, keypad, WARNING, enter it again"
  })
  void whatIsEnteredIsJudged(String name, String value, String severity, String says) {
    var project =
        name.startsWith("Read") ? say(machine(), "U", "Run source", "terminals") : machine();
    project = say(project, "U", name, value);
    var all = judged(project);
    if (severity == null) {
      assertThat(all).hasSize(1).allMatch(Verdict.Pass.class::isInstance);
      return;
    }
    var found = (Verdict.Finding) all.getFirst();
    assertThat(found.severity()).isEqualTo(Severity.valueOf(severity));
    assertThat(found.text()).contains(says);
    for (var way : found.proposals())
      assertThat(judged(way.edit().apply(project)))
          .as("cured by %s", way.label())
          .allMatch(Verdict.Pass.class::isInstance);
  }

  @Test
  void nothingEnteredIsNotJudgedAndNonsenseIsSaid() {
    assertThat(judged(machine())).isEmpty();
    assertThat(judged(say(machine(), "U", "Motor current", "lots")).getFirst())
        .isInstanceOf(Verdict.NotChecked.class);
    for (var nonsense : List.of("Run source=magic", "Motor current=2.4 V", "Ramp up=soon")) {
      var cut = nonsense.split("=", 2);
      assertThat(judged(say(machine(), "U", cut[0], cut[1])))
          .as(nonsense)
          .hasSize(1)
          .allMatch(Verdict.NotChecked.class::isInstance);
    }
  }

  /// A drive that runs by a stray volt is named even where its run input is not wired.
  @Test
  void aCommandThatRunsItIsNamed() {
    var project =
        say(
            machine()
                .withConductors(
                    machine().conductors().stream()
                        .filter(c -> !c.to().terminal().equals("RUN"))
                        .toList()),
            "U",
            "Run source",
            "command");
    assertThat(((Verdict.Finding) judged(project).getFirst()).text()).contains("a stray volt");
  }

  /// The sheet in the order of entry: the motor first, what makes it run last. Entered as it says,
  /// all of it stands as computed and nothing is found.
  @Test
  void theSheetEntersWhatItSays() {
    var project = machine();
    var driven = DrivenMotor.all(study(project)).getFirst();
    var lines = DriveSheet.of(driven, study(project));
    assertThat(lines)
        .extracting(line -> line.parameter().role())
        .startsWith(DriveParameter.Role.MOTOR_VOLTS, DriveParameter.Role.BASE_FREQUENCY)
        .endsWith(DriveParameter.Role.RUN_INPUT, DriveParameter.Role.RUN_SOURCE)
        .doesNotContain(DriveParameter.Role.INPUT_PHASE_LOSS);
    assertThat(value(lines, "Motor volts")).contains("230 V");
    assertThat(value(lines, "Motor current")).contains("1.35 A");
    assertThat(value(lines, "Least frequency")).contains("20 Hz");
    assertThat(value(lines, "Starts from")).contains("0.3 V");
    for (var line : lines) project = line.row().enters().orElseThrow().apply(project);
    var after = DriveSheet.of(DrivenMotor.all(study(project)).getFirst(), study(project));
    assertThat(after).allMatch(line -> line.row().standing() == SettingsSheet.Standing.ENTERED);
    assertThat(judged(project)).allMatch(Verdict.Pass.class::isInstance);
  }

  private static Optional<String> value(List<DriveSheet.Line> lines, String name) {
    return lines.stream()
        .filter(line -> line.row().name().equals(name))
        .findFirst()
        .flatMap(line -> line.row().value());
  }

  /// A drive of one's own with its own codes: they are what is entered.
  @Test
  void aDriveHasItsOwnCodes() {
    var usual =
        (FrequencyConverter) CatalogueFile.standard().find("drive-1ph-230-0p37kw").orElseThrow();
    assertThat(usual.keeps()).hasSize(15);
    assertThat(usual.keeps().getLast().role()).isEqualTo(DriveParameter.Role.RUN_SOURCE);
    assertThat(usual.asSet(Map.of())).isSameAs(usual);
    assertThat(usual.asSet(Map.of("run source", "keypad")).outputNeeds())
        .containsExactly("ready", "keypad");
  }

  /// 4 poles at 60 Hz turn at 1800 rpm (120 · f/p); 10 V command that. From 0.5 V on it starts, at
  /// 20 Hz at the least: 600 rpm. Two measured points of 2 % slip are a scale of -2 % and no
  /// offset.
  @Test
  void aCommandBecomesASpeed() {
    var project = machine();
    for (var said :
        List.of(
            "Greatest frequency=60 Hz",
            "Least frequency=20 Hz",
            "Starts from=0.5 V",
            "Measured 2 V=588 rpm",
            "Measured 4 V=705.6 rpm",
            "Measured 8 V=1411.2 rpm")) {
      var cut = said.split("=", 2);
      project = say(project, "U", cut[0], cut[1]);
    }
    var map = SpeedMap.of(DrivenMotor.all(study(project)).getFirst(), study(project));
    assertThat(map.atTen().value()).isCloseTo(1800, within(1e-9));
    assertThat(map.at(new Voltage(5)).value()).isCloseTo(900, within(1e-9));
    assertThat(map.at(new Voltage(1)).value()).as("its least").isCloseTo(600, within(1e-9));
    assertThat(map.at(new Voltage(0.4)).value()).as("never starts").isZero();
    assertThat(map.command(new Measure(1500, Measure.Unit.ROTATION)).orElseThrow().volts())
        .isCloseTo(8.3333, within(1e-3));
    assertThat(map.command(new Measure(300, Measure.Unit.ROTATION))).isEmpty();
    assertThat(map.scaleOff().orElseThrow().percent()).isCloseTo(-2, within(1e-6));
    assertThat(map.offset().orElseThrow().value()).isCloseTo(0, within(1e-6));
  }

  /// The belt of the demo: 20 to 60 Hz, 0.5 V, 3 s of ramp, run by an output over a relay.
  @Test
  void aStandInRunsAndStopsIt() throws Exception {
    var study = study(nelvar.core.file.Demo.settled());
    var all =
        StandIn.run(
            List.of("=BLT run at 1200", "=BLT run at 60", "=BLT run at 300", "=BLT stop"), study);
    assertThat(all.getFirst().stands()).isCloseTo(1200, within(1e-9));
    assertThat(all.getFirst().lasts()).as("1200 of 1800 rpm in 3 s").isCloseTo(2, within(1e-9));
    assertThat(all.getFirst().hertz()).isCloseTo(40, within(1e-9));
    assertThat(all.getFirst().pin()).startsWith("-A1:");
    assertThat(all.get(1).stands()).as("0.33 V starts nothing").isZero();
    assertThat(all.get(1).says()).contains("less than starts it");
    assertThat(all.get(2).stands()).as("held at 20 Hz").isCloseTo(600, within(1e-9));
    assertThat(all.get(3).stands()).isZero();
    assertThat(all.get(3).says()).isEmpty();
    assertThatThrownBy(() -> StandIn.run(List.of("=XYZ run"), study))
        .hasMessageContaining("=AUG, =BLT");
  }

  /// Stopped halfway up its ramp it has half its speed to lose.
  @Test
  void aRampIsStoppedWhereItIs() throws Exception {
    var all =
        StandIn.run(
            List.of("=BLT run at 1200", "wait 1", "=BLT stop"),
            study(nelvar.core.file.Demo.settled()));
    assertThat(all.getFirst().lasts()).isCloseTo(2, within(1e-9));
    assertThat(all.get(1).lasts()).as("600 of 1800 rpm in 3 s").isCloseTo(1, within(1e-9));
  }

  /// What a wrong setting changes: on its keypad the drive goes on when the program stops it, and
  /// with the stop pressed nothing runs it.
  @Test
  void aWrongSettingChangesWhatTheStandInDoes() throws Exception {
    var project = nelvar.core.file.Demo.settled();
    var keypad =
        StandIn.run(
            List.of("=BLT run at 1200", "=BLT stop"), study(project), trial(project, "U2=keypad"));
    assertThat(keypad.get(1).stands()).isCloseTo(1200, within(1e-9));
    assertThat(keypad.get(1).says()).contains("it goes on");
    // Reset, its greatest frequency is 50 Hz again and its speed kept on it.
    var reset =
        StandIn.run(List.of("=BLT run at 1750"), study(project), trial(project, "U2=factory"));
    assertThat(reset.getFirst().stands()).isCloseTo(1500, within(1e-9));
    assertThat(reset.getFirst().says()).contains("kept on its keypad");
    assertThat(reset.getFirst().lasts()).as("10 s of ramp").isCloseTo(10, within(1e-9));
    var entered = say(project, "U2", "Run source", "keypad");
    assertThat(judged(entered)).anyMatch(Verdict.Finding.class::isInstance);
    var pressed =
        StandIn.run(List.of("=BLT run at 1200"), study(project), trial(project, "S1=pressed"));
    assertThat(pressed.getFirst().stands()).isZero();
    assertThat(pressed.getFirst().says()).contains("it stands");
  }

  /// A spindle that spins up for 2 s is fed into after nothing: said; with a dwell it is not.
  @Test
  void feedingBeforeTheSpindleTurnsIsSaid() throws Exception {
    var settled = nelvar.core.file.Demo.settled();
    var spindle =
        settled.withFunctions(
            settled.functions().stream()
                .map(f ->
                    f.id().text().equals("BLT")
                        ? new nelvar.core.model.MachineFunction(
                            f.id(), f.designation(), "spindle", f.kind(), f.wants())
                        : f)
                .toList());
    var commands = List.of("=BLT run at 1200", "=AX2 go 10");
    assertThat(StandIn.run(commands, study(spindle)).get(1).says())
        .contains("it feeds while =BLT still spins up, 2 s more");
    var waiting = say(spindle, "A1", "Dwell", "3 s");
    var moved = StandIn.run(commands, study(waiting)).get(1);
    assertThat(moved.says()).isEmpty();
    assertThat(moved.at()).isCloseTo(3, within(1e-9));
    assertThat(StandIn.run(commands, study(settled)).get(1).says())
        .as("a belt cuts nothing")
        .isEmpty();
    // The rule knows the ramp: a dwell of 1 s is too short.
    assertThat(new FeedsAtSpeed().check(study(say(spindle, "A1", "Dwell", "1 s"))))
        .anyMatch(v -> v instanceof Verdict.Finding f && f.text().contains("3 s to spin up"));
  }

  private static nelvar.core.Panel onOnePhase(String breaker) {
    return nelvar.core.Panel.mains()
        .device("F", breaker)
        .device("U", "drive-1ph-230-1p5kw")
        .device("M", "motor-1p5kw-230-400-beads")
        .linked(Linkage.DELTA)
        .wire("X0:L1", "F:1", 1.5, 1)
        .wire("F:2", "U:L", 1.5, 1)
        .wire("U:N", "X0:N", 1.5, 1)
        .wire("U:U", "M:U", 1.5, 5)
        .wire("U:V", "M:V", 1.5, 5)
        .wire("U:W", "M:W", 1.5, 5);
  }

  /// 5.9 A of motor ask for 10 to 12 A at the input.
  @ParameterizedTest
  @CsvSource({"breaker-1p-c6, true", "breaker-1p-c16, false"})
  void aDriveOnOnePhaseTakesMoreThanItsMotor(String breaker, boolean found) {
    var verdict =
        new nelvar.core.analysis.load.DriveInputCurrent()
            .check(study(onOnePhase(breaker).build()))
            .findFirst()
            .orElseThrow();
    assertThat(verdict instanceof Verdict.Finding).isEqualTo(found);
    assertThat(
            new nelvar.core.analysis.load.DriveInputCurrent()
                .check(study(nelvar.core.file.Demo.settled())))
        .allMatch(Verdict.Pass.class::isInstance);
  }

  /// Beads in the winding: read by nothing they are advised, on the control terminals of the drive
  /// they are warned of, until somebody says that the input is isolated.
  @Test
  void beadsInAWindingAreIsolated() {
    var rule = new ThermistorIsolated();
    var unused =
        (Verdict.Finding)
            rule.check(study(onOnePhase("breaker-1p-c16").build())).findFirst().orElseThrow();
    assertThat(unused.severity()).isEqualTo(Severity.ADVICE);
    var wired =
        onOnePhase("breaker-1p-c16")
            .wire("M:T1", "U:AI", 0.5, 5)
            .wire("M:T2", "U:AI0", 0.5, 5)
            .build();
    var found = (Verdict.Finding) rule.check(study(wired)).findFirst().orElseThrow();
    assertThat(found.severity()).isEqualTo(Severity.WARNING);
    assertThat(found.text()).contains("-U", "thermistor relay");
    assertThat(
            rule.check(study(say(wired, "M", ThermistorIsolated.ISOLATED, "yes, by its manual"))))
        .allMatch(Verdict.Pass.class::isInstance);
    assertThat(rule.check(study(machine()))).as("no beads").isEmpty();
  }

  /// Pulses of 3.3 or 5 V on an input of 0 to 10 V command a part of the speed; 10 V all of it.
  @Test
  void pulsesOfALogicReachAPartOfTheSpeed() {
    var rule = new CommandReaches();
    assertThat(rule.check(study(machine()))).allMatch(Verdict.Pass.class::isInstance);
    var board =
        CatalogueFile.standard().all().stream()
            .filter(p ->
                p.logic()
                    .filter(l ->
                        l.pins().stream()
                            .anyMatch(pin ->
                                pin.type() == nelvar.core.catalogue.Pin.Type.OUTPUT_PULSES_SINGLE))
                    .isPresent())
            .findFirst()
            .orElseThrow();
    var pin =
        board.logic().orElseThrow().pins().stream()
            .filter(p -> p.type() == nelvar.core.catalogue.Pin.Type.OUTPUT_PULSES_SINGLE)
            .findFirst()
            .orElseThrow();
    var project =
        nelvar.core.Panel.dc()
            .device("U", "drive-1ph-230-0p37kw")
            .device("M", "motor-0p25kw-230-400")
            .linked(Linkage.DELTA)
            .device("A", board.id())
            .wire("X0:L1", "U:L", 1.5, 1)
            .wire("U:N", "X0:N", 1.5, 1)
            .wire("U:U", "M:U", 1.5, 5)
            .wire("U:V", "M:V", 1.5, 5)
            .wire("U:W", "M:W", 1.5, 5)
            .wire("A:" + pin.name(), "U:AI", 0.5, 1)
            .build();
    var found = rule.check(study(project)).toList();
    assertThat(found).hasSize(1);
    assertThat(found.getFirst()).isInstanceOf(Verdict.Finding.class);
    var map = SpeedMap.of(DrivenMotor.all(study(project)).getFirst(), study(project));
    assertThat(map.full()).isEqualTo(pin.gives().orElse(new Voltage(5)));
    assertThat(map.fastest().value())
        .as("1500 rpm at 10 V")
        .isCloseTo(150 * map.full().volts(), within(1e-9));
    assertThat(map.command(new Measure(1000, Measure.Unit.ROTATION))).isEmpty();
  }

  /// A motor on the mains behind a dial of 1 to 1.6 A: it is to stand at the nameplate, 1.06 A.
  @ParameterizedTest
  @CsvSource({"0, TO_ENTER", "1.06, ENTERED", "1.1, ENTERED", "1.5, DIFFERS"})
  void aDialIsSetToTheNameplate(double set, SettingsSheet.Standing standing) {
    var protector =
        CatalogueFile.standard().all().stream()
            .filter(p ->
                p instanceof nelvar.core.catalogue.MotorProtector m
                    && m.dial().orElseThrow().contains(new nelvar.core.units.Current(1.06))
                    && m.dial().orElseThrow().contains(new nelvar.core.units.Current(1.5)))
            .findFirst()
            .orElseThrow();
    var panel = nelvar.core.Panel.mains().device("Q", protector.id());
    if (set > 0) panel = panel.setTo(set);
    var project =
        panel
            .device("M", "motor-0p37kw-230-400")
            .linked(Linkage.STAR)
            .wire("X0:L1", "Q:1", 1.5, 1)
            .wire("X0:L2", "Q:3", 1.5, 1)
            .wire("X0:L3", "Q:5", 1.5, 1)
            .wire("Q:2", "M:U", 1.5, 5)
            .wire("Q:4", "M:V", 1.5, 5)
            .wire("Q:6", "M:W", 1.5, 5)
            .build();
    var dialed = DialedMotor.all(study(project));
    assertThat(dialed).hasSize(1);
    var row = dialed.getFirst().row();
    assertThat(row.standing()).isEqualTo(standing);
    assertThat(SettingsSheet.all(study(project)))
        .extracting(SettingsSheet.Row::name)
        .containsExactly(row.name());
    var entered = row.enters().orElseThrow().apply(project);
    assertThat(DialedMotor.all(study(entered)).getFirst().row().standing())
        .isEqualTo(SettingsSheet.Standing.ENTERED);
    assertThat(DialedMotor.all(study(machine()))).as("behind a drive there is none").isEmpty();
  }
}
