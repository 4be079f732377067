package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Subject;
import nelvar.core.trail.Working;

/// Nothing that moves hangs on an output that is on while its board boots, is reset, has no program
/// or no supply. What a board does then is stated by its maker; where nothing is stated nothing is
/// said.
public final class OnWhileBooting implements Rule {
  private static final Reason ON = Reason.of("On while the board boots");

  @Override
  public String id() {
    return "signals.boot";
  }

  @Override
  public String asks() {
    return "Nothing that moves hangs on an output that is on while its board boots, is reset or has no supply.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.wired() && stated(link.pin()))
        .filter(link -> !link.pin().type().reads())
        .flatMap(Contained.one(this, link -> link.board().id(), link -> judge(link, study)));
  }

  private static boolean stated(Pin pin) {
    return pin.whileBooting().isPresent()
        || pin.whileResetting().isPresent()
        || pin.unpowered().isPresent();
  }

  /// When it is on with no program asking for it, in words.
  private static List<String> onWhile(Pin pin) {
    var all = new ArrayList<String>();
    if (pin.whileBooting().orElse(false)) all.add("while its board boots or has no program");
    if (pin.resets().orElse(false)) all.add("while its board is reset");
    if (pin.breaks()) all.add("while its board has no supply");
    return all;
  }

  private static Verdict judge(PinLink link, Study study) {
    var subject = new Subject.AtTerminal(link.at());
    var on = onWhile(link.pin());
    var w = Working.of("%s:%s".formatted(link.board().designation(), link.pin().name()));
    w.given("on", on.isEmpty() ? "never by itself" : String.join(", ", on), "of the board");
    var trail = w.explain(link).trail();
    var moves =
        link.partners().stream()
            .flatMap(end -> study.device(end.device()).stream())
            .filter(device -> Moving.could(device, study))
            .findFirst();
    if (on.isEmpty() || moves.isEmpty()) return new Verdict.Pass(subject, trail);
    return new Verdict.Finding(
        subject,
        Severity.WARNING,
        ON,
        "%s:%s is on %s: %s moves with nobody asking. Take a pin that stays off, or hang it behind a contact that closes when the board is ready."
            .formatted(
                link.board().designation(),
                link.pin().name(),
                String.join(", ", on),
                moves.get().designation()),
        trail,
        List.of());
  }
}
