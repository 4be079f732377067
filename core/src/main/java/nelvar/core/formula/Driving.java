package nelvar.core.formula;

/// What moving a load asks of the motor, N·m, m, kg, s.
///
/// `T = J·α + (F + m·g)·s/(2π·η)` with `s` the travel of one turn of the motor and `J` all that
/// turns, the load felt as `m·(s/2π)²`. Mechanics, no source needed.
public final class Driving {
  private static final double GRAVITY = 9.80665;

  private Driving() {}

  /// @param mass moved, kg; @param friction against it, N; @param inertia at the motor that is not
  ///   the mass, kg·m²; @param perTurn travel of one turn of the motor, m
  public record Load(
      double mass,
      double friction,
      double inertia,
      double perTurn,
      double efficiency,
      boolean vertical) {
    private double lever() {
      return perTurn / (2 * Math.PI);
    }

    /// All that turns, as the motor feels it.
    public double felt() {
      return inertia + mass * lever() * lever();
    }

    /// To hold it and to overcome friction, upwards.
    public double steady() {
      return (friction + (vertical ? mass * GRAVITY : 0)) * lever() / efficiency;
    }

    /// To speed up with an acceleration of the load, m/s².
    public double speedingUp(double acceleration) {
      return felt() * acceleration / lever();
    }

    /// What comes back while it slows down: only what inertia gives beyond friction, with the
    /// losses in between; a hanging load helps.
    public double returned(double acceleration) {
      var gives = speedingUp(acceleration) + (vertical ? mass * GRAVITY * lever() : 0);
      return Math.max(0, (gives - friction * lever()) * efficiency);
    }

    /// Energy that comes back from one stop, J: the torque that comes back over the turns of the
    /// stop, `T · ω²/(2 · α)`.
    ///
    /// @param speed of the load, m/s; @param acceleration m/s²
    public double returnedByStop(double speed, double acceleration) {
      return returned(acceleration) * speed * speed / (2 * acceleration) / lever();
    }

    /// Energy that comes back from lowering it by a height, J: `(m · g − F) · h · η`.
    public double returnedByLowering(double height) {
      return vertical ? Math.max(0, mass * GRAVITY - friction) * height * efficiency : 0;
    }

    /// Torque that holds it at rest, N·m: its weight, friction left out.
    public double holding() {
      return vertical ? mass * GRAVITY * lever() : 0;
    }
  }

  /// How far a position loop lags behind what it is told while it travels: `v/Kv`, in the unit of
  /// the speed (s); less where speed is fed forward.
  ///
  /// @param gain of the position loop, 1/s
  public static double lag(double speed, double gain) {
    return speed / gain;
  }

  /// A torque for some time.
  public record Spell(double torque, double seconds) {}

  /// `√(Σ T² · t/Σ t)`: what warms a motor.
  public static double effective(java.util.List<Spell> spells) {
    var seconds = spells.stream().mapToDouble(Spell::seconds).sum();
    var squares = spells.stream().mapToDouble(s -> s.torque() * s.torque() * s.seconds()).sum();
    return seconds <= 0 ? 0 : Math.sqrt(squares / seconds);
  }
}
