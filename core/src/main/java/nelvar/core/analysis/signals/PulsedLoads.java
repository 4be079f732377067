package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DcMotor;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;
import nelvar.core.units.Percent;

/// What hangs on an output of pulses of set width bears them: no relay or contactor (it chatters),
/// no supply or drive (its input capacitors take the pulses), no 0–10 V input without a filter.
///
/// A fan needs so much width to turn: by its data, else about 60 % (see [PulsedFan]). Heaters and
/// lamps are at home here.
public final class PulsedLoads implements Rule {
  private static final Reason NOT_FOR_PULSES = Reason.of("Not made for pulses of set width");

  private static final Reason STANDS = Reason.of("Pulses too narrow to turn it");

  @Override
  public String id() {
    return "signals.pulsed-load";
  }

  @Override
  public String asks() {
    return "What hangs on an output of pulses of set width (PWM) bears them.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.wired() && link.pin().type() == Pin.Type.OUTPUT_PWM)
        .flatMap(Contained.one(this, link -> link.board().id(), link -> judge(link, study)));
  }

  private static Verdict judge(PinLink link, Study study) {
    var subject = new Subject.AtTerminal(link.at());
    var w = Working.of("Pulses of %s:%s".formatted(link.board().designation(), link.pin().name()));
    link.pin().frequency().ifPresent(f -> w.given("f", f, "of the output"));
    var loads =
        link.partners().stream().flatMap(end -> study.device(end.device()).stream()).toList();
    var parts = loads.stream().flatMap(device -> study.part(device).stream()).toList();
    w.given("loads", parts.isEmpty() ? "none" : parts.getFirst().name(), "hang on it");
    for (var load : loads)
      if (study.part(load).orElse(null) instanceof DcMotor motor) {
        var stated = motor.article().fitting().flatMap(Fitting::turnsFrom).isPresent();
        w.given(
            "turns from",
            PulsedFan.turnsFrom(motor),
            stated ? motor.name() : "of width, common practice; try it");
        w.given(
            "width",
            load.work().duty().orElse(Percent.WHOLE),
            load.work().duty().isPresent() ? "its duty" : "nothing said: full");
      }
    var trail = w.explain(link).trail();
    var still =
        loads.stream().filter(load -> PulsedFan.stalls(load, study).isPresent()).findFirst();
    if (still.isPresent()) return stalls(still.get(), subject, trail, study);
    var wrong = parts.stream().flatMap(part -> wrong(part).stream()).findFirst();
    if (wrong.isEmpty()) return new Verdict.Pass(subject, trail);
    return new Verdict.Finding(
        subject,
        Severity.WARNING,
        NOT_FOR_PULSES,
        "%s:%s gives pulses of set width: %s"
            .formatted(link.board().designation(), link.pin().name(), wrong.get()),
        trail,
        List.of());
  }

  private static Verdict stalls(
      Device load, Subject subject, nelvar.core.trail.Trail trail, Study study) {
    var least = PulsedFan.turnsFrom(study.part(load).orElseThrow());
    return new Verdict.Finding(
        subject,
        Severity.WARNING,
        STANDS,
        "Pulses of %s do not turn %s, which wants %s at least: it hums, stands still and gets warm, and moves nothing."
            .formatted(load.work().duty().orElse(Percent.WHOLE), load.designation(), least),
        trail,
        List.of(
            Repair.of(
                Edits.use(load, load.work().withDuty(Optional.of(least)))
                    .named("Give %s pulses of %s".formatted(load.designation(), least)))));
  }

  private static Optional<String> wrong(Part part) {
    if (part.command().isPresent())
      return Optional.of(
          "a 0–10 V input sees their ripple. Put a converter or a filter between (calculator pwm-filter).");
    if (part.ownCoil().isPresent() && !part.links().isEmpty())
      return Optional.of(
          "a relay or contactor chatters on anything but full width, and its contacts burn. Take an output that only switches.");
    if (part.electronicSupply() || part.drives() || !part.outputs().isEmpty())
      return Optional.of(
          "a supply or drive fills its capacitors with every pulse, and neither it nor the output lasts. Switch it, do not pulse it.");
    return Optional.empty();
  }
}
