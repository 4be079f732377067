package nelvar.core.catalogue;

import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Type of a 24 V digital input (IEC 61131-2, unchecked): surely off below one level, surely on
/// above another. Its resistance is the greatest that still takes the on-current the type asks for,
/// rounded to a common value.
public enum DigitalInput {
  /// For contacts and three-wire sensors: on from 15 V at 2 mA.
  TYPE_1(5, 15, 3300),
  /// For two-wire sensors: on from 11 V at 6 mA.
  TYPE_2(5, 11, 1800),
  /// For both: on from 11 V at 2 mA.
  TYPE_3(5, 11, 4700);

  private final double off;
  private final double on;
  private final double ohms;

  DigitalInput(double off, double on, double ohms) {
    this.off = off;
    this.on = on;
    this.ohms = ohms;
  }

  public Voltage offBelow() {
    return new Voltage(off);
  }

  public Voltage onAbove() {
    return new Voltage(on);
  }

  public Resistance resistance() {
    return new Resistance(ohms);
  }
}
