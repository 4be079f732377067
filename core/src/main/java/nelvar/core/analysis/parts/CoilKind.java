package nelvar.core.analysis.parts;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Coil;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.trail.Working;

/// A coil gets the kind of current it is made for.
///
/// On direct current an alternating-current coil lacks its reactance and burns; on alternating
/// current a direct-current coil hums and drops out a hundred times a second. Demand: the part's
/// own data; common practice.
public final class CoilKind implements Rule {
  private static final Reason COIL_FOR_THE_OTHER_KIND_OF_CURRENT =
      Reason.of("Coil for the other kind of current");

  @Override
  public String id() {
    return "parts.coil-kind";
  }

  @Override
  public String asks() {
    return "Every coil gets the kind of current it is made for.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> feed.source().isPresent() && feed.intake().eitherWay())
        .flatMap(
            Contained.many(
                this,
                feed -> feed.device().id(),
                feed ->
                    study
                        .part(feed.device())
                        .flatMap(Part::ownCoil)
                        .map(coil -> judge(feed, coil, study))
                        .stream()));
  }

  private static Verdict judge(Feed feed, Coil coil, Study study) {
    var id = feed.device().id();
    var alternating = feed.source().orElseThrow().output().alternating();
    var w = Working.of("Kind of current of " + feed.device().designation());
    w.given("made for", words(coil.madeForAlternating()), feed.name());
    var trail =
        w.explain(w.given("gets", words(alternating), feed.source().get().toString())).trail();
    if (alternating == coil.madeForAlternating()) return new Verdict.Pass(id, trail);
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        COIL_FOR_THE_OTHER_KIND_OF_CURRENT,
        "The coil of %s is made for %s and %s gives %s: %s."
            .formatted(
                feed.device().designation(),
                words(coil.madeForAlternating()),
                feed.source().get().device().designation(),
                words(alternating),
                alternating
                    ? "it hums and does not hold"
                    : "it draws many times its current and burns"),
        trail,
        repairs(feed, coil, alternating, study));
  }

  private static String words(boolean alternating) {
    return alternating ? "alternating current" : "direct current";
  }

  private static List<Repair> repairs(Feed feed, Coil now, boolean alternating, Study study) {
    return Alternatives.like(study.part(feed.device()).orElseThrow(), study)
        .filter(next ->
            next.ownCoil()
                .filter(coil ->
                    coil.madeForAlternating() == alternating
                        && coil.voltage().equals(now.voltage())
                        && coil.operates().contains(feed.voltage()))
                .isPresent())
        .filter(next -> CoilRange.sameButForCoil(study.part(feed.device()).orElseThrow(), next))
        .findFirst()
        .map(next -> Repair.of(Edits.swap(feed.device(), next)))
        .stream()
        .toList();
  }
}
