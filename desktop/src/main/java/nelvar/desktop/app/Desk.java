package nelvar.desktop.app;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import nelvar.core.analysis.choice.Choosing;
import nelvar.core.analysis.choice.Goal;
import nelvar.core.compose.WaysAsRepairs;
import nelvar.core.exchange.BoardCsv;
import nelvar.core.exchange.DxfOutline;
import nelvar.core.exchange.PartsCsv;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.DiskTrouble;
import nelvar.core.file.InputFile;
import nelvar.core.file.Journal;
import nelvar.core.file.OutputFiles;
import nelvar.core.file.ProjectFile;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Placement;
import nelvar.core.model.Project;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.review.Review;
import nelvar.core.sample.NewProject;
import nelvar.desktop.session.Places;
import nelvar.desktop.session.Session;
import nelvar.desktop.session.Trouble;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.stage.pack.PackStage;
import nelvar.desktop.style.Theme;
import nelvar.documents.content.Pack;
import nelvar.documents.export.PackFiles;

/// What can be done at the desk: open, begin, save, undo, print and the other commands, by name and
/// key.
public final class Desk {
  private final MainWindow window;
  private final Workers workers;
  private final Picker picker;
  private final Places places;

  /// What was found unsaved and is not answered yet, the one being asked first.
  private Deque<Journal.Left> questions = new ArrayDeque<>();

  private boolean warned;

  Desk(MainWindow window, Workers workers, Picker picker, Places places) {
    this.window = window;
    this.workers = workers;
    this.picker = picker;
    this.places = places;
  }

