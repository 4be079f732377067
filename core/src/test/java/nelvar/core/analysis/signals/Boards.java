package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Controller;
import nelvar.core.exchange.BoardCsv;
import nelvar.core.file.UnreadableFile;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Subject;

/// Small boards for tests of pins, from a table of their pins: `A` on a supply of 24 V.
final class Boards {
  private Boards() {}

  static Controller board(String heading, String... rows) {
    var text =
        new StringBuilder("board,input,current,output supply," + heading + "\n")
            .append("Test board,20.4–28.8 V,0.2 A,,")
            .append(rows[0])
            .append('\n');
    for (var n = 1; n < rows.length; n++) text.append(",,,,").append(rows[n]).append('\n');
    try {
      return (Controller) BoardCsv.read("board.csv", text.toString());
    } catch (UnreadableFile e) {
      throw new AssertionError(e);
    }
  }

  static Panel panel(Controller board) {
    return Panel.dc()
        .part(board)
        .device("A", board.id())
        .wire("T:+", "A:+", 0.75, 1)
        .wire("A:-", "T:-", 0.75, 1);
  }

  static PinLink link(Study study, String pin) {
    return PinLinks.of(study).stream()
        .filter(link -> link.pin().name().equals(pin))
        .findFirst()
        .orElseThrow();
  }

  static List<Verdict> at(Rule rule, Study study, String pin) {
    return rule.check(study)
        .filter(verdict ->
            verdict.subject() instanceof Subject.AtTerminal at
                && at.terminal().terminal().equals(pin))
        .toList();
  }

  static Optional<Verdict.Finding> found(Rule rule, Study study) {
    return rule.check(study)
        .filter(Verdict.Finding.class::isInstance)
        .map(Verdict.Finding.class::cast)
        .findFirst();
  }

  static long passes(Rule rule, Study study) {
    return rule.check(study).filter(Verdict.Pass.class::isInstance).count();
  }
}
