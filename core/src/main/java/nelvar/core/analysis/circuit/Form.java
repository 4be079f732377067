package nelvar.core.analysis.circuit;

/// How a symbol is built.
public enum Form {
  /// One or more ways through, side by side: contacts, breakers, fuses.
  POLES,
  /// A common and two contacts, one closed at rest.
  CHANGEOVER,
  /// One thing in one line of current: a coil, a lamp.
  SLIM,
  /// A ring: a motor.
  RING,
  BOX,
  /// One way of a strip, a bar or a plug.
  WAY;

  /// Whether its name stands within it.
  boolean wide() {
    return this == BOX;
  }
}
