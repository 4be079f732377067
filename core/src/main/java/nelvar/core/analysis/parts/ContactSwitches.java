package nelvar.core.analysis.parts;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Feed;
import nelvar.core.network.Live;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// Every contact switches what it carries: by utilisation category, and on direct current by the
/// voltage it has to break.
///
/// Contacts in parallel carry together but break alone, since one of them is always the last: each
/// is judged by the current of all. Contacts of one device in series share the voltage. Where a
/// part states no rating, one as is usual is taken: within it the contact passes and the working
/// says so, above it the contact is not checked. The worst of the machine's states counts. Common
/// practice (IEC 60947-5-1 names the categories).
public final class ContactSwitches implements Rule {
  private static final Reason A_CONTACT_SWITCHES_MORE_THAN_IT_CAN =
      Reason.of("A contact switches more than it can");

  @Override
  public String id() {
    return "parts.contact-rating";
  }

  @Override
  public String asks() {
    return "Every contact can switch the current it carries, on direct current at its voltage.";
  }

  /// @param total of all contacts in parallel
  /// @param words in which state, to follow the current
  private record Carried(
      Current total, int parallel, boolean alternating, String words, String source) {}

  @Override
  public Stream<Verdict> check(Study study) {
    var together = SwitchingContact.together(study);
    var contacts = SwitchingContact.before(study);
    for (var contact : List.copyOf(contacts.values()))
      for (var other : together.getOrDefault(contact.pole(), List.of()))
        contacts.computeIfAbsent(other.pole(), _ -> other.likewise(contact));
    return contacts.values().stream()
        .flatMap(
            Contained.many(
                this,
                contact -> contact.device().id(),
                contact ->
                    judge(
                        contact,
                        together.getOrDefault(contact.pole(), List.of(contact)).stream()
                            .map(one -> contacts.getOrDefault(one.pole(), one))
                            .toList(),
                        study)
                        .stream()));
  }

  private static Optional<Verdict> judge(
      SwitchingContact contact, List<SwitchingContact> together, Study study) {
    var part = study.part(contact.device()).orElseThrow();
    var stated = part.statedRating(contact.link());
    var rating = stated.or(() -> part.usualRating(contact.link()));
    if (rating.isEmpty()) return Optional.empty();
    var carried = carried(together, study);
    if (carried.isEmpty() || carried.get().total().amperes() < 0.001) return Optional.empty();
    var found = carried.get();
    var w = Working.of("Contact " + contact.name());
    w.result("I", found.source(), found.total());
    if (found.parallel() > 1)
      w.given("in parallel", String.valueOf(found.parallel()), "the last to open breaks all of it");
    var coils = contact.feeds().stream().anyMatch(feed -> coil(feed, study));
    var motors =
        contact.feeds().stream()
            .anyMatch(feed -> study.part(feed.device()).filter(Part::motor).isPresent());
    var volts = volts(contact);
    var limit =
        !found.alternating()
            ? rating.get().direct(volts).map(d -> coils ? d.dc13() : d.dc1())
            : coils
                ? Optional.of(rating.get().coils())
                : motors ? rating.get().motors() : Optional.of(rating.get().ac1());
    var category =
        found.alternating() ? coils ? "AC-15" : motors ? "AC-3" : "AC-1" : coils ? "DC-13" : "DC-1";
    if (!found.alternating())
      w.given(
          "U",
          volts,
          contact.inSeries() > 1
              ? "to break, shared by %d contacts in series".formatted(contact.inSeries())
              : "to break");
    var source = stated.isPresent() ? "stated" : "assumed: as is usual for such a contact";
    if (limit.isEmpty() && found.alternating())
      return Optional.of(
          new Verdict.NotChecked(
              contact.subject(),
              "%s switches %s of a motor, and what it may switch of motors is not stated"
                  .formatted(contact.name(), found.total())));
    if (limit.isEmpty())
      return Optional.of(
          new Verdict.NotChecked(
              contact.subject(),
              "%s breaks %s at %s direct, more volts than %s; read its %s rating in its data sheet"
                  .formatted(
                      contact.name(),
                      found.total(),
                      volts,
                      stated.isPresent() ? "are stated of it" : "contacts like it usually break",
                      category)));
    w.given(category, limit.get(), source);
    var trail = w.explain(found.total()).trail();
    if (found.total().compareTo(limit.get()) <= 0)
      return Optional.of(new Verdict.Pass(contact.subject(), trail));
    if (stated.isEmpty())
      return Optional.of(
          new Verdict.NotChecked(
              contact.subject(),
              "%s switches %s %s, and a usual one %s (%s%s); state its rating from its data sheet"
                  .formatted(
                      contact.name(),
                      found.total(),
                      found.words(),
                      limit.get(),
                      category,
                      found.alternating() ? "" : " at " + volts)));
    return Optional.of(
        new Verdict.Finding(
            contact.subject(),
            Severity.ERROR,
            A_CONTACT_SWITCHES_MORE_THAN_IT_CAN,
            "%s carries %s %s%s, and can switch only %s (%s%s). %s"
                .formatted(
                    contact.name(),
                    found.total(),
                    found.words(),
                    found.parallel() > 1
                        ? ", together with what is in parallel, of which one is always the last"
                        : "",
                    limit.get(),
                    category,
                    found.alternating() ? "" : " at " + volts,
                    found.alternating()
                        ? "It burns or welds: take one rated for it, a contactor."
                        : "An arc of direct current does not go out by itself: take one rated for it, contacts in series, or switch before the rectifier."),
            trail,
            List.of()));
  }

