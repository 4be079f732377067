package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nelvar.core.Panel;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Duration;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;

/// A bridge at any two terminals says its current and what ends it, and never nothing.
final class ShortCircuitTest {
  private static final Conditions COLD = Conditions.usual(new Temperature(20));

  private static ShortCircuit bridged(Panel panel, String a, String b) {
    return live(panel, a, b).shorts().getFirst();
  }

  private static Live live(Panel panel, String a, String b) {
    return panel
        .study()
        .engine()
        .after(
            WhatIf.AS_DESIGNED,
            WhatIf.AS_DESIGNED.togglingShort(TerminalRef.of(a), TerminalRef.of(b)),
            COLD,
            new Duration(0));
  }

  private static Panel heater() {
    return Panel.mains()
        .device("F", "breaker-1p-c6")
        .device("E", "heater-100w-230v")
        .wire("X0:L1", "F:1", 6, 0.5)
        .wire("F:2", "E:L", 1.5, 10)
        .wire("E:N", "X0:N", 1.5, 10);
  }

  /// 230.9 V over twice 0.25 Ω of mains, twice 10 m of 1.5 mm², class 5 (13.3 mΩ/m, 0.133 Ω each),
  /// the breaker's 42 mΩ and landings: 0.813 Ω, 284 A; the breaker opens at once.
  @Test
  void aBreakerOpens() {
    var found = bridged(heater(), "E:L", "E:N");
    assertThat(found.current().orElseThrow().rms()).isCloseTo(284, within(2.0));
    assertThat(found.end())
        .isInstanceOfSatisfying(
            ShortCircuit.End.Opens.class,
            opens -> assertThat(opens.within().seconds()).isEqualTo(0.1));
  }

  /// An electronic supply of 10 A holds 11 A; the sentence says that nothing opens.
  @Test
  void aSupplyHoldsItsLimit() {
    var live = live(Panel.dc(), "T:+", "T:-");
    assertThat(live.shorts().getFirst().end()).isInstanceOf(ShortCircuit.End.Limits.class);
    assertThat(live.shorts().getFirst().current().orElseThrow().rms()).isCloseTo(11, within(0.1));
    assertThat(live.shorts().getFirst().words(live)).contains("11 A").contains("nothing opens");
  }

  /// Each of two supplies limits the short on its own wires, whichever the file names first: 10 A
  /// hold 11 A, 2.5 A hold 2.75 A; a rectifier beside them adds nothing.
  @Test
  void theSupplyOfTheShortLimitsIt() {
    var panel =
        Panel.dc()
            .device("U", "supply-12v-2p5a")
            .device("V", "supply-24v-5a")
            .device("FU", "breaker-1p-c6")
            .wire("X0:L2", "FU:1", 2.5, 0.5)
            .wire("FU:2", "U:L", 1.5, 0.5)
            .wire("U:N", "X0:N", 1.5, 0.5)
            .wire("FU:2", "V:L", 1.5, 0.5)
            .wire("V:N", "X0:N", 1.5, 0.5)
            .device("H", "lamp-led-24v-10w")
            .wire("T:+", "H:+", 0.75, 2)
            .wire("H:-", "T:-", 0.75, 2);
    for (var expected : java.util.Map.of("T", 11.0, "U", 2.75, "V", 5.5).entrySet()) {
      var device = expected.getKey();
      var fault =
          panel
              .study()
              .greatestFault()
              .between(TerminalRef.of(device + ":+"), TerminalRef.of(device + ":-"))
              .orElseThrow();
      assertThat(fault.limitedBy().orElseThrow().device().designation()).hasToString("-" + device);
      assertThat(fault.current().amperes()).as(device).isCloseTo(expected.getValue(), within(0.01));
    }
    var far =
        panel
            .study()
            .greatestFault()
            .between(TerminalRef.of("H:+"), TerminalRef.of("H:-"))
            .orElseThrow();
    assertThat(far.limitedBy().orElseThrow().device().designation()).hasToString("-T");
    assertThat(panel.study().greatestFault().between(TerminalRef.of("T:+"), TerminalRef.of("U:-")))
        .as("two supplies that nothing joins")
        .isEmpty();
  }

  /// What stood at its limit before is not what ends a short elsewhere; what is not, is.
  @Test
  void whatWasAtItsLimitBeforeIsNotBlamed() {
    var panel =
        Panel.dc()
            .device("V", "supply-24v-5a")
            .device("FV", "breaker-1p-c6")
            .wire("X0:L2", "FV:1", 2.5, 0.5)
            .wire("FV:2", "V:L", 1.5, 0.5)
            .wire("V:N", "X0:N", 1.5, 0.5);
    var engine = panel.study().engine();
    var before = WhatIf.AS_DESIGNED.togglingShort(TerminalRef.of("V:+"), TerminalRef.of("V:-"));
    var both = before.togglingShort(TerminalRef.of("T:+"), TerminalRef.of("T:-"));
    var was = engine.solve(before, COLD);
    var live = engine.solve(both, COLD);
    var ends = ShortCircuit.of(live, java.util.Optional.of(was));
    assertThat(ends).hasSize(2);
    assertThat(
            ends.stream()
                .map(ShortCircuit::end)
                .filter(ShortCircuit.End.Limits.class::isInstance)
                .map(end -> ((ShortCircuit.End.Limits) end).output().device().id().text())
                .toList())
        .containsOnly("T");
    assertThat(bridged(heater(), "E:L", "E:N").words(live(heater(), "E:L", "E:N")))
        .contains(" AC; ");
    assertThat(live(Panel.dc(), "T:+", "T:-").shorts().getFirst().words(live)).contains(" A; ");
  }

