package nelvar.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.units.Duration;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import org.junit.jupiter.api.Test;

/// What a ramp asks of a drive; mechanics, worked by hand.
class SlowingDownTest {
  private static final Measure INERTIA = new Measure(0.01, Measure.Unit.INERTIA);
  private static final Measure SPEED = new Measure(3000, Measure.Unit.ROTATION);

  /// `t = J · ω/T`: 0.01 · 314.16/5.
  @Test
  void fiveNewtonMetresStopItInThatTime() {
    var torque = new Measure(5, Measure.Unit.TORQUE);
    var ramp = Stopping.slowsIn(INERTIA, SPEED, torque, Optional.empty());
    assertThat(ramp.seconds()).isCloseTo(0.628, within(0.001));
    assertThat(Stopping.slowsDown(INERTIA, SPEED, ramp, Optional.empty()).value())
        .isCloseTo(5, within(1e-9));
  }

  /// Friction that alone takes twice the time does half of it; one that is faster asks for nothing.
  @Test
  void frictionHelps() {
    var ramp = new Duration(0.628);
    var all = Stopping.slowsDown(INERTIA, SPEED, ramp, Optional.empty()).value();
    assertThat(Stopping.slowsDown(INERTIA, SPEED, ramp, Optional.of(new Duration(1.256))).value())
        .isCloseTo(all / 2, within(1e-9));
    assertThat(Stopping.slowsDown(INERTIA, SPEED, ramp, Optional.of(new Duration(0.5))).value())
        .isZero();
  }

  /// 1.5 kW at 1500 rpm: 9.55 N·m, as every table of motors says.
  @Test
  void ratedTorque() {
    assertThat(Stopping.torque(new Power(1500), new Measure(1500, Measure.Unit.ROTATION)).value())
        .isCloseTo(9.55, within(0.005));
  }
}
