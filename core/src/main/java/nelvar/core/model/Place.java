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
}
