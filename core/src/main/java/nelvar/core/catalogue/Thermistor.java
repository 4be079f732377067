package nelvar.core.catalogue;

import java.util.List;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.formula.Ntc;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;

/// Bead whose resistance falls with temperature, with two wires. The network takes it as it is at
/// 25 °C.
///
/// @param nominal at 25 °C
/// @param beta of its curve, K
/// @param least coldest and @param greatest hottest it is used at
public record Thermistor(
    String id,
    String name,
    Article article,
    Resistance nominal,
    int beta,
    Temperature least,
    Temperature greatest)
    implements Part {
  public Thermistor {
    Part.require(
        beta >= 1000 && beta <= 10_000,
        "the curve of a thermistor has a B of 1000 to 10000 K, not " + beta);
    Part.require(
        least.compareTo(greatest) < 0,
        "a thermistor is used from a cold to a hot end, not from %s to %s"
            .formatted(least, greatest));
  }

  public Resistance at(Temperature temperature) {
    return Ntc.resistance(nominal, beta, temperature);
  }

  @Override
  public List<Terminal> terminals() {
    return List.of(Terminal.required("1", Role.SIGNAL), Terminal.required("2", Role.SIGNAL));
  }

  @Override
  public List<Element> elements() {
    return List.of(new Element.Resistor("1", "2", nominal));
  }
}
