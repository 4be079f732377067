package nelvar.core.model;

/// Where a device sits.
public enum Place {
  PANEL("in the cabinet"),
  DOOR("on the door"),
  MACHINE("on the machine");

  private final String words;

  Place(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /// Where something is that people say is `on the door`, `in the cabinet`, `on the gantry`.
  public static Place said(String words) {
    var plain = words.toLowerCase(java.util.Locale.ROOT);
    return plain.contains("door")
        ? DOOR
        : plain.contains("panel") || plain.contains("cabinet") ? PANEL : MACHINE;
  }
}
