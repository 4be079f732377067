package nelvar.core.analysis.signals;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;

/// No two outputs drive one wire, and nothing that must be switched hangs on a pin that is always
/// on.
///
/// Two sinking outputs on one coil are an "or" and no fault by themselves; a sourcing and a sinking
/// one, or any with pulses, fight. Common practice.
public final class PinTakenTwice implements Rule {
  private static final Reason TWO_OUTPUTS = Reason.of("Two outputs on one wire");
  private static final Reason ALWAYS_ON =
      Reason.of("An output that is always on is used to switch");

  @Override
  public String id() {
    return "signals.pin-twice";
  }

  @Override
  public String asks() {
    return "No two outputs fight over one wire, and nothing that is to be switched hangs on a pin that is always on.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var links =
        PinLinks.of(study).stream()
            .filter(link -> link.wired() && !link.pin().type().reads())
            .filter(link -> link.pin().type() != Pin.Type.SERIAL)
            .toList();
    var told = new HashSet<Set<TerminalRef>>();
    return links.stream()
        .flatMap(
            Contained.many(
                this, link -> link.board().id(), link -> judge(link, links, told, study)));
  }

  private static Stream<Verdict> judge(
      PinLink link, List<PinLink> links, Set<Set<TerminalRef>> told, Study study) {
    var joined = Set.copyOf(study.network().joined(link.at()));
    var others =
        links.stream()
            .filter(other -> other != link && joined.contains(other.at()))
            .filter(other -> fight(link.pin().type(), other.pin().type()))
            .toList();
    var subject = new Subject.AtTerminal(link.at());
    var w =
        Working.of("On the wire of %s:%s".formatted(link.board().designation(), link.pin().name()));
    w.given("others", others.isEmpty() ? "none" : names(others), "outputs joined to it");
    var trail = w.explain(link).trail();
    if (!others.isEmpty()) {
      var all = new HashSet<>(others.stream().map(PinLink::at).toList());
      all.add(link.at());
      if (!told.add(all)) return Stream.of();
      return Stream.of(
          new Verdict.Finding(
              subject,
              Severity.ERROR,
              TWO_OUTPUTS,
              "%s:%s drives the same wire as %s: one pulls it up while the other pulls it down. Give each a wire of its own, or a diode each."
                  .formatted(link.board().designation(), link.pin().name(), names(others)),
              trail,
              List.of()));
    }
    if (link.pin().type() == Pin.Type.ALWAYS_ON && moves(link, study))
      return Stream.of(
          new Verdict.Finding(
              subject,
              Severity.WARNING,
              ALWAYS_ON,
              "%s:%s is always on: what hangs on it runs as soon as the board has its supply. Take an output that a program switches."
                  .formatted(link.board().designation(), link.pin().name()),
              trail,
              List.of()));
    return Stream.of(new Verdict.Pass(subject, trail));
  }

  private static boolean fight(Pin.Type one, Pin.Type other) {
    return one != other || one == Pin.Type.OUTPUT_PULSES || one == Pin.Type.ANALOGUE_OUTPUT;
  }

  /// Whether a motor, a valve or a function that moves hangs on it.
  private static boolean moves(PinLink link, Study study) {
    return link.partners().stream()
        .flatMap(end -> study.device(end.device()).stream())
        .anyMatch(device -> Moving.surely(device, study) && !switchedBeyond(device, study));
  }

  /// Whether its other end hangs on an output that switches.
  private static boolean switchedBeyond(Device device, Study study) {
    var ends =
        study.part(device).stream()
            .flatMap(part -> part.terminals().stream())
            .map(terminal -> new TerminalRef(device.id(), terminal.name()))
            .toList();
    return PinLinks.of(study).stream()
        .filter(link -> link.wired() && link.pin().type().switches())
        .anyMatch(link -> link.partners().stream().anyMatch(ends::contains));
  }

  private static String names(List<PinLink> links) {
    return links.stream()
        .map(link -> link.board().designation() + ":" + link.pin().name())
        .distinct()
        .collect(Collectors.joining(", "));
  }
}
