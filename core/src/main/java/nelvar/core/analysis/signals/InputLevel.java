package nelvar.core.analysis.signals;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Subject;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;

/// Every input tells apart what drives it and what does not: surely 1 in one state, surely 0 in the
/// other, and never more volts than it bears.
///
/// Levels by IEC 61131-2 for inputs of 24 V (unchecked), else as the board states them. Solved with
/// hot wires and low mains. Sensors that give + or pull to 0 V are judged by their match and by the
/// lift of their 0 V in rules of their own; here it is contacts, push-pull and two-wire sensors and
/// outputs of other devices, what drop and leakage leave of any sensor's signal, and any pin that
/// gets more than it bears.
public final class InputLevel implements Rule {
  private static final Reason NOT_TOLD_APART = Reason.of("An input does not tell its states apart");
  private static final Reason TOO_MANY_VOLTS = Reason.of("An input gets more volts than it bears");

  @Override
  public String id() {
    return "signals.input-level";
  }

  @Override
  public String asks() {
    return "Every input reads 1 in one state of what drives it and 0 in the other.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.pin().type().digitalInput() && link.wired())
        .filter(link ->
            over(link)
                || link.pin().type() == Pin.Type.LOGIC_INPUT
                || link.worstOnly()
                || !judgedElsewhere(link, study))
        .flatMap(Contained.one(this, link -> link.board().id(), InputLevel::judge));
  }

  /// By SensorAgainstInput and SignalLevel.
  private static boolean judgedElsewhere(PinLink link, Study study) {
    return link.partners().stream()
        .flatMap(end -> study.device(end.device()).stream())
        .flatMap(device -> study.part(device).stream())
        .anyMatch(part ->
            part instanceof Sensor sensor
                && (sensor.output() == SensorOutput.PNP
                    || sensor.output() == SensorOutput.NPN
                    || sensor.output().analogue()
                    || sensor.output() == SensorOutput.PULSES
                    || sensor.output() == SensorOutput.CONTACT));
  }

  private static boolean over(PinLink link) {
    var most = link.pin().levels().greatest();
    return Stream.concat(link.on().stream(), link.off().stream())
        .anyMatch(seen -> seen.volts().compareTo(most) > 0);
  }

  private static Verdict judge(PinLink link) {
    var subject = new Subject.AtTerminal(link.at());
    var trail = trail(link);
    return switch (link.standing()) {
      case SURE -> new Verdict.Pass(subject, trail);
      case FREE, UNPROVED -> new Verdict.NotChecked(subject, link.words());
      case WRONG ->
          new Verdict.Finding(
              subject,
              Severity.ERROR,
              over(link) ? TOO_MANY_VOLTS : NOT_TOLD_APART,
              over(link)
                  ? "%s:%s gets %s and bears %s: it is destroyed. Put a relay, an optocoupler or a divider between."
                      .formatted(
                          link.board().designation(),
                          link.pin().name(),
                          most(link),
                          link.pin().levels().greatest())
                  : "%s:%s: %s. It never sees what it should, or sees it by chance: look at the side its common is on, at what switches it, and at its pull-up."
                      .formatted(link.board().designation(), link.pin().name(), link.words()),
              trail,
              List.of());
    };
  }

  private static nelvar.core.units.Voltage most(PinLink link) {
    return Stream.concat(link.on().stream(), link.off().stream())
        .map(PinLink.Seen::volts)
        .max(java.util.Comparator.naturalOrder())
        .orElseThrow();
  }

  private static Trail trail(PinLink link) {
    var w = Working.of("Input %s:%s".formatted(link.board().designation(), link.pin().name()));
    var levels = link.pin().levels();
    link.on().ifPresent(seen -> w.given("Uon", seen.volts(), "driven, network solved"));
    link.off().ifPresent(seen -> w.given("Uoff", seen.volts(), "at rest, network solved"));
    w.given("Ulow", levels.low(), "surely 0 up to here");
    w.given("Uhigh", levels.high(), "surely 1 from here");
    return w.explain(link).trail();
  }
}
