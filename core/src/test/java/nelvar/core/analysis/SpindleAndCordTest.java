package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.load.CutWaves;
import nelvar.core.analysis.load.LiquidCooled;
import nelvar.core.analysis.load.MotorFrequency;
import nelvar.core.analysis.parts.ConnectorsMate;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.compose.Drafting;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Frequency;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;

/// High-frequency spindles and their coolant, speed controls that cut waves, sockets that follow,
/// and plugs that go together.
class SpindleAndCordTest {
  private static final String SPINDLE = "spindle-2p2kw-220v-400hz-liquid";

  private static List<Verdict> of(Rule rule, Panel panel, String device) {
    return rule.check(panel.study())
        .filter(verdict -> verdict.subject().concerns(new Id(device)))
        .toList();
  }

  private static Verdict.Finding found(Rule rule, Panel panel, String device) {
    return (Verdict.Finding) of(rule, panel, device).getFirst();
  }

  private static Panel onDrive(String motor) {
    return Panel.mains()
        .device("F", "breaker-2p-c25")
        .device("U", "drive-1ph-230-2p2kw")
        .device("M", motor)
        .wire("X0:L1", "F:1", 4, 0.5)
        .wire("X0:N", "F:3", 4, 0.5)
        .wire("F:2", "U:L", 4, 0.5)
        .wire("F:4", "U:N", 4, 0.5)
        .wire("U:U", "M:U", 2.5, 5)
        .wire("U:V", "M:V", 2.5, 5)
        .wire("U:W", "M:W", 2.5, 5);
  }

  /// 24 000 rpm of two poles are 400 Hz: a drive for that passes, the mains does not.
  @Test
  void aSpindleWantsItsFrequency() {
    assertThat(of(new MotorFrequency(), onDrive(SPINDLE), "M").getFirst())
        .isInstanceOf(Verdict.Pass.class);
    var straight =
        Panel.mains()
            .device("F", "breaker-3p-c10")
            .device("M", "spindle-3kw-380v-300hz-air")
            .wire("X0:L1", "F:1", 2.5, 0.5)
            .wire("X0:L2", "F:3", 2.5, 0.5)
            .wire("X0:L3", "F:5", 2.5, 0.5)
            .wire("F:2", "M:U", 2.5, 5)
            .wire("F:4", "M:V", 2.5, 5)
            .wire("F:6", "M:W", 2.5, 5);
    assertThat(found(new MotorFrequency(), straight, "M").severity()).isEqualTo(Severity.ERROR);
    assertThat(found(new MotorFrequency(), straight, "M").text()).contains("300 Hz", "-X0");
    assertThat(of(new MotorFrequency(), onDrive("motor-2p2kw-230-400"), "M")).isEmpty();
  }

  /// A drive that reaches less, and one of which nothing is said.
  @Test
  void aDriveReachesTheFrequencyOrSaysNothing() {
    var drive =
        (nelvar.core.catalogue.FrequencyConverter)
            CatalogueFile.standard().find("drive-1ph-230-2p2kw").orElseThrow();
    var panel = onDrive(SPINDLE);
    assertThat(found(new MotorFrequency(), panel.part(reaching(drive, 200)), "M").text())
        .contains("400 Hz", "reaches 200 Hz");
    assertThat(of(new MotorFrequency(), panel.part(reaching(drive, 0)), "M").getFirst())
        .isInstanceOf(Verdict.NotChecked.class);
  }

  private static nelvar.core.catalogue.FrequencyConverter reaching(
      nelvar.core.catalogue.FrequencyConverter d, double hertz) {
    return new nelvar.core.catalogue.FrequencyConverter(
        d.id(),
        d.name(),
        d.article(),
        d.phases(),
        d.input(),
        d.output(),
        d.rating(),
        d.motorPower(),
        d.efficiency(),
        d.powerFactor(),
        d.inrush(),
        d.leakage(),
        d.controls(),
        d.busCapacitance(),
        d.bleeder(),
        d.singlePhaseRating(),
        d.inputDevice(),
        d.motorCable(),
        hertz == 0 ? java.util.Optional.empty() : java.util.Optional.of(new Frequency(hertz)),
        d.commandInput(),
        d.parameters(),
        d.mode());
  }

