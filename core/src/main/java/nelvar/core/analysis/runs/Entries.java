package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Box;
import nelvar.core.catalogue.CableStock;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Cable;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.standards.Glands;

/// Where cables enter a cabinet: one gland each, in rows on the side cables leave at, in the order
/// of what they lead to, so that they do not cross.
public final class Entries {
  /// Between the nuts of two glands, mm: room for a spanner (common practice).
  private static final double SPANNER = 4;

  /// Left free at the ends of the side, mm.
  private static final double EDGE = 30;

  private final List<Entry> entries;
  private final int rows;
  private final int most;
  private final Map<Id, Entry> byCable = new HashMap<>();

  /// One cable at the wall.
  ///
  /// @param diameter of the cable, mm; empty where its stock is not known
  /// @param gland what was said, else the smallest that holds it; empty where none of the table
  ///   does
  /// @param said whether somebody said so
  /// @param aside of the middle of the side, mm
  /// @param row 0 nearest to the plate
  public record Entry(
      Cable cable,
      Optional<Double> diameter,
      Optional<Cable.Gland> gland,
      boolean said,
      double aside,
      int row) {}

  private Entries(Cabinet cabinet, Study study) {
    var leaving = leaving(cabinet, study);
    var upright =
        cabinet.shell().cables() == Shell.Side.LEFT || cabinet.shell().cables() == Shell.Side.RIGHT;
    var side = cabinet.shell().size(upright ? Surface.LEFT : Surface.TOP);
    var along = Box.mm(upright ? side.height() : side.width());
    var deep = Box.mm(upright ? side.width() : side.height());
    var all = new ArrayList<Entry>();
    var rowOf = new ArrayList<List<Entry>>();
    var width = 0.0;
    var row = new ArrayList<Entry>();
    var highest = 0.0;
    for (var entry : leaving.values()) {
      var takes = takes(entry);
      highest = Math.max(highest, takes);
      if (width + takes > along - 2 * EDGE && !row.isEmpty()) {
        rowOf.add(row);
        row = new ArrayList<>();
        width = 0;
      }
      row.add(entry);
      width += takes;
    }
    if (!row.isEmpty()) rowOf.add(row);
    for (var r = 0; r < rowOf.size(); r++) {
      var sum = rowOf.get(r).stream().mapToDouble(Entries::takes).sum();
      var at = -sum / 2;
      for (var entry : rowOf.get(r)) {
        var takes = takes(entry);
        all.add(
            new Entry(
                entry.cable(), entry.diameter(), entry.gland(), entry.said(), at + takes / 2, r));
        at += takes;
      }
    }
    entries = List.copyOf(all);
    rows = rowOf.size();
    most = highest == 0 ? Integer.MAX_VALUE : (int) Math.max(1, (deep - EDGE) / highest);
    for (var entry : entries) byCable.put(entry.cable().id(), entry);
  }

  public static Entries of(Cabinet cabinet, Study study) {
    return study.once(List.of(Entries.class, cabinet.id()), () -> new Entries(cabinet, study));
  }

  /// Cables with one end in it and another outside, from left to right by what they lead to.
  private static Map<Id, Entry> leaving(Cabinet cabinet, Study study) {
    record Leads(Cable cable, double x) {}
    var found = new ArrayList<Leads>();
    for (var cable : study.project().cables()) {
      var sum = 0.0;
      var count = 0;
      for (var core : study.cores(cable.id())) {
        var from = here(core.from().device(), cabinet, study);
        var to = here(core.to().device(), cabinet, study);
        if (from.isPresent() == to.isPresent()) continue;
        sum += from.or(() -> to).orElseThrow();
        count++;
      }
      if (count > 0) found.add(new Leads(cable, sum / count));
    }
    found.sort(Comparator.comparingDouble(Leads::x).thenComparing(leads -> leads.cable().label()));
    var all = new LinkedHashMap<Id, Entry>();
    for (var leads : found) {
      var cable = leads.cable();
      var diameter =
          study.catalogue().find(cable.stock()).orElse(null) instanceof CableStock stock
              ? Optional.of(stock.outerDiameter().metres() * 1000)
              : Optional.<Double>empty();
      all.put(
          cable.id(),
          new Entry(
              cable,
              diameter,
              cable.gland().or(() -> diameter.flatMap(Entries::fitting)),
              cable.gland().isPresent(),
              0,
              0));
    }
    return all;
  }

  /// Where it is from left to right; what belongs in a cabinet and takes no place of its own, or
  /// has none yet, is in the first, for the time being in its middle.
  private static Optional<Double> here(Id device, Cabinet cabinet, Study study) {
    var body = Bodies.of(study).of(device).filter(b -> !b.later());
    if (body.isPresent())
      return body.filter(b -> b.at().cabinet().equals(cabinet.id())).map(b -> b.box().middleX());
    return study
        .device(device)
        .filter(it -> it.place() != Place.MACHINE)
        .filter(_ -> study.project().layout().cabinets().getFirst().equals(cabinet))
        .map(_ -> Box.mm(cabinet.shell().mountingPlate().width()) / 2);
  }

  /// The smallest that holds and seals it.
  public static Optional<Cable.Gland> fitting(double diameter) {
    for (var gland : Cable.Gland.values())
      if (gland != Cable.Gland.FRAME && holds(gland, diameter)) return Optional.of(gland);
    return Optional.empty();
  }

  /// The greatest that goes through it with the cable, mm: a gland lets through what it clamps, a
  /// frame what its window is high, as it is laid open (common practice).
  public static double passes(Cable.Gland gland) {
    return gland == Cable.Gland.FRAME ? WINDOW : most(gland);
  }

  private static final double WINDOW = 34;

  public static boolean holds(Cable.Gland gland, double diameter) {
    return diameter >= least(gland) - 1e-9 && diameter <= most(gland) + 1e-9;
  }

  public static double least(Cable.Gland gland) {
    return Glands.least(gland.thread()).orElseThrow().value().metres() * 1000;
  }

  public static double most(Cable.Gland gland) {
    return Glands.most(gland.thread()).orElseThrow().value().metres() * 1000;
  }

  private static double takes(Entry entry) {
    return entry
            .gland()
            .map(g -> Glands.across(g.thread()).orElseThrow().value().metres() * 1000)
            .orElseGet(() -> entry.diameter().orElse(10.0) + 10)
        + SPANNER;
  }

  public List<Entry> all() {
    return entries;
  }

  public int rows() {
    return rows;
  }

  /// Rows that find room on that side.
  public int mostRows() {
    return most;
  }

  public Optional<Entry> of(Id cable) {
    return Optional.ofNullable(byCable.get(cable));
  }
}
