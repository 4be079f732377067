package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Disc;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.runs.Parting;
import nelvar.core.catalogue.CableStock;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.units.Length;

/// Where wires lie: in which ducts and trays, along which stretch of each, and how they look there.
///
/// @param in by duct, tray, conduit and carrier
public record Lays(Map<Id, Lies> in) {
  /// Between a wire and the metal beneath it outside cabinets, m, where nothing says more
  /// (assumed).
  private static final double FRAME = 0.05;

  /// To the nearest metal where plate or walls are none, m (assumed).
  private static final double NO_PLATE = 0.2;

  /// m that a length counts as that nobody said: longer than most edges (assumed).
  static final double UNKNOWN = 30;

  /// In one duct, tray, conduit or carrier.
  ///
  /// @param stretches from and to along a duct that is drawn, mm, none overlapping; empty where it
  ///   has no places
  /// @param length m
  /// @param height over metal, m
  /// @param radius of copper, or of the shield, m
  /// @param thick over all, m
  /// @param loop between it and its own way back, m; empty where that lies elsewhere
  /// @param turns for each metre of a twisted pair; 0 where it is not twisted
  /// @param signal whether it lies with the signals where a divider parts them from power
  /// @param known whether its length is; else it counts as longer than any edge
  public record Lies(
      Bundle bundle,
      List<double[]> stretches,
      double length,
      double height,
      double radius,
      double thick,
      Optional<Double> loop,
      double turns,
      boolean signal,
      boolean known) {
    /// Its way back somewhere else, over what all lies on.
    Lies apart() {
      return new Lies(
          bundle, stretches, length, height, radius, thick, Optional.empty(), 0, signal, known);
    }

    /// Its way back beside it.
    Lies looped(double apart) {
      return new Lies(
          bundle,
          stretches,
          length,
          height,
          radius,
          thick,
          Optional.of(loop.orElse(apart)),
          turns,
          signal,
          known);
    }
  }

  /// The same with their way back elsewhere.
  Lays withoutWayBack() {
    var all = new LinkedHashMap<Id, Lies>();
    in.forEach((id, lies) -> all.put(id, lies.apart()));
    return new Lays(Map.copyOf(all));
  }

  /// Those of a drawn duct cut to where both lie; the shorter of both where there are no places.
  static double together(Lies a, Lies b) {
    if (a.stretches().isEmpty() || b.stretches().isEmpty()) return Math.min(a.length(), b.length());
    var sum = 0.0;
    for (var one : a.stretches())
      for (var other : b.stretches())
        sum += Math.max(0, Math.min(one[1], other[1]) - Math.max(one[0], other[0]));
    return sum / 1000;
  }

  static Lays of(List<Conductor> wires, Study study) {
    var all = new LinkedHashMap<Id, Lies>();
    var lying = Lying.of(study);
    for (var wire : wires)
      for (var bundle : lying.of(wire)) {
        // Straight across a duct is beside nothing.
        if (lying.drawn(bundle) && lying.cuts(bundle, wire).isEmpty()) continue;
        all.merge(bundle.id(), one(wire, bundle, study), Lays::wider);
      }
    return new Lays(Map.copyOf(all));
  }

  /// Two wires of one group in one duct: all stretches; the cable's shape before that of a wire,
  /// else that of the thinner one, which others come nearer to.
  private static Lies wider(Lies a, Lies b) {
    var thinner = a.thick() <= b.thick() ? a : b;
    var cabled = a.loop().isPresent() ? a : b.loop().isPresent() ? b : thinner;
    return new Lies(
        a.bundle(),
        union(a.stretches(), b.stretches()),
        Math.max(a.length(), b.length()),
        cabled.height(),
        cabled.radius(),
        cabled.thick(),
        cabled.loop(),
        cabled.turns(),
        a.signal() && b.signal(),
        a.known() && b.known());
  }

  private static List<double[]> union(List<double[]> a, List<double[]> b) {
    var all = new ArrayList<>(a);
    all.addAll(b);
    all.sort(java.util.Comparator.comparingDouble(s -> s[0]));
    var merged = new ArrayList<double[]>();
    for (var next : all) {
      if (!merged.isEmpty() && next[0] <= merged.getLast()[1])
        merged.getLast()[1] = Math.max(merged.getLast()[1], next[1]);
      else merged.add(next.clone());
    }
    return List.copyOf(merged);
  }

  private static Lies one(Conductor wire, Bundle bundle, Study study) {
    var lying = Lying.of(study);
    List<double[]> stretches =
        lying.drawn(bundle)
            ? union(
                List.of(),
                lying.cuts(bundle, wire).stream()
                    .map(cut -> new double[] {cut.at(), cut.to()})
                    .toList())
            : List.of();
    var length =
        stretches.isEmpty()
            ? study.length(wire).map(Length::metres).orElse(UNKNOWN)
            : stretches.stream().mapToDouble(s -> s[1] - s[0]).sum() / 1000;
    var thick =
        Disc.of(List.of(wire), study).stream().findFirst().map(Disc::millimetres).orElse(2.5);
    var copper = Math.sqrt(wire.section().map(s -> s.squareMillimetres()).orElse(1.0) / Math.PI);
    var stock =
        study
            .cable(wire)
            .flatMap(c -> study.catalogue().find(c.stock()))
            .filter(CableStock.class::isInstance)
            .map(CableStock.class::cast);
    var height = height(bundle, study);
    return new Lies(
        bundle,
        stretches,
        length,
        Math.max(height, thick / 2000),
        (stock.filter(CableStock::shielded).isPresent() ? thick / 2 : copper) / 1000,
        thick / 1000,
        stock.map(s -> s.outerDiameter().metres() / 3),
        stock.flatMap(CableStock::pairs).map(_ -> 1 / LAY).orElse(0.0),
        Parting.signal(wire, study),
        !stretches.isEmpty() || study.length(wire).isPresent());
  }

  /// A twisted pair turns once in so many metres (assumed).
  private static final double LAY = 0.05;

  /// Over the nearest metal.
  private static double height(Bundle bundle, Study study) {
    var form = bundle.form();
    if (Lying.of(study).drawn(bundle) || bundle.inside())
      return metal(bundle, study) ? form.map(f -> f.height().metres() / 2).orElse(0.03) : NO_PLATE;
    return form.map(f ->
            switch (f.kind()) {
              case TRAY -> f.height().metres() / 2;
              case CONDUIT, DUCT -> f.height().metres() / 2 + 0.01;
              case CARRIER, LOOM, COIL -> FRAME;
            })
        .orElse(FRAME);
  }

  /// Whether the cabinet that it lies in has a metal plate.
  private static boolean metal(Bundle bundle, Study study) {
    return study.project().layout().cabinets().stream()
        .filter(c ->
            c.id().equals(bundle.id())
                || c.ducts().stream().map(Cabinet.Duct::id).anyMatch(bundle.id()::equals))
        .findFirst()
        .map(c -> c.shell().housing().metal())
        .orElse(true);
  }
}
