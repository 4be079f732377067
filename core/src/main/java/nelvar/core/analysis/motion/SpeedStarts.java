package nelvar.core.analysis.motion;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.trail.Working;
import nelvar.core.units.Kind;
import nelvar.core.units.Percent;
import nelvar.core.units.Reading;
import nelvar.core.units.Voltage;

/// A speed command of 0–10 V that is meant to be nothing stays below what starts its drive.
///
/// What starts it is a setting of the drive, *Starts from*, in volts. Against it stands what is
/// left on the wire: the lift of its 0 V as solved, and what an output gives while it should give
/// nothing (assumed). Below the threshold never counts as safe: what stops a drive is its run input
/// or its volts. Common practice, no published source.
public final class SpeedStarts implements Rule {
  private static final Reason STARTS = Reason.of("A stray volt starts it");
  private static final Reason NEVER = Reason.of("Slow speeds never start");

  /// An output that is set to nothing, switched off or booting.
  static final Voltage RESIDUAL = new Voltage(0.05);

  /// Of its fastest, a dead zone that is still called usual.
  private static final Percent DEAD = new Percent(20);

  /// The name of the setting.
  public static final String SETTING = "Starts from";

  private static final double FULL = 10;

  @Override
  public String id() {
    return "motion.speed-starts";
  }

  @Override
  public String asks() {
    return "What is left on a speed command of nothing does not start its drive.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Stream.concat(values(study), pulses(study));
  }

  /// What ripples through of pulses is not known: the filter of the input is not stated.
  private Stream<Verdict> pulses(Study study) {
    return DrivenMotor.all(study).stream()
        .filter(driven ->
            driven
                .command()
                .filter(link -> link.pin().type() == Pin.Type.OUTPUT_PULSES_SINGLE)
                .isPresent())
        .filter(driven -> driven.said(SETTING).isPresent())
        .map(driven ->
            new Verdict.NotChecked(
                new Subject.AtTerminal(driven.command().orElseThrow().at()),
                "how much of its pulses ripples through the input of %s is not stated: measure its command while nothing is meant"
                    .formatted(driven.drive().designation())));
  }

  private Stream<Verdict> values(Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.pin().type() == Pin.Type.ANALOGUE_OUTPUT && link.off().isPresent())
        .flatMap(
            Contained.many(this, link -> link.board().id(), link -> judge(link, study).stream()));
  }

  /// What may be left on a command of nothing: the lift of its 0 V, and what its output still
  /// gives.
  static Optional<Voltage> left(PinLink link) {
    return link.off()
        .map(off ->
            new Voltage(off.volts().volts() + (link.pin().onByItself() ? FULL : RESIDUAL.volts())));
  }

  private static Optional<Device> drive(PinLink link, Study study) {
    return link.partners().stream()
        .flatMap(end -> study.device(end.device()).stream())
        .filter(device -> study.part(device).flatMap(Part::command).isPresent())
        .findFirst();
  }

  private static Optional<Verdict> judge(PinLink link, Study study) {
    var drive = drive(link, study);
    var said = drive.flatMap(d -> study.project().setting(d.id(), SETTING));
    if (said.isEmpty()) return Optional.empty();
    var subject = new Subject.AtTerminal(link.at());
    if (!(Kind.VOLTAGE.read(said.get()) instanceof Reading.Value<Voltage>(var from)))
      return Optional.of(
          new Verdict.NotChecked(
              subject,
              "'%s' says no volts that start %s: write it such as 0.5 V"
                  .formatted(said.get(), drive.orElseThrow().designation())));
    var lift = link.off().orElseThrow().volts();
    var w = Working.of("What starts " + drive.orElseThrow().designation());
    w.given("Ustart", from, "set on the drive");
    w.given("Ulift", lift, "its 0 V against that of the controller, network solved");
    if (link.pin().onByItself())
      w.given("Urest", new Voltage(FULL), "it is on while its board boots or is reset");
    else w.assumed("Urest", RESIDUAL, "left of an output that gives nothing, off or booting");
    w.given("unplugged", "0 V", "the drive's own resistance pulls it down, common practice");
    var left = w.result("U", "Ulift + Urest", left(link).orElseThrow());
    var never = w.result("dead", "Ustart/10 V", Percent.ofFraction(from.volts() / FULL));
    var trail = w.explain(left).trail();
    var name = drive.orElseThrow().designation();
    if (left.compareTo(from) >= 0)
      return Optional.of(
          new Verdict.Finding(
              subject,
              Severity.ERROR,
              STARTS,
              "%s starts from %s, and %s may be left on its command when nothing is meant: it turns with nobody asking. Raise what starts it, and hold its run input open until it may run; below a threshold never counts as safe."
                  .formatted(name, from, left),
              trail,
              List.of()));
    if (never.compareTo(DEAD) > 0)
      return Optional.of(
          new Verdict.Finding(
              subject,
              Severity.WARNING,
              NEVER,
              "%s starts from %s: speeds below %s of its fastest never start, whatever the program commands. Lower what starts it, or allow no slower speed in the program."
                  .formatted(name, from, never),
              trail,
              List.of()));
    return Optional.of(new Verdict.Pass(subject, trail));
  }
}
