package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.trail.Working;

/// A homing switch has a pin of its own: in series with a limit or a stop the program cannot tell a
/// reference found from an axis stopped. Common practice; some controllers take both on one pin on
/// purpose, then accept it with that reason.
public final class HomeToldFromStop implements Rule {
  private static final Reason NOT_TOLD = Reason.of("Homing cannot be told from a stop");
  private static final Pattern HOME = Pattern.compile("\\b(home|homing|reference|origin)\\b");
  private static final Pattern STOP =
      Pattern.compile("\\b(limit|end of travel|end switch|overtravel|stop|e-stop|guard|door)\\b");

  @Override
  public String id() {
    return "signals.homing";
  }

  @Override
  public String asks() {
    return "A homing switch is told from limits and stops.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.wired() && link.pin().type().digitalInput())
        .flatMap(
            Contained.many(this, link -> link.board().id(), link -> judge(link, study).stream()));
  }

  private static Optional<Verdict> judge(PinLink link, Study study) {
    var drivers =
        Drivers.of(link.at(), study).conducting().keySet().stream()
            .flatMap(ref -> study.device(ref.device()).stream())
            .distinct()
            .toList();
    var homes = drivers.stream().filter(device -> says(HOME, device)).findFirst();
    if (homes.isEmpty()) return Optional.empty();
    var stops =
        drivers.stream().filter(device -> !says(HOME, device) && says(STOP, device)).findFirst();
    var subject = new Subject.AtTerminal(link.at());
    var w = Working.of("%s:%s".formatted(link.board().designation(), link.pin().name()));
    w.given("homes", homes.get().designation().text(), homes.get().purpose());
    w.given("stops", stops.map(d -> d.designation().text()).orElse("none"), "on the same pin");
    var trail = w.explain(link).trail();
    if (stops.isEmpty()) return Optional.of(new Verdict.Pass(subject, trail));
    return Optional.of(
        new Verdict.Finding(
            subject,
            Severity.WARNING,
            NOT_TOLD,
            "%s homes and %s stops on one pin, %s:%s: the program takes a limit for the reference, or a reference for a stop. Give each a pin of its own."
                .formatted(
                    homes.get().designation(),
                    stops.get().designation(),
                    link.board().designation(),
                    link.pin().name()),
            trail,
            List.of()));
  }

  private static boolean says(Pattern what, Device device) {
    return what.matcher(device.purpose().toLowerCase(Locale.ROOT)).find();
  }
}
