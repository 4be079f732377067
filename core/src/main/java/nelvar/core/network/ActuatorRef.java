package nelvar.core.network;

import nelvar.core.model.Id;

/// One actuator of one device: `K1.coil`, `S1.pressed`, `A1.Q3`.
public record ActuatorRef(Id device, String name) {
  @Override
  public String toString() {
    return device + "." + name;
  }
}
