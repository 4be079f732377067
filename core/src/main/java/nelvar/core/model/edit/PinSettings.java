package nelvar.core.model.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.model.Device;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.Project;
import nelvar.core.model.Setting;
import nelvar.core.model.TerminalRef;

/// What settings say of a pin goes along when its signal moves to another: its name in the program,
/// and its place in what sensors permit.
public final class PinSettings {
  /// What the name of a setting begins with that says what sensors permit.
  public static final String PERMISSIVE = "Permissive ";

  private static final Pattern PERMITS = Pattern.compile("(?i)(.*\\bpermits\\s+)(.+)");

  private PinSettings() {}

  /// @param moves each pin with the one its signal lands on now
  public static Project moved(Project project, Map<TerminalRef, TerminalRef> moves) {
    var all = new ArrayList<Setting>();
    for (var setting : project.settings()) all.add(named(setting, moves));
    return permitting(project.withSettings(all), moves);
  }

  /// Only what sensors permit.
  public static Project permitting(Project project, Map<TerminalRef, TerminalRef> moves) {
    var all = new ArrayList<Setting>();
    for (var setting : project.settings()) all.add(permits(setting, project, moves));
    return project.withSettings(all);
  }

  private static Setting named(Setting setting, Map<TerminalRef, TerminalRef> moves) {
    for (var move : moves.entrySet())
      if (setting.device().equals(move.getKey().device())
          && setting.name().equals(FirmwareNames.setting(move.getKey().terminal())))
        return new Setting(
            move.getValue().device(),
            FirmwareNames.setting(move.getValue().terminal()),
            setting.value(),
            setting.reason());
    return setting;
  }

  private static Setting permits(
      Setting setting, Project project, Map<TerminalRef, TerminalRef> moves) {
    if (!setting.name().toLowerCase(Locale.ROOT).startsWith(PERMISSIVE.toLowerCase(Locale.ROOT)))
      return setting;
    var row = PERMITS.matcher(setting.value());
    if (!row.matches()) return setting;
    var names = new ArrayList<String>();
    for (var name : List.of(String.valueOf(row.group(2)).split("\\s*,\\s*")))
      names.add(renamed(name.strip(), setting, project, moves));
    return new Setting(
        setting.device(),
        setting.name(),
        row.group(1) + String.join(", ", names),
        setting.reason());
  }

  private static String renamed(
      String name, Setting setting, Project project, Map<TerminalRef, TerminalRef> moves) {
    var colon = name.indexOf(':');
    var board =
        colon < 0
            ? Optional.of(setting.device())
            : project.called(name.substring(0, colon)).map(Device::id);
    return board
        .map(id -> new TerminalRef(id, name.substring(colon + 1)))
        .flatMap(pin -> Optional.ofNullable(moves.get(pin)))
        .map(to ->
            to.device().equals(setting.device())
                ? to.terminal()
                : name.substring(0, colon + 1) + to.terminal())
        .orElse(name);
  }
}
