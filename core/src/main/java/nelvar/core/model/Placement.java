package nelvar.core.model;

import java.util.Optional;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;

/// Where one device is mounted.
///
/// @param left of its body from the left edge of the surface
/// @param top of its body from the top edge of the surface
/// @param turns quarter turns clockwise, 0 to 3
/// @param held whether arranging leaves it where it is
/// @param spacers what it stands on
/// @param through its heat sink stands outside, through a cut-out of the wall behind it
public record Placement(
    Id device,
    Id cabinet,
    Surface surface,
    Length left,
    Length top,
    Optional<Integer> turns,
    Optional<Boolean> held,
    Optional<Length> spacers,
    Optional<Boolean> through) {
  private static final int ALL_ROUND = 4;

  public Placement {
    if (turns.isPresent() && (turns.get() < 1 || turns.get() >= ALL_ROUND))
      throw new ImpossibleQuantity(
          "a device is turned by 1, 2 or 3 quarters, or nothing is said; not " + turns.get());
    held = held.filter(yes -> yes);
    through = through.filter(yes -> yes);
  }

  public static Placement at(Id device, Id cabinet, Surface surface, Length left, Length top) {
    return new Placement(
        device,
        cabinet,
        surface,
        left,
        top,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  public int quarters() {
    return turns.orElse(0);
  }

  public boolean stays() {
    return held.orElse(false);
  }

  public boolean sinkOutside() {
    return through.orElse(false);
  }

  public Placement movedTo(Surface where, Length nextLeft, Length nextTop) {
    return new Placement(device, cabinet, where, nextLeft, nextTop, turns, held, spacers, through);
  }

  public Placement turned() {
    var next = Math.floorMod(quarters() + 1, ALL_ROUND);
    return new Placement(
        device,
        cabinet,
        surface,
        left,
        top,
        next == 0 ? Optional.empty() : Optional.of(next),
        held,
        spacers,
        through);
  }

  public Placement upright() {
    return new Placement(
        device, cabinet, surface, left, top, Optional.empty(), held, spacers, through);
  }

  public Placement held(boolean stays) {
    return new Placement(
        device, cabinet, surface, left, top, turns, Optional.of(stays), spacers, through);
  }

  public Placement on(Optional<Length> nextSpacers) {
    return new Placement(device, cabinet, surface, left, top, turns, held, nextSpacers, through);
  }

  public Placement sinking(boolean outside) {
    return new Placement(
        device, cabinet, surface, left, top, turns, held, spacers, Optional.of(outside));
  }
}
