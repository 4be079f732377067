package nelvar.core.catalogue;

import nelvar.core.units.Duration;

/// How coils of one kind let go, from the quickest to the slowest of the kind (from memory, no
/// published source; what a maker states takes its place once a part states it).
///
/// @param constant `L/R` of its winding, @param slowConstant of the slowest
/// @param opens from no force to open, or to braking, @param slowOpens of the slowest
public record CoilTimes(
    Duration constant, Duration slowConstant, Duration opens, Duration slowOpens) {
  public static final CoilTimes RELAY = of(5, 10, 2, 8);
  public static final CoilTimes CONTACTOR = of(20, 60, 5, 20);
  public static final CoilTimes VALVE = of(10, 25, 5, 20);
  public static final CoilTimes BRAKE = of(20, 60, 10, 20);

  private static CoilTimes of(
      double constant, double slowConstant, double opens, double slowOpens) {
    return new CoilTimes(
        new Duration(constant / 1000),
        new Duration(slowConstant / 1000),
        new Duration(opens / 1000),
        new Duration(slowOpens / 1000));
  }
}
