package nelvar.core.analysis.motion;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.CRC32;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.trail.Working;

/// What is computed for a device now is what was loaded into it.
///
/// A setting *Loaded* of the device says when, by what version and over what port its settings text
/// was loaded, with the checksum of that text and of the values it had to hold (CRC-32). It is
/// written only when every key stood as computed; once one of the values changes it is out of date.
public final class LoadedProof implements Rule {
  private static final Reason OLD = Reason.of("Settings changed since they were loaded");

  /// The name of the setting.
  public static final String LOADED = "Loaded";

  private static final Pattern VALUES = Pattern.compile("(?i)\\bvalues ([0-9A-F]{8})\\b");

  @Override
  public String id() {
    return "motion.loaded";
  }

  @Override
  public String asks() {
    return "What was loaded into a controller or drive is what is computed for it now.";
  }

  /// Writes down that a text was loaded and read back.
  ///
  /// @param text as it was read back; @param how version and port, in words; @param day of it
  public static Edit of(Device device, String text, String how, String day, Study study) {
    return PinEdits.say(
        device,
        LOADED,
        "%s, %s, text %s, values %s".formatted(day, how.strip(), crc(text), values(device, study)));
  }

  private static String crc(String text) {
    var sum = new CRC32();
    sum.update(text.getBytes(StandardCharsets.UTF_8));
    return "%08X".formatted(sum.getValue());
  }

  /// Of all values of a device, whatever their order.
  static String values(Device device, Study study) {
    return crc(
        String.join(
            "\n",
            SettingsSheet.all(study).stream()
                .filter(row -> row.device().id().equals(device.id()))
                .map(row -> row.name() + "=" + row.value().or(row::entered).orElse(""))
                .sorted()
                .toList()));
  }

  /// The checksum of the values that were loaded; empty where nothing was.
  static Optional<String> loaded(Device device, Study study) {
    return study
        .project()
        .setting(device.id(), LOADED)
        .map(VALUES::matcher)
        .filter(java.util.regex.Matcher::find)
        .map(m -> String.valueOf(m.group(1)).toUpperCase(Locale.ROOT));
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> loaded(device, study).isPresent())
        .flatMap(Contained.one(this, Device::id, device -> judge(device, study)));
  }

  private static Verdict judge(Device device, Study study) {
    var was = loaded(device, study).orElseThrow();
    var now = values(device, study);
    var w = Working.of("Settings loaded into " + device.designation());
    w.given("loaded", study.project().setting(device.id(), LOADED).orElse(""), "as written down");
    w.given("now", now, "checksum of the values computed now");
    var trail = w.explain(now).trail();
    if (was.equals(now)) return new Verdict.Pass(device.id(), trail);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        OLD,
        "Values of %s changed since its settings were loaded (%s): it works by the old ones. Load them again and compare what is read back."
            .formatted(
                device.designation(), study.project().setting(device.id(), LOADED).orElse("")),
        trail,
        List.of());
  }
}
