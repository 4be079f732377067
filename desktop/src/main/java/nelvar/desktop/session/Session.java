package nelvar.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicReference;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.review.Review;
import nelvar.core.review.RuleBook;
import nelvar.core.units.ImpossibleQuantity;

/// The open project: the only way to change it, and the newest review of it.
///
/// One worker reviews snapshots; a result is taken only while its snapshot is the current one.
/// Unsaved states are kept in the journal by a second worker. All methods are called on the
/// interface thread.
public final class Session {
  private final Catalogue catalogue;
  private final Executor reviewing;
  private final Executor writing;
  private final Executor interfaceThread;
  private final ReadOnlyObjectWrapper<History<Project>> history;
  private final ReadOnlyObjectWrapper<Review> review;
  private final ReadOnlyBooleanWrapper stale = new ReadOnlyBooleanWrapper(false);
  private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
  private final SimpleObjectProperty<Optional<Id>> selection =
      new SimpleObjectProperty<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<ProjectFile>> file;
  private final Bench bench;
  private final ProjectFile journal;
  private final AtomicReference<Project> wanted = new AtomicReference<>();
  private final AtomicReference<Optional<Project>> toKeep = new AtomicReference<>(Optional.empty());

  /// @param reviewed the project with its first review
  /// @param file where it is saved; empty for one that never was
  /// @param journal where unsaved states are kept
  /// @param reviewing runs reviews one after the other; @param writing runs journal writes
  /// @param interfaceThread runs what touches properties
  public Session(
      Review reviewed,
      Optional<ProjectFile> file,
      ProjectFile journal,
      boolean onDisk,
      Catalogue catalogue,
      Executor reviewing,
      Executor writing,
      Executor interfaceThread) {
    this.catalogue = catalogue;
    this.reviewing = reviewing;
    this.writing = writing;
    this.interfaceThread = interfaceThread;
    this.journal = journal;
    this.file = new ReadOnlyObjectWrapper<>(file);
    this.history = new ReadOnlyObjectWrapper<>(History.of(reviewed.project(), onDisk));
    this.review = new ReadOnlyObjectWrapper<>(reviewed);
    this.bench = new Bench(review.getReadOnlyProperty(), reviewing, interfaceThread);
  }

  /// What is tried and measured on the machine; never part of the project.
  public Bench bench() {
    return bench;
  }

  public Project project() {
    return history.get().current();
  }

  public ReadOnlyObjectProperty<History<Project>> history() {
    return history.getReadOnlyProperty();
  }

  /// The newest review; about an older state while [#stale] holds.
  public ReadOnlyObjectProperty<Review> review() {
    return review.getReadOnlyProperty();
  }

  public ReadOnlyBooleanProperty stale() {
    return stale.getReadOnlyProperty();
  }

  /// The newest thing to tell the person; empty for nothing.
  public ReadOnlyStringProperty message() {
    return message.getReadOnlyProperty();
  }

  public void tell(String text) {
    message.set("");
    message.set(text);
  }

  public SimpleObjectProperty<Optional<Id>> selection() {
    return selection;
  }

  public ReadOnlyObjectProperty<Optional<ProjectFile>> file() {
    return file.getReadOnlyProperty();
  }

  public Catalogue catalogue() {
    return catalogue.with(project().ownParts());
  }

  /// Applies an edit as a step of its own. A refused edit changes nothing and says why.
  ///
  /// @return whether it was applied
  public boolean edit(Edit edit) {
    return edit(edit, Optional.empty());
  }

  /// Applies an edit; those of one gesture (typing in one field, one drag) become one step.
  public boolean edit(Edit edit, Optional<Object> gesture) {
    try {
      var next = edit.apply(project());
      if (next.equals(project())) return true;
      history.set(history.get().then(edit.label(), gesture, next));
      changed();
      return true;
    } catch (EditRefused | ImpossibleQuantity refused) {
      tell(Objects.requireNonNullElse(refused.getMessage(), "This cannot be done."));
      return false;
    }
  }

  public void undo() {
    history
        .get()
        .undoLabel()
        .ifPresent(label -> {
          history.set(history.get().undo());
          tell("Undone: " + label);
          changed();
        });
  }

  public void redo() {
    history
        .get()
        .redoLabel()
        .ifPresent(label -> {
          history.set(history.get().redo());
          tell("Done again: " + label);
          changed();
        });
  }

  private void changed() {
    var snapshot = project();
    selection
        .get()
        .filter(id -> !known(snapshot, id))
        .ifPresent(_ -> selection.set(Optional.empty()));
    wanted.set(snapshot);
    stale.set(true);
    reviewing.execute(() -> review(snapshot));
    toKeep.set(Optional.of(snapshot));
    writing.execute(this::keep);
  }

  private static boolean known(Project project, Id id) {
    return project.device(id).isPresent()
        || project.conductor(id).isPresent()
        || project.cable(id).isPresent();
  }

  private void review(Project snapshot) {
    // Only the newest snapshot is worth the work; an older one is dropped, also half way.
    Review.of(snapshot, catalogue, RuleBook.ALL, () -> wanted.get() != snapshot)
        .ifPresent(result ->
            interfaceThread.execute(() -> {
              if (project() != snapshot) return;
              review.set(result);
              stale.set(false);
            }));
  }

  private void keep() {
    var project = toKeep.getAndSet(Optional.empty());
    if (project.isEmpty()) return;
    try {
      journal.keepUnsaved(project.get());
    } catch (IOException e) {
      interfaceThread.execute(() ->
          tell(
              "Unsaved edits cannot be kept beside the file ("
                  + e.getMessage()
                  + "). Save often."));
    }
  }

  /// Saves where it was opened from; false where there is no such place yet or the disk refuses.
  public boolean save() {
    return file.get().map(this::saveTo).orElse(false);
  }

  public boolean saveAs(Path path) {
    return saveTo(ProjectFile.at(path));
  }

  private boolean saveTo(ProjectFile target) {
    try {
      target.save(project());
      file.set(Optional.of(target));
      history.set(history.get().savedHere());
      toKeep.set(Optional.empty());
      journal.forgetUnsaved();
      target.forgetUnsaved();
      tell("Saved as " + target.path().getFileName());
      return true;
    } catch (IOException e) {
      tell("Not saved: " + e.getMessage() + ". Choose another place with Save as.");
      return false;
    }
  }

  /// Leaves nothing behind that would be taken for lost work.
  public void closeSaved() {
    try {
      toKeep.set(Optional.empty());
      journal.forgetUnsaved();
    } catch (IOException e) {
      tell("The journal cannot be removed: " + e.getMessage());
    }
  }
}
