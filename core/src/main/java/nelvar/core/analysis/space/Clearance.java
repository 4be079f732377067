package nelvar.core.analysis.space;

import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// What a part wants free around it is free: for its air, for its wires, for hands. Bodies and
/// ducts count; the room between plate and wall counts as free.
public final class Clearance implements Rule {
  private static final Reason CROWDED = Reason.of("A part has less room around it than it wants");

  @Override
  public String id() {
    return "space.clearance";
  }

  @Override
  public String asks() {
    return "What a part wants free around it is free.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(this, study, body -> !body.room().equals(Room.NONE), Clearance::judge);
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var w = Working.of("Room around " + body.name());
    w.given("above", Length.ofMillimetres(body.room().above()), body.part().name());
    w.given("below", Length.ofMillimetres(body.room().below()), body.part().name());
    w.given("sides", Length.ofMillimetres(body.room().left()), body.part().name());
    var crowds = placed.fits().crowds(body);
    for (var one : crowds)
      w.given("missing", Length.ofMillimetres(one.missing()), "towards " + one.name());
    var trail = w.explain(body.name()).trail();
    if (crowds.isEmpty()) return new Verdict.Pass(body.id(), trail);
    var worst =
        crowds.stream()
            .max(java.util.Comparator.comparingDouble(Fits.InTheWay::missing))
            .orElseThrow();
    return new Verdict.Finding(
        body.id(),
        Severity.WARNING,
        CROWDED,
        "%s lacks %.0f mm towards %s: its air or its wires have no room there.%s"
            .formatted(body.name(), worst.missing(), worst.name(), placed.measures()),
        trail,
        placed.moved(_ -> true));
  }
}
