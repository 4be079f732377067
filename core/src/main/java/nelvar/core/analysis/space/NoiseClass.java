package nelvar.core.analysis.space;

import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.model.Device;

/// How much a part disturbs others, or is disturbed: the classes in which a plate is divided
/// (common practice, no published source).
public enum NoiseClass {
  MAINS("mains"),
  MOTORS("motors and drives"),
  COILS("coils and contacts"),
  SUPPLY("switching supplies"),
  DC("direct current"),
  LOGIC("logic and signals"),
  ANALOGUE("analogue");

  private final String words;

  NoiseClass(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /// Whether it disturbs what stands beside it.
  public boolean dirty() {
    return this == MOTORS || this == SUPPLY;
  }

  /// Whether it is disturbed by what stands beside it.
  public boolean quiet() {
    return this == LOGIC || this == ANALOGUE;
  }

  public static NoiseClass of(Device device, Study study) {
    return study.part(device).map(part -> of(part, device, study)).orElse(DC);
  }

  private static NoiseClass of(Part part, Device device, Study study) {
    if (part.drives()) return MOTORS;
    if (part.logic().isPresent()) return LOGIC;
    if (part.electronicSupply()) return SUPPLY;
    if (part.ownCoil().isPresent()) return COILS;
    var live =
        part.terminals().stream().anyMatch(t -> t.role() == Role.LINE || t.role() == Role.NEUTRAL);
    if (live) return MAINS;
    return onMains(device, study) ? MAINS : DC;
  }

  /// Whether one of its terminals is fed by something that alternates at more than extra-low volts.
  private static boolean onMains(Device device, Study study) {
    return OnMains.of(study).devices().contains(device.id());
  }
}
