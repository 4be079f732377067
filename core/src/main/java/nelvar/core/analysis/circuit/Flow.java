package nelvar.core.analysis.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;

/// Which end of each conductor the current comes to first: as the ways of the feeds lead, and for
/// signals from what gives them to what reads them. Which way round alternating current is drawn is
/// a convention: from the source outwards.
final class Flow {
  private static final int BAR = 0;
  private static final int GIVES = 1;
  private static final int OTHER = 3;
  private static final int READS = 8;
  private static final int BACK = 9;
  private static final int EARTH = 10;

  private final Study study;
  private final Map<Id, TerminalRef> first = new HashMap<>();

  private Flow(Study study) {
    this.study = study;
  }

  /// By conductor, the end that comes first.
  static Map<Id, TerminalRef> of(Study study) {
    var flow = new Flow(study);
    for (var feed : study.network().feeds())
      for (var line = 0; line < feed.lineWays().size(); line++)
        flow.along(feed.lineWays().get(line), flow.start(feed, feed.lineStarts().get(line)));
    for (var feed : study.network().feeds()) flow.back(feed);
    for (var wire : study.project().conductors())
      if (!flow.first.containsKey(wire.id())) flow.first.put(wire.id(), flow.byKind(wire));
    return flow.first;
  }

  /// The node of one of its source's terminals; -1 where there is none.
  private int start(Feed feed, int terminal) {
    return feed.source()
        .map(source -> study.network().walks(source))
        .filter(walks -> terminal >= 0 && terminal < walks.size())
        .map(walks -> walks.get(terminal).start())
        .orElse(-1);
  }

  private void along(List<Integer> way, int start) {
    var topology = study.network().topology();
    var node = start;
    if (node < 0) return;
    for (var edge : way) {
      if (topology.edge(edge) instanceof Edge.Wire(var wire))
        first.putIfAbsent(wire.id(), topology.terminal(node));
      node = topology.otherEnd(edge, node);
    }
  }

  /// The way back is drawn from the load down to the bar it leads to, and from the source to that
  /// bar too. Where alternating current finds no such bar, both its ways are drawn from the source.
  private void back(Feed feed) {
    var start = start(feed, feed.backStart());
    if (feed.backWay().isEmpty() || start < 0) return;
    var topology = study.network().topology();
    var way = feed.backWay();
    var nodes = new ArrayList<Integer>(List.of(start));
    for (var edge : way) nodes.add(topology.otherEnd(edge, nodes.getLast()));
    var bar = -1;
    for (var i = 0; i < nodes.size(); i++) if (takesBack(topology.terminal(nodes.get(i)))) bar = i;
    var alternating = feed.source().filter(s -> s.output().alternating()).isPresent();
    if (bar < 0) bar = alternating ? way.size() : 0;
    for (var i = 0; i < way.size(); i++)
      if (topology.edge(way.get(i)) instanceof Edge.Wire(var wire))
        first.putIfAbsent(wire.id(), topology.terminal(nodes.get(i < bar ? i : i + 1)));
  }

  private boolean takesBack(TerminalRef end) {
    return study
        .device(end.device())
        .flatMap(study::part)
        .flatMap(part -> part.row())
        .flatMap(row -> row.role())
        .filter(role -> ofBar(role) >= BACK)
        .isPresent();
  }

  private TerminalRef byKind(Conductor wire) {
    return rank(wire.from()) <= rank(wire.to()) ? wire.from() : wire.to();
  }

  private int rank(TerminalRef end) {
    var part = study.device(end.device()).flatMap(study::part);
    return part.map(p -> rank(p, end.terminal())).orElse(OTHER);
  }

  private static int rank(Part part, String terminal) {
    if (part.row().isPresent()) return part.row().get().role().map(Flow::ofBar).orElse(OTHER);
    if (part.logic().isPresent()) return reads(part.logic().get(), terminal) ? READS : OTHER;
    var gives =
        part.links().stream()
            .anyMatch(link ->
                link.kind() == Link.Kind.OUTPUT
                    && (link.a().equals(terminal) || link.b().equals(terminal))
                    && role(part, terminal) == Terminal.Role.SIGNAL);
    return gives ? GIVES : OTHER;
  }

  private static Terminal.Role role(Part part, String terminal) {
    return part.terminals().stream()
        .filter(t -> t.name().equals(terminal))
        .map(Terminal::role)
        .findFirst()
        .orElse(Terminal.Role.CONTACT);
  }

  private static boolean reads(Controller controller, String terminal) {
    return controller.pins().stream()
        .anyMatch(pin -> pin.name().equals(terminal) && pin.type().reads());
  }

  private static int ofBar(Terminal.Role role) {
    return switch (role) {
      case LINE, PLUS -> BAR;
      case NEUTRAL, MINUS -> BACK;
      case PROTECTIVE -> EARTH;
      case CONTACT, SIGNAL -> OTHER;
    };
  }
}
