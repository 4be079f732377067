package nelvar.core.units;

/// A number that no quantity of its kind can have. The message says which, and what is accepted.
public final class ImpossibleQuantity extends IllegalArgumentException {
  private static final long serialVersionUID = 1;

  public ImpossibleQuantity(String message) {
    super(message);
  }
}
