package nelvar.core.standards;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.trail.Cited;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;

/// The door to the North American tables about overcurrent devices.
public final class AmericanDevices {
  private static final Table RATINGS = Table.load("nec-2023/device-ratings.tsv");
  private static final Table SMALL_RATINGS = Table.load("nfpa-79-2021/small-fuse-ratings.tsv");
  private static final Table MOTOR_BRANCH = Table.load("nec-2023/motor-branch-device.tsv");
  private static final Table CONTROL_TRANSFORMER =
      Table.load("nfpa-79-2021/control-transformer.tsv");
  private static final Table SHORT_CIRCUIT = Table.load("ul-508a-2018/short-circuit-rating.tsv");

  /// What opens a motor branch on a short circuit.
  public enum MotorDevice {
    FAST_FUSE(1, "non-time-delay fuse"),
    TIME_DELAY_FUSE(2, "dual-element time-delay fuse"),
    INSTANTANEOUS_BREAKER(3, "instantaneous-trip breaker"),
    INVERSE_TIME_BREAKER(4, "inverse-time breaker");

    private final int row;
    private final String words;

    MotorDevice(int row, String words) {
      this.row = row;
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// Components whose unmarked short-circuit current rating the standard gives.
  public enum Component {
    CIRCUIT_BREAKER(1),
    FUSE_HOLDER(2),
    TERMINAL_BLOCK(3),
    CONTACTOR_TO_50_HP(4),
    CONTACTOR_TO_200_HP(5),
    DRIVE_TO_50_HP(6),
    DISCONNECT_SWITCH(7),
    SUPPLEMENTARY_PROTECTOR(8);

    private final int row;

    Component(int row) {
      this.row = row;
    }
  }

  private AmericanDevices() {}

  /// Standard ratings, rising.
  public static List<Current> ratings() {
    return RATINGS.keys().stream().map(Current::new).toList();
  }

  /// Ratings of small branch fuses, rising, 0.1 A to 30 A.
  public static List<Current> smallFuseRatings() {
    return SMALL_RATINGS.keys().stream().map(Current::new).toList();
  }

  /// The least standard rating that reaches `current`.
  public static Optional<Cited<Current>> nextUp(Current current) {
    return RATINGS.cited(current.amperes(), "rating", Current::new);
  }

  /// The greatest device of a motor branch in % of the motor's table current.
  ///
  /// @param hardStart where the motor will not start on the first figure: an inverse-time breaker
  ///   then has 400 % up to a table current of 100 A and 300 % above, a non-time-delay fuse 400 %
  ///   up to a fuse of 600 A and 300 % above (430.52(C)(1), exception 2, from memory)
  public static Cited<Percent> motorBranch(
      MotorDevice device, boolean hardStart, Current fullLoad) {
    var cited =
        MOTOR_BRANCH
            .cited(device.row, hardStart ? "if it will not start" : "percent", Percent::new)
            .orElseThrow();
    var above =
        hardStart
            && switch (device) {
              case INVERSE_TIME_BREAKER -> fullLoad.amperes() > 100;
              case FAST_FUSE -> 4 * fullLoad.amperes() > 600;
              case TIME_DELAY_FUSE, INSTANTANEOUS_BREAKER -> false;
            };
    return above ? new Cited<>(new Percent(300), cited.citation()) : cited;
  }

  /// Standard ratings of a device, rising: fuses have 1, 3, 6 and 10 A besides (240.6(A), from
  /// memory).
  public static List<Current> ratings(MotorDevice device) {
    return switch (device) {
      case FAST_FUSE, TIME_DELAY_FUSE ->
          Stream.concat(
                  Stream.of(1, 3, 6, 10).map(Current::new),
                  ratings().stream().filter(rating -> rating.amperes() > 10))
              .toList();
      case INSTANTANEOUS_BREAKER, INVERSE_TIME_BREAKER -> ratings();
    };
  }

  /// The greatest device at a control transformer with a 120 V secondary, for its rating in VA.
  public static Optional<Cited<Current>> controlTransformer(Power rating) {
    return CONTROL_TRANSFORMER.cited(rating.watts(), "A", Current::new);
  }

  public static Cited<Current> shortCircuitRating(Component component) {
    return SHORT_CIRCUIT
        .cited(component.row, "kA", kiloamperes -> new Current(kiloamperes * 1000))
        .orElseThrow();
  }
}
