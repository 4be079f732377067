package nelvar.core.model.edit;

import static nelvar.core.model.Project.changed;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Brief;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Connection;
import nelvar.core.model.Designation;
import nelvar.core.model.Deviation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.OperatingState;
import nelvar.core.model.Owned;
import nelvar.core.model.Project;
import nelvar.core.model.Setting;
import nelvar.core.model.Suppression;
import nelvar.core.model.Use;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Length;
import nelvar.core.units.Voltage;

/// What a builder does to a project, each an [Edit] that can be undone.
public final class Edits {
  private Edits() {}

  public static Edit brief(String what, Brief next) {
    return new Edit(what, project -> project.withBrief(next));
  }

  public static Edit rename(Device device, Designation next) {
    return new Edit(
        "Rename " + device.designation() + " to " + next,
        project -> device(project, device.id(), d -> d.withDesignation(next)));
  }

  public static Edit relabel(Conductor conductor, Designation next) {
    return new Edit(
        "Number " + conductor.label() + " as " + next,
        project -> conductor(project, Set.of(conductor.id()), c -> c.withLabel(next)));
  }

  public static Edit purpose(Device device, String next) {
    return new Edit(
        "Describe " + device.designation(),
        project -> device(project, device.id(), d -> d.withPurpose(next)));
  }

  public static Edit use(Device device, Use next) {
    return new Edit(
        "Set the load of " + device.designation(),
        project -> device(project, device.id(), d -> d.withUse(next)));
  }

  public static Edit link(Device device, Linkage next) {
    return new Edit(
        "Link " + device.designation() + " in " + next.words(),
        project -> device(project, device.id(), d -> d.withLinkage(next)));
  }

  public static Edit suppress(Device device, Suppression next) {
    return new Edit(
        "Fit a " + next.words() + " on " + device.designation(),
        project -> device(project, device.id(), d -> d.withSuppression(next)));
  }

  public static Edit leaveSpare(Device device, String terminal) {
    return new Edit(
        "Leave %s:%s spare".formatted(device.designation(), terminal),
        project ->
            device(
                project,
                device.id(),
                d -> {
                  var spare = new ArrayList<>(d.spare());
                  if (!spare.contains(terminal)) spare.add(terminal);
                  return d.withSpare(spare);
                }));
  }

  /// A terminal that was left open on purpose is wanted again.
  public static Edit useAgain(Device device, String terminal) {
    return new Edit(
        "Use %s:%s again".formatted(device.designation(), terminal),
        project ->
            device(
                project,
                device.id(),
                d ->
                    d.withSpare(
                        d.spare().stream().filter(mark -> !mark.equals(terminal)).toList())));
  }

  /// Sets the dial of an adjustable overload trip; empty: not known.
  public static Edit trip(Device device, Optional<Current> next) {
    return new Edit(
        next.map(current -> "Set %s to %s".formatted(device.designation(), current))
            .orElse("Forget the setting of " + device.designation()),
        project -> device(project, device.id(), d -> d.withTrip(next)));
  }

  /// Sets the output of an adjustable supply; empty: its nominal voltage.
  public static Edit output(Device device, Optional<Voltage> next) {
    return new Edit(
        next.map(volts -> "Set %s to %s".formatted(device.designation(), volts))
            .orElse("Set %s to its nominal voltage".formatted(device.designation())),
        project -> device(project, device.id(), d -> d.withOutput(next)));
  }

  /// Says how an inlet hangs on the site.
  public static Edit connection(Device device, Connection next) {
    return new Edit(
        "Say how %s hangs on the mains".formatted(device.designation()),
        project -> device(project, device.id(), d -> d.withConnection(next)));
  }

  /// Puts another part in a device's place; refused while a conductor lands on a terminal the new
  /// part lacks.
  public static Edit swap(Device device, Part next) {
    return new Edit(
        "Change " + device.designation() + " to " + inSentence(next.name()),
        project -> {
          var marks = next.terminals().stream().map(Terminal::name).toList();
          for (var conductor : project.conductors()) {
            for (var end : List.of(conductor.from(), conductor.to())) {
              if (end.device().equals(device.id()) && !marks.contains(end.terminal())) {
                throw new EditRefused(
                    "%s lands on terminal %s of %s, which a %s does not have. Move that wire first."
                        .formatted(
                            conductor.label(), end.terminal(), device.designation(), next.name()));
              }
            }
          }
          return device(
              project,
              device.id(),
              d ->
                  d.withPart(next.id())
                      .withSpare(d.spare().stream().filter(marks::contains).toList()));
        });
  }

