package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import nelvar.core.analysis.Study;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Surface;

/// Which wires pass each duct of a plate, and along how much of it, when each takes its shortest
/// way.
public final class DuctUse {
  private final Map<Id, List<Stretch>> ducts = new HashMap<>();

  /// A wire along one duct.
  ///
  /// @param from where it begins, mm along the plate in the direction of the duct
  public record Stretch(Conductor wire, double from, double to) {
    /// How far both lie beside each other, mm.
    public double beside(Stretch other) {
      return Math.max(0, Math.min(to, other.to) - Math.max(from, other.from));
    }
  }

  private DuctUse(Cabinet cabinet, Function<Id, Optional<Body>> stands, Study study) {
    var ways = DuctWays.of(cabinet);
    for (var wire : study.project().conductors()) {
      var from = stands.apply(wire.from().device());
      var to = stands.apply(wire.to().device());
      if (from.isEmpty() && to.isEmpty()) continue;
      var way =
          ways.way(
              from.map(b -> ways.access(b, wire.from().terminal())).orElseGet(() -> ways.exit(0)),
              to.map(b -> ways.access(b, wire.to().terminal())).orElseGet(() -> ways.exit(0)));
      for (var duct : cabinet.ducts())
        if (duct.surface() == Surface.PLATE)
          along(way, duct, wire)
              .ifPresent(
                  stretch -> ducts.computeIfAbsent(duct.id(), _ -> new ArrayList<>()).add(stretch));
    }
  }

  public static DuctUse of(Cabinet cabinet, Study study) {
    return study.once(
        List.of(DuctUse.class, cabinet.id()),
        () -> new DuctUse(cabinet, id -> Bodies.of(study).in(cabinet, id), study));
  }

  /// As it would be with one body elsewhere.
  static DuctUse with(Body there, Cabinet cabinet, Study study) {
    return new DuctUse(
        cabinet,
        id -> id.equals(there.id()) ? Optional.of(there) : Bodies.of(study).in(cabinet, id),
        study);
  }

  private static Optional<Stretch> along(DuctWays.Way way, Cabinet.Duct duct, Conductor wire) {
    var box = Fits.box(duct);
    var least = Double.POSITIVE_INFINITY;
    var most = Double.NEGATIVE_INFINITY;
    for (var i = 0; i + 1 < way.corners().size(); i++) {
      var a = way.corners().get(i);
      var b = way.corners().get(i + 1);
      var level = Math.abs(a.y() - b.y()) < 0.5;
      if (level == duct.vertical() || Math.hypot(a.x() - b.x(), a.y() - b.y()) < 1) continue;
      if (!box.has((a.x() + b.x()) / 2, (a.y() + b.y()) / 2)) continue;
      least = Math.min(least, level ? Math.min(a.x(), b.x()) : Math.min(a.y(), b.y()));
      most = Math.max(most, level ? Math.max(a.x(), b.x()) : Math.max(a.y(), b.y()));
    }
    return least > most ? Optional.empty() : Optional.of(new Stretch(wire, least, most));
  }

  public List<Stretch> in(Id duct) {
    return ducts.getOrDefault(duct, List.of());
  }

  public int wires(Id duct) {
    return in(duct).size();
  }

  /// Wires in the fullest duct.
  public int most() {
    return ducts.values().stream().mapToInt(List::size).max().orElse(0);
  }
}
