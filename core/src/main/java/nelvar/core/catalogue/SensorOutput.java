package nelvar.core.catalogue;

import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// What a sensor gives on its signal terminal.
public enum SensorOutput {
  /// Sourcing: switches + to the input.
  PNP("sourcing (PNP)"),
  /// Sinking: switches 0 V to the input.
  NPN("sinking (NPN)"),
  PUSH_PULL("push-pull"),
  /// Two wires, in series with the input: lives on what it lets through.
  TWO_WIRE("two-wire"),
  CONTACT("dry contact"),
  VOLTAGE("0–10 V"),
  CURRENT("4–20 mA"),
  PULSES("5 V pulses");

  private final String words;

  SensorOutput(String words) {
    this.words = words;
  }

  /// Whether its value, not its on and off, says something: such lines are shielded.
  public boolean analogue() {
    return this == VOLTAGE || this == CURRENT;
  }

  /// Drop while it conducts that the standard allows: 8 V for two wires, 3.5 V for three (IEC
  /// 60947-5-2, unchecked).
  public Voltage drop() {
    return new Voltage(this == TWO_WIRE ? 8 : 3.5);
  }

  /// Leakage while it does not that the standard allows: 1.5 mA for two wires, 0.5 mA for three
  /// (IEC 60947-5-2, unchecked).
  public Current leakage() {
    return new Current(this == TWO_WIRE ? 0.0015 : 0.0005);
  }

  /// Whether it switches with a transistor.
  public boolean switches() {
    return this == PNP || this == NPN || this == PUSH_PULL || this == TWO_WIRE;
  }

  public String words() {
    return words;
  }
}
