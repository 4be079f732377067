package nelvar.core.compose.place;

import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import nelvar.core.analysis.thermal.PartAir;
import nelvar.core.model.Shell;

/// Which items disturb, are disturbed, warm others or are hurt by warm air, by number; and which
/// way the door and the cables go. The same for every layout of one search.
final class Groups {
  private final int[] dirty;
  private final int[] quiet;
  private final int[] hot;
  private final int[] delicate;
  private final boolean hingeLeft;
  private final Decoded.Exit exit;

  Groups(List<Item> items, Shell shell) {
    dirty = numbers(items, i -> i.noise().dirty());
    quiet = numbers(items, i -> i.noise().quiet());
    hot = numbers(items, i -> i.watts() >= PartAir.LEAST_WATTS);
    delicate = numbers(items, Item::hates);
    hingeLeft = shell.hinge().filter(h -> h == Shell.Side.LEFT).isPresent();
    exit = Decoded.Exit.valueOf(shell.cables().name());
  }

  private static int[] numbers(List<Item> items, Predicate<Item> which) {
    return IntStream.range(0, items.size()).filter(i -> which.test(items.get(i))).toArray();
  }

  int[] dirty() {
    return dirty;
  }

  int[] quiet() {
    return quiet;
  }

  int[] hot() {
    return hot;
  }

  int[] delicate() {
    return delicate;
  }

  boolean hingeLeft() {
    return hingeLeft;
  }

  Decoded.Exit exit() {
    return exit;
  }
}
