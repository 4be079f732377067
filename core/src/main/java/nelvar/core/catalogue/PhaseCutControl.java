package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.VoltageRange;

/// A knob that cuts pieces out of the mains' waves for one load behind it: L and N in, L1 and N1
/// out. It slows motors with brushes and dims what heats; all else it harms.
///
/// It is solved with its knob at full, where the load takes most.
///
/// @param input the mains it is made for
/// @param rating greatest current of its load
public record PhaseCutControl(
    String id, String name, Article article, VoltageRange input, Current rating) implements Part {
  private static final String KNOB = "on";

  @Override
  public List<Terminal> terminals() {
    return List.of(
        Terminal.required("L", Role.LINE),
        Terminal.required("N", Role.NEUTRAL),
        Terminal.required("L1", Role.LINE),
        Terminal.required("N1", Role.NEUTRAL));
  }

  @Override
  public List<Link> links() {
    return List.of(Link.contact("L", "L1", KNOB), Link.joined("N", "N1"));
  }

  @Override
  public List<Actuator> actuators() {
    return List.of(new Actuator.Hand(KNOB, true));
  }

  /// Its semiconductor opens where the current is nothing: it breaks what it carries.
  @Override
  public Optional<ContactRating> statedRating(Link contact) {
    return Optional.of(
        new ContactRating(
            rating,
            Optional.of(rating),
            Optional.of(rating),
            List.of(),
            Optional.empty(),
            Optional.empty()));
  }
}
