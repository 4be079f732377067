package nelvar.core.model;

import java.util.Optional;
import nelvar.core.units.Length;

/// A cable with its cores; the conductors that name it are its cores.
///
/// @param stock id of the catalogue cable
public record Cable(
    Id id, Designation label, String stock, Optional<Length> length, Optional<Id> bundle) {
  public Cable withLength(Length next) {
    return new Cable(id, label, stock, Optional.of(next), bundle);
  }

  public Cable withBundle(Optional<Id> next) {
    return new Cable(id, label, stock, length, next);
  }

  public Cable withStock(String next) {
    return new Cable(id, label, next, length, bundle);
  }
}
