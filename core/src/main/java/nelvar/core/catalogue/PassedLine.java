package nelvar.core.catalogue;

import java.util.Optional;

/// One line through a part that sends a signal on in another form.
///
/// @param in where it comes in
/// @param inReturn the other wire of a signal that comes in over two; empty of one against 0 V
/// @param out where it goes on
/// @param outReturn the other wire of a signal that goes on over two; empty of one against 0 V
public record PassedLine(
    String in, Optional<String> inReturn, String out, Optional<String> outReturn) {

  /// Whether it goes on over two wires, each against the other.
  public boolean differential() {
    return outReturn.isPresent();
  }
}
