package nelvar.core.analysis.interference;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// What is disturbed: an input with the wires that lead to it.
///
/// @param at the terminal that reads
/// @param partner what it hears, where that is known
/// @param wires from its partner to it
/// @param cable of its wires, where they lie in one
/// @param threshold what is too much, V
/// @param seen between its wire and its 0 V, Ω
/// @param filter time constant of the input, s
/// @param unbalance what it hears of what both wires of its signal take up alike: 1 on one wire
///   against 0 V
/// @param shield what its shield leaves of a field and of what is coupled through capacitance
/// @param back wires that join its 0 V to that of its partner, beyond where their ways part
/// @param basis where threshold and filter come from, in words
public record Receiver(
    TerminalRef at,
    Kind kind,
    Optional<TerminalRef> partner,
    List<Conductor> wires,
    Optional<Cable> cable,
    double threshold,
    double seen,
    double filter,
    double unbalance,
    Shielding shield,
    Lays lays,
    List<Conductor> back,
    String label,
    String words,
    String basis) {
  /// Two wires side by side do not take up a tenth alike (assumed), those of a twisted pair a
  /// thirtieth: 20 to 40 dB (common practice).
  static final double SIDE_BY_SIDE = 0.1;

  static final double TWISTED = 0.03;

  /// V that both lines of a receiver may be lifted together before it hears anything (TIA/EIA-422-B
  /// and 485: ±7 V, from memory).
  private static final double LIFTED = 7;

  public Receiver {
    wires = List.copyOf(wires);
    back = List.copyOf(back);
  }

  /// Filters by kind, from memory and assumed: what stands on an input is over after so long.
  public enum Kind {
    /// An optocoupler without a filter; inputs of larger controllers have 3 ms and say so.
    DIGITAL("24 V input", 1e-5),
    LOGIC("logic input", 1e-6),
    ANALOGUE("0–10 V", 1e-5),
    LOOP("4–20 mA", 1e-5),
    THERMISTOR("thermistor", 1e-4),
    PULSES("pulses", 5e-7),
    SERIAL("serial line", 1e-7),
    USB("link to a computer", 1e-8);

    private final String words;
    private final double filter;

    Kind(String words, double filter) {
      this.words = words;
      this.filter = filter;
    }

    public String words() {
      return words;
    }

    /// s.
    public double filter() {
      return filter;
    }
  }

  /// Whether its signal goes over two wires, each against the other.
  public boolean balanced() {
    return unbalance < 1;
  }

  /// Of a receiver that is not parted from its lines: they lift it before it hears too much.
  static double lifted(double unbalance, double threshold) {
    return Math.max(unbalance, threshold / LIFTED);
  }

  /// Of its column.
  public Id id() {
    return cable.map(Cable::id).orElse(at.device());
  }
}
