package nelvar.core.analysis.stop;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.catalogue.DcMotor;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.Positions;
import nelvar.core.network.WhatIf;
import nelvar.core.trail.Working;

/// When the mains comes back, nothing moves until somebody starts it.
///
/// Solved from cold: coils out, hands as they stand, every program off as after a boot. A motor
/// that turns then turns after every dip.
///
/// Demand: IEC 60204-1:2016, 7.5 (unchecked).
public final class StartsByItself implements Rule {
  private static final Reason STARTS_BY_ITSELF_AFTER_A_DIP =
      Reason.of("Starts by itself after a dip");

  @Override
  public String id() {
    return "stop.restart";
  }

  @Override
  public String asks() {
    return "No motor starts by itself when the mains comes back.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device ->
            study
                .part(device)
                .filter(part -> part instanceof InductionMotor || part instanceof DcMotor)
                .isPresent())
        .filter(device -> !coolsACabinet(device, study))
        .filter(device ->
            study.network().feeds(device.id()).stream().anyMatch(f -> f.source().isPresent()))
        .flatMap(Contained.one(this, Device::id, device -> judge(device, study)));
  }

  /// The fan of a cabinet, behind its guard, is to run whenever there are volts.
  private static boolean coolsACabinet(Device device, Study study) {
    return Bodies.of(study)
        .of(device.id())
        .filter(body -> body.fitting().moves().isPresent())
        .isPresent();
  }

  /// Whether it has its volts from cold with programs off: before anybody starts the machine.
  public static boolean fedFromCold(Device device, Study study) {
    var live = cold(study);
    return live.settled()
        && study.part(device).stream()
            .flatMap(part -> device.intakes(part).stream())
            .anyMatch(intake ->
                live.at(device, intake)
                    .filter(volts -> volts.compareTo(intake.accepts().least()) >= 0)
                    .isPresent());
  }

  private static Live cold(Study study) {
    return study.once(
        StartsByItself.class,
        () -> {
          var conditions = Conditions.usual(study.project().brief().surroundings().inside());
          var circuitry = study.engine().circuitry(conditions.wires());
          return study
              .engine()
              .solve(
                  WhatIf.AS_DESIGNED.holding(circuitry.programs(), false),
                  conditions,
                  Positions.cold(circuitry));
        });
  }

  private static Verdict judge(Device device, Study study) {
    var live = cold(study);
    if (!live.settled())
      return new Verdict.NotChecked(device.id(), "no steady state from cold is found");
    var w = Working.of(device.designation() + " when the mains comes back");
    var part = study.part(device).orElseThrow();
    var volts =
        device.intakes(part).stream()
            .flatMap(intake -> live.at(device, intake).stream())
            .max(nelvar.core.units.Voltage::compareTo)
            .orElseThrow();
    w.result("U", "network solved from cold, programs off", live.solution().balance(), volts);
    var least = device.intakes(part).getFirst().accepts().least();
    var trail = w.explain(volts).trail();
    if (volts.compareTo(least.times(0.5)) < 0) return new Verdict.Pass(device.id(), trail);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        STARTS_BY_ITSELF_AFTER_A_DIP,
        "When the mains comes back %s has %s at once: it starts with nobody asking for it. A contactor that holds itself, or a drive that wants its run command anew, keeps it still; if nobody can be hurt by it, accept it with that reason."
            .formatted(device.designation(), volts),
        trail,
        List.of());
  }
}
