package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Optional;
import java.util.Queue;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Designation;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.sample.NewProject;
import nelvar.desktop.session.Places;
import nelvar.desktop.session.Session;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The session with its workers in the test's hand: tasks wait in queues until they are let run.
class SessionTest {
  @TempDir Path folder;

  private final Queue<Runnable> reviewing = new ArrayDeque<>();
  private final Queue<Runnable> writing = new ArrayDeque<>();
  private final Project project = NewProject.named("machine");

  private Session session(Optional<ProjectFile> file) {
    return new Session(
        nelvar.core.review.Review.of(project, CatalogueFile.standard()),
        file,
        file.orElseGet(() -> ProjectFile.at(folder.resolve("untitled.nelvar.json"))),
        true,
        CatalogueFile.standard(),
        reviewing::add,
        writing::add,
        Runnable::run);
  }

  private static Edit rename(Project project, String name) {
    return Edits.rename(project.devices().getFirst(), new Designation(name));
  }

  private void runAll(Queue<Runnable> tasks) {
    while (!tasks.isEmpty()) tasks.remove().run();
  }

  @Test
  void aResultIsShownOnlyWhileItsSnapshotIsCurrent() {
    var session = session(Optional.empty());
    session.edit(rename(project, "-A"));
    var slow = reviewing.remove();
    session.edit(rename(project, "-B"));
    assertThat(session.stale().get()).isTrue();
    slow.run();
    assertThat(session.review().get().project())
        .as("the older result is not taken")
        .isEqualTo(project);
    assertThat(session.stale().get()).isTrue();
    runAll(reviewing);
    assertThat(session.stale().get()).isFalse();
    assertThat(session.review().get().project()).isEqualTo(session.project());
  }

  @Test
  void undoAndRedoAreReviewedAgain() {
    var session = session(Optional.empty());
    session.edit(rename(project, "-A"));
    session.undo();
    assertThat(session.project()).isEqualTo(project);
    assertThat(session.message().get()).isEqualTo("Undone: Rename -X0 to -A");
    session.redo();
    assertThat(session.project()).isNotEqualTo(project);
    session.redo();
    runAll(reviewing);
    assertThat(session.review().get().project()).isEqualTo(session.project());
  }

  @Test
  void aRefusedEditChangesNothingAndSaysWhy() {
    var session = session(Optional.empty());
    assertThat(
            session.edit(
                new Edit(
                    "x",
                    _ -> {
                      throw new EditRefused("Move that wire first.");
                    })))
        .isFalse();
    assertThat(session.message().get()).isEqualTo("Move that wire first.");
    assertThat(session.history().get().unsaved()).isFalse();
    assertThat(session.edit(new Edit("nothing", p -> p)))
        .as("an edit that changes nothing is no step")
        .isTrue();
    assertThat(session.history().get().undoLabel()).isEmpty();
  }

  @Test
  void unsavedEditsLieInTheJournalUntilSaved() {
    var file = ProjectFile.at(folder.resolve("m.nelvar.json"));
    var session = session(Optional.of(file));
    assertThat(session.save()).isTrue();
    session.edit(rename(project, "-A"));
    session.edit(rename(project, "-B"));
    assertThat(writing).hasSize(2);
    runAll(writing);
    assertThat(file.recover()).contains(session.project());
    assertThat(session.save()).isTrue();
    assertThat(file.recover()).isEmpty();
    assertThat(session.history().get().unsaved()).isFalse();
  }

  @Test
  void aDiskThatRefusesIsToldAndTheMarkStays() throws Exception {
    var session = session(Optional.empty());
    assertThat(session.save()).as("no place yet").isFalse();
    session.edit(rename(project, "-A"));
    Files.writeString(folder.resolve("file"), "x");
    assertThat(session.saveAs(folder.resolve("file/m.nelvar.json"))).isFalse();
    assertThat(session.message().get()).startsWith("Not saved:");
    assertThat(session.history().get().unsaved()).isTrue();
  }

  @Test
  void whatIsGoneIsNoLongerSelected() {
    var session = session(Optional.empty());
    session.selection().set(Optional.of(new Id("X10")));
    session.edit(Edits.remove(project.device(new Id("X10")).orElseThrow()));
    assertThat(session.selection().get()).isEmpty();
    session.undo();
    assertThat(session.project()).isEqualTo(project);
  }

  @Test
  void placesRememberRecentProjectsAndTheTheme() throws Exception {
    var places = new Places(folder.resolve("state"));
    assertThat(places.recent()).isEmpty();
    for (var name : new String[] {"a", "b", "a"}) {
      Files.writeString(folder.resolve(name), "");
      places.opened(folder.resolve(name));
    }
    assertThat(places.recent())
        .extracting(path -> path.getFileName().toString())
        .containsExactly("a", "b");
    Files.delete(folder.resolve("b"));
    assertThat(places.recent()).hasSize(1);
    places.dark(true);
    assertThat(new Places(folder.resolve("state")).dark()).isTrue();
  }

  @Test
  void projectsWithoutANameDoNotOverwriteOneAnother() throws Exception {
    var places = new Places(folder.resolve("state"));
    places.ready();
    assertThat(places.leftovers()).isEmpty();
    var first = ProjectFile.at(places.untitled());
    first.keepUnsaved(project);
    var second = ProjectFile.at(places.untitled());
    assertThat(second.path()).isNotEqualTo(first.path());
    second.keepUnsaved(project.withName("another"));
    assertThat(places.leftovers()).hasSize(2);
    assertThat(first.recover()).contains(project);
    first.forgetUnsaved();
    assertThat(places.leftovers()).containsExactly(second.path());
  }
}
