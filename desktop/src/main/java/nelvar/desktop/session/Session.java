package nelvar.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.WaysAsRepairs;
import nelvar.core.file.DiskTrouble;
import nelvar.core.file.Journal;
import nelvar.core.file.ProjectFile;
import nelvar.core.file.UnreadableFile;
import nelvar.core.finding.Repair;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Horizon;
import nelvar.core.model.edit.Merge;
import nelvar.core.review.Alike;
import nelvar.core.review.Review;
import nelvar.core.review.RuleBook;
import nelvar.core.review.WaysOut;
import nelvar.core.units.ImpossibleQuantity;

/// The open project: the only way to change it, and the newest review of it.
///
/// One worker reviews snapshots; a result is taken only while its snapshot is the current one. A
/// second worker writes: journal and saves one after the other, so that neither can undo the other.
/// All methods are called on the interface thread.
public final class Session {
  /// An eighth of the memory the program may use is for undoing; a state shares all but its changed
  /// lists with the one before it, which at most are lists of references.
  private static final History.Bounds<Project> BOUNDS =
      new History.Bounds<>(Runtime.getRuntime().maxMemory() / 8, Session::weight);

  private final Catalogue catalogue;
  private final Executor reviewing;
  private final Executor writing;
  private final Executor interfaceThread;
  private final ReadOnlyObjectWrapper<History<Project>> history;
  private final ReadOnlyObjectWrapper<Review> review;
  private final ReadOnlyObjectWrapper<WaysOut> ways = new ReadOnlyObjectWrapper<>(WaysOut.none());
  private final AtomicReference<Optional<Review>> tryingFor =
      new AtomicReference<>(Optional.empty());
  private Optional<Review> waysTried = Optional.empty();
  private final ReadOnlyBooleanWrapper stale = new ReadOnlyBooleanWrapper(false);
  private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
  private final SimpleObjectProperty<Optional<Id>> selection =
      new SimpleObjectProperty<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<ProjectFile>> file;
  private final Bench bench;
  private final Composing composing;
  private final Pinning pinning;
  private final Latest<Optional<Asked>> reviews;
  private final ReadOnlyObjectWrapper<Horizon> horizon =
      new ReadOnlyObjectWrapper<>(Horizon.FINISHED);
  private Review whole;
  private final Latest<Optional<Repair>> together;
  private final ReadOnlyObjectWrapper<Optional<Conflict>> conflict =
      new ReadOnlyObjectWrapper<>(Optional.empty());

  /// The newest state that the journal does not have yet.
  private final AtomicReference<Optional<Numbered>> toKeep =
      new AtomicReference<>(Optional.empty());

  private volatile Journal journal;
  private Project onDisk;
  private long number;

  /// What the journal holds; of the writing thread alone.
  private long kept;

  /// A state with its number: later states have higher ones.
  ///
  /// @param unsaved whether it differs from what is on disk; if not, nothing of it need be kept
  private record Numbered(long number, Project project, boolean unsaved) {}

  /// The reviews of one state: of the machine asked about, and of all that is drawn.
  private record Asked(Review shown, Review whole) {}

  /// @param reviewed the project with its first review
  /// @param file where it is saved; empty for one that never was
  /// @param journal where unsaved states are kept
  /// @param reviewing runs reviews one after the other; @param writing runs journal writes
  /// @param interfaceThread runs what touches properties
  public Session(
      Review reviewed,
      Optional<ProjectFile> file,
      Journal journal,
      boolean onDisk,
      Catalogue catalogue,
      Executor reviewing,
      Executor writing,
      Executor interfaceThread) {
    this.catalogue = catalogue;
    this.reviewing = reviewing;
    this.writing = writing;
    this.interfaceThread = interfaceThread;
    this.reviews = new Latest<>(reviewing, interfaceThread);
    this.together = new Latest<>(reviewing, interfaceThread);
    this.journal = journal;
    this.file = new ReadOnlyObjectWrapper<>(file);
    this.onDisk = reviewed.project();
    this.history = new ReadOnlyObjectWrapper<>(History.of(reviewed.project(), onDisk, BOUNDS));
    this.review = new ReadOnlyObjectWrapper<>(reviewed);
    this.whole = reviewed;
    this.bench = new Bench(review.getReadOnlyProperty(), reviewing, interfaceThread, this::tell);
    this.composing = new Composing(this, catalogue, reviewing, interfaceThread);
    this.pinning = new Pinning(this, catalogue, reviewing, interfaceThread);
    tryWays(reviewed);
    if (!horizon.get().leftOut(reviewed.project()).isEmpty()) reviewAnew();
  }

