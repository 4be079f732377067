package nelvar.core.units;

/// What came of reading a text that a person wrote: a value, or why not and what would be right.
public sealed interface Reading<Q> {
  record Value<Q>(Q value) implements Reading<Q> {}

  record Misread<Q>(String message) implements Reading<Q> {}

  /// The value, or [ImpossibleQuantity] with the message for the person.
  default Q orThrow() {
    return switch (this) {
      case Value<Q>(var value) -> value;
      case Misread<Q>(var message) -> throw new ImpossibleQuantity(message);
    };
  }
}
