package nelvar.core.analysis.states;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.network.Source;
import nelvar.core.trail.Working;

/// No metal way, protective conductors included, leads in a state of the machine from a line of a
/// source to another terminal of its own, or from a line of the mains to earth.
///
/// Demand: physics.
public final class ShortInWork implements Rule {
  private static final Reason A_LINE_IS_JOINED_TO_EARTH = Reason.of("A line is joined to earth");
  private static final Reason SHORTED_IN_WORK = Reason.of("Shorted in work");

  @Override
  public String id() {
    return "states.short";
  }

  @Override
  public String asks() {
    return "No line is joined to another, to its return or to earth in a state of the machine.";
  }

  /// A line joined to earth can kill.
  @Override
  public boolean protectsPeople() {
    return true;
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().sources().stream()
        .filter(source -> study.network().shorted(source).isEmpty())
        .flatMap(
            Contained.one(this, source -> source.device().id(), source -> judge(source, study)));
  }

  /// A line and what it meets.
  private record Meeting(TerminalRef line, TerminalRef other) {}

  private static Verdict judge(Source source, Study study) {
    var w = Working.of("Ways from the lines of " + source.device().designation());
    for (var state : MachineStates.of(study)) {
      var meeting = meeting(source, state.live(), study);
      w.given(
          state.words(),
          meeting.map(m -> m.line().terminal() + " meets " + m.other()).orElse("nothing met"),
          "wires, closed contacts, protective conductors");
      if (meeting.isPresent()) return finding(source, meeting.get(), state, w, study);
    }
    return new Verdict.Pass(source.device().id(), w.explain(source).trail());
  }

  private static Optional<Meeting> meeting(Source source, Live live, Study study) {
    var own = source.terminals();
    for (var line : own.subList(0, source.output().lines().size())) {
      var reached = live.metal(line);
      for (var other : own)
        if (!other.equals(line) && reached.contains(other))
          return Optional.of(new Meeting(line, other));
      var earth = new TerminalRef(source.device().id(), "PE");
      if (study.part(source.device()).orElse(null) instanceof MainsInlet && reached.contains(earth))
        return Optional.of(new Meeting(line, earth));
    }
    return Optional.empty();
  }

  private static Verdict finding(
      Source source, Meeting meeting, MachineStates.State state, Working w, Study study) {
    var current =
        state.outputs(source.device().id()).stream()
            .findFirst()
            .map(output -> state.settled() ? ", and " + output.current() + " flow" : "")
            .orElse("");
    var toEarth = meeting.other().terminal().equals("PE");
    return new Verdict.Finding(
        source.device().id(),
        Severity.ERROR,
        toEarth ? A_LINE_IS_JOINED_TO_EARTH : SHORTED_IN_WORK,
        "%s of %s is joined to %s %s%s. %s Find the wire or contact that joins them before power comes near."
            .formatted(
                meeting.line().terminal(),
                source.device().designation(),
                toEarth ? "the protective conductor" : meeting.other().terminal(),
                state.words(),
                current,
                toEarth
                    ? "Every body on that conductor may stand at mains voltage, and whoever touches one may be killed."
                    : "Something opens, burns or welds."),
        w.explain(study.label(source.device().id())).trail(),
        List.of());
  }
}
