package nelvar.core.analysis.stop;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.trail.Working;

/// Letting a stop go, or closing a guard, starts nothing: somebody has to start it.
///
/// Solved pressed, then let go from there, with every program going on: a controller that reads the
/// stop may hold its outputs off by its program, which a hung one does not, so that is a warning.
///
/// Demand: ISO 13850:2015, 4.1.4 and IEC 60204-1:2016, 9.2.3.4.2 (unchecked).
public final class StartsOnRelease implements Rule {
  private static final Reason STARTS = Reason.of("Starts when the stop is let go");

  @Override
  public String id() {
    return "stop.release";
  }

  @Override
  public String asks() {
    return "No motor starts because a stop is let go or a guard is closed.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    if (!study.asDesigned().settled())
      return study.project().devices().stream()
          .filter(device -> Pressed.takesAway(device, study))
          .<Verdict>map(device ->
              new Verdict.NotChecked(device.id(), "no steady state of the machine is found"));
    return Pressed.all(study).stream()
        .flatMap(Contained.one(this, one -> one.button().id(), one -> judge(one, study)));
  }

  private static Verdict judge(Pressed one, Study study) {
    var button = one.button();
    if (!one.pressed().settled() || !one.letGo().settled())
      return new Verdict.NotChecked(
          button.id(), "no steady state is found with it pressed or let go");
    var back =
        study.project().devices().stream()
            .filter(device -> study.part(device).filter(Part::motor).isPresent())
            .filter(device -> one.comesBack(device, study))
            .toList();
    var w = Working.of("Letting " + button.designation() + " go");
    w.given(
        "motors that have their volts again",
        back.isEmpty() ? "none" : names(back),
        one.letGo().solution().balance());
    var trail = w.explain(button.id()).trail();
    if (back.isEmpty()) return new Verdict.Pass(button.id(), trail);
    return new Verdict.Finding(
        button.id(),
        StopRehearsal.stops(button, study) && !read(button, study)
            ? Severity.ERROR
            : Severity.WARNING,
        STARTS,
        "Pressing %s stops %s; letting it go gives back the volts at once, with nobody starting anything%s, while hands may still be in the machine. A contactor that holds itself over its own contact, or a safety relay with a reset, keeps it still."
            .formatted(
                button.designation(),
                names(back),
                read(button, study) ? " unless the program of a controller holds it off" : ""),
        trail,
        SelfHold.ways(one, study));
  }

  private static boolean read(Device button, Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.pin().type().digitalInput())
        .anyMatch(
            link -> link.partners().stream().anyMatch(end -> end.device().equals(button.id())));
  }

  private static String names(List<Device> devices) {
    return String.join(", ", devices.stream().map(d -> d.designation().text()).toList());
  }
}
