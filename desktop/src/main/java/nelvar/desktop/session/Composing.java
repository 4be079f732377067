package nelvar.desktop.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.Again;
import nelvar.core.compose.Candidates;
import nelvar.core.compose.Clones;
import nelvar.core.compose.Comparison;
import nelvar.core.compose.Draft;
import nelvar.core.compose.HandWire;
import nelvar.core.compose.Way;
import nelvar.core.compose.Ways;
import nelvar.core.compose.need.DraftList;
import nelvar.core.compose.need.Need;
import nelvar.core.compose.need.NeedReader;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.file.FunctionsText;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;
import nelvar.core.units.Reading;

/// What can be made of the machine's functions: the ways for the one that is selected, a draft of
/// all of them. Found away from the interface thread; only the newest counts.
public final class Composing {
  /// What was found for a function, or a device, in a state of the machine.
  ///
  /// @param about the review it was found beside; of another one it says nothing
  public record Offered(Id thing, Review about, Ways.Found found) {}

  private final Session session;
  private final Catalogue standard;
  private final Latest<Ways.Found> ways;
  private final Latest<Draft> drafts;
  private final Latest<Clones.Cloned> clones;
  private final Latest<Ways.Found> feeds;
  private final Latest<List<Candidates.Candidate>> candidates;
  private final Latest<Optional<Comparison>> comparisons;
  private final Latest<List<Tried>> drawn;
  private final Latest<Project> rows;
  private final Latest<HandWire.Proposed> wires;
  private final ReadOnlyObjectWrapper<Optional<Offered>> offered =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private Optional<Asked> asked = Optional.empty();

  private record Asked(Id thing, Review about) {}

  Composing(Session session, Catalogue standard, Executor worker, Executor interfaceThread) {
    this.session = session;
    this.standard = standard;
    this.ways = new Latest<>(worker, interfaceThread);
    this.drafts = new Latest<>(worker, interfaceThread);
    this.clones = new Latest<>(worker, interfaceThread);
    this.feeds = new Latest<>(worker, interfaceThread);
    this.candidates = new Latest<>(worker, interfaceThread);
    this.comparisons = new Latest<>(worker, interfaceThread);
    this.drawn = new Latest<>(worker, interfaceThread);
    this.rows = new Latest<>(worker, interfaceThread);
    this.wires = new Latest<>(worker, interfaceThread);
  }

  public ReadOnlyObjectProperty<Optional<Offered>> offered() {
    return offered.getReadOnlyProperty();
  }

  /// The ways for a function that nothing serves yet, or a device that nothing feeds; asks for them
  /// where they are not known.
  public Optional<Ways.Found> ways(Id thing) {
    var known = known(thing);
    if (known.isEmpty()) ask(thing, session.whole());
    return known;
  }

  /// The ways that were found beside the newest review.
  public Optional<Ways.Found> known(Id thing) {
    var about = session.whole();
    return offered
        .get()
        .filter(o -> o.about() == about && o.thing().equals(thing))
        .map(Offered::found);
  }

  private void ask(Id thing, Review about) {
    var wanted = new Asked(thing, about);
    if (asked.filter(wanted::equals).isPresent()) return;
    asked = Optional.of(wanted);
    ways.ask(
        _ -> found(thing, about),
        found -> offered.set(Optional.of(new Offered(thing, about, found))),
        broken ->
            offered.set(
                Optional.of(
                    new Offered(
                        thing,
                        about,
                        new Ways.Found(
                            List.of(),
                            List.of("looking for ways failed: " + Trouble.of(broken)))))));
  }

  private Ways.Found found(Id thing, Review about) {
    return about
        .study()
        .device(thing)
        .map(device -> Ways.connecting(device, about, standard))
        .orElseGet(
            () -> Ways.of(about.project().plan().function(thing).orElseThrow(), about, standard));
  }

  /// Feeds a device by the best way that takes its current from a supply or gate; says why where
  /// none does.
  public void feedFrom(Id device, Id from) {
    var about = session.whole();
    var names = List.of(about.study().label(device), about.study().label(from));
    session.tell("Trying the ways to feed %s…".formatted(names.getFirst()));
    feeds.ask(
        _ -> found(device, about),
        found ->
            found.ways().stream()
                .filter(way -> way.feedsFrom(device, from))
                .findFirst()
                .ifPresentOrElse(
                    way -> {
                      if (take(way))
                        session.tell(
                            "%s is fed from %s: %s"
                                .formatted(names.getFirst(), names.getLast(), way.title()));
                    },
                    () ->
                        session.tell(
                            "No way was found to feed %s from %s%s"
                                .formatted(
                                    names.getFirst(),
                                    names.getLast(),
                                    found.ways().isEmpty()
                                        ? "."
                                        : "; select it to see those there are."))),
        broken -> session.tell("Looking for ways failed: " + Trouble.of(broken)));
  }

