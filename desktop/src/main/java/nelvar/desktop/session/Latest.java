package nelvar.desktop.session;

import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;

/// Work beside the interface thread of which only the newest counts.
///
/// What was asked before is not begun any more, may stop half way, and never arrives: neither its
/// result nor its failure. All methods are called on the interface thread.
public final class Latest<T> {
  /// Computes away from the interface thread.
  public interface Work<T> {
    /// @param dropped whether the answer is not wanted any more; long work asks now and then and
    ///   may then return anything
    T compute(BooleanSupplier dropped) throws Exception;
  }

  private final Executor worker;
  private final Executor interfaceThread;
  private final AtomicLong asked = new AtomicLong();
  private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper();

  /// @param worker runs the work; @param interfaceThread takes results
  public Latest(Executor worker, Executor interfaceThread) {
    this.worker = worker;
    this.interfaceThread = interfaceThread;
  }

  /// Computes, and takes the result or hears of its failure where nothing was asked since.
  public void ask(Work<T> work, Consumer<T> take, Consumer<Throwable> failed) {
    var mine = asked.incrementAndGet();
    busy.set(true);
    worker.execute(() -> {
      if (dropped(mine)) return;
      T result;
      try {
        result = work.compute(() -> dropped(mine));
      } catch (Throwable broken) {
        arrive(mine, () -> failed.accept(broken));
        return;
      }
      arrive(mine, () -> take.accept(result));
    });
  }

  /// What is under way is not wanted any more.
  public void cancel() {
    asked.incrementAndGet();
    busy.set(false);
  }

  /// Whether something is awaited.
  public ReadOnlyBooleanProperty busy() {
    return busy.getReadOnlyProperty();
  }

  private boolean dropped(long mine) {
    return asked.get() != mine;
  }

  private void arrive(long mine, Runnable result) {
    interfaceThread.execute(() -> {
      if (dropped(mine)) return;
      busy.set(false);
      result.run();
    });
  }
}
