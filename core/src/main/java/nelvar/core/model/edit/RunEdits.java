package nelvar.core.model.edit;

import static nelvar.core.model.Project.changed;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Length;

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

  /// What whoever builds it found of a wire or a cable.
  ///
  /// @param measured how long it was cut; empty where that was not measured
  /// @param done whether it is laid and landed; empty where nothing is said
  public record AsBuilt(Id id, Optional<Length> measured, Optional<Boolean> done) {}

  /// Takes over measured lengths and marks of what is done.
  public static Edit asBuilt(List<AsBuilt> all) {
    var by = new HashMap<Id, AsBuilt>();
    for (var one : all) by.put(one.id(), one);
    return new Edit(
        all.size() == 1
            ? "Take over what was built of one wire or cable"
            : "Take over what was built of %d wires and cables".formatted(all.size()),
        project ->
            project
                .withConductors(
                    changed(
                        project.conductors(),
                        wire -> by.containsKey(wire.id()),
                        wire -> built(wire, Objects.requireNonNull(by.get(wire.id())))))
                .withCables(
                    changed(
                        project.cables(),
                        cable -> by.containsKey(cable.id()),
                        cable -> built(cable, Objects.requireNonNull(by.get(cable.id()))))));
  }

  private static Conductor built(Conductor wire, AsBuilt found) {
    var measured = found.measured().map(wire::withLength).orElse(wire);
    return found.done().map(done -> measured.with(d -> d.done = done)).orElse(measured);
  }

  private static Cable built(Cable cable, AsBuilt found) {
    var measured = found.measured().map(cable::withLength).orElse(cable);
    return found.done().map(measured::withDone).orElse(measured);
  }

  /// Wires go from one way of a row of terminals to another one.
  ///
  /// @param bar whether a bar joins the two ways, where nothing else does
  public static Edit spread(
      Device row, TerminalRef from, TerminalRef to, List<Conductor> wires, boolean bar) {
    var moved = wires.stream().map(Conductor::id).toList();
    var words = wires.stream().map(wire -> wire.label().text()).collect(Collectors.joining(", "));
    return new Edit(
        "Move %s to way %s of %s%s"
            .formatted(
                words,
                to.terminal(),
                row.designation(),
                bar ? ", with a bar to way " + from.terminal() : ""),
        project -> {
          var next =
              project.withConductors(
                  changed(
                      project.conductors(),
                      wire -> moved.contains(wire.id()),
                      wire ->
                          wire.from().equals(from)
                              ? wire.withEnds(to, wire.to())
                              : wire.withEnds(wire.from(), to)));
          if (!bar) return next;
          var all = new ArrayList<>(next.conductors());
          all.add(bar(row, from, to, wires.getFirst(), next));
          return next.withConductors(all);
        });
  }

  /// It lies in the slots of the row: no wire, and nothing to be sized.
  private static Conductor bar(
      Device row, TerminalRef from, TerminalRef to, Conductor like, Project project) {
    var label = NextName.designation(project, "J");
    return new Conductor(
        NextName.id(project, label.text()),
        label,
        from,
        to,
        like.function(),
        like.section(),
        Optional.of(new Length(0)),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.of(row.id()));
  }

  /// Wires get other numbers; what stands on their sleeves changes with them.
  public static Edit number(java.util.Map<Id, Designation> next) {
    return new Edit(
        "Number %d wires anew".formatted(next.size()),
        project ->
            project.withConductors(
                changed(
                    project.conductors(),
                    wire -> next.containsKey(wire.id()),
                    wire -> wire.withLabel(Objects.requireNonNull(next.get(wire.id()))))));
  }

  /// What lands on two ways of a plug and its socket changes places, on both halves.
  public static Edit exchange(Device connector, int one, int other) {
    return new Edit(
        "Exchange ways %d and %d of %s".formatted(one, other, connector.designation()),
        project ->
            project.withConductors(
                changed(
                    project.conductors(),
                    wire -> wire.touches(connector.id()),
                    wire ->
                        wire.withEnds(
                            exchanged(wire.from(), connector, one, other),
                            exchanged(wire.to(), connector, one, other)))));
  }

  private static TerminalRef exchanged(TerminalRef end, Device connector, int one, int other) {
    if (!end.device().equals(connector.id())) return end;
    for (var half : List.of("A", "B")) {
      if (end.terminal().equals(one + half)) return new TerminalRef(end.device(), other + half);
      if (end.terminal().equals(other + half)) return new TerminalRef(end.device(), one + half);
    }
    return end;
  }

  public static Edit gland(Cable cable, Optional<Cable.Gland> gland) {
    return new Edit(
        gland
            .map(g ->
                g == Cable.Gland.FRAME
                    ? "Take %s through an entry frame".formatted(cable.label())
                    : "Take %s through a gland %s".formatted(cable.label(), g.words()))
            .orElse("Take %s through the gland that fits".formatted(cable.label())),
        project ->
            project.withCables(
                changed(
                    project.cables(), c -> c.id().equals(cable.id()), c -> c.withGland(gland))));
  }

  /// Cores of a cable are landed on others of it.
  public static Edit marked(Cable cable, java.util.Map<Id, String> marks) {
    return new Edit(
        "Land %d cores of %s in another order".formatted(marks.size(), cable.label()),
        project ->
            project.withConductors(
                changed(
                    project.conductors(),
                    wire -> marks.containsKey(wire.id()),
                    wire -> wire.withColour(Optional.ofNullable(marks.get(wire.id()))))));
  }

  /// Several cables through frames that open, instead of a gland each.
  public static Edit framed(List<Cable> cables) {
    var ids = cables.stream().map(Cable::id).collect(Collectors.toSet());
    return new Edit(
        "Take %d cables through entry frames".formatted(cables.size()),
        project ->
            project.withCables(
                changed(
                    project.cables(),
                    c -> ids.contains(c.id()),
                    c -> c.withGland(Optional.of(Cable.Gland.FRAME)))));
  }

  /// A single wire laid in something by hand, or where its way leads.
  public static Edit laid(Conductor wire, Optional<Bundle> in) {
    return new Edit(
        in.map(bundle -> "Lay %s in the %s".formatted(wire.label(), bundle.name()))
            .orElse("Lay %s where its way leads".formatted(wire.label())),
        project ->
            project.withConductors(
                changed(
                    project.conductors(),
                    w -> w.id().equals(wire.id()),
                    w -> w.withBundle(in.map(Bundle::id)))));
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
