package nelvar.core.model;

import java.util.Optional;
import java.util.function.Consumer;
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
/// @param estimated its length was only assumed: where its way is known, that says how long it is
/// @param done whether it is laid and landed at both ends
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
    Optional<Id> leadOf,
    Optional<Boolean> estimated,
    Optional<Boolean> done) {

  /// As long as was said.
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
      Optional<Id> bundle,
      Optional<Id> leadOf) {
    this(
        id,
        label,
        from,
        to,
        function,
        section,
        length,
        colour,
        cable,
        bundle,
        leadOf,
        Optional.empty(),
        Optional.empty());
  }

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
    estimated = estimated.filter(yes -> yes && length.isPresent());
    done = done.filter(yes -> yes);
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

  /// A conductor being changed.
  public static final class Draft {
    public Designation label;
    public TerminalRef from;
    public TerminalRef to;
    public Optional<CrossSection> section;
    public Optional<Length> length;
    public Optional<String> colour;
    public Optional<Id> cable;
    public Optional<Id> bundle;
    public Optional<Id> leadOf;
    public boolean estimated;
    public boolean done;

    private Draft(Conductor of) {
      label = of.label;
      from = of.from;
      to = of.to;
      section = of.section;
      length = of.length;
      colour = of.colour;
      cable = of.cable;
      bundle = of.bundle;
      leadOf = of.leadOf;
      estimated = of.guessed();
      done = of.done.isPresent();
    }
  }

  /// Otherwise in some of it.
  public Conductor with(Consumer<Draft> change) {
    var d = new Draft(this);
    change.accept(d);
    return new Conductor(
        id,
        d.label,
        d.from,
        d.to,
        function,
        d.section,
        d.length,
        d.colour,
        d.cable,
        d.bundle,
        d.leadOf,
        Optional.of(d.estimated),
        Optional.of(d.done));
  }

  /// Whether its length was only assumed.
  public boolean guessed() {
    return estimated.isPresent();
  }

  /// A wire of another section is another wire: it is not laid yet.
  public Conductor withSection(CrossSection next) {
    return with(d -> {
      d.done &= section.filter(next::equals).isPresent();
      d.section = Optional.of(next);
    });
  }

  /// As long as somebody says.
  public Conductor withLength(Length next) {
    return with(d -> {
      d.length = Optional.of(next);
      d.estimated = false;
    });
  }

  /// As long as is assumed until its way is known.
  public Conductor assumed() {
    return with(d -> d.estimated = true);
  }

  /// As long as its way says.
  public Conductor asRouted() {
    return with(d -> d.length = Optional.empty());
  }

  public Conductor withLabel(Designation next) {
    return with(d -> d.label = next);
  }

  /// Landed elsewhere, which is to be done.
  public Conductor withEnds(TerminalRef nextFrom, TerminalRef nextTo) {
    return with(d -> {
      d.done &= from.equals(nextFrom) && to.equals(nextTo);
      d.from = nextFrom;
      d.to = nextTo;
      d.leadOf = leadOf.filter(of -> nextFrom.device().equals(of) || nextTo.device().equals(of));
    });
  }

  public Conductor withBundle(Optional<Id> next) {
    return with(d -> d.bundle = next);
  }

  /// A wire of another colour, or another core, is not laid yet.
  public Conductor withColour(Optional<String> next) {
    return with(d -> {
      d.done &= colour.equals(next);
      d.colour = next;
    });
  }

  public Conductor withLeadOf(Optional<Id> next) {
    return with(d -> d.leadOf = next);
  }
}
