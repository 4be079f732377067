package nelvar.core.analysis.signals;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;

/// What outputs share is wired: the + that sourcing outputs give, the common of relays' contacts.
public final class Commons implements Rule {
  private static final Reason MISSING = Reason.of("The common of outputs is not wired");

  @Override
  public String id() {
    return "signals.common";
  }

  @Override
  public String asks() {
    return "What outputs share, their + or their common, is wired.";
  }

  private record Common(Device board, String mark, String pins) {}

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .flatMap(device ->
            study.part(device).flatMap(Part::logic).stream()
                .flatMap(logic -> commons(device, logic, study)))
        .flatMap(
            Contained.one(this, common -> common.board().id(), common -> judge(common, study)));
  }

  private static Stream<Common> commons(Device board, Controller logic, Study study) {
    Map<String, String> used = new LinkedHashMap<>();
    for (var pin : logic.pins()) {
      if (!PinLinks.wired(new TerminalRef(board.id(), pin.name()), study)) continue;
      if (pin.type() == Pin.Type.OUTPUT_SOURCING)
        logic
            .outputSupply()
            .ifPresent(mark -> used.merge(mark, pin.name(), (a, b) -> a + ", " + b));
      pin.common().ifPresent(mark -> used.merge(mark, pin.name(), (a, b) -> a + ", " + b));
    }
    return used.entrySet().stream().map(e -> new Common(board, e.getKey(), e.getValue()));
  }

  private static Verdict judge(Common common, Study study) {
    var at = new TerminalRef(common.board().id(), common.mark());
    var wired = study.network().topology().wired(at);
    var w = Working.of("Common %s:%s".formatted(common.board().designation(), common.mark()));
    w.given("wired", wired ? "yes" : "no", "for " + common.pins());
    var trail = w.explain(common).trail();
    var subject = new Subject.AtTerminal(at);
    return wired
        ? new Verdict.Pass(subject, trail)
        : new Verdict.Finding(
            subject,
            Severity.ERROR,
            MISSING,
            "%s of %s takes nothing in: %s give nothing, whatever the program does. Join it to the + they are to give, behind what a stop opens where they move something."
                .formatted(common.mark(), common.board().designation(), common.pins()),
            trail,
            List.of());
  }
}