  /// A name as it stands within a sentence: its first letter small.
  public static String inSentence(String name) {
    return name.isEmpty()
        ? "a part without a name"
        : name.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + name.substring(1);
  }

  /// Gives conductors a section; the cores of a cable change together, with the cable's stock where
  /// one is offered.
  public static Edit section(
      String what, Set<Id> conductors, CrossSection section, Catalogue catalogue) {
    return new Edit(
        "Make " + what + " " + section,
        project -> {
          var cables =
              project.conductors().stream()
                  .filter(c -> conductors.contains(c.id()))
                  .flatMap(c -> c.cable().stream())
                  .toList();
          var resized =
              conductor(
                  project,
                  c ->
                      conductors.contains(c.id())
                          || (c.cable().isPresent() && cables.contains(c.cable().get())),
                  c -> c.withSection(section));
          return resized.withCables(
              changed(
                  resized.cables(),
                  cable -> cables.contains(cable.id()),
                  cable -> CableChoice.sized(cable, section, catalogue)));
        });
  }

  public static Edit length(Conductor conductor, Length length) {
    if (conductor.cable().isPresent()) {
      var cable = conductor.cable().get();
      return new Edit(
          "Set the length of " + cable,
          project ->
              project.withCables(
                  changed(project.cables(), c -> c.id().equals(cable), c -> c.withLength(length))));
    }
    return new Edit(
        "Set the length of " + conductor.label(),
        project -> conductor(project, Set.of(conductor.id()), c -> c.withLength(length)));
  }

  /// Says that a conductor is a lead of a device, or is none.
  public static Edit leadOf(Conductor conductor, Optional<Id> device) {
    return new Edit(
        device.isPresent()
            ? "Say that %s is a lead of a device".formatted(conductor.label())
            : "Say that %s is a wire of the panel".formatted(conductor.label()),
        project -> conductor(project, Set.of(conductor.id()), c -> c.withLeadOf(device)));
  }

  public static Edit bundle(Conductor conductor, Id bundle) {
    return new Edit(
        "Lay " + conductor.label() + " in " + bundle,
        project ->
            conductor(
                project, Set.of(conductor.id()), c -> c.withBundle(java.util.Optional.of(bundle))));
  }

  /// Many wires into one duct, conduit or tray; cores lie where their cables lie, which go along.
  public static Edit bundle(Set<Id> conductors, Bundle bundle) {
    return new Edit(
        "Lay %d wires in %s".formatted(conductors.size(), bundle.name()),
        project -> {
          var cables =
              project.conductors().stream()
                  .filter(c -> conductors.contains(c.id()))
                  .flatMap(c -> c.cable().stream())
                  .toList();
          return conductor(
                  project,
                  c -> conductors.contains(c.id()) && c.cable().isEmpty(),
                  c -> c.withBundle(Optional.of(bundle.id())))
              .withCables(
                  changed(
                      project.cables(),
                      c -> cables.contains(c.id()),
                      c -> c.withBundle(Optional.of(bundle.id()))));
        });
  }

  /// The colour of the insulation of many wires.
  public static Edit colour(Set<Id> conductors, String colour) {
    return new Edit(
        "Make %d wires %s".formatted(conductors.size(), colour),
        project -> conductor(project, conductors, c -> c.withColour(Optional.of(colour))));
  }

  public static Edit add(String what, Conductor conductor) {
    return new Edit(
        what,
        project -> {
          var all = new ArrayList<>(project.conductors());
          all.add(conductor);
          return project.withConductors(all);
        });
  }

  /// A new duct, conduit, tray or carrier.
  public static Edit add(Bundle bundle) {
    return new Edit(
        "Add " + bundle.name(), project -> project.withBundles(plus(project.bundles(), bundle)));
  }

  /// Its name, how it is laid, whether it is inside; what lies in it stays.
  public static Edit change(Bundle next) {
    return new Edit(
        "Change " + next.name(),
        project ->
            project.withBundles(
                changed(project.bundles(), b -> b.id().equals(next.id()), _ -> next)));
  }

