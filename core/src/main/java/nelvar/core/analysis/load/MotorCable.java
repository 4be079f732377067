package nelvar.core.analysis.load;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Feed;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// The way from a drive to its motor is no longer than its maker allows.
///
/// The drive charges the cable at every pulse: a long one trips it, leaks to earth, and its far end
/// sees up to twice the pulse. Demand: the maker's data.
public final class MotorCable implements Rule {
  private static final Reason MOTOR_CABLE_TOO_LONG_FOR_THE_DRIVE =
      Reason.of("Motor cable too long for the drive");

  @Override
  public String id() {
    return "load.motor-cable";
  }

  @Override
  public String asks() {
    return "No motor cable is longer than its drive allows.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed ->
            feed.source()
                .flatMap(source -> study.part(source.device()))
                .filter(FrequencyConverter.class::isInstance)
                .isPresent())
        .filter(feed -> !feed.lineWays().isEmpty())
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static Verdict judge(Feed feed, Study study) {
    var id = feed.device().id();
    var device = feed.source().orElseThrow().device();
    var drive = (FrequencyConverter) study.part(device).orElseThrow();
    if (drive.motorCable().isEmpty())
      return new Verdict.NotChecked(
          id,
          "the data of %s do not say how long its motor cable may be"
              .formatted(device.designation()));
    var length = length(feed, study);
    if (length.isEmpty())
      return new Verdict.NotChecked(id, "the length of its motor cable is not known");
    var w = Working.of("Motor cable of " + feed.device().designation());
    var l = w.given("l", length.get(), "from %s, the longest line".formatted(device.designation()));
    var judged = Explained.atMost(w.explain(l), "l", drive.motorCable().get(), Citation.practice());
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    return new Verdict.Finding(
        id,
        Severity.WARNING,
        MOTOR_CABLE_TOO_LONG_FOR_THE_DRIVE,
        "From %s to %s it is %s; the drive allows %s. It may trip on the cable's own current, and the pulses reach twice their height at the motor. Bring them closer, or put an output choke or filter at the drive that its maker names for this length."
            .formatted(
                device.designation(), feed.device().designation(), l, drive.motorCable().get()),
        judged.trail(),
        List.of());
  }

  private static Optional<Length> length(Feed feed, Study study) {
    var longest = 0.0;
    for (var way : feed.lineWays()) {
      var metres = 0.0;
      for (var wire : study.wires(way)) {
        var own = study.length(wire);
        if (own.isEmpty()) return Optional.empty();
        metres += own.get().metres();
      }
      longest = Math.max(longest, metres);
    }
    return Optional.of(new Length(longest));
  }
}
