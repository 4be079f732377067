package nelvar.core.model;

/// What takes up the energy of a coil when it is switched off.
public enum Suppression {
  DIODE("flyback diode", 6),
  ZENER("diode and Zener", 1.5),
  VARISTOR("varistor", 1.5),
  RC("RC snubber", 2),
  /// What is built in is not said: counted like the slowest.
  BUILT_IN("built in", 6);

  private final String words;
  private final double lengthens;

  Suppression(String words, double lengthens) {
    this.words = words;
    this.lengthens = lengthens;
  }

  /// Volts that its clamp adds, as a share of the coil's: a diode 0.7 V of 24, a Zener diode or a
  /// varistor about one and a half times the coil's, an RC element half of them at its worst
  /// (common practice).
  public double clamp() {
    return switch (this) {
      case DIODE, BUILT_IN -> 0.03;
      case ZENER, VARISTOR -> 1.5;
      case RC -> 0.5;
    };
  }

  /// How many times longer a coil takes at most to let go than with nothing fitted: 3 to 6 with a
  /// diode, 1.2 to 2 with an RC element, little with what clamps. Common practice, no published
  /// source; `t = L/R · ln((I0 + Uz/R)/(Ih + Uz/R))` where inductance and holding current are
  /// known.
  public double lengthens() {
    return lengthens;
  }

  public String words() {
    return words;
  }
}
