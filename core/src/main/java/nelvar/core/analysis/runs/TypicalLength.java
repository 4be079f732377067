package nelvar.core.analysis.runs;

import java.util.List;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.units.Length;

/// How long a wire is until something is laid out: 0.6 m in the cabinet, 1.2 m to its door (common
/// practice), to the machine 5 m where nothing says how far it is (assumed), between two things
/// beside each other there 0.3 m (assumed); 0.1 m more for each end.
public final class TypicalLength {
  /// To the machine where nothing is known.
  public static final Length DISTANCE = new Length(5);

  /// Between two things that stand beside each other on the machine.
  public static final Length BESIDE = new Length(0.5);

  private static final double INSIDE = 0.6;
  private static final double DOOR = 1.2;
  private static final double ENDS = 0.2;

  private TypicalLength() {}

  /// How far a device is: as far as the place that its function names, where that is known.
  public static Length distance(Device device, Project project) {
    return project.plan().placeOf(device).flatMap(project.plan()::distance).orElse(DISTANCE);
  }

  /// @param distance from the cabinet to what stands on the machine
  public static Length between(Place a, Place b, Length distance) {
    var places = List.of(a, b);
    return new Length(
        ENDS
            + (places.contains(Place.MACHINE)
                ? distance.metres()
                : places.contains(Place.DOOR) ? DOOR : INSIDE));
  }
}
