package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
  private final Map<Id, Drawn> drawn = new HashMap<>();

  /// What lies side by side at one place of a duct; of what has no places, all that lies in it.
  ///
  /// @param at which place; mm along a duct
  public record Cut(Id bundle, double at, List<Conductor> wires) {
    public Cut {
      wires = List.copyOf(wires);
    }
  }

  private record Stretch(Conductor wire, double from, double to) {}

  /// A duct that is drawn, with what passes it, cut where something begins.
  private static final class Drawn {
    private final Bundle bundle;
    private final List<Stretch> stretches = new ArrayList<>();
    private List<Cut> cuts = List.of();

    Drawn(Bundle bundle) {
      this.bundle = bundle;
    }

    /// Everything that comes in addition begins somewhere: nowhere else does more lie together.
    List<Cut> cuts() {
      if (cuts.isEmpty())
        cuts =
            stretches.stream()
                .mapToDouble(Stretch::from)
                .distinct()
                .sorted()
                .mapToObj(at ->
                    new Cut(
                        bundle.id(),
                        at,
                        stretches.stream()
                            .filter(s -> s.from() <= at && at < s.to())
                            .map(Stretch::wire)
                            .distinct()
                            .toList()))
                .toList();
      return cuts;
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
    for (var part : routes.within(wire))
      for (var pass : part.way().passes()) all.add(pass(wire, pass));
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

  /// Of those, what the most lies in.
  public Optional<Bundle> fullest(Conductor wire) {
    return of(wire).stream().max(Comparator.comparingInt(bundle -> in(bundle.id()).size()));
  }

  public List<Conductor> in(Id bundle) {
    return in.getOrDefault(bundle, List.of());
  }

  /// Cuts through a duct wherever something begins in it; one cut where it has no places.
  public List<Cut> cuts(Bundle bundle) {
    var duct = drawn.get(bundle.id());
    if (duct == null) return List.of(new Cut(bundle.id(), 0, in(bundle.id())));
    synchronized (duct) {
      return duct.cuts();
    }
  }

  /// Those of them that go through this conductor.
  public List<Cut> cuts(Bundle bundle, Conductor wire) {
    return cuts(bundle).stream().filter(cut -> cut.wires().contains(wire)).toList();
  }

  /// Those that were said, and the ducts that are drawn.
  public List<Bundle> all() {
    return List.copyOf(bundles.values());
  }
}
