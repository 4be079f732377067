package nelvar.core.analysis.signals;

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
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;

/// No output of a controller carries more than its pin may.
///
/// Solved with everything on, cold wires and high mains. What is not stated is not checked. Demand:
/// the board's own data, common practice.
public final class OutputRating implements Rule {
  private static final Reason CARRIES_TOO_MUCH =
      Reason.of("An output carries more than its pin may");

  @Override
  public String id() {
    return "signals.output-rating";
  }

  @Override
  public String asks() {
    return "No output carries more than its pin may.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.wired() && solid(link.pin().type()))
        .flatMap(Contained.one(this, link -> link.board().id(), OutputRating::judge));
  }

  /// Contacts of relays are judged as contacts.
  private static boolean solid(Pin.Type type) {
    return type == Pin.Type.OUTPUT_SINKING || type == Pin.Type.OUTPUT_SOURCING;
  }

  private static Verdict judge(PinLink link) {
    var subject = new Subject.AtTerminal(link.at());
    if (link.on().isEmpty() || link.pin().rating().isEmpty())
      return new Verdict.NotChecked(subject, link.words());
    var rating = link.pin().rating().get();
    var w = Working.of("Output %s:%s".formatted(link.board().designation(), link.pin().name()));
    var current = w.given("I", link.on().get().current(), "on, network solved");
    var judged = Explained.atMost(w.explain(current), "I", rating, Citation.practice());
    if (judged.holds()) return new Verdict.Pass(subject, judged.trail());
    return new Verdict.Finding(
        subject,
        Severity.ERROR,
        CARRIES_TOO_MUCH,
        "%s:%s carries %s with everything on; the pin may carry %s. Put a relay between, or a transistor stage rated for the load."
            .formatted(link.board().designation(), link.pin().name(), current, rating),
        judged.trail(),
        List.of());
  }
}
