package nelvar.core.analysis.space;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// A bare board stands on spacers: its solder side on a metal plate is a short circuit, and air
/// must pass behind it. 5 mm at least (common practice, no published source).
public final class Spacers implements Rule {
  private static final Reason FLAT = Reason.of("A bare board lies flat on the plate");
  private static final Length LEAST = Length.ofMillimetres(5);
  private static final Length USUAL = Length.ofMillimetres(10);

  @Override
  public String id() {
    return "space.spacers";
  }

  @Override
  public String asks() {
    return "Bare boards stand on spacers.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(
        this,
        study,
        body -> body.fitting().bareBoard() && body.surface() != Surface.OUTSIDE,
        Spacers::judge);
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var w = Working.of("Spacers under " + body.name());
    var stands = body.at().spacers();
    w.given("stands on", stands.<String>map(Length::toString).orElse("nothing said"), "its place");
    w.given("at least", LEAST, "common practice");
    var trail = w.explain(body.name()).trail();
    if (stands.filter(s -> s.compareTo(LEAST) >= 0).isPresent())
      return new Verdict.Pass(body.id(), trail);
    return new Verdict.Finding(
        body.id(),
        placed.cabinet().shell().housing().metal() ? Severity.WARNING : Severity.ADVICE,
        FLAT,
        "%s is a bare board and stands on no spacers: its solder side would touch the plate. Stand it on %s."
            .formatted(body.name(), USUAL),
        trail,
        List.of(
            Repair.of(
                LayoutEdits.place(body.device().orElseThrow(), body.at().on(Optional.of(USUAL)))
                    .named("Stand %s on spacers of %s".formatted(body.name(), USUAL)))));
  }
}
