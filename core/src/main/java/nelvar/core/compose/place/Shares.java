package nelvar.core.compose.place;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.function.DoubleConsumer;

/// The share that is done of several searches beside one another.
final class Shares {
  private final AtomicReferenceArray<Double> each;
  private final AtomicInteger next = new AtomicInteger();
  private final DoubleConsumer progress;

  Shares(int searches, DoubleConsumer progress) {
    this.each = new AtomicReferenceArray<>(searches);
    this.progress = progress;
  }

  /// Where one of them tells its share.
  DoubleConsumer one() {
    var mine = next.getAndIncrement();
    return share -> {
      each.set(mine, share);
      var sum = 0.0;
      for (var i = 0; i < each.length(); i++) {
        var known = each.get(i);
        if (known != null) sum += known;
      }
      progress.accept(sum / each.length());
    };
  }
}
