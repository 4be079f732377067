package nelvar.core.analysis.bonding;

import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// One joint between two pieces of metal.
///
/// @param about the wire, cable or device that it is
/// @param ohms Ω; @param henry H
public record Bond(
    Kind kind,
    Id about,
    String label,
    TerminalRef from,
    TerminalRef to,
    double ohms,
    double henry) {

  public enum Kind {
    CONDUCTOR("protective conductor"),
    ZERO_VOLT("0 V to earth"),
    PLATE("bare plate"),
    SHIELD("shield");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }
}