  /// What lay in it is laid nowhere any more.
  public static Edit remove(Bundle bundle) {
    return new Edit(
        "Remove " + bundle.name(),
        project ->
            forgotten(project, bundle.id())
                .withBundles(without(project.bundles(), b -> b.id().equals(bundle.id())))
                .withCables(
                    changed(
                        project.cables(),
                        c -> c.bundle().filter(bundle.id()::equals).isPresent(),
                        c -> c.withBundle(Optional.empty())))
                .withConductors(
                    changed(
                        project.conductors(),
                        c -> c.bundle().filter(bundle.id()::equals).isPresent(),
                        c -> c.withBundle(Optional.empty()))));
  }

  public static Edit add(Cable cable) {
    return new Edit(
        "Add " + cable.label(), project -> project.withCables(plus(project.cables(), cable)));
  }

  /// Its label, stock, length, and where it lies.
  public static Edit change(Cable next) {
    return new Edit(
        "Change " + next.label(),
        project ->
            project.withCables(
                changed(project.cables(), c -> c.id().equals(next.id()), _ -> next)));
  }

  /// Its cores go with it.
  public static Edit remove(Cable cable) {
    return new Edit(
        "Remove " + cable.label() + " with its cores",
        project -> {
          var next = project;
          for (var core : project.conductors())
            if (core.cable().filter(cable.id()::equals).isPresent())
              next = remove(core).apply(next);
          return forgotten(
              next.withCables(without(next.cables(), c -> c.id().equals(cable.id()))), cable.id());
        });
  }

  /// Without what was accepted or fixed of a thing that is gone.
  static Project forgotten(Project project, Id gone) {
    return LayoutEdits.without(unmarked(project, gone::equals), gone)
        .withDeviations(without(project.deviations(), d -> d.subject().concerns(gone)))
        .withFixed(without(project.fixed(), gone::equals));
  }

  private static Project unmarked(Project project, java.util.function.Predicate<Id> gone) {
    var marks = project.plan().marks();
    if (marks.isEmpty()) return project;
    return project.with(project.plan().withMarks(without(marks, mark -> gone.test(mark.thing()))));
  }

  static <T> List<T> plus(List<T> all, T more) {
    var next = new ArrayList<>(all);
    next.add(more);
    return next;
  }

  private static <T> List<T> without(List<T> all, java.util.function.Predicate<T> gone) {
    return all.stream().filter(gone.negate()).toList();
  }

  /// Says how many pieces of a part are owned; 0: none.
  public static Edit owned(Part part, int pieces) {
    return new Edit(
        pieces == 0
            ? "Own no %s".formatted(inSentence(part.name()))
            : "Own %d × %s".formatted(pieces, inSentence(part.name())),
        project -> {
          var stock =
              new ArrayList<>(without(project.records().stock(), o -> o.part().equals(part.id())));
          if (pieces != 0) stock.add(new Owned(part.id(), pieces));
          return project.with(project.records().withStock(stock));
        });
  }

  public static Edit add(Device device) {
    return new Edit(
        "Add " + device.designation(),
        project -> {
          var all = new ArrayList<>(project.devices());
          all.add(device);
          return project.withDevices(all);
        });
  }

  /// Takes a device out with every conductor that touches it, its settings and accepted findings
  /// about it.
  public static Edit remove(Device device) {
    return new Edit(
        "Remove " + device.designation(),
        project ->
            unmarked(
                    LayoutEdits.without(project, device.id()),
                    id ->
                        id.equals(device.id())
                            || project
                                .conductor(id)
                                .filter(c -> c.touches(device.id()))
                                .isPresent())
                .withConductors(
                    project.conductors().stream().filter(c -> !c.touches(device.id())).toList())
                .withDevices(
                    project.devices().stream().filter(d -> !d.id().equals(device.id())).toList())
                .withSettings(
                    project.settings().stream()
                        .filter(s -> !s.device().equals(device.id()))
                        .toList())
                .withDeviations(withoutLost(project, device))
                .withStates(
                    changed(
                        project.states(),
                        state ->
                            state.held().stream().anyMatch(h -> h.device().equals(device.id())),
                        state ->
                            new OperatingState(
                                state.id(),
                                state.name(),
                                state.held().stream()
                                    .filter(h -> !h.device().equals(device.id()))
                                    .toList())))
                .withFixed(
                    project.fixed().stream()
                        .filter(id ->
                            !id.equals(device.id())
                                && project
                                    .conductor(id)
                                    .filter(c -> c.touches(device.id()))
                                    .isEmpty())
                        .toList()));
  }

