package nelvar.core.catalogue;

/// What the walls of a cabinet are made of.
public enum Housing {
  PAINTED_STEEL("painted steel"),
  STAINLESS_STEEL("stainless steel"),
  ALUMINIUM("aluminium"),
  PLASTIC("plastic"),
  WOOD("wood"),
  OPEN("open shelf");

  private final String words;

  Housing(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  public boolean combustible() {
    return this == WOOD;
  }

  /// Whether it is a conductor that faults can make live and a bond makes safe.
  public boolean metal() {
    return this == PAINTED_STEEL || this == STAINLESS_STEEL || this == ALUMINIUM;
  }
}