  /// Lays a wire between two terminals, with all that is proposed for it.
  ///
  /// @param told what came of it, and what was taken from where
  public void wire(TerminalRef from, TerminalRef to, Consumer<String> told) {
    var study = session.whole().study();
    if (!study.project().equals(session.project())) {
      told.accept("The review is being brought up to date; try again in a moment.");
      return;
    }
    wires.ask(
        _ -> HandWire.of(from, to, study, standard),
        proposed -> {
          if (!session.project().equals(study.project())) {
            told.accept("The machine changed meanwhile; draw it again.");
            return;
          }
          if (session.edit(proposed.edit(study)))
            told.accept(
                "%s laid: %s"
                    .formatted(proposed.wire().label(), String.join("; ", proposed.because())));
        },
        broken ->
            told.accept(
                broken instanceof EditRefused refused
                    ? String.valueOf(refused.getMessage())
                    : "The wire could not be proposed: " + Trouble.of(broken)));
  }

  /// Other ways for a function that works, also from other supplies.
  public void again(MachineFunction function, Consumer<Ways.Found> found, Consumer<String> told) {
    var about = session.whole();
    feeds.ask(
        _ -> Again.of(function, about, standard),
        found,
        broken -> told.accept("Looking for ways failed: " + Trouble.of(broken)));
  }

  /// The ways to have a program switch a device that is always on.
  public void switching(Device device, Consumer<Ways.Found> found, Consumer<String> told) {
    var about = session.whole();
    feeds.ask(
        _ -> Ways.switching(device, about, standard),
        found,
        broken -> told.accept("Looking for ways failed: " + Trouble.of(broken)));
  }

  /// The parts that could stand in a device's place.
  public void candidates(
      Device device, Consumer<List<Candidates.Candidate>> found, Consumer<String> told) {
    var about = session.whole();
    candidates.ask(
        dropped -> Candidates.of(device, about, standard, dropped),
        found,
        broken -> told.accept("Looking for parts failed: " + Trouble.of(broken)));
  }

  /// A variant, and why it cannot be where it cannot.
  public record Tried(Comparison.Variant variant, Optional<String> refused) {}

  /// The machine drawn up anew, run by each architecture.
  public void architectures(Consumer<List<Tried>> found, Consumer<String> told) {
    var project = session.project();
    drawn.ask(
        _ ->
            Comparison.architectures(project, standard).stream()
                .map(variant -> new Tried(variant, refused(variant, project)))
                .toList(),
        found,
        broken -> told.accept("Drawing up failed: " + Trouble.of(broken)));
  }

  private Optional<String> refused(Comparison.Variant variant, Project project) {
    try {
      variant.edit().on(project, standard);
      return Optional.empty();
    } catch (EditRefused why) {
      return Optional.of(String.valueOf(why.getMessage()));
    }
  }

  /// Variants beside the machine as it is; only the newest question is answered.
  public void compare(
      List<Comparison.Variant> variants, Consumer<Comparison> found, Consumer<String> told) {
    var about = session.whole();
    comparisons.ask(
        dropped -> Comparison.of(about, variants, standard, dropped),
        result -> result.ifPresent(found),
        broken -> told.accept("Comparing failed: " + Trouble.of(broken)));
  }

  /// Takes the rows of a table as one step; what is not said in them is computed away from the
  /// interface thread.
  ///
  /// @param done told whether they were taken
  public void rows(Edit edit, Consumer<Boolean> done) {
    var before = session.project();
    session.tell("Reading the rows…");
    rows.ask(
        _ -> edit.on(before, standard),
        after -> {
          var taken =
              session.project().equals(before) && session.edit(new Edit(edit.label(), _ -> after));
          if (taken) session.tell(edit.label() + ": done. Undo takes them back as one step.");
          else session.tell("The machine changed meanwhile; take the rows again.");
          done.accept(taken);
        },
        broken -> {
          session.tell(
              broken instanceof EditRefused refused
                  ? String.valueOf(refused.getMessage())
                  : "The rows could not be taken: " + Trouble.of(broken));
          done.accept(false);
        });
  }

  public boolean take(Way way) {
    return session.edit(way.edit());
  }

