package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Subject;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// No output of a controller carries more than its pin may.
///
/// Solved with everything on, cold wires and high mains. What is not stated is not checked. Demand:
/// the board's own data, common practice.
public final class OutputRating implements Rule {
  private static final Reason CARRIES_TOO_MUCH =
      Reason.of("An output carries more than its pin may");
  private static final Reason GROUP_CARRIES_TOO_MUCH =
      Reason.of("A group of outputs carries more than it may");
  private static final Reason TOO_MANY_VOLTS =
      Reason.of("An output switches more volts than it bears");

  @Override
  public String id() {
    return "signals.output-rating";
  }

  @Override
  public String asks() {
    return "No output, and no group of them, carries more than it may, or switches more volts than it bears.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Stream.concat(
        PinLinks.of(study).stream()
            .filter(link -> link.wired() && solid(link.pin().type()))
            .flatMap(Contained.one(this, link -> link.board().id(), OutputRating::judge)),
        groups(study));
  }

  private Stream<Verdict> groups(Study study) {
    record Group(Id board, String name) {}
    var all = new LinkedHashMap<Group, List<PinLink>>();
    for (var link : PinLinks.of(study))
      if (link.on().isPresent() && link.pin().type().switches())
        link.pin()
            .group()
            .filter(_ -> link.pin().groupRating().isPresent())
            .ifPresent(name ->
                all.computeIfAbsent(new Group(link.board().id(), name), _ -> new ArrayList<>())
                    .add(link));
    return all.values().stream()
        .flatMap(Contained.one(this, links -> links.getFirst().board().id(), OutputRating::group));
  }

  /// What pins of one group carry together, all on.
  private static Verdict group(List<PinLink> links) {
    var first = links.getFirst();
    var rating = first.pin().groupRating().orElseThrow();
    var sum = links.stream().mapToDouble(l -> l.on().orElseThrow().current().amperes()).sum();
    var name = first.pin().group().orElseThrow();
    var w = Working.of("Group %s of %s".formatted(name, first.board().designation()));
    w.given("pins", String.join(", ", links.stream().map(l -> l.pin().name()).toList()), "wired");
    var current = w.result("I", "sum of the currents, all on", new Current(sum));
    var judged = Explained.atMost(w.explain(current), "I", rating, Citation.practice());
    var subject = new Subject.AtTerminal(first.at());
    if (judged.holds()) return new Verdict.Pass(subject, judged.trail());
    return new Verdict.Finding(
        subject,
        Severity.ERROR,
        GROUP_CARRIES_TOO_MUCH,
        "The outputs of group %s of %s carry %s together, and the group may carry %s: its fuse opens, or its driver dies. Move some of them to another group, or put relays between."
            .formatted(name, first.board().designation(), current, rating),
        judged.trail(),
        List.of());
  }

  /// Contacts of relays are judged as contacts.
  private static boolean solid(Pin.Type type) {
    return type.switches() && type != Pin.Type.OUTPUT_CONTACT;
  }

  private static Verdict judge(PinLink link) {
    var subject = new Subject.AtTerminal(link.at());
    if (link.standing() == PinLink.Standing.WRONG && link.on().isEmpty())
      return new Verdict.Finding(
          subject,
          Severity.ERROR,
          TOO_MANY_VOLTS,
          "%s:%s %s: it breaks down as soon as it opens. Put a relay between, or a transistor stage rated for those volts with its 0 V joined."
              .formatted(link.board().designation(), link.pin().name(), link.words()),
          Working.of("Output %s:%s".formatted(link.board().designation(), link.pin().name()))
              .explain(link)
              .trail(),
          List.of());
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
