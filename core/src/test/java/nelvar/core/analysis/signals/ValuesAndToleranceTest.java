package nelvar.core.analysis.signals;

import static nelvar.core.analysis.signals.Boards.board;
import static nelvar.core.analysis.signals.Boards.found;
import static nelvar.core.analysis.signals.Boards.link;
import static nelvar.core.analysis.signals.Boards.panel;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink.Standing;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Severity;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Drop, leakage, loading, lift, groups and pulses, each by hand.
class ValuesAndToleranceTest {
  private static Controller inputs(String type) {
    return board("pin,type,thresholds", "DI1,input-reads-plus," + type);
  }

  private static Study sensing(Controller board, String sensor) {
    return panel(board)
        .device("B", sensor)
        .wire("T:+", "B:+", 0.5, 5)
        .wire("B:OUT", "A:DI1", 0.5, 5)
        .study();
  }

  /// 24 V less 5 V of drop; 0.8 mA through 3.3, 1.8 and 4.7 kΩ leave 2.64, 1.44 and 3.76 V, all
  /// below the 5 V of IEC 61131-2. The inputs take 5.8, 10.6 and 4.0 mA where the sensor wants 3.
  @ParameterizedTest
  @CsvSource({"type-1,2.64", "type-2,1.44", "type-3,3.76"})
  void aTwoWireSensorLeavesWhatItLeaks(String type, double rest) {
    var link = link(sensing(inputs(type), "inductive-m12-two-wire"), "DI1");
    assertThat(link.standing()).as(link.words()).isEqualTo(Standing.SURE);
    assertThat(link.on().orElseThrow().volts().volts()).isCloseTo(19, within(0.05));
    assertThat(link.off().orElseThrow().volts().volts()).isCloseTo(rest, within(0.01));
  }

  /// With 8 V and 1.5 mA, as IEC 60947-5-2 allows, a type 3 input of 4.7 kΩ rests at 7.05 V: where
  /// the maker says so it is wrong, where nobody says anything it is not proved.
  @Test
  void whatAStandardAllowsProvesNothing() {
    var said = link(sensing(inputs("type-3"), two("8 V", "1.5 mA")), "DI1");
    assertThat(said.standing()).isEqualTo(Standing.WRONG);
    assertThat(said.worstOnly()).isTrue();
    assertThat(said.off().orElseThrow().volts().volts()).isCloseTo(7.05, within(0.01));
    var unsaid = link(sensing(inputs("type-3"), two("", "")), "DI1");
    assertThat(unsaid.standing()).as(unsaid.words()).isEqualTo(Standing.UNPROVED);
    assertThat(unsaid.words()).contains("not stated");
  }

  private static Study sensing(Controller board, Sensor sensor) {
    return panel(board)
        .part(sensor)
        .device("B", sensor.id())
        .wire("T:+", "B:+", 0.5, 5)
        .wire("B:OUT", "A:DI1", 0.5, 5)
        .study();
  }

  private static Sensor two(String drop, String leak) {
    var shipped = (Sensor) CatalogueFile.standard().find("inductive-m12-two-wire").orElseThrow();
    var data = shipped.stated();
    return new Sensor(
        "two",
        "Two-wire sensor",
        shipped.article(),
        shipped.input(),
        shipped.current(),
        SensorOutput.TWO_WIRE,
        drop.isEmpty()
            ? java.util.Optional.empty()
            : java.util.Optional.of(
                new nelvar.core.catalogue.SensorData(
                    java.util.Optional.of(new nelvar.core.units.Voltage(8)),
                    java.util.Optional.of(
                        new nelvar.core.units.Current(leak.isEmpty() ? 0 : 0.0015)),
                    data.leastLoad(),
                    data.greatestLoad(),
                    data.source(),
                    data.response(),
                    data.frequency(),
                    data.distance(),
                    data.face(),
                    data.flush(),
                    data.hysteresis())));
  }

  /// 50 Ω into 20 kΩ take 0.25 %; twelve bits divide 10 V in steps of 2.44 mV.
  @Test
  void aCommandIsLoadedAndComesBack() {
    var right = commanded("A:AO0");
    var link = link(right, "AO1");
    assertThat(link.standing()).as(link.words()).isEqualTo(Standing.SURE);
    assertThat(link.on().orElseThrow().volts().volts())
        .isCloseTo(10 * 20000 / 20050.0, within(1e-6));
    assertThat(link.words()).contains("2.44 mV");
    assertThat(Boards.at(new AnalogueLevel(), right, "AO1")).hasSize(1);
    var open = link(commanded(""), "AO1");
    assertThat(open.standing()).isEqualTo(Standing.WRONG);
    assertThat(open.words()).contains("way back is missing");
    assertThat(found(new AnalogueLevel(), commanded("")).orElseThrow().severity())
        .isEqualTo(Severity.WARNING);
  }

