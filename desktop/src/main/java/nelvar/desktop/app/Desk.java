package nelvar.desktop.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import nelvar.core.analysis.choice.Choosing;
import nelvar.core.analysis.choice.Goal;
import nelvar.core.exchange.PartsCsv;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import nelvar.core.sample.NewProject;
import nelvar.desktop.session.Places;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;
import nelvar.documents.export.PackFiles;

/// What can be done at the desk: open, begin, save, undo, print and the other commands, by name and
/// key.
public final class Desk {
  private final MainWindow window;
  private final Workers workers;
  private final Picker picker;
  private final Places places;

  Desk(MainWindow window, Workers workers, Picker picker, Places places) {
    this.window = window;
    this.workers = workers;
    this.picker = picker;
    this.places = places;
  }

  List<Command> commands(List<Stage> stages) {
    var all = new ArrayList<Command>();
    for (var i = 0; i < stages.size(); i++) {
      var stage = stages.get(i);
      all.add(
          Command.of("Go to " + stage.name(), "Shortcut+" + (i + 1), () -> window.choose(stage)));
    }
    all.add(Command.of("Find or do anything", "Shortcut+K", window::focusFind));
    all.add(Command.of("Next finding", "F8", window::nextFinding));
    all.add(Command.of("Take the first way out", "Shortcut+Enter", this::repair));
    all.add(
        Command.of("Show or hide the working", "Shortcut+W", () -> window.side().toggleWorking()));
    all.add(Command.of("Trace the path", "Shortcut+P", window::focusPath));
    all.add(Command.of("Quick calculation", "Shortcut+E", window::quick));
    all.add(Command.of("Put the probes of the meter", "Shortcut+M", window::focusMeter));
    all.add(Command.of("Back as designed: undo everything tried", "F9", window::asDesigned));
    all.add(Command.of("All findings (clear the selection)", "Shortcut+L", window::clearSelection));
    for (var goal : Goal.values())
      all.add(
          Command.of(
              "Choose devices and wires: " + goal.words(),
              goal == Goal.LEAST_COST ? "Shortcut+J" : "",
              () -> chooseForMe(goal, false)));
    all.add(
        Command.of(
            "Choose for the selected load: " + Goal.LEAST_COST.words(),
            "Shortcut+Shift+J",
            () -> chooseForMe(Goal.LEAST_COST, true)));
    all.add(Command.of("Undo", "Shortcut+Z", () -> window.session().ifPresent(Session::undo)));
    all.add(Command.of("Redo", "Shortcut+Y", () -> window.session().ifPresent(Session::redo)));
    all.add(Command.of("Save", "Shortcut+S", this::save));
    all.add(Command.of("Save as…", "Shortcut+Shift+S", this::saveAs));
    all.add(Command.of("Open a project…", "Shortcut+O", this::open));
    all.add(Command.of("Begin a new project", "Shortcut+N", this::begin));
    all.add(Command.of("Open the demo machine", "", this::openDemo));
    all.add(Command.of("Open the second demo, North American", "", this::openSecondDemo));
    all.add(Command.of("Write the pack…", "Shortcut+D", this::writePack));
    all.add(Command.of("Add parts from CSV…", "", this::importParts));
    all.add(
        Command.of(
            "Light or dark", "Shortcut+T", () -> window.theme(window.theme() == Theme.LIGHT)));
    all.add(Command.of("Keys", "F1", window::shortcuts));
    all.add(Command.of("Welcome and recent projects", "", () -> window.welcome("")));
    return all;
  }

  /// Proposes off the interface thread; nothing changes until it is taken.
  private void chooseForMe(Goal goal, boolean selection) {
    window
        .session()
        .ifPresent(session -> {
          var selected = session.selection().get();
          var study = session.review().get().study();
          if (session.stale().get()) {
            session.tell("The review is being brought up to date; try again in a moment.");
            return;
          }
          if (selection && selected.filter(id -> !study.network().feeds(id).isEmpty()).isEmpty()) {
            session.tell("Select a load first: a device that takes current.");
            return;
          }
          session.tell("Choosing …");
          workers
              .pages()
              .execute(() -> {
                var proposal =
                    selection
                        ? Choosing.of(selected.orElseThrow(), study, goal)
                        : Choosing.all(study, goal);
                Platform.runLater(() -> {
                  if (session.project().equals(study.project()))
                    window.choice(proposal, goal.words());
                  else session.tell("The project changed meanwhile; choose again.");
                });
              });
        });
  }

  private void repair() {
    window
        .session()
        .ifPresent(session ->
            window
                .side()
                .firstRepair()
                .ifPresentOrElse(
                    window.side()::repair,
                    () ->
                        session.tell(
                            "There is no way out on offer here. Select a finding's subject first (F8).")));
  }

  public void openDemo() {
    try {
      take(DemoMachine.reviewed(), Optional.empty(), true);
    } catch (IllegalStateException e) {
      window.welcome(String.valueOf(e.getMessage()));
    }
  }

  public void openSecondDemo() {
    try {
      take(DemoMachine.second(), Optional.empty(), true);
    } catch (IllegalStateException e) {
      window.tell(String.valueOf(e.getMessage()));
    }
  }

  void begin() {
    take(
        Review.of(NewProject.named("New machine"), CatalogueFile.standard()),
        Optional.empty(),
        false);
    window.choose(window.stages().getFirst());
  }

