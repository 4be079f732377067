package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Article;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Placement;

/// What is mounted where, and what still waits to be.
public final class Bodies {
  private final Map<Id, List<Body>> byCabinet = new HashMap<>();
  private final Map<Id, Body> byDevice = new HashMap<>();
  private final List<Device> waiting = new ArrayList<>();

  /// How large something is, seen from the front, in mm, before it is turned.
  public record Size(double width, double height, Optional<Double> depth, boolean assumed) {}

  private Bodies(Study study) {
    var layout = study.project().layout();
    for (var device : study.project().devices()) {
      var part = study.part(device);
      if (part.isEmpty()) continue;
      var placement = layout.placement(device.id());
      if (placement.isEmpty()) {
        if (belongs(device, part.get())) waiting.add(device);
        continue;
      }
      body(placement.get(), study).ifPresent(this::add);
    }
    for (var later : layout.later())
      study
          .catalogue()
          .find(later.part())
          .ifPresent(part ->
              size(part)
                  .ifPresent(size ->
                      add(
                          body(
                              Optional.empty(),
                              later.name().text(),
                              part,
                              later.placement(),
                              size))));
  }

  public static Bodies of(Study study) {
    return study.once(Bodies.class, () -> new Bodies(study));
  }

  private void add(Body body) {
    byCabinet.computeIfAbsent(body.at().cabinet(), _ -> new ArrayList<>()).add(body);
    byDevice.put(body.id(), body);
  }

  /// Whether it is to be mounted in a cabinet or its door at all.
  public static boolean belongs(Device device, Part part) {
    return device.place() != Place.MACHINE
        && !part.housing()
        && !part.article().mounting().equals(Optional.of(Article.Mounting.PLUGGED));
  }

  /// As measured, else as the catalogue says; empty where nobody knows.
  public static Optional<Size> size(Device device, Study study) {
    var measured = study.project().layout().measured(device.id());
    if (measured.isPresent()) {
      var m = measured.get();
      return Optional.of(
          new Size(Box.mm(m.width()), Box.mm(m.height()), m.depth().map(Box::mm), false));
    }
    return study.part(device).flatMap(Bodies::size);
  }

  public static Optional<Size> size(Part part) {
    return part.article()
        .body()
        .map(body ->
            new Size(
                Box.mm(body.width()),
                Box.mm(body.height()),
                body.depth().map(Box::mm),
                body.assumed()));
  }

  /// What stands at a place, whether the project has it there or not; empty for a device that is
  /// not there or whose size nobody knows.
  public static Optional<Body> body(Placement at, Study study) {
    return study
        .device(at.device())
        .flatMap(device ->
            study
                .part(device)
                .flatMap(part ->
                    size(device, study)
                        .map(size ->
                            body(
                                Optional.of(device),
                                device.designation().text(),
                                part,
                                at,
                                size))));
  }

  /// A body of this size at a place.
  private static Body body(
      Optional<Device> device, String name, Part part, Placement at, Size size) {
    var lies = at.quarters() % 2 == 1;
    var box =
        new Box(
            Box.mm(at.left()),
            Box.mm(at.top()),
            lies ? size.height() : size.width(),
            lies ? size.width() : size.height());
    var fitting = part.article().fitting().orElse(Fitting.UNKNOWN);
    return new Body(
        device,
        name,
        part,
        at,
        box,
        size.depth().map(d -> d + at.spacers().map(Box::mm).orElse(0.0)),
        Room.of(fitting, at.quarters()),
        size.assumed());
  }

  /// What is mounted in a cabinet and its size known, in the order of the devices.
  public List<Body> in(Cabinet cabinet) {
    return byCabinet.getOrDefault(cabinet.id(), List.of());
  }

  /// Where it is mounted in this cabinet.
  public Optional<Body> in(Cabinet cabinet, Id device) {
    return of(device).filter(body -> body.at().cabinet().equals(cabinet.id()));
  }

  public Optional<Body> of(Id device) {
    return Optional.ofNullable(byDevice.get(device));
  }

  /// What stands next to it on the same surface, by the gap between their edges.
  public Optional<Body> nearest(Body body) {
    return byCabinet.getOrDefault(body.at().cabinet(), List.of()).stream()
        .filter(other -> other.surface() == body.surface() && !other.id().equals(body.id()))
        .min(java.util.Comparator.comparingDouble(other -> other.box().gap(body.box())));
  }

  /// What belongs in a cabinet and is placed in none.
  public List<Device> waiting() {
    return List.copyOf(waiting);
  }
}
