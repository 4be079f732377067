package nelvar.core.units;

/// A number with one of the rarer units that quick calculations take and give. What the model or
/// the solver holds has a type of its own.
public record Measure(double value, Unit unit) implements Quantity, Comparable<Measure> {

  /// Each with its sign, whether milli, micro and kilo may stand before it, its words for messages
  /// and its possible range.
  public enum Unit {
    INDUCTANCE("H", true, "an inductance", "2.5 mH", 0, 1e3),
    INERTIA("kg·m²", false, "a moment of inertia", "0.01 kgm2", 0, 1e6),
    ROTATION("rpm", false, "a speed of rotation", "1500 rpm", 0, 1e6),
    JOULE_INTEGRAL("A²s", false, "a let-through energy", "42000 A2s", 0, 1e12),
    CHARGE("C", true, "a charge", "32.5 µC", 0, 1e6),
    MASS("kg", false, "a mass", "100 kg", 0, 1e6),
    FEED("mm/min", false, "a feed", "6000 mm/min", 0, 1e7),
    STEPS_PER_LENGTH("steps/mm", false, "steps per length", "400 steps/mm", 0, 1e9),
    COUNTS_PER_LENGTH("counts/mm", false, "counts per length", "1000 counts/mm", 0, 1e9),
    COUNTS("counts", false, "a count", "10000 counts", 0, 1e12),
    ADIABATIC("A·s½/mm²", false, "an adiabatic factor k", "115", 1, 500),
    CAPACITANCE_PER_LENGTH("pF/m", false, "a capacitance per length", "100 pF/m", 0, 1e6),
    INDUCTANCE_PER_LENGTH("nH/m", false, "an inductance per length", "0.72 nH/m", 0, 1e9),
    INDUCTANCE_PER_METRE("H/m", true, "an inductance per metre", "1 µH/m", 0, 1),
    SQUARE_MILLIMETRES("mm²", false, "an area", "3.31 mm2", 0, 1e6),
    AREA("m²", false, "an area", "1.24 m2", 0, 1e6),
    AIR_FLOW("m³/h", false, "an air flow", "103 m3/h", 0, 1e6),
    HEAT_PER_KELVIN("W/K", false, "heat carried out for each kelvin", "8 W/K", 0, 1e4),
    SOUND("dB(A)", false, "a sound level", "62 dB(A)", 0, 150),
    ATTENUATION("dB", false, "an attenuation", "15 dB", 0, 400),
    MARGIN("dB", false, "a margin", "6 dB", -400, 400),
    YEARS("years", false, "a number of years", "56 years", 0, 1e9),
    TEMPERATURE_RISE("K", false, "a temperature rise", "10 K", 0, 1e3),
    HEAT_TRANSFER("W/m²K", false, "a heat transfer coefficient", "5.5 W/m2K", 0.1, 100),
    CURRENT_DENSITY("A/mm²", false, "a current density", "5 A/mm2", 0, 1e6),
    LOSS_PER_LENGTH("W/m", false, "a loss per length", "1.3 W/m", 0, 1e6),
    VOLTS_PER_HERTZ("V/Hz", false, "a ratio of volts to frequency", "8 V/Hz", 0, 1e4),
    APPARENT_POWER("VA", true, "an apparent power", "250 VA", 0, 1e9),
    RAMP("mm/s²", false, "an acceleration", "2000 mm/s2", 0, 1e8),
    TORQUE("N·m", true, "a torque", "5 Nm", 0, 1e6),
    SPEED_PER_VOLT("rpm/V", false, "a gain", "2400 rpm/V", 0, 1e6);

    private final String sign;
    private final boolean prefixed;
    private final String noun;
    private final String example;
    private final double least;
    private final double greatest;

    Unit(
        String sign, boolean prefixed, String noun, String example, double least, double greatest) {
      this.sign = sign;
      this.prefixed = prefixed;
      this.noun = noun;
      this.example = example;
      this.least = least;
      this.greatest = greatest;
    }

    public String sign() {
      return sign;
    }

    boolean prefixed() {
      return prefixed;
    }

    /// From where to where it may be written.
    public Range range() {
      return new Range(noun, least, greatest, sign);
    }

    String noun() {
      return noun;
    }

    String example() {
      return example;
    }
  }

  public Measure {
    value = unit.range().written(value);
  }

  @Override
  public double si() {
    return value;
  }

  @Override
  public int compareTo(Measure other) {
    return Double.compare(value, other.value);
  }

  @Override
  public String toString() {
    return unit.prefixed
        ? Significant.withPrefix(value, unit.sign)
        : Significant.plain(value, unit.sign);
  }
}
