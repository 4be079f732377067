package nelvar.core.analysis.signals;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Subject;
import nelvar.core.trail.Working;

/// Nothing that moves hangs on an output that is on while its board boots, resets or has no
/// program. What a board does then is stated by its maker; where nothing is stated nothing is said.
public final class OnWhileBooting implements Rule {
  private static final Reason ON = Reason.of("On while the board boots");

  @Override
  public String id() {
    return "signals.boot";
  }

  @Override
  public String asks() {
    return "Nothing that moves hangs on an output that is on while its board boots.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.wired() && link.pin().whileBooting().isPresent())
        .filter(link -> !link.pin().type().reads())
        .flatMap(Contained.one(this, link -> link.board().id(), link -> judge(link, study)));
  }

  private static Verdict judge(PinLink link, Study study) {
    var subject = new Subject.AtTerminal(link.at());
    var on = link.pin().whileBooting().orElse(false);
    var w = Working.of("%s:%s".formatted(link.board().designation(), link.pin().name()));
    w.given("while booting", on ? "on" : "off", "of the board");
    var trail = w.explain(link).trail();
    var moves =
        link.partners().stream()
            .flatMap(end -> study.device(end.device()).stream())
            .filter(device -> Moving.could(device, study))
            .findFirst();
    if (!on || moves.isEmpty()) return new Verdict.Pass(subject, trail);
    return new Verdict.Finding(
        subject,
        Severity.WARNING,
        ON,
        "%s:%s is on while its board boots, resets or has no program: %s moves with nobody asking. Take a pin that stays off, or hang it behind a contact that closes when the board is ready."
            .formatted(link.board().designation(), link.pin().name(), moves.get().designation()),
        trail,
        List.of());
  }
}
