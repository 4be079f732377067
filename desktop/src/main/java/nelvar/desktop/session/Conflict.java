package nelvar.desktop.session;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Differences;

/// The file was changed by somebody else since it was opened or saved here.
///
/// @param base what both began from
/// @param theirs what stands in the file now; empty where it cannot be read
public record Conflict(Project base, Project mine, Optional<Project> theirs) {
  public List<Differences.Change> here() {
    return Differences.between(base, mine);
  }

  public List<Differences.Change> there() {
    return theirs.map(other -> Differences.between(base, other)).orElse(List.of());
  }
}
