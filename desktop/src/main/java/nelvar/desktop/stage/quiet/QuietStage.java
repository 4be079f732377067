package nelvar.desktop.stage.quiet;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Predicate;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import nelvar.core.analysis.Job;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.bonding.Bonding;
import nelvar.core.analysis.interference.Coupled;
import nelvar.core.analysis.interference.Emitters;
import nelvar.core.analysis.interference.Matrix;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.interference.Receivers;
import nelvar.core.analysis.interference.Remedies;
import nelvar.core.analysis.interference.Separation;
import nelvar.core.analysis.interference.Symptom;
import nelvar.core.analysis.shock.Touch;
import nelvar.core.compose.Quieter;
import nelvar.core.model.Id;
import nelvar.core.review.Review;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Latest;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.BondingPicture;
import nelvar.documents.drawing.QuietPicture;
import nelvar.documents.drawing.ShockPicture;

/// What disturbs against what hears it, in dB, worst first; below, the pair that is looked at: how
/// it gets in, and what helps.
public final class QuietStage implements Stage {
  private static final int BEST = 5;

  /// Around a cell that is brought into view, px.
  private static final double EDGE = 30;

  private final BorderPane view = new BorderPane();
  private final DrawingPane picture =
      new DrawingPane(
          "What disturbs what: margins in dB, worst first. Arrow keys walk, Enter selects.", false);
  private final ScrollPane scroll = new ScrollPane(new StackPane(picture));
  private final Label summary = new Label();
  private final ToggleButton coupling = new ToggleButton("Coupling");
  private final ToggleButton bonding = new ToggleButton("Bonding");
  private final ToggleButton shock = new ToggleButton("Shock");
  private final ToggleButton each = new ToggleButton("One by one");
  private final Button best = new Button("Take the best " + BEST);
  private final PairCard card;
  private final Latest<List<Quieter.Tried>> trying;
  private final Latest<Optional<Remedies.Best>> taking;
  private final Latest<Symptom> asking;
  private static final String TEACHES =
      "Here drives, coils and motors with brushes stand against every input that could hear them, with how many dB are left.\n\n%s\n\nDrives and controllers come in Parts (Ctrl+2), ducts in Panel (Ctrl+5), trays in Runs.";

  private final Label teach = new Label(TEACHES.formatted("Nothing is computed yet."));
  private Optional<Session> session = Optional.empty();
  private Optional<Study> study = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Optional<Id> chosen = Optional.empty();
  private Optional<Id> followed = Optional.empty();
  private Optional<Shown> shown = Optional.empty();
  private Theme theme = Theme.LIGHT;

  private record Shown(
      Study of, String what, boolean folded, Optional<Id> chosen, Theme in, double width) {}

  /// @param worker tries what helps, beside the interface
  public QuietStage(Executor worker) {
    trying = new Latest<>(worker, Platform::runLater);
    taking = new Latest<>(worker, Platform::runLater);
    asking = new Latest<>(worker, Platform::runLater);
    card = new PairCard(this::ask, this::lookAt);
    view.getStyleClass().add("stage");
    view.setId("quiet");
    picture.setId("quiet-matrix");
    picture.onSelect(this::choose);
    var views = new ToggleGroup();
    for (var choice : List.of(coupling, bonding, shock)) {
      choice.setToggleGroup(views);
      choice.setOnAction(_ -> {
        // One of them is always on.
        choice.setSelected(true);
        draw();
      });
    }
    coupling.setId("quiet-coupling");
    bonding.setId("quiet-bonding");
    shock.setId("quiet-shock");
    coupling.setSelected(true);
    each.setId("quiet-each");
    each.setOnAction(_ -> {
      chosen = Optional.empty();
      draw();
    });
    best.setId("quiet-best");
    best.setOnAction(_ -> takeBest());
    best.disableProperty().bind(taking.busy());
    teach.getStyleClass().addAll("wrapping", "soft");
    teach.setMaxWidth(460);
    scroll.getStyleClass().add("plain");
    StackPane.setMargin(picture, new Insets(12, 12, 8, 18));
    scroll.viewportBoundsProperty().addListener((_, _, _) -> draw());
    view.setTop(new StageHead("Quiet", summary, new HBox(coupling, bonding, shock), each, best));
    view.setCenter(scroll);
    view.setBottom(card);
  }

