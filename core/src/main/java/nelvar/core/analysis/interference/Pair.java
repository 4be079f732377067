package nelvar.core.analysis.interference;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.interference.Lays.Lies;
import nelvar.core.formula.Crosstalk;

/// One that disturbs against one that is disturbed: what gets in by each way, behind the filter of
/// the input, and how far that is below what disturbs it.
///
/// @param volts by way, V; a way that brings nothing is missing
/// @param beside how long they lie beside each other, m
/// @param apart how far, m; empty where they lie nowhere together
/// @param fixed whether how far they are apart is fixed by ducts or dividers
/// @param unknown what nobody said of both and is taken as the worst: `length of -WB4`
public record Pair(
    Emitter emitter,
    Receiver receiver,
    Map<WayIn, Double> volts,
    double beside,
    Optional<Place> apart,
    boolean fixed,
    List<String> unknown) {
  /// dB, where geometry is fixed, and in a loom (common practice).
  public static final double FIXED = 6;

  public static final double LOOSE = 12;

  /// Nothing above this is of interest, dB.
  public static final double FAR = 100;

  /// Where the most gets in.
  ///
  /// @param apart m
  public record Place(String name, Lies emitter, Lies receiver, double apart) {}

  public Pair {
    volts = Map.copyOf(volts);
    unknown = List.copyOf(unknown);
  }

  /// In the worst case all ways add.
  public double all() {
    return volts.values().stream().mapToDouble(v -> v).sum();
  }

  /// dB above which all that gets in would disturb; below zero it does.
  public double margin() {
    var all = all();
    return all <= 0 ? FAR : Math.min(FAR, Crosstalk.decibels(receiver.threshold(), all));
  }

  /// ± dB.
  public double uncertainty() {
    return fixed ? FIXED : LOOSE;
  }

  /// The way that brings the most.
  public Optional<WayIn> dominant() {
    return volts.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
  }

  public Standing standing() {
    if (margin() < -uncertainty()) return Standing.DISTURBED;
    if (margin() < 0) return Standing.DOUBTFUL;
    return margin() < uncertainty() ? Standing.NO_RESERVE : Standing.QUIET;
  }

  public enum Standing {
    /// Below zero by more than can be known.
    DISTURBED("disturbed"),
    DOUBTFUL("may be disturbed"),
    NO_RESERVE("no reserve"),
    QUIET("quiet");

    private final String words;

    Standing(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }
}
