package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.VoltageRange;

/// A controller board that carries chopper drives for stepper motors: + and - in, for each axis 1A+
/// 1A- 1B+ 1B-, 2A+ …, and its pins.
///
/// @param current its logic takes
/// @param rating greatest phase current of one axis
/// @param chopping input current as a share of the phase current (common practice 67 %)
/// @param pins its inputs and outputs as marked on the board
public record DriverBoard(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Current current,
    int axes,
    Current rating,
    Percent chopping,
    List<Pin> pins)
    implements Part {
  private static final String LOGIC = "alive";

  public DriverBoard {
    pins = List.copyOf(pins);
    Part.require(axes >= 1 && axes <= 20, "a board drives 1 to 20 axes, not " + axes);
  }

  @Override
  public boolean drives() {
    return true;
  }

  @Override
  public double gain(Output of) {
    return StepperDrive.gain(chopping);
  }

  private Controller logic() {
    return new Controller(
        id, name, article, input, current, pins, Optional.empty(), Optional.empty());
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<>(logic().terminals());
    for (var axis = 1; axis <= axes; axis++)
      for (var end : List.of("A+", "A-", "B+", "B-"))
        all.add(Terminal.optional(axis + end, Role.LINE));
    return all;
  }

  @Override
  public List<Link> links() {
    return logic().links();
  }

  @Override
  public List<Element> elements() {
    return logic().elements();
  }

  @Override
  public List<Actuator> actuators() {
    var all = new ArrayList<>(logic().actuators());
    all.add(
        new Actuator.Watch(
            LOGIC,
            List.of(Actuator.Reading.above("+", "-", DriveControls.DEAD * input.least().volts())),
            Optional.empty(),
            new nelvar.core.units.Duration(0.1)));
    return all;
  }

  @Override
  public List<String> outputNeeds() {
    return List.of(LOGIC);
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    var all = new ArrayList<>(logic().intakes(linkage));
    for (var axis = 1; axis <= axes; axis++)
      all.add(
          Intake.twoWire(
              "axis " + axis,
              "+",
              "-",
              input,
              new Demand.Chops(List.of(axis + "A", axis + "B"), chopping),
              Optional.empty()));
    return all;
  }

  @Override
  public List<Output> outputs() {
    var all = new ArrayList<Output>();
    for (var axis = 1; axis <= axes; axis++)
      for (var winding : List.of("A", "B"))
        all.add(
            new Output(
                axis + winding,
                List.of(axis + winding + "+"),
                Optional.of(axis + winding + "-"),
                true,
                input.greatest(),
                rating));
    return all;
  }
}
