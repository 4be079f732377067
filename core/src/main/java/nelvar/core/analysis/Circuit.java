package nelvar.core.analysis;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import nelvar.core.model.Id;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.Network;
import nelvar.core.network.Source;
import nelvar.core.network.solve.Currents;
import nelvar.core.units.Current;

/// What a conductor belongs to: the source it hangs on, and the device that protects it.
///
/// @param protection the protective device in the way from the source; on a way back, the one all
///   its loads share
/// @param line the source terminal it hangs on
/// @param gives what the source gives for long: its rating, or what it is limited to below that
public record Circuit(Source source, Optional<Feed.Protector> protection, int line, Current gives) {

  /// The greatest current that can flow for long: the protective device's rating, else what the
  /// source is protected with or can give.
  public Current limit() {
    return protection.map(g -> g.protection().rating()).orElse(gives);
  }

  /// Loads sharing a way of two conductors that are protected by the same device belong to one
  /// circuit.
  public String name() {
    return protection
            .map(g -> g.device().designation() + "/" + g.protection())
            .orElse(source.device().designation().text())
        + "/"
        + source.device().designation();
  }

  /// The circuit of every conductor that a source reaches. Where several do, the first that a load
  /// uses, else the first.
  static Map<Id, Circuit> all(Network network, Currents currents) {
    var circuits = new HashMap<Id, Circuit>();
    for (var feed : network.feeds())
      feed.source().ifPresent(source -> ofFeed(network, source, feed, circuits));
    for (var source : network.sources()) reached(network, source, circuits);
    return circuits;
  }

  private static void ofFeed(Network network, Source source, Feed feed, Map<Id, Circuit> circuits) {
    Optional<Feed.Protector> last = Optional.empty();
    for (var i = 0; i < feed.lineWays().size(); i++) {
      Optional<Feed.Protector> protection = Optional.empty();
      for (var edge : feed.lineWays().get(i)) {
        switch (network.topology().edge(edge)) {
          case Edge.Through(var device, var link) -> {
            if (link.protection().isPresent())
              protection = Optional.of(new Feed.Protector(device, link.protection().get()));
          }
          case Edge.Wire(var conductor) ->
              circuits.putIfAbsent(
                  conductor.id(),
                  new Circuit(
                      source, protection, feed.lineStarts().get(i), gives(source, network)));
        }
      }
      last = protection;
    }
    for (var edge : feed.backWay()) {
      if (!(network.topology().edge(edge) instanceof Edge.Wire(var conductor))) continue;
      var mine = new Circuit(source, last, feed.backStart(), gives(source, network));
      // A way back shared by loads behind different devices is protected by none of them alone.
      circuits.merge(
          conductor.id(),
          mine,
          (known, next) ->
              known.protection.equals(next.protection)
                  ? known
                  : new Circuit(known.source, Optional.empty(), known.line, known.gives));
    }
  }

  private static Current gives(Source source, Network network) {
    var rating = source.output().rating();
    return network
        .topology()
        .part(source.device().id())
        .flatMap(part -> part.limit(source.output()))
        .map(limit -> limit.at().compareTo(rating) < 0 ? limit.at() : rating)
        .orElse(rating);
  }

  private static void reached(Network network, Source source, Map<Id, Circuit> circuits) {
    var walks = network.walks(source);
    for (var line = 0; line < walks.size(); line++) {
      for (var node : walks.get(line).reached()) {
        var way = walks.get(line).lastEdge(node);
        if (way < 0
            || !(network.topology().edge(way) instanceof Edge.Wire(var conductor))
            || circuits.containsKey(conductor.id())) continue;
        circuits.put(
            conductor.id(),
            new Circuit(
                source,
                network.protection(walks.get(line).way(node)),
                line,
                gives(source, network)));
      }
    }
  }
}
