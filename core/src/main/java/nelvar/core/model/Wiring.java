package nelvar.core.model;

import java.util.List;
import nelvar.core.catalogue.Part;

/// What is wired to what.
///
/// @param ownParts parts of this project that no catalogue has
/// @param fixed devices and conductors whose part or section was fixed by hand: choosing leaves
///   them
public record Wiring(
    List<Device> devices,
    List<Cable> cables,
    List<Conductor> conductors,
    List<Part> ownParts,
    List<Id> fixed) {
  public static final Wiring NONE =
      new Wiring(List.of(), List.of(), List.of(), List.of(), List.of());

  public Wiring {
    devices = List.copyOf(devices);
    cables = List.copyOf(cables);
    conductors = List.copyOf(conductors);
    ownParts = List.copyOf(ownParts);
    fixed = List.copyOf(fixed);
  }

  public Wiring withDevices(List<Device> next) {
    return new Wiring(next, cables, conductors, ownParts, fixed);
  }

  public Wiring withCables(List<Cable> next) {
    return new Wiring(devices, next, conductors, ownParts, fixed);
  }

  public Wiring withConductors(List<Conductor> next) {
    return new Wiring(devices, cables, next, ownParts, fixed);
  }

  public Wiring withOwnParts(List<Part> next) {
    return new Wiring(devices, cables, conductors, next, fixed);
  }

  public Wiring withFixed(List<Id> next) {
    return new Wiring(devices, cables, conductors, ownParts, next);
  }
}
