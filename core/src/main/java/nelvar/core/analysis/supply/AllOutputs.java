package nelvar.core.analysis.supply;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.MultiOutputSupply;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Power;

/// The outputs of one supply together take no more than its power, although each keeps to its own
/// limit.
///
/// `Σ U · I ≤ P`. Demand: the part's own data; common practice.
public final class AllOutputs implements Rule {
  private static final Reason ITS_OUTPUTS_TOGETHER_ASK_TOO_MUCH =
      Reason.of("Its outputs together ask too much");

  @Override
  public String id() {
    return "supply.all-outputs";
  }

  @Override
  public String asks() {
    return "The outputs of a supply together stay within its power.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).orElse(null) instanceof MultiOutputSupply)
        .flatMap(Contained.one(this, device -> device.id(), device -> judge(device, study)));
  }

  private static Verdict judge(Device device, Study study) {
    var supply = (MultiOutputSupply) study.part(device).orElseThrow();
    var w = Working.of("Outputs of " + device.designation());
    var sum = 0.0;
    for (var source : study.network().sources(device)) {
      var current = study.designCurrent(source);
      var volts = source.output().voltage();
      w.given("I" + source.output().name(), current, "with everything on, at " + volts);
      sum += volts.volts() * current.amperes();
    }
    var total = w.result("P", "Σ U · I", new Power(sum));
    var judged = Explained.atMost(w.explain(total), "P", supply.power(), Citation.practice());
    if (judged.holds()) return new Verdict.Pass(device.id(), judged.trail());
    return new Verdict.Finding(
        device.id(),
        Severity.ERROR,
        ITS_OUTPUTS_TOGETHER_ASK_TOO_MUCH,
        "The outputs of %s take %s together; it gives %s, however they are shared. Move a load to another supply, or take a larger one."
            .formatted(device.designation(), total, supply.power()),
        judged.trail(),
        List.of());
  }
}
