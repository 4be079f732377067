package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ContactRating;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// A contact before an input carries enough to keep itself clean.
///
/// An input takes a few milliamperes; a contact made for amperes needs an arc to burn its film away
/// and fails now and then without. Judged by what the maker states as least volts and amperes;
/// where nothing is stated a usual contact is taken, which proves nothing when it fails. Common
/// practice, no published source.
public final class ContactLeastLoad implements Rule {
  private static final Reason FOULS = Reason.of("A contact carries too little to stay clean");

  @Override
  public String id() {
    return "signals.contact-least-load";
  }

  @Override
  public String asks() {
    return "Every contact before an input carries at least what keeps it clean.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.pin().type().digitalInput() && link.on().isPresent())
        .flatMap(Contained.many(this, link -> link.board().id(), link -> judge(link, study)));
  }

  private static Stream<Verdict> judge(PinLink link, Study study) {
    return Drivers.of(link.at(), study).conducting().keySet().stream()
        .flatMap(ref ->
            study.device(ref.device()).stream()
                .flatMap(device ->
                    contact(device, ref, link, study).stream()
                        .flatMap(contact -> judge(device, contact, link, study).stream())));
  }

  /// The contact on the way: the one that lands on the pin, else one that is wired.
  private static Optional<Link> contact(Device device, ActuatorRef ref, PinLink link, Study study) {
    var joined = study.network().joined(link.at());
    var topology = study.network().topology();
    return study.part(device).map(Part::links).orElse(List.of()).stream()
        .filter(one -> one.kind() == Link.Kind.CONTACT)
        .filter(one -> one.actuator().filter(ref.name()::equals).isPresent())
        .filter(one -> ends(device, one).allMatch(topology::wired))
        .min(java.util.Comparator.comparing(one -> !ends(device, one).anyMatch(joined::contains)));
  }

  private static Stream<TerminalRef> ends(Device device, Link link) {
    return Stream.of(link.a(), link.b()).map(mark -> new TerminalRef(device.id(), mark));
  }

  private static Optional<Verdict> judge(Device device, Link contact, PinLink link, Study study) {
    var part = study.part(device).orElseThrow();
    var stated = part.statedRating(contact);
    var least =
        stated.isPresent()
            ? stated.flatMap(ContactRating::least)
            : part.usualRating(contact).flatMap(ContactRating::least);
    var name = "%s %s–%s".formatted(device.designation(), contact.a(), contact.b());
    var subject = new Subject.AtTerminal(new TerminalRef(device.id(), contact.a()));
    var current = link.on().orElseThrow().current();
    var swing =
        new Voltage(
            Math.abs(
                link.on().orElseThrow().volts().volts()
                    - link.off().map(PinLink.Seen::volts).map(Voltage::volts).orElse(0.0)));
    if (least.isEmpty())
      return Optional.of(
          new Verdict.NotChecked(
              subject,
              "%s switches %s into %s:%s; the least it switches surely is not stated"
                  .formatted(name, current, link.board().designation(), link.pin().name())));
    var w = Working.of("Contact " + name);
    w.given(
        "I",
        current,
        "into %s:%s, network solved".formatted(link.board().designation(), link.pin().name()));
    w.given("U", swing, "between its two states");
    w.given(
        "least",
        least.get(),
        stated.isPresent() ? "stated" : "assumed: as is usual for such a contact");
    var trail = w.explain(current).trail();
    if (current.compareTo(least.get().current()) >= 0 && swing.compareTo(least.get().volts()) >= 0)
      return Optional.of(new Verdict.Pass(subject, trail));
    if (stated.isEmpty())
      return Optional.of(
          new Verdict.NotChecked(
              subject,
              "%s switches %s into %s:%s, and a usual one needs %s to stay clean; state what it needs from its data sheet"
                  .formatted(
                      name, current, link.board().designation(), link.pin().name(), least.get())));
    return Optional.of(
        new Verdict.Finding(
            subject,
            Severity.WARNING,
            FOULS,
            "%s switches %s at %s into %s:%s and needs %s to stay clean: its film is not burnt away and it fails to conduct now and then. Take one with gilded contacts%s."
                .formatted(
                    name,
                    current,
                    swing,
                    link.board().designation(),
                    link.pin().name(),
                    least.get(),
                    beside(link, current, swing, least.get())),
            trail,
            List.of()));
  }

  /// What a resistor beside the input has to be, where volts suffice.
  private static String beside(
      PinLink link, Current current, Voltage swing, ContactRating.Least least) {
    if (swing.compareTo(least.volts()) < 0) return "";
    var missing = least.current().amperes() - current.amperes();
    var most = new Resistance(swing.volts() / missing);
    return ", or put a resistor of at most %s between the input and %s"
        .formatted(most, link.pin().type() == Pin.Type.INPUT_READS_PLUS ? "0 V" : "its +");
  }
}
