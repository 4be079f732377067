package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Length;

/// Enclosure with its mounting plate: PE on its body and plate, DOOR on a door of metal. One of
/// plastic or wood has a plate of steel inside, which is bonded all the same.
///
/// @param walls what they are made of; painted steel where nothing is said
public record Enclosure(
    String id,
    String name,
    Article article,
    Length width,
    Length height,
    Length depth,
    Optional<Housing> walls)
    implements Part {
  @Override
  public boolean housing() {
    return true;
  }

  /// What its walls are made of.
  public Housing madeOf() {
    return walls.orElse(Housing.PAINTED_STEEL);
  }

  @Override
  public List<Terminal> terminals() {
    var plate = Terminal.required("PE", Role.PROTECTIVE);
    return madeOf().metal()
        ? List.of(plate, Terminal.required("DOOR", Role.PROTECTIVE))
        : List.of(plate);
  }
}
