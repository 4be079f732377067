package nelvar.documents.export;

/// Text as XML may hold it.
final class XmlText {
  private XmlText() {}

  /// Without the characters that XML 1.0 forbids, even as references (XML 1.0, section 2.2), and
  /// without other control characters.
  static String allowed(String text) {
    if (text.codePoints().allMatch(XmlText::allowed)) return text;
    var next = new StringBuilder(text.length());
    text.codePoints().filter(XmlText::allowed).forEach(next::appendCodePoint);
    return next.toString();
  }

  private static boolean allowed(int c) {
    if (c < 0x20) return c == '\t' || c == '\n';
    return (c < 0x7F || c > 0x9F)
        && (c < Character.MIN_SURROGATE || c > Character.MAX_SURROGATE)
        && (c & 0xFFFE) != 0xFFFE;
  }
}
