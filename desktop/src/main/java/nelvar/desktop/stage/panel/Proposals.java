package nelvar.desktop.stage.panel;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Study;
import nelvar.core.compose.place.Arrange;
import nelvar.core.compose.place.Proposal;
import nelvar.core.model.Cabinet;
import nelvar.desktop.session.Latest;
import nelvar.desktop.session.Session;

/// First layouts side by side: asked for, computed beside the interface thread with progress, taken
/// with one press. What is best so far is shown when it is cancelled.
final class Proposals {
  private static final long SEED = 1;

  private final Latest<List<Proposal>> work;
  private final ProgressBar progress = new ProgressBar(0);
  private final Runnable changed;
  private List<Proposal> found = List.of();
  private boolean asking;
  private volatile boolean enough;

  Proposals(Executor worker, Runnable changed) {
    this.work = new Latest<>(worker, Platform::runLater);
    this.changed = changed;
    progress.setPrefWidth(220);
    progress.setAccessibleText("How far arranging is");
  }

  boolean shown() {
    return asking || !found.isEmpty();
  }

  /// @param smallest the smallest cabinet that does instead of the one at hand
  void ask(Study study, boolean smallest, Session session) {
    asking = true;
    enough = false;
    found = List.of();
    progress.setProgress(0);
    changed.run();
    work.ask(
        dropped -> {
          var cabinet =
              smallest
                  ? Arrange.smallest(study, SEED, dropped)
                  : Arrange.cabinet(study, SEED, dropped);
          return cabinet
              .map(c ->
                  Arrange.proposals(
                      study,
                      c,
                      SEED,
                      () -> enough || dropped.getAsBoolean(),
                      share -> Platform.runLater(() -> progress.setProgress(share))))
              .orElse(List.of());
        },
        all -> {
          asking = false;
          found = all;
          if (all.isEmpty())
            session.tell(
                "No cabinet of the catalogue holds everything. Add a larger enclosure, or divide the machine over two.");
          changed.run();
        },
        _ -> {
          asking = false;
          session.tell("No layout was found.");
          changed.run();
        });
  }

  void forget() {
    if (!shown()) return;
    work.cancel();
    asking = false;
    found = List.of();
  }

  Node node(Study study, Session session, Consumer<Optional<Cabinet>> look) {
    if (asking) {
      var stop = new Button("Enough: take the best so far");
      stop.setId("arrange-enough");
      stop.setOnAction(_ -> enough = true);
      var box = new HBox(12, new Label("Arranging"), progress, stop);
      box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
      return box;
    }
    var all = new HBox(12);
    for (var i = 0; i < found.size(); i++)
      all.getChildren().add(card(found.get(i), i, study, session, look));
    var leave = new Button("Leave it as it is");
    leave.setId("arrange-leave");
    leave.setOnAction(_ -> {
      forget();
      changed.run();
    });
    all.getChildren().add(leave);
    all.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return all;
  }

  private Node card(
      Proposal proposal,
      int number,
      Study study,
      Session session,
      Consumer<Optional<Cabinet>> look) {
    var shell = proposal.cabinet().shell();
    var title = new Label(proposal.name());
    title.getStyleClass().add("title-small");
    var size = new Label("%s × %s × %s".formatted(shell.width(), shell.height(), shell.depth()));
    size.getStyleClass().add("soft");
    var says =
        new Label(
            "%s of wire%n%s at the top, %s at the warmest part%n%s of the rails free"
                .formatted(
                    proposal.copper(), proposal.hottest(), proposal.warmest(), proposal.room()));
    var take = new Button(proposal.fits() ? "Take it" : "Take what fits");
    take.setId("arrange-take-" + number);
    take.setDefaultButton(false);
    take.getStyleClass().add(number == 0 ? "primary" : "plain");
    take.setOnAction(_ -> {
      forget();
      if (session.edit(proposal.edit(study))) look.accept(Optional.of(proposal.cabinet()));
      changed.run();
    });
    var box = new VBox(4, new HBox(8, title, size), says);
    proposal
        .lacks()
        .ifPresent(what -> {
          var lacks = new Label(what);
          lacks.getStyleClass().add("wrong-note");
          box.getChildren().add(lacks);
        });
    if (!proposal.waiting().isEmpty()) {
      var waits =
          new Label(
              "waits: "
                  + String.join(
                      ", ",
                      proposal.waiting().stream()
                          .map(w -> w.device().designation() + " (" + w.why() + ")")
                          .toList()));
      waits.getStyleClass().addAll("soft", "wrapping");
      waits.setMaxWidth(240);
      box.getChildren().add(waits);
    }
    box.getChildren().add(take);
    box.getStyleClass().add("proposal");
    return box;
  }
}
