package nelvar.core.analysis.stop;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.catalogue.Appliance;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.SocketStrip;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.trail.Working;

/// What turns or moves while the machine runs is taken by at least one stop button.
///
/// Asked of machines whose stop buttons take something: of motors, of ready-made tools on their
/// plug, and of sockets whose purpose names a tool. What only moves air or a liquid, vibrates or
/// cools may go on through a stop (extraction and cooling often should): it is known by its words,
/// or by its part being a fan, and passes. A tool of its own words counts whatever its words say
/// besides.
///
/// Demand: ISO 13850:2015, 4.1.1 and 4.3.2 (what an emergency stop reaches, its span of control),
/// unchecked. What may go on is common practice and the builder's risk assessment to say.
public final class GoesOn implements Rule {
  private static final Reason GOES_ON = Reason.of("No stop takes it");

  private static final Pattern ONLY_FLOWS =
      Pattern.compile(
          "pump|\\bfan\\b|blower|ventilat|extraction|\\bdust|vacuum|\\bcool(ant|ing)|compressor|vibrat|\\bmist\\b|lubricat|\\bair\\b");

  @Override
  public String id() {
    return "stop.goes-on";
  }

  @Override
  public String asks() {
    return "What turns or moves is taken by at least one stop button.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var stops =
        Pressed.all(study).stream()
            .filter(one -> StopRehearsal.stops(one.button(), study))
            .filter(one -> !one.pressed().settled() || takesSomething(one, study))
            .toList();
    if (stops.isEmpty()) return Stream.empty();
    return study.project().devices().stream()
        .filter(device -> asked(device, study))
        .flatMap(Contained.one(this, Device::id, device -> judge(device, stops, study)));
  }

  private static boolean takesSomething(Pressed one, Study study) {
    return study.project().devices().stream().anyMatch(device -> takes(one, device, study));
  }

  private static boolean takes(Pressed one, Device device, Study study) {
    return one.takes(device, study)
        || Outlets.taken(device, one, study)
        || DrivenMotor.all(study).stream()
            .filter(driven -> driven.motors().contains(device))
            .anyMatch(driven -> one.torqueOff(driven.drive(), study));
  }

  private static boolean asked(Device device, Study study) {
    var part = study.part(device);
    if (part.isEmpty()) return false;
    var tool = GripHolds.turnsATool(GripHolds.says(device, study));
    // Of a tool that is drawn with its sockets the tool is asked about.
    if (part.get() instanceof SocketStrip)
      return tool
          && Outlets.volts(device, study.asDesigned(), study) >= 1
          && pluggedIn(device, study).noneMatch(one -> asked(one, study));
    if (part.get() instanceof Appliance) return tool && runs(device, study);
    return part.get().motor() && runs(device, study);
  }

  private static Stream<Device> pluggedIn(Device strip, Study study) {
    return study.project().conductors().stream()
        .filter(wire -> wire.touches(strip.id()))
        .flatMap(wire -> Stream.of(wire.from(), wire.to()))
        .flatMap(end -> study.device(end.device()).stream())
        .filter(other -> study.part(other).filter(Appliance.class::isInstance).isPresent())
        .distinct();
  }

  private static boolean runs(Device device, Study study) {
    var live = study.asDesigned();
    return live.circuitry().served(device.id()).stream()
        .anyMatch(
            served -> live.at(device, served.intake()).filter(u -> u.volts() >= 1).isPresent());
  }

  /// Why it may go on; empty where it should not.
  private static Optional<String> mayGoOn(Device device, Part part, Study study) {
    var words = GripHolds.says(device, study);
    if (GripHolds.turnsATool(words)) return Optional.empty();
    if (part.article().fitting().filter(fitting -> fitting.cools()).isPresent())
      return Optional.of("its part cools");
    return ONLY_FLOWS.matcher(words).find()
        ? Optional.of("by its words it moves air or a liquid, vibrates or cools")
        : Optional.empty();
  }

  private static Verdict judge(Device device, List<Pressed> stops, Study study) {
    var part = study.part(device).orElseThrow();
    var w = Working.of("What stops " + device.designation());
    var by = stops.stream().filter(one -> takes(one, device, study)).toList();
    w.given(
        "taken by",
        by.isEmpty()
            ? "none of " + names(stops)
            : String.join(", ", by.stream().map(one -> one.button().designation().text()).toList()),
        "solved with each stop pressed, programs going on");
    var may = mayGoOn(device, part, study);
    if (by.isEmpty() && may.isPresent()) w.assumed("may go on", may.get(), "common practice");
    var trail = w.explain(device.id()).trail();
    if (!by.isEmpty() || may.isPresent()) return new Verdict.Pass(device.id(), trail);
    var unknown = stops.stream().filter(one -> !one.pressed().settled()).toList();
    if (!unknown.isEmpty())
      return new Verdict.NotChecked(
          device.id(), "no steady state is found with %s pressed".formatted(names(unknown)));
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        GOES_ON,
        "%s keeps its volts whatever stop is pressed (%s): %s goes on. Lead it over a contactor that the stops open; where it has to go on, accept this with the reason."
            .formatted(
                device.designation(),
                names(stops),
                part instanceof SocketStrip
                    ? "what is plugged in"
                    : device.purpose().isBlank() ? "it" : device.purpose()),
        trail,
        List.of());
  }

  private static String names(List<Pressed> stops) {
    return String.join(", ", stops.stream().map(one -> one.button().designation().text()).toList());
  }
}
