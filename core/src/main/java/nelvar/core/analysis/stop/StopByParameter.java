package nelvar.core.analysis.stop;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.trail.Working;

/// A stop does not hang on what is entered in a drive: a reset to its maker's values, or a drive
/// changed for a new one, makes another machine of it.
///
/// Solved with each stop pressed: a drive that keeps its feed and only loses its run command is
/// stopped by a parameter, unless it loses its torque input too: that no parameter changes (IEC
/// 61800-5-2).
public final class StopByParameter implements Rule {
  private static final Reason BY_PARAMETER = Reason.of("A stop that hangs on a parameter");

  @Override
  public String id() {
    return "stop.parameter";
  }

  @Override
  public String asks() {
    return "A stop takes the feed of each frequency converter, not only its run command.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return DrivenMotor.all(study).stream()
        .flatMap(
            Contained.many(
                this, driven -> driven.drive().id(), driven -> judge(driven, study).stream()));
  }

  /// The stops that stop a drive only by its run input.
  public static List<Device> telling(Device drive, Study study) {
    return DrivenMotor.all(study).stream()
        .filter(driven -> driven.drive().id().equals(drive.id()))
        .flatMap(driven ->
            Pressed.all(study).stream()
                .filter(one ->
                    one.takes(driven.motors().getFirst(), study) && keepsFeed(one, drive, study)))
        .map(Pressed::button)
        .toList();
  }

  private static boolean keepsFeed(Pressed one, Device drive, Study study) {
    return !one.torqueOff(drive, study) && !one.takes(drive, study);
  }

  private static List<Verdict> judge(DrivenMotor driven, Study study) {
    var motor = driven.motors().getFirst();
    if (!study.asDesigned().settled())
      return List.of(
          new Verdict.NotChecked(driven.drive().id(), "no steady state of the machine is found"));
    var w = Working.of("What stops " + motor.designation());
    var told = new java.util.ArrayList<String>();
    var any = false;
    for (var one : Pressed.all(study)) {
      if (!one.takes(motor, study)) continue;
      any = true;
      var torqueOff = one.torqueOff(driven.drive(), study);
      var fed = keepsFeed(one, driven.drive(), study);
      w.given(
          one.button().designation().text(),
          torqueOff
              ? "its drive loses its torque input"
              : fed ? "its drive keeps its feed" : "its drive loses its feed",
          "solved with it pressed");
      if (fed) told.add(one.button().designation().text());
    }
    if (!any) return List.of();
    var trail = w.explain(driven.drive().id()).trail();
    if (told.isEmpty()) return List.of(new Verdict.Pass(driven.drive().id(), trail));
    return List.of(
        new Verdict.Finding(
            driven.drive().id(),
            Severity.WARNING,
            BY_PARAMETER,
            "%s stops %s only by the run input of %s: a reset to its maker's values, or its keypad, takes that away, and nothing shows it. Let a contactor that the stop opens take its feed as well, or a drive with a torque-off input (IEC 61800-5-2)."
                .formatted(
                    String.join(", ", told), motor.designation(), driven.drive().designation()),
            trail,
            List.of()));
  }
}
