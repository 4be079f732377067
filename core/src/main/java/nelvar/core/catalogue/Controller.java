package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.VoltageRange;

/// Motion controller, operator panel or other logic fed with direct current.
///
/// @param pins its inputs and outputs as marked on the board
/// @param outputSupply the terminal its sourcing outputs take their current from, where that is not
///   its own supply: what a stop must take volts from can hang on another + than its logic
/// @param terms what it asks of whoever uses it
public record Controller(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Current current,
    List<Pin> pins,
    Optional<String> outputSupply,
    Optional<Terms> terms)
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
    return all;
  }

  @Override
  public List<Link> links() {
    return pins.stream()
        .flatMap(pin ->
            switch (pin.type()) {
              case OUTPUT_SINKING, OUTPUT_PWM ->
                  Stream.of(Link.output(pin.name(), "-", pin.name()));
              case OUTPUT_SOURCING ->
                  Stream.of(Link.output(outputSupply.orElse("+"), pin.name(), pin.name()));
              case OUTPUT_CONTACT ->
                  Stream.of(Link.contact(pin.common().orElseThrow(), pin.name(), pin.name()));
              case ALWAYS_ON -> Stream.of(Link.joined(outputSupply.orElse("+"), pin.name()));
              default -> Stream.of();
            })
        .toList();
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
    return List.of(
        Intake.twoWire(
            "supply", "+", "-", input, new Demand.FixedCurrent(current), Optional.empty()));
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