  @Override
  public String name() {
    return "Quiet";
  }

  @Override
  public Node view() {
    return view;
  }

  @Override
  public Node firstFocus() {
    return picture;
  }

  @Override
  public boolean owns(Review.Entry entry) {
    return entry.rule().job() == Job.QUIET;
  }

  @Override
  public void show(Session next, Review newest, Theme look) {
    if (session.filter(next::equals).isEmpty()) chosen = Optional.empty();
    session = Optional.of(next);
    var selected = next.selection().get();
    var walked = !selected.equals(followed);
    followed = selected;
    if (study.filter(newest.study()::equals).isEmpty()) {
      card.forget();
      card.symptom(Optional.empty());
    }
    study = Optional.of(newest.study());
    review = Optional.of(newest);
    theme = look;
    if (walked) selected.flatMap(this::worstOf).ifPresent(id -> chosen = Optional.of(id));
    draw();
  }

  /// The worst cell in the row or column of what was selected elsewhere.
  private Optional<Id> worstOf(Id thing) {
    return worst(
        matrix(),
        pair ->
            pair.emitter().id().equals(thing)
                || pair.emitter().device().id().equals(thing)
                || pair.receiver().id().equals(thing)
                || pair.receiver().partner().filter(end -> end.device().equals(thing)).isPresent());
  }

  /// What could do what somebody sees go wrong; the worst of it is looked at.
  private void ask(String text) {
    if (text.isEmpty() || study.isEmpty()) {
      card.symptom(Optional.empty());
      return;
    }
    var on = study.get();
    asking.ask(
        _ -> Symptom.of(text, on),
        found -> {
          card.symptom(Optional.of(found));
          found.suspects().stream().findFirst().ifPresent(this::lookAt);
        },
        _ -> session.ifPresent(s -> s.tell("What was typed could not be looked into.")));
  }

  /// The cell that a pair stands in.
  private void lookAt(Pair pair) {
    var matrix = matrix();
    for (var r = 0; r < matrix.rows().size(); r++)
      for (var c = 0; c < matrix.columns().size(); c++)
        if (matrix.rows().get(r).emitters().contains(pair.emitter())
            && matrix.columns().get(c).receivers().contains(pair.receiver())) {
          chosen = Optional.of(QuietPicture.cell(r, c));
          draw();
          return;
        }
  }

  private Matrix matrix() {
    return Matrix.of(study.orElseThrow(), !each.isSelected());
  }

  private void choose(Id id) {
    var pair = QuietPicture.pair(id, matrix());
    if (pair.isPresent()) {
      chosen = Optional.of(id);
      draw();
    } else if (!id.text().startsWith("cell-"))
      session.ifPresent(s -> s.selection().set(Optional.of(id)));
  }

  private void draw() {
    if (study.isEmpty() || session.isEmpty()) return;
    each.setDisable(!coupling.isSelected());
    best.setVisible(coupling.isSelected());
    if (bonding.isSelected()) {
      bonds();
      return;
    }
    if (shock.isSelected()) {
      touches();
      return;
    }
    var matrix = matrix();
    if (matrix.rows().isEmpty()) {
      summary.setText("");
      study
          .flatMap(s -> Coupled.of(s).none())
          .ifPresent(why -> teach.setText(TEACHES.formatted(why)));
      view.setCenter(teach);
      view.setBottom(null);
      return;
    }
    view.setCenter(scroll);
    view.setBottom(card);
    if (chosen.filter(id -> QuietPicture.pair(id, matrix).isPresent()).isEmpty())
      chosen = worst(matrix, _ -> true);
    var width = Math.max(500, scroll.getWidth() - 46);
    var now = new Shown(study.get(), "coupling", !each.isSelected(), chosen, theme, width);
    if (shown.filter(now::equals).isPresent()) return;
    shown = Optional.of(now);
    summary.setText(words(study.get()));
    picture.show(QuietPicture.of(matrix, Separation.of(study.get()), width, chosen), theme);
    chosen.ifPresent(this::intoView);
    QuietPicture.pair(chosen.orElseThrow(), matrix).ifPresent(this::look);
  }

