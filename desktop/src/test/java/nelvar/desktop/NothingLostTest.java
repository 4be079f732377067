package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mockStatic;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Journal;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.WhatIf;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.pack.PackStage;
import nelvar.desktop.style.Theme;
import nelvar.documents.content.Pack;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The last thing typed, the last edit, what another program saved: seen in the real window.
class NothingLostTest {
  @TempDir Path folder;
  private Driver driver;
  private Path file;

  @BeforeEach
  void open() {
    driver = new Driver(folder.resolve("state"));
    driver.run(() -> driver.window.desk().openDemo());
    file = folder.resolve("m.nelvar.json");
    driver.willPick(file);
    driver.press(KeyCode.CONTROL, KeyCode.S);
    driver.await("saved", () -> Files.exists(file) && !session().history().get().unsaved());
  }

  @AfterEach
  void close() {
    driver.close();
  }

  private Session session() {
    return driver.window.session().orElseThrow();
  }

  private Project onDisk() throws Exception {
    return ProjectFile.at(file).open();
  }

  /// Types into a field of the side sheet and leaves the cursor there.
  private void typed(String field, String text) {
    driver.run(() -> driver.window.select(new Id("M6")));
    driver.run(() -> {
      var input = (TextField) driver.window.root().lookup(field);
      input.requestFocus();
      input.setText(text);
    });
  }

  private String purpose(Project project) {
    return project.device(new Id("M6")).orElseThrow().purpose();
  }

  @Test
  void savingTakesOverWhatIsBeingTyped() throws Exception {
    typed("#field-purpose", "the last words");
    driver.press(KeyCode.CONTROL, KeyCode.S);
    driver.await("saved", () -> !session().history().get().unsaved());
    assertThat(purpose(onDisk())).isEqualTo("the last words");
  }

  @Test
  void whatCannotBeReadIsSaidWhenSaving() {
    typed("#field-loading", "much");
    driver.press(KeyCode.CONTROL, KeyCode.S);
    driver.await(
        "word",
        () ->
            ((Label) driver.window.root().lookup("#message"))
                .getText()
                .contains("without what is typed"));
    assertThat(driver.words("#message")).contains("'Loading'").contains("'much' is not a share");
  }

  @Test
  void closingTakesOverWhatIsBeingTypedAndWaits() throws Exception {
    typed("#field-purpose", "typed and closed");
    var gone = new AtomicBoolean();
    driver.run(() -> driver.window.desk().close(() -> gone.set(true)));
    driver.await("the window may go", gone::get);
    var left = Journal.left(file, CatalogueFile.standard());
    assertThat(left).hasSize(1);
    assertThat(purpose(left.getFirst().state())).isEqualTo("typed and closed");
    left.getFirst().close();
  }

  @Test
  void closingWhatIsSavedAsksNothingAndLeavesNothing() throws Exception {
    var gone = new AtomicBoolean();
    driver.run(() -> driver.window.desk().close(() -> gone.set(true)));
    driver.await("the window may go", gone::get);
    assertThat(driver.has("#ask-yes")).isFalse();
    assertThat(Journal.left(file, CatalogueFile.standard())).isEmpty();
    assertThat(Files.list(folder).map(p -> p.getFileName().toString()))
        .noneMatch(name -> name.contains("unsaved"));
  }

  @Test
  void whatAnotherProgramSavedIsShownAndMerged() throws Exception {
    var theirs =
        Edits.purpose(onDisk().device(new Id("M3")).orElseThrow(), "theirs").apply(onDisk());
    ProjectFile.at(file).replace(theirs);
    typed("#field-purpose", "mine");
    driver.press(KeyCode.CONTROL, KeyCode.S);
    driver.await("the sheet", () -> driver.window.root().lookup("#conflict") != null);
    picture("conflict");
    assertThat(driver.words("#conflict-says")).contains("different things");
    var there = (ListView<?>) driver.find("#conflict-there");
    assertThat(there.getItems()).hasSize(1);
    assertThat(onDisk()).as("nothing is written over meanwhile").isEqualTo(theirs);
    driver.press(KeyCode.ENTER);
    driver.await("merged", () -> !session().history().get().unsaved());
    assertThat(purpose(onDisk())).isEqualTo("mine");
    assertThat(onDisk().device(new Id("M3")).orElseThrow().purpose()).isEqualTo("theirs");
    assertThat(driver.has("#conflict")).isFalse();
  }

  @Test
  void escapeDecidesLaterAndTheNextSaveAsksAgain() throws Exception {
    ProjectFile.at(file).replace(onDisk().withDescription("theirs"));
    typed("#field-purpose", "mine");
    driver.press(KeyCode.CONTROL, KeyCode.S);
    driver.await("the sheet", () -> driver.window.root().lookup("#conflict") != null);
    driver.press(KeyCode.ESCAPE);
    assertThat(driver.has("#conflict")).isFalse();
    driver.press(KeyCode.CONTROL, KeyCode.S);
    driver.await("the sheet again", () -> driver.window.root().lookup("#conflict") != null);
    assertThat(onDisk().description()).isEqualTo("theirs");
  }

  /// A state is tried, kept under a name, chosen from the list and forgotten.
  @Test
  @SuppressWarnings("unchecked")
  void statesAreKeptChosenAndForgotten() {
    driver.run(() ->
        session()
            .bench()
            .trial()
            .set(WhatIf.AS_DESIGNED.holding(new ActuatorRef(new Id("S1"), "pressed"), true)));
    driver.await("tried", () -> driver.window.root().lookup("#state-keep") != null);
    driver.run(() -> ((Button) driver.window.root().lookup("#state-keep")).fire());
    driver.type("stopped");
    picture("state");
    driver.press(KeyCode.ENTER);
    assertThat(session().project().states()).hasSize(1);
    assertThat(session().project().states().getFirst().name()).isEqualTo("stopped");
    driver.settle();
    picture("state-kept");
    driver.press(KeyCode.F9);
    var choice = (ChoiceBox<Object>) driver.find("#state-choice");
    assertThat(choice.isVisible()).isTrue();
    driver.run(() -> choice.setValue(choice.getItems().getLast()));
    driver.settle();
    assertThat(session().bench().solved().get().live().on(new ActuatorRef(new Id("S1"), "pressed")))
        .isTrue();
    driver.run(() -> ((Button) driver.window.root().lookup("#state-forget")).fire());
    assertThat(session().project().states()).isEmpty();
  }

  @Test
  void pagesThatCannotBeSetAreSaid() {
    driver.run(() -> {
      try (var broken = mockStatic(Pack.class)) {
        broken
            .when(() -> Pack.paper(any(), any()))
            .thenThrow(new IllegalStateException("the worker broke"));
        var stage = new PackStage(Runnable::run, () -> {});
        stage.show(session(), session().review().get(), Theme.LIGHT);
        driver.window.root().getProperties().put("stage", stage);
      }
    });
    var stage = (PackStage) driver.window.root().getProperties().get("stage");
    driver.await("settled", stage::settled);
    var count = driver.on(() -> ((Label) stage.view().lookup("#pack-count")).getText());
    assertThat(count).contains("could not be set").contains("the worker broke");
  }

  private void picture(String name) {
    var into = System.getProperty("nelvar.pictures");
    if (into == null) return;
    driver.settle();
    driver.run(() -> {
      try {
        javax.imageio.ImageIO.write(
            SwingFXUtils.fromFXImage(driver.window.root().getScene().snapshot(null), null),
            "png",
            Path.of(into, name + ".png").toFile());
      } catch (java.io.IOException e) {
        throw new IllegalStateException(e);
      }
    });
  }
}
