package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Current;

/// One input or output of a controller, named as on its board.
public record Pin(
    String name, Type type, Optional<Current> rating, Optional<DigitalInput> thresholds) {
  /// Type 3 where nothing is stated: the commonest on small controllers.
  public DigitalInput digital() {
    return thresholds.orElse(DigitalInput.TYPE_3);
  }

  public enum Type {
    /// Reads a switch or sensor that gives + (its common is 0 V).
    INPUT_READS_PLUS,
    /// Reads a switch or sensor that pulls to 0 V (its common is +).
    INPUT_READS_MINUS,
    ANALOGUE_INPUT,
    ANALOGUE_OUTPUT,
    /// Pulls to 0 V when on.
    OUTPUT_SINKING,
    /// Gives + when on.
    OUTPUT_SOURCING,
    /// Differential 5 V pulses.
    OUTPUT_PULSES
  }
}
