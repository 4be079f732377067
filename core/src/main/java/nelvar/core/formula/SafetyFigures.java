package nelvar.core.formula;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Duration;
import nelvar.core.units.Measure;

/// Figures of safety functions (ISO 13849-1:2015, from memory). They support, and never replace,
/// the validation a machine needs.
public final class SafetyFigures {
  private SafetyFigures() {}

  /// Diagnostic coverage, and mean time to dangerous failure of a channel, by class.
  public enum Level {
    NONE,
    LOW,
    MEDIUM,
    HIGH
  }

  public enum Category {
    B("B"),
    ONE("1"),
    TWO("2"),
    THREE("3"),
    FOUR("4");

    private final String sign;

    Category(String sign) {
      this.sign = sign;
    }

    @Override
    public String toString() {
      return sign;
    }
  }

  /// By the risk graph of Annex A: severity, exposure, avoidance, each 1 or 2.
  public static char requiredLevel(int severity, int exposure, int avoidance) {
    return (char) ('a' + (severity - 1) * 2 + (exposure - 1) + (avoidance - 1));
  }

  /// By Table 6; none where the category does not go with this coverage and time.
  public static Optional<Character> level(Category category, Level coverage, Level mttf) {
    var row =
        switch (category) {
          case B -> coverage == Level.NONE ? "ab-" : "---";
          case ONE -> coverage == Level.NONE ? "--c" : "---";
          case TWO -> coverage == Level.LOW ? "abc" : coverage == Level.MEDIUM ? "bcd" : "---";
          case THREE -> coverage == Level.LOW ? "bcd" : coverage == Level.MEDIUM ? "cdd" : "---";
          case FOUR -> coverage == Level.HIGH ? "--e" : "---";
        };
    var column = List.of(Level.LOW, Level.MEDIUM, Level.HIGH).indexOf(mttf);
    if (column < 0) return Optional.empty();
    var level = row.charAt(column);
    return level == '-' ? Optional.empty() : Optional.of(level);
  }

  /// `days · hours · 3600/cycle`, a year.
  public static double operationsAYear(double days, double hours, Duration cycle) {
    return days * hours * 3600 / cycle.seconds();
  }

  /// `B10d/(0.1 · nop)`.
  public static Measure meanTimeToDangerousFailure(double b10d, double operationsAYear) {
    return new Measure(b10d / (0.1 * operationsAYear), Measure.Unit.YEARS);
  }

  /// `B10d/nop`: it is changed then.
  public static Measure usefulLife(double b10d, double operationsAYear) {
    return new Measure(b10d / operationsAYear, Measure.Unit.YEARS);
  }
}
