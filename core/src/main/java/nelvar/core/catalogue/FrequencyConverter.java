package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.standards.FuseClass;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Variable-frequency drive for a three-phase motor.
///
/// @param motorPower the motor it is made for
/// @param controls marks of its control terminals
/// @param singlePhaseRating what a three-phase drive gives on two lines by its maker's word
/// @param inputDevice what may protect its input
/// @param greatestFrequency that it gives its motor
/// @param commandInput what its 0–10 V input, `AI` against `AI0`, loads its sender with
/// @param parameters what it keeps, in the order it is entered; those every kind has where none are
///   stated
/// @param mode what its parameters make of its terminals; as they are marked where nothing is said
/// @param motorCable the longest shielded cable to its motor
public record FrequencyConverter(
    String id,
    String name,
    Article article,
    int phases,
    VoltageRange input,
    Voltage output,
    Current rating,
    Power motorPower,
    Percent efficiency,
    double powerFactor,
    Optional<Inrush> inrush,
    Current leakage,
    List<String> controls,
    Optional<Capacitance> busCapacitance,
    Optional<Resistance> bleeder,
    Optional<Current> singlePhaseRating,
    Optional<InputDevice> inputDevice,
    Optional<Length> motorCable,
    Optional<Frequency> greatestFrequency,
    Optional<Resistance> commandInput,
    List<DriveParameter> parameters,
    Optional<DriveMode> mode)
    implements Part {
  /// The line that stays open where a three-phase drive is fed by two.
  public static final String THIRD = "L3";

  /// Of a rectifier with capacitors on two lines, without choke (common practice).
  private static final double TWO_LINE_POWER_FACTOR = 0.65;

  private static final String RUN = "run";
  private static final String FAULT = "fault";
  private static final String KEYPAD = "keypad";

  public FrequencyConverter {
    controls = List.copyOf(controls);
    parameters = List.copyOf(parameters);
    Part.require(phases == 1 || phases == 3, "a drive has 1 or 3 input phases, not " + phases);
    Part.require(
        powerFactor > 0 && powerFactor <= 1,
        "a power factor is above 0 and at most 1, not " + powerFactor);
  }

  /// What is entered in it, one by one.
  public List<DriveParameter> keeps() {
    return parameters.isEmpty() ? DriveParameter.usual(this) : parameters;
  }

  private DriveMode works() {
    return mode.orElse(DriveMode.AS_MARKED);
  }

  @Override
  public Part asSet(Map<String, String> entered) {
    var set = DriveMode.of(entered);
    return set.equals(works())
        ? this
        : new FrequencyConverter(
            id,
            name,
            article,
            phases,
            input,
            output,
            rating,
            motorPower,
            efficiency,
            powerFactor,
            inrush,
            leakage,
            controls,
            busCapacitance,
            bleeder,
            singlePhaseRating,
            inputDevice,
            motorCable,
            greatestFrequency,
            commandInput,
            parameters,
            Optional.of(set));
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>(Part.mains(phases));
    all.add(Terminal.required("PE", Role.PROTECTIVE));
    for (var phase : List.of("U", "V", "W")) all.add(Terminal.required(phase, Role.LINE));
    all.add(Terminal.optional("PE2", Role.PROTECTIVE));
    for (var control : controls) all.add(Terminal.optional(control, Role.SIGNAL));
    return all;
  }

  @Override
  public List<Link> links() {
    var joined = Link.joined("PE", "PE2");
    return controls.contains("FA") && controls.contains("FB")
        ? List.of(joined, Link.contact("FA", "FB", tells()))
        : List.of(joined);
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Part.mainsIntake(
            phases,
            input,
            new Demand.Converts("motor", efficiency, powerFactor, new Power(0)),
            inrush));
  }

  @Override
  public List<Intake> intakes(Linkage linkage, List<String> open) {
    if (!onTwoLines(open)) return intakes(linkage);
    return List.of(
        Intake.twoWire(
            "mains",
            "L1",
            "L2",
            input,
            new Demand.Converts(
                "motor", efficiency, Math.min(powerFactor, TWO_LINE_POWER_FACTOR), new Power(0)),
            inrush));
  }

  /// Whether a drive made for three lines is fed by two.
  public boolean onTwoLines(List<String> open) {
    return phases == 3 && open.contains(THIRD);
  }

  /// The protective device its maker asks for ahead of it.
  ///
  /// @param greatest rating at which its short-circuit rating still holds
  /// @param fuse the class it must be, where no other device is allowed
  public record InputDevice(Current greatest, Optional<FuseClass> fuse) {}

  @Override
  public boolean drives() {
    return true;
  }

  /// It cannot give more volts than its mains has.
  @Override
  public double gain(Output of) {
    return 1;
  }

  @Override
  public List<Output> outputs() {
    return List.of(
        new Output("motor", List.of("U", "V", "W"), Optional.empty(), true, output, rating));
  }

  @Override
  public List<Output> outputs(Optional<Voltage> set, Voltage fed) {
    return fed.volts() < FULL * output.volts() ? List.of(outputs().getFirst().at(fed)) : outputs();
  }

  /// A mains within so much of its nameplate lets it give all of it.
  private static final double FULL = 0.95;

  /// Its run input reads a dry contact or a sinking output: 24 V of its own through 4.7 kΩ (common
  /// practice).
  @Override
  public List<Element> elements() {
    var all = new ArrayList<Element>();
    if (hasRunInput())
      all.add(new Element.PullUp("COM", "RUN", new Voltage(24), new Resistance(4700)));
    var peak = new Voltage(Math.sqrt(2) * input.greatest().volts());
    all.addAll(DriveControls.torqueElements(controls));
    busCapacitance.ifPresent(
        bus -> all.add(new Element.Store(Optional.empty(), bus, peak, bleeder)));
    return all;
  }

  /// What moves its contact FA–FB.
  private String tells() {
    return switch (works().contact()) {
      case READY -> Actuator.READY;
      case FAULT -> FAULT;
      case RUNNING -> runs().map(Actuator::name).orElse(Actuator.READY);
    };
  }

  @Override
  public Optional<CommandInput> command() {
    return commandInput
        .filter(_ -> controls.contains("AI") && controls.contains("AI0"))
        .map(ohms -> new CommandInput("AI", "AI0", ohms));
  }

  private boolean hasRunInput() {
    return controls.contains("RUN") && controls.contains("COM");
  }

  @Override
  public List<Actuator> actuators() {
    var lines = Part.mains(phases).stream().map(Terminal::name).toList();
    // Its contact FA-FB is closed while it is fed and has no fault (common practice).
    var fed =
        Actuator.Reading.above(
            lines.get(0), lines.get(1), DriveControls.DEAD * input.least().volts());
    var all = new ArrayList<Actuator>();
    all.add(new Actuator.Watch(Actuator.READY, List.of(fed), Optional.empty(), new Duration(0.1)));
    if (works().contact() == DriveMode.Tells.FAULT) all.add(new Actuator.Hand(FAULT, false));
    runs().ifPresent(all::add);
    DriveControls.torque(controls).ifPresent(all::add);
    return all;
  }

  /// What lets it run, by its parameters.
  private Optional<Actuator> runs() {
    return switch (works().runBy()) {
      case TERMINALS ->
          hasRunInput()
              ? Optional.of(
                  new Actuator.Watch(
                      RUN,
                      List.of(
                          works().openRuns()
                              ? Actuator.Reading.above("RUN", "COM", 8)
                              : Actuator.Reading.below("RUN", "COM", 8)),
                      Optional.empty(),
                      new Duration(0.01)))
              : Optional.empty();
      // Pressed once; nothing brings it back but a hand.
      case KEYPAD ->
          Optional.of(
              new Actuator.Watch(
                  KEYPAD,
                  List.of(),
                  Optional.of(Actuator.Reading.above("PE", "PE", 1)),
                  new Duration(0.01)));
      case COMMAND -> Optional.of(new Actuator.Program("command"));
      case LINE -> Optional.of(new Actuator.Program("line"));
    };
  }

  @Override
  public Optional<String> torqueInput() {
    return DriveControls.torque(controls).map(Actuator::name);
  }

  @Override
  public List<String> outputNeeds() {
    return Stream.of(
            Stream.of(Actuator.READY), runs().map(Actuator::name).stream(), torqueInput().stream())
        .flatMap(names -> names)
        .toList();
  }
}
