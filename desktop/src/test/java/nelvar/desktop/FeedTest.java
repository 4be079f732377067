package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.input.KeyCode;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.edit.Edits;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.stage.power.PowerStage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/// What is not fed stands on a shelf beside the river, and is fed from there.
class FeedTest extends DemoWindow {
  private static final Id EYE = new Id("B70");

  @BeforeEach
  void setDown() {
    driver.run(() -> driver.window.choose(driver.window.stage("Power")));
    driver.run(() ->
        session()
            .edit(Edits.add(Device.of(EYE, "-B70", "sees trays", "photo-eye-pnp", Place.MACHINE))));
  }

  private DrawingPane river() {
    return ((PowerStage) driver.window.stage("Power")).river();
  }

  private boolean fed() {
    return session().review().get().study().network().feeds(EYE).stream()
        .allMatch(feed -> feed.source().isPresent());
  }

  @Test
  void theBestWayIsOneKeyAndUndoTakesItBack() {
    assertThat(driver.on(() -> river().drawing().spot(EYE).orElseThrow().says()))
        .isEqualTo("-B70, not fed yet");
    driver.run(() -> driver.window.select(EYE));
    driver.await("ways", () -> session().composing().known(EYE).isPresent());
    driver.settle();
    assertThat(driver.has("#take-way-1")).isTrue();
    var before = session().project();
    driver.press(KeyCode.CONTROL, KeyCode.ENTER);
    driver.await("fed", this::fed);
    driver.settle();
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
  }

  @Test
  void itIsDraggedOntoTheGateThatFeedsItsLike() {
    driver.drag(
        river(),
        driver.on(() -> river().middleOf(EYE).orElseThrow()),
        driver.on(() -> river().middleOf(new Id("T1")).orElseThrow()));
    driver.await("fed", this::fed);
    driver.settle();
    assertThat(driver.words("#message")).contains("-B70 is fed from -T1");
  }

  @Test
  void whereNoWayLeadsThatIsSaid() {
    driver.drag(
        river(),
        driver.on(() -> river().middleOf(EYE).orElseThrow()),
        driver.on(() -> river().middleOf(new Id("U1")).orElseThrow()));
    driver.await(
        "word",
        () ->
            ((javafx.scene.control.Label) driver.window.root().lookup("#message"))
                .getText()
                .startsWith("No way was found to feed -B70 from -U1"));
    assertThat(fed()).isFalse();
  }

  @Test
  void anEmptyProjectShowsItsInletAndTheFirstThingToDo() {
    driver.press(KeyCode.CONTROL, KeyCode.N);
    driver.run(() -> driver.window.choose(driver.window.stage("Power")));
    var pane = (DrawingPane) driver.window.stage("Power").firstFocus();
    assertThat(driver.on(() -> pane.drawing().spots()))
        .singleElement()
        .satisfies(spot -> assertThat(spot.says()).isEqualTo("-X0, nothing hangs on it yet"));
  }
}
