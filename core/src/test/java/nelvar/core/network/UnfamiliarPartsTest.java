package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.Current;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;

/// Kinds of parts that machines outside a factory have: their volts and amperes by hand.
final class UnfamiliarPartsTest {
  private static final Conditions COLD = Conditions.usual(new Temperature(20));

  private static Live solve(Panel panel) {
    var live = panel.study().engine().solve(WhatIf.AS_DESIGNED, COLD);
    assertThat(live.outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
    return live;
  }

  private static Live.Both volts(Live live, String a, String b) {
    return live.voltage(TerminalRef.of(a), TerminalRef.of(b)).orElseThrow();
  }

  /// Appliances on a switched strip: 900 W at 0.95 on 230 V are 4.1 A; off, nothing.
  @Test
  void appliancesOnASocketStrip() {
    var panel =
        Panel.mains()
            .device("X", "socket-strip-6-switched")
            .wire("X0:L1", "X:L", 1.5, 2)
            .wire("X:N", "X0:N", 1.5, 2)
            .protective("X0:PE", "X:PE", 1.5)
            .device("E", "appliance-router-900w")
            .wire("X:L3", "E:L", 1, 3)
            .wire("E:N", "X:N3", 1, 3);
    var wire = panel.build().conductors().getFirst().id();
    assertThat(solve(panel).current(wire).orElseThrow().rms())
        .isCloseTo(900 / 230.94 / 0.95, within(0.1));
    var off = WhatIf.AS_DESIGNED.holding(new ActuatorRef(new Id("X"), "on"), false);
    assertThat(panel.study().engine().solve(off, COLD).current(wire).orElseThrow().rms())
        .isLessThan(1e-9);
  }

  /// 48 V to 24 V at 92 %: a load of 3 A takes 72 W, the converter 78.3 W, 1.63 A of 48 V.
  @Test
  void aDirectCurrentConverter() {
    var panel =
        Panel.dc("supply-48v-5a", "breaker-1p-c6")
            .device("U", "converter-48-24v-5a")
            .wire("T:+", "U:IN+", 1, 0.3)
            .wire("U:IN-", "T:-", 1, 0.3)
            .device("M", "pump-24v-3a")
            .wire("U:+", "M:+", 1, 0.3)
            .wire("M:-", "U:-", 1, 0.3);
    var live = solve(panel);
    assertThat(volts(live, "U:+", "U:-").direct()).isCloseTo(24, within(0.1));
    assertThat(live.current(panel.build().conductors().get(4).id()).orElseThrow().rms())
        .isCloseTo(24 * 3 / 0.92 / 48, within(0.03));
  }

  /// A toroid of 36 V and 9 V without load gives 6 % more: 38.2 V and 9.5 V; two windings of 18 V
  /// in series 38.2 V.
  @Test
  void aToroidWithSeveralSecondaries() {
    var panel =
        Panel.mains()
            .device("T", "toroid-500va-230-36-9")
            .wire("X0:L1", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1);
    var live = solve(panel);
    var mains = 230.94 / 230;
    assertThat(volts(live, "T:3", "T:4").rms()).isCloseTo(36 * 1.06 * mains, within(0.05));
    assertThat(volts(live, "T:5", "T:6").rms()).isCloseTo(9 * 1.06 * mains, within(0.02));
    var series =
        Panel.mains()
            .device("T", "toroid-300va-230-2x18")
            .wire("X0:L1", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1)
            .wire("T:4", "T:5", 1.5, 0.1);
    assertThat(volts(solve(series), "T:3", "T:6").rms()).isCloseTo(36 * 1.06 * mains, within(0.05));
  }

  private static Panel stepper(String drive, String motor, List<String> ends) {
    var panel =
        Panel.dc()
            .device("U", drive)
            .wire("T:+", "U:+", 1.5, 0.2)
            .wire("U:-", "T:-", 1.5, 0.2)
            .device("M", motor);
    for (var i = 0; i < 4; i++)
      panel.wire("U:" + List.of("A+", "A-", "B+", "B-").get(i), "M:" + ends.get(i), 1.5, 0.2);
    return panel;
  }

  /// Six leads, unipolar 2.8 A: end to end 2.8/√2 = 1.98 A; half coil all of it.
  @Test
  void sixLeads() {
    var series =
        stepper("stepper-drive-50v-5a", "stepper-motor-2a8-6lead", List.of("A+", "A-", "B+", "B-"));
    assertThat(series.study().network().feeds(new Id("M")))
        .allMatch(feed -> feed.source().isPresent());
    var wire = series.build().conductors().get(7).id();
    assertThat(solve(series).current(wire).orElseThrow().rms())
        .isCloseTo(2.8 / Math.sqrt(2), within(0.01));
    var half =
        stepper("stepper-drive-50v-5a", "stepper-motor-2a8-6lead", List.of("A+", "A0", "B+", "B0"));
    var project = half.build();
    var motor = project.device(new Id("M")).orElseThrow();
    project = Edits.leaveSpare(motor, "A-").then(Edits.leaveSpare(motor, "B-")).apply(project);
    var live = Panel.study(project).engine().solve(WhatIf.AS_DESIGNED, COLD);
    assertThat(live.current(wire).orElseThrow().rms()).isCloseTo(2.8, within(0.01));
  }

  /// Switched off by hand, or tripped, a residual-current device parts all of its lines; what it
  /// carries has no volts then.
  @Test
  void aResidualCurrentDeviceIsSwitchedOff() {
    var panel =
        Panel.mains()
            .device("Q", "rcd-2p-25a-30ma-a")
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "Q:1", 2.5, 0.5)
            .wire("X0:N", "Q:3", 2.5, 0.5)
            .wire("Q:2", "E:L", 1.5, 2)
            .wire("Q:4", "E:N", 1.5, 2);
    var engine = panel.study().engine();
    var lever = new ActuatorRef(new Id("Q"), "on");
    var heater = panel.build().device(new Id("E")).orElseThrow();
    var element = panel.study().part(heater).orElseThrow().intakes(heater.windings()).getFirst();
    assertThat(engine.solve(WhatIf.AS_DESIGNED, COLD).taken(heater, element).orElseThrow().watts())
        .isGreaterThan(95);
    var off = engine.solve(WhatIf.AS_DESIGNED.holding(lever, false), COLD);
    assertThat(off.taken(heater, element).orElseThrow().watts()).isZero();
    assertThat(
            off.voltage(
                nelvar.core.model.TerminalRef.of("E:L"), nelvar.core.model.TerminalRef.of("X0:N")))
        .as("neither line nor neutral leads on")
        .isEmpty();
  }

