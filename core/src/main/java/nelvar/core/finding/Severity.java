package nelvar.core.finding;

/// How bad a finding is, by one question each.
public enum Severity {
  /// It must not be built so.
  ERROR,
  /// An experienced builder would change it.
  WARNING,
  /// There is something better.
  ADVICE
}
