package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// One line through a part that sends a signal on in another form.
///
/// @param in where it comes in
/// @param inReturn the other wire of a signal that comes in over two; empty of one against 0 V
/// @param out where it goes on
/// @param outReturn the other wire of a signal that goes on over two; empty of one against 0 V
public record PassedLine(
    String in, Optional<String> inReturn, String out, Optional<String> outReturn) {

  /// What stands behind it when it is on.
  public static final Voltage GIVES = new Voltage(5);

  /// Ω across an input of two wires, that a line is ended with (common practice).
  public static final Resistance ENDING = new Resistance(120);

  /// Whether it goes on over two wires, each against the other.
  public boolean differential() {
    return outReturn.isPresent();
  }
}
