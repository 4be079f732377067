package nelvar.core.analysis.stop;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.stop.Course.Kind;
import nelvar.core.analysis.stop.Course.Phase;
import nelvar.core.analysis.stop.Course.State;
import nelvar.core.catalogue.SocketStrip;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.network.Timeline;
import nelvar.core.units.Duration;
import nelvar.core.units.Voltage;

/// Sockets for what is plugged in beside the machine: a stop that leaves them live does not stop
/// what hangs on them.
final class Outlets {
  private Outlets() {}

  /// Empty for what is no strip of sockets, or has no volts before.
  static Optional<Course> of(Device device, StopRehearsal rehearsal, Study study) {
    if (!(study.part(device).orElse(null) instanceof SocketStrip strip)) return Optional.empty();
    var lines = lines(device, strip);
    var slow = rehearsal.slow();
    var before = most(lines, slow.moments().getFirst().live());
    if (before < 1) return Optional.empty();
    var dry = dry(lines, slow);
    var start = new Duration(0);
    var phases =
        dry.isEmpty()
            ? List.of(new Phase(State.ENERGISED, start, Optional.empty()))
            : List.of(
                new Phase(State.ENERGISED, start, dry),
                new Phase(State.DEAD, dry.get(), Optional.empty()));
    return Optional.of(
        new Course(
            Kind.ACTS,
            List.of(device),
            device.purpose(),
            phases,
            dry.map(at -> "sockets dry after " + at)
                .orElseGet(() ->
                    "sockets stay live, "
                        + new Voltage(most(lines, slow.last()))
                        + ": what is plugged in goes on"),
            Optional.empty(),
            List.of(),
            Optional.empty()));
  }

  private static List<TerminalRef> lines(Device device, SocketStrip strip) {
    return strip.terminals().stream()
        .filter(t -> t.role() == Terminal.Role.LINE && !t.name().equals("L"))
        .map(t -> new TerminalRef(device.id(), t.name()))
        .toList();
  }

  /// To earth, at the socket that has most; 0 for what is no strip of sockets.
  static double volts(Device device, Live live, Study study) {
    return study.part(device).orElse(null) instanceof SocketStrip strip
        ? most(lines(device, strip), live)
        : 0;
  }

  /// Whether sockets had volts and have none while a stop is pressed; what is not known has not
  /// lost them.
  static boolean taken(Device device, Pressed one, Study study) {
    return one.pressed().settled()
        && volts(device, study.asDesigned(), study) >= 1
        && volts(device, one.pressed(), study) < 1;
  }

  /// Since when none of them has volts.
  private static Optional<Duration> dry(List<TerminalRef> lines, Timeline timeline) {
    Optional<Duration> since = Optional.empty();
    for (var moment : timeline.moments()) {
      if (most(lines, moment.live()) >= 1) since = Optional.empty();
      else if (since.isEmpty()) since = Optional.of(moment.at());
    }
    return since;
  }

  private static double most(List<TerminalRef> lines, Live live) {
    return lines.stream()
        .flatMap(line -> live.toEarth(line).stream())
        .mapToDouble(Live.Both::rms)
        .max()
        .orElse(0);
  }
}
