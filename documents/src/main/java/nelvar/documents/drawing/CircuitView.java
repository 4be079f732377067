package nelvar.documents.drawing;

import java.util.Map;
import java.util.Optional;
import nelvar.core.finding.Severity;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;

/// What a circuit sheet shows besides the wires themselves.
///
/// @param live the state it is shown in: contacts as they stand, volts and amperes; on paper none,
///   and contacts at rest
/// @param selected a device or wire, marked
/// @param plus where the probes of the meter are
/// @param marks the worst finding of a device or wire
public record CircuitView(
    Optional<Live> live,
    Optional<Id> selected,
    Optional<TerminalRef> plus,
    Optional<TerminalRef> minus,
    Map<Id, Severity> marks) {
  public static final CircuitView PAPER =
      new CircuitView(
          Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Map.of());

  public CircuitView {
    marks = Map.copyOf(marks);
  }
}
