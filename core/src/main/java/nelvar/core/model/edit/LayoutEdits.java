package nelvar.core.model.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Layout;
import nelvar.core.model.Measured;
import nelvar.core.model.Placement;
import nelvar.core.model.Project;

/// What a builder does to cabinets and to what is mounted in them.
public final class LayoutEdits {
  private LayoutEdits() {}

  public static Edit add(Cabinet cabinet) {
    return new Edit(
        "Add " + name(cabinet), project -> cabinets(project, all -> Edits.plus(all, cabinet)));
  }

  /// Its walls, rails, ducts and what was measured in it.
  public static Edit change(String label, Cabinet next) {
    return new Edit(
        label,
        project ->
            cabinets(
                project, all -> Project.changed(all, c -> c.id().equals(next.id()), _ -> next)));
  }

  /// With what is mounted in it: those devices are placed nowhere then.
  public static Edit remove(Cabinet cabinet) {
    return new Edit(
        "Remove " + name(cabinet),
        project ->
            placements(
                Edits.forgotten(
                    cabinets(
                        project,
                        all -> all.stream().filter(c -> !c.id().equals(cabinet.id())).toList()),
                    cabinet.id()),
                all -> all.stream().filter(p -> !p.cabinet().equals(cabinet.id())).toList()));
  }

  /// Puts one device somewhere, wherever it was before.
  public static Edit place(Device device, Placement at) {
    return new Edit("Place " + device.designation(), project -> placed(project, List.of(at)));
  }

  /// Puts many devices somewhere; those not named stay.
  public static Edit place(String label, List<Placement> at) {
    return new Edit(label, project -> placed(project, at));
  }

  /// Takes a device off; it waits to be placed again.
  public static Edit takeOff(Device device) {
    return new Edit(
        "Take " + device.designation() + " off",
        project ->
            placements(
                project,
                all -> all.stream().filter(p -> !p.device().equals(device.id())).toList()));
  }

  /// Says how large a device is; empty: as the catalogue says.
  public static Edit measure(Device device, Optional<Measured> size) {
    return new Edit(
        size.map(s -> "%s is %s × %s".formatted(device.designation(), s.width(), s.height()))
            .orElse("%s is as large as the catalogue says".formatted(device.designation())),
        project -> {
          var next = new ArrayList<>(project.layout().measures());
          next.removeIf(m -> m.device().equals(device.id()));
          size.ifPresent(next::add);
          return project.with(project.layout().withMeasures(next));
        });
  }

  /// A cabinet laid out anew, and everything placed in it, as one step.
  public static Edit arrange(String label, Cabinet cabinet, List<Placement> at) {
    return new Edit(
        label,
        project -> {
          var known = project.layout().cabinet(cabinet.id()).isPresent();
          var with = known ? change(label, cabinet).apply(project) : add(cabinet).apply(project);
          return placed(with, at);
        });
  }

  /// Without the place and the size of something that is gone; a cabinet that was its enclosure
  /// stays, a duct keeps no wiring that is gone.
  static Project without(Project project, Id gone) {
    var layout = project.layout();
    if (layout.equals(Layout.NONE)) return project;
    return project.with(
        layout
            .withPlacements(
                layout.placements().stream().filter(p -> !p.device().equals(gone)).toList())
            .withMeasures(layout.measures().stream().filter(m -> !m.device().equals(gone)).toList())
            .withDrawn(
                layout.drawn().stream().filter(d -> !d.symbol().device().equals(gone)).toList())
            .withCabinets(
                layout.cabinets().stream().map(cabinet -> forget(cabinet, gone)).toList()));
  }

  private static Cabinet forget(Cabinet cabinet, Id gone) {
    var next = cabinet;
    if (cabinet.device().filter(gone::equals).isPresent()) next = next.withDevice(Optional.empty());
    if (cabinet.ducts().stream().anyMatch(d -> d.bundle().filter(gone::equals).isPresent()))
      next =
          next.withDucts(
              next.ducts().stream()
                  .map(d ->
                      d.bundle().filter(gone::equals).isEmpty() ? d : d.holding(Optional.empty()))
                  .toList());
    return next;
  }

  private static Project placed(Project project, List<Placement> at) {
    var moved = new HashSet<Id>();
    at.forEach(p -> moved.add(p.device()));
    return placements(
        project,
        all -> {
          var next = new ArrayList<Placement>();
          var seen = new HashSet<Id>();
          for (var old : all) {
            if (!moved.contains(old.device())) next.add(old);
            else
              at.stream()
                  .filter(p -> p.device().equals(old.device()))
                  .findFirst()
                  .ifPresent(p -> {
                    next.add(p);
                    seen.add(p.device());
                  });
          }
          at.stream().filter(p -> seen.add(p.device())).forEach(next::add);
          return next;
        });
  }

  private static String name(Cabinet cabinet) {
    return cabinet.name().isEmpty() ? "cabinet " + cabinet.id() : cabinet.name();
  }

  private static Project cabinets(Project project, UnaryOperator<List<Cabinet>> change) {
    return project.with(project.layout().withCabinets(change.apply(project.layout().cabinets())));
  }

  private static Project placements(Project project, UnaryOperator<List<Placement>> change) {
    return project.with(
        project.layout().withPlacements(change.apply(project.layout().placements())));
  }
}
