package nelvar.core.compose;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;

/// More functions like one there is: a second motor of an axis, ten valves more.
///
/// In a machine that stands each is made to work by the way of the same title as the one before it,
/// or the best there is; where none is found it stands unfinished, and why is said.
public final class Clones {
  public static final int MOST = 50;

  /// @param functions in the order they were added
  /// @param told a line for each that could not be made to work, and how the others were
  public record Cloned(Project after, List<MachineFunction> functions, List<String> told) {
    public Cloned {
      functions = List.copyOf(functions);
      told = List.copyOf(told);
    }
  }

  private Clones() {}

  /// Functions with other ids, and other designations where theirs are taken.
  public static Project added(List<MachineFunction> like, Project to, List<MachineFunction> added) {
    var project = to;
    for (var one : like) {
      var taken =
          project.functions().stream().anyMatch(f -> f.designation().equals(one.designation()));
      var name = taken ? Draft.designation(project, one.kind()) : one.designation();
      var next =
          new MachineFunction(Draft.id(project, name), name, one.name(), one.kind(), one.wants());
      added.add(next);
      project = FunctionEdits.add(next).apply(project);
    }
    return project;
  }

  /// @param works whether each is made to work at once
  public static Cloned of(
      MachineFunction like, int times, boolean works, Review today, Catalogue standard) {
    var review = today;
    var functions = new ArrayList<MachineFunction>();
    var told = new ArrayList<String>();
    var project = today.project();
    var title = "";
    for (var n = 0; n < times; n++) {
      var before = functions.size();
      project = added(List.of(like), project, functions);
      if (!works) continue;
      var function = functions.get(before);
      // What comes after the first is asked beside a machine that has the ones before.
      var base =
          n == 0 && project.equals(review.project())
              ? review
              : Review.findingsOnly(project, standard);
      var found = Ways.of(function, base, standard);
      var wanted = title;
      var way =
          found.ways().stream()
              .filter(w -> w.title().equals(wanted))
              .findFirst()
              .or(() -> found.ways().stream().findFirst());
      if (way.isEmpty()) {
        told.add(
            "%s: no way was found%s"
                .formatted(
                    function.designation(),
                    found.refused().isEmpty()
                        ? ""
                        : " (%s)".formatted(found.refused().getFirst())));
        continue;
      }
      title = way.get().title();
      told.add("%s: %s".formatted(function.designation(), title));
      project = way.get().after().project();
    }
    return new Cloned(project, functions, told);
  }
}
