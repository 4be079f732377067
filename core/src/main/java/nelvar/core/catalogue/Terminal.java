package nelvar.core.catalogue;

/// A place on a part where conductors land, named as it is marked on the part.
///
/// @param required left open, the part cannot work or is not safe
public record Terminal(String name, Role role, boolean required) {
  public enum Role {
    LINE,
    NEUTRAL,
    PROTECTIVE,
    PLUS,
    MINUS,
    CONTACT,
    SIGNAL
  }

  static Terminal required(String name, Role role) {
    return new Terminal(name, role, true);
  }

  static Terminal optional(String name, Role role) {
    return new Terminal(name, role, false);
  }
}
