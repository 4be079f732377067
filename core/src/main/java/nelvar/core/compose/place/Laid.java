package nelvar.core.compose.place;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.space.Box;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Placement;
import nelvar.core.model.Project;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.NextName;

/// Rows as rails, ducts and places of a cabinet.
record Laid(Cabinet cabinet, List<Placement> placements) {
  static Laid of(Cabinet cabinet, List<Item> items, Decoded decoded, Frame frame, Project project) {
    var ids = new Ids(project, cabinet);
    var rails = new ArrayList<Cabinet.Rail>();
    var ducts = new ArrayList<Cabinet.Duct>();
    var bottom = decoded.rows > 0 ? decoded.ducts[decoded.rows] + frame.duct() / 2 : frame.duct();
    var height = Math.min(frame.height(), Math.max(bottom, frame.height()));
    if (frame.leftDuct()) ducts.add(upright(ids, 0, frame, height));
    if (frame.rightDuct()) ducts.add(upright(ids, frame.width() - frame.duct(), frame, height));
    for (var d = 0; d <= decoded.rows; d++)
      if (!Double.isNaN(decoded.ducts[d]))
        ducts.add(
            new Cabinet.Duct(
                ids.next("D"),
                Surface.PLATE,
                Box.length(frame.from()),
                Box.length(decoded.ducts[d] - frame.duct() / 2),
                Box.length(frame.to() - frame.from()),
                Box.length(frame.duct()),
                Box.length(frame.ductDepth()),
                Optional.empty(),
                Optional.empty()));
    for (var r = 0; r < decoded.rows; r++) {
      var wantsRail = false;
      var line = 0.0;
      for (var i = 0; i < items.size(); i++)
        if (decoded.row[i] == r) {
          line = decoded.middle[i];
          wantsRail |= items.get(i).onRail();
        }
      if (wantsRail)
        rails.add(
            new Cabinet.Rail(
                ids.next("R"),
                Surface.PLATE,
                Box.length(frame.from()),
                Box.length(line),
                Box.length(frame.to() - frame.from()),
                Optional.empty()));
    }
    var next = cabinet.withRails(rails).withDucts(ducts);
    var placements = new ArrayList<Placement>();
    for (var i = 0; i < items.size(); i++)
      placements.add(items.get(i).at(next, decoded.left[i], decoded.middle[i]));
    return new Laid(next, placements);
  }

  private static Cabinet.Duct upright(Ids ids, double left, Frame frame, double height) {
    return new Cabinet.Duct(
        ids.next("D"),
        Surface.PLATE,
        Box.length(left),
        Box.length(0),
        Box.length(height),
        Box.length(frame.duct()),
        Box.length(frame.ductDepth()),
        Optional.of(true),
        Optional.empty());
  }

  /// Ids that nothing else of the project has; those of the cabinet's own rails and ducts are free.
  private static final class Ids {
    private final Project project;
    private final java.util.Set<Id> given = new java.util.HashSet<>();

    Ids(Project project, Cabinet cabinet) {
      this.project =
          project.with(
              project
                  .layout()
                  .withCabinets(
                      project.layout().cabinets().stream()
                          .map(c ->
                              c.id().equals(cabinet.id())
                                  ? c.withRails(List.of()).withDucts(List.of())
                                  : c)
                          .toList()));
    }

    Id next(String stem) {
      for (var n = given.size() + 1; ; n++) {
        var id = NextName.id(project, stem + n);
        if (given.add(id)) return id;
      }
    }
  }
}
