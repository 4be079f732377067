package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// One pin of a controller, what it is joined to, and what the engine finds there.
///
/// @param partners terminals of the devices it reads or drives, nearest first
/// @param on with everything that drives it conducting; of an output, switched on; of a value, full
///   scale
/// @param off with nothing driving it; of an output, switched off
/// @param standing how sure it is
/// @param margin what is left to the nearest limit, in volts for inputs
/// @param spare what is left of an output's rating
/// @param worstOnly whether it is wrong only with the greatest drop and leakage of what drives it
/// @param words what is to be said of it, in a sentence
public record PinLink(
    Device board,
    Pin pin,
    List<TerminalRef> partners,
    Optional<Seen> on,
    Optional<Seen> off,
    Standing standing,
    Optional<Voltage> margin,
    Optional<Current> spare,
    boolean worstOnly,
    String words) {
  public PinLink {
    partners = List.copyOf(partners);
  }

  /// What stands at a pin, against the 0 V of its board, and flows into or out of it.
  public record Seen(Voltage volts, Current current) {}

  public enum Standing {
    /// Nothing is wired to it.
    FREE("free"),
    /// Both states are told apart, or its output carries what it may.
    SURE("sure"),
    /// It is not told apart, or carries too much.
    WRONG("wrong"),
    /// Nothing says what it gets, or what it may carry.
    UNPROVED("not proved");

    private final String words;

    Standing(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// What a pin reads at so many volts.
  public enum Reads {
    ONE("reads 1"),
    ZERO("reads 0"),
    BETWEEN("between its levels");

    private final String words;

    Reads(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  public TerminalRef at() {
    return new TerminalRef(board.id(), pin.name());
  }

  /// The same behind a device that only sends it on, with those that it meets before.
  PinLink over(Device converter, List<TerminalRef> nearer) {
    return new PinLink(
        board,
        pin,
        Stream.concat(nearer.stream(), partners.stream()).toList(),
        on,
        off,
        standing,
        margin,
        spare,
        worstOnly,
        "over %s: %s".formatted(converter.designation(), words));
  }

  public boolean wired() {
    return standing != Standing.FREE;
  }

  /// What it would read with its wire at a terminal; between where the volts are not known.
  public Reads reads(TerminalRef at, Live live) {
    return live.voltage(at, new TerminalRef(board.id(), "-"))
        .map(both -> reads(pin, new Voltage(Math.max(0, both.direct()))))
        .orElse(Reads.BETWEEN);
  }

  /// What an input reads at these volts: one with its common at + reads 1 where it is pulled down.
  public static Reads reads(Pin pin, Voltage volts) {
    var levels = pin.levels();
    var high = volts.compareTo(levels.high()) >= 0;
    var low = volts.compareTo(levels.low()) <= 0;
    if (!high && !low) return Reads.BETWEEN;
    return high == (pin.type() != Pin.Type.INPUT_READS_MINUS) ? Reads.ONE : Reads.ZERO;
  }
}
