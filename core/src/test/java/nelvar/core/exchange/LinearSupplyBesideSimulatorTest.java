package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import nelvar.core.network.solve.CapacitorInput;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Direct volts, ripple and winding current of a bridge with a capacitor, beside a transient run of
/// ngspice with four diodes that are as good as ideal; what two real ones lose stands as a source.
final class LinearSupplyBesideSimulatorTest {
  @TempDir Path folder;

  @ParameterizedTest
  @CsvSource({
    "50.4, 0.23, 0.022, 60, 6",
    "50.4, 0.23, 0.022, 60, 12",
    "25.9, 0.18, 0.022, 50, 1",
    "25.9, 0.25, 0.0022, 50, 5",
    "12.6, 0.4, 0.0047, 50, 2",
    "36, 0.05, 0.010, 60, 3",
  })
  void agrees(double volts, double ohms, double farads, double hertz, double amperes)
      throws Exception {
    assumeTrue(Simulator.installed(), "ngspice is not installed");
    var drop = 2.0;
    var own = CapacitorInput.of(volts, ohms, drop, farads, hertz, amperes);
    var period = 1 / hertz;
    var netlist =
        """
        * bridge and capacitor
        Vs a b SIN(0 %1$s %2$s)
        Rs a c %3$s
        Cn b 0 1p
        .model ideal D(IS=1e-9 N=0.01)
        D1 c p ideal
        D2 b p ideal
        D3 0 c ideal
        D4 0 b ideal
        Vd p q %4$s
        C1 q 0 %5$s IC=%6$s
        I1 q 0 %7$s
        .options reltol=1e-6 method=gear
        .tran %8$s %9$s %10$s %8$s UIC
        .meas tran mean AVG v(q) FROM=%10$s TO=%9$s
        .meas tran ripple PP v(q) FROM=%10$s TO=%9$s
        .meas tran winding RMS i(Vs) FROM=%10$s TO=%9$s
        .end
        """
            .formatted(
                Math.sqrt(2) * volts,
                hertz,
                ohms,
                drop,
                farads,
                own.mean(),
                amperes,
                period / 4000,
                60 * period,
                58 * period);
    var measured = Simulator.measure(netlist, folder);
    assertThat(own.mean()).isCloseTo(measured.get("mean"), within(0.002 * volts));
    assertThat(own.ripple()).isCloseTo(measured.get("ripple"), within(0.02 * own.ripple()));
    assertThat(own.rms()).isCloseTo(measured.get("winding"), within(0.01 * own.rms()));
  }
}
