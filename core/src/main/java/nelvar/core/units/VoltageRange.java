package nelvar.core.units;

/// The voltages a part may be fed with, both ends included.
public record VoltageRange(Voltage least, Voltage greatest) {
  public VoltageRange {
    if (least.compareTo(greatest) > 0) {
      throw new ImpossibleQuantity(
          "a voltage range runs from low to high, not from " + least + " to " + greatest);
    }
  }

  public static VoltageRange of(double least, double greatest) {
    return new VoltageRange(new Voltage(least), new Voltage(greatest));
  }

  public boolean contains(Voltage voltage) {
    return least.compareTo(voltage) <= 0 && voltage.compareTo(greatest) <= 0;
  }

  /// By how much `voltage` misses the range; zero inside.
  public Voltage missedBy(Voltage voltage) {
    if (voltage.compareTo(least) < 0) return least.less(voltage);
    return voltage.less(greatest);
  }

  @Override
  public String toString() {
    return Significant.digits(least.volts()) + "–" + greatest;
  }
}