  @Test
  void aLiquidCooledSpindleWantsProofOfItsFlow() {
    assertThat(found(new LiquidCooled(), onDrive(SPINDLE), "M").severity())
        .isEqualTo(Severity.WARNING);
    var open = onDrive(SPINDLE).device("S", "flow-switch-1no");
    assertThat(found(new LiquidCooled(), open, "M").text()).contains("no flow switch is wired");
    var proved = open.wire("U:COM", "S:13", 0.5, 3).wire("S:14", "U:RUN", 0.5, 3);
    assertThat(of(new LiquidCooled(), proved, "M").getFirst()).isInstanceOf(Verdict.Pass.class);
    assertThat(of(new LiquidCooled(), onDrive("spindle-2p2kw-220v-400hz-air"), "M")).isEmpty();
  }

  /// Said in a line, it is drawn up with its pump and its flow switch, on a drive that reaches it.
  @Test
  void aLiquidCooledSpindleIsDrawnUpWhole() {
    var drawn =
        (Drafting.Drawn)
            Drafting.of(
                "x",
                "mains 230 V 50 Hz TN-S\nupstream 25 A\nspindle 1.5 kW 24000 rpm water-cooled\n",
                CatalogueFile.standard());
    var draft = drawn.draft();
    assertThat(draft.review().count(Severity.ERROR)).isZero();
    assertThat(draft.project().devices())
        .anyMatch(d -> d.part().equals("spindle-1p5kw-220v-400hz-liquid"))
        .anyMatch(d -> d.part().equals("flow-switch-1no"))
        .anyMatch(d -> d.purpose().contains("coolant pump"));
    assertThat(draft.reasons()).anyMatch(why -> why.contains("flow switch"));
    var study = draft.review().study();
    assertThat(new LiquidCooled().check(study)).allMatch(Verdict.Pass.class::isInstance);
    assertThat(new MotorFrequency().check(study)).allMatch(Verdict.Pass.class::isInstance);
    // What sucks dust is no pump of its coolant; one that was asked for is not doubled.
    for (var asked : List.of("dust extractor 1 kW", "coolant pump 24 V 2 A")) {
      var beside =
          (Drafting.Drawn)
              Drafting.of(
                  "x",
                  "mains 230 V 50 Hz TN-S\nspindle 1.5 kW 24000 rpm water-cooled\n" + asked + "\n",
                  CatalogueFile.standard());
      assertThat(
              beside.draft().project().functions().stream()
                  .filter(f -> f.name().contains("coolant pump")))
          .as(asked)
          .hasSize(1);
    }
    // An ordinary motor stays one of the mains' frequency.
    var plain =
        (Drafting.Drawn)
            Drafting.of("x", "mains 230 V 50 Hz TN-S\nspindle 1.5 kW\n", CatalogueFile.standard());
    assertThat(plain.draft().project().devices()).noneMatch(d -> d.part().startsWith("spindle-"));
    assertThat(CatalogueFile.standard().of(InductionMotor.class))
        .filteredOn(motor -> motor.id().startsWith("spindle-"))
        .allMatch(motor -> motor.frequency().isPresent() && motor.cooling().isPresent());
  }

  private static Panel behindKnob(String load, String knob) {
    return Panel.mains()
        .device("F", "breaker-1p-c6")
        .device("U", knob)
        .device("E", load)
        .wire("X0:L1", "F:1", 2.5, 0.5)
        .wire("F:2", "U:L", 2.5, 0.5)
        .wire("X0:N", "U:N", 2.5, 0.5)
        .wire("U:L1", "E:L", 1.5, 2)
        .wire("U:N1", "E:N", 1.5, 2);
  }

