package nelvar.core.units;

/// What a text of a project may be: anything that can be written to a file and read back the same.
public final class Texts {
  /// The longest text of a project, in characters; what the file reader takes.
  public static final int LONGEST = 100_000;

  private Texts() {}

  /// The text as it can be stored: halves of characters that stand alone (no file can hold them)
  /// become the replacement character.
  ///
  /// @throws ImpossibleQuantity above [#LONGEST]
  public static String storable(String what, String text) {
    if (text.length() > LONGEST)
      throw new ImpossibleQuantity(
          "%s has %d characters: write at most %d".formatted(what, text.length(), LONGEST));
    if (whole(text)) return text;
    var next = new StringBuilder(text.length());
    text.codePoints().forEach(c -> next.appendCodePoint(halfCharacter(c) ? 0xFFFD : c));
    return next.toString();
  }

  /// Whether no half of a character stands alone.
  public static boolean whole(String text) {
    for (var i = 0; i < text.length(); i++)
      if (Character.isSurrogate(text.charAt(i)))
        return text.codePoints().noneMatch(Texts::halfCharacter);
    return true;
  }

  private static boolean halfCharacter(int c) {
    return c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE;
  }

  /// The text as one line for a terminal or a list: control characters, among them those that turn
  /// the reading direction, become a space.
  public static String plain(String text) {
    for (var i = 0; i < text.length(); i++)
      if (control(text.charAt(i))) {
        var next = new StringBuilder(text.length());
        for (var j = 0; j < text.length(); j++)
          next.append(control(text.charAt(j)) ? ' ' : text.charAt(j));
        return next.toString();
      }
    return text;
  }

  private static boolean control(char c) {
    return Character.isISOControl(c)
        || c == '\u2028'
        || c == '\u2029'
        || (c >= '\u202A' && c <= '\u202E')
        || (c >= '\u2066' && c <= '\u2069');
  }
}
