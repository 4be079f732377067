package nelvar.core.model;

/// Whether a thing stands already. What is not marked belongs to the machine, today and finished.
public enum Standing {
  /// Not there yet: part of the finished machine only.
  TO_BUILD("to build"),
  /// For later: part of neither, but keeps its pins, its headroom, its ways and its room.
  LATER("later");

  private final String words;

  Standing(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /// The mark of one thing: a function, a device, a cable or a conductor.
  public record Mark(Id thing, Standing standing) {}
}
