package nelvar.core.exchange;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.AxisSettings;
import nelvar.core.analysis.motion.AxisSteps;
import nelvar.core.analysis.motion.SettingsSheet;
import nelvar.core.model.Device;

/// What a controller or drive calls its settings in its own text: a setting *Key* and the name of
/// what it keys, such as `Key Steps =AX2` with the value `axis_y.steps_per_mm`. Where its text has
/// a number for each answer, they stand behind the key: `F0.02 keypad=0 terminals=1`.
public final class SettingsKeys {
  public static final String KEY = "Key ";

  private SettingsKeys() {}

  /// What is to stand under each key of a device, as computed; a value that somebody entered and
  /// that cannot be computed counts as he entered it.
  public static SequencedMap<String, SettingsText.Wanted> of(Device device, Study study) {
    var all = new LinkedHashMap<String, SettingsText.Wanted>();
    for (var row : SettingsSheet.all(study)) {
      if (!row.device().id().equals(device.id())) continue;
      var key = study.project().setting(device.id(), KEY + row.name());
      var value = row.value().or(row::entered);
      if (key.isPresent() && value.isPresent())
        all.put(
            name(key.get()), new SettingsText.Wanted(row.name(), coded(key.get(), value.get())));
    }
    return all;
  }

  /// Rows of a device that have no key yet.
  public static List<String> without(Device device, Study study) {
    return SettingsSheet.all(study).stream()
        .filter(row -> row.device().id().equals(device.id()) && row.value().isPresent())
        .map(SettingsSheet.Row::name)
        .filter(name -> study.project().setting(device.id(), KEY + name).isEmpty())
        .toList();
  }

  private static String name(String key) {
    return key.strip().split("\\s+", 2)[0];
  }

  /// An answer by the number its text has for it.
  private static String coded(String key, String value) {
    var wanted = value.strip().replace(' ', '-');
    for (var word : key.strip().split("\\s+")) {
      var cut = word.lastIndexOf('=');
      if (cut > 0 && word.substring(0, cut).equalsIgnoreCase(wanted))
        return word.substring(cut + 1);
    }
    return bare(value);
  }

  /// The number alone: texts of controllers know no units.
  private static String bare(String value) {
    return AxisSettings.number(value).map(AxisSteps::typed).orElse(value);
  }
}
