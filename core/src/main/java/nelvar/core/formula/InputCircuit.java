package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// What stands at the input of a controller.
public final class InputCircuit {
  private InputCircuit() {}

  /// `U · Rin/(Rin + Rpu)`.
  public static Voltage pulledUp(Voltage supply, Resistance input, Resistance pullUp) {
    return supply.times(input.ohms() / (input.ohms() + pullUp.ohms()));
  }

  /// `(U − Uf)/R`: what an optocoupler behind a resistor takes.
  public static Current coupled(Voltage supply, Voltage forward, Resistance series) {
    return new Current(Math.max(0, (supply.volts() - forward.volts()) / series.ohms()));
  }

  /// `(U − Uf)/I − Ri`; none where what is inside is enough.
  public static Optional<Resistance> series(
      Voltage supply, Voltage forward, Current wanted, Resistance inside) {
    var left = (supply.volts() - forward.volts()) / wanted.amperes() - inside.ohms();
    return left <= 0 ? Optional.empty() : Optional.of(new Resistance(left));
  }
}
