package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Sensor or transmitter with its own supply and one signal.
public record Sensor(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Current current,
    SensorOutput output,
    Optional<SensorData> data)
    implements Part {
  private static final String SEES = "sees";

  /// What is stated of it.
  public SensorData stated() {
    return data.orElse(SensorData.UNKNOWN);
  }

  /// Lost in its output at most: as stated, else as the standard allows.
  public Voltage drops() {
    return stated().drop().orElse(output.drop());
  }

  /// Leaks at most while it is off: as stated, else as the standard allows.
  public Current leaks() {
    return stated().leakage().orElse(output.leakage());
  }

  @Override
  public List<Terminal> terminals() {
    if (output == SensorOutput.TWO_WIRE)
      return List.of(Terminal.required("+", Role.PLUS), Terminal.required("OUT", Role.SIGNAL));
    return List.of(
        Terminal.required("+", Role.PLUS),
        Terminal.required("-", Role.MINUS),
        Terminal.required("OUT", Role.SIGNAL));
  }

  @Override
  public List<Link> links() {
    return switch (output) {
      case PNP, TWO_WIRE -> List.of(Link.output("+", "OUT", SEES));
      case NPN -> List.of(Link.output("OUT", "-", SEES));
      case PUSH_PULL -> List.of(Link.output("+", "OUT", SEES), Link.restOutput("OUT", "-", SEES));
      case CONTACT, VOLTAGE, CURRENT, PULSES -> List.of();
    };
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    if (output == SensorOutput.TWO_WIRE) return List.of();
    return List.of(
        Intake.twoWire(
            "supply", "+", "-", input, new Demand.FixedCurrent(current), Optional.empty()));
  }

  @Override
  public List<Actuator> actuators() {
    return links().isEmpty() ? List.of() : List.of(new Actuator.Program(SEES));
  }
}
