package nelvar.core.analysis.supply;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CurrentLimit;
import nelvar.core.catalogue.Demand;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// An electronic supply starts its hardest load while all others that can be on are on.
///
/// `Ib + (Istart − I) ≤` its boost, where the boost lasts as long as the start, else its current
/// limit. Drives that charge their capacitors are left out: the limit charges them, a little
/// slower. Demand: common practice, no published source.
public final class StartOnSupply implements Rule {
  private static final Reason DIPS_WHILE_A_LOAD_STARTS = Reason.of("Dips while a load starts");

  @Override
  public String id() {
    return "supply.start";
  }

  @Override
  public String asks() {
    return "Every supply starts its hardest load while the others are on.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().sources().stream()
        .filter(source ->
            study.part(source.device()).flatMap(part -> part.limit(source.output())).isPresent())
        .flatMap(
            Contained.many(
                this,
                source -> source.device().id(),
                source -> hardest(source, study).map(feed -> judge(source, feed, study)).stream()));
  }

  private static double extra(Feed feed, Study study) {
    return feed.intake().inrush().orElseThrow().peak().amperes()
        - study.designCurrent(feed).amperes();
  }

  private static Optional<Feed> hardest(Source source, Study study) {
    return study.network().together(source).stream()
        .flatMap(member -> study.currents().served(member).stream())
        .filter(feed -> feed.intake().inrush().isPresent())
        .filter(feed -> !(feed.intake().demand() instanceof Demand.Converts))
        .filter(feed -> extra(feed, study) > 0)
        .max(
            java.util.Comparator.comparingDouble((Feed feed) -> extra(feed, study))
                .thenComparing(feed -> feed.device().id().text()));
  }

  /// A load alone on its supply makes nobody else dip; it starts at what the supply gives.
  private static boolean alone(List<Source> bank, Study study) {
    return bank.stream()
            .flatMap(member -> study.currents().served(member).stream())
            .filter(feed -> study.designCurrent(feed).amperes() > 0)
            .map(feed -> feed.device().id())
            .distinct()
            .count()
        <= 1;
  }

  private static Verdict judge(Source source, Feed feed, Study study) {
    var id = source.device().id();
    var bank = study.network().together(source);
    var start = feed.intake().inrush().orElseThrow();
    var w = Working.of("Starting on " + source.device().designation());
    var ib =
        w.given(
            "Ib",
            study.designCurrent(source).times(bank.size()),
            "everything on that can be on together");
    w.given("Istart", start, feed.name());
    var i = w.given("I", study.designCurrent(feed), "of it in work");
    var peak =
        w.result(
            "Ipeak",
            "Ib + Istart − I",
            new Current(ib.amperes() + start.peak().amperes() - i.amperes()));
    var limit =
        w.given(
            "Ilimit",
            new Current(bank.stream().mapToDouble(m -> gives(m, feed, study)).sum()),
            bank.size() == 1 ? source.toString() : SupplyLoad.names(bank) + " together");
    var judged = Explained.atMost(w.explain(peak), "Ipeak", limit, Citation.practice());
    if (judged.holds() || alone(bank, study)) return new Verdict.Pass(id, judged.trail());
    return new Verdict.Finding(
        id,
        Severity.WARNING,
        DIPS_WHILE_A_LOAD_STARTS,
        "While %s starts, %s are asked of %s for %s and it gives %s: the voltage of all it feeds dips, and whatever hangs on it may reset. Feed that load from a supply of its own, take one with a boost that lasts, or start it before the others."
            .formatted(
                feed.device().designation(),
                peak,
                source.device().designation(),
                start.duration(),
                limit),
        judged.trail(),
        SupplyLoad.starting(source, peak, study));
  }

  /// What one supply gives for as long as the start lasts.
  private static double gives(Source source, Feed feed, Study study) {
    var limit = study.part(source.device()).flatMap(p -> p.limit(source.output())).orElseThrow();
    return gives(limit, feed).amperes();
  }

  private static Current gives(CurrentLimit limit, Feed feed) {
    var lasts = feed.intake().inrush().orElseThrow().duration();
    return limit
        .boost()
        .filter(_ -> limit.boostTime().filter(time -> time.compareTo(lasts) >= 0).isPresent())
        .filter(boost -> boost.compareTo(limit.at()) > 0)
        .orElse(limit.at());
  }
}
