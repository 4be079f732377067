package nelvar.core.analysis.space;

import java.util.Comparator;
import java.util.Optional;
import java.util.function.Predicate;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Article;
import nelvar.core.catalogue.Enclosure;
import nelvar.core.catalogue.Housing;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Shell;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.units.Length;
import nelvar.core.units.Significant;

/// The walls of a cabinet otherwise, and with them the enclosure among the devices that it is: the
/// one of the catalogue that is so large and of that, else one built to size, whose price and mass
/// nobody knows. So the parts list never buys another cabinet than the one that is drawn.
public final class NewWalls {
  private NewWalls() {}

  public static Edit edit(Cabinet cabinet, Shell next, Study study) {
    return follow(
        LayoutEdits.change("Change " + cabinet.name(), cabinet.withShell(next)),
        cabinet.device(),
        next,
        study);
  }

  /// Nobody takes a cabinet of more than so many times the room for one reason (common practice).
  private static final double LARGER = 3;

  /// The smallest enclosure of the catalogue of the same walls, no smaller in any direction, that
  /// does; what stands in it stays where it is, from the left and from above.
  public static Optional<Edit> larger(Cabinet cabinet, Study study, Predicate<Edit> does) {
    var shell = cabinet.shell();
    var now = shell.width().metres() * shell.height().metres() * shell.depth().metres();
    return study
        .catalogue()
        .of(Enclosure.class)
        .filter(e -> e.madeOf() == shell.housing() && !is(e, shell))
        .filter(e -> volume(e) <= LARGER * now)
        .filter(e ->
            e.width().compareTo(shell.width()) >= 0
                && e.height().compareTo(shell.height()) >= 0
                && e.depth().compareTo(shell.depth()) >= 0)
        .sorted(Comparator.comparingDouble(NewWalls::volume).thenComparing(Enclosure::id))
        .map(e ->
            edit(cabinet, shell.sized(e.width(), e.height(), e.depth()), study)
                .named("Take %s".formatted(e.name())))
        .filter(does)
        .findFirst();
  }

  private static double volume(Enclosure e) {
    return e.width().metres() * e.height().metres() * e.depth().metres();
  }

  /// What was done to a cabinet, and its enclosure is the one of these walls.
  ///
  /// @param device the enclosure among the devices, where there is one
  public static Edit follow(Edit done, Optional<Id> device, Shell walls, Study study) {
    var enclosure = device.flatMap(study::device);
    var before = enclosure.flatMap(study::part);
    if (!(before.orElse(null) instanceof Enclosure old) || is(old, walls)) return done;
    var part = of(walls, study);
    var known = study.catalogue().find(part.id()).isPresent();
    return new Edit(
        done.label(),
        project -> {
          var next = done.apply(project);
          if (!known) next = Edits.ownParts("", java.util.List.of(part)).apply(next);
          next = doorless(next, enclosure.get(), part);
          next = Edits.swap(enclosure.get(), part).apply(next);
          return unused(next, old);
        });
  }

  private static boolean is(Enclosure part, Shell walls) {
    return part.madeOf() == walls.housing()
        && part.width().equals(walls.width())
        && part.height().equals(walls.height())
        && part.depth().equals(walls.depth());
  }

  private static Enclosure of(Shell walls, Study study) {
    return study
        .catalogue()
        .of(Enclosure.class)
        .filter(part -> is(part, walls))
        .findFirst()
        .orElseGet(() -> built(walls.housing(), walls.width(), walls.height(), walls.depth()));
  }

  private static Enclosure built(Housing housing, Length width, Length height, Length depth) {
    var size = java.util.stream.Stream.of(width, height, depth).map(NewWalls::millimetres).toList();
    return new Enclosure(
        "housing-%s-%s"
            .formatted(
                String.join("x", size).replace('.', 'p'),
                housing.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-')),
        "%s %s mm with plate, built to size"
            .formatted(
                housing == Housing.OPEN ? "Open shelf" : "Housing of " + housing.words() + ",",
                String.join(" × ", size)),
        Article.UNKNOWN,
        width,
        height,
        depth,
        Optional.of(housing).filter(h -> h != Housing.PAINTED_STEEL));
  }

  private static String millimetres(Length length) {
    return Significant.exact(Math.round(length.metres() * 1e4) / 10.0);
  }

  /// A door that is not of metal needs no strap; what else hung on its bolt hangs on that of the
  /// plate.
  private static Project doorless(Project project, Device enclosure, Enclosure part) {
    var has = part.terminals().stream().map(Terminal::name).toList();
    var plate = new TerminalRef(enclosure.id(), "PE");
    var next = project;
    for (var wire : project.conductors()) {
      if (!lost(wire.from(), enclosure, has) && !lost(wire.to(), enclosure, has)) continue;
      var moved =
          wire.withEnds(
              lost(wire.from(), enclosure, has) ? plate : wire.from(),
              lost(wire.to(), enclosure, has) ? plate : wire.to());
      next =
          moved.from().equals(moved.to()) || joins(next, moved)
              ? Edits.remove(wire).apply(next)
              : next.withConductors(
                  Project.changed(next.conductors(), c -> c.id().equals(wire.id()), _ -> moved));
    }
    return next;
  }

  private static boolean lost(TerminalRef end, Device enclosure, java.util.List<String> terminals) {
    return end.device().equals(enclosure.id()) && !terminals.contains(end.terminal());
  }

  /// Whether another wire joins the same two already.
  private static boolean joins(Project project, Conductor wire) {
    var ends = java.util.Set.of(wire.from(), wire.to());
    return project.conductors().stream()
        .filter(c -> !c.id().equals(wire.id()) && !c.from().equals(c.to()))
        .anyMatch(c -> java.util.Set.of(c.from(), c.to()).equals(ends));
  }

  /// A housing that was built to size here and that no device is any more goes with its walls; what
  /// the builder entered stays.
  private static Project unused(Project project, Enclosure old) {
    var here = built(old.madeOf(), old.width(), old.height(), old.depth()).equals(old);
    return !here || project.devices().stream().anyMatch(d -> d.part().equals(old.id()))
        ? project
        : project.withOwnParts(
            project.ownParts().stream().filter(own -> !own.id().equals(old.id())).toList());
  }
}
