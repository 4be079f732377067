package nelvar.core.model.edit;

import java.util.ArrayList;
import java.util.Map;
import nelvar.core.model.Device;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.Setting;
import nelvar.core.model.TerminalRef;

/// What can be done to a pin: named in the program, exchanged with another.
public final class PinEdits {
  private static final String WHY = "name in the program";

  private PinEdits() {}

  /// What a pin is called in the program; empty for what its part is shipped with.
  public static Edit firmwareName(Device board, String pin, String name) {
    var text = name.strip();
    if (!text.isEmpty())
      return Edits.set(new Setting(board.id(), FirmwareNames.setting(pin), text, WHY))
          .named("Call %s:%s %s".formatted(board.designation(), pin, text));
    return new Edit(
        "Call %s:%s as shipped".formatted(board.designation(), pin),
        project ->
            project.withSettings(
                project.settings().stream()
                    .filter(s -> !names(s, new TerminalRef(board.id(), pin)))
                    .toList()));
  }

  /// What lands on one pin lands on the other, and the other way round; a free one counts as well.
  /// The name in the program that a builder gave goes with its signal.
  public static Edit swap(Device board, String a, String b) {
    var one = new TerminalRef(board.id(), a);
    var two = new TerminalRef(board.id(), b);
    return new Edit(
        "Swap %s:%s and %s".formatted(board.designation(), a, b),
        project ->
            PinSettings.moved(
                project.withConductors(
                    project.conductors().stream()
                        .map(wire ->
                            wire.withEnds(other(wire.from(), one, two), other(wire.to(), one, two)))
                        .toList()),
                Map.of(one, two, two, one)));
  }

  /// A setting of a device in words, such as the target of a sensor; empty takes it away.
  public static Edit say(Device device, String name, String value) {
    var text = value.strip();
    return new Edit(
        text.isEmpty()
            ? "Say no %s of %s".formatted(name, device.designation())
            : "Say %s of %s: %s".formatted(name, device.designation(), text),
        project -> {
          var all =
              new ArrayList<>(
                  project.settings().stream()
                      .filter(s -> !(s.device().equals(device.id()) && s.name().equals(name)))
                      .toList());
          if (!text.isEmpty()) all.add(new Setting(device.id(), name, text, "as built"));
          return project.withSettings(all);
        });
  }

  /// All settings of a device whose names begin alike, as given; those it had go.
  ///
  /// @param rows by the rest of their names
  public static Edit sayAll(
      Device device, String begins, java.util.SequencedMap<String, String> rows) {
    return new Edit(
        "Say %d %sof %s"
            .formatted(
                rows.size(), begins.toLowerCase(java.util.Locale.ROOT), device.designation()),
        project -> {
          var all =
              new ArrayList<>(
                  project.settings().stream()
                      .filter(s -> !(s.device().equals(device.id()) && s.name().startsWith(begins)))
                      .toList());
          rows.forEach(
              (name, value) -> all.add(new Setting(device.id(), begins + name, value, "as built")));
          return project.withSettings(all);
        });
  }

  private static boolean names(Setting setting, TerminalRef pin) {
    return setting.device().equals(pin.device())
        && setting.name().equals(FirmwareNames.setting(pin.terminal()));
  }

  private static TerminalRef other(TerminalRef end, TerminalRef a, TerminalRef b) {
    return end.equals(a) ? b : end.equals(b) ? a : end;
  }
}
