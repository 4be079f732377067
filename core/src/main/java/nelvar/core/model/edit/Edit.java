package nelvar.core.model.edit;

import java.util.HashSet;
import java.util.function.UnaryOperator;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Consistency;
import nelvar.core.model.Project;
import nelvar.core.units.Storable;

/// A change with the name it has in the history: `Make W31 1.5 mm²`. May throw [EditRefused].
public record Edit(String label, UnaryOperator<Project> change) {

  /// The bare change, for trying something on a copy. What is kept goes through [#on].
  public Project apply(Project project) {
    return change.apply(project);
  }

  /// The one door for what is kept: window, command line, imports, repairs. A change that would
  /// leave a project no file could be opened as is refused and says why.
  ///
  /// @param standard the shipped catalogue
  /// @throws EditRefused with what it would break
  public Project on(Project project, Catalogue standard) {
    var next = apply(project);
    if (next.equals(project)) return next;
    refuseShadows(project, next, standard);
    Differences.newThings(project, next)
        .flatMap(thing -> Storable.problem(thing).stream())
        .findFirst()
        .ifPresent(problem -> {
          throw new EditRefused("Nothing was changed, because then " + problem + ".");
        });
    var breaches = Consistency.check(next, standard.with(next.ownParts()));
    if (breaches.isEmpty()) return next;
    throw new EditRefused(
        "Nothing was changed, because then "
            + Consistency.words(breaches)
            + ". Change or remove what hangs on it first.");
  }

  /// A part of one's own under the name of a shipped one would change every device of that name
  /// without a word.
  private static void refuseShadows(Project before, Project next, Catalogue standard) {
    if (next.ownParts() == before.ownParts()) return;
    var had = new HashSet<String>();
    for (var part : before.ownParts()) had.add(part.id());
    for (Part part : next.ownParts())
      if (!had.contains(part.id()) && standard.find(part.id()).isPresent())
        throw new EditRefused(
            "A shipped part is called '%s' already (%s): give your own another id, such as %s-own."
                .formatted(part.id(), standard.find(part.id()).orElseThrow().name(), part.id()));
  }

  /// Both changes as one step.
  public Edit then(Edit next) {
    return new Edit(label, project -> next.apply(apply(project)));
  }

  public Edit named(String name) {
    return new Edit(name, change);
  }
}
