package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import nelvar.core.model.Cable;
import nelvar.core.model.Id;
import nelvar.desktop.control.DrawingPane;
import org.junit.jupiter.api.Test;

class QuietTest extends DemoWindow {
  private void quiet() {
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT7);
    driver.await("what helps", () -> helps() > 0);
  }

  private int helps() {
    return driver.window.root().lookupAll("#quiet-take-1").size();
  }

  private Cable cable(String id) {
    return session().project().cables().stream()
        .filter(c -> c.id().text().equals(id))
        .findFirst()
        .orElseThrow();
  }

  /// On the interface thread.
  private boolean worstIs(String begins) {
    return driver.window.root().lookup("#quiet-margin") instanceof Label label
        && label.getText().startsWith(begins);
  }

  /// The worst pair is open when one comes: the leads of the auger's drive beside the steps of the
  /// press. Its first remedy is taken with one press and back with one.
  @Test
  void theWorstPairIsCuredByOnePress() {
    quiet();
    assertThat(driver.on(() -> worstIs("-7 dB"))).isTrue();
    var take = (Button) driver.find("#quiet-take-1");
    assertThat(take.getAccessibleText()).contains("Clamp the shield of -WD1");
    var before = cable("WD1").screened();
    driver.run(take::fire);
    driver.settle();
    assertThat(cable("WD1").screened()).isEqualTo(Cable.Screen.both(Cable.Ending.CLAMP));
    driver.await("another worst", () -> !worstIs("-7 dB"));
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(cable("WD1").screened()).isEqualTo(before);
  }

  /// What goes wrong, in words: the suspect is looked at, and there is something to try. Emptied,
  /// it is gone.
  @Test
  void whatGoesWrongNamesASuspect() {
    quiet();
    say("hopper weight jumps when the auger runs");
    driver.await("a suspect", () -> words().contains("-U1 into -WB9"));
    assertThat(words()).contains("Lift -WB9 out of", "prove dead", "As before: ");
    assertThat(driver.on(() -> worstIs("-4 dB"))).isTrue();
    say("qwerty");
    driver.await("nothing", () -> words().contains("Nothing of this machine was recognised"));
    say("");
    driver.await("gone", () -> words().isEmpty());
  }

  private void say(String text) {
    driver.run(() -> {
      var field = (TextField) driver.window.root().lookup("#quiet-symptom");
      field.setText(text);
      field.fireEvent(new javafx.event.ActionEvent());
    });
  }

  /// On the interface thread too.
  private String words() {
    var all = new StringBuilder();
    driver
        .window
        .root()
        .lookup("#quiet-says")
        .lookupAll("*")
        .forEach(n -> {
          if (n instanceof Labeled words) all.append(words.getText()).append('\n');
        });
    return all.toString();
  }

  /// Walked to with the arrow keys, a cell comes into view.
  @Test
  void aCellThatIsWalkedToIsSeen() {
    quiet();
    driver.run(() -> driver.window.root().lookup("#quiet-matrix").requestFocus());
    for (var n = 0; n < 12; n++) driver.press(KeyCode.RIGHT);
    driver.settle();
    var seen =
        driver.on(() -> {
          for (var node = driver.window.root().lookup("#quiet-matrix").getParent();
              node != null;
              node = node.getParent()) if (node instanceof ScrollPane pane) return pane.getHvalue();
          return 0.0;
        });
    assertThat(seen).isPositive();
  }

  /// The same numbers over the ways of Runs.
  @Test
  void waysShowTheirWorstMargin() {
    driver.run(() -> driver.window.choose(driver.window.stage("Runs")));
    driver.settle();
    driver.run(((ToggleButton) driver.find("#runs-noise"))::fire);
    driver.settle();
    var study = session().review().get().study();
    var worst =
        nelvar.core.analysis.interference.Noise.of(study).in(new Id("P2")).orElseThrow().margin();
    driver.await("a margin", () -> margins(worst));
  }

  private boolean margins(double worst) {
    return driver.window.root().lookupAll("*").stream()
        .filter(DrawingPane.class::isInstance)
        .map(n -> ((DrawingPane) n).drawing())
        .filter(java.util.Objects::nonNull)
        .flatMap(d -> d.shapes().stream())
        .anyMatch(shape ->
            shape instanceof nelvar.documents.drawing.Shape.Label label
                && label.text().equals("%+.0f dB".formatted(worst).replace('-', '−')));
  }

  @Test
  void theBestAreTakenInOneStep() {
    quiet();
    var revision = session().project();
    driver.run(((Button) driver.find("#quiet-best"))::fire);
    driver.await("what is best", () -> session().project() != revision);
    driver.settle();
    driver.await("another worst", () -> !worstIs("-7 dB"));
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project().cables()).isEqualTo(revision.cables());
  }

  /// What is selected elsewhere is looked at here: the row or column of it, worst first.
  @Test
  void theSelectionIsFollowed() {
    quiet();
    driver.run(() -> session().selection().set(Optional.of(new Id("Y3"))));
    driver.settle();
    assertThat(
            driver.find("#quiet-pair").lookupAll(".designation").stream()
                .map(n -> ((Label) n).getText()))
        .contains("-Y3 into -WB1");
    var cells = ((DrawingPane) driver.find("#quiet-matrix")).drawing().spots().size();
    driver.run(((ToggleButton) driver.find("#quiet-each"))::fire);
    assertThat(((DrawingPane) driver.find("#quiet-matrix")).drawing().spots().size())
        .isGreaterThan(cells);
  }

  /// The other picture of the stage; a piece of metal is selected in it, and one comes back.
  @Test
  void howMetalIsJoined() {
    quiet();
    driver.run(((ToggleButton) driver.find("#quiet-bonding"))::fire);
    driver.settle();
    var picture = (DrawingPane) driver.find("#quiet-matrix");
    assertThat(picture.drawing().spots()).anyMatch(s -> s.says().equals("-M1"));
    assertThat(driver.window.root().lookup("#quiet-pair")).isNull();
    // Pressed once more it stays.
    driver.run(((ToggleButton) driver.find("#quiet-bonding"))::fire);
    assertThat(((ToggleButton) driver.find("#quiet-bonding")).isSelected()).isTrue();
    driver.run(((ToggleButton) driver.find("#quiet-coupling"))::fire);
    assertThat(driver.find("#quiet-pair")).isNotNull();
  }

  /// How a shield ends is said where its cable is.
  @Test
  void aShieldSaysHowItEnds() {
    driver.run(() -> session().selection().set(Optional.of(new Id("WD1"))));
    driver.settle();
    @SuppressWarnings("unchecked")
    var end = (ChoiceBox<Optional<Cable.Ending>>) driver.find("#choice-shield-at-m1");
    driver.run(() -> end.setValue(Optional.of(Cable.Ending.CLAMP)));
    driver.settle();
    assertThat(cable("WD1").screened()).isEqualTo(Cable.Screen.both(Cable.Ending.CLAMP));
    @SuppressWarnings("unchecked")
    var ferrite = (ChoiceBox<Optional<Integer>>) driver.find("#choice-ferrite");
    driver.run(() -> ferrite.setValue(Optional.of(3)));
    driver.settle();
    assertThat(cable("WD1").screened().turns()).contains(3);
  }
}
