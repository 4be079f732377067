package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.ElectronicProtection;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.SafetyRelay;
import nelvar.core.catalogue.Terminal;
import nelvar.core.catalogue.TerminalStrip;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Live;
import nelvar.core.network.Source;
import nelvar.core.units.CrossSection;

/// What a machine has already that something new can land on: free channels, ways, bars and pins,
/// found in its solved network. What is not found is made new.
///
/// Two terminals are of one potential where no volts stand between them; what a stop takes volts
/// from is behind the stop.
final class Existing {
  private static final double SAME = 0.5;

  /// Conductors that one terminal of a device commonly takes.
  private static final int LANDINGS = 2;

  private final Study study;
  private final Sketch sketch;
  private final Composer.From from;
  private final Live running;
  private final FreePins pins;
  private final Optional<Live> stopped;
  private final Set<TerminalRef> reserved = new HashSet<>();
  private final Map<TerminalRef, Integer> landed = new HashMap<>();
  private final Map<Source, Double> taken = new LinkedHashMap<>();

  /// @param minding whether what a stop cuts is told from what it does not
  /// @param from which supplies may feed something new
  Existing(Study study, Sketch sketch, boolean minding, Composer.From from) {
    this.from = from;
    this.study = study;
    this.sketch = sketch;
    this.running = study.asDesigned();
    this.pins = new FreePins(this, study);
    this.stopped = minding ? Pressed.all(study) : Optional.empty();
    for (var wire : study.project().conductors()) {
      landed.merge(wire.from(), 1, Integer::sum);
      landed.merge(wire.to(), 1, Integer::sum);
    }
  }

  boolean stops() {
    return stopped.isPresent();
  }

  /// A free way of a strip at which cables from the machine meet.
  Optional<TerminalRef> stripWay() {
    return devices(TerminalStrip.class)
        .filter(strip -> strip.serves().isEmpty())
        .filter(strip -> ends(strip, _ -> true).stream().anyMatch(landed::containsKey))
        .flatMap(strip -> ends(strip, _ -> true).stream())
        .filter(this::free)
        .findFirst()
        .map(this::take);
  }

  /// A safety relay at which both channels of a chain of stops end.
  Optional<Device> stopRelay() {
    return devices(SafetyRelay.class)
        .filter(relay ->
            Stream.of("S12", "S22")
                .allMatch(mark -> landed.containsKey(new TerminalRef(relay.id(), mark))))
        .findFirst();
  }

  /// The wire that ends at the holding contact of a contactor, where that contact begins.
  record Holding(Id wire, TerminalRef end) {}

  /// Of a contactor that holds itself behind a stop: its own contact leads to its coil, a start
  /// button stands beside it, and pressing every stop takes the volts before them.
  Optional<Holding> held() {
    return devices(Contactor.class)
        .flatMap(contactor -> {
          var before = new TerminalRef(contactor.id(), "13");
          var after = new TerminalRef(contactor.id(), "14");
          var starts =
              study.at(contactor.id()).stream()
                  .filter(wire -> touches(wire, before))
                  .filter(wire -> start(far(wire, before)))
                  .toList();
          var feeding =
              study.at(contactor.id()).stream()
                  .filter(wire -> touches(wire, before) && !starts.contains(wire))
                  .toList();
          return starts.size() == 1
                  && feeding.size() == 1
                  && same(after, new TerminalRef(contactor.id(), "A1"))
                  && stopTakes(contactor)
              ? Stream.of(new Holding(feeding.getFirst().id(), before))
              : Stream.empty();
        })
        .findFirst();
  }

  private static boolean touches(Conductor wire, TerminalRef end) {
    return wire.from().equals(end) || wire.to().equals(end);
  }

  private static TerminalRef far(Conductor wire, TerminalRef end) {
    return wire.from().equals(end) ? wire.to() : wire.from();
  }

  private boolean start(TerminalRef end) {
    return study.device(end.device()).flatMap(study::part).orElse(null) instanceof ControlSwitch s
        && s.openContacts() > 0;
  }

  private boolean stopTakes(Device contactor) {
    var coil = new ActuatorRef(contactor.id(), Actuator.COIL);
    return running.on(coil) && stopped.filter(live -> !live.on(coil)).isPresent();
  }

