package nelvar.core.sample;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/// A list of 3 to 40 functions from a seed: all kinds, both schools, every mains, 1 W to 7.5 kW.
public final class RandomList {
  private static final List<String> MAINS =
      List.of("230 V", "3x400 V", "3x400 V", "120/240 V", "3x208 V", "3x480 V");
  private static final List<String> PLACES =
      List.of("", "", "", " on the gantry", " at the table", " in the panel");

  private final Random random;
  private final List<String> lines = new ArrayList<>();
  private boolean three;
  private double room;

  private RandomList(long seed) {
    random = new Random(seed);
  }

  public static String of(long seed) {
    return new RandomList(seed).text(seed % 7 == 0 ? " TT" : "");
  }

  /// @param earthing in every seventh an electrode of its own, else as usual
  private String text(String earthing) {
    var mains = MAINS.get(random.nextInt(MAINS.size()));
    three = mains.startsWith("3x");
    // What such a connection commonly gives: a list that asks for more is no machine.
    room = three ? 24_000 : 4_500;
    lines.add("machine random");
    lines.add("mains " + mains + earthing);
    if (random.nextInt(3) == 0) lines.add("ambient " + (25 + 5 * random.nextInt(5)) + " °C");
    if (random.nextInt(3) == 0) lines.add("impedance 0.3 Ω");
    var count = 3 + random.nextInt(38);
    for (var n = 0; n < count; n++)
      lines.add(function() + PLACES.get(random.nextInt(PLACES.size())));
    return String.join("\n", lines);
  }

  private double watts(double least, double most) {
    var wanted =
        Math.exp(Math.log(least) + random.nextDouble() * (Math.log(most) - Math.log(least)));
    var watts = Math.min(wanted, Math.max(1, room / 3));
    room -= watts;
    return watts;
  }

  private static String kilowatts(double watts) {
    return String.format(Locale.ROOT, "%.3g kW", watts / 1000);
  }

  private static String plain(double watts) {
    return String.format(Locale.ROOT, "%.3g W", watts).replaceAll("e\\+0?(\\d+)", "");
  }

  private int some(int most) {
    return 1 + random.nextInt(most);
  }

  private String function() {
    return switch (random.nextInt(24)) {
      case 0 -> "motor on a drive " + kilowatts(watts(60, three ? 7500 : 2200));
      case 1 -> "motor on the mains " + kilowatts(watts(60, three ? 7500 : 2200));
      case 2 -> "spindle " + kilowatts(watts(200, three ? 7500 : 2200));
      case 3 -> some(3) + " steppers " + (1 + random.nextInt(6)) + " A belt 20 teeth 5 mm";
      case 4 -> "servo " + plain(watts(50, 750));
      case 5 -> "axis " + plain(watts(10, 700));
      case 6 -> "pump 24 V " + plain(watts(5, 140));
      case 7 -> "pump " + kilowatts(watts(60, three ? 4000 : 2000));
      case 8 -> some(12) + " valves 24 V";
      case 9 -> "valve 12 V " + plain(watts(1, 20));
      case 10 -> "holding brake 24 V " + plain(watts(5, 40));
      case 11 -> "heater 24 V " + plain(watts(5, 200));
      case 12 -> three ? "heating plate " + kilowatts(watts(50, 2000)) : "hot wire 12 V 40 W";
      case 13 -> some(2) + " work lights";
      case 14 -> "signal tower";
      case 15 -> "operator panel";
      case 16 -> some(8) + " photo eyes";
      case 17 -> "homing sensor x " + some(6);
      case 18 -> some(6) + " limit switches";
      case 19 -> some(2) + (random.nextBoolean() ? " transmitters 4-20 mA" : " load cells");
      case 20 -> "counter";
      case 21 -> some(3) + (random.nextBoolean() ? " stop buttons" : " guards");
      case 22 -> random.nextBoolean() ? "computer" : "controller";
      default -> random.nextBoolean() ? "socket" : "supply 24 V 2 A";
    };
  }
}
