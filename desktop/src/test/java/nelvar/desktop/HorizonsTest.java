package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ChoiceBox;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.model.Id;
import nelvar.core.model.Standing;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.model.edit.Horizon;
import nelvar.desktop.stage.pack.PackStage;
import org.junit.jupiter.api.Test;

/// What is to build, or for later, and which machine is asked about.
class HorizonsTest extends DemoWindow {
  private Id function() {
    var project = session().project();
    return project.functions().stream()
        .filter(f -> FunctionEdits.served(project, f.id()).size() == 1)
        .findFirst()
        .orElseThrow()
        .id();
  }

  private void current() {
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  @Test
  void aFunctionIsMarkedAndTheReviewAnswersForTheMachineAskedAbout() {
    assertThat(driver.on(() -> driver.window.root().lookup("#horizons").isVisible())).isFalse();
    var id = function();
    var device = FunctionEdits.served(session().project(), id).getFirst();
    driver.run(() -> driver.window.choose(driver.window.stage("Parts")));
    driver.run(() -> driver.window.select(id));
    driver.settle();
    driver.run(() -> later());
    current();
    assertThat(session().project().plan().mark(id)).contains(Standing.LATER);
    assertThat(session().review().get().project().device(device.id())).isEmpty();
    assertThat(session().whole().project()).isEqualTo(session().project());
    assertThat(driver.text("Kept for it")).isNotNull();
    driver.run(() -> ask("#horizon-with-later"));
    current();
    assertThat(session().review().get().project()).isEqualTo(session().project());
    driver.run(() -> ask("#horizon-today"));
    current();
    assertThat(session().horizon().get()).isEqualTo(Horizon.TODAY);
    driver.run(() -> driver.window.select(device.id()));
    driver.settle();
    assertThat(driver.text("later all the same: what it belongs to is")).isNotNull();
    driver.run(() -> session().undo());
    current();
    assertThat(session().project().plan().marks()).isEmpty();
    assertThat(driver.on(() -> driver.window.root().lookup("#horizons").isVisible())).isFalse();
  }

  /// The papers are set anew, with their lists by function.
  @Test
  void thePapersGoByFunction() {
    driver.run(() -> driver.window.choose(driver.window.stage("Pack")));
    // Pages are there before all ways out are tried, and stay there.
    driver.await("first pages", () -> driver.words("#pack-count").contains("pages, revision"));
    driver.await("pages", () -> pack().settled());
    assertThat(driver.words("#pack-count")).doesNotContain("still tried");
    driver.run(() -> ask("#pack-by-function"));
    driver.await("pages anew", () -> pack().settled() && driver.window.root() != null);
    assertThat(driver.on(() -> pack().options(session()).byFunction())).isTrue();
    assertThat(driver.words("#pack-count")).contains("pages, revision");
    var usual = pages();
    driver.run(() -> ask("#pack-annex"));
    driver.await("the annex", () -> pack().settled() && pages() > usual + 40);
    driver.run(() -> ask("#pack-annex"));
    driver.run(() -> ask("#pack-a3"));
    driver.await("A3", () -> pack().settled() && pages() < usual + 10);
    assertThat(driver.on(() -> pack().options(session()).circuits())).isEqualTo(SheetFormat.A3);
  }

  private int pages() {
    var words = driver.words("#pack-count").replaceAll(".*?([0-9]+) pages.*", "$1");
    return words.matches("[0-9]+") ? Integer.parseInt(words) : 0;
  }

  private PackStage pack() {
    return (PackStage) driver.window.stage("Pack");
  }

  private void ask(String button) {
    ((ButtonBase) driver.window.root().lookup(button)).fire();
  }

  @SuppressWarnings("unchecked")
  private void later() {
    var box = (ChoiceBox<Optional<Standing>>) driver.window.root().lookup("#choice-it-stands");
    box.setValue(Optional.of(Standing.LATER));
  }
}
