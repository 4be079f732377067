package nelvar.core.units;

/// A physical quantity: a number that knows its unit. `toString` writes it as people do, with its
/// unit.
public sealed interface Quantity
    permits Current,
        Voltage,
        Power,
        Length,
        CrossSection,
        Resistance,
        Capacitance,
        ResistancePerLength,
        Temperature,
        Percent,
        Duration,
        Energy,
        Frequency,
        Measure {

  /// The value in the unit named by the record (amperes, volts, metres, mm², °C, % …).
  double si();
}
