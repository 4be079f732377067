package nelvar.core.compose.place;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.AirPath;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.DoorCloses;
import nelvar.core.analysis.space.Fits;
import nelvar.core.analysis.space.FreePlace;
import nelvar.core.catalogue.Article;
import nelvar.core.catalogue.Disconnector;
import nelvar.core.catalogue.Fitting;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.Placement;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;

/// Places what does not stand on the plate: operating parts on the door at the height of hands,
/// fans in the wall, bricks outside.
final class Edges {
  private final Cabinet cabinet;
  private final Study study;

  /// From button to button, room for a label between them, mm.
  private static final double BUTTON = 80;

  private final List<Body> onPlate;
  private final List<Body> bodies = new ArrayList<>();

  /// @param onPlate what stands behind the door already
  Edges(Cabinet cabinet, List<Placement> onPlate, Study study) {
    this.cabinet = cabinet;
    this.study = study;
    this.onPlate = onPlate.stream().flatMap(at -> Bodies.body(at, study).stream()).toList();
    bodies.addAll(this.onPlate);
  }

  void place(List<Device> devices, List<Placement> all, List<Proposal.Waits> waiting) {
    for (var device : devices) {
      if (Bodies.size(device, study).isEmpty()) {
        waiting.add(new Proposal.Waits(device, "its size is not known"));
        continue;
      }
      var found = place(device);
      if (found.isEmpty()) {
        waiting.add(new Proposal.Waits(device, "no free place is left for it"));
        continue;
      }
      all.add(found.get());
    }
  }

  /// The place a builder would give one device, where it is free; it is taken from then on.
  Optional<Placement> place(Device device) {
    var part = study.part(device).orElseThrow();
    var size = Bodies.size(device, study);
    if (size.isEmpty()) return Optional.empty();
    var found =
        surfaces(device, part.article().mounting(), part.article().fitting()).stream()
            .flatMap(surface -> near(device, surface, size.get()).stream())
            .findFirst();
    found.ifPresent(bodies::add);
    return found.map(Body::at);
  }

  private List<Surface> surfaces(
      Device device, Optional<Article.Mounting> mounting, Optional<Fitting> fitting) {
    var door = cabinet.shell().hinge().isPresent();
    if (device.place() == Place.DOOR || mounting.equals(Optional.of(Article.Mounting.DOOR)))
      return door ? List.of(Surface.DOOR) : List.of(Surface.RIGHT, Surface.LEFT, Surface.DOOR);
    if (fitting.filter(Fitting::cools).isPresent()) return cooling(door);
    if (mounting.equals(Optional.of(Article.Mounting.OUTSIDE))) return List.of(Surface.OUTSIDE);
    return List.of(Surface.PLATE);
  }

  /// In a side wall, the one the door does not hang on first; in the door where the walls are too
  /// narrow.
  private List<Surface> cooling(boolean door) {
    var all = new ArrayList<Surface>();
    var right = cabinet.shell().hinge().equals(Optional.of(Shell.Side.RIGHT));
    all.add(right ? Surface.LEFT : Surface.RIGHT);
    all.add(right ? Surface.RIGHT : Surface.LEFT);
    if (door) all.add(Surface.DOOR);
    all.add(Surface.TOP);
    all.add(Surface.OUTSIDE);
    return all;
  }

  private Optional<Body> near(Device device, Surface surface, Bodies.Size size) {
    var wish = wish(device, surface, Fits.surface(cabinet, surface), size);
    var body =
        Bodies.body(
                Placement.at(
                    device.id(), cabinet.id(), surface, Box.length(wish[0]), Box.length(wish[1])),
                study)
            .orElseThrow();
    if (surface == Surface.OUTSIDE)
      return Optional.of(
          body.movedTo(
              bodies.stream()
                  .filter(b -> b.surface() == Surface.OUTSIDE)
                  .mapToDouble(b -> b.box().right() + 30)
                  .max()
                  .orElse(0),
              0));
    return FreePlace.near(body, cabinet, Fits.in(cabinet, bodies), this::right);
  }

  private boolean right(Body there) {
    if (there.surface() == Surface.DOOR
        && !(DoorCloses.clear(there, cabinet, onPlate) && DoorCloses.opens(there, cabinet.shell())))
      return false;
    return !AirPath.blows(there) || AirPath.clear(there, cabinet, bodies);
  }

  /// Where a builder would put it, were it free: switches right, screens in the middle at the
  /// height of eyes, buttons below them; fans low, so that cool air enters below.
  private double[] wish(Device device, Surface surface, Box room, Bodies.Size size) {
    if (surface == Surface.DOOR) {
      var part = study.part(device).orElseThrow();
      if (part.article().fitting().filter(Fitting::cools).isPresent())
        return new double[] {(room.width() - size.width()) / 2, room.height() - size.height() - 60};
      var tall = size.height() > 80 || size.width() > 80;
      if (tall) return new double[] {(room.width() - size.width()) / 2, room.height() * 0.25};
      if (part instanceof Disconnector)
        return new double[] {room.width() - size.width() - 60, room.height() * 0.1};
      var small =
          bodies.stream().filter(b -> b.surface() == Surface.DOOR && b.box().width() < 60).count();
      return new double[] {room.width() * 0.25 + BUTTON * small, room.height() * 0.55};
    }
    if (surface == Surface.LEFT || surface == Surface.RIGHT)
      return new double[] {(room.width() - size.width()) / 2, room.height() - size.height() - 60};
    return new double[] {(room.width() - size.width()) / 2, (room.height() - size.height()) / 2};
  }
}
