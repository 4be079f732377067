package nelvar.core.model;

import java.util.List;
import java.util.Optional;

/// What the machine is for, and what of it stands already.
public record Plan(List<MachineFunction> functions, List<Standing.Mark> marks) {
  public static final Plan NONE = new Plan(List.of(), List.of());

  public Plan {
    functions = List.copyOf(functions);
    marks = List.copyOf(marks);
  }

  public Plan withFunctions(List<MachineFunction> next) {
    return new Plan(next, marks);
  }

  public Plan withMarks(List<Standing.Mark> next) {
    return new Plan(functions, next);
  }

  public Optional<MachineFunction> function(Id id) {
    return functions.stream().filter(function -> function.id().equals(id)).findFirst();
  }

  /// Its own mark; empty where it stands.
  public Optional<Standing> mark(Id thing) {
    return marks.stream()
        .filter(mark -> mark.thing().equals(thing))
        .map(Standing.Mark::standing)
        .findFirst();
  }
}
