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

  /// From where to where such a quantity may be written.
  default Range range() {
    return switch (this) {
      case Current _ -> Current.RANGE;
      case Voltage _ -> Voltage.RANGE;
      case Power _ -> Power.RANGE;
      case Length _ -> Length.RANGE;
      case CrossSection _ -> CrossSection.RANGE;
      case Resistance _ -> Resistance.RANGE;
      case Capacitance _ -> Capacitance.RANGE;
      case ResistancePerLength _ -> ResistancePerLength.RANGE;
      case Temperature _ -> Temperature.RANGE;
      case Percent _ -> Percent.RANGE;
      case Duration _ -> Duration.RANGE;
      case Energy _ -> Energy.RANGE;
      case Frequency _ -> Frequency.RANGE;
      case Measure measure -> measure.unit().range();
    };
  }
}
