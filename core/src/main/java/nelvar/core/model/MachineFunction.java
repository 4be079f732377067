package nelvar.core.model;

import java.util.regex.Pattern;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Texts;

/// Something the machine must do, named by its function (the function aspect of IEC 81346-1): `=AX2
/// seed drum`. Devices serve it.
///
/// @param designation begins with `=`
public record MachineFunction(
    Id id, Designation designation, String name, FunctionKind kind, Wants wants) {
  public MachineFunction {
    if (!designation.text().startsWith("=") || designation.text().length() < 2)
      throw new ImpossibleQuantity(
          "'" + designation + "' does not name a function: it begins with =, such as =AX2");
    name = Texts.storable("a name", name);
  }

  private static final Pattern LIQUID =
      Pattern.compile("(?:water|liquid)[ -]?cool", Pattern.CASE_INSENSITIVE);

  /// Whether its builder said that a liquid cools it.
  public boolean liquidCooled() {
    return LIQUID.matcher(name + " " + wants.detail().orElse("")).find();
  }

  public MachineFunction withDesignation(Designation next) {
    return new MachineFunction(id, next, name, kind, wants);
  }

  public MachineFunction withName(String next) {
    return new MachineFunction(id, designation, next, kind, wants);
  }

  public MachineFunction withWants(Wants next) {
    return new MachineFunction(id, designation, name, kind, next);
  }
}
