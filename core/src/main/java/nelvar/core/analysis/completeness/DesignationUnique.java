package nelvar.core.analysis.completeness;

import java.util.HashMap;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Designation;
import nelvar.core.model.Id;
import nelvar.core.model.School;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.trail.Working;

/// No two things bear the same designation.
///
/// Devices, cables and conductors each among themselves. Demand: IEC 81346-1 (unchecked); common
/// practice.
public final class DesignationUnique implements Rule {
  private static final Reason DESIGNATION_STANDS_TWICE = Reason.of("Designation stands twice");

  @Override
  public String id() {
    return "completeness.duplicate-designation";
  }

  @Override
  public String asks() {
    return "Every designation stands for one thing.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var project = study.project();
    var devices =
        project.devices().stream()
            .map(d -> new Named(d.id(), d.designation(), next -> Edits.rename(d, next)))
            .toList();
    var conductors =
        project.conductors().stream()
            .map(c -> new Named(c.id(), c.label(), next -> Edits.relabel(c, next)))
            .toList();
    return Stream.of(devices, conductors).flatMap(group -> judge(group, study));
  }

  private record Named(
      Id id, Designation name, java.util.function.Function<Designation, Edit> rename) {}

  private static Stream<Verdict> judge(List<Named> group, Study study) {
    var seen = new HashMap<Designation, Id>();
    return group.stream()
        .map(thing -> {
          var first = seen.putIfAbsent(thing.name(), thing.id());
          var w = Working.of("Designation");
          w.given("designation", thing.name(), thing.id().text());
          if (study.conductor(thing.id()).isPresent())
            w.given(
                "on its ends",
                study.project().brief().policies().answer(School.WIRE_NUMBERS).words(),
                "Brief");
          var trail = w.explain(thing).trail();
          if (first == null) return new Verdict.Pass(thing.id(), trail);
          var next = NextName.designation(study.project(), thing.name().stem());
          return new Verdict.Finding(
              thing.id(),
              Severity.ERROR,
              DESIGNATION_STANDS_TWICE,
              "%s names two things (%s and %s). Whoever follows the papers will wire or pull the wrong one."
                  .formatted(thing.name(), first, thing.id()),
              trail,
              List.of(Repair.of(thing.rename().apply(next))));
        });
  }
}
