package nelvar.core.model;

/// What takes up the energy of a coil when it is switched off.
public enum Suppression {
  DIODE("flyback diode"),
  ZENER("diode and Zener"),
  VARISTOR("varistor"),
  RC("RC snubber"),
  BUILT_IN("built in");

  private final String words;

  Suppression(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
