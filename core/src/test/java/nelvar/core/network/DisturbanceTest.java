package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;

/// Each kind of disturbance does what it says and nothing else.
final class DisturbanceTest {
  private static final Conditions COLD = Conditions.usual(new Temperature(20));

  private static Live solve(Panel panel, WhatIf trial) {
    return panel.study().engine().solve(trial, COLD);
  }

  private static TerminalRef at(String text) {
    return TerminalRef.of(text);
  }

  private static double volts(Live live, String a, String b) {
    return live.voltage(at(a), at(b)).map(Live.Both::direct).orElse(Double.NaN);
  }

  private static WhatIf with(Disturbance disturbance) {
    return WhatIf.AS_DESIGNED.with(disturbance);
  }

  /// A controller whose output Q1 pulls a relay down to minus, with two lamps of their own fuse.
  private static Panel board() {
    return Panel.dc()
        .device("A", "motion-controller-3ax")
        .wire("T:+", "A:+", 0.75, 1)
        .wire("A:-", "T:-", 0.75, 1)
        .device("K", "relay-6a-24vdc")
        .wire("T:+", "K:A1", 0.75, 1)
        .wire("K:A2", "A:Q1", 0.75, 1)
        .device("H", "lamp-led-24v-10w")
        .wire("T:+", "H:+", 0.75, 1)
        .wire("H:-", "T:-", 0.75, 1);
  }

  private static final ActuatorRef Q1 = new ActuatorRef(new Id("A"), "Q1");
  private static final ActuatorRef COIL = new ActuatorRef(new Id("K"), "coil");

  /// An output acts only while its board is alive: dead, or its supply cut, the relay falls off
  /// though the program says on. Frozen it holds the relay all the same.
  @Test
  void anOutputActsWhileItsBoardLives() {
    assertThat(solve(board(), WhatIf.AS_DESIGNED).on(COIL)).isTrue();
    assertThat(solve(board(), with(new Disturbance.Hold(Q1, false))).on(COIL)).isFalse();
    var dead = solve(board(), with(new Disturbance.Dead(new Id("A"))));
    assertThat(dead.on(Q1)).isFalse();
    assertThat(dead.on(COIL)).isFalse();
    var said = with(new Disturbance.Dead(new Id("A"))).with(new Disturbance.Hold(Q1, true));
    assertThat(solve(board(), said).on(COIL)).isFalse();
    var panel = board();
    var supply =
        panel.build().conductors().stream()
            .filter(c -> c.to().equals(at("A:+")))
            .findFirst()
            .orElseThrow();
    assertThat(solve(panel, with(new Disturbance.Cut(supply.id()))).on(COIL)).isFalse();
    var frozen = with(new Disturbance.Dead(new Id("A"))).with(new Disturbance.Frozen(Q1, true));
    assertThat(solve(board(), frozen).on(COIL)).isTrue();
  }

  /// A load said to take half takes half: 0.42 A by its part, 0.21 A.
  @Test
  void aLoadTakesWhatItIsSaidToTake() {
    var wire =
        board().build().conductors().stream()
            .filter(c -> c.to().equals(at("H:+")))
            .findFirst()
            .orElseThrow();
    var full = solve(board(), WhatIf.AS_DESIGNED).current(wire.id()).orElseThrow().direct();
    var half =
        solve(board(), with(new Disturbance.LoadAt(new Id("H"), new Percent(50))))
            .current(wire.id())
            .orElseThrow()
            .direct();
    assertThat(full).isCloseTo(0.42, within(0.02));
    assertThat(half).isCloseTo(full / 2, within(0.001));
  }