  /// A cell that arrow keys came to may lie outside what is seen.
  private void intoView(Id cell) {
    picture
        .drawing()
        .spot(cell)
        .ifPresent(spot -> {
          var seen = scroll.getViewportBounds();
          var all = scroll.getContent().getLayoutBounds();
          scroll.setHvalue(
              within(scroll.getHvalue(), spot.x(), spot.width(), seen.getWidth(), all.getWidth()));
          scroll.setVvalue(
              within(
                  scroll.getVvalue(), spot.y(), spot.height(), seen.getHeight(), all.getHeight()));
        });
  }

  /// Where a scroll bar stands so that a stretch is seen, moved no more than it must.
  private static double within(double now, double at, double wide, double seen, double all) {
    var hidden = all - seen;
    if (hidden <= 0) return now;
    var from = now * hidden;
    if (from > at - EDGE) from = at - EDGE;
    else if (from < at + wide + EDGE - seen) from = at + wide + EDGE - seen;
    return Math.clamp(from, 0, hidden) / hidden;
  }

  /// How metal is joined, in the whole room.
  private void bonds() {
    view.setCenter(scroll);
    view.setBottom(null);
    var width = Math.max(500, scroll.getWidth() - 46);
    var now = new Shown(study.orElseThrow(), "bonds", true, Optional.empty(), theme, width);
    if (shown.filter(now::equals).isPresent()) return;
    shown = Optional.of(now);
    var net = Bonding.of(now.of());
    summary.setText(
        "%d pieces of metal, %d joints, %d rings"
            .formatted(net.pieces().size(), net.bonds().size(), net.loops().size()));
    picture.show(BondingPicture.of(now.of(), width), theme);
  }

  /// What a hand meets, in the whole room.
  private void touches() {
    view.setCenter(scroll);
    view.setBottom(null);
    var width = Math.max(500, scroll.getWidth() - 46);
    var selected = session.orElseThrow().selection().get();
    var now = new Shown(study.orElseThrow(), "shock", true, selected, theme, width);
    if (shown.filter(now::equals).isPresent()) return;
    shown = Optional.of(now);
    var all = Touch.all(now.of());
    var loose = all.stream().filter(touch -> !touch.joined()).count();
    summary.setText(
        "%d pieces of metal a hand may meet, %s not joined to earth"
            .formatted(all.size(), loose == 0 ? "none" : String.valueOf(loose)));
    picture.show(ShockPicture.of(now.of(), width, selected), theme);
  }

  private static Optional<Id> worst(Matrix matrix, Predicate<Pair> of) {
    Optional<Id> at = Optional.empty();
    var worst = Double.MAX_VALUE;
    for (var r = 0; r < matrix.rows().size(); r++)
      for (var c = 0; c < matrix.columns().size(); c++) {
        var pair = matrix.at(matrix.rows().get(r), matrix.columns().get(c)).filter(of);
        if (pair.isEmpty() || pair.get().margin() >= worst) continue;
        worst = pair.get().margin();
        at = Optional.of(QuietPicture.cell(r, c));
      }
    return at;
  }

  private static String words(Study study) {
    var pairs = Coupled.of(study).pairs();
    var below = pairs.stream().filter(p -> p.margin() < 0).count();
    var little = pairs.stream().filter(p -> p.standing() == Pair.Standing.NO_RESERVE).count();
    return "%d that disturb, %d that hear; %s, %d without reserve"
        .formatted(
            Emitters.of(study).size(),
            Receivers.of(study).size(),
            below == 0 ? "none is disturbed" : below + " below zero",
            little);
  }

  private void look(Pair pair) {
    var on = study.orElseThrow();
    var today = review.orElseThrow();
    card.show(pair, on, session.orElseThrow(), theme);
    trying.ask(
        dropped -> Quieter.of(pair, today, dropped),
        found -> card.helps(pair, found),
        _ -> card.helps(pair, List.of()));
  }

  private void takeBest() {
    var today = review.orElseThrow();
    var taker = session.orElseThrow();
    taking.ask(
        _ -> Quieter.best(today, BEST),
        found ->
            found.ifPresentOrElse(
                it -> {
                  if (taker.edit(it.edit()))
                    taker.tell(
                        "Taken: %s. The worst is now %.0f dB."
                            .formatted(String.join("; ", it.steps()), it.worst()));
                },
                () -> taker.tell("No pair is short of reserve, or nothing known helps it.")),
        _ -> taker.tell("What helps could not be tried."));
  }
}
