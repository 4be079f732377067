package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Servo drive fed with direct current.
///
/// @param rating continuous motor current
/// @param pulseInput what it takes step and direction with
/// @param busCapacitance what takes up energy its motor gives back
public record ServoDrive(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Voltage output,
    Current rating,
    Percent efficiency,
    List<String> controls,
    Optional<Capacitance> busCapacitance,
    Optional<PulseInput> pulseInput)
    implements Part {
  public ServoDrive {
    controls = List.copyOf(controls);
  }

  @Override
  public List<Terminal> terminals() {
    var all =
        new ArrayList<Terminal>(
            List.of(
                Terminal.required("+", Role.PLUS),
                Terminal.required("-", Role.MINUS),
                Terminal.required("PE", Role.PROTECTIVE)));
    for (var phase : List.of("U", "V", "W")) all.add(Terminal.required(phase, Role.LINE));
    all.add(Terminal.optional("PE2", Role.PROTECTIVE));
    for (var control : controls) all.add(Terminal.optional(control, Role.SIGNAL));
    return all;
  }

  @Override
  public List<Link> links() {
    var all = new ArrayList<>(List.of(Link.joined("PE", "PE2")));
    all.addAll(DriveControls.links(controls));
    return all;
  }

  @Override
  public List<Element> elements() {
    return DriveControls.elements(controls);
  }

  @Override
  public List<Actuator> actuators() {
    return DriveControls.actuators(
        controls, Actuator.Reading.above("+", "-", DriveControls.DEAD * input.least().volts()));
  }

  @Override
  public Optional<String> torqueInput() {
    return DriveControls.torque(controls).map(Actuator::name);
  }

  @Override
  public List<String> outputNeeds() {
    return DriveControls.needs(controls);
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "bus",
            "+",
            "-",
            input,
            new Demand.Converts("motor", efficiency, 1, new Power(0)),
            Optional.empty()));
  }

  @Override
  public boolean drives() {
    return true;
  }

  /// Sinusoidal between lines, the bus over √2 (derivation).
  @Override
  public double gain(Output of) {
    return 1 / Math.sqrt(2);
  }

  @Override
  public List<Output> outputs() {
    return List.of(
        new Output("motor", List.of("U", "V", "W"), Optional.empty(), true, output, rating));
  }
}
