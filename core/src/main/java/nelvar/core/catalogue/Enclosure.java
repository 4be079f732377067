package nelvar.core.catalogue;

import java.util.List;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Length;

/// Metal enclosure: PE on its body, DOOR on its door.
public record Enclosure(
    String id, String name, Article article, Length width, Length height, Length depth)
    implements Part {
  @Override
  public boolean housing() {
    return true;
  }

  @Override
  public List<Terminal> terminals() {
    return List.of(
        Terminal.required("PE", Role.PROTECTIVE), Terminal.required("DOOR", Role.PROTECTIVE));
  }
}
