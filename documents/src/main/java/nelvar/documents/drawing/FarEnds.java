package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;

/// What wires lead to outside the plate: devices on the machine by the place they are at, and those
/// on the door, each a small plate that can be chosen. Units are pixels.
///
/// @param lit the wires that are drawn as chosen
record FarEnds(Study study, List<Conductor> lit, List<Shape> shapes, List<Drawing.Spot> spots) {
  private static final double SMALL = 11;
  private static final double HIGH = 16;
  private static final double GAP = 4;

  /// The devices on the machine that what lies here leads to.
  List<Device> through(Bundle bundle) {
    return of(study.lyingIn(bundle), Place.MACHINE);
  }

  List<Device> onDoor() {
    return of(study.project().conductors(), Place.DOOR);
  }

  /// Those that no tray, conduit or carrier leads to.
  List<Device> beside(List<Bundle> bundles) {
    var all = new LinkedHashSet<>(of(study.project().conductors(), Place.MACHINE));
    for (var bundle : bundles) through(bundle).forEach(all::remove);
    return List.copyOf(all);
  }

  private List<Device> of(List<Conductor> wires, Place place) {
    var ids = new LinkedHashSet<Id>();
    for (var wire : wires) {
      ids.add(wire.from().device());
      ids.add(wire.to().device());
    }
    return study.project().devices().stream()
        .filter(device -> ids.contains(device.id()) && device.place() == place)
        .toList();
  }

  /// By place, each with how far it is; returns where the last one ends.
  double draw(List<Device> devices, double x, double top, double width) {
    var places = new LinkedHashMap<String, List<Device>>();
    for (var device : devices)
      places.computeIfAbsent(place(device), _ -> new ArrayList<>()).add(device);
    var y = top;
    for (var entry : places.entrySet()) {
      if (!entry.getKey().isEmpty()) {
        y += 12;
        shapes.add(
            Shape.text(
                x,
                y,
                Faces.fit(entry.getKey(), Face.TEXT, SMALL, width),
                Face.TEXT,
                SMALL,
                Ink.TEXT_SOFT));
        y += GAP;
      }
      y = plates(entry.getValue(), x, y, width);
    }
    return y;
  }

  /// `gantry, 3.2 m`; empty where nobody said where it is.
  private String place(Device device) {
    var plan = study.project().plan();
    return plan.placeOf(device)
        .map(name -> name + plan.distance(name).map(far -> ", " + far).orElse(""))
        .orElse("");
  }

  private double plates(List<Device> devices, double x, double top, double width) {
    var ends = ends();
    var at = x;
    var y = top;
    for (var device : devices) {
      var name = device.designation().text();
      var wide = Math.min(width, Faces.width(name, Face.MONO, SMALL) + 8);
      if (at > x && at + wide > x + width) {
        at = x;
        y += HIGH + GAP;
      }
      var chosen = ends.contains(device.id());
      shapes.add(
          Shape.rounded(
              at,
              y,
              wide,
              HIGH,
              2,
              Optional.of(chosen ? Ink.ACCENT_SOFT : Ink.CARD),
              Optional.of(Shape.Pen.of(chosen ? Ink.ACCENT : Ink.LINE, chosen ? 1.6 : 0.9))));
      shapes.add(
          Shape.text(
              at + wide / 2,
              y + 12,
              Faces.fit(name, Face.MONO, SMALL, wide - 4),
              Face.MONO,
              SMALL,
              chosen ? Ink.ACCENT : Ink.TEXT_SOFT,
              Shape.Anchor.MIDDLE));
      spots.add(
          new Drawing.Spot(
              at, y, wide, HIGH, device.id(), (name + " " + device.purpose()).strip()));
      at += wide + GAP;
    }
    return devices.isEmpty() ? top : y + HIGH + GAP;
  }

  private Set<Id> ends() {
    var all = new LinkedHashSet<Id>();
    for (var wire : lit) {
      all.add(wire.from().device());
      all.add(wire.to().device());
    }
    return all;
  }
}
