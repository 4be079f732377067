package nelvar.core.model;

import java.util.Locale;

/// What a machine function is about; few and closed.
///
/// The letters are what its designations begin with (`=AX2`); free to change, not from a standard.
public enum FunctionKind {
  TURN("turn", "MOT"),
  MOVE("move", "AX"),
  HOLD("hold", "HLD"),
  PUMP("pump or blow", "PMP"),
  OPEN("open and close", "VLV"),
  HEAT("heat", "HTR"),
  LIGHT("light", "LGT"),
  SENSE("sense", "SNS"),
  COUNT("count", "CNT"),
  MEASURE("measure", "MEA"),
  STOP("stop", "STP"),
  SHOW("show", "SHW"),
  COMPUTE("compute", "CTL"),
  FEED("feed", "FED");

  private final String words;
  private final String letters;

  FunctionKind(String words, String letters) {
    this.words = words;
    this.letters = letters;
  }

  public String words() {
    return words;
  }

  /// What designations of this kind begin with, without the `=`.
  public String letters() {
    return letters;
  }

  /// As files name it.
  public String id() {
    return name().toLowerCase(Locale.ROOT);
  }

  /// Whether something moves, and could catch or cut somebody.
  public boolean moves() {
    return switch (this) {
      case TURN, MOVE, HOLD, PUMP, OPEN -> true;
      case HEAT, LIGHT, SENSE, COUNT, MEASURE, STOP, SHOW, COMPUTE, FEED -> false;
    };
  }
}
