package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.VoltageRange;

/// Motion controller, operator panel or other logic fed with direct current.
///
/// @param pins its inputs and outputs as marked on the board
/// @param outputSupply the terminal its sourcing outputs take their current from, where that is not
///   its own supply: what a stop must take volts from can hang on another + than its logic
/// @param hardware its plugs, jumpers and sockets
/// @param terms what it asks of whoever uses it
public record Controller(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Current current,
    List<Pin> pins,
    Optional<String> outputSupply,
    Optional<Terms> terms,
    Optional<BoardHardware> hardware)
    implements Part {
  /// What comes with a controller besides its pins.
  ///
  /// @param needsComputer it has no program of its own and runs from a computer
  /// @param squaresAxes it can square an axis that two motors move
  public record Terms(String licence, boolean needsComputer, boolean squaresAxes, Skill skill) {}

  /// What is asked of whoever sets it up; least first.
  public enum Skill {
    WIRING,
    SETTINGS,
    PROGRAMMING
  }

  /// Of a small switching regulator on a board; common practice.
  private static final Percent REGULATOR = new Percent(80);

  /// What such a regulator gives where nothing is stated; common practice.
  private static final Current SMALL = new Current(0.5);

  public Controller {
    pins = List.copyOf(pins);
  }

  @Override
  public Optional<Controller> logic() {
    return Optional.of(this);
  }

  @Override
  public List<Terminal> terminals() {
    var all =
        new ArrayList<Terminal>(
            List.of(Terminal.required("+", Role.PLUS), Terminal.required("-", Role.MINUS)));
    outputSupply.ifPresent(mark -> all.add(Terminal.optional(mark, Role.PLUS)));
    for (var pin : pins) all.add(Terminal.optional(pin.name(), Role.SIGNAL));
    pins.stream()
        .flatMap(pin -> pin.common().stream())
        .distinct()
        .forEach(common -> all.add(Terminal.optional(common, Role.CONTACT)));
    for (var pad : onBoard().pads()) all.add(Terminal.optional(pad.mark(), Role.SIGNAL));
    return all;
  }

  /// A transistor for more than 0.5 A drops 1 V at its rated current too (common practice).
  @Override
  public Resistance conducting(Link output) {
    return new Resistance(
        pins.stream()
            .filter(pin -> output.actuator().equals(Optional.of(pin.name())))
            .flatMap(pin -> pin.rating().stream())
            .mapToDouble(rating -> Math.min(TRANSISTOR, 1 / rating.amperes()))
            .findFirst()
            .orElse(TRANSISTOR));
  }

  /// Its plugs, jumpers and sockets.
  public BoardHardware onBoard() {
    return hardware.orElse(BoardHardware.NONE);
  }

  /// Plugs by the places of its pins, sockets by their pads.
  @Override
  public List<PlugFace> faces() {
    var all = new ArrayList<PlugFace>();
    var names =
        Stream.concat(
                pins.stream().flatMap(pin -> pin.at().stream()).map(Pin.Spot::connector),
                onBoard().faces().stream().map(BoardHardware.Face::connector))
            .distinct()
            .toList();
    for (var name : names) {
      var face = onBoard().faces().stream().filter(f -> f.connector().equals(name)).findFirst();
      var places = new ArrayList<Optional<String>>();
      face.ifPresent(f -> f.places().forEach(mark -> places.add(Optional.of(mark))));
      var said = places.size();
      for (var pin : pins)
        pin.at()
            .filter(spot -> spot.connector().equals(name) && spot.number() > said)
            .ifPresent(spot -> {
              while (places.size() < spot.number()) places.add(Optional.empty());
              places.set(spot.number() - 1, Optional.of(pin.name()));
            });
      while (places.size() < face.map(BoardHardware.Face::ways).orElse(0))
        places.add(Optional.empty());
      all.add(
          new PlugFace(
              name,
              places,
              face.map(BoardHardware.Face::rows).orElse(1),
              face.flatMap(BoardHardware.Face::keyed)));
    }
    for (var socket : onBoard().sockets())
      all.add(
          new PlugFace(
              socket.name(),
              socket.pads().stream().map(pad -> Optional.of(pad.mark())).toList(),
              2,
              socket.keyed()));
    return all;
  }

  private Stream<Link> padLinks() {
    return onBoard().pads().stream()
        .flatMap(pad -> pad.joins().stream().map(to -> Link.joined(pad.mark(), to)));
  }

  /// Whether a pin gives volts of the board's own making: 5 V for sensors.
  private static boolean regulated(Pin pin) {
    return pin.type() == Pin.Type.ALWAYS_ON && pin.gives().isPresent();
  }

  @Override
  public List<Output> outputs() {
    return pins.stream()
        .filter(Controller::regulated)
        .map(pin ->
            new Output(
                pin.name(),
                List.of(pin.name()),
                Optional.of("-"),
                false,
                pin.gives().orElseThrow(),
                pin.rating().orElse(SMALL)))
        .toList();
  }

  @Override
  public Optional<CurrentLimit> limit(Output output) {
    return Optional.of(CurrentLimit.usual(output.rating()));
  }

  @Override
  public List<Link> links() {
    return Stream.concat(padLinks(), pinLinks()).toList();
  }

  private Stream<Link> pinLinks() {
    return pins.stream()
        .flatMap(pin ->
            switch (pin.type()) {
              case OUTPUT_SINKING, OUTPUT_PWM ->
                  Stream.of(Link.output(pin.name(), "-", pin.name()));
              case OUTPUT_SOURCING ->
                  Stream.of(Link.output(outputSupply.orElse("+"), pin.name(), pin.name()));
              case OUTPUT_CONTACT ->
                  Stream.of(
                      pin.breaks()
                          ? Link.restContact(pin.common().orElseThrow(), pin.name(), pin.name())
                          : Link.contact(pin.common().orElseThrow(), pin.name(), pin.name()));
              case ALWAYS_ON ->
                  regulated(pin)
                      ? Stream.of()
                      : Stream.of(Link.joined(outputSupply.orElse("+"), pin.name()));
              default -> Stream.of();
            });
  }

  @Override
  public Optional<ContactRating> usualRating(Link contact) {
    return pins.stream()
        .filter(pin -> pin.type() == Pin.Type.OUTPUT_CONTACT && pin.name().equals(contact.b()))
        .findFirst()
        .flatMap(Pin::rating)
        .map(ContactRating::usualRelay);
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    var all = new ArrayList<Intake>();
    all.add(
        Intake.twoWire(
            "supply", "+", "-", input, new Demand.FixedCurrent(current), Optional.empty()));
    for (var pin : pins)
      if (regulated(pin))
        all.add(
            Intake.twoWire(
                pin.name(),
                "+",
                "-",
                input,
                new Demand.Converts(pin.name(), REGULATOR, 1, new Power(0)),
                Optional.empty()));
    return all;
  }

  @Override
  public List<Actuator> actuators() {
    return links().stream()
        .flatMap(link -> link.actuator().stream())
        .<Actuator>map(Actuator.Program::new)
        .toList();
  }

  @Override
  public List<Element> elements() {
    var all = new ArrayList<Element>();
    for (var pin : pins) {
      if (!pin.type().reads()) continue;
      var pullUp = pin.levels().pullUp();
      if (pullUp.isPresent())
        all.add(
            new Element.PullUp("-", pin.name(), pin.levels().supply().orElseThrow(), pullUp.get()));
      else if (pin.type() == Pin.Type.INPUT_READS_MINUS)
        all.add(new Element.Resistor("+", pin.name(), pin.load()));
      else all.add(new Element.Resistor(pin.name(), "-", pin.load()));
    }
    return all;
  }
}
