package nelvar.core.analysis.parts;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;

/// What a sensor gives is what its input reads.
///
/// Sourcing (PNP) outputs need an input with its common at 0 V, sinking (NPN) ones an input with
/// its common at +; push-pull and dry contacts suit both. Demand: the parts' own data; IEC 61131-2
/// for the inputs (unchecked).
public final class SensorAgainstInput implements Rule {
  private static final Reason SENSOR_AND_INPUT_DO_NOT_MATCH =
      Reason.of("Sensor and input do not match");

  @Override
  public String id() {
    return "parts.sensor-input";
  }

  @Override
  public String asks() {
    return "Every sensor suits the input it is wired to.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).orElse(null) instanceof Sensor)
        .flatMap(
            Contained.many(this, device -> device.id(), device -> judge(device, study).stream()));
  }

  private static Optional<Verdict> judge(Device device, Study study) {
    var sensor = (Sensor) study.part(device).orElseThrow();
    for (var terminal : study.network().joined(new TerminalRef(device.id(), "OUT"))) {
      var other = study.device(terminal.device());
      if (other.isEmpty()) continue;
      for (var pin :
          study.part(other.get()).flatMap(Part::logic).map(Controller::pins).orElse(List.of())) {
        if (!pin.name().equals(terminal.terminal())) continue;
        var w = Working.of("Sensor against input");
        w.given("gives", sensor.output().words(), device.designation().text());
        w.given(
            "reads",
            pin.type().name().toLowerCase(java.util.Locale.ROOT).replace('_', ' '),
            other.get().designation() + ":" + pin.name());
        var trail = w.explain(pin).trail();
        if (suits(sensor.output(), pin)) return Optional.of(new Verdict.Pass(device.id(), trail));
        var text =
            "%s is %s, but %s:%s %s. The input never sees it switch."
                .formatted(
                    device.designation(),
                    sensor.output().words(),
                    other.get().designation(),
                    pin.name(),
                    pin.type() == Pin.Type.INPUT_READS_PLUS
                        ? "has its common at 0 V and reads +"
                        : pin.type() == Pin.Type.INPUT_READS_MINUS
                            ? "has its common at + and reads 0 V"
                            : "is not made for it");
        return Optional.of(
            new Verdict.Finding(
                device.id(),
                Severity.ERROR,
                SENSOR_AND_INPUT_DO_NOT_MATCH,
                text,
                trail,
                repairs(device, sensor, pin, study)));
      }
    }
    return Optional.empty();
  }

  private static boolean suits(SensorOutput output, Pin pin) {
    var input = pin.type();
    return switch (output) {
      case PNP, TWO_WIRE -> input == Pin.Type.INPUT_READS_PLUS || input == Pin.Type.LOGIC_INPUT;
      case NPN -> input == Pin.Type.INPUT_READS_MINUS || input == Pin.Type.LOGIC_INPUT;
      case PUSH_PULL, CONTACT -> input.digitalInput();
      case VOLTAGE -> input == Pin.Type.ANALOGUE_INPUT;
      // One of 0–10 V takes 4–20 mA only where it has a resistor for it.
      case CURRENT ->
          input == Pin.Type.CURRENT_INPUT
              || (input == Pin.Type.ANALOGUE_INPUT && pin.value().burden().isPresent());
      case PULSES -> input == Pin.Type.LOGIC_INPUT;
    };
  }

  private static List<Repair> repairs(Device device, Sensor sensor, Pin pin, Study study) {
    return Alternatives.like(sensor, study)
        .map(Sensor.class::cast)
        .filter(next -> suits(next.output(), pin))
        .filter(next ->
            study.network().feeds(device.id()).stream()
                .allMatch(feed -> feed.source().isEmpty() || next.input().contains(feed.voltage())))
        .findFirst()
        .map(next -> Repair.of(Edits.swap(device, next)))
        .stream()
        .toList();
  }
}