  List<Command> commands(List<Stage> stages) {
    var all = new ArrayList<Command>();
    var wires = new WireCommands(window, workers);
    var number = 0;
    for (var stage : stages) {
      // Ten keys for ten stages; the circuits of what is selected have a key of their own.
      var circuits = stage.name().equals("Circuits");
      if (!circuits) number++;
      all.add(
          circuits
              ? Command.of("Show its circuit", "Shortcut+I", () -> window.choose(stage))
              : Command.of(
                  "Go to " + stage.name(), "Shortcut+" + number % 10, () -> window.choose(stage)));
    }
    all.add(Command.of("Find or do anything", "Shortcut+K", window::focusFind));
    all.add(Command.of("Next finding", "F8", window::nextFinding));
    all.add(Command.of("Take the first way out", "Shortcut+Enter", this::repair));
    all.add(
        Command.of("Show or hide the working", "Shortcut+W", () -> window.side().toggleWorking()));
    all.add(Command.of("Trace the path", "Shortcut+P", window::focusPath));
    all.add(Command.of("Quick calculation", "Shortcut+E", window::quick));
    all.add(Command.of("Wire the selected device", "Shortcut+B", window::wiring));
    all.add(Command.of("Paste rows: wires or devices", "Shortcut+Shift+V", window::rows));
    all.add(
        Command.of(
            "Compare what runs it: controllers", "", () -> window.comparing().architectures()));
    all.add(Command.of("Browse the catalogue", "Shortcut+G", window::catalogue));
    all.add(
        Command.of(
            "Another part, or ways side by side",
            "Shortcut+R",
            () -> window.comparing().selected()));
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
    all.add(Command.of("Number the wires in the order they are laid", "", wires::number));
    all.add(Command.of("Fewer kinds of wire in stock", "", wires::fewerKinds));
    all.add(
        Command.of(
            "Assign free signals to pins", "Shortcut+Shift+P", () -> window.pins().assign()));
    all.add(
        Command.of(
            "Put another controller in the place of one", "", () -> window.pins().controller()));
    all.add(Command.of("Say what sensors permit", "", () -> window.pins().permissives()));
    all.add(Command.of("Undo", "Shortcut+Z", () -> window.session().ifPresent(Session::undo)));
    all.add(Command.of("Redo", "Shortcut+Y", () -> window.session().ifPresent(Session::redo)));
    all.add(Command.of("Save", "Shortcut+S", this::save));
    all.add(Command.of("Save as…", "Shortcut+Shift+S", this::saveAs));
    all.add(Command.of("Open a project…", "Shortcut+O", this::open));
    all.add(Command.of("Begin a new project", "Shortcut+N", this::begin));
    all.add(Command.of("Open the demo machine", "", this::openDemo));
    all.add(Command.of("Open the second demo, North American", "", this::openSecondDemo));
    all.add(Command.of("Open the third demo, three small boards", "", this::openThirdDemo));
    all.add(Command.of("Write the pack…", "Shortcut+D", this::writePack));
    all.add(Command.of("Add parts from CSV…", "", this::importParts));
    all.add(Command.of("Background of the plate from DXF…", "", this::background));
    all.add(Command.of("Plate without its background", "", this::noBackground));
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
          var study = session.whole().study();
          if (session.stale().get()) {
            session.tell("The review is being brought up to date; try again in a moment.");
            return;
          }
          if (selection && selected.filter(id -> !study.network().feeds(id).isEmpty()).isEmpty()) {
            session.tell("Select a load first: a device that takes current.");
            return;
          }
          if (study.network().feeds().stream().allMatch(feed -> feed.source().isEmpty())) {
            session.tell(
                "Nothing is fed yet, so there is nothing to choose for. Add a supply and a load, and connect them to the inlet.");
            return;
          }
          session.tell("Choosing …");
          workers
              .pages()
              .execute(() -> {
                nelvar.core.analysis.choice.Proposal proposal;
                try {
                  proposal =
                      selection
                          ? Choosing.of(selected.orElseThrow(), study, goal)
                          : Choosing.all(study, goal);
                } catch (Throwable broken) {
                  Platform.runLater(() ->
                      session.tell(
                          "Choosing failed in the program (%s); nothing was changed."
                              .formatted(Trouble.of(broken))));
                  return;
                }
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

  public void openThirdDemo() {
    try {
      take(DemoMachine.third(), Optional.empty(), true);
    } catch (IllegalStateException e) {
      window.tell(String.valueOf(e.getMessage()));
    }
  }

  void begin() {
    take(
        Review.of(NewProject.named("New machine"), CatalogueFile.standard()),
        Optional.empty(),
        false);
    // Practitioners begin with what the machine must do.
    window.choose(window.stage("Parts"));
  }

  /// A new project with the functions and the Brief of a shipped list.
  void begin(String list) {
    begin();
    window.session().ifPresent(session -> session.composing().begin(list));
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
            Platform.runLater(() -> {
              take(
                  reviewed,
                  Optional.of(file),
                  true,
                  () -> workers.reviewing().execute(() -> findUnsaved(file, project)));
              places.opened(path);
            });
          } catch (UnreadableFile e) {
            Platform.runLater(() -> trouble(String.valueOf(e.getMessage())));
          } catch (Throwable e) {
            Platform.runLater(() ->
                trouble(
                    "%s cannot be opened; this failed in the program (%s). The file was left as it is."
                        .formatted(path.getFileName(), Trouble.of(e))));
          }
        });
  }

  private void trouble(String problem) {
    if (window.session().isPresent()) window.tell(problem);
    else window.welcome(problem);
  }

  /// What sessions that are gone left unsaved of the project just opened.
  private void findUnsaved(ProjectFile file, Project saved) {
    var left = new ArrayDeque<Journal.Left>();
    for (var one : Journal.left(file.path(), CatalogueFile.standard())) {
      if (one.state().equals(saved)) forget(one);
      else left.add(one);
    }
    Platform.runLater(() -> offer(left));
  }

  private void offer(Deque<Journal.Left> left) {
    questions = left;
    if (left.isEmpty()) return;
    var one = left.peek();
    window.ask(
        left.size() == 1
            ? "Edits from last time were never saved."
            : "Edits from last time were never saved, of %d windows.".formatted(left.size()),
        "Take them back",
        () ->
            window
                .session()
                .ifPresent(session -> {
                  if (session.edit(
                      new nelvar.core.model.edit.Edit("Take back unsaved edits", _ -> one.state())))
                    session.afterWriting(() -> forget(one));
                  answered();
                }),
        "Forget them",
        () -> {
          workers.writing().execute(() -> forget(one));
          answered();
        });
  }

  private void answered() {
    questions.poll();
    offer(questions);
  }