  /// Which machine is asked about: what the review, what is tried and the papers answer for. Never
  /// part of the project.
  public ReadOnlyObjectProperty<Horizon> horizon() {
    return horizon.getReadOnlyProperty();
  }

  public void ask(Horizon next) {
    if (horizon.get() == next) return;
    horizon.set(next);
    reviewAnew();
    tell("Asked about: " + next.sentence() + ".");
  }

  private void reviewAnew() {
    together.cancel();
    tryingFor.set(Optional.empty());
    stale.set(true);
    review(project(), 1);
  }

  /// The review of all that is drawn, what is for later too: what is made next must leave that its
  /// place.
  public Review whole() {
    return whole;
  }

  /// The ways to make its functions work.
  public Pinning pinning() {
    return pinning;
  }

  public Composing composing() {
    return composing;
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
      var next = edit.on(project(), catalogue);
      if (next.equals(project())) return true;
      var goneBefore = history.get().gone();
      history.set(history.get().then(edit.label(), gesture, next));
      changed();
      if (goneBefore == 0 && history.get().gone() > 0)
        tell(
            "Undo reaches back %d steps from here on; older ones are let go to save memory."
                .formatted(history.get().steps().size() - 1));
      return true;
    } catch (EditRefused | ImpossibleQuantity refused) {
      tell(Objects.requireNonNullElse(refused.getMessage(), "This cannot be done."));
      return false;
    }
  }

  public void undo() {
    if (history.get().undoLabel().isEmpty() && history.get().gone() > 0)
      tell(
          "Undo ends here: %d older steps were let go to save memory."
              .formatted(history.get().gone()));
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

  private static long weight(Project p) {
    return 2000
        + 8L
            * (p.devices().size()
                + p.conductors().size()
                + p.cables().size()
                + p.settings().size()
                + p.deviations().size()
                + p.fixed().size());
  }

  private void changed() {
    var snapshot = project();
    selection
        .get()
        .filter(id -> !known(snapshot, id))
        .ifPresent(_ -> selection.set(Optional.empty()));
    reviewAnew();
    toKeep.set(Optional.of(new Numbered(++number, snapshot, history.get().unsaved())));
    writing.execute(this::keep);
  }

  /// Tries what the rules propose, finding by finding, so that a newer edit or a question to the
  /// bench need not wait.
  private void tryWays(Review about) {
    ways.set(WaysOut.none());
    tryingFor.set(Optional.of(about));
    var trying =
        new WaysOut.Trying(
            about,
            catalogue,
            new WaysAsRepairs(catalogue),
            () -> tryingFor.get().filter(r -> r == about).isEmpty());
    reviewing.execute(() -> tryNext(about, trying));
  }

  private void tryNext(Review about, WaysOut.Trying trying) {
    boolean more;
    try {
      more = trying.step();
    } catch (Throwable broken) {
      interfaceThread.execute(() -> {
        if (review.get() != about) return;
        tell("A way out could not be tried (%s).".formatted(Trouble.of(broken)));
        tried(about, trying.soFar(), true);
      });
      return;
    }
    var soFar = trying.soFar();
    interfaceThread.execute(() -> {
      if (review.get() == about) tried(about, soFar, !more);
    });
    if (more) reviewing.execute(() -> tryNext(about, trying));
  }

  /// Whoever hears of the ways finds out whether there are more to come.
  private void tried(Review about, WaysOut soFar, boolean all) {
    if (all) waysTried = Optional.of(about);
    ways.set(soFar);
  }

  /// Takes the first way out of each of several alike findings as one step, where they cure
  /// together.
  public void takeForAll(Alike alike) {
    var about = review.get();
    var tried = ways.get();
    tell("Trying one way out for all %d…".formatted(alike.size()));
    together.ask(
        _ ->
            WaysOut.ofAll(
                "Put right %d times: %s".formatted(alike.size(), alike.title()),
                alike.entries(),
                tried,
                about,
                catalogue),
        found -> found.ifPresentOrElse(all -> take(all), () -> noneForAll(alike)),
        _ -> noneForAll(alike));
  }

  /// Takes a way out that was found on the machine asked about; what is not in that stays.
  public boolean take(Repair repair) {
    return edit(horizon.get().lifted(repair.edit().named(repair.label()), catalogue));
  }

  private void noneForAll(Alike alike) {
    tell(
        "No single way out cures all %d: look at each, some need a decision."
            .formatted(alike.size()));
  }

  /// What was tried so far for the findings of the newest review.
  public ReadOnlyObjectProperty<WaysOut> ways() {
    return ways.getReadOnlyProperty();
  }

  /// Whether all proposals of the newest review were tried.
  public boolean waysTried() {
    return waysTried.filter(about -> about == review.get()).isPresent();
  }

  private static boolean known(Project project, Id id) {
    return project.device(id).isPresent()
        || project.plan().function(id).isPresent()
        || project.conductor(id).isPresent()
        || project.cable(id).isPresent()
        || project.bundles().stream().anyMatch(bundle -> bundle.id().equals(id))
        || project.layout().cabinets().stream()
            .anyMatch(c -> c.id().equals(id) || c.rail(id).isPresent() || c.duct(id).isPresent());
  }

  /// Only the newest snapshot is worth the work; an older one is dropped, also half way. What fails
  /// is tried once more.
  private void review(Project snapshot, int more) {
    var about = horizon.get();
    reviews.ask(
        dropped -> asked(snapshot, about, dropped),
        result ->
            result.ifPresent(both -> {
              var fresh = both.shown();
              whole = both.whole();
              review.set(fresh);
              stale.set(false);
              trouble.set("");
              tryWays(fresh);
            }),
        broken -> {
          if (more > 0) {
            review(snapshot, more - 1);
            return;
          }
          // Still stale: what is shown is of an earlier state, and says so until a review succeeds.
          trouble.set("The review failed (" + Trouble.of(broken) + ").");
          tell(
              "The review failed twice (%s). What is shown is of an earlier state; nothing you did is lost. Undo the last step, or save and tell us."
                  .formatted(Trouble.of(broken)));
        });
  }

  private Optional<Asked> asked(
      Project snapshot, Horizon about, java.util.function.BooleanSupplier dropped) {
    var shown = about.of(snapshot);
    var first = Review.of(shown, catalogue, RuleBook.ALL, dropped);
    if (first.isEmpty() || shown.equals(snapshot)) return first.map(both -> new Asked(both, both));
    return Review.of(snapshot, catalogue, RuleBook.ALL, dropped)
        .map(all -> new Asked(first.get(), all));
  }

  private final ReadOnlyStringWrapper trouble = new ReadOnlyStringWrapper("");

  /// Why the review shown is not the current state's and will not be by itself; empty for nothing.
  public ReadOnlyStringProperty trouble() {
    return trouble.getReadOnlyProperty();
  }

  private void keep() {
    var next = toKeep.getAndSet(Optional.empty());
    if (next.isEmpty()) return;
    try {
      // Back at what is on disk, nothing is at stake.
      if (next.get().unsaved()) journal.keep(next.get().project());
      else journal.forget();
      kept = next.get().number();
    } catch (IOException e) {
      toKeep.compareAndSet(Optional.empty(), next);
      interfaceThread.execute(() ->
          tell(
              "Unsaved edits cannot be kept beside the file: %s. Save often, or save in another place."
                  .formatted(DiskTrouble.words(e))));
    }
  }

  /// Saves where it was opened from; false where there is no such place yet, the disk refuses or
  /// somebody else changed the file ([#conflict]).
  ///
  /// @param then told whether it is on disk
  public void save(Consumer<Boolean> then) {
    file.get().ifPresentOrElse(place -> saveTo(place, false, then), () -> then.accept(false));
  }

  public void saveAs(Path path, Consumer<Boolean> then) {
    var here = file.get().filter(place -> place.path().equals(path.toAbsolutePath()));
    if (here.isPresent()) saveTo(here.get(), false, then);
    else saveTo(ProjectFile.at(path), true, then);
  }

  private void saveTo(ProjectFile target, boolean whateverStandsThere, Consumer<Boolean> then) {
    var snapshot = project();
    var at = number;
    writing.execute(() -> {
      try {
        if (whateverStandsThere) target.replace(snapshot);
        else target.save(snapshot);
        if (kept <= at) journal.forget();
        toKeep.updateAndGet(next -> next.filter(newer -> newer.number() > at));
        interfaceThread.execute(() -> {
          saved(target, snapshot);
          then.accept(true);
        });
      } catch (ProjectFile.ChangedElsewhere changed) {
        interfaceThread.execute(() -> {
          conflict.set(Optional.of(new Conflict(onDisk, project(), changed.theirs())));
          then.accept(false);
        });
      } catch (IOException e) {
        interfaceThread.execute(() -> {
          tell("Not saved: %s. Choose another place with Save as.".formatted(DiskTrouble.words(e)));
          then.accept(false);
        });
      } catch (Throwable broken) {
        interfaceThread.execute(() -> {
          tell("Not saved: this failed in the program (%s).".formatted(Trouble.of(broken)));
          then.accept(false);
        });
      }
    });
  }

  private void saved(ProjectFile target, Project snapshot) {
    var moved = file.get().filter(target::equals).isEmpty();
    file.set(Optional.of(target));
    onDisk = snapshot;
    conflict.set(Optional.empty());
    history.set(history.get().savedAs(snapshot));
    if (history.get().unsaved()) toKeep.set(Optional.of(new Numbered(number, project(), true)));
    if (moved) {
      // From now on unsaved edits lie beside the new place.
      var before = journal;
      var next = Journal.of(target.path());
      writing.execute(() -> {
        journal = next;
        keep();
        closed(before, true);
      });
    }
    tell("Saved as " + target.path().getFileName());
  }

  /// Set while the file differs from what it was when last read or written here, until it is
  /// answered.
  public ReadOnlyObjectProperty<Optional<Conflict>> conflict() {
    return conflict.getReadOnlyProperty();
  }

  /// Looks whether somebody else changed the file meanwhile.
  public void lookAtDisk() {
    var place = file.get();
    if (place.isEmpty() || conflict.get().isPresent()) return;
    writing.execute(() -> {
      Optional<Project> theirs;
      var changed = true;
      try {
        theirs = place.get().changedElsewhere();
        changed = theirs.isPresent();
      } catch (UnreadableFile broken) {
        theirs = Optional.empty();
      }
      if (!changed) return;
      var found = theirs;
      interfaceThread.execute(() -> {
        if (file.get().equals(place) && conflict.get().isEmpty())
          conflict.set(Optional.of(new Conflict(onDisk, project(), found)));
      });
    });
  }

  /// Not answered now: nothing is written, and it is asked again at the next save.
  public void answerLater() {
    conflict.set(Optional.empty());
  }

  /// Goes on with what the other program saved; what was here can be had back by undoing.
  public void takeTheirs() {
    conflict
        .get()
        .flatMap(Conflict::theirs)
        .ifPresent(theirs -> {
          conflict.set(Optional.empty());
          seen(theirs, "Take what the other program saved", theirs);
        });
  }

  /// Brings both together where they touched different things and saves that; what both touched
  /// stays as theirs.
  ///
  /// @return what both touched; empty if it could not be done
  public Optional<java.util.List<String>> mergeBoth() {
    var now = conflict.get();
    if (now.isEmpty() || now.get().theirs().isEmpty()) return Optional.empty();
    var theirs = now.get().theirs().get();
    try {
      var merge = Merge.of(now.get().base(), project(), theirs, catalogue);
      conflict.set(Optional.empty());
      seen(theirs, "Merge with what the other program saved", merge.project());
      save(_ -> {});
      return Optional.of(merge.both());
    } catch (EditRefused refused) {
      tell(String.valueOf(refused.getMessage()));
      return Optional.empty();
    }
  }

  private void seen(Project theirs, String label, Project next) {
    onDisk = theirs;
    var place = file.get().orElseThrow();
    writing.execute(() -> {
      try {
        place.seen();
      } catch (UnreadableFile gone) {
        interfaceThread.execute(() -> tell(String.valueOf(gone.getMessage())));
      }
    });
    edit(new Edit(label, _ -> next));
    if (project().equals(theirs)) {
      history.set(history.get().savedAs(project()));
      toKeep.set(Optional.of(new Numbered(number, project(), false)));
      writing.execute(this::keep);
    }
  }

  /// Puts what is here in a file of its own beside the other and goes on with that.
  public void keepAside() {
    conflict.set(Optional.empty());
    file.get().ifPresent(place -> saveTo(ProjectFile.at(place.aside()), true, _ -> {}));
  }

  /// Stops what is computed for it: nobody looks at it any more.
  public void rest() {
    together.cancel();
    tryingFor.set(Optional.empty());
  }

  /// Waits until everything unsaved is in the journal and gives it back; what is saved leaves no
  /// journal.
  ///
  /// @param then told what the disk refused; empty when all is safe
  public void close(Consumer<Optional<String>> then) {
    var unsaved = history.get().unsaved();
    var current = project();
    writing.execute(() -> {
      var refused = Optional.<String>empty();
      try {
        var next = toKeep.getAndSet(Optional.empty());
        if (unsaved && next.isPresent()) {
          journal.keep(next.get().project());
          kept = next.get().number();
        }
        if (!unsaved) journal.forget();
        journal.close();
      } catch (IOException e) {
        refused = Optional.of(DiskTrouble.words(e));
        toKeep.compareAndSet(Optional.empty(), Optional.of(new Numbered(kept + 1, current, true)));
      } catch (Throwable broken) {
        refused = Optional.of(Trouble.of(broken));
      }
      var why = refused;
      interfaceThread.execute(() -> then.accept(why));
    });
  }

  /// Its edits are not wanted any more, or safe elsewhere.
  public void closeSaved() {
    var now = journal;
    toKeep.set(Optional.empty());
    writing.execute(() -> closed(now, true));
  }

  private void closed(Journal which, boolean forget) {
    try {
      if (forget) which.forget();
      which.close();
    } catch (IOException e) {
      interfaceThread.execute(
          () -> tell("The journal cannot be removed: %s".formatted(DiskTrouble.words(e))));
    }
  }

  /// Puts the state in the journal although nothing was edited: it came from a journal.
  public void keepNow() {
    toKeep.set(Optional.of(new Numbered(++number, project(), true)));
    writing.execute(this::keep);
  }

  /// Runs when everything asked of the writing thread so far is done and safe.
  public void afterWriting(Runnable then) {
    writing.execute(() -> {
      if (toKeep.get().isEmpty()) then.run();
    });
  }
}
