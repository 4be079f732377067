package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Power;
import nelvar.core.units.Price;
import nelvar.core.units.Resistance;
import nelvar.core.units.VoltageRange;

/// A generic part: one record a kind. It knows its terminals, what joins inside it while the
/// machine runs, where it takes power and where it gives power of its own making.
public sealed interface Part
    permits MainsInlet,
        Disconnector,
        CircuitBreaker,
        FuseHolder,
        MotorProtector,
        ResidualCurrentDevice,
        ElectronicProtection,
        EmcFilter,
        ControlTransformer,
        RectifierBank,
        DiodeModule,
        BusCapacitors,
        BusClamp,
        Appliance,
        Computer,
        SocketStrip,
        PhaseCutControl,
        DcConverter,
        MultiWindingTransformer,
        MotorWithDrive,
        DriverBoard,
        TimerRelay,
        DcSupply,
        FrequencyConverter,
        MultiOutputSupply,
        ServoDrive,
        StepperDrive,
        InductionMotor,
        ServoMotor,
        StepperMotor,
        Controller,
        Contactor,
        Relay,
        SafetyRelay,
        SignalConverter,
        ControlSwitch,
        Sensor,
        Solenoid,
        DcMotor,
        SignalLamp,
        Heater,
        Thermistor,
        MainsFan,
        TerminalStrip,
        Connector,
        SurgeArrester,
        RelayBank,
        DistributionBlock,
        Enclosure,
        CableStock,
        WireStock {

  /// The name it is referred to by: `supply-24v-5a`.
  String id();

  String name();

  Article article();

  /// What one piece (or one metre) costs, in the project's currency.
  default Optional<Price> price() {
    return article().price();
  }

  /// Heat it gives off at rated load, where that is not computed from its efficiency.
  default Optional<Power> loss() {
    return article().loss();
  }

  /// What the designation of a device begins with that is one: `-T`.
  default String stem() {
    return ClassLetter.of(this);
  }

  /// What it is drawn as on a circuit sheet.
  default Glyph glyph() {
    return Glyph.of(this);
  }

  /// Of a part that is nothing but places where wires meet.
  default Optional<Row> row() {
    return Optional.empty();
  }

  default List<Terminal> terminals() {
    return List.of();
  }

  /// The same as somebody set it, where its settings change what its terminals do.
  ///
  /// @param entered values by the name of the setting, in lower case
  default Part asSet(Map<String, String> entered) {
    return this;
  }

  default List<Link> links() {
    return List.of();
  }

  /// What an electronic supply does at overload on one of its outputs; empty for all others.
  default Optional<CurrentLimit> limit(Output output) {
    return Optional.empty();
  }

  /// Whether its outputs move a motor, watch their current and switch themselves off.
  default boolean drives() {
    return false;
  }

  /// Whether it turns or moves something.
  default boolean motor() {
    return false;
  }

  /// Whether it turns as long as it has its volts, and takes more the harder it works.
  default boolean turnsByVolts() {
    return false;
  }

  /// The ways its windings can be linked; none where there is no choice.
  default List<Linkage> linkages() {
    return List.of();
  }

  /// Whether it stands on a direct-current bus for the bus's own sake and takes nothing from it.
  default boolean servesBus() {
    return false;
  }

  /// Whether its outputs hold their volts by themselves: a supply, not a bare transformer or
  /// bridge.
  default boolean regulatedSupply() {
    return false;
  }

  /// What it leaks to earth in normal running.
  default nelvar.core.units.Current leakage() {
    return new nelvar.core.units.Current(0);
  }

  /// The greatest short-circuit current it breaks, where it breaks any.
  default Optional<nelvar.core.units.Current> shortCircuitCapacity() {
    return Optional.empty();
  }

  /// The most volts an output can reach for each volt at its input; 0 where it makes its own.
  default double gain(Output output) {
    return 0;
  }

  /// Whether it gives its windings a current that it is set to.
  default boolean chops() {
    return intakes(Linkage.STAR).stream()
        .anyMatch(intake -> intake.demand() instanceof Demand.Chops);
  }

  /// The pins of its logic, where it is a controller or a board that is one besides.
  default Optional<Controller> logic() {
    return Optional.empty();
  }

  /// Whether it bears waves of the mains with pieces cut out; empty where that is not known.
  default Optional<Boolean> bearsCutWaves() {
    return motor() || drives() || !outputs().isEmpty() ? Optional.of(false) : Optional.empty();
  }

  /// What it takes step and direction with, where that is stated.
  default Optional<PulseInput> pulseInput() {
    return Optional.empty();
  }

  /// The signals that it sends on in another form; none of everything else.
  default List<PassedLine> passesOn() {
    return List.of();
  }

  /// Whether it keeps disturbances of what is fed through it from the mains.
  default boolean filtersMains() {
    return false;
  }

  /// Whether the mains enters the machine at it.
  default boolean mainsInlet() {
    return false;
  }

  /// Whether other parts are mounted in it.
  default boolean housing() {
    return false;
  }

  /// Its plugs and sockets, place by place.
  default List<PlugFace> faces() {
    return List.of();
  }

  /// The half that stays where a plug of it is taken off; empty where it is only plugs.
  default Optional<PlugFace> socket() {
    return Optional.empty();
  }

  /// Ohms of a transistor output that is on: 2 Ω, 1 V at 0.5 A (common practice).
  default Resistance conducting(Link output) {
    return new Resistance(TRANSISTOR);
  }

  /// Of a transistor of 0.5 A; common practice, no published source.
  double TRANSISTOR = 2;

  /// Where it takes a command of 0–10 V, where that is stated.
  default Optional<CommandInput> command() {
    return Optional.empty();
  }

  /// What one of its contacts switches, where that is stated.
  default Optional<ContactRating> statedRating(Link contact) {
    return Optional.empty();
  }

  /// What capacitors it has on the direct-current bus it is on; empty where nothing is stated, or
  /// where it has none.
  default Optional<nelvar.core.units.Capacitance> busCapacitance() {
    return Optional.empty();
  }

  /// What a drive for steppers can be set to; empty for all others, and where nothing is stated.
  default Optional<DriveSteps> steps() {
    return Optional.empty();
  }

  /// What contacts like this one usually switch, where nothing is stated; empty where even that is
  /// not known.
  default Optional<ContactRating> usualRating(Link contact) {
    return Optional.empty();
  }

  /// What it is set to, where it is set to a current: an overload trip, the current of a chopper.
  default Optional<Dial> dial() {
    return chops()
        ? Optional.of(new Dial(new nelvar.core.units.Current(0.01), outputs().getFirst().rating()))
        : Optional.empty();
  }

  /// Whether it is a transformer that nothing in it protects.
  default boolean bareTransformer() {
    return false;
  }

  /// How many times its rated voltage it gives without load.
  default double rise() {
    return 1;
  }

  /// What a transformer is rated for, in VA; 0 for all others.
  default Power apparentPower() {
    return new Power(0);
  }

  /// The outputs, one set to a voltage where that can be set.
  default List<Output> outputs(Optional<nelvar.core.units.Voltage> set) {
    return outputs();
  }

  /// The outputs where they follow what it is fed with (a bridge, a bare transformer); as set for
  /// all others.
  default List<Output> outputs(
      Optional<nelvar.core.units.Voltage> set, nelvar.core.units.Voltage fed) {
    return outputs(set);
  }

  /// Whether it takes its current the wrong way round too, turning the other way.
  default boolean runsBackwards() {
    return false;
  }

  /// Share of its least volts below which it is dead; common practice.
  default double deadBelow() {
    return 0.5;
  }

  /// Whether boards hang on its port by a lead that data goes over: a computer.
  default boolean hostsBoards() {
    return false;
  }

  /// Whether it is an electronic direct-current supply.
  default boolean electronicSupply() {
    return outputs().stream().anyMatch(output -> limit(output).isPresent());
  }

  /// Where it takes power. Only motors with two nameplate voltages ask how they are linked.
  default List<Intake> intakes(Linkage linkage) {
    return List.of();
  }

  /// Where it takes power while some of its terminals are left open on purpose: only a three-phase
  /// drive asks, which also runs on two lines.
  default List<Intake> intakes(Linkage linkage, List<String> open) {
    return intakes(linkage);
  }

  default List<Output> outputs() {
    return List.of();
  }

  /// What sets its contacts and lets its outputs give.
  default List<Actuator> actuators() {
    return List.of();
  }

  /// What else stands between its terminals.
  default List<Element> elements() {
    return List.of();
  }

  /// The actuator without which a drive gives no torque whatever it is told (IEC 61800-5-2, safe
  /// torque off); empty where it has no such input.
  default Optional<String> torqueInput() {
    return Optional.empty();
  }

  /// The actuators that must be on for its outputs to give; none where they give by themselves.
  default List<String> outputNeeds() {
    return List.of();
  }

  /// The coil that it switches or moves with.
  default Optional<Coil> ownCoil() {
    return Optional.empty();
  }

  /// How quickly coils of its kind let go.
  default CoilTimes coilTimes() {
    return CoilTimes.RELAY;
  }

  /// Whether it holds a motor still while its coil is without volts.
  default boolean brakes() {
    return false;
  }

  /// What it protects its poles with.
  default Optional<ProtectiveDevice> protection() {
    return Optional.empty();
  }

  static void require(boolean holds, String message) {
    if (!holds) throw new ImpossibleQuantity(message);
  }

  static List<Terminal> poleTerminals(int poles) {
    var all = new ArrayList<Terminal>();
    for (var mark = 1; mark <= 2 * poles; mark++)
      all.add(Terminal.required(String.valueOf(mark), Role.LINE));
    return all;
  }

  static List<Link> poleLinks(int poles, BiFunction<String, String, Link> link) {
    var all = new ArrayList<Link>();
    for (var pole = 0; pole < poles; pole++)
      all.add(link.apply(String.valueOf(2 * pole + 1), String.valueOf(2 * pole + 2)));
    return all;
  }

  static List<Terminal> mains(int phases) {
    if (phases == 1)
      return List.of(Terminal.required("L", Role.LINE), Terminal.required("N", Role.NEUTRAL));
    return List.of(
        Terminal.required("L1", Role.LINE),
        Terminal.required("L2", Role.LINE),
        Terminal.required("L3", Role.LINE));
  }

  static Intake mainsIntake(
      int phases, VoltageRange accepts, Demand demand, Optional<Inrush> inrush) {
    return phases == 1
        ? Intake.twoWire("mains", "L", "N", accepts, demand, inrush)
        : Intake.threePhase("mains", List.of("L1", "L2", "L3"), accepts, demand, inrush);
  }

  static List<Terminal> threePhaseMotor() {
    return List.of(
        Terminal.required("U", Role.LINE),
        Terminal.required("V", Role.LINE),
        Terminal.required("W", Role.LINE),
        Terminal.required("PE", Role.PROTECTIVE));
  }
}
