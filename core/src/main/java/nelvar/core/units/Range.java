package nelvar.core.units;

/// From where to where people may write a quantity. What is computed from such values may be larger
/// (a sum, a short circuit of next to nothing); it is never smaller, and always has an end.
///
/// @param what the quantity, for messages
public record Range(String what, double least, double greatest, String unit) {

  /// Holds a value to what is physically possible. A negative zero, which no file can tell from
  /// zero, becomes zero.
  double possible(double value) {
    if (Double.isFinite(value) && value >= least) return value + 0.0;
    throw new ImpossibleQuantity(message(value));
  }

  /// Holds a value that somebody wrote to the whole range.
  double written(double value) {
    if (contains(value)) return value + 0.0;
    throw new ImpossibleQuantity(message(value));
  }

  public boolean contains(double value) {
    return Double.isFinite(value) && value >= least && value <= greatest;
  }

  private String message(double value) {
    return "%s %s is not possible for %s: write %s to %s %s"
        .formatted(
            Double.isFinite(value) ? Significant.digits(value) : value,
            unit,
            what,
            Significant.digits(least),
            Significant.digits(greatest),
            unit);
  }
}
