package nelvar.core.network;

import nelvar.core.units.Temperature;

/// Under which conditions the network is solved.
///
/// @param wires temperature of all conductors
/// @param mains factor on the nominal mains voltage, 1 for nominal
public record Conditions(Temperature wires, double mains) {
  /// Wires as warm as they may run, mains 10 % low (IEC 60204-1, 4.3.2, unchecked): the least
  /// volts.
  public static Conditions hotAndLow(Temperature wires) {
    return new Conditions(wires, 0.9);
  }

  /// Cold wires, mains 10 % high: the most volts and amperes.
  public static final Conditions COLD_AND_HIGH = new Conditions(new Temperature(20), 1.1);

  /// Wires as warm as the air in the cabinet, nominal mains.
  public static Conditions usual(Temperature inside) {
    return new Conditions(inside, 1);
  }
}
