package nelvar.core.analysis.sizing;

import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;

/// A conductor carries everything that can be on together without growing too warm.
///
/// `Ib ≤ Iz`, or `1.25 · Ib ≤ Iz` where the North American school is followed. Demand: IEC
/// 60204-1:2016, 12.4 and Annex D; NFPA 79:2021, 12.5 (unchecked).
public final class WireCarriesLoad implements Rule {
  private static final Reason CARRIES_MORE_THAN_IT_MAY = Reason.of("Carries more than it may");

  @Override
  public String id() {
    return "sizing.ampacity";
  }

  @Override
  public String asks() {
    return "Every conductor carries its design current: Ib ≤ Iz.";
  }

  private static final Citation DEMAND = Citation.recalled("IEC 60204-1:2016", "12.4");
  private static final Citation AMERICAN = Citation.recalled("NFPA 79:2021", "12.5");

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().conductors().stream()
        .filter(c -> c.carriesWork() && c.sized() && study.designCurrent(c).amperes() > 0)
        .flatMap(Contained.one(this, c -> c.id(), c -> judge(c, study)));
  }

  private static Verdict judge(Conductor conductor, Study study) {
    return Ampacity.of(conductor, study)
        .fold(
            ampacity -> {
              var design = study.designCurrent(conductor);
              var rated = Schools.rated(design, conductor.label().text(), study);
              var w = Working.of("Wire against load");
              w.use(rated);
              var judged =
                  Explained.atLeast(
                      w.explain(w.use(ampacity)),
                      "Iz",
                      rated.value(),
                      Schools.american(study) ? AMERICAN : DEMAND);
              if (judged.holds()) return new Verdict.Pass(conductor.id(), judged.trail());
              var repairs =
                  SectionChoice.propose(conductor, study)
                      .map(choice -> Repair.of(Sections.change(conductor, choice.value(), study)))
                      .stream()
                      .toList();
              return new Verdict.Finding(
                  conductor.id(),
                  Severity.ERROR,
                  CARRIES_MORE_THAN_IT_MAY,
                  "%s carries %s with everything on%s; laid as it is, it may carry %s. Its insulation ages and can melt."
                      .formatted(
                          conductor.label(),
                          design,
                          rated.value().compareTo(design) > 0
                              ? ", and 125 %% of it, %s, are asked of a wire whose load stays on"
                                  .formatted(rated.value())
                              : "",
                          ampacity.value()),
                  judged.trail(),
                  repairs);
            },
            why -> new Verdict.NotChecked(conductor.id(), why));
  }
}
