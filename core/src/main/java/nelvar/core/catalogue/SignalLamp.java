package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.VoltageRange;

/// Signal tower or lamp, all stages lit.
///
/// @param inrush of a cold filament, or of the capacitors of a lamp with electronics
public record SignalLamp(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Current current,
    Optional<Inrush> inrush)
    implements Part {
  @Override
  public List<Terminal> terminals() {
    return List.of(Terminal.required("+", Role.PLUS), Terminal.required("-", Role.MINUS));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire("supply", "+", "-", input, new Demand.FixedCurrent(current), inrush));
  }
}
