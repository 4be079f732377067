package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import nelvar.core.model.Bundle;
import nelvar.core.model.Project;
import nelvar.core.units.Length;

/// Cabinets and the places of the machine, joined by trays, conduits and carriers of known course
/// and by the distances the Brief states: the shortest way from one to another that is open to what
/// is laid.
final class Outside {
  private final Map<String, List<Edge>> from = new HashMap<>();

  private record Edge(String from, String to, Optional<Bundle> bundle, Route.Leg leg) {}

  /// What may lie on it.
  record Kind(boolean power, boolean signal) {
    boolean may(Bundle bundle) {
      return bundle.only().isEmpty()
          || (bundle.only().get() == Bundle.Only.SIGNALS ? !power : !signal);
    }
  }

  Outside(Project project) {
    for (var bundle : project.bundles())
      bundle
          .course()
          .ifPresent(course ->
              length(bundle)
                  .ifPresent(length ->
                      join(
                          course.from(),
                          course.to(),
                          Optional.of(bundle),
                          new Route.Through(bundle, length.metres() * 1000))));
    var home =
        project.layout().cabinets().stream().findFirst().map(c -> c.id().text()).orElse("cabinet");
    for (var place : project.plan().places())
      join(
          home,
          place.name(),
          Optional.empty(),
          new Route.Across(home, place.name(), place.distance().metres() * 1000));
  }

  /// How long what lies in it is from end to end: stated, or of a carrier computed.
  static Optional<Length> length(Bundle bundle) {
    return Carriers.length(bundle).or(() -> bundle.course().flatMap(Bundle.Course::length));
  }

  private void join(String a, String b, Optional<Bundle> bundle, Route.Leg leg) {
    from.computeIfAbsent(key(a), _ -> new ArrayList<>()).add(new Edge(key(a), key(b), bundle, leg));
    from.computeIfAbsent(key(b), _ -> new ArrayList<>()).add(new Edge(key(b), key(a), bundle, leg));
  }

  private static String key(String name) {
    return name.strip().toLowerCase(Locale.ROOT);
  }

  boolean knows(String name) {
    return from.containsKey(key(name));
  }

  /// @param through what it is laid in by hand: it goes that way
  Optional<List<Route.Leg>> way(String a, String b, Kind kind, Optional<Bundle> through) {
    var laid = through.filter(bundle -> bundle.course().isPresent() && length(bundle).isPresent());
    if (laid.isEmpty()) return way(key(a), key(b), kind);
    var course = laid.get().course().orElseThrow();
    return java.util.stream.Stream.of(
            by(key(a), key(course.from()), key(course.to()), key(b), laid.get(), kind),
            by(key(a), key(course.to()), key(course.from()), key(b), laid.get(), kind))
        .flatMap(Optional::stream)
        .min(Comparator.comparingDouble(Outside::sum));
  }

  private Optional<List<Route.Leg>> by(
      String a, String begins, String ends, String b, Bundle bundle, Kind kind) {
    var there = way(a, begins, kind);
    var on = way(ends, b, kind);
    if (there.isEmpty() || on.isEmpty()) return Optional.empty();
    var legs = new ArrayList<>(there.get());
    legs.add(new Route.Through(bundle, length(bundle).orElseThrow().metres() * 1000));
    legs.addAll(on.get());
    return Optional.of(legs);
  }

  private static double sum(List<Route.Leg> legs) {
    return legs.stream().mapToDouble(Route.Leg::millimetres).sum();
  }

  private record Reached(String node, double far) {}

  private Optional<List<Route.Leg>> way(String a, String b, Kind kind) {
    var far = new HashMap<String, Double>();
    var last = new HashMap<String, Edge>();
    var open =
        new PriorityQueue<Reached>(
            Comparator.comparingDouble(Reached::far).thenComparing(Reached::node));
    far.put(a, 0.0);
    open.add(new Reached(a, 0));
    while (!open.isEmpty()) {
      var here = open.poll();
      if (here.node().equals(b)) break;
      if (here.far() > far.getOrDefault(here.node(), Double.POSITIVE_INFINITY)) continue;
      for (var edge : from.getOrDefault(here.node(), List.of())) {
        if (edge.bundle().filter(bundle -> !kind.may(bundle)).isPresent()) continue;
        var length = here.far() + edge.leg().millimetres();
        if (length >= far.getOrDefault(edge.to(), Double.POSITIVE_INFINITY) - 1e-9) continue;
        far.put(edge.to(), length);
        last.put(edge.to(), edge);
        open.add(new Reached(edge.to(), length));
      }
    }
    if (!far.containsKey(b)) return Optional.empty();
    var legs = new ArrayList<Route.Leg>();
    for (var step = last.get(b); step != null; step = last.get(step.from())) legs.add(step.leg());
    return Optional.of(legs.reversed());
  }
}
