package nelvar.core.analysis.bonding;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import nelvar.core.analysis.Potentials;
import nelvar.core.analysis.Study;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Source;

/// The 0 V of every direct-current circuit, and what joins it to earth.
public final class ZeroVolts {
  private final Study study;
  private final Potentials nets;
  private final Set<Integer> all = new HashSet<>();

  /// How often the 0 V of a supply is joined to earth.
  ///
  /// @param wires protective conductors that join it; @param inside devices that do by themselves
  public record Joined(Source source, List<Conductor> wires, List<Device> inside) {
    public Joined {
      wires = List.copyOf(wires);
      inside = List.copyOf(inside);
    }

    public int times() {
      return wires.size() + inside.size();
    }
  }

  private ZeroVolts(Study study) {
    this.study = study;
    this.nets = Potentials.working(study);
    for (var source : direct()) all.add(nets.at(minus(source)));
    all.remove(-1);
  }

  public static ZeroVolts of(Study study) {
    return study.once(ZeroVolts.class, () -> new ZeroVolts(study));
  }

  private List<Source> direct() {
    return study.network().sources().stream()
        .filter(s -> !s.output().alternating() && s.output().back().isPresent())
        .toList();
  }

  private static TerminalRef minus(Source source) {
    return new TerminalRef(source.device().id(), source.output().back().orElseThrow());
  }

  private static boolean lands(Conductor wire, Device on) {
    return wire.from().device().equals(on.id()) || wire.to().device().equals(on.id());
  }

  /// Whether a terminal is on one.
  boolean has(TerminalRef end) {
    return all.contains(nets.at(end));
  }

  /// Each once: supplies whose 0 V are joined are one.
  public List<Joined> joined() {
    var told = new HashSet<Integer>();
    var each = new ArrayList<Joined>();
    for (var source : direct()) {
      var net = nets.at(minus(source));
      if (net < 0 || !told.add(net)) continue;
      var inside =
          study.project().devices().stream()
              .filter(d ->
                  Bonding.protectiveOf(d, study).filter(end -> nets.at(end) == net).isPresent())
              .filter(d -> study.part(d).flatMap(p -> p.row()).isEmpty())
              .toList();
      var wires =
          study.project().conductors().stream()
              .filter(w -> w.function() == Conductor.Function.PROTECTIVE)
              .filter(w -> (nets.at(w.from()) == net) != (nets.at(w.to()) == net))
              // What earths a device that joins it inside is that joint, and not another.
              .filter(w -> inside.stream().noneMatch(d -> lands(w, d)))
              .toList();
      each.add(new Joined(source, wires, inside));
    }
    return List.copyOf(each);
  }
}
