package nelvar.core.analysis.space;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Surface;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// Logic and analogue parts stand away from drives and switching supplies: 100 mm from edge to edge
/// on one plate (common practice, no published source). What couples how much is computed where
/// wires are laid.
public final class QuietApart implements Rule {
  private static final Reason CLOSE = Reason.of("Logic stands beside what disturbs it");

  /// From edge to edge, mm.
  public static final double APART = 100;

  @Override
  public String id() {
    return "space.quiet-apart";
  }

  @Override
  public String asks() {
    return "Logic stands away from drives and switching supplies.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(
        this,
        study,
        body ->
            body.surface() == Surface.PLATE
                && NoiseClass.of(body.device().orElseThrow(), study).quiet(),
        QuietApart::judge);
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var w = Working.of("Neighbours of " + body.name());
    var nearest = nearest(body, placed);
    if (nearest.isEmpty()) {
      w.given("disturbs", "nothing", "on this plate");
      return new Verdict.Pass(body.id(), w.explain(body.name()).trail());
    }
    var gap = nearest.get().box().gap(body.box());
    w.given("gap", Length.ofMillimetres(gap), "to " + nearest.get().name());
    w.given("at least", Length.ofMillimetres(APART), "common practice");
    var trail = w.explain(body.name()).trail();
    if (gap >= APART - 0.05) return new Verdict.Pass(body.id(), trail);
    return new Verdict.Finding(
        body.id(),
        Severity.WARNING,
        CLOSE,
        "%s stands %.0f mm from %s, which switches fast: its inputs may see what is not there. Keep %.0f mm between them."
            .formatted(body.name(), gap, nearest.get().name(), APART),
        trail,
        Stream.concat(
                placed.moved(there -> far(there, placed)).stream(),
                placed.moved(nearest.get(), there -> there.box().gap(body.box()) >= APART).stream())
            .toList());
  }

  private static boolean far(Body there, Placed placed) {
    return nearest(there, placed).map(n -> n.box().gap(there.box()) >= APART).orElse(true);
  }

  private static Optional<Body> nearest(Body from, Placed placed) {
    return placed
        .others()
        .filter(other -> other.surface() == Surface.PLATE && other.device().isPresent())
        .filter(other -> NoiseClass.of(other.device().orElseThrow(), placed.study()).dirty())
        .min(Comparator.comparingDouble(other -> other.box().gap(from.box())));
  }
}
