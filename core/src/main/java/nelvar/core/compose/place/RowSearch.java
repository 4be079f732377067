package nelvar.core.compose.place;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import nelvar.core.model.Shell;

/// Finds rows: a greedy start in the order of a builder's hand, then exchanges and moves that are
/// taken when they cost less, and now and then when they do not, ever more seldom. The same seed
/// gives the same rows.
final class RowSearch {
  private static final double WARM = 3;
  private static final double NOTHING = 0.04;
  private static final double COLD = 0.03;

  private final List<Item> items;
  private final Links links;
  private final Frame frame;
  private final Wanted wanted;
  private final Groups groups;

  RowSearch(List<Item> items, Links links, Frame frame, Shell shell, Wanted wanted) {
    this.items = items;
    this.links = links;
    this.frame = frame;
    this.wanted = wanted;
    this.groups = new Groups(items, shell);
  }

  Frame frame() {
    return frame;
  }

  Decoded decode(int[][] rows) {
    var decoded = new Decoded(items, links, frame, wanted, groups);
    decoded.lay(rows);
    decoded.rate();
    return decoded;
  }

  /// Row by row in an order, each filled before the next begins.
  int[][] greedy(Comparator<Item> order) {
    var sorted = new ArrayList<Integer>();
    for (var i = 0; i < items.size(); i++) sorted.add(i);
    sorted.sort(Comparator.comparing((Integer i) -> items.get(i), order));
    var rows = new ArrayList<List<Integer>>();
    var used = Double.POSITIVE_INFINITY;
    var room = frame.to() - frame.from();
    for (int i : sorted) {
      var item = items.get(i);
      var wide = item.width() + Math.max(item.left(), item.right());
      if (used + wide > room) {
        rows.add(new ArrayList<>());
        used = item.left();
      }
      rows.getLast().add(i);
      used += wide;
    }
    return rows.stream()
        .map(r -> r.stream().mapToInt(Integer::intValue).toArray())
        .toArray(int[][]::new);
  }

  /// As a builder begins: tall with tall, and power before signals.
  static final Comparator<Item> BY_HAND =
      Comparator.comparingInt(Item::rank)
          .thenComparingDouble(item -> -item.height())
          .thenComparing(item -> item.device().designation().text());

  /// The plain way to fill a plate, to compare with: the largest first.
  static final Comparator<Item> BY_SIZE =
      Comparator.<Item>comparingDouble(item -> -item.height() * item.width())
          .thenComparing(item -> item.device().designation().text());

  /// Who asks only whether it fits need not go on.
  private boolean enough(Decoded decoded) {
    return wanted == Wanted.FITTING && decoded.overflow <= 0;
  }

  /// @param steps how many changes are tried
  /// @param progress is told the share that is done, now and then
  int[][] improve(
      int[][] from, long seed, int steps, BooleanSupplier cancelled, DoubleConsumer progress) {
    var random = new SplittableRandom(seed);
    var now = new Moves(from, items.size(), random);
    var decoded = new Decoded(items, links, frame, wanted, groups);
    decoded.lay(now.rows());
    decoded.rate();
    var cost = decoded.cost;
    var best = now.copy();
    if (enough(decoded)) return best;
    var bestCost = cost;
    var bestFits = decoded.overflow <= 0;
    for (var step = 0; step < steps; step++) {
      if ((step & 255) == 0) {
        if (cancelled.getAsBoolean()) break;
        progress.accept((double) step / steps);
      }
      var heat = WARM * Math.pow(COLD / WARM, (double) step / steps);
      now.change();
      decoded.lay(now.rows());
      decoded.rate();
      if (enough(decoded)) return now.copy();
      var next = decoded.cost;
      if (next <= cost || random.nextDouble() < Math.exp((cost - next) / heat)) {
        cost = next;
        now.keep();
        var fits = decoded.overflow <= 0;
        // What fits beats whatever does not.
        if (fits == bestFits ? cost < bestCost - 1e-9 : fits) {
          bestFits = fits;
          bestCost = cost;
          best = now.copy();
        }
      } else now.back();
    }
    return best;
  }

  /// The same rows with like parts in the order of their designations, where that costs next to
  /// nothing: whoever builds it finds -K11 beside -K10.
  int[][] tidy(int[][] rows) {
    var next = java.util.Arrays.stream(rows).map(int[]::clone).toArray(int[][]::new);
    for (var row : next) {
      for (var a = 0; a < row.length; a++)
        for (var b = a + 1; b < row.length; b++)
          if (alike(items.get(row[a]), items.get(row[b]))
              && BY_NAME.compare(items.get(row[a]), items.get(row[b])) > 0) {
            var held = row[a];
            row[a] = row[b];
            row[b] = held;
          }
    }
    var before = decode(rows);
    var after = decode(next);
    return after.broken <= before.broken && after.cost <= before.cost * (1 + NOTHING) ? next : rows;
  }

  private static boolean alike(Item a, Item b) {
    return a.part().id().equals(b.part().id())
        || (a.rank() == b.rank() && a.width() == b.width() && a.height() == b.height());
  }

  /// -K2 before -K10.
  private static final Comparator<Item> BY_NAME =
      Comparator.comparingInt((Item item) -> item.device().designation().text().length())
          .thenComparing(item -> item.device().designation().text());

  /// How many steps are worth their time for so many items.
  static int steps(int items) {
    return items < 3 ? 50 : Math.min(60_000, 900 * items);
  }
}
