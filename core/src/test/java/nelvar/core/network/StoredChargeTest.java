package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.catalogue.BusCapacitors;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Duration;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;

/// What capacitors hold after the mains is gone.
final class StoredChargeTest {
  private static final Conditions COLD = Conditions.usual(new Temperature(20));

  /// A switched transformer 230/24 V with bridge and 22 mF, a bleeder of 1 kΩ, and a relay on it.
  private static Panel bank() {
    return Panel.mains()
        .device("Q", "main-switch-3p-25a")
        .wire("X0:L1", "Q:1", 2.5, 1)
        .device("T", "transformer-250va-230-24")
        .wire("Q:2", "T:1", 1.5, 1)
        .wire("T:2", "X0:N", 1.5, 1)
        .device("B", "bank")
        .part(
            new nelvar.core.catalogue.RectifierBank(
                "bank",
                "Bank",
                nelvar.core.catalogue.Article.UNKNOWN,
                new nelvar.core.units.VoltageRange(new Voltage(21), new Voltage(27)),
                new nelvar.core.units.Current(10),
                new Capacitance(0.022),
                new Voltage(2),
                Optional.of(new Resistance(1000)),
                Optional.of(new Voltage(63))))
        .wire("T:3", "B:~1", 2.5, 1)
        .wire("T:4", "B:~2", 2.5, 1);
  }

  private static WhatIf off(Panel panel) {
    var engine = panel.study().engine();
    var handle = engine.circuitry(COLD.wires()).actuators(new Id("Q")).getFirst();
    return WhatIf.AS_DESIGNED.holding(handle, false);
  }

  private static Live after(Panel panel, WhatIf trial, double seconds) {
    return panel.study().engine().after(WhatIf.AS_DESIGNED, trial, COLD, new Duration(seconds));
  }

  private static double volts(Live live, String a, String b) {
    return live.voltage(TerminalRef.of(a), TerminalRef.of(b)).map(Live.Both::direct).orElse(0.0);
  }

  /// By hand: charged to √2 · 24 V · 1.076 less the diodes, 35.1 V (the bleeder takes 35 mA); time
  /// constant 1 kΩ · 22 mF = 22 s; e^(−1) of it after 22 s. 25 V after 22 s · ln(35.1/25) = 7.5 s,
  /// 5 V after 42.9 s.
  @Test
  void aBankHoldsItsChargeAndLosesItThroughItsBleeder() {
    var running = bank().study().engine().solve(WhatIf.AS_DESIGNED, COLD);
    assertThat(volts(running, "B:+", "B:-")).isCloseTo(35.1, within(0.4));
    var from = volts(running, "B:+", "B:-");
    var off = off(bank());
    assertThat(volts(after(bank(), off, 0), "B:+", "B:-")).isCloseTo(from, within(0.02));
    assertThat(volts(after(bank(), off, 22), "B:+", "B:-")).isCloseTo(from / Math.E, within(0.02));
    var charge = after(bank(), off, 0).charged().getFirst();
    assertThat(charge.until(new Voltage(60)).orElseThrow().seconds()).isZero();
    assertThat(charge.until(new Voltage(25)).orElseThrow().seconds())
        .isCloseTo(22 * Math.log(from / 25), within(0.01));
    assertThat(charge.words()).contains("below 25 V after 7.", "below 5 V after 4");
    assertThat(volts(after(bank(), off, 600), "B:+", "B:-")).isZero();
  }

  /// A charged bank is live: ohms are refused on it, minutes later they are not.
  @Test
  void ohmsAreRefusedWhileItIsCharged() {
    var plus = TerminalRef.of("B:+");
    var minus = TerminalRef.of("B:-");
    var off = off(bank());
    assertThat(Meter.ohms(after(bank(), off, 0), plus, minus))
        .isInstanceOf(Meter.Reading.StillLive.class);
    assertThat(Meter.ohms(after(bank(), off, 600), plus, minus))
        .isInstanceOf(Meter.Reading.Ohms.class);
  }

  /// Capacitors of 47 mF more on the same bus share the bleeder: 69 s.
  @Test
  void capacitorsOnOneBusEmptyTogether() {
    var panel =
        bank()
            .part(
                new BusCapacitors(
                    "more",
                    "More",
                    nelvar.core.catalogue.Article.UNKNOWN,
                    new Capacitance(0.047),
                    new Voltage(63),
                    Optional.empty()))
            .device("C", "more")
            .wire("B:+", "C:+", 2.5, 1)
            .wire("C:-", "B:-", 2.5, 1);
    var charges = after(panel, off(panel), 0).charged();
    assertThat(charges).hasSize(1);
    assertThat(charges.getFirst().capacitance().farads()).isCloseTo(0.069, within(1e-9));
    var from = charges.getFirst().from().volts();
    assertThat(volts(after(panel, off(panel), 69), "C:+", "C:-"))
        .isCloseTo(from / Math.E, within(0.05));
  }

  /// A relay on the bank itself still holds just after; long after it has let go.
  @Test
  void aCoilOnTheBankHoldsOn() {
    var panel =
        bank()
            .device("K", "relay-6a-24vdc")
            .wire("B:+", "K:A1", 0.75, 1)
            .wire("K:A2", "B:-", 0.75, 1);
    var coil = new ActuatorRef(new Id("K"), "coil");
    assertThat(after(panel, off(panel), 0).on(coil)).isTrue();
    assertThat(after(panel, off(panel), 600).on(coil)).isFalse();
  }

  /// The bus inside a drive stands at the peak of its mains, 0.82 mF through 47 kΩ: 38.5 s; √2 ·
  /// 230 V = 325 V, 60 V after 65 s.
  @Test
  void theBusOfADriveIsToldThoughNoTerminalShowsIt() {
    var panel =
        Panel.mains()
            .device("Q", "main-switch-3p-25a")
            .wire("X0:L1", "Q:1", 2.5, 1)
            .device("U", "drive-1ph-230-0p75kw")
            .wire("Q:2", "U:L", 2.5, 1)
            .wire("U:N", "X0:N", 2.5, 1);
    var charge = after(panel, off(panel), 0).charged().getFirst();
    assertThat(charge.device().id()).isEqualTo(new Id("U"));
    assertThat(charge.from().volts()).isCloseTo(325, within(2.0));
    assertThat(charge.until(new Voltage(60)).orElseThrow().seconds()).isCloseTo(65, within(0.6));
    assertThat(charge.after(new Duration(38.54)).volts()).isCloseTo(325 / Math.E, within(1.0));
  }

  /// Nothing stated that discharges it: no time is given and all of it counts as still there.
  @Test
  void withoutABleederNoTimeIsGiven() {
    var charge =
        new StoredCharge(
            bank().build().devices().getFirst(),
            java.util.List.of(),
            java.util.List.of(),
            new Voltage(70),
            false,
            new Capacitance(0.01),
            Optional.empty());
    assertThat(charge.until(new Voltage(60))).isEmpty();
    assertThat(charge.after(new Duration(1000))).isEqualTo(new Voltage(70));
    assertThat(charge.words()).contains("nothing is stated that discharges it");
  }
}
