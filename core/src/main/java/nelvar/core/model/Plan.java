package nelvar.core.model;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Length;

/// What the machine is for, what of it stands already, and how far its places are.
public record Plan(
    List<MachineFunction> functions, List<Standing.Mark> marks, List<MachinePlace> places) {
  public static final Plan NONE = new Plan(List.of(), List.of(), List.of());

  public Plan {
    functions = List.copyOf(functions);
    marks = List.copyOf(marks);
    places = List.copyOf(places);
  }

  public Plan withFunctions(List<MachineFunction> next) {
    return new Plan(next, marks, places);
  }

  public Plan withMarks(List<Standing.Mark> next) {
    return new Plan(functions, next, places);
  }

  public Plan withPlaces(List<MachinePlace> next) {
    return new Plan(functions, marks, next);
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

  /// How far a place is from the cabinet; empty where nobody said.
  public Optional<Length> distance(String place) {
    return places.stream()
        .filter(known -> known.called(place))
        .map(MachinePlace::distance)
        .findFirst();
  }

  /// The place a device is at, by the function it serves; empty for no place that has a name.
  public Optional<String> placeOf(Device device) {
    return device
        .serves()
        .flatMap(this::function)
        .map(MachineFunction::wants)
        .flatMap(Wants::place);
  }
}
