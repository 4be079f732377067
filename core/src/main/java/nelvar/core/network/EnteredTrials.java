package nelvar.core.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.catalogue.DriveParameter;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;

/// What can be otherwise in a drive that keeps parameters: it was reset to what it came with, only
/// the first of its values were entered, it was left on its keypad, or one value is another.
public final class EnteredTrials {
  private static final Pattern ONLY = Pattern.compile("(?i)entered\\s+([0-9]{1,3})");

  /// How they are written: after the device and `=`.
  public static final String ACCEPTED = "factory, keypad or entered 3 for a drive";

  private EnteredTrials() {}

  /// As people write it: `factory`, `keypad`, `entered 3`; empty where it is none of these.
  static Optional<Disturbance> of(Device device, Part part, String how) {
    if (!(part instanceof FrequencyConverter drive)) return Optional.empty();
    var text = how.strip().toLowerCase(Locale.ROOT);
    if (text.equals("factory")) return Optional.of(factory(device, drive));
    if (text.equals("keypad")) return Optional.of(keypad(device));
    var only = ONLY.matcher(text);
    return only.matches()
        ? Optional.of(only(device, drive, Integer.parseInt(String.valueOf(only.group(1)))))
        : Optional.empty();
  }

  /// One value by the name or the code of its parameter; empty where the drive has none of that
  /// name.
  static Optional<Disturbance> of(Device device, Part part, String name, String value) {
    if (!(part instanceof FrequencyConverter drive)) return Optional.empty();
    return drive.keeps().stream()
        .filter(p -> p.role().title().equalsIgnoreCase(name) || p.code().equalsIgnoreCase(name))
        .findFirst()
        .map(p -> {
          if (!p.reads(value))
            throw new TrialText.Unreadable(
                "%s of %s takes %s, not '%s'"
                    .formatted(p.role().title(), device.designation(), p.takes(), value));
          return new Disturbance.Entered(
              device.id(),
              "%s %s".formatted(p.role().title().toLowerCase(Locale.ROOT), value),
              Map.of(p.role().title(), value));
        });
  }

  /// All that a hand can do to its settings in one step: for pictures and menus.
  public static List<Disturbance.Entered> of(Device device, Part part) {
    if (!(part instanceof FrequencyConverter drive)) return List.of();
    var all = new ArrayList<Disturbance.Entered>();
    all.add(factory(device, drive));
    all.add(keypad(device));
    all.add(only(device, drive, drive.keeps().size() / 2));
    return all;
  }

  private static Disturbance.Entered factory(Device device, FrequencyConverter drive) {
    return new Disturbance.Entered(device.id(), "reset to factory", originals(drive, 0));
  }

  private static Disturbance.Entered keypad(Device device) {
    return new Disturbance.Entered(
        device.id(),
        "left on its keypad",
        Map.of(DriveParameter.Role.RUN_SOURCE.title(), "keypad"));
  }

  private static Disturbance.Entered only(Device device, FrequencyConverter drive, int first) {
    return new Disturbance.Entered(
        device.id(),
        first == 1
            ? "only its first value entered"
            : "only its first %d values entered".formatted(first),
        originals(drive, first));
  }

  private static Map<String, String> originals(FrequencyConverter drive, int after) {
    var all = new HashMap<String, String>();
    drive.keeps().stream().skip(after).forEach(p -> all.put(p.role().title(), p.original()));
    return all;
  }
}
