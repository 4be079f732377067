package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Power;
import nelvar.core.units.Price;
import nelvar.core.units.VoltageRange;

/// Safety relay: supply A1/A2, channels S11–S12 and S21–S22, reset S33–S34, outputs 13/14, 23/24,
/// 33/34.
public record SafetyRelay(
    String id,
    String name,
    Optional<Price> price,
    Optional<Power> loss,
    VoltageRange input,
    Current current,
    Current rating)
    implements Part {
  @Override
  public List<Terminal> terminals() {
    var all =
        new ArrayList<Terminal>(
            List.of(Terminal.required("A1", Role.PLUS), Terminal.required("A2", Role.MINUS)));
    for (var mark : List.of("S11", "S12", "S21", "S22", "S33", "S34"))
      all.add(Terminal.required(mark, Role.SIGNAL));
    for (var mark : List.of("13", "14", "23", "24", "33", "34"))
      all.add(Terminal.optional(mark, Role.CONTACT));
    return all;
  }

  @Override
  public List<Link> links() {
    return List.of(Link.contact("13", "14"), Link.contact("23", "24"), Link.contact("33", "34"));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "supply", "A1", "A2", input, new Demand.FixedCurrent(current), Optional.empty()));
  }
}
