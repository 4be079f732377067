package nelvar.core.analysis.bonding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.School;
import nelvar.core.model.Surface;
import nelvar.core.model.TerminalRef;
import nelvar.core.standards.CopperResistance;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// The bonding network of a machine.
///
/// Each wire has its copper and 1 µH/m, a shield that is joined at both ends 10 mΩ/m and 1 µH/m and
/// what its ends add, a part on a bare plate 1 mΩ and 20 nH (common practice and memory). Parts
/// count as standing bare on their plate where the Brief earths as a mesh and the cabinet is of
/// metal; paint under a lug is known where the setting `Foot` of a part says `painted`, and is
/// measured when the machine is tested.
public final class Bonding {
  /// H/m.
  private static final double WIRE = 1e-6;

  private static final double SHIELD = 0.010;
  private static final double PIGTAIL = 43e-9;
  private static final double FOOT_OHMS = 1e-3;
  private static final double FOOT_HENRY = 20e-9;

  /// Name and value of what somebody says of where a part stands.
  public static final String FOOT = "Foot";

  public static final String PAINTED = "painted";

  /// Hz: where fast edges are felt.
  public static final double FAST = 1e6;

  /// So many pieces of metal are solved; beyond, their impedances are left out.
  private static final int MOST = 400;

  private final Study study;
  private final int[] joined;
  private final ZeroVolts zero;
  private final List<Bond> bonds = new ArrayList<>();
  private final List<Loop> loops = new ArrayList<>();
  private final Map<Integer, Piece> pieces = new LinkedHashMap<>();
  private int assumed;

  /// Metal that is one piece for good.
  ///
  /// @param at one of its terminals; @param device what it belongs to
  /// @param mains Ω to the protective terminal of the inlet at the frequency of the mains; empty
  ///   where nothing joins it
  /// @param fast Ω at 1 MHz
  public record Piece(
      TerminalRef at, Device device, Optional<Double> mains, Optional<Double> fast) {}

  /// A ring of bonds.
  ///
  /// @param closes the bond that closes it
  /// @param matters whether working or disturbing current may flow through a shield or a 0 V in it
  public record Loop(Bond closes, boolean matters) {}

  private Bonding(Study study) {
    this.study = study;
    this.joined = study.network().topology().joinedNodes();
    this.zero = ZeroVolts.of(study);
    for (var device : study.project().devices()) protective(device);
    conductors();
    shields();
    plates();
    rings();
  }

  public static Bonding of(Study study) {
    return study.once(Bonding.class, () -> new Bonding(study));
  }

  public List<Bond> bonds() {
    return List.copyOf(bonds);
  }

  /// How many wires are taken as 1 m or 1 mm², because nobody knows better: whoever shows ohms says
  /// so.
  public int assumed() {
    return assumed;
  }

  public List<Loop> loops() {
    return List.copyOf(loops);
  }

  /// What is joined worst first: not at all, then by its impedance for fast edges.
  public List<Piece> pieces() {
    return solved().values().stream()
        .sorted(Comparator.comparingDouble(p -> -p.fast().orElse(Double.MAX_VALUE)))
        .toList();
  }

  /// What joins a piece of metal to others.
  public List<Bond> of(Piece piece) {
    var node = node(piece.at());
    return bonds.stream().filter(b -> node(b.from()) == node || node(b.to()) == node).toList();
  }

  int node(TerminalRef end) {
    var node = study.network().topology().node(end);
    return node < 0 ? -1 : joined[node];
  }

  /// Of every direct-current circuit once: supplies whose 0 V are joined are one.
  public List<ZeroVolts.Joined> zeroVolt() {
    return zero.joined();
  }

  private Optional<TerminalRef> protectiveOf(Device device) {
    return protectiveOf(device, study);
  }

