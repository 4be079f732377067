package nelvar.core.model;

import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Texts;

/// One terminal of one device, written `F4:2`.
public record TerminalRef(Id device, String terminal) {
  public TerminalRef {
    if (terminal.isBlank() || terminal.length() > 24 || !Texts.whole(terminal))
      throw new ImpossibleQuantity("a terminal mark has 1 to 24 characters");
  }

  public static TerminalRef of(String text) {
    var colon = text.indexOf(':');
    if (colon < 1 || colon == text.length() - 1) {
      throw new ImpossibleQuantity(
          "'" + text + "' is not a terminal: write device id, colon, terminal mark, such as F4:2");
    }
    return new TerminalRef(new Id(text.substring(0, colon)), text.substring(colon + 1));
  }

  @Override
  public String toString() {
    return device + ":" + terminal;
  }
}
