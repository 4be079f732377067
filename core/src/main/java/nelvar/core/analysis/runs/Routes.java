package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.OpenWays;
import nelvar.core.analysis.space.WireClass;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;

/// The shortest open way of every conductor and cable, from terminal to terminal.
public final class Routes {
  private final Study study;
  private final Outside outside;
  private final boolean kept;
  private final Map<Id, Found> known = new HashMap<>();

  /// A way, or what is missing for one.
  ///
  /// @param why empty where there is a way
  public record Found(Optional<Route> route, String why) {
    static Found none(String why) {
      return new Found(Optional.empty(), why);
    }
  }

  private Routes(Study study) {
    this.study = study;
    this.outside = new Outside(study.project());
    this.kept = study.project().bundles().stream().anyMatch(b -> b.only().isPresent());
  }

  public static Routes of(Study study) {
    return study.once(Routes.class, () -> new Routes(study));
  }

  public Found of(Conductor wire) {
    synchronized (known) {
      return known.computeIfAbsent(wire.id(), _ -> find(wire));
    }
  }

  /// Of the core that has the longest way; none while one of them has none.
  public Found of(Cable cable) {
    var cores = study.cores(cable.id());
    if (cores.isEmpty()) return Found.none("no wire is a core of it");
    var all = cores.stream().map(this::of).toList();
    return all.stream()
        .filter(found -> found.route().isEmpty())
        .findFirst()
        .orElseGet(() ->
            all.stream()
                .max(Comparator.comparing(found -> found.route().orElseThrow().length()))
                .orElseThrow());
  }

  /// What of its way lies within cabinets, whether or not the rest is known.
  public List<Route.Within> within(Conductor wire) {
    var route = of(wire).route();
    if (route.isPresent())
      return route.get().legs().stream()
          .filter(Route.Within.class::isInstance)
          .map(Route.Within.class::cast)
          .toList();
    if (wire.plugged()) return List.of();
    var from = Bodies.of(study).of(wire.from().device());
    var to = Bodies.of(study).of(wire.to().device());
    if (from.isPresent() == to.isPresent()) return List.of();
    return inside(wire, cabinet(from.or(() -> to).orElseThrow()).orElseThrow(), from, to).stream()
        .flatMap(part -> part.legs().stream())
        .map(Route.Within.class::cast)
        .toList();
  }

  private record End(Optional<Body> body, String node) {}

  private Found find(Conductor wire) {
    var from = end(wire.from());
    if (from.isEmpty()) return Found.none(nowhere(wire.from()));
    var to = end(wire.to());
    if (to.isEmpty()) return Found.none(nowhere(wire.to()));
    return between(wire, from.get(), to.get());
  }

  private Found between(Conductor wire, End from, End to) {
    var cabinet = from.body().filter(b -> to.body().isPresent()).flatMap(this::cabinet);
    if (cabinet.isPresent() && to.body().get().at().cabinet().equals(cabinet.get().id()))
      return inside(wire, cabinet.get(), from.body(), to.body())
          .map(leg -> new Found(Optional.of(leg), ""))
          .orElseGet(() -> Found.none("no ducts join its ends"));
    if (from.node().equalsIgnoreCase(to.node()))
      return Found.none(
          "both ends are at the %s, and how far they are apart nobody said".formatted(from.node()));
    var legs = new ArrayList<Route.Leg>();
    var forced = false;
    for (var end : List.of(from, to)) {
      if (end.body().isEmpty()) continue;
      var part =
          inside(
              wire,
              cabinet(end.body().get()).orElseThrow(),
              end == from ? end.body() : Optional.empty(),
              end == from ? Optional.empty() : end.body());
      if (part.isEmpty()) return Found.none("no ducts lead from it to where cables leave");
      legs.addAll(part.get().legs());
      forced |= part.get().forced();
    }
    var laid = laid(wire);
    var open = outside.way(from.node(), to.node(), kind(wire), laid);
    var any =
        open.isPresent()
            ? open
            : outside.way(from.node(), to.node(), new Outside.Kind(false, false), laid);
    if (any.isEmpty())
      return Found.none("nobody said how far it is from %s to %s".formatted(name(from), name(to)));
    legs.addAll(from.body().isPresent() ? 1 : 0, any.get());
    return new Found(Optional.of(new Route(legs, forced || open.isEmpty())), "");
  }

  private Optional<Route> inside(
      Conductor wire, Cabinet cabinet, Optional<Body> from, Optional<Body> to) {
    var aside =
        from.isPresent() && to.isPresent()
            ? 0
            : wire.cable()
                .flatMap(Entries.of(cabinet, study)::of)
                .map(Entries.Entry::aside)
                .orElse(0.0);
    var found = OpenWays.of(cabinet, study).way(wire, from, to, aside);
    return found.way().found()
        ? Optional.of(
            new Route(
                List.of(new Route.Within(cabinet.id(), cabinet.name(), found.way())),
                found.forced()))
        : Optional.empty();
  }

  private Optional<Cabinet> cabinet(Body body) {
    return study.project().layout().cabinet(body.at().cabinet());
  }

  private Optional<Bundle> laid(Conductor wire) {
    return study.laidIn(wire).filter(bundle -> bundle.course().isPresent());
  }

  private Outside.Kind kind(Conductor wire) {
    if (!kept) return new Outside.Kind(false, false);
    var of = WireClass.of(wire, study);
    return new Outside.Kind(of == WireClass.MAINS || of == WireClass.MOTOR, of == WireClass.SIGNAL);
  }

  private Optional<End> end(TerminalRef end) {
    var body = Bodies.of(study).of(end.device()).filter(b -> !b.later());
    if (body.isPresent()) return Optional.of(new End(body, body.get().at().cabinet().text()));
    return place(end).filter(outside::knows).map(place -> new End(Optional.empty(), place));
  }

  private Optional<String> place(TerminalRef end) {
    return study
        .device(end.device())
        .filter(device -> device.place() == Place.MACHINE)
        .flatMap(study.project().plan()::placeOf);
  }

  private String nowhere(TerminalRef end) {
    var label = study.label(end.device());
    if (study.device(end.device()).map(Device::place).filter(p -> p != Place.MACHINE).isPresent())
      return label + " is not mounted yet";
    return place(end)
        .map(place -> "how far the %s is nobody said".formatted(place))
        .orElse("where on the machine %s is nobody said".formatted(label));
  }

  private String name(End end) {
    return end.body()
        .flatMap(this::cabinet)
        .map(cabinet -> "the " + cabinet.name())
        .orElse("the " + end.node());
  }
}