  static Optional<TerminalRef> protectiveOf(Device device, Study study) {
    return study
        .part(device)
        .flatMap(part ->
            part.terminals().stream()
                .filter(t -> t.role() == Terminal.Role.PROTECTIVE)
                .map(t -> new TerminalRef(device.id(), t.name()))
                .findFirst());
  }

  private void protective(Device device) {
    study
        .part(device)
        .ifPresent(part ->
            part.terminals().stream()
                .filter(t -> t.role() == Terminal.Role.PROTECTIVE)
                .map(t -> new TerminalRef(device.id(), t.name()))
                .filter(end -> part.row().isEmpty() || study.network().topology().wired(end))
                .forEach(end -> piece(end, device)));
  }

  private void piece(TerminalRef end, Device device) {
    var node = node(end);
    if (node >= 0)
      pieces.putIfAbsent(node, new Piece(end, device, Optional.empty(), Optional.empty()));
  }

  private void conductors() {
    for (var wire : study.project().conductors()) {
      if (wire.function() != Conductor.Function.PROTECTIVE
          && wire.function() != Conductor.Function.SHIELD) continue;
      for (var end : List.of(wire.from(), wire.to()))
        study.device(end.device()).ifPresent(device -> piece(end, device));
      if (study.length(wire).isEmpty() || wire.section().isEmpty()) assumed++;
      var length = study.length(wire).map(l -> l.metres()).orElse(1.0);
      var section = wire.section().orElse(new CrossSection(1));
      var kind =
          wire.function() == Conductor.Function.SHIELD
              ? Bond.Kind.SHIELD
              : zero.has(wire.from()) || zero.has(wire.to())
                  ? Bond.Kind.ZERO_VOLT
                  : Bond.Kind.CONDUCTOR;
      bonds.add(
          new Bond(
              kind,
              wire.id(),
              wire.label().text(),
              wire.from(),
              wire.to(),
              CopperResistance.perMetre(section).over(new Length(length)).ohms(),
              WIRE * length));
    }
  }

  private void shields() {
    for (var cable : study.project().cables()) {
      if (!(study.catalogue().find(cable.stock()).orElse(null) instanceof CableStock stock)
          || !stock.shielded()) continue;
      var ends = cable.screened();
      if (!metal(ends.from()) || !metal(ends.to())) continue;
      var cores = study.cores(cable.id());
      if (cores.isEmpty()) continue;
      var from = study.device(cores.getFirst().from().device()).flatMap(this::protectiveOf);
      var to = study.device(cores.getFirst().to().device()).flatMap(this::protectiveOf);
      if (from.isEmpty() || to.isEmpty() || node(from.get()) == node(to.get())) continue;
      var length = study.length(cable).map(l -> l.metres()).orElse(1.0);
      bonds.add(
          new Bond(
              Bond.Kind.SHIELD,
              cable.id(),
              cable.label().text(),
              from.get(),
              to.get(),
              SHIELD * length,
              WIRE * length + tail(ends.from()) + tail(ends.to())));
    }
  }

  private static boolean metal(Optional<Cable.Ending> ending) {
    return ending.filter(e -> e == Cable.Ending.CLAMP || e == Cable.Ending.PIGTAIL).isPresent();
  }

  private static double tail(Optional<Cable.Ending> ending) {
    return ending.equals(Optional.of(Cable.Ending.PIGTAIL)) ? PIGTAIL : 1e-9;
  }

  /// Parts that stand bare on the plate of a metal cabinet whose own metal is joined.
  private void plates() {
    if (!study.project().brief().policies().chose(School.EARTHING_SYSTEM, "mesh")) return;
    for (var cabinet : study.project().layout().cabinets()) {
      var body = cabinet.device().flatMap(study::device).flatMap(this::protectiveOf);
      if (body.isEmpty() || !cabinet.shell().housing().metal()) continue;
      for (var placed : study.project().layout().placements()) {
        if (!placed.cabinet().equals(cabinet.id()) || placed.surface() != Surface.PLATE) continue;
        var device = study.device(placed.device());
        var foot = device.flatMap(this::protectiveOf);
        if (foot.isEmpty()
            || study.part(device.get()).flatMap(part -> part.row()).isPresent()
            || !bare(device.get()).orElse(false)
            || node(foot.get()) == node(body.get())) continue;
        bonds.add(
            new Bond(
                Bond.Kind.PLATE,
                device.get().id(),
                device.get().designation().text(),
                foot.get(),
                body.get(),
                FOOT_OHMS,
                FOOT_HENRY));
      }
    }
  }

