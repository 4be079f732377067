package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCode;
import nelvar.core.model.Id;
import nelvar.desktop.control.DrawingPane;
import org.junit.jupiter.api.Test;

class StopTest extends DemoWindow {
  private void stop() {
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT8);
    driver.await("lanes", () -> says("-M3").isPresent());
  }

  /// On the interface thread: what the spot that begins so says.
  private Optional<String> says(String begins) {
    return driver.window.root().lookup("#stop-lanes") instanceof DrawingPane pane
        ? pane.drawing().spots().stream()
            .map(s -> s.says())
            .filter(s -> s.startsWith(begins))
            .findFirst()
        : Optional.empty();
  }

  private void fire(String id) {
    driver.run(() -> ((ButtonBase) driver.window.root().lookup(id)).fire());
  }

  private void choose(String words) {
    driver.run(() -> {
      var menu = (MenuButton) driver.window.root().lookup("#stop-do");
      menu.getItems().stream()
          .flatMap(kind -> ((Menu) kind).getItems().stream())
          .filter(item -> item.getText().equals(words))
          .findFirst()
          .map(MenuItem.class::cast)
          .orElseThrow()
          .fire();
    });
  }

  /// On the interface thread.
  private String card() {
    var all = new StringBuilder();
    driver
        .window
        .root()
        .lookup("#stop-card")
        .lookupAll("*")
        .forEach(n -> {
          if (n instanceof Labeled l) all.append(l.getText()).append('\n');
        });
    return all.toString();
  }

  /// The first stop is pressed when one comes; taking the way out of what it shows, the press is
  /// held, and undone it falls again.
  @Test
  void theBrakeIsCuredWhereOneSeesIt() {
    stop();
    assertThat(driver.on(() -> says("-M3").orElseThrow())).contains("falls");
    assertThat(driver.on(this::card))
        .contains("certifies nothing", "prove dead", "reset -K0 with -S5");
    driver.run(() -> session().selection().set(Optional.of(new Id("M3"))));
    driver.await("its lane", () -> card().contains("it moves down at its fastest"));
    var repair =
        session().review().get().open().stream()
            .filter(e -> e.rule().id().equals("stop.brake"))
            .flatMap(e -> e.finding().orElseThrow().proposals().stream())
            .findFirst()
            .orElseThrow();
    driver.run(() -> session().take(repair));
    driver.await("held", () -> says("-M3").filter(s -> s.contains("then held")).isPresent());
    driver.await("its working", () -> card().contains("9.81"));
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    driver.await("falls", () -> says("-M3").filter(s -> s.contains("falls")).isPresent());
  }

  /// One thing after another; and back to the first.
  @Test
  void oneThingAfterAnother() {
    stop();
    choose("let go -S1");
    choose("reset with -S5");
    driver.await("back", () -> says("-M1").filter(s -> s.contains("again")).isPresent());
    fire("#stop-over");
    driver.await("gone", () -> says("-M1").filter(s -> s.contains("no torque")).isPresent());
  }

  @Test
  void everyStopAgainstEverything() {
    stop();
    fire("#stop-every");
    driver.await(
        "all", () -> says("-M3").filter(s -> s.contains("mains away at -X0: ")).isPresent());
    assertThat(driver.on(this::card)).contains("How far away a hand has to be", "Not known");
  }

  /// What the stop takes lies dry on the river.
  @Test
  void onTheRiver() {
    stop();
    fire("#stop-river");
    driver.settle();
    assertThat(session().bench().trial().get().asDesigned()).isFalse();
    assertThat(driver.on(() -> driver.window.root().lookup("#power-dry") != null)).isTrue();
  }

  /// The third view of Quiet: the door that is not bonded stands first.
  @Test
  void whatAHandMeets() {
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT7);
    fire("#quiet-shock");
    driver.await(
        "metal",
        () ->
            driver.window.root().lookup("#quiet-matrix") instanceof DrawingPane pane
                && pane.drawing().spots().getFirst().says().startsWith("-UC1 door"));
  }
}
