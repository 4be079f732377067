package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.Panel;
import nelvar.core.UnfamiliarMachines;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Engine;
import nelvar.core.network.Live;
import nelvar.core.network.Outcome;
import nelvar.core.network.Positions;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Duration;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/// Ten machines of other trades, each running, from cold, stopped, and just switched off: every
/// volt beside a general-purpose circuit simulator, and those that matter by hand.
final class UnfamiliarMachinesTest {
  private static final Conditions USUAL = Conditions.usual(new Temperature(20));

  @TempDir Path folder;

  static Stream<Arguments> machines() {
    return Stream.of(
        Arguments.of("foam cutter", UnfamiliarMachines.foamCutter()),
        Arguments.of("stone saw", UnfamiliarMachines.stoneSaw()),
        Arguments.of("label unwinder", UnfamiliarMachines.labelUnwinder()),
        Arguments.of("egg candler", UnfamiliarMachines.eggCandler()),
        Arguments.of("bottle brush", UnfamiliarMachines.bottleBrush()),
        Arguments.of("tablet drill", UnfamiliarMachines.tabletDrill()),
        Arguments.of("loom", UnfamiliarMachines.loom()),
        Arguments.of("sensor bench", UnfamiliarMachines.sensorBench()),
        Arguments.of("polisher", UnfamiliarMachines.polisher()),
        Arguments.of("ring oven", UnfamiliarMachines.ringOven()));
  }

  private static ActuatorRef hand(String device, Engine engine) {
    return engine.circuitry(USUAL.wires()).actuators(new Id(device)).getFirst();
  }

