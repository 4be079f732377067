package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.VoltageRange;

/// A controller board that carries chopper drives for stepper motors: + and - in, for each axis 1A+
/// 1A- 1B+ 1B-, 2A+ …, and its pins. Its drives hang on `M+` and `M-` where they have an input of
/// their own, which a stop can take the volts from; else on + and - with the logic.
///
/// @param current its logic takes
/// @param rating greatest phase current of one axis
/// @param chopping input current as a share of the phase current (common practice 67 %)
/// @param pins its inputs and outputs as marked on the board
/// @param outputSupply where its sourcing outputs take their current from, where not from +
/// @param motorInput what its drives take on an input of their own
public record DriverBoard(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Current current,
    int axes,
    Current rating,
    Percent chopping,
    List<Pin> pins,
    Optional<String> outputSupply,
    Optional<VoltageRange> motorInput,
    Optional<Controller.Terms> terms,
    Optional<BoardHardware> hardware)
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

  @Override
  public Optional<Controller> logic() {
    return Optional.of(board());
  }

  private Controller board() {
    return new Controller(id, name, article, input, current, pins, outputSupply, terms, hardware);
  }

  /// The volts its drives run on.
  public VoltageRange bus() {
    return motorInput.orElse(input);
  }

  @Override
  public nelvar.core.units.Resistance conducting(Link output) {
    return board().conducting(output);
  }

  @Override
  public List<PlugFace> faces() {
    return board().faces();
  }

  private String motor(String pole) {
    return motorInput.isPresent() ? "M" + pole : pole;
  }

  /// + and - of its drives.
  public List<String> busEnds() {
    return List.of(motor("+"), motor("-"));
  }

  /// The four ends of one axis, the first of them 1.
  public List<String> axis(int number) {
    return Stream.of("A+", "A-", "B+", "B-").map(end -> number + end).toList();
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<>(board().terminals());
    if (motorInput.isPresent()) {
      all.add(Terminal.required(motor("+"), Role.PLUS));
      all.add(Terminal.required(motor("-"), Role.MINUS));
    }
    for (var axis = 1; axis <= axes; axis++)
      for (var end : axis(axis)) all.add(Terminal.optional(end, Role.LINE));
    return all;
  }

  /// Logic and drives share one 0 V on the board.
  @Override
  public List<Link> links() {
    var all = new ArrayList<>(board().links());
    if (motorInput.isPresent()) all.add(Link.joined("-", motor("-")));
    return all;
  }

  @Override
  public Optional<ContactRating> usualRating(Link contact) {
    return board().usualRating(contact);
  }

  @Override
  public List<Element> elements() {
    return board().elements();
  }

  @Override
  public List<Actuator> actuators() {
    var all = new ArrayList<>(board().actuators());
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
    var all = new ArrayList<>(board().intakes(linkage));
    for (var axis = 1; axis <= axes; axis++)
      all.add(
          Intake.twoWire(
              "axis " + axis,
              motor("+"),
              motor("-"),
              bus(),
              new Demand.Chops(List.of(axis + "A", axis + "B"), chopping),
              Optional.empty()));
    return all;
  }

  @Override
  public List<Output> outputs() {
    var all = new ArrayList<>(board().outputs());
    for (var axis = 1; axis <= axes; axis++)
      for (var winding : List.of("A", "B"))
        all.add(
            new Output(
                axis + winding,
                List.of(axis + winding + "+"),
                Optional.of(axis + winding + "-"),
                true,
                bus().greatest(),
                rating));
    return all;
  }
}
