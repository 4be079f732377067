package nelvar.core.analysis.stop;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.TypicalLength;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// A thin wire of the cabinet that a way out adds, between terminals that take one more.
final class SignalWire {
  /// Conductors that one terminal of a device commonly takes.
  private static final int LANDINGS = 2;

  private static final CrossSection SIGNAL = new CrossSection(0.5);
  private static final CrossSection AMERICAN = CrossSection.ofGauge(20);

  private SignalWire() {}

  /// Whether one more may land there.
  static boolean room(TerminalRef at, Study study) {
    return study.project().conductors().stream()
            .filter(c -> c.from().equals(at) || c.to().equals(at))
            .count()
        < LANDINGS;
  }

  static Edit add(TerminalRef from, TerminalRef to, Study study) {
    var american = study.project().brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN;
    return new Edit(
        "Wire %s to %s".formatted(from, to),
        project -> {
          var name = NextName.designation(project, "W");
          return Edits.add(
                  "",
                  new Conductor(
                          NextName.id(project, name.text()),
                          name,
                          from,
                          to,
                          Conductor.Function.CONTROL,
                          Optional.of(american ? AMERICAN : SIGNAL),
                          length(from, to, project),
                          colour(from, project),
                          Optional.empty(),
                          bundle(from, to, project))
                      .assumed())
              .apply(project);
        });
  }

  /// Its way says it where both ends are mounted.
  private static Optional<Length> length(TerminalRef from, TerminalRef to, Project project) {
    if (mounted(from, project) && mounted(to, project)) return Optional.empty();
    var a = project.device(from.device()).orElseThrow();
    var b = project.device(to.device()).orElseThrow();
    return Optional.of(
        TypicalLength.between(a.place(), b.place(), TypicalLength.distance(a, project)));
  }

  private static boolean mounted(TerminalRef end, Project project) {
    return project.layout().placement(end.device()).isPresent();
  }

  /// With what else runs from there, until its way says it.
  private static Optional<Id> bundle(TerminalRef from, TerminalRef to, Project project) {
    if (mounted(from, project) && mounted(to, project)) return Optional.empty();
    return project.conductors().stream()
        .filter(c -> c.cable().isEmpty() && (c.touches(from.device()) || c.touches(to.device())))
        .flatMap(c -> c.bundle().stream())
        .findFirst();
  }

  /// As what lands there already.
  private static Optional<String> colour(TerminalRef at, Project project) {
    return project.conductors().stream()
        .filter(c -> c.cable().isEmpty() && (c.from().equals(at) || c.to().equals(at)))
        .flatMap(c -> c.colour().stream())
        .findFirst();
  }
}
