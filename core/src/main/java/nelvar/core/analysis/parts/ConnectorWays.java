package nelvar.core.analysis.parts;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Connector;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// Every way of a plug, socket or ready-made lead carries no more than it may, at no more volts.
///
/// A supply whose current comes back through a lead for signals is found here: the way back carries
/// what the load takes. Demand: the maker's ratings, common practice.
public final class ConnectorWays implements Rule {
  private static final Reason CARRIES_TOO_MUCH =
      Reason.of("A way of a connector carries more than it may");
  private static final Reason TOO_MANY_VOLTS =
      Reason.of("A connector stands at more volts than it may");

  @Override
  public String id() {
    return "parts.connector-ways";
  }

  @Override
  public String asks() {
    return "Every way of a plug, socket or lead can carry its current at its voltage.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).orElse(null) instanceof Connector)
        .flatMap(
            Contained.many(
                this,
                device -> device.id(),
                device ->
                    IntStream.rangeClosed(1, connector(device, study).ways())
                        .boxed()
                        .flatMap(way -> judge(device, way, study))));
  }

  private static Connector connector(Device device, Study study) {
    return (Connector) study.part(device).orElseThrow();
  }

  private static Stream<Verdict> judge(Device device, int way, Study study) {
    var part = connector(device, study);
    var in = new TerminalRef(device.id(), way + "A");
    var out = new TerminalRef(device.id(), part.outAt(way) + "B");
    var wires =
        study.at(device.id()).stream()
            .filter(wire -> ends(wire, in) || ends(wire, out))
            .filter(Conductor::carriesWork)
            .toList();
    if (wires.isEmpty()) return Stream.of();
    // What comes in on one side goes out on the other: the fuller side counts.
    var carried = new Current(Math.max(sum(wires, in, study), sum(wires, out, study)));
    var subject = new Subject.AtTerminal(in);
    var w = Working.of("Way of a connector");
    w.given("I", carried, "way %d of %s, all on".formatted(way, device.designation()));
    w.given("In", part.rating(), part.name());
    var volts =
        wires.stream()
            .flatMap(wire -> study.circuit(wire).stream())
            .map(circuit -> circuit.source().output().voltage())
            .max(java.util.Comparator.naturalOrder());
    volts.ifPresent(u -> w.given("U", u, "its supply"));
    w.given("Umax", part.voltage(), part.name());
    var trail = w.explain(carried).trail();
    if (carried.compareTo(part.rating()) > 0)
      return Stream.of(
          new Verdict.Finding(
              subject,
              Severity.ERROR,
              CARRIES_TOO_MUCH,
              "Way %d of %s carries %s; one of its ways may carry %s. Take several ways beside one another, or a connector for more; where this is a way back, give the supply one of its own."
                  .formatted(way, device.designation(), carried, part.rating()),
              trail,
              List.of()));
    if (volts.filter(u -> u.compareTo(part.voltage()) > 0).isPresent())
      return Stream.of(
          new Verdict.Finding(
              subject,
              Severity.ERROR,
              TOO_MANY_VOLTS,
              "Way %d of %s is on %s; it is made for %s."
                  .formatted(way, device.designation(), volts.get(), part.voltage()),
              trail,
              List.of()));
    return Stream.of(new Verdict.Pass(subject, trail));
  }

  private static double sum(List<Conductor> wires, TerminalRef end, Study study) {
    return wires.stream()
        .filter(wire -> ends(wire, end))
        .mapToDouble(wire -> study.designCurrent(wire).amperes())
        .sum();
  }

  private static boolean ends(Conductor wire, TerminalRef end) {
    return wire.from().equals(end) || wire.to().equals(end);
  }
}
