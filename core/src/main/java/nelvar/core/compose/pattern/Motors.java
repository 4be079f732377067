package nelvar.core.compose.pattern;

import java.util.Comparator;
import java.util.Optional;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.Linkage;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.model.MachineFunction;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// Three-phase motors of the catalogue and how they are linked for a voltage.
final class Motors {
  private static final double USUAL = 370;
  private static final double NEAR = 0.06;

  private Motors() {}

  record Linked(InductionMotor motor, Linkage linkage, Current current) {}

  /// The least motor with the power wanted that can be linked for this voltage.
  static Optional<Linked> find(MachineFunction function, Voltage volts, Composer composer) {
    var wish = new Wish(function);
    var watts = wish.watts().orElse(USUAL);
    var hertz = wish.hertz();
    return composer
        .sketch()
        .catalogue()
        .of(InductionMotor.class)
        .filter(motor -> hertz.isPresent() ? fast(motor, hertz.get(), wish.liquid()) : plain(motor))
        .filter(motor -> motor.power().watts() >= watts * 0.99)
        .flatMap(motor -> linked(motor, volts).stream())
        .min(
            Comparator.comparing((Linked found) -> found.motor().power())
                .thenComparing(found -> found.motor().id()));
  }

  private static boolean plain(InductionMotor motor) {
    return motor.leads().isEmpty() && motor.frequency().isEmpty();
  }

  /// A spindle for so many hertz; air-cooled unless a liquid was said.
  private static boolean fast(InductionMotor motor, double hertz, boolean liquid) {
    return motor.frequency().filter(f -> f.hertz() >= hertz * 0.99).isPresent()
        && liquid == motor.cooling().filter(c -> c == InductionMotor.Cooling.LIQUID).isPresent();
  }

  private static Optional<Linked> linked(InductionMotor motor, Voltage volts) {
    if (near(motor.starVoltage(), volts))
      return Optional.of(new Linked(motor, Linkage.STAR, motor.starCurrent()));
    if (near(motor.deltaVoltage(), volts))
      return Optional.of(new Linked(motor, Linkage.DELTA, motor.deltaCurrent()));
    return Optional.empty();
  }

  private static boolean near(Voltage nameplate, Voltage volts) {
    return Math.abs(nameplate.volts() / volts.volts() - 1) < NEAR;
  }
}
