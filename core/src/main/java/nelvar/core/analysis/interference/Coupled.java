package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PassedOn;
import nelvar.core.formula.Crosstalk;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.School;
import nelvar.core.model.TerminalRef;
import nelvar.core.standards.CopperResistance;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// What disturbs what: every pair that lies together or shares a way back.
///
/// Wires of one duct or tray without a divider count as touching: nobody says where in it they lie,
/// and that is the unsafe side. Where two ducts of one plate run side by side, how far they are
/// apart is known. Trays that are only named are taken as far from each other: what a tray is
/// beside, nobody said.
public final class Coupled {
  /// Ducts whose middles are further apart do not matter, m.
  private static final double REACH = 0.4;

  /// Of insulation and air between wires that touch (common practice).
  private static final double PERMITTIVITY = 2;

  /// H/m of a wire (common practice).
  private static final double WIRE = 1e-6;

  /// H/m of frame and plate that are joined over their area (assumed); in a star it is one wire.
  private static final double MESH = 0.2e-6;

  /// What a wire of unknown section counts as.
  private static final CrossSection THIN = new CrossSection(0.5);

  private final Study study;
  private final List<Pair> pairs = new ArrayList<>();
  private final Map<Id, Ducted> ducts = new HashMap<>();

  private record Ducted(Cabinet cabinet, Cabinet.Duct duct) {}

  private Coupled(Study study) {
    this.study = study;
    for (var cabinet : study.project().layout().cabinets())
      for (var duct : cabinet.ducts()) ducts.put(duct.id(), new Ducted(cabinet, duct));
    for (var emitter : Emitters.of(study))
      for (var receiver : Receivers.of(study)) {
        if (same(emitter, receiver)) continue;
        var pair = pair(emitter, receiver);
        if (pair.margin() < Pair.FAR) pairs.add(pair);
      }
    pairs.sort(Comparator.comparingDouble(Pair::margin));
  }

  public static Coupled of(Study study) {
    return study.once(Coupled.class, () -> new Coupled(study));
  }

  /// All that matter at all, worst first.
  public List<Pair> pairs() {
    return List.copyOf(pairs);
  }

  /// Why nothing couples, where nothing does: because nothing disturbs or listens, or because no
  /// duct is drawn and what is only named lies by itself.
  public Optional<String> none() {
    if (!pairs.isEmpty()) return Optional.empty();
    var disturb = Emitters.of(study).size();
    var hear = Receivers.of(study).size();
    if (disturb == 0) return Optional.of("Nothing of this machine is known to disturb.");
    if (hear == 0) return Optional.of("Nothing of this machine listens.");
    return Optional.of(
        "%d disturb and %d hear, and none of their wires is known to lie with another.%s"
            .formatted(
                disturb,
                hear,
                ducts.isEmpty()
                    ? " No duct is drawn: those that are only named are taken as far from each other. Lay out the cabinet in Panel."
                    : ""));
  }

  /// Worst first.
  public List<Pair> of(Receiver receiver) {
    return pairs.stream().filter(pair -> pair.receiver() == receiver).toList();
  }

  /// The same pair in another state of the project.
  public Optional<Pair> like(Pair pair) {
    return like(pair.emitter().id(), pair.emitter().kind(), pair.receiver().at());
  }

  /// What is left of the same disturbance to the same signal in this state of the project: where it
  /// comes over a line driver or receiver, the least of all it goes through.
  double margin(Pair pair) {
    var at = pair.receiver().at();
    return Stream.concat(Stream.of(at), PassedOn.before(at, study).stream().map(PassedOn.Hop::in))
        .flatMap(end -> like(pair.emitter().id(), pair.emitter().kind(), end).stream())
        .mapToDouble(Pair::margin)
        .min()
        .orElse(Pair.FAR);
  }

  public Optional<Pair> like(Id emitter, Emitter.Kind kind, TerminalRef receiver) {
    return pairs.stream()
        .filter(p ->
            p.receiver().at().equals(receiver)
                && p.emitter().kind() == kind
                && p.emitter().id().equals(emitter))
        .findFirst();
  }

  /// What an input itself switches or hears is not disturbed by that.
  static boolean same(Emitter emitter, Receiver receiver) {
    return receiver.wires().stream().anyMatch(emitter.wires()::contains);
  }