  /// Eight leads, 3 A each half: linked at the motor, four go to the drive. In series 3/√2 = 2.12
  /// A, which also counts until the link is stated; in parallel 3·√2 = 4.24 A; both give the heat
  /// of one half at 3 A.
  @Test
  void eightLeads() {
    var panel =
        stepper("stepper-drive-50v-5a", "stepper-motor-3a-8lead", List.of("A+", "A-", "B+", "B-"));
    var project = panel.build();
    var wire = project.conductors().get(7).id();
    assertThat(solve(panel).current(wire).orElseThrow().rms())
        .isCloseTo(3 / Math.sqrt(2), within(0.01));
    var motor = project.device(new Id("M")).orElseThrow();
    var parallel = Edits.link(motor, nelvar.core.catalogue.Linkage.PARALLEL);
    assertThat(parallel.label()).contains("in parallel");
    var study = Panel.study(parallel.apply(project));
    assertThat(study.engine().solve(WhatIf.AS_DESIGNED, COLD).current(wire).orElseThrow().rms())
        .isCloseTo(3 * Math.sqrt(2), within(0.01));
  }

  /// A drive set to 1.5 A gives 1.5 A into a motor of 3 A and takes 0.67 · 1.5 A = 1.0 A.
  @Test
  void theSetCurrentReachesTheWinding() {
    var panel =
        stepper("stepper-drive-50v-5a", "stepper-motor-3a", List.of("A+", "A-", "B+", "B-"));
    var project = panel.build();
    project =
        Edits.trip(project.device(new Id("U")).orElseThrow(), Optional.of(new Current(1.5)))
            .apply(project);
    var study = Panel.study(project);
    var live = study.engine().solve(WhatIf.AS_DESIGNED, COLD);
    assertThat(live.current(project.conductors().get(7).id()).orElseThrow().rms())
        .isCloseTo(1.5, within(0.01));
    assertThat(live.current(project.conductors().get(4).id()).orElseThrow().rms())
        .isCloseTo(1.0, within(0.02));
    // The paper agrees: what the sizing counts with is the same ampere.
    assertThat(study.designCurrent(project.conductors().get(4)).amperes())
        .isCloseTo(1.0, within(0.02));
  }

