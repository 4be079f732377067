package nelvar.core.compose.sketch;

/// What runs the machine: the main schools of building a small machine's control.
///
/// @see Io which lands signals on its pins
public enum Architecture {
  /// A controller with a program of its own; the usual draft.
  STAND_ALONE("stand-alone controller", "motion-controller-4ax-sourcing", "controller-16di-16do"),
  /// A bare board that only brings the pins of a computer to terminals.
  COMPUTER_WITH_BREAKOUT("computer with a bare breakout board", "breakout-5ax", "breakout-5ax"),
  /// A small board that is programmed by whoever builds the machine, with drives beside it.
  MICROCONTROLLER(
      "microcontroller board with separate drives", "microcontroller-4ax", "microcontroller-4ax"),
  /// A board that carries the drives of its axes.
  BOARD_WITH_DRIVES("board with drives on it", "board-6-axes-24v-2p5a", "board-6-axes-24v-2p5a");

  private final String words;
  private final String axes;
  private final String plain;

  Architecture(String words, String axes, String plain) {
    this.words = words;
    this.axes = axes;
    this.plain = plain;
  }

  public String words() {
    return words;
  }

  /// The part that runs a machine with axes, or one without.
  String main(boolean withAxes) {
    return withAxes ? axes : plain;
  }
}
