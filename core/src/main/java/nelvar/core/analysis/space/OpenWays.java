package nelvar.core.analysis.space;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;

/// The ways of one cabinet that are open to a wire: ducts kept for signals take no mains and no
/// leads of motors, those kept for power no signals, and those that hold a duct of the wiring only
/// what is laid in that. Where no way is left, the shortest of all is taken, and it is said.
///
/// Cables from drives to their motors lie in no wiring duct: they go straight over the plate from
/// where they enter to the drive, where their shield is clamped (common practice).
public final class OpenWays {
  private final Cabinet cabinet;
  private final Study study;
  private final boolean kept;
  private final Set<Id> linked;
  private final Map<Kind, DuctWays> ways = new HashMap<>();

  /// Wires of one kind take the same ducts.
  private record Kind(boolean power, boolean signal, Optional<Id> bundle) {
    static final Kind ANY = new Kind(false, false, Optional.empty());

    boolean may(Cabinet.Duct duct) {
      if (bundle.isPresent() && duct.bundle().isPresent() && !duct.bundle().equals(bundle))
        return false;
      return duct.only().isEmpty() || (duct.only().get() == Bundle.Only.SIGNALS ? !power : !signal);
    }
  }

  /// @param forced no way that is open to it leads there
  public record Found(DuctWays.Way way, boolean forced) {}

  private OpenWays(Cabinet cabinet, Study study) {
    this.cabinet = cabinet;
    this.study = study;
    this.kept = cabinet.ducts().stream().anyMatch(duct -> duct.only().isPresent());
    this.linked =
        cabinet.ducts().stream()
            .flatMap(duct -> duct.bundle().stream())
            .collect(java.util.stream.Collectors.toSet());
  }

  public static OpenWays of(Cabinet cabinet, Study study) {
    return study.once(List.of(OpenWays.class, cabinet.id()), () -> new OpenWays(cabinet, study));
  }

  private Kind kind(Conductor wire) {
    var bundle = wire.cable().isPresent() ? Optional.<Id>empty() : wire.bundle();
    var held = bundle.filter(linked::contains);
    if (!kept) return held.isEmpty() ? Kind.ANY : new Kind(false, false, held);
    var of = WireClass.of(wire, study);
    return new Kind(of == WireClass.MAINS || of == WireClass.MOTOR, of == WireClass.SIGNAL, held);
  }

  /// All cores of a cable go together, its protective one too.
  private boolean ofMotorCable(Conductor wire) {
    return wire.cable()
        .filter(cable ->
            study.once(
                List.of(OpenWays.class, cable),
                () ->
                    study.cores(cable).stream()
                        .anyMatch(core -> WireClass.of(core, study) == WireClass.MOTOR)))
        .isPresent();
  }

  private DuctWays straight() {
    return study.once(
        List.of(OpenWays.class, cabinet.id(), "straight"),
        () -> DuctWays.of(cabinet.withDucts(List.of())));
  }

  private synchronized DuctWays by(Kind kind) {
    return ways.computeIfAbsent(kind, it -> DuctWays.of(cabinet, it::may));
  }

  /// The way of a wire; its end that is in no body of this cabinet leaves where cables leave.
  public Found way(Conductor wire, Optional<Body> from, Optional<Body> to) {
    return way(wire, from, to, 0);
  }

  /// @param aside of the middle of the side cables leave at, mm
  public Found way(Conductor wire, Optional<Body> from, Optional<Body> to, double aside) {
    if (ofMotorCable(wire)) return new Found(way(straight(), wire, from, to, aside), false);
    var kind = kind(wire);
    var open = way(by(kind), wire, from, to, aside);
    if (open.found() || kind.equals(Kind.ANY)) return new Found(open, false);
    return new Found(way(by(Kind.ANY), wire, from, to, aside), true);
  }

  private static DuctWays.Way way(
      DuctWays ways, Conductor wire, Optional<Body> from, Optional<Body> to, double aside) {
    return ways.way(
        from.map(b -> ways.access(b, wire.from().terminal())).orElseGet(() -> ways.exit(aside, 0)),
        to.map(b -> ways.access(b, wire.to().terminal())).orElseGet(() -> ways.exit(aside, 0)));
  }
}
