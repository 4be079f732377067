package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.bonding.Bonding;
import nelvar.core.analysis.interference.Emitter.Kind;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;

/// What the mains carry: their own alternating voltage, the current pulses of rectifiers, and what
/// drives drive back into them.
final class MainsEmitters {
  /// Of the mean of a rectifier with capacitors: its peaks (common practice: 3), and how long they
  /// take to come (from memory).
  private static final double PEAK = 3;

  private static final double PULSE = 1e-3;

  /// V and more between its lines is mains; less hums too little to be counted.
  private static final double MAINS = 50;

  private MainsEmitters() {}

  /// What goes back over plate and machine, and not through the shield of its motor, comes home
  /// over mains and protective conductor: all the way to the inlet, or to the filter that gives it
  /// a shorter way. The leads between filter and drive carry all of it.
  static Optional<Emitter> back(Device device, Feed feed, Emitter motor, Study study) {
    var wires = new LinkedHashSet<Conductor>();
    Optional<Device> filter = Optional.empty();
    for (var way : feed.lineWays())
      for (var edge : way.reversed()) {
        var is = study.network().topology().edge(edge);
        if (is instanceof Edge.Through(var through, var _)
            && study.part(through).filter(Part::filtersMains).isPresent()
            && works(through, study)) {
          filter = Optional.of(through);
          break;
        }
        if (is instanceof Edge.Wire(var wire)) wires.add(wire);
      }
    if (wires.isEmpty()) return Optional.empty();
    var all = List.copyOf(wires);
    var current = motor.leaves() * motor.outside();
    return Optional.of(
        new Emitter(
            device,
            Kind.FEED,
            all,
            Optional.empty(),
            Math.min(motor.volts(), current * Emitters.WAVE / 2),
            motor.rise(),
            0,
            motor.rise(),
            1,
            current,
            Lays.of(all, study),
            List.of(),
            filter
                .map(f -> "its leads as far as the filter " + f.designation())
                .orElse("no filter before it that works"),
            motor.unknown()));
  }

  /// One that is known to stand on paint, or on no metal, takes nothing in: its case is its return.
  private static boolean works(Device filter, Study study) {
    return Bonding.of(study).bare(filter).orElse(true);
  }

  /// Everything that mains feed, its wires beside their way back.
  static List<Emitter> of(Study study) {
    var all = new ArrayList<Emitter>();
    for (var feed : study.network().feeds())
      if (feed.voltage().volts() >= MAINS
          && feed.source().filter(s -> s.output().alternating() && !driven(s, study)).isPresent())
        one(feed, study).ifPresent(all::add);
    return all;
  }

  /// What a drive feeds is told as its edges.
  private static boolean driven(Source source, Study study) {
    return study.part(source.device()).filter(Part::drives).isPresent();
  }

  private static Optional<Emitter> one(Feed feed, Study study) {
    var wires = new LinkedHashSet<Conductor>();
    for (var way : feed.lineWays()) wires.addAll(study.wires(way));
    if (wires.isEmpty()) return Optional.empty();
    var rectifies = feed.intake().demand() instanceof Demand.Converts;
    var hertz = study.project().brief().supply().frequency().hertz();
    var amperes = study.designCurrent(feed).amperes() * Math.sqrt(2) * (rectifies ? PEAK : 1);
    var all = List.copyOf(wires);
    var quarter = 1 / (2 * Math.PI * hertz);
    var volts = study.project().brief().supply().voltage().toNeutral().volts() * Math.sqrt(2);
    return Optional.of(
        new Emitter(
            feed.device(),
            Kind.MAINS,
            all,
            Optional.empty(),
            Math.min(volts, feed.voltage().volts() * Math.sqrt(2)),
            quarter,
            amperes,
            rectifies ? Math.min(PULSE, quarter) : quarter,
            1,
            0,
            beside(Lays.of(all, study)),
            List.of(),
            rectifies ? "alternating, peaks of its rectifier" : "alternating",
            Emitters.unknown(all, study)));
  }

  /// Lines lie beside their neutral in their duct.
  private static Lays beside(Lays lays) {
    Map<Id, Lays.Lies> all = new LinkedHashMap<>();
    lays.in().forEach((id, lies) -> all.put(id, lies.looped(lies.thick())));
    return new Lays(Map.copyOf(all));
  }
}
