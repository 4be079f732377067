package nelvar.core.standards;

import java.util.List;
import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.Current;

/// Full-load currents of motors before the nameplate is known, and the classes of overload relays.
public final class Motors {
  private static final Table METRIC = Table.load("iec-60947-4-1-2018/motor-currents.tsv");
  private static final Table THREE = Table.load("nec-2023/motor-three-phase.tsv");
  private static final Table SINGLE = Table.load("nec-2023/motor-single-phase.tsv");
  private static final Table DIRECT = Table.load("nec-2023/motor-dc.tsv");
  private static final Table OVERLOAD = Table.load("iec-60947-4-1-2018/overload-classes.tsv");
  private static final Table SWITCHES = Table.load("iec-60947-4-1-2018/motor-switch-ranges.tsv");

  /// Which table: the metric one by kilowatts, the others by horsepower.
  public enum Kind {
    METRIC_THREE_PHASE,
    THREE_PHASE,
    SINGLE_PHASE,
    DIRECT_CURRENT;

    private Table table() {
      return switch (this) {
        case METRIC_THREE_PHASE -> METRIC;
        case THREE_PHASE -> THREE;
        case SINGLE_PHASE -> SINGLE;
        case DIRECT_CURRENT -> DIRECT;
      };
    }

    /// The voltages the table has columns for.
    public List<Integer> volts() {
      return switch (this) {
        case METRIC_THREE_PHASE -> List.of(230, 400, 500, 690);
        case THREE_PHASE -> List.of(200, 208, 230, 460, 575);
        case SINGLE_PHASE -> List.of(115, 200, 208, 230);
        case DIRECT_CURRENT -> List.of(90, 120, 180, 240);
      };
    }

    /// The powers it has rows for, rising.
    public List<Double> sizes() {
      return table().keys();
    }
  }

  /// Class 10A, 10, 20 and 30 of IEC 60947-4-1.
  public enum OverloadClass {
    CLASS_10A(10),
    CLASS_10(10.5),
    CLASS_20(20),
    CLASS_30(30);

    private final double row;

    OverloadClass(double row) {
      this.row = row;
    }
  }

  private Motors() {}

  /// @param size in kW for the metric table, in hp for the others
  /// @param volts one of the table's own
  public static Optional<Cited<Current>> fullLoadCurrent(Kind kind, double size, int volts) {
    return kind.table().cited(size, String.valueOf(volts), Current::new);
  }

  /// Seconds within which a relay of this class trips at 1.5 times its setting, warm.
  public static Cited<Double> overloadTime(OverloadClass tripClass) {
    return OVERLOAD.cited(tripClass.row, "1.5").orElseThrow();
  }

  /// Seconds between which it trips at 7.2 times its setting, cold.
  public static Cited<Double> lockedTime(OverloadClass tripClass, boolean greatest) {
    return OVERLOAD.cited(tripClass.row, greatest ? "7.2 greatest" : "7.2 least").orElseThrow();
  }

  /// The motor protective switch for a current: its greatest setting; the first whose range holds
  /// it.
  public static Optional<Cited<Current>> switchFor(Current motor) {
    return SWITCHES.keys().stream()
        .filter(greatest ->
            greatest >= motor.amperes()
                && SWITCHES.at(greatest, "least").orElseThrow() <= motor.amperes())
        .findFirst()
        .map(greatest -> new Cited<>(new Current(greatest), SWITCHES.citation()));
  }

  /// The least setting of a motor protective switch by its greatest.
  public static Current leastSetting(Current greatest) {
    return new Current(SWITCHES.at(greatest.amperes(), "least").orElseThrow());
  }
}
