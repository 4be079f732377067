package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.VoltageRange;

/// Chopper drive for a two-phase stepper motor.
///
/// @param rating greatest phase current it can be set to
/// @param chopping input current as a share of the phase current (common practice 67 %)
/// @param pulseInput what it takes step and direction with
/// @param steps what it can be set to
/// @param busCapacitance what takes up energy its motor gives back
public record StepperDrive(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Current rating,
    Percent chopping,
    List<String> controls,
    Optional<Capacitance> busCapacitance,
    Optional<PulseInput> pulseInput,
    Optional<DriveSteps> steps)
    implements Part {
  /// What of its input reaches the windings; common practice.
  private static final double LOSSES = 0.97;

  public StepperDrive {
    controls = List.copyOf(controls);
  }

  /// Whether it is made for a socket of a board, and stands by itself nowhere.
  public boolean module() {
    return controls.contains("STEP");
  }

  @Override
  public List<Terminal> terminals() {
    var all =
        new ArrayList<Terminal>(
            List.of(Terminal.required("+", Role.PLUS), Terminal.required("-", Role.MINUS)));
    for (var end : List.of("A+", "A-", "B+", "B-")) all.add(Terminal.required(end, Role.LINE));
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
            new Demand.Chops(List.of("A", "B"), chopping),
            Optional.empty()));
  }

  @Override
  public boolean drives() {
    return true;
  }

  /// What copper, iron and work of a winding need, at the common share of the phase current that
  /// the bus gives: the bus gives `chopping · I` at its volts for two windings, each takes `I`.
  @Override
  public double gain(Output of) {
    return gain(chopping);
  }

  static double gain(Percent chopping) {
    return LOSSES * chopping.fraction() / 2;
  }

  @Override
  public List<Output> outputs() {
    return List.of(
        new Output("A", List.of("A+"), Optional.of("A-"), true, input.greatest(), rating),
        new Output("B", List.of("B+"), Optional.of("B-"), true, input.greatest(), rating));
  }
}
