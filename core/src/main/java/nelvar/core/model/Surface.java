package nelvar.core.model;

/// What of a cabinet something is mounted on. Places on it count from its left and its top edge, as
/// one sees it when one stands before it, outside; roof and floor with the door towards one.
public enum Surface {
  PLATE("plate"),
  /// Through the door: its front on the outside, its body inside.
  DOOR("door"),
  LEFT("left wall"),
  RIGHT("right wall"),
  TOP("roof"),
  BOTTOM("floor"),
  /// Beside the cabinet, on its roof or wall; not in its air.
  OUTSIDE("outside");

  private final String words;

  Surface(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /// Whether what is mounted there stands in the air of the cabinet.
  public boolean inside() {
    return this != OUTSIDE;
  }
}
