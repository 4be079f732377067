package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.catalogue.Linkage;
import nelvar.core.model.Brief;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Current;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Drives limit and switch off; choppers give their current, bounded by their bus.
final class DriveProtectionTest {
  private static final Conditions COLD = Conditions.usual(new Temperature(20));

  private static Live solve(Panel panel, WhatIf trial) {
    return panel.study().engine().solve(trial, COLD);
  }

  private static Live.Output output(Live live, String device) {
    return live.outputs().stream()
        .filter(output -> output.device().id().equals(new Id(device)))
        .findFirst()
        .orElseThrow();
  }

  private static Panel drive() {
    var panel =
        Panel.mains()
            .device("U", "drive-1ph-230-0p75kw")
            .wire("X0:L1", "U:L", 2.5, 1)
            .wire("U:N", "X0:N", 2.5, 1)
            .protective("X0:PE", "U:PE", 2.5)
            .wire("U:RUN", "U:COM", 0.75, 0.2)
            .device("M", "motor-0p37kw-230-400")
            .linked(Linkage.DELTA);
    for (var end : java.util.List.of("U", "V", "W")) panel.wire("U:" + end, "M:" + end, 1.5, 5);
    return panel.protective("U:PE2", "M:PE", 1.5);
  }

  /// A short between two motor lines, a line on earth, on the drive's own mains, on another source:
  /// it switches off, and no thousands of amperes flow.
  @ParameterizedTest
  @CsvSource({"M:U, M:V", "M:U, X0:PE", "M:W, U:L", "M:V, X0:L2"})
  void aDriveTripsOnAShort(String a, String b) {
    assertThat(output(solve(drive(), WhatIf.AS_DESIGNED), "U").tripped()).isFalse();
    var live =
        solve(drive(), WhatIf.AS_DESIGNED.togglingShort(TerminalRef.of(a), TerminalRef.of(b)));
    assertThat(output(live, "U").tripped()).isTrue();
    assertThat(output(live, "U").current().amperes()).isLessThan(0.1);
  }

  /// A motor of 1.5 kW on a drive of 0.75 kW and 4.2 A asks for more than 1.5 times that: it trips.
  @Test
  void aDriveTripsOnOverload() {
    var panel =
        Panel.mains()
            .device("U", "drive-1ph-230-0p75kw")
            .wire("X0:L1", "U:L", 2.5, 1)
            .wire("U:N", "X0:N", 2.5, 1)
            .wire("U:RUN", "U:COM", 0.75, 0.2)
            .device("M", "motor-1p5kw-230-400")
            .linked(Linkage.DELTA)
            .works(120, 100, 100);
    for (var end : java.util.List.of("U", "V", "W")) panel.wire("U:" + end, "M:" + end, 1.5, 5);
    assertThat(output(solve(panel, WhatIf.AS_DESIGNED), "U").tripped()).isTrue();
  }

  /// At 24 V of bus a winding of a drive of 67 % stands at 0.97 · 0.67 · 24/2 = 7.8 V, far below
  /// the bus; two windings of 3 A take 46.8 W, the bus gives 0.67 · 3 A = 2.01 A, 48.2 W.
  @Test
  void aChopperGivesItsCurrentBoundedByTheBus() {
    var panel =
        Panel.dc()
            .device("U", "stepper-drive-50v-5a")
            .wire("T:+", "U:+", 1.5, 0.2)
            .wire("U:-", "T:-", 1.5, 0.2)
            .device("M", "stepper-motor-3a");
    for (var end : java.util.List.of("A+", "A-", "B+", "B-"))
      panel.wire("U:" + end, "M:" + end, 1.5, 0.2);
    var live = solve(panel, WhatIf.AS_DESIGNED);
    assertThat(live.voltage(TerminalRef.of("U:A+"), TerminalRef.of("U:A-")).orElseThrow().rms())
        .isCloseTo(7.8, within(0.1));
    assertThat(output(live, "U").current().amperes()).isCloseTo(3, within(0.01));
    assertThat(output(live, "T").power().watts()).isCloseTo(48.2, within(0.4));
  }

  /// A servo drive that is not fed and one that is told to rest leave the others of the bus alone.
  @Test
  void anIdleDriveTakesNobodyWithIt() {
    var panel =
        Panel.dc("supply-48v-10a", "breaker-1p-c6")
            .device("U1", "servo-drive-48v-10a")
            .wire("T:+", "U1:+", 1.5, 0.5)
            .wire("U1:-", "T:-", 1.5, 0.5)
            .device("M1", "servo-motor-200w")
            .device("U2", "stepper-drive-50v-5a")
            .wire("T:+", "U2:+", 1.5, 0.5)
            .wire("U2:-", "T:-", 1.5, 0.5)
            .device("M2", "stepper-motor-3a")
            .wire("T:+", "U1:EN", 0.75, 0.5)
            .wire("U1:COM", "T:-", 0.75, 0.5);
    for (var end : java.util.List.of("U", "V", "W")) panel.wire("U1:" + end, "M1:" + end, 1.5, 1);
    for (var end : java.util.List.of("A+", "A-", "B+", "B-"))
      panel.wire("U2:" + end, "M2:" + end, 1.5, 1);
    var live = solve(panel, WhatIf.AS_DESIGNED);
    assertThat(live.outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
    assertThat(output(live, "U1").on()).isFalse();
    assertThat(output(live, "U2").current().amperes()).isCloseTo(3, within(0.01));
  }

  /// A stated short-circuit current is met at the terminals: 1 kA between line and neutral of a
  /// single-phase inlet.
  @Test
  void theStatedShortCircuitCurrentIsMet() {
    var panel =
        new Panel()
            .device("X0", "inlet-1-n-pe")
            .brief(b ->
                new Brief(
                    new Brief.Supply(
                        b.supply().voltage(),
                        b.supply().frequency(),
                        b.supply().earthing(),
                        b.supply().upstream(),
                        Optional.empty(),
                        Optional.of(new Current(1000))),
                    b.surroundings(),
                    b.policies()));
    var fault = Fault.greatest(panel.study().engine());
    assertThat(
            fault
                .between(TerminalRef.of("X0:L1"), TerminalRef.of("X0:N"))
                .orElseThrow()
                .current()
                .amperes())
        .isCloseTo(1000, within(1.0));
  }
}
