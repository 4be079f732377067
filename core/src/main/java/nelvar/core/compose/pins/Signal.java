package nelvar.core.compose.pins;

import java.util.Optional;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// Something that wants a pin.
///
/// @param end the terminal of its device that is to be wired to a pin
/// @param now the pin it is on and that does not suit it
/// @param amperes an output must carry for it
/// @param volts an output must bear for it
record Signal(
    Device device,
    TerminalRef end,
    Optional<TerminalRef> now,
    Wants wants,
    double amperes,
    double volts) {

  /// What kind of pin it wants.
  enum Wants {
    READ_PLUS("an input that reads +"),
    READ_ZERO("an input that reads 0 V"),
    READ_LOGIC("an input of 5 V logic"),
    VALUE_VOLTS("an input of 0–10 V"),
    VALUE_CURRENT("an input of 4–20 mA"),
    GIVES_PLUS("an output that gives +"),
    PULLS_DOWN("an output that pulls to 0 V"),
    COMMAND("an output of 0–10 V");

    private final String words;

    Wants(String words) {
      this.words = words;
    }

    String words() {
      return words;
    }

    boolean reads() {
      return this == READ_PLUS
          || this == READ_ZERO
          || this == READ_LOGIC
          || this == VALUE_VOLTS
          || this == VALUE_CURRENT;
    }

    /// Whether a pin serves it, and how well: 0 is made for it; empty where it does not.
    Optional<Integer> suits(Pin pin) {
      return switch (this) {
        case READ_PLUS -> made(pin.type() == Pin.Type.INPUT_READS_PLUS, 0);
        case READ_ZERO ->
            made(pin.type() == Pin.Type.INPUT_READS_MINUS, 0)
                .or(() ->
                    made(
                        pin.type() == Pin.Type.LOGIC_INPUT
                            && pin.logic().flatMap(Pin.Logic::pullUp).isPresent(),
                        4));
        case READ_LOGIC -> made(pin.type() == Pin.Type.LOGIC_INPUT, 0);
        case VALUE_VOLTS -> made(pin.type() == Pin.Type.ANALOGUE_INPUT, 0);
        case VALUE_CURRENT ->
            made(pin.type() == Pin.Type.CURRENT_INPUT, 0)
                .or(() ->
                    made(
                        pin.type() == Pin.Type.ANALOGUE_INPUT && pin.value().burden().isPresent(),
                        1));
        case GIVES_PLUS -> made(pin.type() == Pin.Type.OUTPUT_SOURCING, 0);
        case PULLS_DOWN -> made(pin.type() == Pin.Type.OUTPUT_SINKING, 0);
        case COMMAND -> made(pin.type() == Pin.Type.ANALOGUE_OUTPUT && !pin.analogueZero(), 0);
      };
    }

    private static Optional<Integer> made(boolean holds, int cost) {
      return holds ? Optional.of(cost) : Optional.empty();
    }
  }
}
