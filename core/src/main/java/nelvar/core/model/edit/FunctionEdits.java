package nelvar.core.model.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.MachinePlace;
import nelvar.core.model.Project;
import nelvar.core.model.Standing;
import nelvar.core.units.Length;

/// What a builder does to the functions of a machine.
public final class FunctionEdits {
  private FunctionEdits() {}

  public static Edit add(MachineFunction function) {
    return new Edit(
        "Add " + function.designation(),
        project -> {
          var all = new ArrayList<>(project.functions());
          all.add(function);
          return project.withFunctions(all);
        });
  }

  /// Another designation and name; the devices that serve it stay.
  public static Edit rename(MachineFunction function, Designation designation, String name) {
    return replace(
        "Rename %s to %s".formatted(function.designation(), designation),
        function.withDesignation(designation).withName(name));
  }

  /// Its name, kind and wants; nothing that serves it is changed.
  public static Edit change(MachineFunction next) {
    return replace("Change " + next.designation(), next);
  }

  private static Edit replace(String label, MachineFunction next) {
    return new Edit(
        label,
        project ->
            project.withFunctions(
                Project.changed(project.functions(), f -> f.id().equals(next.id()), _ -> next)));
  }

  /// Says that a device is there for one function, or for the whole machine.
  public static Edit serve(Device device, Optional<MachineFunction> function) {
    return new Edit(
        function
            .map(f -> "Let %s serve %s".formatted(device.designation(), f.designation()))
            .orElse("Let %s serve the whole machine".formatted(device.designation())),
        project ->
            project.withDevices(
                Project.changed(
                    project.devices(),
                    d -> d.id().equals(device.id()),
                    d -> d.withServes(function.map(MachineFunction::id)))));
  }

  /// With the devices that serve only it, their wires, and cables that are left without a core.
  public static Edit remove(MachineFunction function) {
    return new Edit(
        "Remove " + function.designation(),
        project -> {
          var next = clear(function).apply(project);
          next =
              next.withFunctions(
                  next.functions().stream().filter(f -> !f.id().equals(function.id())).toList());
          return Edits.forgotten(next, function.id());
        });
  }

  /// Without the devices that serve only it, their wires, and cables that are left without a core;
  /// the function stays.
  public static Edit clear(MachineFunction function) {
    return new Edit(
        "Clear " + function.designation(),
        project -> {
          var next = project;
          for (var device : served(project, function.id())) next = Edits.remove(device).apply(next);
          return withoutEmptyCables(project, next);
        });
  }

  /// The devices that are there for one function.
  public static List<Device> served(Project project, Id function) {
    return project.devices().stream()
        .filter(device -> device.serves().filter(function::equals).isPresent())
        .toList();
  }

  /// Without cables that had cores before and have none any more.
  public static Project withoutEmptyCables(Project before, Project after) {
    var next = after;
    var had = cored(before);
    had.removeAll(cored(after));
    for (var cable : after.cables())
      if (had.contains(cable.id())) next = Edits.remove(cable).apply(next);
    return next;
  }

  private static Set<Id> cored(Project project) {
    var all = new HashSet<Id>();
    for (var conductor : project.conductors()) conductor.cable().ifPresent(all::add);
    return all;
  }

  /// Says how far a place on the machine is from the cabinet.
  public static Edit place(String name, Length distance) {
    var place = new MachinePlace(name, distance);
    return new Edit(
        "Say that the %s is %s away".formatted(place.name(), distance),
        project -> {
          var places = new ArrayList<>(project.plan().places());
          places.removeIf(known -> known.name().equalsIgnoreCase(place.name()));
          places.add(place);
          return project.with(project.plan().withPlaces(places));
        });
  }

  /// Says whether a thing stands, is to be built, or is for later; empty: it stands.
  public static Edit mark(Id thing, String name, Optional<Standing> standing) {
    return new Edit(
        standing
            .map(next -> "Mark %s as %s".formatted(name, next.words()))
            .orElse("Say that %s stands".formatted(name)),
        project -> {
          var marks = new ArrayList<>(project.plan().marks());
          marks.removeIf(mark -> mark.thing().equals(thing));
          standing.ifPresent(next -> marks.add(new Standing.Mark(thing, next)));
          return project.with(project.plan().withMarks(marks));
        });
  }
}
