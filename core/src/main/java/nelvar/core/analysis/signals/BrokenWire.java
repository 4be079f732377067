package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.network.ActuatorRef;
import nelvar.core.trail.Working;

/// A broken wire, a pulled plug or a lost supply reads like the thing that is guarded against:
/// limits, stops and thermal switches open to tell it, and what starts closes.
///
/// Closed-circuit principle, common practice (IEC 60204-1:2016, 9.4 asks that a fault does not lead
/// to a hazard, unchecked). What a program makes of it is not seen here.
public final class BrokenWire implements Rule {
  private static final Reason NOT_SEEN = Reason.of("A broken wire would not be seen");
  private static final Reason STARTS = Reason.of("A broken wire would start it");

  private static final Pattern GUARDS =
      Pattern.compile("\\b(limit|end of travel|end switch|overtravel|stop|e-stop)");
  static final Pattern STARTING = Pattern.compile("\\bstart");

  @Override
  public String id() {
    return "signals.broken-wire";
  }

  @Override
  public String asks() {
    return "A broken wire reads like a limit reached or a stop pressed, and never like a start.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.pin().type().digitalInput() && link.wired())
        .flatMap(
            Contained.many(this, link -> link.board().id(), link -> judge(link, study).stream()));
  }

  private static Optional<Verdict> judge(PinLink link, Study study) {
    var drivers = Drivers.of(link.at(), study);
    for (var driver : drivers.conducting().entrySet()) {
      var device = study.device(driver.getKey().device());
      if (device.isEmpty()
          || !(study.part(device.get()).orElse(null) instanceof ControlSwitch part)) continue;
      var guards = guards(device.get(), part);
      var starts = STARTING.matcher(words(device.get(), part)).find();
      if (guards || starts)
        return Optional.of(verdict(link, device.get(), driver.getKey(), driver.getValue(), guards));
    }
    return Optional.empty();
  }

  private static String words(Device device, ControlSwitch part) {
    return (device.purpose() + " " + part.name()).toLowerCase(Locale.ROOT);
  }

  private static boolean guards(Device device, ControlSwitch part) {
    return part.watches().filter(what -> what == ControlSwitch.Watched.TEMPERATURE).isPresent()
        || GUARDS.matcher(words(device, part)).find();
  }

  /// @param moved whether it conducts once it is moved: a contact open at rest
  private static Verdict verdict(
      PinLink link, Device device, ActuatorRef ref, boolean moved, boolean guards) {
    var subject = new Subject.AtTerminal(link.at());
    var w =
        Working.of("Broken wire of %s:%s".formatted(link.board().designation(), link.pin().name()));
    w.given(
        "contact",
        moved ? "open at rest" : "closed at rest",
        device.designation() + " " + ref.name());
    w.given("guards", guards ? "yes" : "no, it starts", device.purpose());
    var trail = w.explain(link).trail();
    if (guards != moved) return new Verdict.Pass(subject, trail);
    return new Verdict.Finding(
        subject,
        Severity.WARNING,
        guards ? NOT_SEEN : STARTS,
        guards
            ? "%s closes to tell %s:%s: a broken wire or a pulled plug reads as if all were well. Take its contact that is closed at rest, and turn its meaning round in the program."
                .formatted(device.designation(), link.board().designation(), link.pin().name())
            : "%s opens to start: a broken wire or a pulled plug reads like a start. Take its contact that is open at rest."
                .formatted(device.designation()),
        trail,
        List.of());
  }
}
