package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Resistance;
import nelvar.core.units.VoltageRange;

/// Safety relay: supply A1/A2, channels S11–S12 and S21–S22, reset S33–S34, outputs 13/14, 23/24,
/// 33/34; one with delayed outputs has 37/38 and 47/48 besides, which open `late` after the others.
public record SafetyRelay(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Current current,
    Current rating,
    Optional<Duration> late,
    Optional<ContactRating> contacts)
    implements Part {
  private static final String RELEASED = "released";
  private static final String LATE = "released late";
  private static final Resistance INPUT = new Resistance(2400);

  /// Share of its supply a channel must see, common practice.
  private static final double CHANNEL = 0.5;

  @Override
  public List<Terminal> terminals() {
    var all =
        new ArrayList<Terminal>(
            List.of(Terminal.required("A1", Role.PLUS), Terminal.required("A2", Role.MINUS)));
    for (var mark : List.of("S11", "S12", "S21", "S22", "S33", "S34"))
      all.add(Terminal.required(mark, Role.SIGNAL));
    for (var mark : List.of("13", "14", "23", "24", "33", "34"))
      all.add(Terminal.optional(mark, Role.CONTACT));
    if (late.isPresent())
      for (var mark : List.of("37", "38", "47", "48"))
        all.add(Terminal.optional(mark, Role.CONTACT));
    return all;
  }

  @Override
  public List<Link> links() {
    var all =
        new ArrayList<Link>(
            List.of(
                Link.contact("13", "14", RELEASED),
                Link.contact("23", "24", RELEASED),
                Link.contact("33", "34", RELEASED)));
    if (late.isPresent()) {
      all.add(Link.contact("37", "38", LATE));
      all.add(Link.contact("47", "48", LATE));
    }
    return all;
  }

  @Override
  public Optional<ContactRating> statedRating(Link contact) {
    return contacts;
  }

  @Override
  public Optional<ContactRating> usualRating(Link contact) {
    return Optional.of(ContactRating.usualRelay(rating));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "supply", "A1", "A2", input, new Demand.FixedCurrent(current), Optional.empty()));
  }

  /// Gives + on S11, S21 and S33 and reads it back on S12, S22 and S34 through the stop circuits.
  @Override
  public List<Element> elements() {
    var all = new ArrayList<Element>();
    for (var way : List.of("S11", "S21", "S33"))
      all.add(new Element.Resistor("A1", way, new Resistance(10)));
    for (var way : List.of("S12", "S22", "S34")) all.add(new Element.Resistor(way, "A2", INPUT));
    return all;
  }

  @Override
  public List<Actuator> actuators() {
    var all = new ArrayList<Actuator>(List.of(watch(RELEASED, Optional.empty())));
    if (late.isPresent()) all.add(watch(LATE, late));
    return all;
  }

  private Actuator watch(String name, Optional<Duration> lingers) {
    var level = input.least().volts() * CHANNEL;
    return new Actuator.Watch(
        name,
        List.of(
            Actuator.Reading.above("A1", "A2", input.least().volts() * 0.85),
            Actuator.Reading.above("S12", "A2", level),
            Actuator.Reading.above("S22", "A2", level)),
        Optional.of(Actuator.Reading.above("S34", "A2", level)),
        new Duration(0.02),
        lingers);
  }
}
