package nelvar.cli;

import java.io.FilterWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import nelvar.core.units.Texts;

/// Lets no control character through to a terminal but line ends and tabs: a name in a project must
/// not move the cursor, colour the screen or turn the reading direction.
final class PlainWriter extends FilterWriter {
  private static final boolean RETURNS = System.lineSeparator().contains("\r");

  private PlainWriter(Writer to) {
    super(to);
  }

  static PrintWriter before(PrintWriter to) {
    return new PrintWriter(new PlainWriter(to), true);
  }

  @Override
  public void write(int c) throws IOException {
    write(String.valueOf((char) c), 0, 1);
  }

  @Override
  public void write(char[] text, int from, int count) throws IOException {
    write(new String(text, from, count), 0, count);
  }

  @Override
  public void write(String text, int from, int count) throws IOException {
    var plain = new StringBuilder(count);
    for (var i = from; i < from + count; i++) {
      var c = text.charAt(i);
      plain.append(
          c == '\n' || c == '\t' || (c == '\r' && RETURNS)
              ? c
              : Texts.plain(String.valueOf(c)).charAt(0));
    }
    out.write(plain.toString());
  }
}