  /// A board with drives takes 0.25 A for itself and 0.67 A for each ampere of an axis, here set to
  /// 1.8 A.
  @Test
  void aBoardWithDrives() {
    var panel =
        Panel.dc()
            .device("A", "board-4-axes-24v-2a")
            .wire("T:+", "A:+", 1.5, 0.2)
            .wire("A:-", "T:-", 1.5, 0.2)
            .device("M", "stepper-motor-3a");
    for (var end : List.of("A+", "A-", "B+", "B-")) panel.wire("A:2" + end, "M:" + end, 0.75, 0.5);
    var project = panel.build();
    var board = project.device(new Id("A")).orElseThrow();
    project = Edits.trip(board, Optional.of(new Current(1.8))).apply(project);
    var live = Panel.study(project).engine().solve(WhatIf.AS_DESIGNED, COLD);
    assertThat(live.current(project.conductors().get(4).id()).orElseThrow().rms())
        .isCloseTo(0.25 + 0.67 * 1.8, within(0.02));
  }

  /// An adjustable supply gives what it is set to, in the engine and on paper.
  @Test
  void anAdjustableSupply() {
    var panel = Panel.dc("supply-24v-10a-adjustable", "breaker-1p-c6");
    var project = panel.build();
    var supply = project.device(new Id("T")).orElseThrow();
    var set = Edits.output(supply, Optional.of(new Voltage(27))).apply(project);
    var study = Panel.study(set);
    var live = study.engine().solve(WhatIf.AS_DESIGNED, COLD);
    assertThat(volts(live, "T:+", "T:-").direct()).isCloseTo(27, within(0.01));
    assertThat(
            study.network().sources().stream()
                .filter(source -> source.device().id().equals(new Id("T")))
                .findFirst()
                .orElseThrow()
                .output()
                .voltage())
        .isEqualTo(new Voltage(27));
    // Beyond what it can be set to, its nominal voltage counts.
    var beyond = Edits.output(supply, Optional.of(new Voltage(40))).apply(project);
    assertThat(
            volts(Panel.study(beyond).engine().solve(WhatIf.AS_DESIGNED, COLD), "T:+", "T:-")
                .direct())
        .isCloseTo(24, within(0.01));
  }

  /// A board of 0.3 A that hangs on the USB port of a desk computer, and on the 0 V of a supply
  /// that is bonded to earth.
  private static Panel onUsb(String computer) {
    return Panel.dc()
        .protective("T:-", "X0:PE", 1.5)
        .device("E", computer)
        .wire("X0:L2", "E:L", 1, 2)
        .wire("E:N", "X0:N", 1, 2)
        .part(
            new nelvar.core.catalogue.SignalLamp(
                "led-5v",
                "Board, 5 V",
                nelvar.core.catalogue.Article.UNKNOWN,
                new nelvar.core.units.VoltageRange(
                    new nelvar.core.units.Voltage(4.5), new nelvar.core.units.Voltage(5.5)),
                new Current(0.3),
                Optional.empty()))
        .device("A", "led-5v")
        .wire("E:5V", "A:+", 0.25, 1)
        .wire("A:-", "E:0V", 0.25, 1);
  }

  /// By hand: 78.7 mΩ/m of 0.25 mm² carry 0.3 A there and back, 2 · 23.6 mV less than 5 V; a short
  /// of the port draws 1.1 times its 0.5 A and opens nothing.
  @Test
  void aUsbPortIsASmallSupply() {
    var live = solve(onUsb("computer-laptop-65w"));
    assertThat(volts(live, "A:+", "A:-").direct()).isCloseTo(5 - 0.047, within(0.01));
    assertThat(live.joinedToEarth(TerminalRef.of("A:-"))).isFalse();
    var bridged =
        onUsb("computer-laptop-65w")
            .study()
            .engine()
            .solve(
                WhatIf.AS_DESIGNED.togglingShort(TerminalRef.of("A:+"), TerminalRef.of("A:-")),
                COLD);
    assertThat(bridged.shorts().getFirst().current().orElseThrow().rms())
        .isCloseTo(0.55, within(0.01));
    assertThat(bridged.shorts().getFirst().end()).isInstanceOf(ShortCircuit.End.Limits.class);
  }

  /// The chassis of a desk computer bonds the board's 0 V to earth, and is a way back for the
  /// current of the supply when its own return is broken: with the computer on, and with it off.
  @Test
  void theChassisOfAComputerIsAWayBack() {
    var panel =
        onUsb("computer-desk-150w")
            .protective("E:PE", "X0:PE", 1)
            .device("H", "lamp-led-24v-10w")
            .wire("T:+", "H:+", 0.75, 1)
            .wire("H:-", "A:-", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1);
    var wires = panel.build().conductors();
    var back = wires.getLast().id();
    var mains = wires.stream().filter(w -> w.to().equals(TerminalRef.of("E:L"))).findFirst();
    var engine = panel.study().engine();
    for (var off : new boolean[] {false, true}) {
      var trial = WhatIf.AS_DESIGNED.togglingCut(back);
      if (off) trial = trial.togglingCut(mains.orElseThrow().id());
      var live = engine.solve(trial, COLD);
      assertThat(live.joinedToEarth(TerminalRef.of("A:-"))).isTrue();
      assertThat(volts(live, "H:+", "H:-").direct()).isCloseTo(24, within(0.2));
      var chassis = wires.stream().filter(w -> w.from().equals(TerminalRef.of("E:PE"))).findFirst();
      assertThat(Math.abs(live.current(chassis.orElseThrow().id()).orElseThrow().direct()))
          .as("10 W of 24 V through the chassis")
          .isCloseTo(10.0 / 24, within(0.01));
    }
  }

