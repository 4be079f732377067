package nelvar.core.analysis.sizing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Demand;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.solve.Phasor;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;

/// A neutral shared by loads on several lines carries its third harmonics too: between lines the
/// fundamentals cancel, the thirds add.
///
/// `I = I1 · √(1 + h²)`; `IN = √(|Σ I1|² + (Σ h · I1)²)`, h the third harmonic of rectifier inputs:
/// 80 % of the fundamental without power-factor correction, 10 % with (true power factor 0.9 and
/// more). Typical figures, no published source. Demand: IEC 60364-5-52:2009, 523.6.3 and Annex E
/// (unchecked). In a split-phase system the thirds cancel as well and nothing is judged.
public final class NeutralHarmonics implements Rule {
  private static final Reason NEUTRAL_OVERLOADED_BY_THIRD_HARMONICS =
      Reason.of("Neutral overloaded by third harmonics");

  private static final Citation DEMAND = Citation.recalled("IEC 60364-5-52:2009", "523.6.3");
  private static final double CORRECTED = 0.9;
  private static final double WITH = 0.1;
  private static final double WITHOUT = 0.8;

  @Override
  public String id() {
    return "sizing.neutral";
  }

  @Override
  public String asks() {
    return "A shared neutral carries the third harmonics of all lines.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var shared = new LinkedHashMap<Conductor, List<Feed>>();
    for (var feed : study.network().feeds()) {
      if (feed.source().isEmpty()
          || !feed.source().get().output().alternating()
          || feed.source().get().output().lines().size() != 3
          || feed.intake().threePhase()
          || study.designCurrent(feed).amperes() == 0) continue;
      for (var edge : feed.backWay())
        if (study.network().topology().edge(edge) instanceof Edge.Wire(var conductor))
          shared.computeIfAbsent(conductor, _ -> new ArrayList<>()).add(feed);
    }
    return shared.entrySet().stream()
        .filter(entry ->
            entry.getValue().stream().map(f -> f.lineStarts().getFirst()).distinct().count() > 1)
        .flatMap(
            Contained.one(
                this,
                entry -> entry.getKey().id(),
                entry -> judge(entry.getKey(), entry.getValue(), study)));
  }

  private static double third(Feed feed) {
    return feed.intake().demand() instanceof Demand.Converts(_, _, var factor, _)
        ? factor >= CORRECTED ? WITH : WITHOUT
        : 0;
  }

  private static Verdict judge(Conductor conductor, List<Feed> feeds, Study study) {
    return Ampacity.of(conductor, study)
        .fold(
            ampacity -> {
              var w = Working.of("Neutral with third harmonics");
              var i = w.explain(current(w, feeds, study));
              w.use(ampacity);
              var judged = Explained.atMost(w.explain(i.value()), "IN", ampacity.value(), DEMAND);
              if (judged.holds()) return new Verdict.Pass(conductor.id(), judged.trail());
              return new Verdict.Finding(
                  conductor.id(),
                  Severity.ERROR,
                  NEUTRAL_OVERLOADED_BY_THIRD_HARMONICS,
                  "%s is the neutral of loads on several lines. Their fundamentals cancel, their third harmonics add up to %s; laid as it is it may carry %s. Supplies with power-factor correction, a thicker neutral, or a neutral each cures it."
                      .formatted(conductor.label(), judged.value(), ampacity.value()),
                  judged.trail(),
                  SectionChoice.atLeast(conductor, judged.value(), study)
                      .map(section -> Repair.of(Sections.change(conductor, section.value(), study)))
                      .stream()
                      .toList());
            },
            why -> new Verdict.NotChecked(conductor.id(), why));
  }

  private static Current current(Working w, List<Feed> feeds, Study study) {
    var fundamental = Phasor.ZERO;
    var thirds = 0.0;
    for (var feed : feeds) {
      var h = third(feed);
      var rms = study.designCurrent(feed).times(feed.device().work().simultaneityFactor());
      var first = rms.amperes() / Math.sqrt(1 + h * h);
      var line = feed.lineStarts().getFirst();
      w.given(
          "I" + feed.device().designation(),
          rms,
          "on L%d, third harmonic %s".formatted(line + 1, Percent.ofFraction(h)));
      fundamental = fundamental.plus(Phasor.of(first, -120.0 * line));
      thirds += h * first;
    }
    w.result("IN1", "|Σ I1|, fundamentals", new Current(fundamental.magnitude()));
    w.result("IN3", "Σ h · I1, thirds", new Current(thirds));
    return w.result(
        "IN", "√(IN1² + IN3²)", new Current(Math.hypot(fundamental.magnitude(), thirds)));
  }
}
