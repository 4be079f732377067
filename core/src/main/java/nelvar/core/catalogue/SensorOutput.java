package nelvar.core.catalogue;

/// What a sensor gives on its signal terminal.
public enum SensorOutput {
  /// Sourcing: switches + to the input.
  PNP("sourcing (PNP)"),
  /// Sinking: switches 0 V to the input.
  NPN("sinking (NPN)"),
  PUSH_PULL("push-pull"),
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

  public String words() {
    return words;
  }
}
