package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mockStatic;
import static org.mockito.Mockito.spy;

import java.io.IOException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Disk;
import nelvar.core.file.Journal;
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
        Journal.of(file.map(ProjectFile::path).orElse(folder.resolve("untitled.nelvar.json"))),
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

  private Path machine() {
    return folder.resolve("m.nelvar.json");
  }

  /// Saves and lets the writing thread run.
  private boolean saved(Session session) {
    var said = new ArrayList<Boolean>();
    session.save(said::add);
    runAll(writing);
    return said.getFirst();
  }

  /// What a session that is gone left in its journal.
  private List<Project> left() throws IOException {
    var all = new ArrayList<Project>();
    for (var left : Journal.left(machine(), CatalogueFile.standard())) {
      all.add(left.state());
      left.close();
    }
    return all;
  }

  @Test
  void unsavedEditsLieInTheJournalUntilSaved() throws Exception {
    var session = session(Optional.of(ProjectFile.at(machine())));
    assertThat(saved(session)).isTrue();
    session.edit(rename(project, "-A"));
    session.edit(rename(project, "-B"));
    assertThat(writing).hasSize(2);
    runAll(writing);
    assertThat(folder.resolve("m.nelvar.json.unsaved-1")).exists();
    assertThat(saved(session)).isTrue();
    assertThat(folder.resolve("m.nelvar.json.unsaved-1")).doesNotExist();
    assertThat(session.history().get().unsaved()).isFalse();
  }

  /// The program ends as soon as closing says it may: with sixty edits still waiting to be written,
  /// the last of them is in the journal.
  @Test
  void closingWaitsForTheJournal() throws Exception {
    var session = session(Optional.of(ProjectFile.at(machine())));
    assertThat(saved(session)).isTrue();
    for (var i = 0; i < 60; i++) session.edit(rename(project, "-A" + i));
    var said = new ArrayList<Optional<String>>();
    session.close(said::add);
    assertThat(said).as("not before it is written").isEmpty();
    runAll(writing);
    assertThat(said).containsExactly(Optional.empty());
    assertThat(left()).containsExactly(session.project());
  }

  @Test
  void whatIsSavedOrUndoneLeavesNothingToAskAbout() throws Exception {
    var session = session(Optional.of(ProjectFile.at(machine())));
    assertThat(saved(session)).isTrue();
    session.edit(rename(project, "-A"));
    runAll(writing);
    session.undo();
    runAll(writing);
    session.close(_ -> {});
    runAll(writing);
    assertThat(left()).isEmpty();
    assertThat(Files.list(folder)).as("only the file").hasSize(1);
  }

  /// Undone to what is on disk and done again before anything was written: the edit is kept.
  @Test
  void whatIsDoneAgainIsKeptWhateverWaits() throws Exception {
    var session = session(Optional.of(ProjectFile.at(machine())));
    assertThat(saved(session)).isTrue();
    session.edit(rename(project, "-A"));
    session.undo();
    session.redo();
    runAll(writing);
    session.close(_ -> {});
    runAll(writing);
    assertThat(left()).containsExactly(session.project());
  }

  /// A disk so slow that edits are made while a save is under way: the save is of the state it was
  /// asked for, the newer edit is neither marked as saved nor taken from the journal.
  @Test
  void aSlowSaveAndTheJournalDoNotUndoEachOther() throws Exception {
    var disk = spy(Disk.REAL);
    var session = session(Optional.of(new ProjectFile(machine(), CatalogueFile.standard(), disk)));
    session.edit(rename(project, "-A"));
    var saving = session.project();
    doAnswer(
            call -> {
              session.edit(rename(saving, "-LATE"));
              return call.callRealMethod();
            })
        .doCallRealMethod()
        .when(disk)
        .writeAndSync(any(), any(), any());
    assertThat(saved(session)).isTrue();
    assertThat(ProjectFile.at(machine()).open()).isEqualTo(saving);
    assertThat(session.history().get().unsaved()).isTrue();
    session.close(_ -> {});
    runAll(writing);
    assertThat(left()).containsExactly(session.project());
  }

  @Test
  void aDiskThatRefusesTheJournalKeepsTheWindowOpen() throws Exception {
    var disk = spy(Disk.REAL);
    doThrow(new FileSystemException("m", null, "No space left on device"))
        .when(disk)
        .writeAndSync(any(), any(), any());
    var session =
        new Session(
            nelvar.core.review.Review.of(project, CatalogueFile.standard()),
            Optional.empty(),
            Journal.of(machine(), disk),
            true,
            CatalogueFile.standard(),
            reviewing::add,
            writing::add,
            Runnable::run);
    session.edit(rename(project, "-A"));
    runAll(writing);
    assertThat(session.message().get()).contains("the disk is full");
    var said = new ArrayList<Optional<String>>();
    session.close(said::add);
    runAll(writing);
    assertThat(said).containsExactly(Optional.of("the disk is full"));
  }

  @Test
  void aDiskThatRefusesIsToldAndTheMarkStays() throws Exception {
    var session = session(Optional.empty());
    session.save(saved -> assertThat(saved).as("no place yet").isFalse());
    session.edit(rename(project, "-A"));
    Files.writeString(folder.resolve("file"), "x");
    session.saveAs(folder.resolve("file/m.nelvar.json"), saved -> assertThat(saved).isFalse());
    runAll(writing);
    assertThat(session.message().get()).startsWith("Not saved:").doesNotContain("Exception");
    assertThat(session.history().get().unsaved()).isTrue();
  }

  private Session changedElsewhere(Edit mine, Edit theirs) throws Exception {
    ProjectFile.at(machine()).save(project);
    var file = ProjectFile.at(machine());
    file.open();
    var session = session(Optional.of(file));
    session.edit(mine);
    runAll(writing);
    ProjectFile.at(machine()).replace(theirs.apply(project));
    assertThat(saved(session)).isFalse();
    assertThat(session.conflict().get()).isPresent();
    return session;
  }

  private Edit other() {
    return Edits.purpose(project.devices().getLast(), "theirs");
  }

  @Test
  void aFileChangedElsewhereIsShownAndMerged() throws Exception {
    var session = changedElsewhere(rename(project, "-A"), other());
    assertThat(session.conflict().get().orElseThrow().here())
        .extracting(Object::toString)
        .containsExactly("-X0 changed, designation: -X0 → -A");
    assertThat(session.conflict().get().orElseThrow().there())
        .extracting(Object::toString)
        .containsExactly("-X10 changed, purpose: PE bar → theirs");
    assertThat(session.mergeBoth()).contains(List.of());
    runAll(writing);
    var both = ProjectFile.at(machine()).open();
    assertThat(both).isEqualTo(session.project());
    assertThat(both.devices().getFirst().designation()).hasToString("-A");
    assertThat(both.devices().getLast().purpose()).isEqualTo("theirs");
    assertThat(session.history().get().unsaved()).isFalse();
    assertThat(left()).isEmpty();
  }

  @Test
  void whatBothChangedStaysTheirsAndIsNamed() throws Exception {
    var session = changedElsewhere(rename(project, "-A"), rename(project, "-B"));
    assertThat(session.mergeBoth()).contains(List.of("-B"));
    runAll(writing);
    assertThat(session.project().devices().getFirst().designation()).hasToString("-B");
    session.undo();
    assertThat(session.project().devices().getFirst().designation()).hasToString("-A");
  }

  @Test
  void theirsIsTakenAndMineComesBackByUndo() throws Exception {
    var session = changedElsewhere(rename(project, "-A"), other());
    session.takeTheirs();
    runAll(writing);
    assertThat(session.project()).isEqualTo(other().apply(project));
    assertThat(session.history().get().unsaved()).isFalse();
    session.undo();
    assertThat(session.project().devices().getFirst().designation()).hasToString("-A");
    assertThat(saved(session)).as("now it is known what stands there").isTrue();
  }

  @Test
  void mineIsKeptAsideAndTheirsStays() throws Exception {
    var session = changedElsewhere(rename(project, "-A"), other());
    session.keepAside();
    runAll(writing);
    assertThat(ProjectFile.at(machine()).open()).isEqualTo(other().apply(project));
    assertThat(ProjectFile.at(folder.resolve("m.mine.nelvar.json")).open())
        .isEqualTo(session.project());
    assertThat(session.file().get().orElseThrow().path().getFileName())
        .hasToString("m.mine.nelvar.json");
  }

  @Test
  void aChangeElsewhereIsNoticedWhenTheWindowComesToTheFront() throws Exception {
    ProjectFile.at(machine()).save(project);
    var file = ProjectFile.at(machine());
    file.open();
    var session = session(Optional.of(file));
    session.lookAtDisk();
    runAll(writing);
    assertThat(session.conflict().get()).isEmpty();
    Files.writeString(machine(), "{ mangled");
    session.lookAtDisk();
    runAll(writing);
    assertThat(session.conflict().get().orElseThrow().theirs()).isEmpty();
    assertThat(Files.readString(machine())).isEqualTo("{ mangled");
  }

  @Test
  void anEditThatWouldBrickTheFileIsRefused() {
    var session = session(Optional.empty());
    assertThat(session.edit(new Edit("Break it", p -> p.withFixed(List.of(new Id("nobody"))))))
        .isFalse();
    assertThat(session.message().get()).startsWith("Nothing was changed").contains("'nobody'");
  }

  /// A review that dies is said, tried once more, and what is shown is never taken for current.
  @Test
  void aReviewThatDiesIsSaidAndNothingOldPassesForNew() {
    var study = new RuntimeException("the worker broke");
    try (var broken = mockStatic(nelvar.core.review.Review.class)) {
      broken.when(() -> nelvar.core.review.Review.of(any(), any())).thenCallRealMethod();
      broken
          .when(() -> nelvar.core.review.Review.of(any(), any(), any(), any()))
          .thenCallRealMethod();
      var session = session(Optional.empty());
      broken.when(() -> nelvar.core.review.Review.of(any(), any(), any(), any())).thenThrow(study);
      session.edit(rename(project, "-A"));
      runAll(reviewing);
      assertThat(session.stale().get()).isTrue();
      assertThat(session.trouble().get()).contains("the worker broke");
      assertThat(session.message().get()).contains("failed twice");
      broken
          .when(() -> nelvar.core.review.Review.of(any(), any(), any(), any()))
          .thenCallRealMethod();
      session.edit(rename(project, "-B"));
      runAll(reviewing);
      assertThat(session.stale().get()).isFalse();
      assertThat(session.trouble().get()).isEmpty();
    }
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
    var first = Journal.of(places.untitled());
    var second = Journal.of(places.untitled());
    first.keep(project);
    second.keep(project.withName("another"));
    first.close();
    second.close();
    var left = places.leftovers();
    assertThat(left).extracting(Journal.Left::state).hasSize(2).contains(project);
    for (var one : left) one.forget();
    assertThat(places.leftovers()).isEmpty();
  }
}