  /// Names a state of the machine, in the place of one of the same id.
  public static Edit keep(OperatingState state) {
    return new Edit(
        "Keep the state '" + state.name() + "'",
        project -> {
          var all = new ArrayList<>(project.states());
          all.removeIf(s -> s.id().equals(state.id()));
          all.add(state);
          return project.withStates(all);
        });
  }

  public static Edit remove(OperatingState state) {
    return new Edit(
        "Forget the state '" + state.name() + "'",
        project ->
            project.withStates(
                project.states().stream().filter(s -> !s.id().equals(state.id())).toList()));
  }

  /// Fixes a device's part or a conductor's section by hand, or lets it go: choosing leaves what is
  /// fixed.
  public static Edit fix(Id id, String name, boolean fixed) {
    return new Edit(
        (fixed ? "Fix " : "Let go of ") + name,
        project -> {
          var all = new ArrayList<>(project.fixed());
          all.remove(id);
          if (fixed) all.add(id);
          return project.withFixed(all);
        });
  }

  private static List<Deviation> withoutLost(Project project, Device device) {
    var gone = new ArrayList<Id>(List.of(device.id()));
    for (var conductor : project.conductors())
      if (conductor.touches(device.id())) gone.add(conductor.id());
    return project.deviations().stream()
        .filter(deviation -> deviation.subject().things().stream().noneMatch(gone::contains))
        .toList();
  }

  public static Edit remove(Conductor conductor) {
    return new Edit(
        "Remove " + conductor.label(),
        project ->
            unmarked(project, conductor.id()::equals)
                .withConductors(
                    project.conductors().stream()
                        .filter(c -> !c.id().equals(conductor.id()))
                        .toList())
                .withDeviations(
                    project.deviations().stream()
                        .filter(d -> !d.subject().concerns(conductor.id()))
                        .toList())
                .withFixed(
                    project.fixed().stream().filter(id -> !id.equals(conductor.id())).toList()));
  }

  /// Notes a setting of a device, in the place of one of the same name.
  public static Edit set(Setting setting) {
    return new Edit(
        "Set " + setting.name() + " of " + setting.device(),
        project -> {
          var all = new ArrayList<>(project.settings());
          all.removeIf(s -> s.device().equals(setting.device()) && s.name().equals(setting.name()));
          all.add(setting);
          return project.withSettings(all);
        });
  }

  public static Edit accept(Deviation deviation) {
    return new Edit(
        "Accept a finding on " + deviation.subject().text(),
        project -> {
          var all = new ArrayList<>(project.deviations());
          all.removeIf(
              d -> d.rule().equals(deviation.rule()) && d.subject().equals(deviation.subject()));
          all.add(deviation);
          return project.withDeviations(all);
        });
  }

  public static Edit reopen(Deviation deviation) {
    return new Edit(
        "Reopen a finding on " + deviation.subject().text(),
        project ->
            project.withDeviations(
                project.deviations().stream().filter(d -> !d.equals(deviation)).toList()));
  }

  /// Adds parts of the project's own; refused where an id is taken in the project.
  public static Edit ownParts(String what, List<Part> parts) {
    return new Edit(
        what,
        project -> {
          var all = new ArrayList<>(project.ownParts());
          for (var part : parts) {
            if (all.stream().anyMatch(own -> own.id().equals(part.id())))
              throw new EditRefused(
                  "the project has a part '"
                      + part.id()
                      + "' already: give the new one another id");
            all.add(part);
          }
          return project.withOwnParts(all);
        });
  }

  /// Changes a part of the project's own, for every device that is one.
  public static Edit replacePart(Part part) {
    return new Edit(
        "Change part " + part.name(),
        project ->
            project.withOwnParts(
                changed(project.ownParts(), own -> own.id().equals(part.id()), _ -> part)));
  }

  private static Project device(
      Project project, Id id, java.util.function.UnaryOperator<Device> change) {
    return project.withDevices(changed(project.devices(), d -> d.id().equals(id), change));
  }

  private static Project conductor(
      Project project, Set<Id> ids, java.util.function.UnaryOperator<Conductor> change) {
    return conductor(project, c -> ids.contains(c.id()), change);
  }

  private static Project conductor(
      Project project,
      java.util.function.Predicate<Conductor> which,
      java.util.function.UnaryOperator<Conductor> change) {
    return project.withConductors(changed(project.conductors(), which, change));
  }
}