  /// A machine whose state is not found says nothing of its potentials.
  boolean known() {
    return running.settled() && stopped.map(Live::settled).orElse(true);
  }

  private boolean same(TerminalRef a, TerminalRef b) {
    return a.equals(b) || running.voltage(a, b).map(volts -> volts.rms() < SAME).orElse(false);
  }

  boolean free(TerminalRef end) {
    return !landed.containsKey(end) && !reserved.contains(end);
  }

  TerminalRef take(TerminalRef end) {
    reserved.add(end);
    landed.merge(end, 1, Integer::sum);
    return end;
  }

  Stream<Device> devices(Class<? extends Part> kind) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).filter(kind::isInstance).isPresent())
        .sorted(Comparator.comparing(Device::designation));
  }

  private List<TerminalRef> ends(Device device, java.util.function.Predicate<Terminal> which) {
    return study.part(device).orElseThrow().terminals().stream()
        .filter(which)
        .map(terminal -> new TerminalRef(device.id(), terminal.name()))
        .toList();
  }

  /// Blocks that stand beside full ones.
  private final Map<Id, Bar> beside = new LinkedHashMap<>();

  /// The next way of a block: a free one but the last, which leads on to a new block beside it.
  private TerminalRef way(Device block, Ink ink) {
    return way(block, ink, new HashSet<>());
  }

  /// @param passed full blocks on the way here: a ring of them leads nowhere
  private TerminalRef way(Device block, Ink ink, Set<Id> passed) {
    var part = (DistributionBlock) study.part(block).orElseThrow();
    var end = part.terminals().getLast();
    var free = ends(block, way -> !way.equals(end)).stream().filter(this::free).findFirst();
    if (free.isPresent()) return take(free.get());
    var next = goesOn(block, part);
    if (next.isPresent() && passed.add(block.id())) return way(next.get(), ink, passed);
    var bar =
        beside.computeIfAbsent(
            block.id(),
            _ -> {
              var more = new Bar(sketch, block.purpose() + ", more", part.role(), ink);
              var last = take(new TerminalRef(block.id(), end.name()));
              var first = more.next();
              sketch.wire(last, first, ink);
              thickest(block).ifPresent(section -> links.put(first, section));
              return more;
            });
    return bar.next();
  }

  /// The block that the last way of a full one leads on to.
  private Optional<Device> goesOn(Device block, DistributionBlock part) {
    var last = new TerminalRef(block.id(), part.terminals().getLast().name());
    return study.at(block.id()).stream()
        .filter(wire -> wire.from().equals(last))
        .flatMap(wire -> study.device(wire.to().device()).stream())
        .filter(there ->
            !there.id().equals(block.id())
                && study.part(there).orElse(null) instanceof DistributionBlock next
                && next.role() == part.role())
        .findFirst();
  }

  /// What leads to a new block is as thick as what leads to the full one: more may follow.
  private final Map<TerminalRef, CrossSection> links = new LinkedHashMap<>();

  private Optional<CrossSection> thickest(Device block) {
    return study.at(block.id()).stream()
        .flatMap(wire -> wire.section().stream())
        .max(Comparator.naturalOrder());
  }

  Map<TerminalRef, CrossSection> links() {
    return links;
  }

  /// New blocks no larger than they need be.
  void trim() {
    for (var bar : beside.values()) bar.trim(0);
  }

  // Direct current.

  Optional<Rails.Fed> feed(double volts, double amperes, boolean safe, boolean own) {
    for (var source : study.network().sources()) {
      if (!from.allows(source.device()) || !supplies(source, volts)) continue;
      if (behindStop(source) != (safe && stops())) continue;
      var used = taken.getOrDefault(source, study.designCurrent(source).amperes());
      var most =
          source.output().rating().amperes()
              * study.project().brief().policies().headroom().fraction();
      if (used + amperes > most) continue;
      var plus = plus(source, amperes, own);
      if (plus.isEmpty() || !hasZero(source)) continue;
      var zero = zero(source);
      taken.put(source, used + amperes);
      return Optional.of(new Rails.Fed(take(plus.get()), zero.orElseThrow()));
    }
    return Optional.empty();
  }

  /// Of a supply that stays live and has neither channels nor blocks: behind a protective device of
  /// it where another wire has room, else at its own terminals, else where wires of the cabinet
  /// lead them on.
  Optional<Rails.Fed> tap(double volts, double amperes) {
    for (var source : study.network().sources()) {
      if (!supplies(source, volts) || behindStop(source)) continue;
      var used = taken.getOrDefault(source, study.designCurrent(source).amperes());
      var most =
          source.output().rating().amperes()
              * study.project().brief().policies().headroom().fraction();
      var behind =
          study.project().conductors().stream()
              .filter(wire ->
                  study
                      .circuit(wire)
                      .filter(c -> c.source().equals(source) && c.protection().isPresent())
                      .isPresent())
              .flatMap(wire -> Stream.of(wire.from(), wire.to()))
              .filter(this::protects)
              .filter(end -> same(end, plusOf(source)));
      var plus =
          Stream.concat(behind, ledOn(plusOf(source)).stream()).filter(this::room).findFirst();
      var zero = ledOn(minusOf(source)).stream().filter(this::room).findFirst();
      if (used + amperes > most || plus.isEmpty() || zero.isEmpty()) continue;
      taken.put(source, used + amperes);
      return Optional.of(new Rails.Fed(take(plus.get()), take(zero.get())));
    }
    return Optional.empty();
  }

  /// A terminal, and those of the cabinet that wires alone lead it on to, the nearest first.
  private List<TerminalRef> ledOn(TerminalRef first) {
    var all = new ArrayList<>(List.of(first));
    for (var n = 0; n < all.size(); n++) {
      var at = all.get(n);
      study.project().conductors().stream()
          .filter(wire -> wire.touches(at.device()))
          .flatMap(wire ->
              wire.from().equals(at)
                  ? Stream.of(wire.to())
                  : wire.to().equals(at) ? Stream.of(wire.from()) : Stream.empty())
          .filter(end -> !all.contains(end) && inCabinet(end))
          .toList()
          .forEach(all::add);
    }
    return all;
  }

  private boolean inCabinet(TerminalRef end) {
    return study.device(end.device()).filter(d -> d.place() == Place.PANEL).isPresent();
  }

  private boolean room(TerminalRef end) {
    return landed.getOrDefault(end, 0) < LANDINGS;
  }

  private boolean protects(TerminalRef end) {
    return study
        .device(end.device())
        .flatMap(study::part)
        .filter(part -> part.protection().isPresent())
        .isPresent();
  }

  private boolean supplies(Source source, double volts) {
    return !source.output().alternating()
        && source.output().voltage().volts() == volts
        && study.part(source.device()).filter(Part::regulatedSupply).isPresent();
  }

  private static TerminalRef plusOf(Source source) {
    return new TerminalRef(source.device().id(), source.output().lines().getFirst());
  }

  private static TerminalRef minusOf(Source source) {
    return new TerminalRef(source.device().id(), source.output().back().orElseThrow());
  }

  private boolean behindStop(Source source) {
    return stopped
        .flatMap(live -> live.voltage(plusOf(source), minusOf(source)))
        .map(both -> both.rms() < Pressed.DEAD * source.output().voltage().volts())
        .orElse(false);
  }

  /// A free channel, else a way of a block that a channel with something left feeds, else a channel
  /// that takes another wire.
  private Optional<TerminalRef> plus(Source source, double amperes, boolean own) {
    var channel = channel(source, amperes, true);
    if (channel.isPresent() || own) return channel;
    return way(source, amperes).or(() -> channel(source, amperes, false));
  }

  private Optional<TerminalRef> channel(Source source, double amperes, boolean unused) {
    record Channel(TerminalRef end, double rating) {}
    return devices(ElectronicProtection.class)
        .filter(device -> hangs(new TerminalRef(device.id(), "+"), source))
        .flatMap(device -> {
          var part = (ElectronicProtection) study.part(device).orElseThrow();
          var all = new ArrayList<Channel>();
          for (var n = 0; n < part.channels().size(); n++)
            all.add(
                new Channel(
                    new TerminalRef(device.id(), String.valueOf(n + 1)),
                    part.channels().get(n).amperes()));
          return all.stream();
        })
        .filter(channel ->
            unused
                ? free(channel.end()) && channel.rating() >= amperes
                : landed.getOrDefault(channel.end(), 0) < LANDINGS
                    && channel.rating() * FULL >= carried(channel.end()) + amperes)
        .min(Comparator.comparingDouble(Channel::rating))
        .map(Channel::end);
  }

  /// Share of a channel that several loads may use together (common practice).
  private static final double FULL = 0.8;

  /// What flows at a terminal by design, A.
  private double carried(TerminalRef end) {
    return study.at(end.device()).stream()
        .filter(wire -> wire.from().equals(end) || wire.to().equals(end))
        .mapToDouble(wire -> study.designCurrent(wire).amperes())
        .sum();
  }

  private Optional<TerminalRef> way(Source source, double amperes) {
    for (var block : blocks(Terminal.Role.PLUS)) {
      var feeding = feeding(block, source);
      if (feeding.isEmpty()) continue;
      var limit = study.circuit(feeding.get()).orElseThrow().limit().amperes();
      if (study.designCurrent(feeding.get()).amperes() + amperes > FULL * limit) continue;
      var free = ends(block, _ -> true).stream().filter(this::free).findFirst();
      if (free.isPresent()) return free;
    }
    return Optional.empty();
  }

  private List<Device> blocks(Terminal.Role role) {
    return devices(DistributionBlock.class)
        .filter(device -> ((DistributionBlock) study.part(device).orElseThrow()).role() == role)
        .toList();
  }

  /// The wire that carries most to a block, where it hangs on this source behind a protective
  /// device.
  private Optional<Conductor> feeding(Device block, Source source) {
    return study.at(block.id()).stream()
        .filter(wire ->
            study
                .circuit(wire)
                .filter(c -> c.source().equals(source) && c.protection().isPresent())
                .isPresent())
        .max(Comparator.comparing(study::designCurrent));
  }

  /// Whether a wire on a terminal belongs to a circuit of this source. Volts alone do not tell: two
  /// supplies of 24 V whose 0 V are earthed stand at the same volts.
  private boolean hangs(TerminalRef end, Source source) {
    return study.at(end.device()).stream()
        .filter(wire -> wire.from().equals(end) || wire.to().equals(end))
        .anyMatch(wire -> study.circuit(wire).filter(c -> c.source().equals(source)).isPresent());
  }

  /// A way of a 0 V block of this source, taken; one with room first.
  Optional<TerminalRef> zero(Source source) {
    return roomiest(
            blocks(Terminal.Role.MINUS).stream()
                .filter(block -> owner(block).filter(source::equals).isPresent()))
        .map(
            block -> way(block, source.output().voltage().volts() == 24 ? Ink.ZERO : Ink.BUS_ZERO));
  }

  private Optional<Device> roomiest(Stream<Device> blocks) {
    return blocks.min(
        Comparator.comparing(
                (Device block) -> ends(block, _ -> true).stream().noneMatch(this::free))
            .thenComparing(Device::designation));
  }

  boolean hasZero(Source source) {
    return blocks(Terminal.Role.MINUS).stream()
        .anyMatch(block -> owner(block).filter(source::equals).isPresent());
  }

  /// The source most wires of a block come back to.
  private Optional<Source> owner(Device block) {
    var count = new LinkedHashMap<Source, Integer>();
    for (var wire : study.at(block.id()))
      if (wire.carriesWork())
        study.circuit(wire).ifPresent(c -> count.merge(c.source(), 1, Integer::sum));
    return count.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .or(() -> reached(block));
  }

  /// The source whose 0 V is fewest wires away from a block that nothing comes back to yet.
  private Optional<Source> reached(Device block) {
    var ends = new HashMap<Id, Source>();
    for (var source : study.network().sources())
      if (!source.output().alternating() && source.output().back().isPresent())
        ends.putIfAbsent(source.device().id(), source);
    var seen = new HashSet<Id>(Set.of(block.id()));
    var next = new java.util.ArrayDeque<Id>(List.of(block.id()));
    while (!next.isEmpty()) {
      var at = next.remove();
      for (var wire : study.at(at)) {
        if (!wire.carriesWork()) continue;
        var far = wire.from().device().equals(at) ? wire.to() : wire.from();
        var source = Optional.ofNullable(ends.get(far.device()));
        if (source.filter(found -> minusOf(found).equals(far)).isPresent()) return source;
        if (study.device(far.device()).flatMap(study::part).orElse(null)
                instanceof DistributionBlock
            && seen.add(far.device())) next.add(far.device());
      }
    }
    return Optional.empty();
  }

  /// Another way back beside one that was given.
  Optional<TerminalRef> zeroBeside(TerminalRef zero) {
    return beside.values().stream()
        .filter(bar -> bar.has(zero.device()))
        .findFirst()
        .map(Bar::next)
        .or(() -> study.device(zero.device()).flatMap(this::owner).flatMap(this::zero));
  }

  // The mains.

  /// The distribution of each line, before any protective device; the least loaded line first.
  List<Device> lines(boolean safe) {
    record Line(Device block, int number, double amperes) {}
    var all = new LinkedHashMap<Integer, Line>();
    for (var block : blocks(Terminal.Role.LINE)) {
      var wire = unprotected(block);
      if (wire.isEmpty()) continue;
      var number = study.circuit(wire.get()).orElseThrow().line();
      if (dead(new TerminalRef(block.id(), "1")) != (safe && stops())) continue;
      all.putIfAbsent(number, new Line(block, number, study.designCurrent(wire.get()).amperes()));
    }
    return all.values().stream()
        .sorted(Comparator.comparingDouble(Line::amperes).thenComparingInt(Line::number))
        .map(Line::block)
        .toList();
  }

  TerminalRef line(Device block) {
    return way(block, Ink.LINE);
  }

  private Optional<Conductor> unprotected(Device block) {
    return study.at(block.id()).stream()
        .filter(wire ->
            study
                .circuit(wire)
                .filter(c -> c.protection().isEmpty() && inlet(c.source()))
                .isPresent())
        .max(Comparator.comparing(study::designCurrent));
  }

  private boolean inlet(Source source) {
    return study.part(source.device()).orElse(null) instanceof MainsInlet;
  }

  /// Whether a stop takes the volts of a line away.
  private boolean dead(TerminalRef way) {
    var earth = inletEnd(Terminal.Role.PROTECTIVE);
    if (stopped.isEmpty() || earth.isEmpty()) return false;
    var before = running.voltage(way, earth.get()).map(Live.Both::rms).orElse(0.0);
    var after = stopped.get().voltage(way, earth.get()).map(Live.Both::rms).orElse(0.0);
    return before > 1 && after < Pressed.DEAD * before;
  }

  private Optional<TerminalRef> inletEnd(Terminal.Role role) {
    return devices(MainsInlet.class)
        .flatMap(device -> ends(device, terminal -> terminal.role() == role).stream())
        .findFirst();
  }

  Optional<TerminalRef> neutral() {
    return bar(Terminal.Role.NEUTRAL);
  }

  Optional<TerminalRef> earth() {
    return bar(Terminal.Role.PROTECTIVE);
  }

  private Optional<TerminalRef> bar(Terminal.Role role) {
    var at = inletEnd(role);
    return roomiest(
            blocks(role).stream()
                .filter(block ->
                    at.filter(inlet -> same(new TerminalRef(block.id(), "1"), inlet)).isPresent()))
        .map(block -> way(block, role == Terminal.Role.NEUTRAL ? Ink.NEUTRAL : Ink.PROTECTIVE))
        // The inlet's own terminal takes another one where there is no bar.
        .or(() -> at.filter(end -> landed.getOrDefault(end, 0) < LANDINGS).map(this::take));
  }

  // What pins ask of it.

  FreePins pins() {
    return pins;
  }

  /// + of a supply on one side of the stop with so much left, taken.
  Optional<TerminalRef> plusOf(Source source, double amperes, boolean safe) {
    if (behindStop(source) != (safe && stops())) return Optional.empty();
    var plus = plus(source, amperes, false);
    plus.ifPresent(
        _ -> taken.merge(source, study.designCurrent(source).amperes() + amperes, Double::sum));
    return plus.map(this::take);
  }

  /// Whether a stop leaves no volts between two terminals.
  boolean deadWhenStopped(TerminalRef plus, TerminalRef minus) {
    return stopped
        .flatMap(live -> live.voltage(plus, minus))
        .map(both -> both.rms() < 1)
        .orElse(false);
  }
}
