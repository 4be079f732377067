package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cable;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;

/// A network lead that carries pulses, or volts, says so on its label: somebody will plug it into a
/// computer. Common practice.
public final class NetworkLead implements Rule {
  private static final Reason UNMARKED = Reason.of("Network lead carries no network");
  private static final Pattern NETWORK =
      Pattern.compile("\\b(network|patch|ethernet|rj45)\\b", Pattern.CASE_INSENSITIVE);
  private static final Pattern MARKED =
      Pattern.compile("(pulse|step|no network|not network)", Pattern.CASE_INSENSITIVE);

  @Override
  public String id() {
    return "signals.network-lead";
  }

  @Override
  public String asks() {
    return "A network lead that carries pulses says so on its label.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().cables().stream()
        .filter(cable ->
            study
                .catalogue()
                .find(cable.stock())
                .filter(stock -> NETWORK.matcher(stock.name()).find())
                .isPresent())
        .flatMap(Contained.many(this, Cable::id, cable -> judge(cable, study).stream()));
  }

  private static Optional<Verdict> judge(Cable cable, Study study) {
    var pulses =
        study.cores(cable.id()).stream()
            .flatMap(core -> Stream.of(core.from(), core.to()))
            .filter(end -> steps(end, study))
            .findFirst();
    if (pulses.isEmpty()) return Optional.empty();
    var label = cable.label().text();
    var w = Working.of("Lead " + label);
    w.given("label", label, "of the lead");
    w.given("carries", "pulses", pulses.get().toString());
    var trail = w.explain(cable).trail();
    if (MARKED.matcher(label.toLowerCase(Locale.ROOT)).find())
      return Optional.of(new Verdict.Pass(cable.id(), trail));
    return Optional.of(
        new Verdict.Finding(
            cable.id(),
            Severity.WARNING,
            UNMARKED,
            "%s looks like a network lead and carries pulses: plugged into a computer or a switch it destroys one of them. Write it on both its ends (such as %s-STEP-PULSES), or take another cable."
                .formatted(label, label),
            trail,
            List.of()));
  }

  private static boolean steps(TerminalRef end, Study study) {
    return study.device(end.device()).flatMap(study::part).flatMap(Part::logic).stream()
        .flatMap(logic -> logic.pins().stream())
        .anyMatch(pin -> pin.name().equals(end.terminal()) && pin.type().steps());
  }
}
