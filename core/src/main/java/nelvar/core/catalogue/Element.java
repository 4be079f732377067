package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// What else stands inside a part between its terminals, besides contacts, intakes and outputs.
public sealed interface Element {
  /// A resistance: an input, a bleeder.
  record Resistor(String a, String b, Resistance resistance) implements Element {}

  /// Lets direct current pass one way.
  record Diode(String from, String to, Voltage forward, Resistance resistance) implements Element {}

  /// Holds `plus` above `minus` through a resistance: what reads dry contacts.
  record PullUp(String minus, String plus, Voltage voltage, Resistance resistance)
      implements Element {}

  /// Two windings; resistance and leakage reactance as seen from the secondary.
  record Windings(
      String a,
      String b,
      String c,
      String d,
      Voltage primary,
      Voltage secondary,
      Resistance resistance,
      Resistance reactance)
      implements Element {}

  /// Bridge and capacitor between an intake and an output: gives the peak less what is lost in its
  /// diodes and to ripple.
  ///
  /// @param forward lost in the two diodes that conduct, at rated current
  record Bridge(String intake, String output, Capacitance capacitance, Voltage forward)
      implements Element {
    /// What two diodes lose with next to no current, 0.7 V each (common practice).
    private static final double IDLE = 1.4;

    public Voltage idle() {
      return new Voltage(Math.min(IDLE, forward.volts()));
    }
  }

  /// Charge that stays when the part is cut off.
  ///
  /// @param across the terminals it stands between; empty where it is behind none: its time
  ///   constant says how long
  /// @param voltage it is charged to at the most
  /// @param bleeder empty where nothing is stated that discharges it
  record Store(
      Optional<Across> across,
      Capacitance capacitance,
      Voltage voltage,
      Optional<Resistance> bleeder)
      implements Element {}

  record Across(String plus, String minus) {
    static final Optional<Across> BUS = Optional.of(new Across("+", "-"));
  }
}
