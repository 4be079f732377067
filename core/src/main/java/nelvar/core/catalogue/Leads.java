package nelvar.core.catalogue;

/// How many ends of its windings a motor brings out, and so how it can be linked.
public enum Leads {
  /// Six ends: star or delta by its links.
  SIX,
  /// Three, joined in star inside: delta asks for opening the star point in the winding head.
  THREE_STAR,
  /// Three, and wound so that it cannot be linked otherwise.
  THREE_FIXED
}
