package nelvar.core.compose.sketch;

import java.util.Optional;
import nelvar.core.model.MachineFunction;

/// A demand that cannot be met, and why. Thrown while drawing up; becomes a message.
public final class Unmet extends RuntimeException {
  private static final long serialVersionUID = 1;
  private final transient Optional<MachineFunction> function;

  public Unmet(String why) {
    this(Optional.empty(), why);
  }

  public Unmet(Optional<MachineFunction> function, String why) {
    super(why);
    this.function = function;
  }

  /// The function that asks for it; empty where it is the whole machine.
  public Optional<MachineFunction> function() {
    return function;
  }

  public String why() {
    return String.valueOf(getMessage());
  }
}
