package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.HomingSaid;
import nelvar.core.analysis.signals.Target;
import nelvar.core.model.Device;
import nelvar.core.model.Project;

/// What can be said about an axis or a drive besides what is entered in it, each with an example:
/// what a window offers, so that nobody has to know its name.
///
/// @param name of the setting; @param example as it is written
public record Sayable(Device device, String name, String example) {
  public static List<Sayable> of(MotionAxis axis, Study study) {
    var all = new ArrayList<Sayable>();
    var board = axis.board();
    all.add(new Sayable(board, AxisStretch.OFFSET + axis.name(), "5"));
    all.add(new Sayable(board, AxisStretch.SOFT + axis.name(), "0 to 180"));
    all.add(new Sayable(board, AxisStretch.BEFORE + axis.name(), "refused"));
    all.add(new Sayable(axis.drive(), HomingSaid.SETTING, "switch B6"));
    all.add(new Sayable(axis.drive(), Direction.REVERSED + axis.name(), "yes"));
    if (axis.servo().isPresent()) all.add(new Sayable(axis.drive(), FollowsWithin.GAIN, "40"));
    all.add(new Sayable(axis.motor(), Direction.MOUNTED, "turned"));
    AxisStretch.of(axis, study)
        .homeSwitch()
        .ifPresent(home -> all.add(new Sayable(home, Target.SETTING, "steel 20 mm at 2 mm")));
    return distinct(all);
  }

  public static List<Sayable> of(DrivenMotor driven) {
    var all = new ArrayList<Sayable>();
    var motor = driven.motors().getFirst();
    all.add(new Sayable(driven.drive(), FeedsAtSpeed.AT_SPEED, "on DI7"));
    all.add(new Sayable(driven.drive(), FeedsAtSpeed.DWELL, "3 s"));
    all.add(new Sayable(driven.drive(), FeedsAtSpeed.SPIN_UP, "2.5 s"));
    all.add(new Sayable(motor, MotorChecks.PHASE_OHMS, "12.4 Ω"));
    all.add(new Sayable(motor, MotorChecks.COIL_GROUPS, "2"));
    all.add(new Sayable(motor, MotorLeads.WINDING, "nine star"));
    if (driven.motor().beads())
      all.add(new Sayable(motor, ThermistorIsolated.ISOLATED, "yes, by its manual"));
    return distinct(all);
  }

  public static List<Sayable> of(DialedMotor dialed) {
    return List.of(
        new Sayable(dialed.motor(), MotorChecks.PHASE_OHMS, "12.4 Ω"),
        new Sayable(dialed.motor(), MotorChecks.COIL_GROUPS, "2"),
        new Sayable(dialed.motor(), MotorLeads.WINDING, "nine star"));
  }

  private static List<Sayable> distinct(List<Sayable> all) {
    return all.stream().distinct().toList();
  }

  /// What is said now.
  public Optional<String> said(Project project) {
    return project.setting(device.id(), name);
  }

  /// The devices that can have something said of them, each once.
  public static List<Device> devices(List<Sayable> all) {
    return all.stream().map(Sayable::device).distinct().toList();
  }
}