  /// A loose end of 5 Ω in the way of a valve of 4.8 W at 24 V, 120 Ω: 24 · 120/125 = 23.0 V.
  @Test
  void aLooseEndTakesVolts() {
    var panel =
        Panel.dc()
            .device("Y", "valve-24vdc-4w8")
            .wire("T:+", "Y:1", 0.75, 1)
            .wire("Y:2", "T:-", 0.75, 1);
    var wire =
        panel.build().conductors().stream()
            .filter(c -> c.to().equals(at("Y:1")))
            .findFirst()
            .orElseThrow();
    var loose = with(new Disturbance.Loose(wire.id(), new Resistance(5)));
    assertThat(volts(solve(panel, loose), "Y:1", "Y:2")).isCloseTo(23.0, within(0.1));
  }

  /// A channel pulled leaves its neighbour fed; the device pulled leaves none.
  @Test
  void onePoleOpensAlone() {
    var panel =
        Panel.dc()
            .device("F2", "breaker-2p-c2")
            .wire("T:+", "F2:1", 0.75, 1)
            .wire("T:+", "F2:3", 0.75, 1)
            .device("Y1", "valve-24vdc-4w8")
            .wire("F2:2", "Y1:1", 0.75, 1)
            .wire("Y1:2", "T:-", 0.75, 1)
            .device("Y2", "valve-24vdc-4w8")
            .wire("F2:4", "Y2:1", 0.75, 1)
            .wire("Y2:2", "T:-", 0.75, 1);
    var one = WhatIf.AS_DESIGNED.togglingPole(new PoleRef(at("F2:1"), at("F2:2")));
    assertThat(volts(solve(panel, one), "Y1:1", "Y1:2")).isCloseTo(0, within(0.01));
    assertThat(volts(solve(panel, one), "Y2:1", "Y2:2")).isCloseTo(24, within(0.3));
    var both = with(new Disturbance.Open(new Id("F2"), Optional.empty()));
    assertThat(volts(solve(panel, both), "Y2:1", "Y2:2")).isCloseTo(0, within(0.01));
  }

  /// Two wires landed on each other's terminal turn the supply of a board round: it is dead.
  @Test
  void twoWiresSwapped() {
    var swapped = solve(board(), with(new Disturbance.Swap(at("A:+"), at("A:-"))));
    assertThat(volts(swapped, "A:+", "A:-")).isCloseTo(-24, within(0.2));
    assertThat(swapped.on(Q1)).isFalse();
    var served = swapped.circuitry().served(new Id("A")).getFirst();
    assertThat(swapped.reversed(served.device(), served.intake())).isTrue();
    assertThat(swapped.taken(served.device(), served.intake()).orElseThrow().watts())
        .as("electronics the wrong way round take nothing")
        .isZero();
  }

  /// A 12 V supply fitted where 24 V was planned: the relay does not pull in, though one that was
  /// in would hold.
  @Test
  void anotherPartThanPlanned() {
    var wrong = solve(board(), with(new Disturbance.WrongPart(new Id("T"), "supply-12v-10a")));
    assertThat(volts(wrong, "T:+", "T:-")).isCloseTo(12, within(0.1));
    var engine = board().study().engine();
    var cold =
        engine.solve(
            with(new Disturbance.WrongPart(new Id("T"), "supply-12v-10a")),
            COLD,
            Positions.cold(engine.circuitry(COLD.wires())));
    assertThat(cold.on(COIL)).isFalse();
    assertThat(wrong.on(COIL)).isTrue();
  }

  /// Each says in words what is tried; the same tried again is one.
  @Test
  void saysWhatIsTried() {
    var trial =
        with(new Disturbance.Dead(new Id("A")))
            .with(new Disturbance.Frozen(Q1, true))
            .togglingShort(at("T:+"), at("T:-"));
    assertThat(solve(board(), trial).tried())
        .containsExactlyInAnyOrder("-A dead", "-A Q1 on, frozen", "-T:+ to -T:- bridged");
    assertThat(trial.togglingShort(at("T:-"), at("T:+")).bridges()).isEmpty();
    assertThat(trial.with(new Disturbance.Frozen(Q1, false)).count()).isEqualTo(3);
  }
}
