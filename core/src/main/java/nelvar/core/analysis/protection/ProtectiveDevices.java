package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.model.Conductor;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// The protective devices of a project, each with what flows through it and what it protects.
public final class ProtectiveDevices {
  /// @param design greatest design current of its poles
  /// @param inrushPeak greatest instantaneous current of its poles at switching on
  /// @param inrushDuration how long that lasts
  /// @param feeds loads it protects as the nearest device
  /// @param wires conductors it protects as the nearest device
  public record Protecting(
      Feed.Protector device,
      Current design,
      Current running,
      Current inrushPeak,
      Duration inrushDuration,
      Set<Feed> feeds,
      List<Conductor> wires) {}

  private ProtectiveDevices() {}

  public static List<Protecting> all(Study study) {
    return List.copyOf(study.once(ProtectiveDevices.class, () -> find(study)).values());
  }

  public static java.util.Optional<Protecting> of(Feed.Protector protector, Study study) {
    return java.util.Optional.ofNullable(
        study.once(ProtectiveDevices.class, () -> find(study)).get(protector));
  }

  private static Map<Feed.Protector, Protecting> find(Study study) {
    var wires = new LinkedHashMap<Feed.Protector, List<Conductor>>();
    for (var conductor : study.project().conductors()) {
      study
          .circuit(conductor)
          .flatMap(circuit -> circuit.protection())
          .ifPresent(protection ->
              wires.computeIfAbsent(protection, _ -> new ArrayList<>()).add(conductor));
    }
    var feeds = new LinkedHashMap<Feed.Protector, Set<Feed>>();
    for (var feed : study.network().feeds()) {
      if (feed.lineWays().isEmpty()) continue;
      study
          .network()
          .protection(feed.lineWays().getFirst())
          .ifPresent(protection ->
              feeds.computeIfAbsent(protection, _ -> new LinkedHashSet<>()).add(feed));
    }
    var all = new LinkedHashMap<Feed.Protector, Protecting>();
    var topology = study.network().topology();
    for (var edge = 0; edge < topology.edgeCount(); edge++) {
      if (!(topology.edge(edge) instanceof Edge.Through(var device, var link))
          || link.protection().isEmpty()) continue;
      var protector = new Feed.Protector(device, link.protection().get());
      var sum = study.currents().edge(edge);
      var pole =
          new Protecting(
              protector,
              new Current(sum.design()),
              new Current(sum.running()),
              new Current(sum.inrushPeak()),
              new Duration(sum.inrushSeconds()),
              feeds.getOrDefault(protector, Set.of()),
              wires.getOrDefault(protector, List.of()));
      all.merge(
          protector,
          pole,
          (a, b) ->
              new Protecting(
                  protector,
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

  /// The fraction of a wire's ampacity that a protective device may be rated for: 1, or less for gG
  /// fuses read strictly.
  public static double shareOfAmpacity(ProtectiveDevice protection, Study study) {
    return switch (protection) {
      case ProtectiveDevice.Breaker _,
          ProtectiveDevice.Electronic _,
          ProtectiveDevice.MotorSwitch _ ->
          1;
      case ProtectiveDevice.Fuse(var rating, var fuse) ->
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
