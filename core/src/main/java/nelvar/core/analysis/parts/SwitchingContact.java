package nelvar.core.analysis.parts;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Link;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.PoleRef;
import nelvar.core.network.solve.Sets;

/// One contact, or output, with the loads behind it.
final class SwitchingContact {
  private final Device device;
  private final Link link;
  private final List<Feed> feeds = new ArrayList<>();
  private int inSeries = 1;

  /// Where no load is laid through it, as for all but one of a set in parallel.
  private int edge = -1;

  SwitchingContact(Device device, Link link) {
    this.device = device;
    this.link = link;
  }

  /// In parallel with another, and so before the same loads.
  SwitchingContact likewise(SwitchingContact other) {
    feeds.addAll(other.feeds);
    inSeries = other.inSeries;
    return this;
  }

  boolean alternating() {
    return feeds.stream().flatMap(f -> f.source().stream()).anyMatch(s -> s.output().alternating());
  }

  Subject subject() {
    return new Subject.AtPole(pole().a(), pole().b());
  }

  PoleRef pole() {
    return new PoleRef(
        new TerminalRef(device.id(), link.a()), new TerminalRef(device.id(), link.b()));
  }

  Device device() {
    return device;
  }

  Link link() {
    return link;
  }

  List<Feed> feeds() {
    return feeds;
  }

  int inSeries() {
    return inSeries;
  }

  int edge() {
    return edge;
  }

  /// `K3 13–14`.
  String name() {
    return device.designation() + " " + link.a() + "–" + link.b();
  }

  /// Every contact that a load is behind, by its terminals.
  static Map<PoleRef, SwitchingContact> before(Study study) {
    return before(study, List.of(Link.Kind.CONTACT));
  }

  /// Every way of these kinds that a load is behind.
  static Map<PoleRef, SwitchingContact> before(Study study, List<Link.Kind> kinds) {
    var all = new java.util.LinkedHashMap<PoleRef, SwitchingContact>();
    for (var feed : study.network().feeds()) {
      var own = new java.util.LinkedHashMap<PoleRef, SwitchingContact>();
      for (var way : ways(feed))
        for (var edge : way)
          if (study.network().topology().edge(edge) instanceof Edge.Through(var device, var link)
              && kinds.contains(link.kind())) {
            var contact = new SwitchingContact(device, link);
            contact.edge = edge;
            own.put(contact.pole(), contact);
          }
      for (var one : own.values()) {
        var contact = all.computeIfAbsent(one.pole(), _ -> one);
        contact.feeds.add(feed);
        var inSeries =
            own.values().stream().filter(other -> other.device.equals(one.device)).count();
        contact.inSeries = Math.max(contact.inSeries, Math.toIntExact(inSeries));
      }
    }
    return all;
  }

  /// By contact, all contacts between the same two metals, itself among them.
  static Map<PoleRef, List<SwitchingContact>> together(Study study) {
    var topology = study.network().topology();
    var sets = new Sets(topology.nodeCount());
    for (var edge = 0; edge < topology.edgeCount(); edge++) {
      var joins =
          switch (topology.edge(edge)) {
            case Edge.Wire(Conductor conductor) -> conductor.carriesWork();
            case Edge.Through(_, var link) -> link.kind() == Link.Kind.JOINED;
          };
      if (joins) sets.join(topology.from(edge), topology.otherEnd(edge, topology.from(edge)));
    }
    var byEnds = new HashMap<java.util.Set<Integer>, List<SwitchingContact>>();
    for (var device : study.project().devices())
      for (var link : study.part(device).stream().flatMap(p -> p.links().stream()).toList()) {
        if (link.kind() != Link.Kind.CONTACT) continue;
        var contact = new SwitchingContact(device, link);
        var pole = contact.pole();
        var a = sets.find(topology.node(pole.a()));
        var b = sets.find(topology.node(pole.b()));
        if (a != b)
          byEnds.computeIfAbsent(java.util.Set.of(a, b), _ -> new ArrayList<>()).add(contact);
      }
    var all = new HashMap<PoleRef, List<SwitchingContact>>();
    for (var group : byEnds.values()) for (var one : group) all.put(one.pole(), group);
    return all;
  }

  private static List<List<Integer>> ways(Feed feed) {
    return Stream.concat(feed.lineWays().stream(), Stream.of(feed.backWay())).toList();
  }
}
