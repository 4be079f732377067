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

/// Every value arrives: 0–10 V with its own way back and no more than 1 % lost to loading and lift,
/// 4–20 mA over a resistor that its sender drives.
///
/// 1 % of full scale is common practice, no published source.
public final class AnalogueLevel implements Rule {
  private static final Reason LOST = Reason.of("A value does not arrive as it was sent");

  @Override
  public String id() {
    return "signals.analogue";
  }

  @Override
  public String asks() {
    return "Every value, 0–10 V or 4–20 mA, arrives as it was sent.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return PinLinks.of(study).stream()
        .filter(link ->
            link.wired()
                && link.pin().type().analogue()
                && !link.pin().analogueZero()
                && !link.partners().isEmpty())
        .flatMap(Contained.one(this, link -> link.board().id(), AnalogueLevel::judge));
  }

  private static Verdict judge(PinLink link) {
    var subject = new Subject.AtTerminal(link.at());
    var w = Working.of("Value at %s:%s".formatted(link.board().designation(), link.pin().name()));
    link.on().ifPresent(seen -> w.given("Ufull", seen.volts(), "at full scale, after loading"));
    link.on().ifPresent(seen -> w.given("Ifull", seen.current(), "at full scale"));
    link.off().ifPresent(seen -> w.given("dU", seen.volts(), "lift of 0 V, network solved"));
    w.given("allowed", AnalogueLinks.ALLOWED, "of full scale, common practice");
    var trail = w.explain(link).trail();
    return switch (link.standing()) {
      case SURE -> new Verdict.Pass(subject, trail);
      case FREE, UNPROVED -> new Verdict.NotChecked(subject, link.words());
      case WRONG ->
          new Verdict.Finding(
              subject,
              Severity.WARNING,
              LOST,
              "%s:%s: %s. What is read or commanded is off by as much, or means nothing."
                  .formatted(link.board().designation(), link.pin().name(), link.words()),
              trail,
              List.of());
    };
  }
}
