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
    var ways = OpenWays.of(cabinet, study);
    for (var wire : study.project().conductors()) {
      if (wire.plugged()) continue;
      var from = stands.apply(wire.from().device());
      var to = stands.apply(wire.to().device());
      if (from.isEmpty() && to.isEmpty()) continue;
      for (var pass : ways.way(wire, from, to).way().passes())
        ducts
            .computeIfAbsent(pass.duct(), _ -> new ArrayList<>())
            .add(new Stretch(wire, pass.from(), pass.to()));
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
