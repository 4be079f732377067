package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Power;
import nelvar.core.units.VoltageRange;

/// A motor with its drive built onto it, fed with direct current.
///
/// @param power it takes from its bus at rated load
/// @param controls marks of its control terminals
/// @param busCapacitance what takes up energy it gives back
public record MotorWithDrive(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Power power,
    List<String> controls,
    Optional<Capacitance> busCapacitance)
    implements Part {
  public MotorWithDrive {
    controls = List.copyOf(controls);
  }

  @Override
  public boolean motor() {
    return true;
  }

  @Override
  public boolean drives() {
    return true;
  }

  @Override
  public List<Terminal> terminals() {
    var all =
        new ArrayList<Terminal>(
            List.of(Terminal.required("+", Role.PLUS), Terminal.required("-", Role.MINUS)));
    for (var control : controls) all.add(Terminal.optional(control, Role.SIGNAL));
    return all;
  }

  @Override
  public List<Link> links() {
    return DriveControls.links(controls);
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
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire("bus", "+", "-", input, new Demand.FixedPower(power, 1), Optional.empty()));
  }
}
