package nelvar.core.analysis.space;

import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// Nothing stands where something else is, nor over the edge of what it is mounted on. Things that
/// come later keep their room.
public final class Collision implements Rule {
  private static final Reason OVER = Reason.of("Two things are to stand at one place");

  @Override
  public String id() {
    return "space.collision";
  }

  @Override
  public String asks() {
    return "Nothing stands where something else is.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(this, study, _ -> true, Collision::judge);
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var w = Working.of("Place of " + body.name());
    w.given("width", Length.ofMillimetres(body.box().width()), body.part().name());
    w.given("height", Length.ofMillimetres(body.box().height()), body.part().name());
    var over = placed.fits().over(body);
    var trail = w.explain(body.name()).trail();
    if (over.isEmpty()) return new Verdict.Pass(body.id(), trail);
    var names = over.stream().map(Fits.InTheWay::name).collect(Collectors.joining(", "));
    return new Verdict.Finding(
        body.id(),
        placed.unlessAssumed(over.stream().anyMatch(Fits.InTheWay::assumed)),
        OVER,
        "%s stands over %s: it cannot be mounted there.%s"
            .formatted(body.name(), names, placed.measures()),
        trail,
        placed.moved(_ -> true));
  }
}
