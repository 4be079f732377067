package nelvar.core.model.edit;

import static nelvar.core.model.Project.changed;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Length;

/// A filter put before something that is wired already, beside it: what was as long as it was said
/// stays so, new leads are estimated at 0.3 m until somebody lays them.
public final class FilterEdits {
  private static final Length LEAD = new Length(0.3);

  private FilterEdits() {}

  /// @param mark terminal of what is filtered
  /// @param way of the filter, whose other end has a stroke
  public record Through(String mark, String way) {}

  /// @param at a free way of the protective bar
  /// @param like the protective conductor of what is filtered: as thick, of its colour
  public record Earth(TerminalRef at, Conductor like) {}

  /// What landed on it lands on the filter, and new wires of the same kind lead on.
  public static Edit inFront(Device on, Device filter, List<Through> ways, Earth earth) {
    return new Edit(
        "Put %s before %s".formatted(filter.designation(), on.designation()),
        project -> {
          var with = project.withDevices(Edits.plus(project.devices(), filter));
          for (var way : ways) with = led(with, on, filter, way);
          return plus(
              with,
              earth.like(),
              earth.at(),
              new TerminalRef(filter.id(), "PE"),
              earth.like().length());
        });
  }

  private static Project led(Project project, Device on, Device filter, Through way) {
    var was = new TerminalRef(on.id(), way.mark());
    var in = new TerminalRef(filter.id(), way.way());
    var landed =
        project.conductors().stream()
            .filter(w -> w.from().equals(was) || w.to().equals(was))
            .findFirst();
    if (landed.isEmpty()) return project;
    var moved =
        project.withConductors(
            changed(
                project.conductors(),
                w -> w.from().equals(was) || w.to().equals(was),
                w ->
                    w.with(d -> {
                      if (d.from.equals(was)) d.from = in;
                      else d.to = in;
                      d.estimated = d.length.isPresent();
                    })));
    var lead = landed.get().length().map(_ -> LEAD);
    return plus(moved, landed.get(), new TerminalRef(filter.id(), way.way() + "'"), was, lead);
  }

  private static Project plus(
      Project project, Conductor like, TerminalRef from, TerminalRef to, Optional<Length> length) {
    var label = NextName.designation(project, like.label().stem());
    return project.withConductors(
        Edits.plus(
            project.conductors(),
            new Conductor(
                    NextName.id(project, label.text()),
                    label,
                    from,
                    to,
                    like.function(),
                    like.section(),
                    length,
                    like.colour(),
                    Optional.empty(),
                    like.bundle().filter(_ -> length.isPresent()))
                .with(d -> d.estimated = length.isPresent())));
  }
}
