package nelvar.core.analysis.motion;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Working;

/// Beads in the winding of a motor lie beside its mains: what reads them is isolated from them, a
/// relay made for it or an input that states so (*Thermistor isolated*, a setting of the motor with
/// the value `yes`). Demand: protective separation of IEC 61800-5-1, from memory, unchecked.
public final class ThermistorIsolated implements Rule {
  private static final Reason BESIDE = Reason.of("Beads of a motor lead mains to a control input");
  private static final Reason UNUSED =
      Reason.of("Beads of a motor are brought out and read by nothing");

  /// The name of the setting of the motor.
  public static final String ISOLATED = "Thermistor isolated";

  private static final Citation SEPARATION = Citation.recalled("IEC 61800-5-1:2022", "4.3.4");

  @Override
  public String id() {
    return "motion.thermistor";
  }

  @Override
  public String asks() {
    return "Beads in motor windings are read by what is isolated from them.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device ->
            study.part(device).orElse(null) instanceof InductionMotor motor && motor.beads())
        .flatMap(Contained.one(this, Device::id, device -> judge(device, study)));
  }

  private static Verdict judge(Device motor, Study study) {
    var at = new TerminalRef(motor.id(), InductionMotor.BEADS);
    var isolated =
        study
            .project()
            .setting(motor.id(), ISOLATED)
            .filter(text -> text.strip().toLowerCase(Locale.ROOT).startsWith("yes"))
            .isPresent();
    var readers =
        study.network().joined(at).stream()
            .filter(end -> !end.device().equals(motor.id()))
            .flatMap(end -> study.device(end.device()).stream())
            .filter(d -> reads(d, study))
            .distinct()
            .toList();
    var w = Working.of("Beads of " + motor.designation());
    w.given(
        "read by",
        readers.isEmpty()
            ? "nothing"
            : String.join(", ", readers.stream().map(d -> d.designation().text()).toList()),
        "as wired");
    w.given("isolated", isolated ? "yes" : "not said", ISOLATED);
    var trail = w.explain(motor.designation()).trail();
    if (!study.network().topology().wired(at))
      return new Verdict.Finding(
          motor.id(),
          Severity.ADVICE,
          UNUSED,
          "%s brings out the beads in its winding and nothing reads them: turned slowly for long it gets hotter than its current tells. Wire them to a relay made for them, or leave them insulated on purpose."
              .formatted(motor.designation()),
          trail,
          List.of());
    if (readers.isEmpty() || isolated) return new Verdict.Pass(motor.id(), trail);
    return new Verdict.Finding(
        motor.id(),
        Severity.WARNING,
        BESIDE,
        "The beads of %s lie in its winding and lead to %s: where the winding breaks through, its volts stand on the control side (%s). Put a thermistor relay between, or say that the input is isolated (%s: yes) where its papers do."
            .formatted(motor.designation(), readers.getFirst().designation(), SEPARATION, ISOLATED),
        trail,
        List.of());
  }

  private static boolean reads(Device device, Study study) {
    return study
        .part(device)
        .filter(p -> p.logic().isPresent() || p instanceof FrequencyConverter)
        .isPresent();
  }
}