  void open() {
    picker.open(window.root().getScene().getWindow()).ifPresent(this::open);
  }

  /// Opens a project off the interface thread; on trouble says what, where and what to do.
  public void open(Path path) {
    var file = ProjectFile.at(path);
    workers
        .reviewing()
        .execute(() -> {
          try {
            var project = file.open();
            var reviewed = Review.of(project, CatalogueFile.standard());
            var unsaved = file.recover().filter(left -> !left.equals(project));
            Platform.runLater(() -> {
              take(reviewed, Optional.of(file), true);
              places.opened(path);
              unsaved.ifPresent(this::offer);
            });
          } catch (UnreadableFile e) {
            Platform.runLater(() -> trouble(String.valueOf(e.getMessage())));
          } catch (RuntimeException e) {
            Platform.runLater(() ->
                trouble(
                    "%s cannot be opened; this failed in the program (%s). The file was left as it is."
                        .formatted(path.getFileName(), e.getClass().getSimpleName())));
          }
        });
  }

  private void trouble(String problem) {
    if (window.session().isPresent()) window.tell(problem);
    else window.welcome(problem);
  }

  private void offer(Project unsaved) {
    window.ask(
        "Edits from last time were never saved.",
        "Take them back",
        () ->
            window
                .session()
                .ifPresent(session ->
                    session.edit(
                        new nelvar.core.model.edit.Edit("Take back unsaved edits", _ -> unsaved))),
        "Forget them",
        () -> window.session().ifPresent(Session::closeSaved));
  }

  private void take(Review reviewed, Optional<ProjectFile> file, boolean onDisk) {
    places.ready();
    take(reviewed, file, file.orElseGet(() -> ProjectFile.at(places.untitled())), onDisk);
  }

  private void take(
      Review reviewed, Optional<ProjectFile> file, ProjectFile journal, boolean onDisk) {
    window.take(
        new Session(
            reviewed,
            file,
            journal,
            onDisk,
            CatalogueFile.standard(),
            workers.reviewing(),
            workers.writing(),
            Platform::runLater));
  }

  /// Offers what was left of projects that had never been saved, one after the other.
  public void offerUntitled() {
    places.leftovers().stream()
        .map(ProjectFile::at)
        .filter(journal -> journal.recover().isPresent())
        .findFirst()
        .ifPresent(journal -> {
          var left = journal.recover().orElseThrow();
          window.ask(
              "An unsaved project from last time was found: " + left.name() + ".",
              "Open it",
              () ->
                  take(Review.of(left, CatalogueFile.standard()), Optional.empty(), journal, false),
              "Forget it",
              () -> {
                try {
                  journal.forgetUnsaved();
                  offerUntitled();
                } catch (IOException e) {
                  window.tell("It cannot be removed: " + e.getMessage());
                }
              });
        });
  }

  void save() {
    window
        .session()
        .ifPresent(session -> {
          if (session.file().get().isEmpty()) saveAs();
          else session.save();
        });
  }

  private void saveAs() {
    window
        .session()
        .ifPresent(session ->
            picker
                .save(
                    window.root().getScene().getWindow(),
                    session
                            .project()
                            .name()
                            .toLowerCase(java.util.Locale.ROOT)
                            .replaceAll("[^\\p{L}\\p{N}]+", "-")
                        + ProjectFile.EXTENSION)
                .ifPresent(path -> {
                  if (session.saveAs(path)) places.opened(path);
                }));
  }

  void writePack() {
    window
        .session()
        .ifPresent(session ->
            picker
                .folder(window.root().getScene().getWindow())
                .ifPresent(folder -> {
                  if (session.stale().get()) {
                    session.tell("The review is being brought up to date; try again in a moment.");
                    return;
                  }
                  var review = session.review().get();
                  session.tell("Writing the pack …");
                  workers
                      .pages()
                      .execute(() -> {
                        try {
                          Files.createDirectories(folder);
                          for (var entry : PackFiles.of(review).entrySet())
                            Files.write(folder.resolve(entry.getKey()), entry.getValue());
                          Platform.runLater(() -> session.tell("The pack is in " + folder));
                        } catch (IOException e) {
                          Platform.runLater(() ->
                              session.tell(
                                  "The pack was not written: "
                                      + e.getMessage()
                                      + ". Choose another folder."));
                        }
                      });
                }));
  }

  private void importParts() {
    window
        .session()
        .ifPresent(session ->
            picker
                .csv(window.root().getScene().getWindow())
                .ifPresent(path -> {
                  try {
                    var parts =
                        PartsCsv.read(String.valueOf(path.getFileName()), Files.readString(path));
                    if (session.edit(
                        Edits.ownParts(
                            "Add %d parts from %s".formatted(parts.size(), path.getFileName()),
                            parts))) session.tell(parts.size() + " parts added to this project");
                  } catch (UnreadableFile e) {
                    session.tell(String.valueOf(e.getMessage()));
                  } catch (IOException e) {
                    session.tell(
                        path.getFileName()
                            + " cannot be read as UTF-8 text: save the CSV as UTF-8.");
                  }
                }));
  }

  /// On closing: what is saved leaves no journal; what is not stays in it and is offered next time.
  void close() {
    window
        .session()
        .filter(session -> !session.history().get().unsaved())
        .ifPresent(Session::closeSaved);
  }
}
