package nelvar.core.analysis.motion;

import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.PinEdits;

/// Values that belong together are changed together: whoever changes the microsteps and leaves the
/// steps makes an axis that goes twice as far.
public final class Coupled {
  private Coupled() {}

  /// Other microsteps, or pulses a turn of a servo, with the steps that go with them; steps that
  /// are entered to try with, or are wrong already, keep their proportion.
  public static Edit microsteps(MotionAxis axis, double next) {
    var divides = PinEdits.say(axis.drive(), axis.divides(), AxisSteps.typed(next));
    var now = axis.settings().microsteps().flatMap(AxisSettings.Entered::value).filter(m -> m > 0);
    var steps = axis.settings().steps();
    if (now.isEmpty() || steps.isEmpty() || steps.get().value().isEmpty()) return divides;
    var scaled = AxisSteps.typed(steps.get().value().get() * next / now.get());
    var text = steps.get().text().replaceFirst("[0-9]+(?:[.,][0-9]+)?", scaled);
    return divides
        .then(PinEdits.say(axis.board(), AxisSettings.STEPS + axis.name(), text))
        .named(
            "Set %s of %s and steps of %s together"
                .formatted(
                    axis.divides().toLowerCase(java.util.Locale.ROOT),
                    axis.drive().designation(),
                    axis.name()));
  }
}
