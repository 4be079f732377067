package nelvar.core.analysis.load;

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
import nelvar.core.formula.Stepping;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// A stepper drive is set to no more than the rated current of its motor, and to no more than it
/// can give. A drive larger than its motor, set right, is fine.
///
/// `Iset ≤ 1.05 · I rated`. Common practice, no published source; a nameplate counts as effective
/// current with two windings on, a drive's figure may be a peak (1.41 times): its maker says which.
public final class DriveSetCurrent implements Rule {
  private static final Reason SET_ABOVE_THE_CURRENT_OF_ITS_MOTOR =
      Reason.of("Set above the current of its motor");

  /// So much above is the coarseness of a dial.
  private static final double NEAR = 1.05;

  @Override
  public String id() {
    return "load.drive-set-current";
  }

  @Override
  public String asks() {
    return "Every stepper drive is set to the current of its motor.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> feed.intake().demand() instanceof Demand.FixedCurrent)
        .filter(
            feed -> feed.source().filter(source -> chops(source.device().id(), study)).isPresent())
        .collect(
            java.util.stream.Collectors.toMap(
                feed -> feed.device().id(),
                feed -> feed,
                (a, _) -> a,
                java.util.LinkedHashMap::new))
        .values()
        .stream()
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static boolean chops(nelvar.core.model.Id drive, Study study) {
    return study
        .device(drive)
        .flatMap(study::part)
        .filter(nelvar.core.catalogue.Part::chops)
        .isPresent();
  }

  private static Verdict judge(Feed feed, Study study) {
    var motor = feed.device();
    var drive = feed.source().orElseThrow().device();
    var rated = ((Demand.FixedCurrent) feed.intake().demand()).current();
    if (drive.trip().isEmpty())
      return new Verdict.NotChecked(
          motor.id(),
          "what %s is set to is not known; it counts with the rated current of its motor, as far as the drive gives it"
              .formatted(drive.designation()));
    var w = Working.of("Current set on " + drive.designation());
    var whole = w.given("Idrive", drive.trip().get(), drive.designation().text());
    var share =
        study
            .network()
            .topology()
            .setCurrents()
            .getOrDefault(
                new TerminalRef(motor.id(), feed.intake().lines().getFirst()), whole.amperes());
    var sharing = Math.max(1, Math.round(whole.amperes() / Math.max(1e-9, share)));
    var set =
        w.result(
            "Iset",
            sharing == 1 ? "Idrive" : "Idrive, shared by " + sharing + " side by side",
            new Current(whole.amperes() / sharing));
    var judged = Explained.atMost(w.explain(set), "Iset", rated.times(NEAR), Citation.practice());
    if (judged.holds()) return new Verdict.Pass(motor.id(), judged.trail());
    return new Verdict.Finding(
        motor.id(),
        Severity.WARNING,
        SET_ABOVE_THE_CURRENT_OF_ITS_MOTOR,
        "%s is set to %s; %s is rated for %s: its heat goes with the square, %s of what it stands."
            .formatted(
                drive.designation(),
                whole,
                motor.designation(),
                sharing == 1 ? rated : rated + " and gets " + set,
                Stepping.heat(set.of(rated))),
        judged.trail(),
        List.of(
            Repair.of(
                Edits.trip(drive, java.util.Optional.of(new Current(rated.amperes() * sharing))))));
  }
}
