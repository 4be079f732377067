package nelvar.core;

import java.util.Optional;
import nelvar.core.analysis.interference.Coupled;
import nelvar.core.analysis.interference.Emitter;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.model.Cable;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edits;

/// Machines in which one thing disturbs another in one way.
public final class Disturbing {
  private Disturbing() {}

  /// A valve that a button switches, and a sensor, on one wire back of 0.5 mm² so long.
  public static Pair sharedReturn(double metres) {
    var project =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .device("X", "block-minus-16")
            .device("Y", "valve-24vdc-4w8", Place.MACHINE)
            .device("B", "photo-eye-pnp", Place.MACHINE)
            .wire("T:+", "A:+", 0.75, 1)
            .wire("T:-", "A:-", 0.75, 1)
            .wire("T:-", "X:1", 0.5, metres)
            .wire("T:+", "B:+", 0.5, 5)
            .wire("X:1", "B:-", 0.5, 1)
            .wire("B:OUT", "A:DI1", 0.5, 5)
            .device("S", "push-button-1no")
            .wire("T:+", "S:13", 0.5, 1)
            .wire("S:14", "Y:1", 0.5, 5)
            .wire("X:1", "Y:2", 0.5, 1)
            .build();
    return Coupled.of(Panel.study(project)).pairs().stream()
        .filter(p -> p.emitter().kind() == Emitter.Kind.COIL)
        .findFirst()
        .orElseThrow();
  }

  /// A cable whose length nobody said, and of whose shield nothing is known.
  public static Project unsaid(Project project, String cable) {
    var known =
        project.cables().stream()
            .filter(c -> c.id().text().equals(cable))
            .findFirst()
            .orElseThrow();
    return Edits.change(
            new Cable(known.id(), known.label(), known.stock(), Optional.empty(), known.bundle()))
        .apply(project);
  }
}
