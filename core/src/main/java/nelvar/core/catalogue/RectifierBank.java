package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.formula.LinearBus;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Bridge rectifier with its capacitors and bleed resistor: alternating current on ~1 and ~2, + and
/// - out at nearly the peak.
///
/// @param input alternating voltage it is meant for
/// @param forward voltage lost in the two diodes that conduct
/// @param capacitorVoltage what its capacitors are rated for
/// @param bleeder discharges the capacitors when the mains is off
public record RectifierBank(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Current rating,
    Capacitance capacitance,
    Voltage forward,
    Optional<Resistance> bleeder,
    Optional<Voltage> capacitorVoltage)
    implements Part {
  /// For sums of rated loads: makes the current of the winding 1.7 times the direct one (textbook
  /// figure 1.6 to 1.8, no published source). The engine computes it from winding and capacitor.
  private static final double POWER_FACTOR = 0.83;

  /// A bridge works at any lower voltage than it is made for: it gives the less.
  private static final Voltage LEAST = new Voltage(3);

  @Override
  public Optional<Capacitance> busCapacitance() {
    return Optional.of(capacitance);
  }

  @Override
  public List<Terminal> terminals() {
    return List.of(
        Terminal.required("~1", Role.LINE),
        Terminal.required("~2", Role.NEUTRAL),
        Terminal.required("+", Role.PLUS),
        Terminal.required("-", Role.MINUS));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "bridge",
            "~1",
            "~2",
            new VoltageRange(LEAST, input.greatest()),
            new Demand.Converts("output", new Percent(97), POWER_FACTOR, new Power(0)),
            Optional.empty()));
  }

  @Override
  public List<Output> outputs() {
    return List.of(
        new Output("output", List.of("+"), Optional.of("-"), false, peak(middle()), rating));
  }

  @Override
  public List<Output> outputs(Optional<Voltage> set, Voltage fed) {
    var nominal = outputs().getFirst();
    var volts = LinearBus.behindRectifier(fed, forward);
    return List.of(nominal.fed(fed, middle()).equals(nominal) ? nominal : nominal.at(volts));
  }

  private Voltage middle() {
    return input.least().plus(input.greatest()).times(0.5);
  }

  private Voltage peak(Voltage of) {
    return LinearBus.behindRectifier(of, forward);
  }

  @Override
  public List<Element> elements() {
    var charged = peak(input.greatest());
    var all = new ArrayList<Element>();
    all.add(new Element.Bridge("bridge", "output", capacitance, forward));
    all.add(new Element.Store(Element.Across.BUS, capacitance, charged, bleeder));
    bleeder.ifPresent(ohms -> all.add(new Element.Resistor("+", "-", ohms)));
    return all;
  }
}
