package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import java.util.Locale;
import nelvar.core.formula.StepperTorque;
import nelvar.core.units.Current;
import nelvar.core.units.Measure;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// The torque curve against a simulation in time of one winding by ngspice: a source of the bus,
/// the winding, its back e.m.f.; torque is what the e.m.f. takes of power, over the speed. The
/// angle between both that gives most is sought; two windings give twice as much.
class TorqueBesideSimulatorTest {
  private static final StepperTorque.Motor MOTOR =
      new StepperTorque.Motor(
          new Measure(3.1, Measure.Unit.TORQUE),
          new Current(4.2),
          new Resistance(0.9),
          new Measure(0.0038, Measure.Unit.INDUCTANCE),
          200);
  private static final double PAIRS = 50;
  private static final double BUS = 48;

  @TempDir Path folder;

  @ParameterizedTest
  @ValueSource(doubles = {500, 700, 1000, 1500, 2400})
  void atFiveSpeeds(double rpm) throws Exception {
    assumeTrue(Simulator.installed(), "skipped: ngspice is not installed");
    var ours = StepperTorque.at(MOTOR, MOTOR.rated(), new Voltage(BUS), rpm).value();
    var best = 0.0;
    for (var degrees = 0; degrees <= 90; degrees += 3)
      best = Math.max(best, simulated(rpm, degrees));
    assertThat(ours).isCloseTo(best, within(0.01 * best));
  }

  private double simulated(double rpm, double degrees) throws Exception {
    var omega = PAIRS * 2 * Math.PI * rpm / 60;
    var hertz = omega / (2 * Math.PI);
    var flux = 3.1 / (Math.sqrt(2) * PAIRS * 4.2);
    var period = 1 / hertz;
    var netlist =
        String.format(
            Locale.ROOT,
            """
            * one winding at speed
            Vbus a 0 SIN(0 %.9g %.9g 0 0 %.9g)
            R1 a b 0.9
            L1 b c 3.8m
            Vemf c 0 SIN(0 %.9g %.9g)
            Bp p 0 V=V(c)*I(Vemf)
            .options reltol=1e-6
            .tran %.9g %.9g 0 %.9g uic
            .meas tran power avg V(p) from=%.9g to=%.9g
            .end
            """,
            BUS,
            hertz,
            degrees,
            omega * flux,
            hertz,
            period / 200,
            60 * period,
            period / 200,
            50 * period,
            60 * period);
    var power = java.util.Objects.requireNonNull(Simulator.measure(netlist, folder).get("power"));
    return 2 * power / (2 * Math.PI * rpm / 60);
  }

  /// At rest and below its corner it is the holding torque, in proportion to the current set.
  @Test
  void belowTheCornerItIsFlat() {
    var corner = StepperTorque.corner(MOTOR, MOTOR.rated(), new Voltage(BUS)).value();
    assertThat(corner).isBetween(300.0, 500.0);
    assertThat(StepperTorque.at(MOTOR, MOTOR.rated(), new Voltage(BUS), corner * 0.9).value())
        .isEqualTo(3.1);
    assertThat(StepperTorque.at(MOTOR, new Current(2.1), new Voltage(BUS), 10).value())
        .isCloseTo(1.55, within(1e-9));
    assertThat(StepperTorque.corner(MOTOR, MOTOR.rated(), new Voltage(24)).value())
        .as("half the volts, about half the corner")
        .isBetween(corner * 0.4, corner * 0.6);
  }
}