  /// Adds what was understood as a function, and selects it.
  public boolean add(Need need) {
    var project = session.project();
    var designation = need.designation().orElseGet(() -> Draft.designation(project, need.kind()));
    var id = Draft.id(project, designation);
    var function = new MachineFunction(id, designation, need.name(), need.kind(), need.wants());
    if (!session.edit(FunctionEdits.add(function))) return false;
    session.selection().set(Optional.of(id));
    return true;
  }

  /// More functions like one, each made to work as the machine stands, as one step.
  public void more(MachineFunction like, int times) {
    var about = session.whole();
    var works = !drawable();
    session.tell("Adding %d like %s…".formatted(times, like.designation()));
    clones.ask(
        _ -> Clones.of(like, times, works, about, standard),
        cloned -> {
          var edit =
              new Edit("Add %d like %s".formatted(times, like.designation()), _ -> cloned.after());
          if (!session.project().equals(about.project())) {
            session.tell("The machine changed meanwhile; ask again.");
            return;
          }
          if (!session.edit(edit)) return;
          session.selection().set(Optional.of(cloned.functions().getFirst().id()));
          session.tell(
              works
                  ? String.join("; ", cloned.told())
                  : "%d added. Undo takes them back as one step.".formatted(times));
        },
        broken -> session.tell("They could not be added: " + Trouble.of(broken)));
  }

  /// Adds functions that were copied here or in another project, or lines as one would type them.
  ///
  /// @return whether the text was such
  public boolean paste(String text) {
    var carried = FunctionsText.read(text);
    var functions = new ArrayList<MachineFunction>();
    if (carried.isPresent() && !carried.get().isEmpty()) {
      var after = Clones.added(carried.get(), session.project(), functions);
      if (session.edit(new Edit("Paste %d functions".formatted(functions.size()), _ -> after)))
        session.selection().set(Optional.of(functions.getFirst().id()));
      return true;
    }
    var lines = text.lines().map(String::strip).filter(line -> !line.isEmpty()).toList();
    var needs = new ArrayList<Need>();
    for (var line : lines)
      switch (NeedReader.read(line)) {
        case Reading.Misread<Need>(var why) -> {
          session.tell("Nothing was pasted: '%s': %s".formatted(line, why));
          return false;
        }
        case Reading.Value<Need>(var need) -> needs.add(need);
      }
    if (needs.isEmpty()) return false;
    session.edit(
        new Edit(
            "Paste %d functions".formatted(needs.size()),
            project -> {
              var next = project;
              for (var need : needs) {
                var added = next;
                var designation =
                    need.designation().orElseGet(() -> Draft.designation(added, need.kind()));
                next =
                    FunctionEdits.add(
                            new MachineFunction(
                                Draft.id(next, designation),
                                designation,
                                need.name(),
                                need.kind(),
                                need.wants()))
                        .apply(next);
              }
              return next;
            }));
    return true;
  }

  /// Whether there is something to draw up, and nothing that would be in the way.
  public boolean drawable() {
    var project = session.project();
    return !project.functions().isEmpty()
        && project.devices().stream().noneMatch(device -> device.serves().isPresent())
        && project.conductors().isEmpty();
  }

  /// Draws up the whole machine from its functions, as one step.
  public void draft() {
    var project = session.project();
    // An inlet and a bar of a new project are drawn up anew, as large as the machine asks for.
    var bare = project.withDevices(List.of()).withBundles(List.of());
    session.tell("Drawing up the machine…");
    drafts.ask(
        _ -> Draft.of(bare, standard, true),
        draft -> {
          var edit = new Edit("Draw up the machine", _ -> draft.project());
          if (session.project().equals(project) && session.edit(edit))
            session.tell(
                "Drawn up: %d devices, %d wires. Undo takes it back as one step."
                    .formatted(
                        draft.project().devices().size(), draft.project().conductors().size()));
        },
        broken ->
            session.tell(
                broken instanceof Unmet unmet
                    ? unmet.function().map(f -> f.designation() + ": ").orElse("") + unmet.why()
                    : "The machine could not be drawn up: " + Trouble.of(broken)));
  }

  /// Takes over the functions and the Brief of a shipped list.
  public void begin(String list) {
    var text = ShippedLists.text(list).orElseThrow();
    var machine = DraftList.read(session.project().name(), text);
    session.edit(
        new Edit(
            "Begin with the list " + list,
            project ->
                project
                    .withName(machine.project().name())
                    .withBrief(machine.project().brief())
                    .with(
                        project
                            .plan()
                            .withFunctions(machine.project().functions())
                            .withPlaces(machine.project().plan().places()))));
  }
}
