package nelvar.core.model.edit;

import java.util.function.UnaryOperator;
import nelvar.core.model.Project;

/// A change with the name it has in the history: `Make W31 1.5 mm²`. May throw [EditRefused].
public record Edit(String label, UnaryOperator<Project> change) {
  public Project apply(Project project) {
    return change.apply(project);
  }

  /// Both changes as one step.
  public Edit then(Edit next) {
    return new Edit(label, project -> next.apply(apply(project)));
  }

  public Edit named(String name) {
    return new Edit(name, change);
  }
}
