package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import nelvar.desktop.session.Places;
import nelvar.desktop.session.Session;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The menu at the product's name, the foot that folds, the first focus, narrow windows.
class HeadTest {
  @TempDir private Path state;
  private Driver driver;

  @BeforeEach
  void open() {
    driver = new Driver(state);
  }

  @AfterEach
  void close() {
    driver.close();
  }

  private Session session() {
    return driver.window.session().orElseThrow();
  }

  private List<MenuItem> menu() {
    return driver.on(() -> {
      var button = (MenuButton) driver.window.root().lookup("#menu");
      button.getOnShowing().handle(null);
      return List.copyOf(button.getItems());
    });
  }

  private MenuItem item(List<MenuItem> items, String begins) {
    return items.stream()
        .filter(item -> item.getText() != null && item.getText().startsWith(begins))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void filesStandInTheMenuAtTheName() {
    driver.run(() -> driver.window.desk().openDemo());
    var lists = ((Menu) item(menu(), "New from a list")).getItems();
    assertThat(lists).hasSize(5);
    driver.run(() -> item(lists, "tile polisher").fire());
    assertThat(session().project().functions()).hasSize(14);
    assertThat(driver.window.current().name()).isEqualTo("Parts");
    driver.willPick(state.resolve("mine.nelvar.json"));
    fire("Save   ");
    driver.await("the file", () -> session().file().get().isPresent());
    driver.settle();
    // Where nothing is unsaved, leaving says nothing of it.
    fire("New machine");
    assertThat(session().project().functions()).isEmpty();
    assertThat(said()).doesNotContain("was not saved");
    var recent = ((Menu) item(menu(), "Open recent")).getItems();
    assertThat(recent).hasSize(1);
    driver.run(() -> recent.getFirst().fire());
    driver.await("the project", () -> !session().project().functions().isEmpty());
    for (var begins : List.of("Open…", "Save as…", "Import", "Export", "Settings", "Keys", "About"))
      assertThat(item(menu(), begins).getOnAction()).as(begins).isNotNull();
  }

  private void fire(String begins) {
    var item = item(menu(), begins);
    driver.run(item::fire);
  }

  @Test
  void leavingWhatIsNotSavedSaysWhereItIsKept() {
    driver.press(KeyCode.CONTROL, KeyCode.N);
    driver.run(() -> session().composing().begin("dough-roller"));
    driver.press(KeyCode.CONTROL, KeyCode.N);
    driver.await("word", () -> said().contains("was not saved"));
    assertThat(driver.words("#message")).contains(state.toString()).contains("Nelvar is started");
    assertThat(new Places(state).leftovers()).hasSize(1);
  }

  private String said() {
    return ((Label) driver.window.root().lookup("#message")).getText();
  }

  @Test
  void theFootFoldsAndStaysSo() {
    driver.run(() -> driver.window.desk().openDemo());
    driver.run(() -> driver.window.choose(driver.window.stage("Power")));
    assertThat(shown("#meter-plus")).isTrue();
    driver.click(driver.find("#fold"));
    assertThat(shown("#meter-plus")).isFalse();
    driver.run(() -> driver.window.choose(driver.window.stage("Runs")));
    assertThat(shown("#meter-plus")).isFalse();
    assertThat(new Places(state).folded("pictures")).isTrue();
    // What is tried is never out of sight.
    driver.run(() ->
        session()
            .bench()
            .trial()
            .set(
                nelvar.core.network.WhatIf.AS_DESIGNED.holding(
                    new nelvar.core.network.ActuatorRef(new nelvar.core.model.Id("S1"), "pressed"),
                    true)));
    assertThat(shown("#meter-plus")).isTrue();
    driver.press(KeyCode.F9);
    assertThat(shown("#meter-plus")).isFalse();
    // The key for the probes opens it.
    driver.press(KeyCode.CONTROL, KeyCode.M);
    assertThat(shown("#meter-plus")).isTrue();
    // Papers keep their room until somebody opens it there.
    driver.run(() -> driver.window.choose(driver.window.stage("Brief")));
    assertThat(shown("#meter-plus")).isFalse();
    driver.click(driver.find("#fold"));
    driver.run(() -> driver.window.choose(driver.window.stage("Pack")));
    assertThat(shown("#meter-plus")).isTrue();
  }

  private boolean shown(String selector) {
    return driver.on(() -> {
      for (Node at = driver.window.root().lookup(selector); at != null; at = at.getParent())
        if (!at.isVisible() || !at.isManaged()) return false;
      return true;
    });
  }

  @Test
  void theFirstFocusIsTheStages() {
    driver.run(() -> driver.window.desk().openDemo());
    var owner = driver.on(() -> driver.window.root().getScene().getFocusOwner());
    assertThat(owner).isSameAs(driver.on(() -> driver.window.current().firstFocus()));
    driver.press(KeyCode.F8);
    assertThat(driver.on(() -> driver.window.root().lookup("#found").isVisible())).isFalse();
    assertThat(session().selection().get()).isPresent();
  }

  @Test
  void noButtonIsCutAt1024() {
    driver.run(() -> {
      driver.stage().setWidth(1024);
      driver.stage().setHeight(700);
      driver.window.desk().openDemo();
    });
    for (var name : List.of("Brief", "Parts", "Power", "Runs", "Pack")) {
      driver.run(() -> driver.window.choose(driver.window.stage(name)));
      assertThat(cut()).as(name).isEmpty();
    }
  }

  /// Buttons outside the side sheet whose text is not all there.
  private List<String> cut() {
    return driver.on(() -> {
      var all = new ArrayList<String>();
      for (var node : driver.window.root().lookupAll(".button, .toggle-button"))
        if (node instanceof ButtonBase button && button.isVisible() && !button.getText().isEmpty())
          for (var text : button.lookupAll(".text"))
            if (text instanceof Text letters
                && letters.getText().endsWith("…")
                && !button.getText().endsWith("…")) all.add(button.getText());
      return all;
    });
  }

  @Test
  void theFindFieldStaysReachable() {
    driver.run(() -> driver.window.desk().openDemo());
    driver.press(KeyCode.CONTROL, KeyCode.K);
    assertThat(driver.on(() -> ((TextField) driver.window.root().lookup("#find")).isFocused()))
        .isTrue();
  }
}