  /// Stop pressed and main switch off, where the machine has them; else its first wire cut, as when
  /// a plug is pulled.
  private static List<WhatIf> ends(Panel panel, Engine engine) {
    var all = new ArrayList<WhatIf>();
    for (var device : panel.build().devices()) {
      if (device.id().equals(new Id("S")))
        all.add(WhatIf.AS_DESIGNED.holding(hand("S", engine), true));
      if (device.id().equals(new Id("Q")) || device.id().equals(new Id("X1")))
        if (!engine.circuitry(USUAL.wires()).actuators(device.id()).isEmpty())
          all.add(WhatIf.AS_DESIGNED.holding(hand(device.id().text(), engine), false));
    }
    all.add(WhatIf.AS_DESIGNED.togglingCut(panel.build().conductors().getFirst().id()));
    return all;
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("machines")
  void everyStateAgreesWithASimulator(String name, Panel panel) throws Exception {
    var engine = panel.study().engine();
    var states = new ArrayList<Live>();
    states.add(engine.solve(WhatIf.AS_DESIGNED, USUAL));
    states.add(
        engine.solve(WhatIf.AS_DESIGNED, USUAL, Positions.cold(engine.circuitry(USUAL.wires()))));
    for (var end : ends(panel, engine)) {
      states.add(engine.solve(end, USUAL));
      states.add(engine.after(WhatIf.AS_DESIGNED, end, USUAL, new Duration(0)));
      states.add(engine.after(WhatIf.AS_DESIGNED, end, USUAL, new Duration(5)));
    }
    for (var live : states) {
      assertThat(live.outcome()).as(name + " " + live.tried()).isEqualTo(new Outcome.Settled());
      BesideSimulator.agrees(panel.build(), live, folder);
    }
  }

  private static Live running(Panel panel) {
    return panel.study().engine().solve(WhatIf.AS_DESIGNED, USUAL);
  }

  private static double volts(Live live, String a, String b) {
    return live.voltage(TerminalRef.of(a), TerminalRef.of(b)).map(Live.Both::rms).orElse(0.0);
  }

  private static double amperes(Live live, Panel panel, String from, String to) {
    return panel.build().conductors().stream()
        .filter(w -> w.from().equals(TerminalRef.of(from)) && w.to().equals(TerminalRef.of(to)))
        .findFirst()
        .flatMap(w -> live.current(w.id()))
        .orElseThrow()
        .rms();
  }

  /// By hand: 900 W at a true power factor of 0.95 and some 229 V are 4.14 A. 2.5 A there and back
  /// over 3 m of 0.75 mm² (26 mΩ/m, IEC 60228 class 5, unchecked) and 2 mΩ of landings lose 0.395 V
  /// of 24 V, the supply itself 0.2 % at its rating (common practice), 0.04 V. The bond through the
  /// computer's port carries nothing: it is the only one.
  @Test
  void foamCutter() {
    var panel = UnfamiliarMachines.foamCutter();
    var live = running(panel);
    assertThat(amperes(live, panel, "X1:L1", "E1:L")).isCloseTo(4.14, within(0.05));
    assertThat(volts(live, "M:+", "M:-")).isCloseTo(24 - 0.04 - 0.395, within(0.01));
    assertThat(live.joinedToEarth(TerminalRef.of("T:-"))).isTrue();
    assertThat(amperes(live, panel, "T:-", "E2:0V")).isLessThan(0.001);
    assertThat(live.toEarth(TerminalRef.of("T:+")).orElseThrow().direct())
        .isCloseTo(24, within(0.1));
  }

  /// By hand: 66 W twice at some 47 V are 2.8 A; the bank of 22.4 mF with 470 Ω falls to e^(−1) in
  /// 10.5 s.
  @Test
  void stoneSaw() {
    var panel = UnfamiliarMachines.stoneSaw();
    var live = running(panel);
    var bus = volts(live, "B:+", "B:-");
    assertThat(bus).isBetween(44.0, 51.0);
    assertThat(amperes(live, panel, "B:+", "M1:+")).isCloseTo(66 / bus, within(0.03));
    var engine = panel.study().engine();
    var off = WhatIf.AS_DESIGNED.holding(hand("Q", engine), false);
    var later = engine.after(WhatIf.AS_DESIGNED, off, USUAL, new Duration(10.5));
    assertThat(volts(later, "B:+", "B:-")).isCloseTo(bus / Math.E, within(0.4));
  }

  /// By hand: set to 2.8 A, all of it in half a winding; 67 % of it from the bus: 1.88 A.
  @Test
  void labelUnwinder() {
    var panel = UnfamiliarMachines.labelUnwinder();
    var live = running(panel);
    assertThat(amperes(live, panel, "U:A+", "M:A+")).isCloseTo(2.8, within(0.01));
    assertThat(amperes(live, panel, "T:+", "U:+")).isCloseTo(0.67 * 2.8, within(0.02));
  }

  /// By hand: 0.25 A of its own and 67 % of 1.2 A.
  @Test
  void eggCandler() {
    var panel = UnfamiliarMachines.eggCandler();
    var live = running(panel);
    assertThat(amperes(live, panel, "T:+", "A:+")).isCloseTo(0.25 + 0.67 * 1.2, within(0.01));
    assertThat(amperes(live, panel, "A:1A+", "M:A+")).isCloseTo(1.2, within(0.01));
    assertThat(live.joinedToEarth(TerminalRef.of("A:-"))).isFalse();
  }

  /// Linked for 230 V the motor has its volts; in star it is made for 400 V and that is found. With
  /// the stop pressed the contactor falls and the drive holds √2 of its mains.
  @Test
  void bottleBrushAndTabletDrill() {
    var brush = UnfamiliarMachines.bottleBrush();
    assertThat(volts(running(brush), "M:U", "M:V")).isCloseTo(230, within(3.0));
    assertThat(titles(brush, "M")).doesNotContain("Voltage too low for it");
    assertThat(titles(UnfamiliarMachines.tabletDrill(), "M")).contains("Voltage too low for it");
    var engine = brush.study().engine();
    var stop = WhatIf.AS_DESIGNED.holding(hand("S", engine), true);
    var stopped = engine.after(WhatIf.AS_DESIGNED, stop, USUAL, new Duration(0));
    assertThat(volts(stopped, "M:U", "M:V")).isLessThan(1);
    var mains = volts(running(brush), "U:L", "U:N");
    assertThat(stopped.charged().getFirst().from().volts())
        .isCloseTo(Math.sqrt(2) * mains, within(1.0));
  }

  private static List<String> titles(Panel panel, String device) {
    return nelvar.core.review.Review.of(panel.build(), nelvar.core.file.CatalogueFile.standard())
        .about(new Id(device))
        .flatMap(entry -> entry.finding().stream())
        .map(nelvar.core.finding.Verdict.Finding::title)
        .toList();
  }

  /// From cold the relay pulls in; switched off it holds until the bank has fallen to its drop-out,
  /// 5 % of 24 V (IEC 61810-1, unchecked), with the vibrator on it all the while.
  @Test
  void loom() {
    var panel = UnfamiliarMachines.loom();
    var engine = panel.study().engine();
    var cold =
        engine.solve(WhatIf.AS_DESIGNED, USUAL, Positions.cold(engine.circuitry(USUAL.wires())));
    var coil = new ActuatorRef(new Id("K"), "coil");
    assertThat(cold.on(coil)).isTrue();
    assertThat(volts(cold, "B:+", "B:-")).isBetween(26.0, 34.0);
    var off = WhatIf.AS_DESIGNED.holding(hand("Q", engine), false);
    assertThat(engine.after(WhatIf.AS_DESIGNED, off, USUAL, new Duration(0)).on(coil)).isTrue();
    assertThat(engine.after(WhatIf.AS_DESIGNED, off, USUAL, new Duration(60)).on(coil)).isFalse();
    var stop = WhatIf.AS_DESIGNED.holding(hand("S", engine), true);
    var stopped = engine.after(WhatIf.AS_DESIGNED, stop, USUAL, new Duration(0));
    assertThat(stopped.on(coil)).isFalse();
    assertThat(volts(stopped, "M:+", "M:-")).isLessThan(0.1);
    assertThat(volts(stopped, "B:+", "B:-")).as("the bank stays charged and fed").isGreaterThan(30);
  }

  /// By hand: the valve is 12²/4.8 = 30 Ω behind 20 m of 0.5 mm² (39 mΩ/m): 12 V · 30/30.78.
  @Test
  void sensorBench() {
    var live = running(UnfamiliarMachines.sensorBench());
    assertThat(volts(live, "Y:1", "Y:2")).isCloseTo(12 * 30 / 30.78, within(0.05));
    assertThat(volts(live, "B2:+", "B2:-")).isBetween(4.9, 5.0);
  }

  /// By hand: 48 V of two in series; the stop takes the 24 V of the coil from the lower one, and
  /// the brake falls in.
  @Test
  void polisher() {
    var panel = UnfamiliarMachines.polisher();
    assertThat(volts(running(panel), "Y:1", "Y:2")).isCloseTo(48, within(0.2));
    var engine = panel.study().engine();
    var stopped = engine.solve(WhatIf.AS_DESIGNED.holding(hand("S", engine), true), USUAL);
    assertThat(volts(stopped, "Y:1", "Y:2")).isLessThan(0.01);
  }

  /// By hand (Kirchhoff): 17 mΩ and 49 mΩ to the two ends, 33 mΩ between them, 2.5 A and 3 A in:
  /// 1.06 A flow from the second end to the first, which stands 60 mV, the second 95 mV, above the
  /// supply's minus.
  @Test
  void ringOven() {
    var panel = UnfamiliarMachines.ringOven();
    var live = running(panel);
    assertThat(volts(live, "X1:1", "T:-")).isCloseTo(0.060, within(0.003));
    assertThat(volts(live, "X2:1", "T:-")).isCloseTo(0.095, within(0.004));
    assertThat(amperes(live, panel, "X1:2", "X2:2")).isCloseTo(1.06, within(0.04));
  }
}
