package nelvar.core.model;

import java.util.Optional;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;
import nelvar.core.units.Texts;

/// One conductor between two terminals: a single wire, or a core of a cable.
///
/// @param label the number on its sleeve
/// @param section empty where it is not chosen yet
/// @param length one way; empty where it is not known yet, or where its cable's length holds
/// @param colour of its insulation, or the mark of its core
/// @param cable the cable whose core it is
/// @param bundle the duct, conduit or tray it lies in; a core lies where its cable lies
/// @param leadOf the device it is a lead of, or a core of the plug and cord of: the device's maker
///   sized it, and no rule on wires judges it
public record Conductor(
    Id id,
    Designation label,
    TerminalRef from,
    TerminalRef to,
    Function function,
    Optional<CrossSection> section,
    Optional<Length> length,
    Optional<String> colour,
    Optional<Id> cable,
    Optional<Id> bundle,
    Optional<Id> leadOf) {

  /// No lead of a device.
  public Conductor(
      Id id,
      Designation label,
      TerminalRef from,
      TerminalRef to,
      Function function,
      Optional<CrossSection> section,
      Optional<Length> length,
      Optional<String> colour,
      Optional<Id> cable,
      Optional<Id> bundle) {
    this(id, label, from, to, function, section, length, colour, cable, bundle, Optional.empty());
  }

  public Conductor {
    colour = colour.map(text -> Texts.storable("a colour", text));
  }

  public enum Function {
    POWER("power"),
    CONTROL("control"),
    DATA("data"),
    PROTECTIVE("protective"),
    /// The shield of a cable, or what joins it to earth: it must carry no working current.
    SHIELD("shield");

    private final String words;

    Function(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// Whether it is meant to carry the current of a load.
  public boolean carriesWork() {
    return function != Function.PROTECTIVE && function != Function.SHIELD;
  }

  /// Whether whoever builds the panel answers for its section.
  public boolean sized() {
    return leadOf.isEmpty();
  }

  /// Whether it is no wire at all: a jumper, or the pins of a module in its socket.
  public boolean plugged() {
    return leadOf.isPresent() && length.filter(metres -> metres.metres() == 0).isPresent();
  }

  /// Whether one of its ends is this terminal.
  public boolean lands(TerminalRef end) {
    return from.equals(end) || to.equals(end);
  }

  public boolean touches(Id device) {
    return from.device().equals(device) || to.device().equals(device);
  }

  public Conductor withSection(CrossSection next) {
    return new Conductor(
        id, label, from, to, function, Optional.of(next), length, colour, cable, bundle, leadOf);
  }

  public Conductor withLength(Length next) {
    return new Conductor(
        id, label, from, to, function, section, Optional.of(next), colour, cable, bundle, leadOf);
  }

  public Conductor withLabel(Designation next) {
    return new Conductor(
        id, next, from, to, function, section, length, colour, cable, bundle, leadOf);
  }

  public Conductor withEnds(TerminalRef nextFrom, TerminalRef nextTo) {
    return new Conductor(
        id,
        label,
        nextFrom,
        nextTo,
        function,
        section,
        length,
        colour,
        cable,
        bundle,
        leadOf.filter(of -> nextFrom.device().equals(of) || nextTo.device().equals(of)));
  }

  public Conductor withBundle(Optional<Id> next) {
    return new Conductor(
        id, label, from, to, function, section, length, colour, cable, next, leadOf);
  }

  public Conductor withColour(Optional<String> next) {
    return new Conductor(
        id, label, from, to, function, section, length, next, cable, bundle, leadOf);
  }

  public Conductor withLeadOf(Optional<Id> next) {
    return new Conductor(
        id, label, from, to, function, section, length, colour, cable, bundle, next);
  }
}
