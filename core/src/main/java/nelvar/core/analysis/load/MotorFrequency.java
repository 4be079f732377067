package nelvar.core.analysis.load;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Feed;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;

/// A motor that is wound for another frequency than the mains' gets it from a drive.
///
/// `n = 120 · f / p`: 24 000 rpm of two poles are 400 Hz. On the mains, or on a drive that gives
/// less at full volts, its iron is saturated and its windings burn. Demand: common practice.
public final class MotorFrequency implements Rule {
  private static final Reason ON_THE_MAINS = Reason.of("A high-frequency motor on the mains");
  private static final Reason DRIVE_TOO_SLOW =
      Reason.of("Drive does not reach the frequency of its motor");

  @Override
  public String id() {
    return "load.motor-frequency";
  }

  @Override
  public String asks() {
    return "Every high-frequency motor hangs on a drive that reaches its frequency.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> feed.source().isPresent())
        .filter(feed ->
            study.part(feed.device()).orElse(null) instanceof InductionMotor motor
                && motor.frequency().isPresent())
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static Verdict judge(Feed feed, Study study) {
    var id = feed.device().id();
    var wanted =
        ((InductionMotor) study.part(feed.device()).orElseThrow()).frequency().orElseThrow();
    var source = feed.source().orElseThrow().device();
    var w = Working.of("Frequency of " + feed.device().designation());
    w.given("fmotor", wanted, "its nameplate");
    var part = study.part(source).orElseThrow();
    if (!(part instanceof FrequencyConverter drive))
      return part.drives()
          ? new Verdict.NotChecked(
              id, "what frequency %s gives is not stated".formatted(source.designation()))
          : finding(
              feed,
              ON_THE_MAINS,
              "%s is wound for %s and hangs on %s: its iron saturates and its windings burn. Put a drive for that frequency before it."
                  .formatted(feed.device().designation(), wanted, source.designation()),
              w.explain(wanted));
    if (drive.greatestFrequency().isEmpty())
      return new Verdict.NotChecked(
          id,
          "the data of %s do not say what frequency it reaches".formatted(source.designation()));
    var judged =
        Explained.atMost(
            w.explain(wanted), "fmotor", drive.greatestFrequency().get(), Citation.practice());
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        DRIVE_TOO_SLOW,
        "%s is wound for %s, %s reaches %s: it takes far too much current before it has its speed. Take a drive that reaches it."
            .formatted(
                feed.device().designation(),
                wanted,
                source.designation(),
                drive.greatestFrequency().get()),
        judged.trail(),
        List.of());
  }

  private static Verdict finding(Feed feed, Reason reason, String text, Explained<?> why) {
    return new Verdict.Finding(
        feed.device().id(), Severity.ERROR, reason, text, why.trail(), List.of());
  }
}
