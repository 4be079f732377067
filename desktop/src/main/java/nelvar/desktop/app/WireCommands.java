package nelvar.desktop.app;

import javafx.application.Platform;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.WireKinds;
import nelvar.core.analysis.runs.WireMarks;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.edit.Edit;
import nelvar.desktop.session.Session;
import nelvar.desktop.session.Trouble;

/// What is done to all single wires at once.
record WireCommands(MainWindow window, Workers workers) {
  void number() {
    window
        .session()
        .ifPresent(session -> {
          var study = session.whole().study();
          if (session.stale().get())
            session.tell("The review is being brought up to date; try again in a moment.");
          else if (session.edit(WireMarks.numbered(study)))
            session.tell("The wires are numbered in the order they are laid; undo takes it back.");
        });
  }

  /// Tries it off the interface thread; one step, and it says what it saves.
  void fewerKinds() {
    window
        .session()
        .ifPresent(session -> {
          var study = session.whole().study();
          if (session.stale().get()) {
            session.tell("The review is being brought up to date; try again in a moment.");
            return;
          }
          session.tell("Trying fewer kinds of wire …");
          workers
              .pages()
              .execute(() -> {
                try {
                  var answer = WireKinds.of(study, CatalogueFile.standard());
                  Platform.runLater(() -> fewerKinds(session, study, answer));
                } catch (Throwable broken) {
                  Platform.runLater(() ->
                      session.tell(
                          "Trying fewer kinds failed in the program (%s); nothing was changed."
                              .formatted(Trouble.of(broken))));
                }
              });
        });
  }

  private static void fewerKinds(Session session, Study study, WireKinds.Answer answer) {
    if (!session.project().equals(study.project())) {
      session.tell("The project changed meanwhile; try again.");
      return;
    }
    if (answer.merges().isEmpty()) {
      session.tell(
          "%d kinds of wire in stock; leaving one out costs no less."
              .formatted(answer.before().size()));
      return;
    }
    var what =
        "%d kinds of wire instead of %d".formatted(answer.after().size(), answer.before().size());
    if (session.edit(new Edit("Buy " + what, _ -> answer.project())))
      session.tell(
          "%s: %.2f %s less for whole drums. Undo takes it back."
              .formatted(what, answer.saves(), study.project().brief().policies().currency()));
  }
}
