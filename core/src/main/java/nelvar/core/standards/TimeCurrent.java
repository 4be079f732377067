package nelvar.core.standards;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.units.Current;

/// The door to time-current characteristics: corners in multiples of the rating, joined by straight
/// lines on log paper; past the last corner constant I²t, which physics does not let it exceed.
public final class TimeCurrent {
  private static final Table BREAKER_GATES = Table.load("iec-60898-1-2015/thermal-gates.tsv");
  private static final Table BREAKER_HOURS = Table.load("iec-60898-1-2015/conventional-time.tsv");
  private static final Table FUSE_HOURS = Table.load("iec-60269-1/conventional-time.tsv");
  private static final Table CHANNEL = Table.load("common-practice/electronic-channel.tsv");
  private static final Table MAGNETIC = Table.load("iec-60947-4-1-2018/motor-switch-magnetic.tsv");
  private static final double HOUR = 3600;
  private static final Current GREATER_BREAKERS = new Current(32);

  public static final TimeCurrent BACK_UP_FUSE = of("iec-60269-2/am-gates.tsv");
  public static final TimeCurrent MINIATURE_FUSE = of("iec-60127-2/time-lag.tsv");
  public static final TimeCurrent AMERICAN_FUSE = of("ul-248/time-current.tsv");
  public static final TimeCurrent MOTOR_SWITCH = of("iec-60947-4-1-2018/motor-switch-gates.tsv");

  private record Corner(double multiple, double seconds) {}

  private final List<Corner> holds;
  private final List<Corner> opens;

  private TimeCurrent(List<Corner> holds, List<Corner> opens) {
    this.holds = List.copyOf(holds);
    this.opens = List.copyOf(opens);
  }

  private static TimeCurrent of(String path) {
    var table = Table.load(path);
    return new TimeCurrent(corners(table, "holds", 0), corners(table, "opens", 0));
  }

  private static List<Corner> corners(Table table, String column, double conventional) {
    var all = new ArrayList<Corner>();
    for (var multiple : table.keys())
      table
          .at(multiple, column)
          .ifPresent(
              seconds -> all.add(new Corner(multiple, seconds == 0 ? conventional : seconds)));
    return all;
  }

  /// The thermal part of a circuit-breaker.
  public static TimeCurrent breaker(Current rating) {
    var greater = rating.compareTo(GREATER_BREAKERS) > 0;
    var conventional = conventionalTimeOfBreaker(rating);
    return new TimeCurrent(
        corners(BREAKER_GATES, "holds", conventional),
        corners(BREAKER_GATES, greater ? "opens above 32 A" : "opens", conventional));
  }

  /// Within which it opens at its conventional tripping current, s.
  public static double conventionalTimeOfBreaker(Current rating) {
    return HOUR * BREAKER_HOURS.at(rating.amperes(), "h").orElseThrow();
  }

  /// Within which it opens at its conventional fusing current, s.
  public static double conventionalTimeOfFuse(Current rating) {
    return HOUR * FUSE_HOURS.at(rating.amperes(), "h").orElseThrow();
  }

  /// The current a motor protective switch lets pass without opening at once, whatever it is set
  /// to.
  public static Current motorSwitchHolds(Current greatest) {
    return greatest.times(MAGNETIC.at(1, "holds").orElseThrow());
  }

  public static Current motorSwitchNominal(Current greatest) {
    return greatest.times(MAGNETIC.at(1, "nominal").orElseThrow());
  }

  public static Current motorSwitchTrips(Current greatest) {
    return greatest.times(MAGNETIC.at(1, "trips").orElseThrow());
  }

  /// Of an electronic channel, by steps; infinite where it holds.
  public static double channelHolds(double multiple) {
    return CHANNEL.at(multiple, "holds").orElse(Double.POSITIVE_INFINITY);
  }

  public static double channelOpens(double multiple) {
    return CHANNEL.at(multiple, "opens").orElse(Double.POSITIVE_INFINITY);
  }

  /// The earliest it may open at a multiple of its rating, s; infinite where it must hold.
  public double earliest(double multiple) {
    return multiple <= holds.getFirst().multiple()
        ? Double.POSITIVE_INFINITY
        : along(holds, multiple);
  }

  /// The latest it opens, s; infinite where it need not.
  public double latest(double multiple) {
    return multiple < opens.getFirst().multiple()
        ? Double.POSITIVE_INFINITY
        : along(opens, multiple);
  }

  private static double along(List<Corner> corners, double multiple) {
    for (var i = 1; i < corners.size(); i++)
      if (multiple < corners.get(i).multiple())
        return between(
            multiple,
            corners.get(i - 1).multiple(),
            corners.get(i - 1).seconds(),
            corners.get(i).multiple(),
            corners.get(i).seconds());
    var last = corners.getLast();
    return last.seconds() * Math.pow(last.multiple() / multiple, 2);
  }

  /// On a straight line on log paper.
  public static double between(double x, double x1, double y1, double x2, double y2) {
    var share = Math.log(x / x1) / Math.log(x2 / x1);
    return Math.exp(Math.log(y1) + share * Math.log(y2 / y1));
  }
}
