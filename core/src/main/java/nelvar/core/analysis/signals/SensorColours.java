package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Sensor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;

/// The wires of a three-wire sensor have the colours it is supplied with: brown for +, blue for 0
/// V, black for its signal (IEC 60947-5-2, Table 4, from memory, unchecked).
///
/// Only what means another of the three is said: a white or red wire may be somebody's habit, a
/// blue one on + is taken for 0 V by whoever repairs it. Only cores of cables: single wires in a
/// cabinet have the colours of their circuit.
public final class SensorColours implements Rule {
  private static final Reason EXCHANGED = Reason.of("Colours of a sensor exchanged");
  private static final Map<String, String> MEANS =
      Map.of("brown", "+", "blue", "-", "black", "OUT");

  @Override
  public String id() {
    return "signals.sensor-colours";
  }

  @Override
  public String asks() {
    return "No wire of a three-wire sensor has the colour of another of them.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).filter(SensorColours::threeWire).isPresent())
        .flatMap(Contained.many(this, Device::id, device -> judge(device, study).stream()));
  }

  private static boolean threeWire(nelvar.core.catalogue.Part part) {
    return part instanceof Sensor sensor
        && sensor.output().switches()
        && part.terminals().size() == 3;
  }

  private static Optional<Conductor> at(Device device, String mark, Study study) {
    var end = new TerminalRef(device.id(), mark);
    return study.project().conductors().stream()
        .filter(wire -> wire.cable().isPresent() && wire.lands(end))
        .findFirst();
  }

  private static Optional<Verdict> judge(Device device, Study study) {
    var w = Working.of("Colours of " + device.designation());
    var any = false;
    for (var mark : List.of("+", "-", "OUT")) {
      var wire = at(device, mark, study);
      var colour = wire.flatMap(Conductor::colour).map(c -> c.toLowerCase(Locale.ROOT));
      if (colour.isEmpty()) continue;
      any = true;
      w.given(mark, colour.get(), wire.orElseThrow().label().text());
      var means = Optional.ofNullable(MEANS.get(colour.get()));
      if (means.isPresent() && !means.get().equals(mark))
        return Optional.of(
            new Verdict.Finding(
                device.id(),
                Severity.WARNING,
                EXCHANGED,
                "%s is %s and lands on %s of %s: that colour is its %s. Whoever repairs it exchanges them and destroys it."
                    .formatted(
                        wire.orElseThrow().label(),
                        colour.get(),
                        mark,
                        device.designation(),
                        means.get()),
                w.explain(device).trail(),
                List.of()));
    }
    return any
        ? Optional.of(new Verdict.Pass(device.id(), w.explain(device).trail()))
        : Optional.empty();
  }
}
