package nelvar.core.analysis.supply;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Coil;
import nelvar.core.catalogue.ControlTransformer;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.CoilFormulas;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;

/// A control transformer holds its voltage while its hungriest coil pulls in and all others hold.
///
/// `ΔU = uk · S/Sn`, with the coil's current as inductive as the transformer is resistive: the safe
/// side. At 0.9 of the mains the coil must still get its least voltage: `0.9 · (1 − ΔU) ≥ 0.85`, so
/// at most 5.6 %. Demand: IEC 60947-4-1:2018, 8.2.1.2 and common practice (unchecked).
public final class TransformerPickUp implements Rule {
  private static final Reason SAGS_WHILE_A_COIL_PULLS_IN = Reason.of("Sags while a coil pulls in");

  private static final Citation DEMAND = Citation.recalled("IEC 60947-4-1:2018", "8.2.1.2");
  private static final double LOW_MAINS = 0.9;

  @Override
  public String id() {
    return "supply.transformer-pick-up";
  }

  @Override
  public String asks() {
    return "Every control transformer holds its voltage while a coil pulls in.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().sources().stream()
        .filter(source -> study.part(source.device()).orElse(null) instanceof ControlTransformer)
        .flatMap(
            Contained.many(
                this,
                source -> source.device().id(),
                source ->
                    hungriest(source, study).map(feed -> judge(source, feed, study)).stream()));
  }

  private static Optional<Coil> coil(Feed feed, Study study) {
    return study.part(feed.device()).flatMap(Part::ownCoil).filter(Coil::madeForAlternating);
  }

  private static Optional<Feed> hungriest(Source source, Study study) {
    return study.currents().served(source).stream()
        .filter(feed -> coil(feed, study).isPresent())
        .max(
            java.util.Comparator.comparing(
                    (Feed feed) -> coil(feed, study).orElseThrow().pullingIn())
                .thenComparing(feed -> feed.device().id().text()));
  }

  private static Verdict judge(Source source, Feed feed, Study study) {
    var id = source.device().id();
    var own = (ControlTransformer) study.part(source.device()).orElseThrow();
    var coil = coil(feed, study).orElseThrow();
    var w = Working.of("Coils pulling in on " + source.device().designation());
    var most = limit(coil);
    var judged =
        Explained.atMost(w.explain(fall(w, source, feed, coil, own, study)), "ΔU", most, DEMAND);
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    return new Verdict.Finding(
        id,
        Severity.WARNING,
        SAGS_WHILE_A_COIL_PULLS_IN,
        "While %s pulls in (%s VA) the voltage of %s falls by %s; with the mains low as well it may chatter or not close. At most %s are left. A larger transformer, or a coil that asks for less, cures it."
            .formatted(
                feed.device().designation(),
                nelvar.core.units.Significant.digits(coil.pullingIn().watts()),
                source.device().designation(),
                judged.value(),
                most),
        judged.trail(),
        larger(source, feed, coil, own, most, study));
  }

  /// What the coil's own range leaves at low mains.
  private static Percent limit(Coil coil) {
    return Percent.ofFraction(Math.max(0, 1 - coil.least().fraction() / LOW_MAINS));
  }

  private static Percent fall(
      Working w, Source source, Feed feed, Coil coil, ControlTransformer transformer, Study study) {
    var pull = w.given("Spull", apparent(coil.pullingIn()), feed.name());
    var others =
        Math.max(
            0,
            study.designCurrent(source).amperes() * source.output().voltage().volts()
                - coil.power().watts());
    var hold = w.given("Shold", apparent(new Power(others)), "all that may be on beside it");
    var sn = w.given("Sn", apparent(transformer.rating()), transformer.name());
    var uk = transformer.shortCircuitVoltage();
    var u =
        uk.isPresent()
            ? w.given("uk", uk.get(), transformer.name())
            : w.assumed("uk", new Percent(8), "common for small transformers");
    return w.result("ΔU", "uk · (Spull + Shold)/Sn", CoilFormulas.sag(u, pull, hold, sn));
  }

  private static Measure apparent(Power power) {
    return new Measure(power.watts(), Measure.Unit.APPARENT_POWER);
  }

  private static List<Repair> larger(
      Source source, Feed feed, Coil coil, ControlTransformer now, Percent most, Study study) {
    return study
        .catalogue()
        .of(ControlTransformer.class)
        .filter(next ->
            next.primary().equals(now.primary())
                && next.secondary().equals(now.secondary())
                && next.rating().compareTo(now.rating()) > 0)
        .filter(
            next -> fall(Working.of("tried"), source, feed, coil, next, study).compareTo(most) <= 0)
        .min(java.util.Comparator.comparing(ControlTransformer::rating))
        .map(next -> Repair.of(Edits.swap(source.device(), next)))
        .stream()
        .toList();
  }
}
