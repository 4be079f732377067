package nelvar.core.review;

import java.util.HashSet;
import java.util.List;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.thermal.InsideAir;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Subject;

/// What is wrong only in air that was computed, from measures nobody took, is a warning; what is
/// wrong in the air the Brief designs for, or in air that was measured, stays an error.
final class AssumedWarmth {
  private AssumedWarmth() {}

  private record About(Subject subject, Reason reason) {}

  static List<Verdict> softened(Rule rule, List<Verdict> verdicts, Study study) {
    if (verdicts.stream().noneMatch(AssumedWarmth::error) || !sizesByWarmth(rule)) return verdicts;
    var air = InsideAir.of(study);
    if (air.origin() != InsideAir.Origin.COMPUTED) return verdicts;
    var designed = new HashSet<About>();
    rule.check(atDesign(study))
        .filter(AssumedWarmth::error)
        .forEach(v -> designed.add(about((Verdict.Finding) v)));
    return verdicts.stream()
        .map(verdict ->
            verdict instanceof Verdict.Finding finding
                    && error(finding)
                    && !designed.contains(about(finding))
                ? softer(finding, study)
                : verdict)
        .toList();
  }

  private static Study atDesign(Study study) {
    return study.once(AssumedWarmth.class, study::inSetAir);
  }

  private static boolean sizesByWarmth(Rule rule) {
    return List.of("load.", "supply.", "sizing.", "protection.").stream()
        .anyMatch(rule.id()::startsWith);
  }

  private static boolean error(Verdict verdict) {
    return verdict instanceof Verdict.Finding finding && finding.severity() == Severity.ERROR;
  }

  private static About about(Verdict.Finding finding) {
    return new About(finding.subject(), finding.reason());
  }

  private static Verdict softer(Verdict.Finding finding, Study study) {
    return new Verdict.Finding(
        finding.subject(),
        Severity.WARNING,
        finding.reason(),
        finding.text()
            + " So it is only in the air computed for the cabinet: let heat out first; in the %s the Brief designs for it holds."
                .formatted(study.project().brief().surroundings().inside()),
        finding.trail(),
        // Nobody thickens wires where the cabinet is to be cooled.
        List.of());
  }
}
