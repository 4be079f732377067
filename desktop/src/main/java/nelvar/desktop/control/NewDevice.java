package nelvar.desktop.control;

import java.util.Optional;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.desktop.session.Session;

/// A part becomes a device of the machine, under the next free designation of its kind.
public final class NewDevice {
  private NewDevice() {}

  /// Adds and selects it; false where that was refused, which is told.
  public static boolean add(Part part, Session session) {
    var designation = NextName.designation(session.project(), part.stem());
    var device =
        Device.of(
            NextName.id(session.project(), designation.text()),
            designation.text(),
            "",
            part.id(),
            Place.PANEL);
    if (!session.edit(Edits.add(device))) return false;
    session.selection().set(Optional.of(device.id()));
    return true;
  }
}
