package nelvar.core.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nelvar.core.catalogue.Part;
import nelvar.core.units.Texts;

/// A machine as designed. Immutable; an edit makes a new one (see `model.edit`).
///
/// Every id stands for one thing; every reference leads to one. [Consistency] holds files to that.
///
/// @param fixed devices and conductors whose part or section was fixed by hand: choosing leaves
///   them
/// @param states the states of the machine that the builder named; without any, one is judged in
///   which everything is on that can be on together
public record Project(
    String name,
    String description,
    List<Revision> revisions,
    Brief brief,
    List<Device> devices,
    List<Bundle> bundles,
    List<Cable> cables,
    List<Conductor> conductors,
    List<Setting> settings,
    List<Deviation> deviations,
    List<Part> ownParts,
    List<Id> fixed,
    List<OperatingState> states) {

  public Project {
    name = Texts.storable("a name", name);
    description = Texts.storable("a description", description);
    revisions = List.copyOf(revisions);
    devices = List.copyOf(devices);
    bundles = List.copyOf(bundles);
    cables = List.copyOf(cables);
    conductors = List.copyOf(conductors);
    settings = List.copyOf(settings);
    deviations = List.copyOf(deviations);
    ownParts = List.copyOf(ownParts);
    fixed = List.copyOf(fixed);
    states = List.copyOf(states);
  }

  public Optional<Device> device(Id id) {
    return devices.stream().filter(device -> device.id().equals(id)).findFirst();
  }

  public Optional<Conductor> conductor(Id id) {
    return conductors.stream().filter(conductor -> conductor.id().equals(id)).findFirst();
  }

  public Optional<Cable> cable(Id id) {
    return cables.stream().filter(cable -> cable.id().equals(id)).findFirst();
  }

  /// The newest revision's mark, or "–" before the first.
  public String revision() {
    return revisions.isEmpty() ? "–" : revisions.getLast().mark();
  }

  public Project withBrief(Brief next) {
    return new Project(
        name,
        description,
        revisions,
        next,
        devices,
        bundles,
        cables,
        conductors,
        settings,
        deviations,
        ownParts,
        fixed,
        states);
  }

  public Project withName(String next) {
    return new Project(
        next,
        description,
        revisions,
        brief,
        devices,
        bundles,
        cables,
        conductors,
        settings,
        deviations,
        ownParts,
        fixed,
        states);
  }

  public Project withDescription(String next) {
    return new Project(
        name,
        next,
        revisions,
        brief,
        devices,
        bundles,
        cables,
        conductors,
        settings,
        deviations,
        ownParts,
        fixed,
        states);
  }

  public Project withBundles(List<Bundle> next) {
    return new Project(
        name,
        description,
        revisions,
        brief,
        devices,
        next,
        cables,
        conductors,
        settings,
        deviations,
        ownParts,
        fixed,
        states);
  }

  public Project withDevices(List<Device> next) {
    return new Project(
        name,
        description,
        revisions,
        brief,
        next,
        bundles,
        cables,
        conductors,
        settings,
        deviations,
        ownParts,
        fixed,
        states);
  }

  public Project withCables(List<Cable> next) {
    return new Project(
        name,
        description,
        revisions,
        brief,
        devices,
        bundles,
        next,
        conductors,
        settings,
        deviations,
        ownParts,
        fixed,
        states);
  }

  public Project withConductors(List<Conductor> next) {
    return new Project(
        name,
        description,
        revisions,
        brief,
        devices,
        bundles,
        cables,
        next,
        settings,
        deviations,
        ownParts,
        fixed,
        states);
  }

  public Project withDeviations(List<Deviation> next) {
    return new Project(
        name,
        description,
        revisions,
        brief,
        devices,
        bundles,
        cables,
        conductors,
        settings,
        next,
        ownParts,
        fixed,
        states);
  }

  public Project withSettings(List<Setting> next) {
    return new Project(
        name,
        description,
        revisions,
        brief,
        devices,
        bundles,
        cables,
        conductors,
        next,
        deviations,
        ownParts,
        fixed,
        states);
  }

  public Project withRevisions(List<Revision> next) {
    return new Project(
        name,
        description,
        next,
        brief,
        devices,
        bundles,
        cables,
        conductors,
        settings,
        deviations,
        ownParts,
        fixed,
        states);
  }

  public Project withOwnParts(List<Part> next) {
    return new Project(
        name,
        description,
        revisions,
        brief,
        devices,
        bundles,
        cables,
        conductors,
        settings,
        deviations,
        next,
        fixed,
        states);
  }

  public Project withFixed(List<Id> next) {
    return new Project(
        name,
        description,
        revisions,
        brief,
        devices,
        bundles,
        cables,
        conductors,
        settings,
        deviations,
        ownParts,
        next,
        states);
  }

  public Project withStates(List<OperatingState> next) {
    return new Project(
        name,
        description,
        revisions,
        brief,
        devices,
        bundles,
        cables,
        conductors,
        settings,
        deviations,
        ownParts,
        fixed,
        next);
  }

  /// `list` with each item that `id` names put through `change`.
  public static <T> List<T> changed(
      List<T> list, java.util.function.Predicate<T> which, UnaryOperator<T> change) {
    var next = new ArrayList<T>(list.size());
    for (var item : list) next.add(which.test(item) ? change.apply(item) : item);
    return next;
  }
}
