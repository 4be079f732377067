package nelvar.desktop;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;
import javafx.stage.Window;
import nelvar.desktop.app.MainWindow;
import nelvar.desktop.app.Picker;
import nelvar.desktop.app.Workers;
import nelvar.desktop.session.Places;
import nelvar.desktop.session.Session;

/// Drives the real window with real keys and clicks, on whatever platform the toolkit was started
/// with.
final class Driver implements AutoCloseable {
  private static boolean started;

  final MainWindow window;
  private final Stage stage;
  private final Robot robot;
  private volatile Optional<Path> answer = Optional.empty();

  Driver(Path state) {
    start();
    var picker =
        new Picker() {
          @Override
          public Optional<Path> open(Window owner) {
            return answer;
          }

          @Override
          public Optional<Path> save(Window owner, String suggestion) {
            return answer;
          }

          @Override
          public Optional<Path> folder(Window owner) {
            return answer;
          }

          @Override
          public Optional<Path> csv(Window owner) {
            return answer;
          }

          @Override
          public Optional<Path> dxf(Window owner) {
            return answer;
          }
        };
    window = on(() -> new MainWindow(Workers.start(), picker, new Places(state), "2026-01-01"));
    stage =
        on(() -> {
          window.begin();
          var next = new Stage();
          next.setScene(new Scene(window.root(), 980, 800));
          next.setX(0);
          next.setY(0);
          next.show();
          next.requestFocus();
          return next;
        });
    robot = on(Robot::new);
    settle();
  }

  private static synchronized void start() {
    if (started) return;
    var up = new CountDownLatch(1);
    Platform.startup(up::countDown);
    Platform.setImplicitExit(false);
    try {
      if (!up.await(120, TimeUnit.SECONDS))
        throw new IllegalStateException("the toolkit does not start");
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
    started = true;
  }

  Stage stage() {
    return stage;
  }

  /// What the file dialogs will answer.
  void willPick(Path path) {
    answer = Optional.of(path);
  }

  private static <T> T here(Callable<T> action) {
    try {
      return action.call();
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  <T> T on(Callable<T> action) {
    // Already there: waiting for itself would never end.
    if (Platform.isFxApplicationThread()) return here(action);
    var task = new FutureTask<>(action);
    Platform.runLater(task);
    try {
      return task.get(120, TimeUnit.SECONDS);
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  void run(Runnable action) {
    on(() -> {
      action.run();
      return true;
    });
    settle();
  }

  /// Waits until all ways out are tried.
  void ways() {
    await("ways out", () -> window.session().map(session -> session.waysTried()).orElse(true));
    settle();
  }

  /// Waits until nothing is stale, what is tried is solved, and two pulses have passed.
  void settle() {
    await(
        "fresh verdicts",
        () ->
            window
                .session()
                .map(session ->
                    !session.stale().get()
                        && session
                            .bench()
                            .solved()
                            .get()
                            .live()
                            .trial()
                            .equals(session.bench().trial().get()))
                .orElse(true));
    for (var i = 0; i < 2; i++) {
      try {
        Thread.sleep(40);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
      on(() -> true);
    }
  }

  /// Far longer than anything takes: only what never comes is to fail.
  void await(String what, BooleanSupplier holds) {
    var end = System.nanoTime() + TimeUnit.SECONDS.toNanos(300);
    while (!on(holds::getAsBoolean)) {
      if (System.nanoTime() > end) throw new AssertionError("never came: " + what);
      try {
        Thread.sleep(20);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }
  }

  void press(KeyCode... keys) {
    on(() -> {
      for (var key : keys) robot.keyPress(key);
      for (var key : List.of(keys).reversed()) robot.keyRelease(key);
      return true;
    });
    settle();
  }

  void type(String text) {
    for (var c : text.toCharArray()) {
      var key =
          switch (c) {
            case '-' -> KeyCode.MINUS;
            case '.' -> KeyCode.PERIOD;
            case ' ' -> KeyCode.SPACE;
            default ->
                KeyCode.valueOf(
                    Character.isDigit(c) ? "DIGIT" + c : String.valueOf(Character.toUpperCase(c)));
          };
      on(() -> {
        robot.keyType(key);
        return true;
      });
    }
    settle();
  }

  /// Clicks its middle, once it has been laid out.
  void click(Node node) {
    settle();
    click(
        on(() -> {
          var box = node.localToScreen(node.getBoundsInLocal());
          return new Point2D(
              box.getMinX() + box.getWidth() / 2, box.getMinY() + box.getHeight() / 2);
        }));
  }

  void click(Point2D at) {
    on(() -> {
      robot.mouseMove(at);
      robot.mouseClick(MouseButton.PRIMARY);
      return true;
    });
    settle();
  }

  /// Presses at one place of a node, moves in two steps, and lets go at another; places in the
  /// node's own coordinates. The robot moves without a button only.
  void drag(Node node, Point2D from, Point2D to) {
    mouse(node, MouseEvent.MOUSE_PRESSED, from);
    mouse(node, MouseEvent.MOUSE_DRAGGED, from.midpoint(to));
    mouse(node, MouseEvent.MOUSE_DRAGGED, to);
    mouse(node, MouseEvent.MOUSE_RELEASED, to);
  }

  void click(Node node, Point2D at, MouseButton with) {
    mouse(node, MouseEvent.MOUSE_PRESSED, at, with);
    mouse(node, MouseEvent.MOUSE_RELEASED, at, with);
  }

  void mouse(Node node, EventType<MouseEvent> type, Point2D place) {
    mouse(node, type, place, MouseButton.PRIMARY);
  }

  private void mouse(Node node, EventType<MouseEvent> type, Point2D place, MouseButton with) {
    // An event that is fired counts from the scene.
    var at = on(() -> node.localToScene(place));
    run(() ->
        node.fireEvent(
            new MouseEvent(
                type, at.getX(), at.getY(), at.getX(), at.getY(), with, 1, false, false, false,
                false, true, false, false, false, false, false, null)));
  }

  Node find(String selector) {
    return on(() -> {
      var node = window.root().lookup(selector);
      if (node == null) throw new IllegalStateException("nothing is " + selector);
      return node;
    });
  }

  boolean has(String selector) {
    return on(() -> window.root().lookup(selector) != null);
  }

  /// A button or label by its text.
  Node text(String text) {
    return on(() ->
        window.root().lookupAll("*").stream()
            .filter(node ->
                node instanceof Labeled labeled
                    && text.equals(labeled.getText())
                    && node.isVisible())
            .findFirst()
            .orElseThrow(() -> new IllegalStateException("nothing says " + text)));
  }

  String words(String selector) {
    return on(() -> ((Labeled) window.root().lookup(selector)).getText());
  }

  @Override
  public void close() {
    on(() -> {
      window.session().ifPresent(Session::rest);
      stage.close();
      return true;
    });
  }
}