  private Pair pair(Emitter e, Receiver r) {
    var volts = new EnumMap<WayIn, Double>(WayIn.class);
    var left = Crosstalk.travels(e.rise());
    var beside = 0.0;
    Optional<Pair.Place> place = Optional.empty();
    var most = 0.0;
    var fixed = true;
    for (var together : together(e.lays(), r.lays())) {
      var length = Math.min(left, together.length());
      if (length <= 0) continue;
      left -= length;
      beside += together.length();
      fixed &= together.fixed();
      var field = field(e, r, together.of(), length);
      var capacitance = capacitance(e, r, together.of(), length);
      add(volts, WayIn.FIELD, field);
      add(volts, WayIn.CAPACITANCE, capacitance);
      if (place.isEmpty() || field + capacitance > most) {
        most = field + capacitance;
        place = Optional.of(together.of());
      }
    }
    add(volts, WayIn.SHARED, shared(e, r));
    add(volts, WayIn.EARTH, earth(e, r));
    return new Pair(
        e, r, volts, beside, place, fixed && place.isPresent(), unknown(e, r, volts, place));
  }

  /// The same two as if they lay side by side there, over the shorter of both.
  Pair beside(Emitter e, Receiver r, Pair.Place place) {
    var volts = new EnumMap<WayIn, Double>(WayIn.class);
    var both = Lays.together(place.emitter(), place.receiver());
    var length = Math.min(Crosstalk.travels(e.rise()), both);
    add(volts, WayIn.FIELD, field(e, r, place, length));
    add(volts, WayIn.CAPACITANCE, capacitance(e, r, place, length));
    return new Pair(
        e, r, volts, both, Optional.of(place), true, unknown(e, r, volts, Optional.of(place)));
  }

  /// Of what counts in this pair.
  private List<String> unknown(
      Emitter e, Receiver r, Map<WayIn, Double> volts, Optional<Pair.Place> place) {
    var all = new ArrayList<String>();
    if (e.leaves() > 0) all.addAll(e.unknown());
    if (place.filter(p -> !p.emitter().known()).isPresent()) all.addAll(e.unknown());
    if (place.filter(p -> !p.receiver().known()).isPresent())
      all.addAll(Emitters.unknown(r.wires(), study));
    if (volts.containsKey(WayIn.SHARED))
      for (var wire : e.back())
        if (r.back().contains(wire) && (wire.section().isEmpty() || study.length(wire).isEmpty()))
          all.add("length and section of " + wire.label());
    return all.stream().distinct().toList();
  }

  private static void add(Map<WayIn, Double> volts, WayIn way, double more) {
    if (more > 0) volts.merge(way, more, Double::sum);
  }

  // Geometry

  private record Together(Pair.Place of, double length, boolean fixed) {}

  private List<Together> together(Lays a, Lays b) {
    var all = new ArrayList<Together>();
    for (var entry : a.in().entrySet()) {
      var one = entry.getValue();
      var same = b.in().get(entry.getKey());
      if (same != null) {
        var divided = one.bundle().form().filter(f -> f.parted() && one.signal() != same.signal());
        var touching = (one.thick() + same.thick()) / 2;
        all.add(
            new Together(
                new Pair.Place(
                    one.bundle().name(),
                    one,
                    same,
                    touching + divided.map(f -> f.width().metres() / 4).orElse(0.0)),
                Lays.together(one, same),
                divided.isPresent()));
      }
      var duct = ducts.get(entry.getKey());
      if (duct == null) continue;
      for (var other : b.in().values()) {
        var beside = ducts.get(other.bundle().id());
        if (beside == null || beside.equals(duct)) continue;
        apart(duct, beside)
            .ifPresent(x ->
                all.add(
                    new Together(
                        new Pair.Place(
                            "ducts %s and %s".formatted(duct.duct().id(), beside.duct().id()),
                            one,
                            other,
                            x),
                        Lays.together(one, other),
                        true)));
      }
    }
    all.sort(Comparator.comparingDouble(t -> t.of().apart()));
    return all;
  }

  /// Between the middles of two ducts that run the same way on one plate.
  private static Optional<Double> apart(Ducted a, Ducted b) {
    var one = a.duct();
    var other = b.duct();
    if (!a.cabinet().id().equals(b.cabinet().id())
        || one.surface() != other.surface()
        || one.vertical() != other.vertical()) return Optional.empty();
    var x =
        one.vertical()
            ? middle(one.left().metres(), one.width().metres())
                - middle(other.left().metres(), other.width().metres())
            : middle(one.top().metres(), one.width().metres())
                - middle(other.top().metres(), other.width().metres());
    return Optional.of(Math.abs(x)).filter(d -> d > 0.01 && d < REACH);
  }

  private static double middle(double edge, double width) {
    return edge + width / 2;
  }

  // Ways in