  private static boolean coil(Feed feed, Study study) {
    return study.part(feed.device()).filter(part -> part.ownCoil().isPresent()).isPresent();
  }

  /// The greatest that any of its loads is fed with, by contact in series.
  private static Voltage volts(SwitchingContact contact) {
    return contact.feeds().stream()
        .map(Feed::voltage)
        .max(java.util.Comparator.naturalOrder())
        .orElse(new Voltage(0))
        .times(1.0 / contact.inSeries());
  }

  /// The most that contacts in parallel carry together: solved in any state that settles, or as the
  /// loads behind them are dimensioned. The latter counts where no state lets current through, as
  /// behind a contactor that only a finger closes.
  private static Optional<Carried> carried(List<SwitchingContact> together, Study study) {
    var solved = solved(together, study);
    var dimensioned = dimensioned(together, study);
    if (dimensioned.isEmpty()) return solved;
    return solved
        .filter(found -> found.total().compareTo(dimensioned.get().total()) >= 0)
        .or(() -> dimensioned);
  }

  private static Optional<Carried> solved(List<SwitchingContact> together, Study study) {
    Carried worst = null;
    for (var state : MachineStates.of(study)) {
      var sum = 0.0;
      var alternating = false;
      var known = true;
      for (var one : together) {
        var current = state.live().current(one.pole());
        if (current.isEmpty()) {
          known = false;
          break;
        }
        sum += current.map(Live.Both::rms).orElse(0.0);
        alternating |= current.get().mostlyAlternating();
      }
      if (!known) continue;
      if (worst == null || sum > worst.total().amperes())
        worst =
            new Carried(
                new Current(sum),
                together.size(),
                alternating,
                state.words(),
                "network solved " + state.words());
    }
    return Optional.ofNullable(worst);
  }

  private static Optional<Carried> dimensioned(List<SwitchingContact> together, Study study) {
    var sum =
        together.stream()
            .filter(one -> one.edge() >= 0)
            .mapToDouble(one -> study.currents().edge(one.edge()).design())
            .sum();
    if (sum == 0) return Optional.empty();
    return Optional.of(
        new Carried(
            new Current(sum),
            together.size(),
            together.stream().anyMatch(one -> one.alternating()),
            "as its loads are dimensioned",
            "design current of the loads behind it"));
  }
}
