package nelvar.core.model;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Soundness;
import nelvar.core.catalogue.WireStock;

/// Holds a project to its promise: every id stands for one thing, every reference leads to one,
/// every own part is whole in itself.
///
/// The one validation: a file that breaks it is not opened, an edit that would break it is refused.
public final class Consistency {
  /// One breach: the list and index it stands at, and what is wrong.
  public record Breach(String list, int index, String problem) {}

  private static final int MOST_OFFERED = 12;

  private final Project project;
  private final Catalogue catalogue;
  private final List<Breach> breaches = new ArrayList<>();
  private final Map<Id, String> taken = new HashMap<>();
  private final Map<Id, Set<String>> terminals = new HashMap<>();
  private final Map<Id, Set<String>> actuators = new HashMap<>();

  private Consistency(Project project, Catalogue catalogue) {
    this.project = project;
    this.catalogue = catalogue;
  }

  /// All breaches, in file order; empty for a sound project. `catalogue` includes the project's own
  /// parts.
  public static List<Breach> check(Project project, Catalogue catalogue) {
    var check = new Consistency(project, catalogue);
    check.run();
    return check.breaches;
  }

  /// The first breach in words, and how many more there are.
  public static String words(List<Breach> breaches) {
    var more = breaches.size() > 1 ? " (and %d more like it)".formatted(breaches.size() - 1) : "";
    return breaches.getFirst().problem() + more;
  }

  private void run() {
    ownParts();
    functions();
    devices();
    for (var i = 0; i < project.bundles().size(); i++)
      take("bundles", i, project.bundles().get(i).id());
    var bundles = new HashSet<>(project.bundles().stream().map(Bundle::id).toList());
    cables(bundles);
    var cables = new HashSet<>(project.cables().stream().map(Cable::id).toList());
    conductors(bundles, cables);
    layout();
    for (var i = 0; i < project.settings().size(); i++) {
      var device = project.settings().get(i).device();
      if (!terminals.containsKey(device)) breach("settings", i, "there is no device " + device);
    }
    for (var i = 0; i < project.deviations().size(); i++) {
      var subject = project.deviations().get(i).subject();
      if (!taken.keySet().containsAll(subject.things()))
        breach(
            "deviations",
            i,
            "the accepted finding is about '" + subject.text() + "', which is not in the project");
    }
    states();
    marks();
    for (var i = 0; i < project.fixed().size(); i++) {
      var subject = project.fixed().get(i);
      if (!taken.containsKey(subject))
        breach("fixed", i, "'" + subject + "' is fixed by hand, but is not in the project");
    }
  }

  private void functions() {
    for (var i = 0; i < project.functions().size(); i++)
      take("functions", i, project.functions().get(i).id());
  }

  private void marks() {
    var marked = new HashSet<Id>();
    for (var i = 0; i < project.plan().marks().size(); i++) {
      var mark = project.plan().marks().get(i);
      if (!taken.containsKey(mark.thing()))
        breach("marks", i, "'" + mark.thing() + "' is marked, but is not in the project");
      if (!marked.add(mark.thing())) breach("marks", i, "'" + mark.thing() + "' is marked twice");
    }
  }

  private void layout() {
    var cabinets = project.layout().cabinets();
    for (var i = 0; i < cabinets.size(); i++) {
      var cabinet = cabinets.get(i);
      take("cabinets", i, cabinet.id());
      if (cabinet.device().filter(device -> !terminals.containsKey(device)).isPresent())
        breach("cabinets", i, "there is no device " + cabinet.device().orElseThrow());
      for (var rail : cabinet.rails()) take("cabinets", i, rail.id());
      for (var duct : cabinet.ducts()) {
        take("cabinets", i, duct.id());
        if (duct.bundle().filter(b -> !"bundles".equals(taken.get(b))).isPresent())
          breach(
              "cabinets",
              i,
              "the duct '%s' holds '%s', which is no duct of the wiring"
                  .formatted(duct.id(), duct.bundle().orElseThrow()));
      }
    }
    var placed = new HashSet<Id>();
    for (var i = 0; i < project.layout().placements().size(); i++) {
      var placement = project.layout().placements().get(i);
      if (!terminals.containsKey(placement.device()))
        breach("placements", i, "there is no device " + placement.device());
      if (!placed.add(placement.device()))
        breach("placements", i, "%s is placed twice".formatted(placement.device()));
      if (!"cabinets".equals(taken.get(placement.cabinet()))
          || project.layout().cabinet(placement.cabinet()).isEmpty())
        breach("placements", i, "there is no cabinet " + placement.cabinet());
    }
    var sized = new HashSet<Id>();
    for (var i = 0; i < project.layout().measures().size(); i++) {
      var measured = project.layout().measures().get(i).device();
      if (!terminals.containsKey(measured)) breach("measures", i, "there is no device " + measured);
      if (!sized.add(measured)) breach("measures", i, "%s is measured twice".formatted(measured));
    }
    var drawn = new HashSet<String>();
    for (var i = 0; i < project.layout().drawn().size(); i++) {
      var symbol = project.layout().drawn().get(i);
      if (!terminals.containsKey(symbol.symbol().device()))
        breach("drawn", i, "there is no device " + symbol.symbol().device());
      if (!drawn.add(symbol.paper() + " " + symbol.symbol()))
        breach("drawn", i, "%s stands twice on %s".formatted(symbol.symbol(), symbol.paper()));
    }
  }

