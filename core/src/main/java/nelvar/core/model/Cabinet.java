package nelvar.core.model;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import nelvar.core.units.Temperature;
import nelvar.core.units.Texts;

/// A housing that devices are mounted in: a cabinet, a plastic or wooden box, an open shelf.
///
/// @param device the enclosure among the devices that it is, with its earth terminals; empty for
///   one that has none
/// @param kept room that is kept free for what may come
/// @param felt what was measured in it
/// @param background outlines read from a drawing, which are only looked at
public record Cabinet(
    Id id,
    String name,
    Optional<Id> device,
    Shell shell,
    List<Rail> rails,
    List<Duct> ducts,
    List<Kept> kept,
    Optional<Felt> felt,
    List<Stroke> background) {
  public Cabinet {
    name = Texts.storable("a name", name);
    rails = List.copyOf(rails);
    ducts = List.copyOf(ducts);
    kept = List.copyOf(kept);
    background = List.copyOf(background);
  }

  public static Cabinet of(Id id, String name, Optional<Id> device, Shell shell) {
    return new Cabinet(
        id, name, device, shell, List.of(), List.of(), List.of(), Optional.empty(), List.of());
  }

  /// Air that was measured.
  ///
  /// @param inside at the top of the cabinet, warmed through
  /// @param around in the room at the same time
  public record Felt(Temperature inside, Temperature around) {
    public Felt {
      if (inside.compareTo(around) < 0)
        throw new ImpossibleQuantity(
            "without a cooler no cabinet is colder inside (%s) than the room (%s)"
                .formatted(inside, around));
    }
  }

  /// A rail of 35 mm.
  ///
  /// @param left of its left, or of an upright one its upper, end
  /// @param top of its middle line; of an upright one, of its upper end
  /// @param upright it runs from top to bottom
  public record Rail(
      Id id, Surface surface, Length left, Length top, Length length, Optional<Boolean> upright) {
    public Rail {
      upright = upright.filter(yes -> yes);
    }

    public boolean vertical() {
      return upright.isPresent();
    }

    public Rail movedTo(Length nextLeft, Length nextTop) {
      return new Rail(id, surface, nextLeft, nextTop, length, upright);
    }

    public Rail cutTo(Length next) {
      return new Rail(id, surface, left, top, next, upright);
    }
  }

  /// A wiring duct.
  ///
  /// @param length along which it runs
  /// @param width of its face
  /// @param depth from the plate to its lid
  /// @param bundle what of the wiring lies in it
  /// @param only what it is kept for; empty for anything
  public record Duct(
      Id id,
      Surface surface,
      Length left,
      Length top,
      Length length,
      Length width,
      Length depth,
      Optional<Boolean> upright,
      Optional<Id> bundle,
      Optional<Bundle.Only> only) {
    /// For anything.
    public Duct(
        Id id,
        Surface surface,
        Length left,
        Length top,
        Length length,
        Length width,
        Length depth,
        Optional<Boolean> upright,
        Optional<Id> bundle) {
      this(id, surface, left, top, length, width, depth, upright, bundle, Optional.empty());
    }

    public Duct {
      upright = upright.filter(yes -> yes);
      if (length.metres() <= 0 || width.metres() <= 0 || depth.metres() <= 0)
        throw new ImpossibleQuantity("a duct is longer, wider and deeper than 0 mm");
    }

    public boolean vertical() {
      return upright.isPresent();
    }

    public Duct movedTo(Length nextLeft, Length nextTop) {
      return new Duct(id, surface, nextLeft, nextTop, length, width, depth, upright, bundle, only);
    }

    public Duct cutTo(Length next) {
      return new Duct(id, surface, left, top, next, width, depth, upright, bundle, only);
    }

    public Duct section(Length nextWidth, Length nextDepth) {
      return new Duct(id, surface, left, top, length, nextWidth, nextDepth, upright, bundle, only);
    }

    public Duct holding(Optional<Id> next) {
      return new Duct(id, surface, left, top, length, width, depth, upright, next, only);
    }

    public Duct keptFor(Optional<Bundle.Only> next) {
      return new Duct(id, surface, left, top, length, width, depth, upright, bundle, next);
    }

    public Length right() {
      return left.plus(vertical() ? width : length);
    }

    public Length bottom() {
      return top.plus(vertical() ? length : width);
    }
  }

  /// Room that is kept free.
  ///
  /// @param name what for
  public record Kept(
      String name, Surface surface, Length left, Length top, Length width, Length height) {
    public Kept {
      name = Texts.storable("a name", name);
    }
  }

  /// One line of a background, from corner to corner.
  public record Stroke(Surface surface, List<Point> points) {
    public Stroke {
      points = List.copyOf(points);
      if (points.size() < 2) throw new ImpossibleQuantity("a line has two ends or more");
    }
  }

  /// From the left and the upper edge of a surface.
  public record Point(Length left, Length top) {}

  public Cabinet withName(String next) {
    return new Cabinet(id, next, device, shell, rails, ducts, kept, felt, background);
  }

  public Cabinet withDevice(Optional<Id> next) {
    return new Cabinet(id, name, next, shell, rails, ducts, kept, felt, background);
  }

  public Cabinet withShell(Shell next) {
    return new Cabinet(id, name, device, next, rails, ducts, kept, felt, background);
  }

  public Cabinet withRails(List<Rail> next) {
    return new Cabinet(id, name, device, shell, next, ducts, kept, felt, background);
  }

  public Cabinet withDucts(List<Duct> next) {
    return new Cabinet(id, name, device, shell, rails, next, kept, felt, background);
  }

  public Cabinet withKept(List<Kept> next) {
    return new Cabinet(id, name, device, shell, rails, ducts, next, felt, background);
  }

  public Cabinet withFelt(Optional<Felt> next) {
    return new Cabinet(id, name, device, shell, rails, ducts, kept, next, background);
  }

  /// With other outlines behind one surface; those of the others stay.
  public Cabinet withBackground(Surface surface, List<Stroke> next) {
    return withBackground(
        Stream.concat(background.stream().filter(s -> s.surface() != surface), next.stream())
            .toList());
  }

  public Cabinet withBackground(List<Stroke> next) {
    return new Cabinet(id, name, device, shell, rails, ducts, kept, felt, next);
  }

  public Optional<Rail> rail(Id rail) {
    return rails.stream().filter(r -> r.id().equals(rail)).findFirst();
  }

  public Optional<Duct> duct(Id duct) {
    return ducts.stream().filter(d -> d.id().equals(duct)).findFirst();
  }
}
