package nelvar.core.catalogue;

/// How the windings of a motor are linked, in its terminal box or its connector.
public enum Linkage {
  STAR("star"),
  DELTA("delta"),
  /// Both halves of each winding of an eight-lead stepper one after the other.
  SERIES("series"),
  /// Both halves side by side.
  PARALLEL("parallel");

  private final String words;

  Linkage(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
