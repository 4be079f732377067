package nelvar.core.model;

import java.util.Optional;
import java.util.function.Consumer;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import nelvar.core.units.Texts;

/// Conductors and cables that lie together and warm each other: a duct, a conduit, a tray, a
/// carrier.
///
/// @param inside within the cabinet, at its inside temperature
/// @param form what it is and how large it is inside; empty where only its name is known
/// @param course where it leads from and to, and how long it is
/// @param only what it is kept for; empty for anything
public record Bundle(
    Id id,
    String name,
    InstallationMethod method,
    boolean inside,
    Optional<Form> form,
    Optional<Course> course,
    Optional<Only> only) {
  public Bundle {
    name = Texts.storable("a name", name);
  }

  /// Of which nothing is known but how it is laid.
  public Bundle(Id id, String name, InstallationMethod method, boolean inside) {
    this(id, name, method, inside, Optional.empty(), Optional.empty(), Optional.empty());
  }

  /// What a duct, a tray or a carrier is kept for: what disturbs, or what is disturbed.
  public enum Only {
    POWER("mains, motors and other power only"),
    SIGNALS("signals only");

    private final String words;

    Only(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// What it is, and its room inside.
  ///
  /// @param width inside; of a conduit its inner diameter; of a coiled cord over its turns
  /// @param height inside; of a conduit its inner diameter again, of a coiled cord its diameter
  /// @param hoses outer diameters of hoses that lie beside the cables
  /// @param closed length of a coiled cord at rest
  /// @param divider of a tray: from its left side to the upright wall that parts it, power on the
  ///   left, signals on the right
  public record Form(
      Kind kind,
      Length width,
      Length height,
      Optional<Carrier> carrier,
      java.util.List<Length> hoses,
      Optional<Length> closed,
      Optional<Length> divider) {
    private static final double AT_SIDE = 0.005;

    public Form {
      hoses = java.util.List.copyOf(hoses);
      if (kind != Kind.LOOM)
        for (var side : new Length[] {width, height})
          if (side.metres() < 0.003 || side.metres() > 1)
            throw new ImpossibleQuantity(
                "a duct, conduit, tray or carrier is from 3 mm to 1 m wide and high inside, not "
                    + side);
      if (carrier.isPresent() && kind != Kind.CARRIER)
        throw new ImpossibleQuantity("only a carrier travels");
      if (closed.isPresent() && kind != Kind.COIL)
        throw new ImpossibleQuantity("only a coiled cord has a length at rest");
      if (closed.filter(l -> l.metres() < 0.02 || l.metres() > 5).isPresent())
        throw new ImpossibleQuantity(
            "a coiled cord is from 20 mm to 5 m long at rest, not " + closed.orElseThrow());
      if (kind == Kind.COIL && width.metres() < 3 * height.metres() - 1e-9)
        throw new ImpossibleQuantity(
            "the turns of a coiled cord are at least three times as wide as the cord, not %s of one of %s"
                .formatted(width, height));
      if (divider.isPresent() && kind != Kind.TRAY)
        throw new ImpossibleQuantity("only a tray has one divider all along");
      if (divider
          .filter(at -> at.metres() < AT_SIDE || at.metres() > width.metres() - AT_SIDE)
          .isPresent())
        throw new ImpossibleQuantity(
            "the divider of a tray stands 5 mm and more from either side; in one of %s that is not at %s"
                .formatted(width, divider.orElseThrow()));
      if (hoses.stream().anyMatch(d -> d.metres() < 0.002 || d.metres() > 0.2))
        throw new ImpossibleQuantity("a hose is from 2 mm to 200 mm thick");
    }

    /// Without hoses.
    public Form(Kind kind, Length width, Length height, Optional<Carrier> carrier) {
      this(kind, width, height, carrier, java.util.List.of(), Optional.empty(), Optional.empty());
    }

    public static Form conduit(Length diameter) {
      return new Form(Kind.CONDUIT, diameter, diameter, Optional.empty());
    }

    /// Tied together, with nothing around.
    public static Form loom() {
      return new Form(Kind.LOOM, new Length(0), new Length(0), Optional.empty());
    }

    /// @param across over its turns
    /// @param cord its diameter
    public static Form coil(Length across, Length cord, Length closed) {
      return new Form(
          Kind.COIL,
          across,
          cord,
          Optional.empty(),
          java.util.List.of(),
          Optional.of(closed),
          Optional.empty());
    }

    public Form withCarrier(Carrier next) {
      return new Form(kind, width, height, Optional.of(next), hoses, closed, divider);
    }

    public Form withHoses(java.util.List<Length> next) {
      return new Form(kind, width, height, carrier, next, closed, divider);
    }

    public Form parted(Length at) {
      return new Form(kind, width, height, carrier, hoses, closed, Optional.of(at));
    }

    /// Whether a wall parts cables that carry power from those that carry signals: the first of a
    /// carrier with hoses parts those.
    public boolean parted() {
      var walls = carrier.map(c -> c.dividers().size()).orElse(0);
      return divider.isPresent() || walls > (hoses.isEmpty() ? 0 : 1);
    }
  }

  public enum Kind {
    DUCT("duct"),
    CONDUIT("conduit"),
    TRAY("tray"),
    CARRIER("cable carrier"),
    /// Tied together, with no walls.
    LOOM("loom"),
    COIL("coiled cord");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// A chain of links that bends with what moves.
  ///
  /// @param travel of its moving end
  /// @param bendRadius of the middle of its links
  /// @param pitch of one link
  /// @param fixedOff how far its fixed end is from the middle of the travel
  /// @param outerHeight of its links
  /// @param dividers upright walls, from the left, that part its width
  /// @param lies how it moves
  /// @param opens of one on its side, to which side its loop lies, seen from its fixed end towards
  ///   the middle of the travel
  /// @param room free beside or above its lower run, where something is in its way
  /// @param strokesPerHour how often it goes there and back
  public record Carrier(
      Length travel,
      Length bendRadius,
      Length pitch,
      Length fixedOff,
      Length outerHeight,
      java.util.List<Length> dividers,
      Lies lies,
      Optional<Hand> opens,
      Optional<Length> room,
      Optional<Integer> strokesPerHour) {
    public Carrier {
      dividers = java.util.List.copyOf(dividers);
      if (travel.metres() <= 0 || bendRadius.metres() <= 0 || pitch.metres() <= 0)
        throw new ImpossibleQuantity(
            "a carrier has a travel, a bend radius and links longer than 0 mm");
      if (fixedOff.metres() > travel.metres() / 2 + 1e-9)
        throw new ImpossibleQuantity(
            "the fixed end of a carrier stands along its travel: at most %s from its middle, not %s"
                .formatted(new Length(travel.metres() / 2), fixedOff));
      if (opens.isPresent() && lies != Lies.ON_SIDE)
        throw new ImpossibleQuantity(
            "only a carrier that lies on its side opens to the left or right");
      if (strokesPerHour.filter(n -> n < 1 || n > 100_000).isPresent())
        throw new ImpossibleQuantity(
            "a carrier makes 1 to 100000 strokes an hour, not " + strokesPerHour.orElseThrow());
    }

    /// Of which is not said what is around it and how often it moves.
    public Carrier(
        Length travel,
        Length bendRadius,
        Length pitch,
        Length fixedOff,
        Length outerHeight,
        java.util.List<Length> dividers,
        Lies lies) {
      this(
          travel,
          bendRadius,
          pitch,
          fixedOff,
          outerHeight,
          dividers,
          lies,
          Optional.empty(),
          Optional.empty(),
          Optional.empty());
    }

    public Carrier bent(Length radius) {
      return new Carrier(
          travel,
          radius,
          pitch,
          fixedOff,
          outerHeight,
          dividers,
          lies,
          opens,
          room,
          strokesPerHour);
    }

    public Carrier parted(java.util.List<Length> next) {
      return new Carrier(
          travel,
          bendRadius,
          pitch,
          fixedOff,
          outerHeight,
          next,
          lies,
          opens,
          room,
          strokesPerHour);
    }
  }

  /// To which side a loop lies.
  public enum Hand {
    LEFT("to the left"),
    RIGHT("to the right");

    private final String words;

    Hand(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// How a carrier moves.
  public enum Lies {
    FLAT("lying, its upper run free"),
    ON_SIDE("on its side"),
    UPRIGHT("upright, its loop below"),
    HANGING("upright, its loop above");

    private final String words;

    Lies(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// Where it leads: names of places on the machine, or the id of a cabinet.
  ///
  /// @param length along it; of a carrier whose travel is known that is computed
  public record Course(String from, String to, Optional<Length> length) {
    public Course {
      from = Texts.storable("where a course begins", from.strip());
      to = Texts.storable("where a course ends", to.strip());
      if (from.isEmpty() || to.isEmpty() || from.equalsIgnoreCase(to))
        throw new ImpossibleQuantity("a course leads from one place to another");
      if (length.filter(l -> l.metres() <= 0 || l.metres() > 500).isPresent())
        throw new ImpossibleQuantity(
            "a course is more than 0 m and at most 500 m long, not " + length.orElseThrow());
    }
  }

  /// One being changed.
  public static final class Draft {
    public String name;
    public InstallationMethod method;
    public boolean inside;
    public Optional<Form> form;
    public Optional<Course> course;
    public Optional<Only> only;

    private Draft(Bundle of) {
      name = of.name;
      method = of.method;
      inside = of.inside;
      form = of.form;
      course = of.course;
      only = of.only;
    }
  }

  /// Otherwise in some of it.
  public Bundle with(Consumer<Draft> change) {
    var d = new Draft(this);
    change.accept(d);
    return new Bundle(id, d.name, d.method, d.inside, d.form, d.course, d.only);
  }
}