  private static Study commanded(String zero) {
    var panel =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .device("U", "drive-1ph-230-0p37kw")
            .wire("A:AO1", "U:AI", 0.25, 2);
    return (zero.isEmpty() ? panel : panel.wire(zero, "U:AI0", 0.25, 2)).study();
  }

  /// 20 mA over 250 Ω are 5 V; over 100 kΩ they are nothing an input reads.
  @Test
  void milliamperesNeedTheirResistor() {
    var set = board("pin,type,burden,bits", "AI1,analogue-input,250 Ω,12");
    var link = link(sent(set), "AI1");
    assertThat(link.standing()).as(link.words()).isEqualTo(Standing.SURE);
    assertThat(link.on().orElseThrow().volts().volts()).isCloseTo(5, within(1e-9));
    var bare = sent(board("pin,type", "AI1,analogue-input"));
    assertThat(link(bare, "AI1").standing()).isEqualTo(Standing.WRONG);
    assertThat(found(new AnalogueLevel(), bare).orElseThrow().text()).contains("500 Ω");
    var heavy = sent(board("pin,type,burden", "AI1,current-input,750 Ω"));
    assertThat(link(heavy, "AI1").words()).contains("drives 500 Ω at most");
  }

  private static Study sent(Controller board) {
    return panel(board)
        .device("B", "transmitter-4-20ma")
        .wire("T:+", "B:+", 0.5, 5)
        .wire("B:-", "T:-", 0.5, 5)
        .wire("B:OUT", "A:AI1", 0.5, 5)
        .study();
  }

  /// Three valves of 4.8 W at 24 V take 0.6 A: the pins may carry 0.5 A each, their group 0.5 A.
  @Test
  void aGroupAddsUp() {
    var board =
        board(
            "pin,type,rating,group,group rating",
            "Q1,output-sinking,0.5 A,G,0.5 A",
            "Q2,output-sinking,0.5 A,G,0.5 A",
            "Q3,output-sinking,0.5 A,G,0.5 A");
    var three = valves(board, 3);
    assertThat(found(new OutputRating(), three).orElseThrow().text()).contains("group G");
    assertThat(found(new OutputRating(), valves(board, 2))).isEmpty();
  }

  private static Study valves(Controller board, int count) {
    var panel = panel(board);
    for (var n = 1; n <= count; n++)
      panel
          .device("Y" + n, "valve-24vdc-4w8")
          .wire("T:+", "Y" + n + ":1", 0.75, 2)
          .wire("Y" + n + ":2", "A:Q" + n, 0.75, 2);
    return panel.study();
  }

  /// A pin that bears 12 V switches the 24 V of a valve.
  @Test
  void anOutputBearsWhatItSwitches() {
    var low = valves(board("pin,type,rating,greatest volts", "Q1,output-sinking,0.5 A,12 V"), 1);
    assertThat(link(low, "Q1").standing()).isEqualTo(Standing.WRONG);
    assertThat(found(new OutputRating(), low).orElseThrow().text()).contains("bears 12 V");
    var right = valves(board("pin,type,rating,greatest volts", "Q1,output-sinking,0.5 A,30 V"), 1);
    assertThat(link(right, "Q1").standing()).isEqualTo(Standing.SURE);
    assertThat(link(right, "Q1").off().orElseThrow().volts().volts()).isCloseTo(24, within(0.1));
  }

