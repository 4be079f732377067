package nelvar.core.model.edit;

import static nelvar.core.model.Project.changed;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;

/// Changes of ways and of what wires lie in.
public final class RunEdits {
  private RunEdits() {}

  /// Their ways say how long these wires, and the cables whose cores they are, shall be cut.
  public static Edit asRouted(String what, Set<Id> wires) {
    return new Edit(
        "Let its way say how long %s is".formatted(what),
        project -> {
          var cables =
              project.conductors().stream()
                  .filter(wire -> wires.contains(wire.id()))
                  .flatMap(wire -> wire.cable().stream())
                  .toList();
          return project
              .withConductors(
                  changed(
                      project.conductors(),
                      wire -> wires.contains(wire.id()) && wire.leadOf().isEmpty(),
                      Conductor::asRouted))
              .withCables(
                  changed(
                      project.cables(),
                      cable -> cables.contains(cable.id()) || wires.contains(cable.id()),
                      Cable::asRouted));
        });
  }

  /// What a duct that is drawn is kept for.
  public static Edit keep(Cabinet cabinet, Cabinet.Duct duct, Optional<Bundle.Only> only) {
    return LayoutEdits.change(
        "Keep duct %s for %s".formatted(duct.id(), only.map(Bundle.Only::words).orElse("anything")),
        cabinet.withDucts(
            changed(cabinet.ducts(), d -> d.id().equals(duct.id()), d -> d.keptFor(only))));
  }

  public static Edit gland(Cable cable, Optional<Cable.Gland> gland) {
    return new Edit(
        gland
            .map(g -> "Take %s through a gland %s".formatted(cable.label(), g))
            .orElse("Take %s through the gland that fits".formatted(cable.label())),
        project ->
            project.withCables(
                changed(
                    project.cables(), c -> c.id().equals(cable.id()), c -> c.withGland(gland))));
  }

  /// Cables onto another tray, into another carrier; it is made where there is none.
  public static Edit lay(String what, Set<Id> cables, Set<Id> wires, Bundle in) {
    return new Edit(
        what,
        project -> {
          var has = project.bundles().stream().anyMatch(b -> b.id().equals(in.id()));
          var with =
              has
                  ? project
                  : project.withBundles(
                      Stream.concat(project.bundles().stream(), Stream.of(in)).toList());
          return with.withCables(
                  changed(
                      with.cables(),
                      c -> cables.contains(c.id()),
                      c -> c.withBundle(Optional.of(in.id()))))
              .withConductors(
                  changed(
                      with.conductors(),
                      w -> wires.contains(w.id()) && w.cable().isEmpty(),
                      w -> w.withBundle(Optional.of(in.id()))));
        });
  }
}
