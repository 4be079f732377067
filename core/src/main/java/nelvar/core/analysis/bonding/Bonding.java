package nelvar.core.analysis.bonding;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import nelvar.core.network.Source;
import nelvar.core.network.solve.Phasor;
import nelvar.core.standards.CopperResistance;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// The bonding network of a machine.
///
/// Each wire has its copper and 1 µH/m, a shield that is joined at both ends 10 mΩ/m and 1 µH/m and
/// what its ends add, a part on a bare plate 1 mΩ and 20 nH (common practice and memory). Parts
/// count as standing bare on their plate where the Brief earths as a mesh and the cabinet is of
/// metal; paint under a lug is not known here, and is measured when the machine is tested.
public final class Bonding {
  /// H/m.
  private static final double WIRE = 1e-6;

  private static final double SHIELD = 0.010;
  private static final double PIGTAIL = 43e-9;
  private static final double FOOT_OHMS = 1e-3;
  private static final double FOOT_HENRY = 20e-9;

  /// Hz: where fast edges are felt.
  public static final double FAST = 1e6;

  /// So many pieces of metal are solved; beyond, their impedances are left out.
  private static final int MOST = 400;

  private final Study study;
  private final int[] joined;
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

  /// How often the 0 V of a supply is joined to earth.
  ///
  /// @param wires protective conductors that join it; @param inside devices that do by themselves
  public record ZeroVolt(Source source, List<Conductor> wires, List<Device> inside) {
    public ZeroVolt {
      wires = List.copyOf(wires);
      inside = List.copyOf(inside);
    }

    public int times() {
      return wires.size() + inside.size();
    }
  }

  private Bonding(Study study) {
    this.study = study;
    this.joined = study.network().topology().joinedNodes();
    for (var device : study.project().devices()) protective(device);
    conductors();
    shields();
    plates();
    rings();
    solved();
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
    return pieces.values().stream()
        .sorted(Comparator.comparingDouble(p -> -p.fast().orElse(Double.MAX_VALUE)))
        .toList();
  }

  /// What joins a piece of metal to others.
  public List<Bond> of(Piece piece) {
    var node = node(piece.at());
    return bonds.stream().filter(b -> node(b.from()) == node || node(b.to()) == node).toList();
  }

  private int node(TerminalRef end) {
    var node = study.network().topology().node(end);
    return node < 0 ? -1 : joined[node];
  }

