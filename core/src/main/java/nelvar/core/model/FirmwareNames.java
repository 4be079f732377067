package nelvar.core.model;

import java.util.Optional;
import nelvar.core.catalogue.Pin;

/// What pins are called in the program: a setting of their device, else as its part is shipped.
public final class FirmwareNames {
  private static final String SETTING = " in firmware";

  private FirmwareNames() {}

  /// The name of the setting that names a pin: `DI3 in firmware`.
  public static String setting(String pin) {
    return pin + SETTING;
  }

  public static Optional<String> of(Project project, Id device, Pin pin) {
    return project.settings().stream()
        .filter(s -> s.device().equals(device) && s.name().equals(setting(pin.name())))
        .map(Setting::value)
        .filter(value -> !value.isBlank())
        .findFirst()
        .or(pin::firmware);
  }
}
