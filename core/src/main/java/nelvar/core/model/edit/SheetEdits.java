package nelvar.core.model.edit;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.model.Drawn;
import nelvar.core.model.Project;

/// Where symbols stand on the circuit sheets, as a builder keeps and moves them.
public final class SheetEdits {
  private SheetEdits() {}

  /// All places of one paper at once: kept as they stand, or arranged anew.
  public static Edit keep(String label, Drawn.Paper paper, List<Drawn> places) {
    return new Edit(
        label,
        project ->
            with(
                project,
                Stream.concat(
                        project.layout().drawn().stream().filter(d -> d.paper() != paper),
                        places.stream())
                    .toList()));
  }

  private static Project with(Project project, List<Drawn> drawn) {
    return project.with(project.layout().withDrawn(drawn));
  }
}
