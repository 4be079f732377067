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
  public record Branch(
      Kind kind,
      Device device,
      Optional<Feed.Guarded> guard,
      Optional<Feed> feed,
      Optional<Source> gives,
      Source hangsOn,
      Current design,
      Current running,
      Power power,
      List<Device> cutBy,
      List<Branch> children) {
    /// This branch and all below it, from the top.
    public Stream<Branch> all() {
      return Stream.concat(Stream.of(this), children.stream().flatMap(Branch::all));
    }
  }

  public enum Kind {
    INLET,
    GUARD,
    CONVERTER,
    LOAD
  }

  private final Study study;
  private final Set<Source> open = new LinkedHashSet<>();

  private PowerTree(Study study) {
    this.study = study;
  }

  /// The tree of each mains inlet, then of each source that no inlet feeds.
  public static List<Branch> of(Study study) {
    var tree = new PowerTree(study);
    var roots = new ArrayList<Branch>();
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
      root.all().forEach(branch -> shown.add(branch.device()));
      roots.add(root);
    }
    return roots;
  }

  private Branch root(Source source) {
    var children = under(source);
    return new Branch(
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

  private static Power sum(List<Branch> children) {
    return new Power(children.stream().mapToDouble(child -> child.power().watts()).sum());
  }

  private List<Branch> under(Source source) {
    if (!open.add(source)) return List.of();
    var groups = new LinkedHashMap<Optional<Feed.Guarded>, List<Feed>>();
    for (var feed : study.currents().served(source))
      groups
          .computeIfAbsent(
              study.network().guard(feed.lineWays().getFirst()), _ -> new ArrayList<>())
          .add(feed);
    var children = new ArrayList<Branch>();
    groups.forEach((guard, feeds) -> {
      var below = below(feeds, source);
      if (below.isEmpty()) return;
      if (guard.isEmpty()) children.addAll(below);
      else children.add(guard(guard.get(), source, below));
    });
    open.remove(source);
    return children;
  }

  /// One branch a feed; the intakes of one converter, which all feed the same outputs, together.
  private List<Branch> below(List<Feed> feeds, Source source) {
    var byDevice = new LinkedHashMap<nelvar.core.model.Id, List<Branch>>();
    for (var feed : feeds)
      if (worthShowing(feed))
        byDevice
            .computeIfAbsent(feed.device().id(), _ -> new ArrayList<>())
            .add(branch(feed, source));
    return byDevice.values().stream()
        .flatMap(all ->
            all.size() > 1 && all.getFirst().kind() == Kind.CONVERTER
                ? Stream.of(together(all))
                : all.stream())
        .toList();
  }

  private static Branch together(List<Branch> all) {
    var first = all.getFirst();
    return new Branch(
        first.kind(),
        first.device(),
        first.guard(),
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

  private Branch guard(Feed.Guarded guard, Source source, List<Branch> below) {
    var guarding = nelvar.core.analysis.protection.Guards.of(guard, study);
    var design = guarding.map(g -> g.design()).orElse(new Current(0));
    var running = guarding.map(g -> g.running()).orElse(new Current(0));
    return new Branch(
        Kind.GUARD,
        guard.device(),
        Optional.of(guard),
        Optional.empty(),
        Optional.empty(),
        source,
        design,
        running,
        sum(below),
        contacts(below.getFirst().feed().orElseThrow(), true),
        below);
  }

  private Branch branch(Feed feed, Source source) {
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
            : List.<Branch>of();
    return new Branch(
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
  private List<Device> contacts(Feed feed, boolean beforeGuard) {
    var devices = new LinkedHashSet<Device>();
    for (var way : feed.lineWays()) {
      var guardAt = guardAt(way);
      for (var i = 0; i < way.size(); i++) {
        if (i < guardAt != beforeGuard) continue;
        if (study.network().topology().edge(way.get(i))
                instanceof Edge.Through(var device, var link)
            && (link.kind() == Link.Kind.CONTACT || link.kind() == Link.Kind.OUTPUT))
          devices.add(device);
      }
    }
    return List.copyOf(devices);
  }

  private int guardAt(List<Integer> way) {
    for (var i = way.size() - 1; i >= 0; i--)
      if (study.network().topology().edge(way.get(i)) instanceof Edge.Through(_, var link)
          && link.guard().isPresent()) return i;
    return -1;
  }
}
