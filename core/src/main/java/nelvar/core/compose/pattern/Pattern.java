package nelvar.core.compose.pattern;

import nelvar.core.compose.sketch.Composer;
import nelvar.core.model.MachineFunction;

/// One recipe that makes functions of some kind work.
public interface Pattern {
  /// As a builder would call it: `valve on an output`.
  String title();

  /// Whether it is a recipe for this function on this mains.
  boolean serves(MachineFunction function, Composer composer);

  /// Places what the function is made of and asks for what feeds, switches and reads it.
  ///
  /// @throws nelvar.core.compose.sketch.Unmet where that cannot be
  void compose(MachineFunction function, Composer composer);
}
