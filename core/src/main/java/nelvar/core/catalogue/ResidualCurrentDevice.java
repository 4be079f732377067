package nelvar.core.catalogue;

import java.util.List;
import nelvar.core.units.Current;

/// Residual-current device without overcurrent protection. Poles are marked 1/2, 3/4, 5/6, 7/8; the
/// neutral goes through one of them.
///
/// @param rating continuous current
/// @param residual rated residual current, `IdN`
/// @param type what waveforms it trips on
public record ResidualCurrentDevice(
    String id, String name, Article article, int poles, Current rating, Current residual, Type type)
    implements Part {

  private static final String ON = "on";

  /// In rising order of what they trip on (IEC 60755, unchecked).
  public enum Type {
    /// Sinusoidal only.
    AC,
    /// And pulsating direct current.
    A,
    /// And mixed frequencies of single-phase drives.
    F,
    /// And smooth direct current.
    B
  }

  public ResidualCurrentDevice {
    Part.require(
        poles == 2 || poles == 4, "a residual-current device has 2 or 4 poles, not " + poles);
  }

  @Override
  public List<Terminal> terminals() {
    return Part.poleTerminals(poles).stream()
        .map(terminal -> Terminal.optional(terminal.name(), terminal.role()))
        .toList();
  }

  @Override
  public List<Link> links() {
    return Part.poleLinks(poles, (a, b) -> Link.contact(a, b, ON));
  }

  /// Its lever, and what its test button or a fault to earth does to it.
  @Override
  public List<Actuator> actuators() {
    return List.of(new Actuator.Hand(ON, true));
  }
}
