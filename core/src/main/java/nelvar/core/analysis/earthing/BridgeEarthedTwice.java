package nelvar.core.analysis.earthing;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.RectifierBank;
import nelvar.core.catalogue.Terminal;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;

/// Of a bridge rectifier only one side is joined to earth: the direct-current side.
///
/// With its winding earthed too, every half wave is shorted through two diodes and the earth: only
/// winding and wires limit the current. Derived from the circuit; common practice, no published
/// source.
public final class BridgeEarthedTwice implements Rule {
  private static final Reason EARTHED_ON_BOTH_SIDES = Reason.of("Earthed on both sides");

  @Override
  public String id() {
    return "earthing.bridge-earthed-twice";
  }

  @Override
  public String asks() {
    return "No rectifier is earthed on both of its sides.";
  }

  @Override
  public boolean protectsPeople() {
    return true;
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).orElse(null) instanceof RectifierBank)
        .flatMap(Contained.one(this, Device::id, device -> judge(device.id(), study)));
  }

  private static Verdict judge(Id id, Study study) {
    var alternating = earthed(id, List.of("~1", "~2"), study);
    var direct = earthed(id, List.of("+", "-"), study);
    var w = Working.of("Bridge " + study.label(id));
    w.given("winding side", alternating ? "joined to earth" : "not joined to earth", "~1, ~2");
    w.given("direct side", direct ? "joined to earth" : "not joined to earth", "+, -");
    var trail = w.explain(id).trail();
    if (!alternating || !direct) return new Verdict.Pass(id, trail);
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        EARTHED_ON_BOTH_SIDES,
        "The winding of %s and its direct-current side are both joined to earth: each half wave is shorted through two diodes, and only the winding limits what flows. Earth the direct side alone, and nothing of the winding that feeds it."
            .formatted(study.label(id)),
        trail,
        List.of());
  }

  private static boolean earthed(Id id, List<String> terminals, Study study) {
    return terminals.stream()
        .flatMap(terminal -> study.asDesigned().metal(new TerminalRef(id, terminal)).stream())
        .anyMatch(reached -> earth(reached, study));
  }

  private static boolean earth(TerminalRef terminal, Study study) {
    return study
        .device(terminal.device())
        .flatMap(study::part)
        .filter(MainsInlet.class::isInstance)
        .stream()
        .flatMap(part -> part.terminals().stream())
        .anyMatch(
            t -> t.name().equals(terminal.terminal()) && t.role() == Terminal.Role.PROTECTIVE);
  }
}
