package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;

/// Pins carry one number on both sides: on the board and in the program, or at both ends of a wire
/// between two boards. Counted from 0 on one side and from 1 on the other, everything works, one
/// place too far. Common practice.
public final class Numbering implements Rule {
  private static final Reason ONE_OFF =
      Reason.of("Numbered from 0 on one side, from 1 on the other");

  private static final Pattern LAST = Pattern.compile("([0-9]{1,3})[^0-9]*$");

  /// Pins that make a series.
  private static final int FEW = 2;

  @Override
  public String id() {
    return "signals.numbering";
  }

  @Override
  public String asks() {
    return "Pins are counted from the same number on both sides of a link.";
  }

  /// Names of one kind on both sides: `Q1` and `out.0`.
  private record Pairs(PinLink first, String other, List<String> here, List<String> there) {}

  @Override
  public Stream<Verdict> check(Study study) {
    var all = new LinkedHashMap<String, Pairs>();
    for (var link : PinLinks.of(study)) {
      if (!link.wired()) continue;
      FirmwareNames.of(study.project(), link.board().id(), link.pin())
          .ifPresent(name -> pair(all, link, "the program", name));
      for (var end : link.partners())
        board(end, study).ifPresent(b -> pair(all, link, b, end.terminal()));
    }
    return all.values().stream()
        .filter(pairs -> pairs.here().size() >= FEW)
        .flatMap(Contained.one(this, pairs -> pairs.first().board().id(), Numbering::judge));
  }

  private static Optional<String> board(TerminalRef end, Study study) {
    return study
        .device(end.device())
        .filter(device ->
            study.part(device).flatMap(Part::logic).isPresent()
                || study
                    .part(device)
                    .filter(nelvar.core.catalogue.RelayBank.class::isInstance)
                    .isPresent())
        .map(device -> device.designation().text());
  }

  private static void pair(Map<String, Pairs> all, PinLink link, String other, String there) {
    var here = link.pin().name();
    if (number(here).isEmpty() || number(there).isEmpty()) return;
    var key =
        "%s %s %s %s"
            .formatted(
                link.board().id(),
                LAST.matcher(here).replaceAll(""),
                other,
                LAST.matcher(there).replaceAll(""));
    var pairs =
        all.computeIfAbsent(key, _ -> new Pairs(link, other, new ArrayList<>(), new ArrayList<>()));
    pairs.here().add(here);
    pairs.there().add(there);
  }

  private static OptionalInt number(String name) {
    var at = LAST.matcher(name);
    return at.find() ? OptionalInt.of(Integer.parseInt(at.group(1))) : OptionalInt.empty();
  }

  private static boolean begins(List<String> names) {
    return names.stream().anyMatch(name -> number(name).orElse(1) == 0);
  }

  private static Verdict judge(Pairs pairs) {
    var board = pairs.first().board();
    // Neighbours taken in their order are no other way to count: one side begins at 0.
    var oneOff = begins(pairs.here()) != begins(pairs.there());
    for (var n = 0; n < pairs.here().size(); n++)
      oneOff &=
          Math.abs(
                  number(pairs.here().get(n)).orElseThrow()
                      - number(pairs.there().get(n)).orElseThrow())
              == 1;
    var w = Working.of("Numbers of %s and %s".formatted(board.designation(), pairs.other()));
    w.given("here", String.join(", ", pairs.here()), board.designation().text());
    w.given("there", String.join(", ", pairs.there()), pairs.other());
    var trail = w.explain(pairs).trail();
    var subject = new nelvar.core.model.Subject.AtTerminal(pairs.first().at());
    if (!oneOff) return new Verdict.Pass(subject, trail);
    return new Verdict.Finding(
        subject,
        Severity.WARNING,
        ONE_OFF,
        "%s of %s are %s on %s: whoever counts on one side switches the neighbour on the other. Name them alike, or write both names at the terminals."
            .formatted(
                String.join(", ", pairs.here()),
                board.designation(),
                String.join(", ", pairs.there()),
                pairs.other()),
        trail,
        List.of());
  }
}
