package nelvar.core.analysis.space;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Article;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Placement;
import nelvar.core.model.Surface;

/// Something mounted in a cabinet: its outline on the surface it is mounted on.
///
/// @param device empty for what is later than the machine asked about: it keeps its room and does
///   nothing
/// @param depth how far it stands out, in mm, spacers included; empty where nobody knows
/// @param assumed its measures are plausible for its kind, and nobody measured it
public record Body(
    Optional<Device> device,
    String name,
    Part part,
    Placement at,
    Box box,
    Optional<Double> depth,
    Room room,
    boolean assumed) {

  public Id id() {
    return at.device();
  }

  public Surface surface() {
    return at.surface();
  }

  public boolean later() {
    return device.isEmpty();
  }

  public Fitting fitting() {
    return part.article().fitting().orElse(Fitting.UNKNOWN);
  }

  public Optional<Article.Mounting> mounting() {
    return part.article().mounting();
  }

  public boolean onRail() {
    return mounting().equals(Optional.of(Article.Mounting.RAIL));
  }

  /// With what is to stay free around it.
  public Box wanted() {
    return room.around(box);
  }

  /// The sides of its outline that wires enter at, as it is turned.
  public List<Fitting.Side> wires() {
    var sides = fitting().wires();
    var usual = sides.isEmpty() ? List.of(Fitting.Side.TOP, Fitting.Side.BOTTOM) : sides;
    return usual.stream().map(side -> side.turned(at.quarters())).toList();
  }

  /// The same elsewhere on the same surface.
  public Body movedTo(double left, double top) {
    return new Body(
        device,
        name,
        part,
        at.movedTo(at.surface(), Box.length(left), Box.length(top)),
        box.movedTo(left, top),
        depth,
        room,
        assumed);
  }
}