  private void forget(Journal.Left left) {
    try {
      left.forget();
    } catch (IOException e) {
      Platform.runLater(
          () -> window.tell("What was left cannot be removed: " + DiskTrouble.words(e)));
    }
  }

  /// What was not answered stays for next time.
  private void leaveQuestions() {
    for (var left : questions) {
      try {
        left.close();
      } catch (IOException e) {
        window.tell("What was left cannot be given back: " + DiskTrouble.words(e));
      }
    }
    questions.clear();
    window.stopAsking();
  }

  private void take(Review reviewed, Optional<ProjectFile> file, boolean onDisk) {
    take(reviewed, file, onDisk, () -> {});
  }

  /// @param then runs when the session before has kept what was unsaved and is gone
  private void take(Review reviewed, Optional<ProjectFile> file, boolean onDisk, Runnable then) {
    places.ready();
    leaveQuestions();
    var before = window.session();
    var kept = before.filter(session -> session.history().get().unsaved()).map(this::kept);
    window.take(
        new Session(
            reviewed,
            file,
            Journal.of(file.map(ProjectFile::path).orElseGet(places::untitled)),
            onDisk,
            CatalogueFile.standard(),
            workers.reviewing(),
            workers.writing(),
            Platform::runLater));
    before.ifPresent(Session::rest);
    before.ifPresentOrElse(
        session ->
            session.close(refused -> {
              refused
                  .map(why -> "Unsaved edits of the project before could not be kept: " + why)
                  .or(() -> kept)
                  .ifPresent(window::tell);
              then.run();
            }),
        then);
  }

  /// Where what is unsaved of a project that is left is kept, and how one comes back to it.
  private String kept(Session session) {
    var place =
        session
            .file()
            .get()
            .map(file -> "beside " + file.path())
            .orElse("in " + places.untitled().getParent());
    return "%s was not saved: its edits are kept %s, and are offered when %s next."
        .formatted(
            session.project().name(),
            place,
            session.file().get().isPresent() ? "it is opened" : "Nelvar is started");
  }

  /// Offers what was left of projects that had never been saved, one after the other.
  public void offerUntitled() {
    offerUntitled(new ArrayDeque<>(places.leftovers()));
  }

  private void offerUntitled(Deque<Journal.Left> left) {
    questions = left;
    if (left.isEmpty()) return;
    var one = left.peek();
    window.ask(
        "An unsaved project from last time was found: " + one.state().name() + ".",
        "Open it",
        () -> {
          left.poll();
          take(Review.of(one.state(), CatalogueFile.standard()), Optional.empty(), false);
          window
              .session()
              .ifPresent(session -> {
                session.keepNow();
                session.afterWriting(() -> forget(one));
              });
        },
        "Forget it",
        () -> {
          workers.writing().execute(() -> forget(one));
          left.poll();
          offerUntitled(left);
        });
  }

  void save() {
    window
        .session()
        .ifPresent(session -> {
          var left = window.takeOverTyping();
          if (session.file().get().isEmpty()) saveAs(session);
          else session.save(saved -> sayLeft(saved, left));
        });
  }

  /// What was typed and cannot be taken over is not in the file, and that is said.
  private void sayLeft(boolean saved, Optional<String> left) {
    if (saved && left.isPresent()) window.tell("Saved, but without what is typed in " + left.get());
  }

  private void saveAs() {
    window.session().ifPresent(this::saveAs);
  }

  private void saveAs(Session session) {
    var left = window.takeOverTyping();
    picker
        .save(
            window.root().getScene().getWindow(),
            session
                    .project()
                    .name()
                    .toLowerCase(java.util.Locale.ROOT)
                    .replaceAll("[^\\p{L}\\p{N}]+", "-")
                + ProjectFile.EXTENSION)
        .ifPresent(path ->
            session.saveAs(
                path,
                saved -> {
                  if (saved) places.opened(path);
                  sayLeft(saved, left);
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
                  var options =
                      window.stage("Pack") instanceof PackStage pack
                          ? pack.options(session)
                          : Pack.Options.USUAL;
                  session.tell("Writing the pack …");
                  workers
                      .pages()
                      .execute(() -> {
                        try {
                          OutputFiles.write(
                              folder,
                              PackFiles.of(
                                  review.tried(
                                      CatalogueFile.standard(),
                                      new WaysAsRepairs(CatalogueFile.standard())),
                                  options));
                          Platform.runLater(() -> session.tell("The pack is in " + folder));
                        } catch (IOException e) {
                          Platform.runLater(() ->
                              session.tell(
                                  "The pack was not written: "
                                      + DiskTrouble.words(e)
                                      + ". Choose another folder."));
                        } catch (Throwable broken) {
                          Platform.runLater(() ->
                              session.tell(
                                  "The pack was not written; this failed in the program (%s)."
                                      .formatted(Trouble.of(broken))));
                        }
                      });
                }));
  }

