package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Guard;
import nelvar.core.model.Conductor;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// The protective devices of a project, each with what flows through it and what it guards.
public final class Guards {
  /// @param design greatest design current of its poles
  /// @param inrushPeak greatest instantaneous current of its poles at switching on
  /// @param inrushDuration how long that lasts
  /// @param feeds loads it guards as the nearest device
  /// @param wires conductors it guards as the nearest device
  public record Guarding(
      Feed.Guarded device,
      Current design,
      Current running,
      Current inrushPeak,
      Duration inrushDuration,
      Set<Feed> feeds,
      List<Conductor> wires) {}

  private Guards() {}

  public static List<Guarding> all(Study study) {
    return List.copyOf(study.once(Guards.class, () -> find(study)).values());
  }

  public static java.util.Optional<Guarding> of(Feed.Guarded guarded, Study study) {
    return java.util.Optional.ofNullable(study.once(Guards.class, () -> find(study)).get(guarded));
  }

  private static Map<Feed.Guarded, Guarding> find(Study study) {
    var wires = new LinkedHashMap<Feed.Guarded, List<Conductor>>();
    for (var conductor : study.project().conductors()) {
      study
          .circuit(conductor)
          .flatMap(circuit -> circuit.guard())
          .ifPresent(guard -> wires.computeIfAbsent(guard, _ -> new ArrayList<>()).add(conductor));
    }
    var feeds = new LinkedHashMap<Feed.Guarded, Set<Feed>>();
    for (var feed : study.network().feeds()) {
      if (feed.lineWays().isEmpty()) continue;
      study
          .network()
          .guard(feed.lineWays().getFirst())
          .ifPresent(guard -> feeds.computeIfAbsent(guard, _ -> new LinkedHashSet<>()).add(feed));
    }
    var all = new LinkedHashMap<Feed.Guarded, Guarding>();
    var topology = study.network().topology();
    for (var edge = 0; edge < topology.edgeCount(); edge++) {
      if (!(topology.edge(edge) instanceof Edge.Through(var device, var link))
          || link.guard().isEmpty()) continue;
      var guarded = new Feed.Guarded(device, link.guard().get());
      var sum = study.currents().edge(edge);
      var pole =
          new Guarding(
              guarded,
              new Current(sum.design()),
              new Current(sum.running()),
              new Current(sum.inrushPeak()),
              new Duration(sum.inrushSeconds()),
              feeds.getOrDefault(guarded, Set.of()),
              wires.getOrDefault(guarded, List.of()));
      all.merge(
          guarded,
          pole,
          (a, b) ->
              new Guarding(
                  guarded,
                  max(a.design(), b.design()),
                  max(a.running(), b.running()),
                  max(a.inrushPeak(), b.inrushPeak()),
                  max(a.inrushDuration(), b.inrushDuration()),
                  a.feeds(),
                  a.wires()));
    }
    return all;
  }

  private static <T extends Comparable<T>> T max(T a, T b) {
    return a.compareTo(b) >= 0 ? a : b;
  }

  /// The fraction of a wire's ampacity that a guard may be rated for: 1, or less for gG fuses read
  /// strictly.
  public static double shareOfAmpacity(Guard guard, Study study) {
    return switch (guard) {
      case Guard.Breaker _, Guard.Electronic _, Guard.MotorSwitch _ -> 1;
      case Guard.Fuse(var rating, var fuse) ->
          !fuse.american()
                  && study.project().brief().policies().fuses()
                      == nelvar.core.model.Brief.FuseReading.STRICT
              ? nelvar.core.standards.FuseLink.fusingFactor(rating)
                  .map(factor -> Math.min(1, 1.45 / factor.value()))
                  .orElse(1.0)
              : 1;
    };
  }
}
