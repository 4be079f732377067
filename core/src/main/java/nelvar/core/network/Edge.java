package nelvar.core.network;

import nelvar.core.catalogue.Link;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;

/// What joins two terminals: a conductor, or a way through a device.
public sealed interface Edge {
  record Wire(Conductor conductor) implements Edge {}

  record Through(Device device, Link link) implements Edge {}
}