  private void states() {
    for (var i = 0; i < project.states().size(); i++) {
      var state = project.states().get(i);
      take("states", i, state.id());
      for (var held : state.held()) {
        var names = actuators.get(held.device());
        if (names == null)
          breach(
              "states",
              i,
              "the state '%s' holds %s, but there is no such device"
                  .formatted(state.name(), held.device()));
        else if (!names.contains(held.actuator()))
          breach(
              "states",
              i,
              "the state '%s' holds %s of %s, which that device does not have"
                  .formatted(state.name(), held.actuator(), held.device()));
      }
    }
  }

  private void ownParts() {
    var seen = new HashSet<String>();
    for (var i = 0; i < project.ownParts().size(); i++) {
      var id = project.ownParts().get(i).id();
      if (!seen.add(id)) breach("ownParts", i, "part id '" + id + "' stands twice");
      var index = i;
      Soundness.problem(project.ownParts().get(i))
          .ifPresent(problem ->
              breach("ownParts", index, "the part '%s' cannot be: %s".formatted(id, problem)));
    }
  }

  private void devices() {
    for (var i = 0; i < project.devices().size(); i++) {
      var device = project.devices().get(i);
      take("devices", i, device.id());
      if (device.serves().isPresent() && !"functions".equals(taken.get(device.serves().get())))
        breach(
            "devices",
            i,
            "%s serves '%s', which is not a function of the machine"
                .formatted(device.designation(), device.serves().get()));
      var part = catalogue.find(device.part());
      if (part.isEmpty() || part.get() instanceof CableStock || part.get() instanceof WireStock) {
        breach(
            "devices",
            i,
            "%s refers to part '%s', which is not a device of the catalogue or of this project"
                .formatted(device.designation(), device.part()));
        terminals.put(device.id(), Set.of());
        continue;
      }
      terminals.put(device.id(), names(part.get()));
      if (!project.states().isEmpty()) {
        var moved = new HashSet<String>();
        for (var actuator : part.get().actuators()) moved.add(actuator.name());
        actuators.put(device.id(), moved);
      }
      for (var spare : device.spare()) {
        if (!names(part.get()).contains(spare))
          breach(
              "devices",
              i,
              "%s has no terminal '%s' to leave spare".formatted(device.designation(), spare));
      }
    }
  }

  private static Set<String> names(Part part) {
    var names = new HashSet<String>();
    for (var terminal : part.terminals()) names.add(terminal.name());
    return names;
  }

  private void cables(Set<Id> bundles) {
    for (var i = 0; i < project.cables().size(); i++) {
      var cable = project.cables().get(i);
      take("cables", i, cable.id());
      if (catalogue.find(cable.stock()).filter(CableStock.class::isInstance).isEmpty()) {
        breach(
            "cables",
            i,
            "%s refers to cable '%s', which is not in the catalogue"
                .formatted(cable.label(), cable.stock()));
      }
      if (cable.bundle().isPresent() && !bundles.contains(cable.bundle().get()))
        breach("cables", i, "there is no bundle " + cable.bundle().get());
    }
  }

  private void conductors(Set<Id> bundles, Set<Id> cables) {
    for (var i = 0; i < project.conductors().size(); i++) {
      var conductor = project.conductors().get(i);
      take("conductors", i, conductor.id());
      end(i, conductor.label() + " from", conductor.from());
      end(i, conductor.label() + " to", conductor.to());
      if (conductor.from().equals(conductor.to()))
        breach("conductors", i, conductor.label() + " begins and ends on the same terminal");
      if (conductor.leadOf().isPresent() && !conductor.touches(conductor.leadOf().get()))
        breach(
            "conductors",
            i,
            "%s is a lead of %s, but does not end at it"
                .formatted(conductor.label(), conductor.leadOf().get()));
      if (conductor.cable().isPresent() && !cables.contains(conductor.cable().get()))
        breach("conductors", i, "there is no cable " + conductor.cable().get());
      if (conductor.bundle().isPresent() && !bundles.contains(conductor.bundle().get()))
        breach("conductors", i, "there is no bundle " + conductor.bundle().get());
    }
  }

  private void end(int index, String which, TerminalRef end) {
    var marks = terminals.get(end.device());
    if (marks == null)
      breach(
          "conductors", index, "%s %s: there is no device %s".formatted(which, end, end.device()));
    else if (!marks.isEmpty() && !marks.contains(end.terminal()))
      breach(
          "conductors",
          index,
          "%s %s: the device has no terminal '%s', but %s"
              .formatted(which, end, end.terminal(), offered(marks)));
  }

  /// The terminals a device has, the first of many.
  private static String offered(Set<String> marks) {
    var first = marks.stream().sorted().limit(MOST_OFFERED).toList();
    return String.join(", ", first)
        + (marks.size() > first.size()
            ? " and %d more".formatted(marks.size() - first.size())
            : "");
  }

  private void take(String list, int index, Id id) {
    var before = taken.putIfAbsent(id, list);
    if (before != null)
      breach(list, index, "id '%s' stands twice (first in %s)".formatted(id, before));
  }

  private void breach(String list, int index, String problem) {
    breaches.add(new Breach(list, index, problem));
  }
}
