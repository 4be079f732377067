package nelvar.core.analysis.completeness;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;

/// A terminal without which a part cannot work is connected.
///
/// Terminals left open on purpose are named spare at the device. Demand: common practice.
public final class TerminalConnected implements Rule {
  private static final Reason TERMINAL_LEFT_OPEN = Reason.of("Terminal left open");

  @Override
  public String id() {
    return "completeness.unconnected-terminal";
  }

  @Override
  public String asks() {
    return "No terminal that a part needs is left open.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .flatMap(
            Contained.many(
                this,
                device -> device.id(),
                device -> study.part(device).stream().map(part -> judge(device, part, study))));
  }

  private static boolean idle(Terminal terminal, String name) {
    return terminal.name().equals(name)
        && (terminal.role() == Terminal.Role.SIGNAL || terminal.role() == Terminal.Role.CONTACT);
  }

  private static Verdict judge(Device device, Part part, Study study) {
    var open =
        part.terminals().stream()
            .filter(Terminal::required)
            .filter(t -> t.role() != Terminal.Role.PROTECTIVE)
            .map(Terminal::name)
            .filter(name -> !device.spare().contains(name))
            .filter(name -> !study.network().topology().wired(new TerminalRef(device.id(), name)))
            .toList();
    var w = Working.of("Connected terminals");
    w.given(
        "needed",
        part.terminals().stream().filter(Terminal::required).count(),
        device.designation().text());
    w.given("open", open.size(), open.isEmpty() ? "none" : String.join(", ", open));
    var trail = w.explain(open).trail();
    if (open.isEmpty()) return new Verdict.Pass(device.id(), trail);
    // Without its supply nothing works: to leave that open on purpose would only silence it.
    var repairs =
        open.size() == 1 && part.terminals().stream().anyMatch(t -> idle(t, open.getFirst()))
            ? List.of(Repair.of(Edits.leaveSpare(device, open.getFirst())))
            : List.<Repair>of();
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        TERMINAL_LEFT_OPEN,
        "Nothing lands on %s of %s. Wire it, or say that it stays spare."
            .formatted(String.join(", ", open), device.designation()),
        trail,
        repairs);
  }
}