  @Test
  void aRelayChattersOnPulsesAndAFanDoesNot() {
    var board = board("pin,type,rating,frequency", "Q1,output-pwm,1 A,200 Hz");
    var relay =
        panel(board)
            .device("K", "relay-6a-24vdc")
            .wire("T:+", "K:A1", 0.75, 2)
            .wire("K:A2", "A:Q1", 0.75, 2)
            .study();
    assertThat(found(new PulsedLoads(), relay).orElseThrow().text()).contains("chatters");
    var fan =
        panel(board)
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 0.75, 2)
            .wire("M:-", "A:Q1", 0.75, 2)
            .study();
    assertThat(Boards.passes(new PulsedLoads(), fan)).isEqualTo(1);
  }

  /// The fan turns from 50 % on, by its data; what moves no air cools nothing. A pump without data:
  /// 60 %.
  @ParameterizedTest
  @CsvSource({
    "fan-24v-0p25a, 49, false, 50 %",
    "fan-24v-0p25a, 50, true, 50 %",
    "pump-24v-3a, 30, true, 60 %",
    "pump-24v-3a, 100, true, 60 %"
  })
  void aFanTurnsFromSomeWidthOn(String part, double width, boolean turns, String least) {
    var board = board("pin,type,rating,frequency", "Q1,output-pwm,5 A,200 Hz");
    var panel =
        panel(board)
            .device("M", part)
            .works(100, 100, width)
            .wire("T:+", "M:+", 0.75, 2)
            .wire("M:-", "A:Q1", 0.75, 2)
            .cabinet(600, 800, 250)
            .at("M", nelvar.core.model.Surface.RIGHT, 40, 300);
    var found = found(new PulsedLoads(), panel.study());
    assertThat(found.isEmpty()).isEqualTo(turns);
    var air =
        nelvar.core.analysis.thermal.CabinetAir.of(
            panel.build().layout().cabinets().getFirst(), panel.study());
    var said = air.trail().lines().toString();
    if (turns) assertThat(said).doesNotContain("do not turn it");
    else {
      assertThat(found.orElseThrow().text()).contains(least + " at least");
      var cured = found.orElseThrow().proposals().getFirst().edit().apply(panel.build());
      assertThat(found(new PulsedLoads(), Panel.study(cured))).isEmpty();
      if (part.startsWith("fan")) assertThat(said).contains("do not turn it");
    }
  }

  @Test
  void whatIsOnWhileBootingMovesNothing() {
    var on = board("pin,type,rating,boots", "Q1,output-sinking,0.5 A,on");
    assertThat(found(new OnWhileBooting(), valves(on, 1)).orElseThrow().text()).contains("-Y1");
    var off = board("pin,type,rating,boots", "Q1,output-sinking,0.5 A,off");
    assertThat(Boards.passes(new OnWhileBooting(), valves(off, 1))).isEqualTo(1);
  }

  @Test
  void aRelayWithoutItsCommonSwitchesNothing() {
    var board = board("pin,type,rating,common", "R1,output-contact,2 A,RC");
    var panel =
        panel(board)
            .device("Y", "valve-24vdc-4w8")
            .wire("A:R1", "Y:1", 0.75, 2)
            .wire("Y:2", "T:-", 0.75, 2);
    assertThat(found(new Commons(), panel.study()).orElseThrow().text()).contains("RC");
    assertThat(Boards.passes(new Commons(), panel.wire("T:+", "A:RC", 0.75, 2).study()))
        .isEqualTo(1);
  }

  @Test
  void countingFromNoughtAndFromOneIsSaid() {
    var off =
        board(
            "pin,type,rating,firmware",
            "Q1,output-sinking,0.5 A,out.0",
            "Q2,output-sinking,0.5 A,out.1");
    assertThat(found(new Numbering(), valves(off, 2)).orElseThrow().text()).contains("Q1, Q2");
    // Two and three on one and two: neighbours, not another way to count.
    var beside =
        board(
            "pin,type,rating,firmware",
            "Q2,output-sinking,0.5 A,out.1",
            "Q3,output-sinking,0.5 A,out.2");
    var panel = panel(beside);
    for (var n : java.util.List.of(2, 3))
      panel
          .device("Y" + n, "valve-24vdc-4w8")
          .wire("T:+", "Y" + n + ":1", 0.75, 2)
          .wire("Y" + n + ":2", "A:Q" + n, 0.75, 2);
    assertThat(found(new Numbering(), panel.study())).isEmpty();
    var same =
        board(
            "pin,type,rating,firmware",
            "Q1,output-sinking,0.5 A,out.1",
            "Q2,output-sinking,0.5 A,out.2");
    assertThat(found(new Numbering(), valves(same, 2))).isEmpty();
  }

  @Test
  void aHomingSwitchInSeriesWithALimitIsFound() {
    var panel =
        panel(inputs("type-3"))
            .device("S1", "limit-switch-1nc")
            .purpose("home of the arm")
            .device("S2", "limit-switch-1nc")
            .purpose("limit of the arm")
            .wire("T:+", "S2:11", 0.5, 5)
            .wire("S2:12", "S1:11", 0.5, 5)
            .wire("S1:12", "A:DI1", 0.5, 5);
    assertThat(found(new HomeToldFromStop(), panel.study()).orElseThrow().text())
        .contains("-S1", "-S2");
  }

  /// A button on 24 V a.c. behind a bridge: 24 · √2 is 34 V at rest with the mains at its nominal
  /// volts, and more with it high; an input of 24 V bears 30 V. On an electronic supply it is sure.
  @Test
  void aLinearSupplyGivesMoreThanAnInputBears() {
    var linear =
        Panel.mains()
            .device("F", "breaker-1p-c6")
            .wire("X0:L1", "F:1", 1.5, 0.5)
            .device("TA", "transformer-160va-230-24")
            .wire("F:2", "TA:1", 1.5, 0.5)
            .wire("TA:2", "X0:N", 1.5, 0.5)
            .device("T", "rectifier-24vac-10a-22mf")
            .wire("TA:3", "T:~1", 1.5, 0.3)
            .wire("TA:4", "T:~2", 1.5, 0.3)
            .part(inputs("type-3"))
            .device("A", "own-test-board")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .device("S", "push-button-1no")
            .wire("T:+", "S:13", 0.5, 5)
            .wire("S:14", "A:DI1", 0.5, 5)
            .study();
    var link = link(linear, "DI1");
    assertThat(link.standing()).as(link.words()).isEqualTo(Standing.WRONG);
    assertThat(link.on().orElseThrow().volts().volts()).isGreaterThan(34);
    assertThat(found(new InputLevel(), linear).orElseThrow().text()).contains("bears 30 V");
  }

  /// A relay of 5 A on the board: at 24 V a usual one breaks 5 A of direct current and a plate of
  /// 60 W takes 2.5; at 48 V it breaks 1 A, and a motor with its drive of 180 W takes more.
  @Test
  void aRelayOnTheBoardIsNotSureOfWhatItUsuallyCannotBreak() {
    assertThat(heated("supply-24v-10a", "plate-60w-24v").standing()).isEqualTo(Standing.SURE);
    var high = heated("supply-48v-10a", "servo-with-drive-48v-180w");
    assertThat(high.standing()).as(high.words()).isEqualTo(Standing.UNPROVED);
    assertThat(high.words()).contains("breaks 1 A");
  }

  private static PinLink heated(String supply, String load) {
    var board = board("pin,type,rating,common", "R1,output-contact,5 A,RC");
    var ends = load.startsWith("plate") ? java.util.List.of("1", "2") : java.util.List.of("+", "-");
    return link(
        panel(board)
            .device("F9", "breaker-1p-c6")
            .device("T9", supply)
            .wire("X0:L2", "F9:1", 2.5, 0.5)
            .wire("F9:2", "T9:L", 2.5, 0.5)
            .wire("T9:N", "X0:N", 2.5, 0.5)
            .device("E", load)
            .wire("T9:+", "A:RC", 1.5, 1)
            .wire("A:R1", "E:" + ends.getFirst(), 1.5, 1)
            .wire("E:" + ends.getLast(), "T9:-", 1.5, 1)
            .wire("T9:-", "T:-", 1.5, 1)
            .study(),
        "R1");
  }

  /// Brown is +, blue 0 V and black the signal; blue on + is said, white is somebody's habit, and
  /// single wires have the colours of the cabinet.
  @ParameterizedTest
  @CsvSource({
    "brown,blue,black,pass",
    "blue,brown,black,finding",
    "brown,blue,white,pass",
    "black,blue,brown,finding"
  })
  void coloursOfASensor(String plus, String zero, String out, String expected) {
    for (var cable : new boolean[] {true, false}) {
      var study = coloured(plus, zero, out, cable);
      var verdict = new SensorColours().check(study).findFirst();
      assertThat(
              verdict
                  .map(v -> v instanceof nelvar.core.finding.Verdict.Pass ? "pass" : "finding")
                  .orElse("none"))
          .isEqualTo(cable ? expected : "none");
    }
  }

  private static Study coloured(String plus, String zero, String out, boolean cable) {
    var panel =
        panel(inputs("type-3"))
            .device("B", "inductive-m12-pnp")
            .wire("T:+", "B:+", 0.34, 5)
            .wire("B:-", "T:-", 0.34, 5)
            .wire("B:OUT", "A:DI1", 0.34, 5);
    var project = panel.build();
    var colours = java.util.Map.of("B:+", plus, "B:-", zero, "B:OUT", out);
    var wires = new java.util.ArrayList<nelvar.core.model.Conductor>();
    for (var wire : project.conductors()) {
      var end = wire.from().device().text().equals("B") ? wire.from() : wire.to();
      var colour = java.util.Optional.ofNullable(colours.get(end.toString()));
      wires.add(
          colour.isEmpty()
              ? wire
              : new nelvar.core.model.Conductor(
                  wire.id(),
                  wire.label(),
                  wire.from(),
                  wire.to(),
                  wire.function(),
                  wire.section(),
                  wire.length(),
                  colour,
                  cable ? java.util.Optional.of(new nelvar.core.model.Id("WB")) : wire.cable(),
                  cable ? java.util.Optional.empty() : wire.bundle()));
    }
    return Panel.study(project.withConductors(wires));
  }
}
