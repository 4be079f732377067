package nelvar.desktop.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.compose.pins.AssignPins;
import nelvar.core.compose.pins.SwapBoard;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.desktop.session.Pinning;
import nelvar.desktop.session.Session;

/// Opens what gives signals their pins, over the window.
final class PinsOpened {
  private final Optional<Session> session;
  private final Consumer<Node> over;
  private final Runnable close;

  PinsOpened(Optional<Session> session, Consumer<Node> over, Runnable close) {
    this.session = session;
    this.over = over;
    this.close = close;
  }

  /// Free signals to free pins.
  void assign() {
    session.ifPresent(s -> {
      var sheet = new PinsSheet(s, "Free signals on free pins", close);
      over.accept(sheet);
      s.pinning().assign(found -> show(found, sheet, s), sheet::say);
    });
  }

  private static void show(Pinning.Assigned found, PinsSheet sheet, Session s) {
    var study = s.whole().study();
    var proposal = found.proposal();
    if (proposal.nothing()) {
      sheet.say(
          proposal.left().isEmpty()
              ? "Every signal has a pin that suits it."
              : String.join("; ", proposal.left()) + ".");
      return;
    }
    var notes = new ArrayList<String>(List.of(found.effects()));
    if (!proposal.left().isEmpty()) notes.add("Left: " + String.join("; ", proposal.left()) + ".");
    sheet.show(
        List.of(
            new PinsSheet.Choice(
                proposal.edit().label(),
                proposal.landings().stream().map(l -> line(l, study)).toList(),
                notes,
                List.of(),
                Optional.of(proposal.edit()))));
  }

  private static PinsSheet.Line line(AssignPins.Landing landing, Study study) {
    var purpose = study.device(landing.end().device()).map(Device::purpose).orElse("");
    return new PinsSheet.Line(
        "%s %s".formatted(at(landing.end(), study), purpose),
        landing.from().map(from -> from.terminal() + " → ").orElse("") + at(landing.pin(), study),
        landing.because());
  }

  private static String at(TerminalRef end, Study study) {
    return study.label(end.device()) + ":" + end.terminal();
  }

  /// Another controller in the place of the selected one, or of the only one.
  void controller() {
    session.ifPresent(s -> {
      var study = s.whole().study();
      var boards =
          s.project().devices().stream().filter(device -> PinLinks.board(device, study)).toList();
      var board =
          s.selection()
              .get()
              .flatMap(study::device)
              .filter(boards::contains)
              .or(() -> boards.stream().findFirst());
      if (board.isEmpty()) {
        s.tell("There is no controller with pins yet.");
        return;
      }
      var sheet =
          new PinsSheet(
              s, "Another controller in the place of " + board.get().designation(), close);
      over.accept(sheet);
      s.pinning()
          .boards(
              board.get(),
              found -> sheet.show(found.stream().map(one -> choice(one, study)).toList()),
              sheet::say);
    });
  }

  /// What sensors permit, as a table in words.
  void permissives() {
    session.ifPresent(s -> {
      var study = s.whole().study();
      var board =
          s.selection()
              .get()
              .flatMap(study::device)
              .filter(device -> PinLinks.board(device, study))
              .or(() ->
                  s.project().devices().stream()
                      .filter(device -> PinLinks.board(device, study))
                      .findFirst());
      if (board.isEmpty()) {
        s.tell("There is no controller with pins yet.");
        return;
      }
      var sheet = new PermissivesSheet(s, board.get(), close);
      over.accept(sheet);
      sheet.focus();
    });
  }

  private static PinsSheet.Choice choice(Pinning.Board board, Study study) {
    var proposal = board.proposal();
    var notes = new ArrayList<String>();
    if (!board.effects().isEmpty()) notes.add(board.effects());
    notes.add("To know: " + String.join("; ", proposal.said()) + ".");
    return new PinsSheet.Choice(
        proposal.next().name(),
        lines(proposal, study),
        notes,
        proposal.left(),
        proposal.possible() ? Optional.of(proposal.edit()) : Optional.empty());
  }

  /// What changes first, each by itself; pins that stay as they are in one line.
  private static List<PinsSheet.Line> lines(SwapBoard.Proposal proposal, Study study) {
    var all = new ArrayList<PinsSheet.Line>();
    var same = 0;
    for (var change : proposal.changes()) {
      if (change.was().equals(change.becomes()) && change.changes().isEmpty()) {
        same++;
        continue;
      }
      var device =
          PinLinks.of(study).stream()
              .filter(link ->
                  link.board().equals(proposal.board()) && link.pin().name().equals(change.was()))
              .flatMap(link -> link.partners().stream())
              .flatMap(end -> study.device(end.device()).stream())
              .findFirst();
      all.add(
          new PinsSheet.Line(
              change.was()
                  + device.map(d -> ", %s %s".formatted(d.designation(), d.purpose())).orElse(""),
              change.becomes(),
              change.changes()));
    }
    if (same > 0)
      all.add(new PinsSheet.Line("%d more pins".formatted(same), "as they are", "nothing"));
    return all;
  }
}
