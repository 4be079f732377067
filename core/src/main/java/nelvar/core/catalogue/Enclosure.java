package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Length;
import nelvar.core.units.Power;
import nelvar.core.units.Price;

/// Metal enclosure: PE on its body, DOOR on its door.
public record Enclosure(
    String id,
    String name,
    Optional<Price> price,
    Optional<Power> loss,
    Length width,
    Length height,
    Length depth)
    implements Part {
  @Override
  public List<Terminal> terminals() {
    return List.of(
        Terminal.required("PE", Role.PROTECTIVE), Terminal.required("DOOR", Role.PROTECTIVE));
  }
}
