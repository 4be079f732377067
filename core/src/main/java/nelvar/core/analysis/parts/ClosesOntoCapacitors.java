package nelvar.core.analysis.parts;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ContactRating;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.CapacitorShort;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.trail.Working;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Resistance;

/// No contact closes onto empty capacitors from a source that does not limit.
///
/// `I = U/(R wires + R contact + R capacitor)`, some hundred amperes for a millisecond: contacts
/// weld where it is more than they state for closing, else ten times what they carry (assumed). An
/// electronic supply limits it by itself, unless other capacitors on its bus are charged already.
/// Common practice, no published source; 10 mΩ are taken for the capacitors (assumed).
public final class ClosesOntoCapacitors implements Rule {
  private static final Reason A_CONTACT_CLOSES_ONTO_CAPACITORS =
      Reason.of("A contact closes onto capacitors");

  private static final double TIMES = 10;

  /// Of a contact of which nothing is known.
  private static final Current USUAL = new Current(10);

  private static final Capacitance SMALL = new Capacitance(0.0003);

  @Override
  public String id() {
    return "parts.contact-onto-capacitors";
  }

  @Override
  public String asks() {
    return "No contact closes onto empty capacitors without something that limits.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> holds(feed, study))
        .filter(feed -> feed.source().filter(s -> !s.output().alternating()).isPresent())
        .filter(feed -> contact(feed, study).isPresent())
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static boolean holds(Feed feed, Study study) {
    return study
        .part(feed.device())
        .flatMap(Part::busCapacitance)
        .filter(c -> c.compareTo(SMALL) >= 0)
        .isPresent();
  }

  private record Contact(Device device, Link link) {}

  /// The contact on the way that is moved by a hand or a coil.
  private static Optional<Contact> contact(Feed feed, Study study) {
    return ways(feed)
        .map(edge -> study.network().topology().edge(edge))
        .filter(
            edge -> edge instanceof Edge.Through(_, var link) && link.kind() == Link.Kind.CONTACT)
        .map(edge -> new Contact(((Edge.Through) edge).device(), ((Edge.Through) edge).link()))
        .findFirst();
  }

  private static Stream<Integer> ways(Feed feed) {
    return Stream.concat(feed.lineWays().stream(), Stream.of(feed.backWay())).flatMap(List::stream);
  }

  /// Another device on the same bus whose capacitors stay charged while the contact is open: they
  /// give without a limit, whatever the supply does.
  private static Optional<Feed> bank(Feed feed, Contact open, Source source, Study study) {
    return study.currents().served(source).stream()
        .filter(other -> !other.device().equals(feed.device()) && holds(other, study))
        .filter(other -> ways(other).noneMatch(edge -> through(edge, open, study)))
        .findFirst();
  }

  private static boolean through(int edge, Contact contact, Study study) {
    return study.network().topology().edge(edge) instanceof Edge.Through(var device, var link)
        && device.id().equals(contact.device().id())
        && link.equals(contact.link());
  }

  private static Verdict judge(Feed feed, Study study) {
    var device = feed.device();
    var source = feed.source().orElseThrow();
    var contact = contact(feed, study).orElseThrow();
    var name = contact.device().designation();
    var w = Working.of("Closing " + name + " onto " + device.designation());
    var from = source.terminals();
    if (study.part(source.device()).filter(Part::electronicSupply).isPresent()) {
      var bank = bank(feed, contact, source, study);
      if (bank.isEmpty()) {
        w.given("source", source.toString(), "limits its current by itself");
        return new Verdict.Pass(device.id(), w.explain(device.id()).trail());
      }
      w.given("charged", bank.get().device().designation().text(), "stays on the bus of " + source);
      from = List.of(plus(bank.get()), minus(bank.get()));
    }
    var volts = w.given("U", feed.voltage(), source.toString());
    var ohms =
        way(plus(feed), from.getFirst(), study)
            + way(minus(feed), from.getLast(), study)
            + CapacitorShort.CAPACITOR;
    var loop = w.result("R", "wires, contact and 10 mΩ of the capacitors", new Resistance(ohms));
    var peak = w.result("Ipeak", "U/R", new Current(volts.volts() / loop.ohms()));
    var stands = stands(w, contact, study);
    var trail = w.explain(peak).trail();
    if (peak.compareTo(stands) < 0) return new Verdict.Pass(device.id(), trail);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        A_CONTACT_CLOSES_ONTO_CAPACITORS,
        "When %s closes, the empty capacitors of %s take up to %s for a moment: its contacts, which stand some %s, weld sooner or later. Switch before the bridge, or close first through a resistor that charges them."
            .formatted(name, device.designation(), peak, stands),
        trail,
        List.of());
  }

  /// The peak a contact stands while it closes: as stated, else ten times what it carries.
  private static Current stands(Working w, Contact contact, Study study) {
    var part = study.part(contact.device()).orElseThrow();
    var stated = part.statedRating(contact.link());
    if (stated.flatMap(ContactRating::making).isPresent())
      return w.given("Imax", stated.get().making().get(), "closing, stated");
    var rated = stated.or(() -> part.usualRating(contact.link())).map(ContactRating::ac1);
    return w.assumed("Imax", rated.orElse(USUAL).times(TIMES), "ten times what it carries");
  }

  private static TerminalRef plus(Feed feed) {
    return new TerminalRef(feed.device().id(), feed.intake().lines().getFirst());
  }

  private static TerminalRef minus(Feed feed) {
    return new TerminalRef(feed.device().id(), feed.intake().back().orElseThrow());
  }

  /// Of the way between two terminals of one wire, Ω; nothing where they are not joined.
  private static double way(TerminalRef a, TerminalRef b, Study study) {
    return study.asDesigned().ohms(a, b).orElse(0.0);
  }
}
