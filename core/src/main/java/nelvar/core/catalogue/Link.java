package nelvar.core.catalogue;

import java.util.Optional;

/// Two terminals of one part that current can pass between.
///
/// @param actuator what closes and opens it, by name; empty where it is always closed
/// @param closedAtRest whether it conducts while its actuator is off
public record Link(
    String a,
    String b,
    Kind kind,
    Optional<ProtectiveDevice> protection,
    Optional<String> actuator,
    boolean closedAtRest) {
  /// Of a closed contact, Ω; common practice, no published source.
  public static final double CONTACT_RESISTANCE = 0.005;

  public enum Kind {
    /// Always joined.
    JOINED,
    /// A contact of a switch, contactor or relay.
    CONTACT,
    /// Joined through a protective device.
    PROTECTIVE,
    /// A transistor or sensor output towards its own supply terminal.
    OUTPUT,
    /// Joined one way, through a diode.
    DIODE
  }

  /// Whether it counts as joined when everything that can be on is on: all but the resting contacts
  /// of coils and the resting half of push-pull outputs.
  public boolean joinsWhenAllIsOn() {
    return !(closedAtRest && (kind == Kind.OUTPUT || actuator.equals(Optional.of(Actuator.COIL))));
  }

  /// The same way behind a protective device set otherwise.
  public Link with(ProtectiveDevice next) {
    return new Link(a, b, kind, Optional.of(next), actuator, closedAtRest);
  }

  static Link joined(String a, String b) {
    return new Link(a, b, Kind.JOINED, Optional.empty(), Optional.empty(), false);
  }

  static Link contact(String a, String b, String actuator) {
    return new Link(a, b, Kind.CONTACT, Optional.empty(), Optional.of(actuator), false);
  }

  static Link restContact(String a, String b, String actuator) {
    return new Link(a, b, Kind.CONTACT, Optional.empty(), Optional.of(actuator), true);
  }

  static Link protective(String a, String b, ProtectiveDevice protection) {
    return new Link(a, b, Kind.PROTECTIVE, Optional.of(protection), Optional.empty(), false);
  }

  /// One way for direct current; part of the way from a source to its loads all the same.
  static Link diode(String from, String to) {
    return new Link(from, to, Kind.DIODE, Optional.empty(), Optional.empty(), false);
  }

  static Link restOutput(String a, String b, String actuator) {
    return new Link(a, b, Kind.OUTPUT, Optional.empty(), Optional.of(actuator), true);
  }

  static Link output(String a, String b, String actuator) {
    return new Link(a, b, Kind.OUTPUT, Optional.empty(), Optional.of(actuator), false);
  }
}
