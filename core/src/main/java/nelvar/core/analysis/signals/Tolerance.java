package nelvar.core.analysis.signals;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// What the transistor of a sensor takes away and lets through at worst: its drop while it
/// conducts, its leakage while it does not; as its maker states, else as IEC 60947-5-2 allows
/// (unchecked). Contacts have neither.
record Tolerance(Optional<Sensor> sensor, Pin pin) {
  static Tolerance of(AskedPin asked, Study study) {
    return new Tolerance(
        asked.parts(study).stream()
            .flatMap(part ->
                part instanceof Sensor sensor && sensor.output().switches()
                    ? java.util.stream.Stream.of(sensor)
                    : java.util.stream.Stream.of())
            .findFirst(),
        asked.pin());
  }

  /// Whether its maker says both; what a standard allows proves nothing against a sensor, nor does
  /// a drop at full load against one that pulls down a logic input, which loads it with next to
  /// nothing.
  boolean stated() {
    if (pullsDown() && pin.type() == Pin.Type.LOGIC_INPUT) return false;
    return sensor
        .filter(s -> s.stated().drop().isEmpty() || s.stated().leakage().isEmpty())
        .isEmpty();
  }

  private boolean pullsDown() {
    return sensor.filter(s -> s.output() == SensorOutput.NPN).isPresent();
  }

  private double ohms() {
    return pin.levels().pullUp().orElse(pin.load()).ohms();
  }

  /// Driven: less its drop, towards the other level; a sensor whose 0 V or + does not reach the pin
  /// changes nothing.
  PinLink.Seen on(PinLink.Seen plain) {
    if (sensor.isEmpty()) return plain;
    var drop = sensor.get().drops().volts();
    if (pullsDown())
      return plain.volts().compareTo(pin.levels().low()) > 0
          ? plain
          : moved(plain, plain.volts().volts() + drop);
    return moved(plain, Math.max(0, plain.volts().volts() - drop));
  }

  /// At rest: what leaks through it stands at the pin.
  PinLink.Seen off(PinLink.Seen plain) {
    if (sensor.isEmpty() || sensor.get().output() == SensorOutput.PUSH_PULL) return plain;
    var leaks = sensor.get().leaks().amperes() * ohms();
    if (pullsDown()) return moved(plain, Math.max(0, plain.volts().volts() - leaks));
    return leaks <= plain.volts().volts()
        ? plain
        : moved(plain, Math.min(leaks, pin.levels().greatest().volts()));
  }

  private PinLink.Seen moved(PinLink.Seen plain, double volts) {
    var share =
        plain.volts().volts() == 0 || pullsDown()
            ? volts / ohms()
            : plain.current().amperes() * volts / plain.volts().volts();
    return new PinLink.Seen(new Voltage(volts), pullsDown() ? plain.current() : new Current(share));
  }

  /// Where the input takes less than the sensor needs to stay on.
  Optional<String> loadMissing(PinLink.Seen driven) {
    return sensor
        .flatMap(s -> s.stated().leastLoad())
        .filter(least -> driven.current().compareTo(least) < 0)
        .map(least ->
            "the input takes %s, and the sensor needs %s to conduct: put a resistor beside the input"
                .formatted(driven.current(), least));
  }

  String doubt(PinLink.Seen driven, PinLink.Seen resting) {
    return "its drop and leakage are not stated; with as much as IEC 60947-5-2 allows it would be %s and %s"
        .formatted(driven.volts(), resting.volts());
  }
}