  /// Two windings of 18 V in series before a bridge: on paper 36 V, as the engine has it; both give
  /// the current, and the primary takes the watts of both.
  @Test
  void windingsInSeriesAreOneSource() {
    var panel =
        Panel.mains()
            .device("F", "breaker-1p-c4")
            .wire("X0:L1", "F:1", 1.5, 1)
            .device("T", "toroid-300va-230-2x18")
            .wire("F:2", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1)
            .wire("T:4", "T:5", 1.5, 0.1)
            .device("B", "rectifier-48vac-10a-22mf")
            .wire("T:3", "B:~1", 1.5, 0.2)
            .wire("T:6", "B:~2", 1.5, 0.2);
    var study = panel.study();
    var feed = study.network().feeds(new Id("B")).getFirst();
    assertThat(feed.state()).isEqualTo(Feed.State.FED);
    assertThat(feed.voltage().volts()).isCloseTo(36, within(1e-9));
    assertThat(feed.below()).hasSize(1);
    var live = solve(panel);
    assertThat(volts(live, "T:3", "T:6").alternating().magnitude())
        .isCloseTo(36 * 1.06, within(0.6));
    // In the tree of powers the transformer stands once, with the watts of both its windings.
    var tree =
        nelvar.core.analysis.load.PowerTree.of(study).stream()
            .flatMap(root -> root.all())
            .filter(branch -> branch.device().id().equals(new Id("T")))
            .toList();
    assertThat(tree).hasSize(1);
    assertThat(tree.getFirst().power().watts())
        .isCloseTo(
            study.network().feeds(new Id("T")).stream()
                .mapToDouble(one -> study.currents().drawn(one).designWatts())
                .sum(),
            within(1e-9));
    // The other way round they give nothing, and that is no feed.
    var against =
        Panel.mains()
            .device("T", "toroid-300va-230-2x18")
            .wire("X0:L1", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1)
            .wire("T:4", "T:6", 1.5, 0.1)
            .device("B", "rectifier-48vac-10a-22mf")
            .wire("T:3", "B:~1", 1.5, 0.2)
            .wire("T:5", "B:~2", 1.5, 0.2);
    assertThat(against.study().network().feeds(new Id("B")).getFirst().state())
        .isNotEqualTo(Feed.State.FED);
    assertThat(volts(solve(against), "T:3", "T:5").alternating().magnitude()).isLessThan(0.1);
  }

  /// Two supplies of 24 V in series feed 48 V; each is asked half of the watts and all of the
  /// amperes: 0.35 A of 48 V are 16.8 W, 8.4 W of each.
  @Test
  void suppliesInSeriesShareTheWatts() {
    var panel =
        Panel.dc()
            .device("T2", "supply-24v-10a")
            .wire("F:2", "T2:L", 1.5, 1)
            .wire("T2:N", "X0:N", 1.5, 1)
            .wire("T:-", "T2:+", 2.5, 0.2)
            .device("Y", "brake-48vdc-17w")
            .wire("T:+", "Y:1", 1.5, 1)
            .wire("Y:2", "T2:-", 1.5, 1);
    var study = panel.study();
    assertThat(study.network().feeds(new Id("Y")).getFirst().voltage().volts())
        .isCloseTo(48, within(1e-9));
    for (var source : study.network().sources())
      if (!source.output().alternating())
        assertThat(study.designCurrent(source).amperes()).isCloseTo(0.35, within(1e-6));
    var live = solve(panel);
    assertThat(volts(live, "Y:1", "Y:2").direct()).isCloseTo(48, within(0.1));
    for (var id : java.util.List.of("T", "T2")) {
      var intake = study.network().feeds(new Id(id)).getFirst();
      var solved = live.taken(intake.device(), intake.intake()).orElseThrow().watts();
      assertThat(study.currents().drawn(intake).designWatts()).isCloseTo(solved, within(0.1));
    }
  }
}
