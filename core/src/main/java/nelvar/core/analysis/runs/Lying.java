package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.DuctWays;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.standards.InstallationMethod;

/// What lies in which duct, conduit, tray and carrier: by its way where that is known, else as was
/// said.
///
/// A duct that is only named, within the cabinet, gives way to the ducts that are drawn: a wire
/// between two things that are mounted lies where its way leads. What has a course and what lies
/// outside stays as was said.
public final class Lying {
  private final Study study;
  private final Map<Id, Bundle> bundles = new LinkedHashMap<>();
  private final Map<Id, List<Bundle>> of = new HashMap<>();
  private final Map<Id, List<Conductor>> in = new HashMap<>();
  private final Map<Id, Drawn> drawn = new LinkedHashMap<>();

  /// What lies side by side at one place of a duct; of what has no places, all that lies in it.
  ///
  /// @param at where it begins, mm along a duct
  /// @param to where something ends or begins and another one follows; `at` where it has no places
  public record Cut(Id bundle, double at, double to, List<Conductor> wires) {
    public Cut {
      wires = List.copyOf(wires);
    }

    /// mm.
    public double length() {
      return to - at;
    }
  }

  private record Stretch(Conductor wire, double from, double to) {}

  /// A duct that is drawn, with what passes it, cut wherever something begins or ends.
  private static final class Drawn {
    private final Bundle bundle;
    private final List<Stretch> stretches = new ArrayList<>();
    private final List<Cut> cuts = new ArrayList<>();
    private final Map<Id, List<Cut>> through = new HashMap<>();

    Drawn(Bundle bundle) {
      this.bundle = bundle;
    }

    /// From one end of the duct to the other, with what is there at each moment.
    private synchronized Drawn cut() {
      if (!cuts.isEmpty()) return this;
      var begin = new TreeMap<Double, List<Integer>>();
      var end = new TreeMap<Double, List<Integer>>();
      for (var i = 0; i < stretches.size(); i++) {
        // Straight across a duct is beside nothing.
        if (stretches.get(i).to() <= stretches.get(i).from()) continue;
        begin.computeIfAbsent(stretches.get(i).from(), _ -> new ArrayList<>()).add(i);
        end.computeIfAbsent(stretches.get(i).to(), _ -> new ArrayList<>()).add(i);
      }
      var places = new TreeSet<>(begin.keySet());
      places.addAll(end.keySet());
      var here = new TreeSet<Integer>();
      for (double at : places) {
        end.getOrDefault(at, List.of()).forEach(here::remove);
        here.addAll(begin.getOrDefault(at, List.of()));
        var next = places.higher(at);
        if (next == null || here.isEmpty()) continue;
        var wires = new LinkedHashMap<Id, Conductor>();
        for (var i : here) wires.put(stretches.get(i).wire().id(), stretches.get(i).wire());
        var cut = new Cut(bundle.id(), at, next, List.copyOf(wires.values()));
        cuts.add(cut);
        for (var id : wires.keySet()) through.computeIfAbsent(id, _ -> new ArrayList<>()).add(cut);
      }
      return this;
    }
  }

  private Lying(Study study) {
    this.study = study;
    for (var bundle : study.project().bundles()) bundles.put(bundle.id(), bundle);
    for (var cabinet : study.project().layout().cabinets())
      for (var duct : cabinet.ducts()) drawn.put(duct.id(), new Drawn(drawn(duct)));
    for (var duct : drawn.values()) bundles.put(duct.bundle.id(), duct.bundle);
    for (var wire : study.project().conductors()) {
      var here = where(wire);
      of.put(wire.id(), here);
      for (var bundle : here) in.computeIfAbsent(bundle.id(), _ -> new ArrayList<>()).add(wire);
    }
  }

  public static Lying of(Study study) {
    return study.once(Lying.class, () -> new Lying(study));
  }

  /// It stands for itself; how wires are laid in it says what it is part of.
  private Bundle drawn(Cabinet.Duct duct) {
    return new Bundle(
        duct.id(),
        "duct " + duct.id(),
        duct.bundle().map(bundles::get).map(Bundle::method).orElse(InstallationMethod.B1),
        true,
        Optional.of(
            new Bundle.Form(Bundle.Kind.DUCT, duct.width(), duct.depth(), Optional.empty())),
        Optional.empty(),
        duct.only());
  }

  private List<Bundle> where(Conductor wire) {
    var all = new LinkedHashSet<Bundle>();
    var routes = Routes.of(study);
    for (var part : routes.within(wire)) {
      for (var pass : part.way().passes()) all.add(pass(wire, pass));
      if (part.way().passes().isEmpty() && wire.cable().isPresent()) all.add(free(part));
    }
    var inDucts = !all.isEmpty();
    routes
        .of(wire)
        .route()
        .ifPresent(route ->
            route.legs().stream()
                .filter(Route.Through.class::isInstance)
                .forEach(leg -> all.add(((Route.Through) leg).bundle())));
    study
        .laidIn(wire)
        .filter(said -> !inDucts || !said.inside() || said.course().isPresent())
        .ifPresent(all::add);
    return List.copyOf(all);
  }

  /// A cable that lies in no duct, over the plate of a cabinet.
  private Bundle free(Route.Within part) {
    return bundles.computeIfAbsent(
        part.cabinet(),
        id -> new Bundle(id, "plate of the " + part.name(), InstallationMethod.C, true));
  }

  private Bundle pass(Conductor wire, DuctWays.Pass pass) {
    var duct = drawn.get(pass.duct());
    if (duct == null) throw new IllegalStateException("a way through no duct: " + pass.duct());
    duct.stretches.add(new Stretch(wire, pass.from(), pass.to()));
    return duct.bundle;
  }

  /// Everything a conductor lies in, in the order of its way; the free air in a cabinet is nothing.
  public List<Bundle> of(Conductor wire) {
    return of.getOrDefault(wire.id(), List.of());
  }

  /// `D1, D3, tray along the frame`: ducts that are drawn by their marks, all else by name.
  public String words(Conductor wire) {
    return of(wire).stream()
        .map(bundle -> drawn(bundle) ? bundle.id().text() : bundle.name())
        .collect(Collectors.joining(", "));
  }

  /// Of those, what the most lies in.
  public Optional<Bundle> fullest(Conductor wire) {
    return of(wire).stream().max(Comparator.comparingInt(bundle -> in(bundle.id()).size()));
  }

  public List<Conductor> in(Id bundle) {
    return in.getOrDefault(bundle, List.of());
  }

  /// Cuts through a duct wherever something begins or ends in it; one cut where it has no places.
  public List<Cut> cuts(Bundle bundle) {
    var duct = drawn.get(bundle.id());
    return duct == null
        ? List.of(new Cut(bundle.id(), 0, 0, in(bundle.id())))
        : Collections.unmodifiableList(duct.cut().cuts);
  }

  /// Whether it has places along its length: whether it is drawn.
  public boolean drawn(Bundle bundle) {
    return drawn.containsKey(bundle.id());
  }

  /// Those of them that go through a conductor that lies in it.
  public List<Cut> cuts(Bundle bundle, Conductor wire) {
    var duct = drawn.get(bundle.id());
    return duct == null ? cuts(bundle) : duct.cut().through.getOrDefault(wire.id(), List.of());
  }

  /// Those that were said, and the ducts that are drawn.
  public List<Bundle> all() {
    return List.copyOf(bundles.values());
  }
}
