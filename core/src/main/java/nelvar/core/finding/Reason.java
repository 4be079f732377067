package nelvar.core.finding;

/// Why a rule speaks: one of the few causes it knows, with the words for it. Each is a constant of
/// its rule and known by itself, never by its words: findings of one reason are one cause.
public final class Reason {
  private final String title;

  private Reason(String title) {
    this.title = title;
  }

  /// @param title what is wrong, in a few words
  public static Reason of(String title) {
    return new Reason(title);
  }

  public String title() {
    return title;
  }

  @Override
  public String toString() {
    return title;
  }
}
