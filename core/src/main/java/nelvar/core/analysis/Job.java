package nelvar.core.analysis;

/// The part of the work in which a finding is dealt with.
public enum Job {
  /// What the site and the machine ask for.
  BRIEF,
  /// What feeds what, and what protects and stops it.
  POWER,
  /// Which pin reads and drives what.
  SIGNALS,
  /// Where things stand and how warm they get.
  PANEL,
  /// Wires, cables and earth.
  RUNS,
  /// What disturbs what.
  QUIET,
  /// What stops, what falls, what stays live, what starts again.
  STOP,
  /// What must be set so that one is one.
  MOTION;

  /// By the subject a rule's name begins with; a rule of a new subject must be placed here.
  static Job of(String rule) {
    if (rule.equals("load.inlet")) return BRIEF;
    if (rule.equals("completeness.chatter") || rule.equals("completeness.load-fed")) return POWER;
    if (rule.equals("parts.sensor-input")) return SIGNALS;
    return switch (rule.substring(0, rule.indexOf('.'))) {
      case "supply", "protection", "load", "parts", "states" -> POWER;
      case "stop" -> STOP;
      case "signals" -> SIGNALS;
      case "motion" -> MOTION;
      case "quiet", "shock" -> QUIET;
      case "space", "thermal" -> PANEL;
      case "sizing", "earthing", "completeness", "runs" -> RUNS;
      default -> throw new IllegalStateException("no part of the work owns the rule " + rule);
    };
  }
}
