package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import nelvar.core.analysis.Study;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Severity;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.WhatIf;
import nelvar.core.review.Review;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;

/// The yarn winder's list, drawn up by hand and by the program: device by device, and as it behaves
/// when it is solved.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DraftByHandTest {
  private Project project = Project.empty("", "", nelvar.core.sample.NewProject.usualBrief());
  private Study study = Study.of(project, CatalogueFile.standard());

  @BeforeAll
  void draw() {
    var drawn =
        (Drafting.Drawn)
            Drafting.of(
                "x", ShippedLists.text("yarn-winder").orElseThrow(), CatalogueFile.standard());
    project = drawn.draft().project();
    study = drawn.draft().review().study();
  }

  /// By hand:
  ///
  /// * two steppers 1.7 A on 24 V, each on a drive set to 1.7 A; the brake takes 6 W;
  /// * behind the stop: 2 · 0.67 · 1.7 A = 2.28 A, at 80 % headroom 2.85 A: 5 A;
  /// * always on: controller 0.5 A, safety relay 0.15 A, two contactor coils 2 · 0.19 A, pulse
  ///   pick-up 0.02 A, photo eye 0.03 A, lamp 0.04 A, a relay coil 0.02 A, the brake 0.25 A: 1.39
  ///   A, at 80 % 1.74 A: 2.5 A;
  /// * the brake hangs on contacts of the safety relay and of the first contactor, and on a relay
  ///   that the program closes; the controller's outputs stay on;
  /// * mains 0.35 A and 0.7 A: the least breakers that let 21 A and 27 A of inrush pass are D 2 A;
  /// * one line and N: a main switch of two poles, two contactors with one pole in use, no drive
  ///   and so no filter.
  @Test
  void everyDeviceByHand() {
    var expected = new TreeMap<String, String>();
    expected.putAll(
        Map.of(
            "-U1", "stepper-drive-50v-5a",
            "-U2", "stepper-drive-50v-5a",
            "-M1", "stepper-motor-1p7a",
            "-M2", "stepper-motor-1p7a",
            "-Y1", "stated-brake-24v-6w",
            "-B1", "pulse-pickup-24v",
            "-B2", "photo-eye-pnp",
            "-H1", "lamp-signal-24v-1w",
            "-A1", "motion-controller-4ax-sourcing",
            "-UC1", "enclosure-600x800x250"));
    expected.putAll(
        Map.of(
            "-S1", "stop-button-2nc",
            "-S2", "limit-switch-1nc",
            "-S3", "push-button-1no",
            "-S4", "push-button-1no",
            "-K1", "relay-6a-24vdc",
            "-K2", "contactor-3p-9a-24vdc",
            "-K3", "contactor-3p-9a-24vdc",
            "-K4", "safety-relay-24v",
            "-T1", "supply-24v-2p5a",
            "-T2", "supply-24v-5a"));
    expected.putAll(
        Map.of(
            "-F1", "electronic-4-2a",
            "-F2", "electronic-4-2a",
            "-F3", "breaker-1p-d2",
            "-F4", "breaker-1p-d2",
            "-Q1", "main-switch-2p-30a",
            "-X1", "inlet-1-n-pe"));
    var drawn = new TreeMap<String, String>();
    for (var device : project.devices())
      if (!device.part().startsWith("block-"))
        drawn.put(device.designation().text(), device.part());
    assertThat(drawn).isEqualTo(expected);
    assertThat(trip("U1")).isEqualTo(1.7);
    assertThat(device("K2").spare()).containsExactly("3", "4", "5", "6");
    assertThat(load("T1")).isBetween(1.38, 1.41);
    assertThat(load("T2")).isBetween(2.27, 2.29);
  }

  private Device device(String id) {
    return project.device(new Id(id)).orElseThrow();
  }

  private double trip(String id) {
    return device(id).trip().orElseThrow().amperes();
  }

  private double load(String supply) {
    return study.network().sources(device(supply)).stream()
        .mapToDouble(source -> study.designCurrent(source).amperes())
        .sum();
  }

  /// Solved with the reset pressed once, the drives have their 24 V; with the stop pressed both
  /// contactors are open and everything that moves is dead, while controller and lamp stay fed.
  @Test
  void theStopTakesWhatMovesAndLeavesWhatDoesNot() {
    var running = solve(false);
    assertThat(volts(running, "U1", "+", "-")).isGreaterThan(23);
    assertThat(volts(running, "Y1", "1", "2")).isGreaterThan(22);
    var stopped = solve(true);
    for (var load : new String[][] {{"U1", "+", "-"}, {"U2", "+", "-"}, {"Y1", "1", "2"}})
      assertThat(volts(stopped, load[0], load[1], load[2])).isLessThan(1);
    assertThat(volts(stopped, "A1", "+", "-")).isGreaterThan(23);
    assertThat(volts(stopped, "H1", "+", "-")).isGreaterThan(22);
    assertThat(stopped.on(new ActuatorRef(new Id("K2"), "coil"))).isFalse();
    assertThat(stopped.on(new ActuatorRef(new Id("K3"), "coil"))).isFalse();
  }

  private Live solve(boolean stop) {
    return study
        .engine()
        .solve(
            WhatIf.AS_DESIGNED.holding(new ActuatorRef(new Id("S1"), "pressed"), stop),
            Conditions.usual(new Temperature(45)));
  }

  private static double volts(Live live, String device, String plus, String minus) {
    return live.voltage(TerminalRef.of(device + ":" + plus), TerminalRef.of(device + ":" + minus))
        .map(both -> both.rms())
        .orElse(0.0);
  }

  /// One contactor that sticks keeps nothing running: the other one still opens.
  @Test
  void aContactorThatSticksDoesNotKeepItRunning() {
    for (var stuck : new String[] {"K2", "K3"}) {
      var live =
          study
              .engine()
              .solve(
                  WhatIf.AS_DESIGNED
                      .holding(new ActuatorRef(new Id("S1"), "pressed"), true)
                      .holding(new ActuatorRef(new Id(stuck), "coil"), true),
                  Conditions.usual(new Temperature(45)));
      assertThat(volts(live, "U1", "+", "-")).isLessThan(1);
    }
  }

  /// Outputs switch +: no output of the controller has its load between + and itself.
  @Test
  void loadsHangOnZeroVolt() {
    for (var wire : project.conductors())
      if (wire.from().device().text().equals("A1") && wire.from().terminal().startsWith("DO"))
        assertThat(wire.to().terminal()).isIn("A1", "+", "1");
    assertThat(project.conductors().stream().map(Conductor::label).distinct())
        .hasSize(project.conductors().size());
  }

  /// The program hears of the stop: the contact of the second contactor leads + to an input.
  @Test
  void theProgramHearsOfTheStop() {
    var input =
        project.conductors().stream()
            .filter(wire -> wire.from().equals(TerminalRef.of("K3:14")))
            .findFirst()
            .orElseThrow()
            .to();
    assertThat(input.device()).isEqualTo(new Id("A1"));
    assertThat(input.terminal()).startsWith("DI");
    assertThat(volts(solve(false), "A1", input.terminal(), "-")).isGreaterThan(15);
    assertThat(volts(solve(true), "A1", input.terminal(), "-")).isLessThan(5);
  }

  /// With an earth electrode of its own, what a fault to the press's body drives opens no breaker:
  /// the residual-current device does, and is told of.
  @Test
  void inTtAResidualCurrentDeviceStandsBeforeTheMachine() {
    var list = "upstream 25 A\nimpedance 0.6 Ω\n=PRS press: motor on the mains 3 kW\nstop button\n";
    var safe = draft("mains 3x400 V 50 Hz TT\n" + list);
    assertThat(residualDevices(safe)).containsExactly("rcd-4p-25a-300ma-a");
    assertThat(safe.reasons()).anyMatch(reason -> reason.startsWith("TT:"));
    assertThat(safe.review().open())
        .noneMatch(entry -> entry.finding().orElseThrow().severity() == Severity.ERROR);
    // It is on the way of the motor: with it taken for a plain switch the draft would not pass.
    var bare =
        safe.project().devices().stream()
            .map(device ->
                device.part().startsWith("rcd-") ? device.withPart("main-switch-4p-25a") : device)
            .toList();
    assertThat(
            Review.findingsOnly(safe.project().withDevices(bare), CatalogueFile.standard())
                .open()
                .stream()
                .map(entry -> entry.finding().orElseThrow().text()))
        .anyMatch(text -> text.contains("two earth electrodes"));
  }

  @Test
  void whatDrivesLeakTripsItToo() {
    assertThat(
            residualDevices(
                draft("mains 3x400 V 50 Hz TT\nupstream 25 A\nmotor on a drive 1.5 kW\n")))
        .containsExactly("rcd-4p-25a-300ma-b");
    assertThat(residualDevices(draft("mains 230 V 50 Hz TT\nmotor on a drive 0.37 kW\n")))
        .containsExactly("rcd-2p-25a-300ma-f");
    assertThat(residualDevices(draft("mains 3x400 V 50 Hz TN-S\nmotor on a drive 1.5 kW\n")))
        .isEmpty();
    assertThat(draft("mains 3x400 V 50 Hz IT\nmotor on the mains 1.5 kW\n").reasons())
        .anyMatch(reason -> reason.startsWith("IT:"));
  }

  private static Draft draft(String list) {
    return ((Drafting.Drawn) Drafting.of("x", list, CatalogueFile.standard())).draft();
  }

  private static List<String> residualDevices(Draft draft) {
    return draft.project().devices().stream()
        .map(Device::part)
        .filter(part -> part.startsWith("rcd-"))
        .toList();
  }
}
