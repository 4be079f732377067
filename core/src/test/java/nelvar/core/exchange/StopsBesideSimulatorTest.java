package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import nelvar.core.formula.CoilFormulas;
import nelvar.core.formula.Stopping;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What goes on after its feed has opened, beside transient runs of ngspice: at the time that is
/// computed, volts and amperes there are those it was computed for, within 5 %.
final class StopsBesideSimulatorTest {
  @TempDir Path folder;

  @ParameterizedTest
  @CsvSource({"566, 360, 0.00024, 1500", "325, 190, 0.0009, 400", "48, 20, 0.01, 96"})
  void capacitorsUnderConstantPower(double from, double to, double farads, double watts)
      throws Exception {
    assumeTrue(Simulator.installed(), "ngspice is not installed");
    var time =
        Stopping.carries(
                new Capacitance(farads), new Voltage(from), new Voltage(to), new Power(watts))
            .seconds();
    var netlist =
        """
        * a bus without its feed
        C1 q 0 %1$s IC=%2$s
        B1 q 0 I=%3$s/v(q)
        .tran %4$s %5$s UIC
        .meas tran low MIN v(q) FROM=0 TO=%5$s
        .end
        """
            .formatted(farads, from, watts, time / 1000, time);
    assertThat(Simulator.measure(netlist, folder).get("low")).isCloseTo(to, within(0.05 * to));
  }

  /// A coil that is switched off, its current through its own resistance and what clamps it.
  @ParameterizedTest
  @CsvSource({
    "1, 115.2, 0.208, 0.05, 0.7",
    "1, 115.2, 0.208, 0.05, 36.7",
    "0.6, 57.6, 0.417, 0.06, 47",
    "2.4, 120, 0.2, 0.02, 0.7"
  })
  void coilsLetGo(double henry, double ohms, double flows, double holds, double clamp)
      throws Exception {
    assumeTrue(Simulator.installed(), "ngspice is not installed");
    var time =
        CoilFormulas.releaseTime(
                new Measure(henry, Measure.Unit.INDUCTANCE),
                new Resistance(ohms),
                new Current(flows),
                new Current(holds),
                new Voltage(clamp))
            .orElseThrow()
            .seconds();
    var netlist =
        """
        * a coil and what clamps it
        L1 a b %1$s IC=%2$s
        R1 b c %3$s
        Vz c d %4$s
        Rd d a 1m
        .tran %5$s %6$s UIC
        .meas tran low MIN i(L1) FROM=0 TO=%6$s
        .end
        """
            .formatted(henry, flows, ohms, clamp, time / 1000, time)
            .replace("Rd d a 1m", "Rd d a 1m\nRg a 0 1");
    assertThat(Simulator.measure(netlist, folder).get("low"))
        .isCloseTo(holds, within(0.05 * holds));
  }
}
