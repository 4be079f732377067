package nelvar.core.analysis.parts;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ContactRating;
import nelvar.core.catalogue.CurrentLimit;
import nelvar.core.catalogue.Inrush;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// Every contact and output stands the peak of what it switches on: cold lamps, capacitors of
/// supplies and drives, transformers.
///
/// The peaks of all loads behind it are added, as if it closed last; an electronic supply gives no
/// more than its limit. A contact stands what is stated for closing; where nothing is stated, ten
/// times what it carries is usual, which passes but condemns nothing. An output of a board stands
/// its stated peak, and its rating in any case. Demand: common practice (IEC 60947-5-1 names the
/// making capacity, unchecked).
public final class ClosingPeak implements Rule {
  private static final Reason PEAK = Reason.of("Switches on more than it can close onto");

  private static final double USUAL_TIMES = 10;

  @Override
  public String id() {
    return "parts.closing-peak";
  }

  @Override
  public String asks() {
    return "Every contact and output stands the inrush of the lamps, supplies and drives it switches on.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return SwitchingContact.before(study, List.of(Link.Kind.CONTACT, Link.Kind.OUTPUT))
        .values()
        .stream()
        .filter(contact -> contact.feeds().stream().anyMatch(feed -> peak(feed) > 0))
        .flatMap(
            Contained.many(
                this, contact -> contact.device().id(), contact -> judge(contact, study).stream()));
  }

  private static double peak(Feed feed) {
    return feed.intake().inrush().map(Inrush::peak).map(Current::amperes).orElse(0.0);
  }

  /// What it stands for a moment.
  ///
  /// @param stated whether its maker says so
  private record Stands(Current peak, String words, boolean stated) {}

  private static Optional<Verdict> judge(SwitchingContact contact, Study study) {
    var part = study.part(contact.device()).orElseThrow();
    var stands =
        contact.link().kind() == Link.Kind.OUTPUT
            ? output(contact, part)
            : contact(contact.link(), part);
    if (stands.isEmpty()) return Optional.empty();
    var w = Working.of("Closing peak of " + contact.name());
    var sum = 0.0;
    for (var feed : contact.feeds()) {
      if (peak(feed) == 0) continue;
      sum += peak(feed);
      w.given("Ipeak", new Current(peak(feed)), feed.device().designation() + ", its inrush");
    }
    var limit = limit(contact, study);
    if (limit.filter(most -> most.amperes() < peaks(contact)).isPresent())
      sum = w.given("Ilimit", limit.get(), "its supply gives no more").amperes();
    var peak = w.result("I", "sum of the peaks, all at once", new Current(sum));
    w.given("Imax", stands.get().peak(), stands.get().words());
    var trail = w.explain(peak).trail();
    if (peak.compareTo(stands.get().peak()) <= 0)
      return Optional.of(new Verdict.Pass(contact.subject(), trail));
    if (!stands.get().stated())
      return Optional.of(
          new Verdict.NotChecked(
              contact.subject(),
              "%s switches on %s peak; what it stands for a moment is not stated (%s: %s)"
                  .formatted(contact.name(), peak, stands.get().words(), stands.get().peak())));
    return Optional.of(
        new Verdict.Finding(
            contact.subject(),
            Severity.WARNING,
            PEAK,
            contact.link().kind() == Link.Kind.OUTPUT
                ? "%s switches on up to %s for a moment and stands %s: it cuts off or dies. Put a relay between."
                    .formatted(contact.name(), peak, stands.get().peak())
                : "%s closes onto up to %s for a moment and stands %s: it welds sooner or later. Take one made to close onto it, a contactor, or limit the inrush."
                    .formatted(contact.name(), peak, stands.get().peak()),
            trail,
            List.of()));
  }

  private static double peaks(SwitchingContact contact) {
    return contact.feeds().stream().mapToDouble(ClosingPeak::peak).sum();
  }

  private static Optional<Stands> contact(Link link, Part part) {
    var stated = part.statedRating(link);
    var making = stated.flatMap(ContactRating::making);
    if (making.isPresent()) return Optional.of(new Stands(making.get(), "closing, stated", true));
    return stated
        .or(() -> part.usualRating(link))
        .map(rating ->
            new Stands(rating.ac1().times(USUAL_TIMES), "ten times what it carries, usual", false));
  }

  /// Sensors, and what is no pin of a board, are not asked.
  private static Optional<Stands> output(SwitchingContact contact, Part part) {
    var pin =
        part.logic().stream()
            .flatMap(logic -> logic.pins().stream())
            .filter(one -> contact.link().actuator().filter(one.name()::equals).isPresent())
            .findFirst();
    if (pin.isEmpty()) return Optional.empty();
    return pin.get()
        .peak()
        .map(most -> new Stands(most, "for a moment, stated", true))
        .or(() ->
            pin.flatMap(Pin::rating)
                .map(most -> new Stands(most, "what it carries for long", false)));
  }

  /// What the supplies of its loads give together at most, where all of them limit.
  private static Optional<Current> limit(SwitchingContact contact, Study study) {
    var sources = contact.feeds().stream().flatMap(feed -> feed.source().stream()).distinct();
    var all = sources.map(source -> limit(source, study)).toList();
    if (all.isEmpty() || all.stream().anyMatch(Optional::isEmpty)) return Optional.empty();
    return Optional.of(
        new Current(all.stream().mapToDouble(one -> one.orElseThrow().amperes()).sum()));
  }

  private static Optional<Current> limit(Source source, Study study) {
    return study
        .part(source.device())
        .flatMap(part -> part.limit(source.output()))
        .map(CurrentLimit::shortCircuit);
  }
}
