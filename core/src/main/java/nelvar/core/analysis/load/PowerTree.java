package nelvar.core.analysis.load;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.Link;
import nelvar.core.model.Device;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.units.Current;
import nelvar.core.units.Power;

/// The feeds of a machine as a tree from the inlet: sources, the protective devices behind them,
/// what each feeds.
///
/// Found from the wiring: a feed hangs under the protective device nearest before it, else under
/// its source.
public final class PowerTree {
  /// One point of the tree.
  ///
  /// @param design current with everything on that can be on together: of a load its own in full
  /// @param power taken from what it hangs on, at design
  /// @param cutBy devices with contacts in the way since the point it hangs on, stop devices among
  ///   them
  public record Point(
      Kind kind,
      Device device,
      Optional<Feed.Protector> protection,
      Optional<Feed> feed,
      Optional<Source> gives,
      Source hangsOn,
      Current design,
      Current running,
      Power power,
      List<Device> cutBy,
      List<Point> children) {
    /// This branch and all below it, from the top.
    public Stream<Point> all() {
      return Stream.concat(Stream.of(this), children.stream().flatMap(Point::all));
    }
  }

  public enum Kind {
    INLET,
    PROTECTION,
    CONVERTER,
    LOAD
  }

  private final Study study;
  private final Set<Source> open = new LinkedHashSet<>();

  private PowerTree(Study study) {
    this.study = study;
  }

  /// The tree of each mains inlet, then of each source that no inlet feeds.
  public static List<Point> of(Study study) {
    var tree = new PowerTree(study);
    var roots = new ArrayList<Point>();
    var shown = new LinkedHashSet<Device>();
    for (var source : study.network().sources()) {
      var fedItself =
          study.network().feeds(source.device().id()).stream()
              .anyMatch(feed -> feed.source().isPresent());
      if (fedItself || shown.contains(source.device())) continue;
      var isInlet =
          study.part(source.device()).orElse(null) instanceof nelvar.core.catalogue.MainsInlet;
      if (!isInlet && study.currents().served(source).isEmpty()) continue;
      var root = tree.root(source);
      root.all().forEach(point -> shown.add(point.device()));
      roots.add(root);
    }
    return roots;
  }

  private Point root(Source source) {
    var children = under(source);
    return new Point(
        Kind.INLET,
        source.device(),
        Optional.empty(),
        Optional.empty(),
        Optional.of(source),
        source,
        study.designCurrent(source),
        study.runningCurrent(source),
        sum(children),
        List.of(),
        children);
  }

  private static Power sum(List<Point> children) {
    return new Power(children.stream().mapToDouble(child -> child.power().watts()).sum());
  }

  private List<Point> under(Source source) {
    if (!open.add(source)) return List.of();
    var groups = new LinkedHashMap<Optional<Feed.Protector>, List<Feed>>();
    for (var feed : study.currents().served(source))
      groups
          .computeIfAbsent(
              study.network().protection(feed.lineWays().getFirst()), _ -> new ArrayList<>())
          .add(feed);
    var children = new ArrayList<Point>();
    groups.forEach((protection, feeds) -> {
      var below = below(feeds, source);
      if (below.isEmpty()) return;
      if (protection.isEmpty()) children.addAll(below);
      else children.add(protection(protection.get(), source, below));
    });
    open.remove(source);
    return children;
  }

  /// One branch a feed; the intakes of one converter, which all feed the same outputs, together.
  private List<Point> below(List<Feed> feeds, Source source) {
    var byDevice = new LinkedHashMap<nelvar.core.model.Id, List<Point>>();
    for (var feed : feeds)
      if (worthShowing(feed))
        byDevice
            .computeIfAbsent(feed.device().id(), _ -> new ArrayList<>())
            .add(point(feed, source));
    return byDevice.values().stream()
        .flatMap(all ->
            all.size() > 1 && all.getFirst().kind() == Kind.CONVERTER
                ? Stream.of(together(all))
                : all.stream())
        .toList();
  }

  private static Point together(List<Point> all) {
    var first = all.getFirst();
    return new Point(
        first.kind(),
        first.device(),
        first.protection(),
        first.feed(),
        first.gives(),
        first.hangsOn(),
        new Current(all.stream().mapToDouble(one -> one.design().amperes()).sum()),
        new Current(all.stream().mapToDouble(one -> one.running().amperes()).sum()),
        sum(all),
        first.cutBy(),
        first.children());
  }

  /// Of a stepper motor's two coils one is enough; it is the other in mirror.
  private boolean worthShowing(Feed feed) {
    return !(feed.intake().name().equals("B")
        && study.network().feeds(feed.device().id()).size() > 1);
  }

  private Point protection(Feed.Protector protection, Source source, List<Point> below) {
    var protecting = nelvar.core.analysis.protection.ProtectiveDevices.of(protection, study);
    var design = protecting.map(g -> g.design()).orElse(new Current(0));
    var running = protecting.map(g -> g.running()).orElse(new Current(0));
    return new Point(
        Kind.PROTECTION,
        protection.device(),
        Optional.of(protection),
        Optional.empty(),
        Optional.empty(),
        source,
        design,
        running,
        sum(below),
        contacts(below.getFirst().feed().orElseThrow(), true),
        below);
  }

  private Point point(Feed feed, Source source) {
    var outputs = study.network().sources(feed.device());
    var converts =
        feed.intake().demand() instanceof Demand.Converts
            || feed.intake().demand() instanceof Demand.Chops;
    var drawn = study.currents().drawn(feed);
    var children =
        converts
            ? outputs.stream()
                .flatMap(output -> under(output).stream())
                .filter(child -> child.feed().map(this::worthShowing).orElse(true))
                .toList()
            : List.<Point>of();
    return new Point(
        converts ? Kind.CONVERTER : Kind.LOAD,
        feed.device(),
        Optional.empty(),
        Optional.of(feed),
        converts ? outputs.stream().findFirst() : Optional.empty(),
        source,
        new Current(drawn.full()),
        new Current(drawn.running()),
        new Power(drawn.designWatts() * feed.device().work().simultaneityFactor()),
        contacts(feed, false),
        children);
  }

  /// Devices with contacts on the way from the source: before the protective device nearest to the
  /// load, or after it.
  private List<Device> contacts(Feed feed, boolean beforeProtection) {
    var devices = new LinkedHashSet<Device>();
    for (var way : feed.lineWays()) {
      var protectionAt = protectionAt(way);
      for (var i = 0; i < way.size(); i++) {
        if (i < protectionAt != beforeProtection) continue;
        if (study.network().topology().edge(way.get(i))
                instanceof Edge.Through(var device, var link)
            && (link.kind() == Link.Kind.CONTACT || link.kind() == Link.Kind.OUTPUT))
          devices.add(device);
      }
    }
    return List.copyOf(devices);
  }

  private int protectionAt(List<Integer> way) {
    for (var i = way.size() - 1; i >= 0; i--)
      if (study.network().topology().edge(way.get(i)) instanceof Edge.Through(_, var link)
          && link.protection().isPresent()) return i;
    return -1;
  }
}
