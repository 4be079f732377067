package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import nelvar.core.compose.need.NeedReader;
import nelvar.core.model.Id;
import org.junit.jupiter.api.Test;

/// Other parts for a device, and the ways of a function, side by side in the real window.
class CompareTest extends DemoWindow {
  private ListView<?> list() {
    return (ListView<?>) driver.window.root().lookup("#compare-list");
  }

  private List<String> cells() {
    var grid = (GridPane) ((ScrollPane) driver.window.root().lookup("#compare-table")).getContent();
    return grid.getChildren().stream().map(node -> ((Label) node).getText()).toList();
  }

  @Test
  void aPartIsTakenAfterItWasComparedAndUndoBringsTheOldOneBack() {
    driver.run(() -> driver.window.select(new Id("T2")));
    driver.press(KeyCode.CONTROL, KeyCode.R);
    driver.await("candidates", () -> !list().getItems().isEmpty());
    driver.await("the table", () -> cells().contains("as it is"));
    assertThat(driver.on(this::cells)).contains("Fullest supply", "To buy beside what is there");
    // Two at once: three columns, and nothing can be taken until one is chosen.
    driver.run(() -> list().getSelectionModel().selectIndices(0, 1));
    driver.await("both", () -> cells().stream().filter(c -> c.endsWith("EUR")).count() == 6);
    assertThat(driver.find("#compare-take").isDisabled()).isTrue();
    driver.run(() -> list().getSelectionModel().clearAndSelect(0));
    var before = session().project();
    driver.click(driver.find("#compare-take"));
    assertThat(session().project().device(new Id("T2")).orElseThrow().part())
        .isNotEqualTo(before.device(new Id("T2")).orElseThrow().part());
    assertThat(driver.has("#compare")).isFalse();
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
  }

  @Test
  void waysOfAFunctionStandSideBySide() {
    driver.run(() -> driver.window.choose(driver.window.stage("Parts")));
    driver.run(() -> session().composing().add(NeedReader.read("pump 24 V 1.5 A").orThrow()));
    driver.await("ways", () -> session().composing().offered().get().isPresent());
    driver.settle();
    driver.click(driver.find("#compare-ways"));
    driver.await("the table", () -> cells().contains("as it is"));
    driver.press(KeyCode.ESCAPE);
    assertThat(driver.has("#compare")).isFalse();
  }

  /// A function that works is made in another way, and undo brings the old one back.
  @Test
  void aFunctionThatWorksIsMadeInAnotherWay() {
    driver.run(() -> driver.window.choose(driver.window.stage("Parts")));
    driver.run(() -> session().composing().add(NeedReader.read("pump 24 V 1.5 A").orThrow()));
    driver.await("ways", () -> session().composing().offered().get().isPresent());
    driver.settle();
    driver.run(
        () -> ((javafx.scene.control.Button) driver.window.root().lookup("#take-way-1")).fire());
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    var before = session().project();
    // Where the sheet is long it lies below what is in view: reached by scrolling, or by its key.
    driver.run(
        () -> ((javafx.scene.control.Button) driver.window.root().lookup("#another-way")).fire());
    driver.await("ways", () -> !list().getItems().isEmpty());
    driver.await("the table", () -> cells().contains("as it is"));
    driver.click(driver.find("#compare-take"));
    assertThat(session().project()).isNotEqualTo(before);
    assertThat(session().project().functions()).isEqualTo(before.functions());
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
  }

  @Test
  void withNothingSelectedItSaysWhatToSelect() {
    driver.press(KeyCode.CONTROL, KeyCode.R);
    assertThat(driver.words("#message")).contains("Select a device to compare parts");
  }
}
