package nelvar.core.compose.pattern;

import java.util.Optional;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Place;

/// What a function asks for, as patterns ask about it.
final class Wish {
  /// Extra-low voltage: direct current up to here, the mains above.
  static final double EXTRA_LOW = 60;

  private final MachineFunction function;

  Wish(MachineFunction function) {
    this.function = function;
  }

  boolean by(Means means) {
    return function.wants().by().filter(means::equals).isPresent();
  }

  boolean unsaid() {
    return function.wants().by().isEmpty();
  }

  /// What was said of its voltage, V.
  Optional<Double> volts() {
    return function.wants().voltage().map(voltage -> voltage.between().volts());
  }

  boolean extraLow() {
    return volts().filter(volts -> volts <= EXTRA_LOW).isPresent();
  }

  Optional<Double> watts() {
    return function
        .wants()
        .power()
        .map(power -> power.watts())
        .or(() ->
            volts()
                .flatMap(
                    volts -> function.wants().current().map(current -> current.amperes() * volts)));
  }

  Optional<Double> amperes() {
    return function.wants().current().map(current -> current.amperes());
  }

  /// Above it a motor is a high-frequency spindle: more than two poles on 60 Hz turn, rpm.
  private static final double MAINS_SPEED = 3600;

  private static final java.util.regex.Pattern HERTZ =
      java.util.regex.Pattern.compile(
          "([0-9]+(?:[.,][0-9]+)?) ?Hz", java.util.regex.Pattern.CASE_INSENSITIVE);

  /// The frequency its motor must be wound for, Hz; empty where the mains' does.
  Optional<Double> hertz() {
    var said = HERTZ.matcher(function.wants().detail().orElse(""));
    if (said.find()) {
      var hertz = Double.parseDouble(said.group(1).replace(',', '.'));
      return hertz > MAINS_SPEED / 60 ? Optional.of(hertz) : Optional.empty();
    }
    // Of two poles, as such spindles are.
    return function
        .wants()
        .speed()
        .filter(speed -> speed.unit() == nelvar.core.units.Measure.Unit.ROTATION)
        .map(speed -> speed.value())
        .filter(rpm -> rpm > MAINS_SPEED)
        .map(rpm -> rpm / 60)
        .or(() -> liquid() ? Optional.of(0.0) : Optional.empty());
  }

  /// Whether a liquid cools it, in the builder's words.
  boolean liquid() {
    return function.liquidCooled();
  }

  /// The purpose of one of its devices.
  String purpose(int number) {
    var name = function.name().isEmpty() ? function.kind().words() : function.name();
    return function.wants().count() > 1 ? name + " " + number : name;
  }

  /// Where its devices stand: on the machine unless its place says otherwise.
  Place place() {
    return Place.said(function.wants().place().orElse(""));
  }
}