  /// Ahead of every device only the one before the inlet is left.
  @Test
  void atTheInletOnlyTheUpstreamDeviceIsLeft() {
    assertThat(bridged(heater(), "X0:L1", "X0:N").end())
        .isInstanceOf(ShortCircuit.End.Upstream.class);
  }

  /// Two points of one potential, and two that nothing joins: no current, and it is said.
  @Test
  void whereNothingStandsItIsSaid() {
    var same = live(heater(), "X0:N", "E:N");
    assertThat(same.shorts().getFirst().words(same)).contains("X0:N").isNotBlank();
    var apart =
        live(heater().device("M", "pump-24v-3a").device("M2", "pump-24v-3a"), "M:+", "M2:+");
    assertThat(apart.shorts().getFirst().end()).isInstanceOf(ShortCircuit.End.NoCurrent.class);
  }

  /// Capacitors of 22 mF at 35 V empty 13.5 J into a bridge across them; the bank is not charged
  /// afterwards.
  @Test
  void capacitorsEmptyIntoIt() {
    var panel =
        Panel.mains()
            .device("F", "fuse-1p-gg4")
            .wire("X0:L1", "F:1", 1.5, 1)
            .device("T", "transformer-250va-230-24")
            .wire("F:2", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1)
            .device("B", "rectifier-24vac-10a-22mf")
            .wire("T:3", "B:~1", 2.5, 0.5)
            .wire("T:4", "B:~2", 2.5, 0.5);
    var live = live(panel, "B:+", "B:-");
    var found = live.shorts().getFirst();
    assertThat(found.capacitors().energy().joules()).isCloseTo(13.5, within(0.7));
    // Nothing but the capacitor's own 10 mΩ is in the way.
    assertThat(found.capacitors().peak().amperes()).isCloseTo(3500, within(100.0));
    assertThat(live.charged()).isEmpty();
    // Winding 250 VA, 8 %: 0.18 Ω of its own; 25.8 V less two diodes over it, the mean of the
    // rectified wave, are about 110 A.
    assertThat(live.outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
    assertThat(found.current().orElseThrow().rms()).isCloseTo(110, within(15.0));
    assertThat(found.words(live)).contains("capacitors empty into it");
  }

  /// A bus of two windings in series, shorted while a regulated supply hangs on the same weak
  /// mains: solved from running, from cold, with loads at rest and just after, and always alike.
  @Test
  void aShortedBusIsFoundFromEverywhere() {
    var panel =
        Panel.dc()
            .device("H", "lamp-led-24v-10w")
            .wire("T:+", "H:+", 0.75, 1)
            .wire("H:-", "T:-", 0.75, 1)
            .device("F2", "breaker-1p-c4")
            .wire("X0:L1", "F2:1", 1.5, 5)
            .device("T2", "toroid-300va-230-2x18")
            .wire("F2:2", "T2:1", 1.5, 1)
            .wire("T2:2", "X0:N", 1.5, 5)
            .wire("T2:4", "T2:5", 1.5, 0.1)
            .device("B", "rectifier-48vac-10a-22mf")
            .wire("T2:3", "B:~1", 1.5, 0.2)
            .wire("T2:6", "B:~2", 1.5, 0.2)
            .device("M", "servo-with-drive-48v-180w")
            .wire("B:+", "M:+", 1.5, 3)
            .wire("M:-", "B:-", 1.5, 3);
    var engine = panel.study().engine();
    var trial = WhatIf.AS_DESIGNED.togglingShort(TerminalRef.of("B:+"), TerminalRef.of("B:-"));
    var conditions = Conditions.usual(new Temperature(20));
    var cold = Positions.cold(engine.circuitry(conditions.wires()));
    var amperes = new java.util.ArrayList<Double>();
    for (var live :
        java.util.List.of(
            engine.solve(trial, conditions),
            engine.solve(trial, conditions, cold),
            engine.solve(trial.with(LoadMode.IDLE), conditions),
            engine.after(
                WhatIf.AS_DESIGNED, trial, conditions, new nelvar.core.units.Duration(0)))) {
      assertThat(live.outcome()).isEqualTo(new Outcome.Settled());
      amperes.add(live.shorts().getFirst().current().orElseThrow().rms());
    }
    assertThat(amperes).allSatisfy(a -> assertThat(a).isCloseTo(amperes.getFirst(), within(1.0)));
    assertThat(amperes.getFirst()).isBetween(80.0, 130.0);
  }
}
