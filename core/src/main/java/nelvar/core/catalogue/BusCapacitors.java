package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Capacitors across a direct-current bus, + and -: take up what braking motors give back.
///
/// @param voltage what they are rated for
/// @param bleeder discharges them when the bus is off
public record BusCapacitors(
    String id,
    String name,
    Article article,
    Capacitance capacitance,
    Voltage voltage,
    Optional<Resistance> bleeder)
    implements Part {
  @Override
  public boolean servesBus() {
    return true;
  }

  @Override
  public Optional<Capacitance> busCapacitance() {
    return Optional.of(capacitance);
  }

  @Override
  public List<Terminal> terminals() {
    return List.of(Terminal.required("+", Role.PLUS), Terminal.required("-", Role.MINUS));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "bus",
            "+",
            "-",
            new VoltageRange(new Voltage(0), voltage),
            new Demand.FixedPower(new Power(0), 1),
            Optional.empty()));
  }

  @Override
  public List<Element> elements() {
    var all = new ArrayList<Element>();
    all.add(new Element.Store(Element.Across.BUS, capacitance, voltage, bleeder));
    bleeder.ifPresent(ohms -> all.add(new Element.Resistor("+", "-", ohms)));
    return all;
  }
}