  /// A wire whose way back lies beside it takes up what differs between the two.
  private static double field(Emitter e, Receiver r, Pair.Place at, double length) {
    var a = at.emitter();
    var b = at.receiver();
    var common = e.leaves() * e.outside() * mutual(a.height(), b.height(), at.apart(), b.loop());
    var own =
        e.current() <= 0
            ? 0
            : e.current()
                * a.loop()
                    .map(s ->
                        b.loop()
                            .map(t -> Crosstalk.mutualOfPairs(s, t, at.apart() + (s + t) / 2))
                            .orElseGet(
                                () -> mutual(a.height(), b.height(), at.apart(), Optional.of(s))))
                    .orElseGet(() -> mutual(a.height(), b.height(), at.apart(), b.loop()));
    var twist = b.turns() > 0 ? Crosstalk.twisted(b.turns() * length) : 1;
    var volts =
        length
            * (common / e.rise() + own / e.steps())
            * twist
            // A shield keeps nothing from a way back that lies outside it.
            * (b.loop().isEmpty() ? 1 : r.shield().ofField(Crosstalk.frequency(e.rise())));
    return volts * Crosstalk.passes(e.rise(), r.filter());
  }

  private static double mutual(double h1, double h2, double apart, Optional<Double> loop) {
    var near = Crosstalk.mutualOverPlate(h1, h2, apart);
    return loop.map(s -> near - Crosstalk.mutualOverPlate(h1, h2, apart + s)).orElse(near);
  }

  private static double capacitance(Emitter e, Receiver r, Pair.Place at, double length) {
    var a = at.emitter();
    var b = at.receiver();
    var touching = at.apart() <= 1.01 * (a.thick() + b.thick()) / 2;
    var c =
        Crosstalk.capacitances(
            a.height() + a.radius(),
            a.radius(),
            b.height() + b.radius(),
            b.radius(),
            Math.max(at.apart(), a.radius() + b.radius() + 1e-4),
            touching ? PERMITTIVITY : 1);
    var bare = r.shield().bare(length, e.rise());
    var volts = 0.0;
    if (bare > 0) volts += Crosstalk.capacitive(c, bare, e.volts(), e.rise(), r.seen());
    if (r.shield().joined()) {
      var into = Math.min(c.between() * length * e.volts() / e.rise(), e.volts() / Emitters.WAVE);
      volts += into * r.shield().transfer(length, Crosstalk.frequency(e.rise()));
    }
    return volts * r.unbalance() * Crosstalk.passes(e.rise(), r.filter());
  }

  /// Wires that a sensor's way back does not share with its board's, and that carry what is
  /// switched: what they lift one 0 V against the other.
  private double shared(Emitter e, Receiver r) {
    if (e.current() <= 0 || e.back().isEmpty() || r.back().isEmpty()) return 0;
    var mine = new HashSet<>(r.back());
    var ohms = 0.0;
    var henry = 0.0;
    for (var wire : e.back()) {
      if (!mine.contains(wire)) continue;
      ohms += ohms(wire, metres(wire));
      henry += WIRE * metres(wire);
    }
    return e.current()
        * (ohms + henry / e.steps() * Crosstalk.passes(e.steps(), r.filter()))
        * r.unbalance();
  }

  /// What leaves over the plate comes home over machine and earth; a shield that joins both ends
  /// carries a share of it: by their inductances for each metre.
  private double earth(Emitter e, Receiver r) {
    if (!r.shield().both() || !outside(e.wires()) || !outside(r.wires())) return 0;
    var earth =
        study.project().brief().policies().chose(School.EARTHING_SYSTEM, "mesh") ? MESH : WIRE;
    var turns = r.cable().flatMap(c -> c.screened().turns()).orElse(0);
    var share =
        earth
            / (earth + WIRE)
            * (turns > 0 ? Crosstalk.ferrite(Emitters.FERRITE, turns, Emitters.WAVE) : 1);
    return e.leaves()
        * e.outside()
        * share
        * r.shield().transfer(r.shield().length(), Crosstalk.frequency(e.rise()))
        * r.unbalance()
        * Crosstalk.passes(e.rise(), r.filter());
  }

  private boolean outside(List<Conductor> wires) {
    return wires.stream().anyMatch(w -> !study.staysInside(w));
  }

  /// As long as what nobody said counts, and that is told.
  private double metres(Conductor wire) {
    return study.length(wire).map(l -> l.metres()).orElse(Lays.UNKNOWN);
  }

  /// As the network has it, cold; of 0.5 mm² where nobody said.
  private static double ohms(Conductor wire, double metres) {
    return CopperResistance.perMetre(wire.section().orElse(THIN)).over(new Length(metres)).ohms();
  }
}
