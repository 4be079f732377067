package nelvar.core.analysis.runs;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.PassedLine;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.trail.Working;

/// Two wires of one signal are the two cores of one twisted pair: split over two pairs each makes a
/// wide loop with a stranger (common practice).
///
/// Judged where the cable says it lies in pairs and both cores say their number.
public final class PairsKept implements Rule {
  private static final Reason SPLIT = Reason.of("One signal is split over two pairs of a cable");

  @Override
  public String id() {
    return "runs.pairs";
  }

  @Override
  public String asks() {
    return "The two wires of a signal are one pair of their cable.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().cables().stream()
        .flatMap(Contained.many(this, Cable::id, cable -> judge(cable, study).stream()));
  }

  private static Optional<Verdict> judge(Cable cable, Study study) {
    if (!(study.catalogue().find(cable.stock()).orElse(null) instanceof CableStock stock)
        || stock.pairs().isEmpty()) return Optional.empty();
    var cores = study.cores(cable.id());
    var signals = signals(cores, study);
    if (signals.isEmpty()) return Optional.empty();
    var numbers = new HashMap<Id, Integer>();
    for (var core : cores)
      core.colour()
          .filter(mark -> mark.matches("[1-9][0-9]?"))
          .ifPresent(mark -> numbers.put(core.id(), Integer.parseInt(mark)));
    var w = Working.of("Pairs of " + cable.label());
    w.given("pairs", stock.pairs().get(), stock.name());
    for (var signal : signals) {
      var one = numbers.get(signal.one().id());
      var other = numbers.get(signal.two().id());
      if (one == null || other == null)
        return Optional.of(
            new Verdict.NotChecked(
                cable.id(),
                "which cores %s and %s are".formatted(signal.one().label(), signal.two().label())));
      w.given(signal.words(), "cores %d and %d".formatted(one, other), cable.label().text());
      if (stock.twin(one).filter(other::equals).isPresent()) continue;
      return Optional.of(
          new Verdict.Finding(
              cable.id(),
              Severity.WARNING,
              SPLIT,
              "%s and %s are one signal and lie in cores %d and %d of %s, which are no pair: each makes a loop with a stranger."
                  .formatted(signal.one().label(), signal.two().label(), one, other, cable.label()),
              w.explain(cable.id()).trail(),
              exchanged(cable, signals, numbers, stock).stream().toList()));
    }
    return Optional.of(new Verdict.Pass(cable.id(), w.explain(cable.id()).trail()));
  }

  /// A signal after the other, each in the first pair that is left; all others fill up what
  /// remains.
  private static Optional<Repair> exchanged(
      Cable cable, List<Signal> signals, Map<Id, Integer> numbers, CableStock stock) {
    if (signals.size() > stock.pairs().orElse(0)) return Optional.empty();
    var order = new java.util.LinkedHashMap<Id, String>();
    var next = 1;
    for (var signal : signals) {
      order.put(signal.one().id(), String.valueOf(next++));
      order.put(signal.two().id(), String.valueOf(next++));
    }
    for (var core : numbers.entrySet().stream().sorted(Map.Entry.comparingByValue()).toList())
      if (!order.containsKey(core.getKey())) order.put(core.getKey(), String.valueOf(next++));
    return Optional.of(Repair.of(RunEdits.marked(cable, order)));
  }

  /// The two wires of one signal.
  record Signal(Conductor one, Conductor two, String words) {}

  /// The plus and minus of pulses, and the two lines of a bus, as far as both lie in one cable.
  static List<Signal> signals(List<Conductor> cores, Study study) {
    var begun = new HashMap<String, Conductor>();
    var all = new java.util.ArrayList<Signal>();
    for (var core : cores) {
      var of = half(core.from(), study).or(() -> half(core.to(), study));
      if (of.isEmpty()) continue;
      var first = begun.putIfAbsent(of.get(), core);
      if (first != null) all.add(new Signal(first, core, of.get()));
    }
    return List.copyOf(all);
  }

  private static Optional<String> half(TerminalRef end, Study study) {
    var part = study.device(end.device()).flatMap(study::part);
    var pin =
        part.flatMap(p -> p.logic())
            .flatMap(logic ->
                logic.pins().stream().filter(p -> p.name().equals(end.terminal())).findFirst())
            .flatMap(PairsKept::stem);
    return pin.or(() ->
            part.stream()
                .flatMap(p -> p.passesOn().stream())
                .filter(PassedLine::differential)
                .filter(line ->
                    line.out().equals(end.terminal())
                        || line.outReturn().equals(Optional.of(end.terminal())))
                .map(PassedLine::out)
                .findFirst())
        .map(stem -> study.label(end.device()) + ":" + stem);
  }

  private static Optional<String> stem(Pin pin) {
    var name = pin.name();
    if (pin.type() == Pin.Type.OUTPUT_PULSES && (name.endsWith("+") || name.endsWith("-")))
      return Optional.of(name.substring(0, name.length() - 1));
    return pin.line().filter(Pin.Line::bus).map(_ -> "bus");
  }
}
