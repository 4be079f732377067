package nelvar.core.analysis.parts;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.BusCapacitors;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.MotorWithDrive;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ServoDrive;
import nelvar.core.catalogue.StepperDrive;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.trail.Working;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Resistance;

/// No contact closes onto empty capacitors from a source that does not limit.
///
/// `I = U/(R wires + R contact + R capacitor)`, some hundred amperes for a millisecond: contacts
/// weld where it is more than ten times their rating. An electronic supply limits it by itself.
/// Common practice, no published source; 10 mΩ are taken for the capacitors (assumed).
public final class ClosesOntoCapacitors implements Rule {
  private static final double CAPACITOR_OHMS = 0.01;
  private static final double WELDS = 100;
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
        .filter(feed -> capacitance(study.part(feed.device()).orElse(null)).isPresent())
        .filter(feed -> feed.source().filter(s -> !s.output().alternating()).isPresent())
        .filter(feed -> contact(feed, study).isPresent())
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static Optional<Capacitance> capacitance(@org.jspecify.annotations.Nullable Part part) {
    var held =
        switch (part) {
          case BusCapacitors bank -> Optional.of(bank.capacitance());
          case StepperDrive drive -> drive.busCapacitance();
          case ServoDrive drive -> drive.busCapacitance();
          case MotorWithDrive drive -> drive.busCapacitance();
          case null, default -> Optional.<Capacitance>empty();
        };
    return held.filter(c -> c.compareTo(SMALL) >= 0);
  }

  /// The contact on the way that is moved by a hand or a coil.
  private static Optional<Device> contact(Feed feed, Study study) {
    return Stream.concat(feed.lineWays().stream(), Stream.of(feed.backWay()))
        .flatMap(List::stream)
        .map(edge -> study.network().topology().edge(edge))
        .filter(
            edge -> edge instanceof Edge.Through(_, var link) && link.kind() == Link.Kind.CONTACT)
        .map(edge -> ((Edge.Through) edge).device())
        .findFirst();
  }

  private static Verdict judge(Feed feed, Study study) {
    var device = feed.device();
    var source = feed.source().orElseThrow();
    var contact = contact(feed, study).orElseThrow();
    var w = Working.of("Closing " + contact.designation() + " onto " + device.designation());
    if (study.part(source.device()).filter(Part::electronicSupply).isPresent()) {
      w.given("source", source.toString(), "limits its current by itself");
      return new Verdict.Pass(device.id(), w.explain(device.id()).trail());
    }
    var volts = w.given("U", feed.voltage(), source.toString());
    var plus = new TerminalRef(device.id(), feed.intake().lines().getFirst());
    var minus = new TerminalRef(device.id(), feed.intake().back().orElseThrow());
    var from = source.terminals();
    var ohms =
        way(plus, from.getFirst(), study) + way(minus, from.getLast(), study) + CAPACITOR_OHMS;
    var loop = w.result("R", "wires, contact and 10 mΩ of the capacitors", new Resistance(ohms));
    var peak = w.result("Ipeak", "U/R", new Current(volts.volts() / loop.ohms()));
    var trail = w.explain(peak).trail();
    if (peak.amperes() < WELDS) return new Verdict.Pass(device.id(), trail);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        "A contact closes onto capacitors",
        "When %s closes, the empty capacitors of %s take up to %s for a moment: its contacts weld sooner or later. Switch before the bridge, or close first through a resistor that charges them."
            .formatted(contact.designation(), device.designation(), peak),
        trail,
        List.of());
  }

  /// Of the way between two terminals of one wire, Ω; nothing where they are not joined.
  private static double way(TerminalRef a, TerminalRef b, Study study) {
    return study.asDesigned().ohms(a, b).orElse(0.0);
  }
}
