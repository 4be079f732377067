package nelvar.core.analysis.motion;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Setting;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;

/// Axes do not feed into the work while the spindle stands: its speed is told by pulses, its drive
/// tells that it is reached (*At speed*, with the input it is on), or the program waits (*Dwell*)
/// at least as long as it takes to spin up: the ramp of its drive, or what was measured
/// (*Spin-up*). Where there are several spindles, each has its own, said of its drive or of what
/// serves with it.
///
/// Common practice: a tool that stands is broken by the first millimetre.
public final class FeedsAtSpeed implements Rule {
  private static final Reason STANDS = Reason.of("Axes may feed while the spindle stands");
  private static final Reason SHORT = Reason.of("The program waits too short for the spindle");

  /// Names of the settings.
  public static final String AT_SPEED = "At speed";

  public static final String DWELL = "Dwell";
  public static final String SPIN_UP = "Spin-up";

  @Override
  public String id() {
    return "motion.at-speed";
  }

  @Override
  public String asks() {
    return "Axes feed only once the spindle is known, or given the time, to turn.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    if (MotionAxes.of(study).isEmpty()) return Stream.empty();
    return study.project().devices().stream()
        .filter(device -> Spindles.is(device, study))
        .flatMap(Contained.one(this, Device::id, device -> judge(device, study)));
  }

  private static Verdict judge(Device device, Study study) {
    var w = Working.of("Feed and " + device.designation());
    var pulses =
        study.project().devices().stream()
            .filter(d -> d.serves().isPresent() && d.serves().equals(device.serves()))
            .filter(d ->
                study.part(d).orElse(null) instanceof Sensor sensor
                    && sensor.output() == SensorOutput.PULSES)
            .findFirst();
    var told = Spindles.said(AT_SPEED, device, study);
    var dwell = Spindles.said(DWELL, device, study);
    var ramp =
        DrivenMotor.all(study).stream()
            .filter(driven -> driven.motors().contains(device))
            .findFirst()
            .flatMap(driven -> SpinUp.of(driven, study));
    var spinUp = Spindles.said(SPIN_UP, device, study);
    w.given(
        "pulses", pulses.map(d -> d.designation().text()).orElse("none"), "of its speed, counted");
    w.given("at speed", told.map(Setting::value).orElse("not told"), "by its drive");
    w.given("dwell", dwell.map(Setting::value).orElse("none"), "of the program");
    ramp.ifPresent(w::use);
    var trail = w.explain(device).trail();
    if (pulses.isPresent() || told.isPresent()) return new Verdict.Pass(device.id(), trail);
    if (dwell.isEmpty())
      return new Verdict.Finding(
          device.id(),
          Severity.WARNING,
          STANDS,
          "Nothing tells that %s turns before the axes feed: the first millimetre breaks its tool. Count its pulses, wire what its drive tells of its speed (say it: %s), or let the program wait (say it: %s)."
              .formatted(device.designation(), AT_SPEED, DWELL),
          trail,
          List.of());
    var waits = dwell.flatMap(s -> Spindles.time(s.value()));
    var takes =
        spinUp.isPresent()
            ? spinUp.flatMap(s -> Spindles.time(s.value()))
            : ramp.map(Explained::value);
    if (waits.isEmpty() || takes.isEmpty())
      return new Verdict.NotChecked(
          device.id(),
          waits.isEmpty()
              ? "'%s' says no time to wait: write it such as 3 s"
                  .formatted(dwell.map(Setting::value).orElse(""))
              : "how long %s takes to spin up is not known: enter the ramp of its drive, or what was measured (setting %s)"
                  .formatted(device.designation(), SPIN_UP));
    if (waits.get().compareTo(takes.get()) >= 0) return new Verdict.Pass(device.id(), trail);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        SHORT,
        "The program waits %s, and %s takes %s to spin up: it feeds before it turns."
            .formatted(waits.get(), device.designation(), takes.get()),
        trail,
        List.of());
  }
}
