package nelvar.core.model;

import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.Texts;

/// Conductors and cables that lie together and warm each other: a duct, a conduit, a tray, a
/// carrier.
///
/// @param inside within the cabinet, at its inside temperature
public record Bundle(Id id, String name, InstallationMethod method, boolean inside) {
  public Bundle {
    name = Texts.storable("a name", name);
  }
}
