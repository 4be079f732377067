package nelvar.documents.drawing;

import java.util.HashMap;
import java.util.Map;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.DuctWays;
import nelvar.core.analysis.space.Fits;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Surface;

/// How many wires pass each duct when each takes its shortest way.
record DuctLoad(Map<Id, Integer> ducts) {
  static final DuctLoad NONE = new DuctLoad(Map.of());

  static DuctLoad of(Cabinet cabinet, Study study) {
    return study.once(java.util.List.of(DuctLoad.class, cabinet.id()), () -> count(cabinet, study));
  }

  private static DuctLoad count(Cabinet cabinet, Study study) {
    var ways = DuctWays.of(cabinet);
    var bodies = Bodies.of(study);
    var all = new HashMap<Id, Integer>();
    for (var wire : study.project().conductors()) {
      var from = bodies.of(wire.from().device()).filter(b -> b.at().cabinet().equals(cabinet.id()));
      var to = bodies.of(wire.to().device()).filter(b -> b.at().cabinet().equals(cabinet.id()));
      if (from.isEmpty() && to.isEmpty()) continue;
      var way =
          ways.way(
              from.map(ways::access).orElseGet(() -> ways.exit(0)),
              to.map(ways::access).orElseGet(() -> ways.exit(0)));
      for (var duct : cabinet.ducts())
        if (duct.surface() == Surface.PLATE && passes(way, duct))
          all.merge(duct.id(), 1, Integer::sum);
    }
    return new DuctLoad(all);
  }

  private static boolean passes(DuctWays.Way way, Cabinet.Duct duct) {
    var box = Fits.box(duct);
    for (var i = 0; i + 1 < way.corners().size(); i++) {
      var a = way.corners().get(i);
      var b = way.corners().get(i + 1);
      var level = Math.abs(a.y() - b.y()) < 0.5;
      if (level == duct.vertical() || Math.hypot(a.x() - b.x(), a.y() - b.y()) < 1) continue;
      if (box.has((a.x() + b.x()) / 2, (a.y() + b.y()) / 2)) return true;
    }
    return false;
  }

  int wires(Id duct) {
    return ducts.getOrDefault(duct, 0);
  }

  int most() {
    return ducts.values().stream().max(Integer::compare).orElse(0);
  }
}
