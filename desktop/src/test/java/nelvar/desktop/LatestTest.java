package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.util.ArrayDeque;
import java.util.Queue;
import java.util.function.Consumer;
import nelvar.desktop.session.Latest;
import org.junit.jupiter.api.Test;

/// Of background work only the newest counts.
final class LatestTest {
  private final Queue<Runnable> worker = new ArrayDeque<>();
  private final Queue<Runnable> interfaceThread = new ArrayDeque<>();
  private final Latest<String> latest = new Latest<>(worker::add, interfaceThread::add);

  @SuppressWarnings("unchecked")
  private final Consumer<String> take = mock(Consumer.class);

  @SuppressWarnings("unchecked")
  private final Consumer<Throwable> failed = mock(Consumer.class);

  @SuppressWarnings("unchecked")
  private static Latest.Work<String> work() {
    return mock(Latest.Work.class);
  }

  private static void run(Queue<Runnable> queue) {
    while (!queue.isEmpty()) queue.remove().run();
  }

  @Test
  void aResultArrivesOnTheInterfaceThread() throws Exception {
    var one = work();
    when(one.compute(any())).thenReturn("found");
    latest.ask(one, take, failed);
    assertThat(latest.busy().get()).isTrue();
    run(worker);
    verifyNoInteractions(take);
    run(interfaceThread);
    verify(take).accept("found");
    verifyNoInteractions(failed);
    assertThat(latest.busy().get()).isFalse();
  }

  @Test
  void whatIsOlderIsNotBegun() throws Exception {
    var old = work();
    var fresh = work();
    when(fresh.compute(any())).thenReturn("fresh");
    latest.ask(old, take, failed);
    latest.ask(fresh, take, failed);
    run(worker);
    run(interfaceThread);
    verify(old, never()).compute(any());
    verify(take).accept("fresh");
  }

  /// Asked again while the first computes: that one hears of it, and neither its result nor its
  /// failure arrives.
  @Test
  void whatIsUnderWayHearsThatItIsDropped() throws Exception {
    var heard = new java.util.concurrent.atomic.AtomicBoolean();
    latest.ask(
        dropped -> {
          latest.ask(_ -> "fresh", take, failed);
          heard.set(dropped.getAsBoolean());
          throw new IllegalStateException("half way");
        },
        take,
        failed);
    run(worker);
    run(interfaceThread);
    assertThat(heard).isTrue();
    verify(take).accept("fresh");
    verifyNoInteractions(failed);
  }

  @Test
  void aFailureIsHeard() throws Exception {
    var broken = work();
    var why = new IllegalStateException("no room");
    doThrow(why).when(broken).compute(any());
    latest.ask(broken, take, failed);
    run(worker);
    run(interfaceThread);
    verify(failed).accept(why);
    verifyNoInteractions(take);
    assertThat(latest.busy().get()).isFalse();
  }

  @Test
  void whatIsCancelledNeverArrives() {
    latest.ask(_ -> "late", take, failed);
    run(worker);
    latest.cancel();
    run(interfaceThread);
    verifyNoInteractions(take, failed);
    assertThat(latest.busy().get()).isFalse();
  }
}
