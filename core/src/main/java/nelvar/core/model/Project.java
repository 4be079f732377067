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
/// What belongs together stands together; a new kind of thing joins the group it belongs to, and no
/// other changes.
public record Project(
    String name,
    String description,
    Brief brief,
    Plan plan,
    Wiring wiring,
    Layout layout,
    Operation operation,
    Records records) {

  public Project {
    name = Texts.storable("a name", name);
    description = Texts.storable("a description", description);
  }

  /// With nothing in it.
  public static Project empty(String name, String description, Brief brief) {
    return new Project(
        name,
        description,
        brief,
        Plan.NONE,
        Wiring.NONE,
        Layout.NONE,
        Operation.NONE,
        Records.NONE);
  }

  public List<MachineFunction> functions() {
    return plan.functions();
  }

  public List<Device> devices() {
    return wiring.devices();
  }

  public List<Cable> cables() {
    return wiring.cables();
  }

  public List<Conductor> conductors() {
    return wiring.conductors();
  }

  public List<Part> ownParts() {
    return wiring.ownParts();
  }

  public List<Id> fixed() {
    return wiring.fixed();
  }

  public List<Bundle> bundles() {
    return layout.bundles();
  }

  public List<Setting> settings() {
    return operation.settings();
  }

  public List<OperatingState> states() {
    return operation.states();
  }

  public List<Revision> revisions() {
    return records.revisions();
  }

  public List<Deviation> deviations() {
    return records.deviations();
  }

  public Optional<Device> device(Id id) {
    return devices().stream().filter(device -> device.id().equals(id)).findFirst();
  }

  /// A device as people name it: by its id or its designation, with or without the dash.
  public Optional<Device> called(String name) {
    return devices().stream()
        .filter(device ->
            device.id().text().equals(name)
                || device.designation().text().equals(name)
                || device.designation().text().equals("-" + name))
        .findFirst();
  }

  /// What a device is set to, in words.
  public Optional<String> setting(Id device, String name) {
    return settings().stream()
        .filter(s -> s.device().equals(device) && s.name().equalsIgnoreCase(name))
        .map(Setting::value)
        .findFirst();
  }

  public Optional<Conductor> conductor(Id id) {
    return conductors().stream().filter(conductor -> conductor.id().equals(id)).findFirst();
  }

  public Optional<Cable> cable(Id id) {
    return cables().stream().filter(cable -> cable.id().equals(id)).findFirst();
  }

  /// The newest revision's mark, or "–" before the first.
  public String revision() {
    return revisions().isEmpty() ? "–" : revisions().getLast().mark();
  }

  public Project withName(String next) {
    return new Project(next, description, brief, plan, wiring, layout, operation, records);
  }

  public Project withDescription(String next) {
    return new Project(name, next, brief, plan, wiring, layout, operation, records);
  }

  public Project withBrief(Brief next) {
    return new Project(name, description, next, plan, wiring, layout, operation, records);
  }

  public Project with(Plan next) {
    return new Project(name, description, brief, next, wiring, layout, operation, records);
  }

  public Project with(Wiring next) {
    return new Project(name, description, brief, plan, next, layout, operation, records);
  }

  public Project with(Layout next) {
    return new Project(name, description, brief, plan, wiring, next, operation, records);
  }

  public Project with(Operation next) {
    return new Project(name, description, brief, plan, wiring, layout, next, records);
  }

  public Project with(Records next) {
    return new Project(name, description, brief, plan, wiring, layout, operation, next);
  }

  public Project withFunctions(List<MachineFunction> next) {
    return with(plan.withFunctions(next));
  }

  public Project withDevices(List<Device> next) {
    return with(wiring.withDevices(next));
  }

  public Project withCables(List<Cable> next) {
    return with(wiring.withCables(next));
  }

  public Project withConductors(List<Conductor> next) {
    return with(wiring.withConductors(next));
  }

  public Project withOwnParts(List<Part> next) {
    return with(wiring.withOwnParts(next));
  }

  public Project withFixed(List<Id> next) {
    return with(wiring.withFixed(next));
  }

  public Project withBundles(List<Bundle> next) {
    return with(layout.withBundles(next));
  }

  public Project withSettings(List<Setting> next) {
    return with(operation.withSettings(next));
  }

  public Project withStates(List<OperatingState> next) {
    return with(operation.withStates(next));
  }

  public Project withRevisions(List<Revision> next) {
    return with(records.withRevisions(next));
  }

  public Project withDeviations(List<Deviation> next) {
    return with(records.withDeviations(next));
  }

  /// `list` with each item that `id` names put through `change`.
  public static <T> List<T> changed(
      List<T> list, java.util.function.Predicate<T> which, UnaryOperator<T> change) {
    var next = new ArrayList<T>(list.size());
    for (var item : list) next.add(which.test(item) ? change.apply(item) : item);
    return next;
  }
}