  @Test
  void onlyWhatBearsCutWavesStandsBehindAKnob() {
    var rule = new CutWaves();
    var knob = "phase-cut-10a-230v";
    assertThat(of(rule, behindKnob("appliance-router-900w", knob), "E").getFirst())
        .isInstanceOf(Verdict.Pass.class);
    assertThat(found(rule, behindKnob("appliance-router-speed-710w", knob), "E").title())
        .isEqualTo("Does not bear a phase-cut control");
    assertThat(found(rule, behindKnob("appliance-monitor-30w", knob), "E").severity())
        .isEqualTo(Severity.ERROR);
    assertThat(of(rule, behindKnob("fan-230v-20w", knob), "E").getFirst())
        .isInstanceOf(Verdict.NotChecked.class);
    var two =
        behindKnob("appliance-vacuum-1200w", knob)
            .device("E2", "appliance-vacuum-1200w")
            .wire("U:L1", "E2:L", 1.5, 2)
            .wire("U:N1", "E2:N", 1.5, 2);
    assertThat(found(rule, two, "E2").text()).contains("it carries 10 A");
  }

  @Test
  void aRouterWithSpeedControlIsDrawnUpBehindAKnob() {
    var drawn =
        (Drafting.Drawn)
            Drafting.of(
                "x",
                "mains 230 V 50 Hz TN-S\nupstream 16 A\nrouter 900 W speed control\n",
                CatalogueFile.standard());
    assertThat(drawn.draft().review().count(Severity.ERROR)).isZero();
    assertThat(drawn.draft().project().devices())
        .anyMatch(d -> d.part().equals("phase-cut-10a-230v"));
    assertThat(new CutWaves().check(drawn.draft().review().study()))
        .isNotEmpty()
        .allMatch(Verdict.Pass.class::isInstance);
  }

  /// The extractor on the second socket runs while the router on the first does, and not else.
  @Test
  void aSocketFollowsTheFirst() {
    var running = followed("appliance-router-900w").study().engine();
    var conditions = Conditions.usual(new Temperature(45));
    var live = running.solve(WhatIf.AS_DESIGNED, conditions);
    assertThat(volts(live)).isGreaterThan(200);
    // 30 W are 0.2 A and less than half an ampere: the master counts as off.
    var idle = followed("appliance-monitor-30w").study().engine();
    assertThat(volts(idle.solve(WhatIf.AS_DESIGNED, conditions))).isLessThan(1);
  }

  private static double volts(nelvar.core.network.Live live) {
    return live.voltage(new TerminalRef(new Id("E2"), "L"), new TerminalRef(new Id("E2"), "N"))
        .map(both -> both.rms())
        .orElse(0.0);
  }

  private static Panel followed(String master) {
    return Panel.mains()
        .device("F", "breaker-1p-c10")
        .device("X", "socket-strip-3-follows")
        .device("E1", master)
        .device("E2", "appliance-vacuum-1200w")
        .wire("X0:L1", "F:1", 2.5, 0.5)
        .wire("F:2", "X:L", 2.5, 0.5)
        .wire("X0:N", "X:N", 2.5, 0.5)
        .wire("X:L1", "E1:L", 1.5, 2)
        .wire("X:N1", "E1:N", 1.5, 2)
        .wire("X:L2", "E2:L", 1.5, 2)
        .wire("X:N2", "E2:N", 1.5, 2);
  }

  private static Panel plugged(String one, String other, double metres) {
    return Panel.dc()
        .device("P", one)
        .device("Q", other)
        .wire("T:+", "P:1A", 0.75, 1)
        .wire("T:-", "P:2A", 0.75, 1)
        .wire("P:1B", "Q:1A", 0.75, metres)
        .wire("P:2B", "Q:2A", 0.75, metres);
  }

  @Test
  void plugsGoTogetherByTheirSize() {
    var rule = new ConnectorsMate();
    var same = "plug-dc-5p5-2p1";
    assertThat(of(rule, plugged(same, same, 0), "P").getFirst()).isInstanceOf(Verdict.Pass.class);
    for (var other : List.of("plug-dc-5p5-2p5", "plug-dc-5p5-2p1-negative", "connector-4-16a"))
      assertThat(found(rule, plugged(same, other, 0), "P").severity()).isEqualTo(Severity.ERROR);
    assertThat(of(rule, plugged("connector-4-16a", "connector-4-16a", 0), "P").getFirst())
        .isInstanceOf(Verdict.NotChecked.class);
    assertThat(of(rule, plugged(same, "plug-dc-5p5-2p5", 1), "P")).as("a lead between").isEmpty();
  }
}
