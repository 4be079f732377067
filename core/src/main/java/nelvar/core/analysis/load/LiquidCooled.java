package nelvar.core.analysis.load;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;

/// A liquid-cooled motor has something that proves the flow: a pump that runs dry or a kinked hose
/// is not seen otherwise, and the spindle is lost within minutes. Common practice.
///
/// Whether what reads it stops the motor is the program's to do, and not seen here.
public final class LiquidCooled implements Rule {
  private static final Reason NOTHING_PROVES_THE_FLOW =
      Reason.of("Liquid-cooled, and nothing proves the flow");

  @Override
  public String id() {
    return "load.liquid-cooling";
  }

  @Override
  public String asks() {
    return "Every liquid-cooled motor has a switch that proves the flow.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device ->
            study.part(device).orElse(null) instanceof InductionMotor motor
                && motor.cooling().filter(c -> c == InductionMotor.Cooling.LIQUID).isPresent())
        .flatMap(Contained.one(this, Device::id, device -> judge(device, study)));
  }

  private static Verdict judge(Device motor, Study study) {
    var w = Working.of("Flow through " + motor.designation());
    var proof =
        study.project().devices().stream()
            .filter(device ->
                study.part(device).orElse(null) instanceof ControlSwitch flow
                    && flow.watches().filter(what -> what == ControlSwitch.Watched.FLOW).isPresent()
                    && flow.terminals().stream()
                        .allMatch(terminal ->
                            study
                                .network()
                                .topology()
                                .wired(new TerminalRef(device.id(), terminal.name()))))
            .findFirst();
    proof.ifPresent(device -> w.given("flow switch", device.designation().text(), "wired"));
    var trail = w.explain(motor.id()).trail();
    if (proof.isPresent()) return new Verdict.Pass(motor.id(), trail);
    return new Verdict.Finding(
        motor.id(),
        Severity.WARNING,
        NOTHING_PROVES_THE_FLOW,
        "%s is cooled by a liquid, and no flow switch is wired: where the pump stands or a hose is kinked it is lost within minutes. Add a flow switch (write `flow switch` in Parts) and let the program, or the drive's run line, stop the spindle."
            .formatted(motor.designation()),
        trail,
        List.of());
  }
}