  /// Of the cabinet that is selected, or the first.
  private Optional<Cabinet> cabinet(Session session) {
    var layout = session.project().layout();
    var chosen =
        session
            .selection()
            .get()
            .flatMap(id -> layout.placement(id).map(Placement::cabinet).or(() -> Optional.of(id)));
    return chosen.flatMap(layout::cabinet).or(() -> layout.cabinets().stream().findFirst());
  }

  private void background() {
    window
        .session()
        .ifPresent(session -> {
          var cabinet = cabinet(session);
          if (cabinet.isEmpty()) {
            session.tell("There is no cabinet yet: press Arrange in Panel, or add one there.");
            return;
          }
          picker
              .dxf(window.root().getScene().getWindow())
              .ifPresent(path -> background(path, cabinet.get(), session));
        });
  }

  private void background(Path path, Cabinet cabinet, Session session) {
    try {
      var name = String.valueOf(path.getFileName());
      var read =
          DxfOutline.read(
              name,
              InputFile.text(path, DxfOutline.GREATEST_FILE, "Choose a DXF with an outline."),
              Surface.PLATE,
              cabinet.shell().mountingPlate().height());
      if (session.edit(
          LayoutEdits.change(
              "Background from " + name, cabinet.withBackground(Surface.PLATE, read.strokes()))))
        session.tell(read.words());
    } catch (UnreadableFile e) {
      session.tell(String.valueOf(e.getMessage()));
    }
  }

  private void noBackground() {
    window
        .session()
        .ifPresent(session ->
            cabinet(session)
                .ifPresent(c ->
                    session.edit(
                        LayoutEdits.change(
                            "Plate without its background", c.withBackground(List.of())))));
  }

  private void importParts() {
    window
        .session()
        .ifPresent(session ->
            picker
                .csv(window.root().getScene().getWindow())
                .ifPresent(path -> {
                  try {
                    var name = String.valueOf(path.getFileName());
                    var text =
                        InputFile.text(path, PartsCsv.GREATEST_FILE, "Choose a CSV of parts.");
                    var parts =
                        BoardCsv.looksLikeOne(text)
                            ? List.of(BoardCsv.read(name, text))
                            : PartsCsv.read(name, text);
                    if (session.edit(
                        Edits.ownParts(
                            "Add %d parts from %s".formatted(parts.size(), path.getFileName()),
                            parts))) session.tell(parts.size() + " parts added to this project");
                  } catch (UnreadableFile e) {
                    session.tell(String.valueOf(e.getMessage()));
                  }
                }));
  }

  /// Somebody else may have written the file while another window was in front.
  public void lookAtDisk() {
    window.session().ifPresent(Session::lookAtDisk);
  }

  /// On closing: what is typed is taken over, what is unsaved is safe in the journal before the
  /// window goes, what is saved leaves no journal. Nothing is asked unless the disk refuses.
  public void close(Runnable gone) {
    var left = window.takeOverTyping();
    if (left.isPresent() && !warned) {
      warned = true;
      window.tell("Not closed yet: " + left.get() + ". Correct it, or close once more without it.");
      return;
    }
    leaveQuestions();
    if (window.session().isEmpty()) {
      gone.run();
      return;
    }
    var session = window.session().get();
    session.tell("Keeping what is unsaved …");
    session.close(refused ->
        refused.ifPresentOrElse(
            why ->
                window.ask(
                    "What is unsaved cannot be kept: " + why + ".",
                    "Save in another place",
                    () -> saveAs(session),
                    "Close and lose it",
                    gone),
            gone));
  }
}