  /// The setting `Foot` of a device, `painted`: what it stands on is not bare, and joins nothing.
  boolean painted(Device device) {
    return study
        .project()
        .setting(device.id(), FOOT)
        .filter(value -> value.strip().equalsIgnoreCase(PAINTED))
        .isPresent();
  }

  /// Whether a part stands bare on the metal plate of its cabinet, in any school; empty where it is
  /// not mounted.
  public Optional<Boolean> bare(Device device) {
    var layout = study.project().layout();
    return layout
        .placement(device.id())
        .map(placed ->
            placed.surface() == Surface.PLATE
                && !painted(device)
                && layout.cabinets().stream()
                    .anyMatch(cabinet ->
                        cabinet.id().equals(placed.cabinet())
                            && cabinet.shell().housing().metal()));
  }

  // Rings and impedances

  /// Wires first, then plates, then shields: what closes a ring last is what one would open.
  private void rings() {
    var root = new HashMap<Integer, Integer>();
    for (var bond : bonds.stream().sorted(Comparator.comparing(Bond::kind)).toList()) {
      var a = find(node(bond.from()), root);
      var b = find(node(bond.to()), root);
      if (a == b) {
        loops.add(new Loop(bond, matters(bond)));
      } else root.put(Math.max(a, b), Math.min(a, b));
    }
    // 0 V that is earthed again closes a ring over itself.
    for (var joined : zero.joined())
      for (var again :
          joined.wires().subList(Math.min(1, joined.wires().size()), joined.wires().size()))
        bonds.stream()
            .filter(b -> b.about().equals(again.id()))
            .filter(b -> loops.stream().noneMatch(l -> l.closes() == b))
            .forEach(b -> loops.add(new Loop(b, true)));
  }

  /// A shield of a motor beside its own protective conductor is wanted.
  private boolean matters(Bond bond) {
    return bond.kind() == Bond.Kind.ZERO_VOLT
        || (bond.kind() == Bond.Kind.SHIELD
            && Stream.of(bond.from(), bond.to())
                .flatMap(end -> study.device(end.device()).stream())
                .flatMap(device -> study.part(device).stream())
                .noneMatch(part -> part.motor()));
  }

  private static int find(int of, Map<Integer, Integer> root) {
    var at = of;
    while (root.get(at) instanceof Integer next) at = next;
    return at;
  }

  Optional<Integer> inlet() {
    return study.project().devices().stream()
        .filter(d -> study.part(d).filter(Part::mainsInlet).isPresent())
        .flatMap(d -> protectiveOf(d).stream())
        .map(this::node)
        .filter(n -> n >= 0)
        .findFirst();
  }

  /// Only who looks at ohms waits for them.
  Map<Integer, Piece> solved() {
    return study.once(
        "bonding solved",
        () -> {
          var inlet = inlet();
          if (inlet.isEmpty() || pieces.size() > MOST) return pieces;
          var earth = new ToEarth(bonds, this::node, inlet.get());
          var mains = earth.at(study.project().brief().supply().frequency().hertz());
          var fast = earth.at(FAST);
          Map<Integer, Piece> all = new LinkedHashMap<>();
          pieces.forEach((node, piece) ->
              all.put(
                  node,
                  new Piece(
                      piece.at(),
                      piece.device(),
                      Optional.ofNullable(mains.get(node)),
                      Optional.ofNullable(fast.get(node)))));
          return all;
        });
  }
}
