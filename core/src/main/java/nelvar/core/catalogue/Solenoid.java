package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;

/// Solenoid valve or holding brake: a coil on 1 and 2.
public record Solenoid(String id, String name, Article article, Coil coil) implements Part {
  @Override
  public List<Terminal> terminals() {
    return List.of(Terminal.required("1", Role.PLUS), Terminal.required("2", Role.MINUS));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(Intake.coil("1", "2", coil));
  }

  @Override
  public boolean brakes() {
    return (id + " " + name).toLowerCase(java.util.Locale.ROOT).contains("brake");
  }

  @Override
  public CoilTimes coilTimes() {
    return brakes() ? CoilTimes.BRAKE : CoilTimes.VALVE;
  }

  @Override
  public Optional<Coil> ownCoil() {
    return Optional.of(coil);
  }
}
