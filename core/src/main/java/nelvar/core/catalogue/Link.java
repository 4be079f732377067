package nelvar.core.catalogue;

import java.util.Optional;

/// Two terminals of one part that current can pass between while the machine runs.
public record Link(String a, String b, Kind kind, Optional<Guard> guard) {
  public enum Kind {
    /// Always joined.
    JOINED,
    /// A contact of a switch, contactor or relay.
    CONTACT,
    /// Joined through a protective device.
    GUARDED,
    /// A transistor or sensor output towards its own supply terminal.
    OUTPUT
  }

  static Link joined(String a, String b) {
    return new Link(a, b, Kind.JOINED, Optional.empty());
  }

  static Link contact(String a, String b) {
    return new Link(a, b, Kind.CONTACT, Optional.empty());
  }

  static Link guarded(String a, String b, Guard guard) {
    return new Link(a, b, Kind.GUARDED, Optional.of(guard));
  }

  static Link output(String a, String b) {
    return new Link(a, b, Kind.OUTPUT, Optional.empty());
  }
}
