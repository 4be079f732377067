package nelvar.core.model;

import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Texts;

/// What stands on the label: `-T2`, `W31`. 1 to 24 characters, no spaces.
public record Designation(String text) implements Comparable<Designation> {
  public Designation {
    if (text.isBlank()
        || text.length() > 24
        || !Texts.whole(text)
        || text.chars().anyMatch(c -> Character.isWhitespace(c) || Character.isISOControl(c))) {
      throw new ImpossibleQuantity(
          "'"
              + text
              + "' is not a designation: write 1 to 24 characters without spaces, such as -T2");
    }
  }

  /// By letters, then by number, so that -K2 comes before -K10.
  @Override
  public int compareTo(Designation other) {
    var byStem = stem().compareTo(other.stem());
    if (byStem != 0) return byStem;
    var byNumber = Long.compare(number(), other.number());
    return byNumber != 0 ? byNumber : text.compareTo(other.text);
  }

  /// The part before the closing digits: `-T` of `-T2`.
  public String stem() {
    return text.substring(0, digits());
  }

  /// Where the closing digits begin.
  private int digits() {
    var at = text.length();
    while (at > 0 && text.charAt(at - 1) >= '0' && text.charAt(at - 1) <= '9') at--;
    return at;
  }

  private long number() {
    var digits = text.substring(digits());
    return digits.isEmpty() ? -1 : digits.length() > 15 ? Long.MAX_VALUE : Long.parseLong(digits);
  }

  @Override
  public String toString() {
    return text;
  }
}
