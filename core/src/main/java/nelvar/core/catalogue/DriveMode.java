package nelvar.core.catalogue;

import java.util.Locale;
import java.util.Map;

/// How a frequency converter reads and moves its control terminals: what some of its parameters
/// make of them.
public record DriveMode(RunBy runBy, boolean openRuns, Tells contact) {
  /// What makes it run.
  public enum RunBy {
    TERMINALS,
    /// Somebody presses its run key; its terminals do nothing. It does not run again by itself once
    /// its power was off.
    KEYPAD,
    /// A speed command above what it starts from.
    COMMAND,
    /// A message on its line.
    LINE
  }

  /// What its contact FA–FB is closed for.
  public enum Tells {
    /// It is fed and has no fault.
    READY,
    /// It has a fault.
    FAULT,
    RUNNING
  }

  /// As its terminals are marked; what is counted until somebody says otherwise.
  public static final DriveMode AS_MARKED = new DriveMode(RunBy.TERMINALS, false, Tells.READY);

  /// @param entered by the name of the setting, in lower case
  static DriveMode of(Map<String, String> entered) {
    return new DriveMode(
        switch (said(entered, DriveParameter.Role.RUN_SOURCE)) {
          case "keypad" -> RunBy.KEYPAD;
          case "command" -> RunBy.COMMAND;
          case "line" -> RunBy.LINE;
          default -> RunBy.TERMINALS;
        },
        said(entered, DriveParameter.Role.RUN_INPUT).equals("open runs"),
        switch (said(entered, DriveParameter.Role.CONTACT)) {
          case "fault" -> Tells.FAULT;
          case "running", "at speed" -> Tells.RUNNING;
          default -> Tells.READY;
        });
  }

  private static String said(Map<String, String> entered, DriveParameter.Role role) {
    return entered
        .getOrDefault(role.title().toLowerCase(Locale.ROOT), "")
        .strip()
        .toLowerCase(Locale.ROOT);
  }
}