  private Optional<TerminalRef> protectiveOf(Device device) {
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
              : zeroVolts().contains(working(wire.from()))
                      || zeroVolts().contains(working(wire.to()))
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

  // 0 V

  private int[] workingNets() {
    return study.once(
        "working nets",
        () -> {
          var topology = study.network().topology();
          var root = new int[joined.length];
          for (var i = 0; i < root.length; i++) root[i] = i;
          for (var wire : study.project().conductors()) {
            if (!wire.carriesWork()) continue;
            var a = topology.node(wire.from());
            var b = topology.node(wire.to());
            if (a < 0 || b < 0) continue;
            var one = root(joined[a], root);
            var other = root(joined[b], root);
            root[Math.max(one, other)] = Math.min(one, other);
          }
          var nets = new int[joined.length];
          for (var i = 0; i < nets.length; i++) nets[i] = root(joined[i], root);
          return nets;
        });
  }

  private static int root(int of, int[] root) {
    var at = of;
    while (root[at] != at) at = root[at];
    return at;
  }

  private int working(TerminalRef end) {
    var node = study.network().topology().node(end);
    return node < 0 ? -1 : workingNets()[node];
  }

  private Set<Integer> zeroVolts() {
    return study.once(
        "zero volts",
        () -> {
          var all = new HashSet<Integer>();
          for (var source : direct()) all.add(working(minus(source)));
          all.remove(-1);
          return all;
        });
  }

  private List<Source> direct() {
    return study.network().sources().stream()
        .filter(s -> !s.output().alternating() && s.output().back().isPresent())
        .toList();
  }

  private static TerminalRef minus(Source source) {
    return new TerminalRef(source.device().id(), source.output().back().orElseThrow());
  }

  /// Of every direct-current circuit once: supplies whose 0 V are joined are one.
  public List<ZeroVolt> zeroVolt() {
    var told = new HashSet<Integer>();
    var all = new ArrayList<ZeroVolt>();
    for (var source : direct()) {
      var net = working(minus(source));
      if (net < 0 || !told.add(net)) continue;
      var wires =
          study.project().conductors().stream()
              .filter(w -> w.function() == Conductor.Function.PROTECTIVE)
              .filter(w -> (working(w.from()) == net) != (working(w.to()) == net))
              .toList();
      var inside =
          study.project().devices().stream()
              .filter(d -> protectiveOf(d).filter(end -> working(end) == net).isPresent())
              .filter(d -> study.part(d).flatMap(p -> p.row()).isEmpty())
              .toList();
      all.add(new ZeroVolt(source, wires, inside));
    }
    return List.copyOf(all);
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

  private Optional<Integer> inlet() {
    return study.project().devices().stream()
        .filter(d -> study.part(d).filter(Part::mainsInlet).isPresent())
        .flatMap(d -> protectiveOf(d).stream())
        .map(this::node)
        .filter(n -> n >= 0)
        .findFirst();
  }

  private void solved() {
    var inlet = inlet();
    if (inlet.isEmpty() || pieces.size() > MOST) return;
    var reached = reached(inlet.get());
    var index = new LinkedHashMap<Integer, Integer>();
    for (var node : reached) if (!node.equals(inlet.get())) index.put(node, index.size());
    var mains = solve(index, inlet.get(), study.project().brief().supply().frequency().hertz());
    var fast = solve(index, inlet.get(), FAST);
    pieces.replaceAll((node, piece) -> {
      if (node.equals(inlet.get()))
        return new Piece(piece.at(), piece.device(), Optional.of(0.0), Optional.of(0.0));
      var at = index.get(node);
      return at == null
          ? piece
          : new Piece(piece.at(), piece.device(), Optional.of(mains[at]), Optional.of(fast[at]));
    });
  }

  private Set<Integer> reached(int from) {
    var all = new LinkedHashSet<Integer>(List.of(from));
    var more = true;
    while (more) {
      more = false;
      for (var bond : bonds) {
        var a = node(bond.from());
        var b = node(bond.to());
        if (all.contains(a) ? all.add(b) : all.contains(b) && all.add(a)) more = true;
      }
    }
    return all;
  }

  /// |Z| of each piece to the inlet: the diagonal of the inverse of the nodal admittances.
  private double[] solve(Map<Integer, Integer> index, int ground, double frequency) {
    var n = index.size();
    var a = new Phasor[n][2 * n];
    for (var row : a) Arrays.fill(row, Phasor.ZERO);
    for (var i = 0; i < n; i++) a[i][n + i] = new Phasor(1, 0);
    for (var bond : bonds) {
      var from = node(bond.from());
      var to = node(bond.to());
      var y =
          new Phasor(1, 0)
              .over(
                  new Phasor(Math.max(bond.ohms(), 1e-6), 2 * Math.PI * frequency * bond.henry()));
      var i = from == ground ? -1 : index.getOrDefault(from, -2);
      var j = to == ground ? -1 : index.getOrDefault(to, -2);
      if (i == -2 || j == -2 || i == j) continue;
      if (i >= 0) a[i][i] = a[i][i].plus(y);
      if (j >= 0) a[j][j] = a[j][j].plus(y);
      if (i >= 0 && j >= 0) {
        a[i][j] = a[i][j].minus(y);
        a[j][i] = a[j][i].minus(y);
      }
    }
    eliminate(a, n);
    var z = new double[n];
    for (var i = 0; i < n; i++) z[i] = a[i][n + i].magnitude();
    return z;
  }

  private static void eliminate(Phasor[][] a, int n) {
    for (var k = 0; k < n; k++) {
      var pivot = a[k][k];
      for (var j = k; j < 2 * n; j++) a[k][j] = a[k][j].over(pivot);
      for (var i = 0; i < n; i++) {
        if (i == k || a[i][k].equals(Phasor.ZERO)) continue;
        var f = a[i][k];
        for (var j = k; j < 2 * n; j++) a[i][j] = a[i][j].minus(f.times(a[k][j]));
      }
    }
  }
}
