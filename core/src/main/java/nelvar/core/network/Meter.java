package nelvar.core.network;

import java.util.Optional;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Resistance;

/// A meter on a machine in one state: volts between two probes, a clamp round a conductor, ohms
/// where nothing is live.
public final class Meter {
  private Meter() {}

  /// What it shows.
  public sealed interface Reading {
    record Volts(Live.Both value) implements Reading {}

    /// No way joins the probes: a real meter shows a ghost of a few volts, or nothing.
    record Floating() implements Reading {}

    /// No state was found: it may be anything.
    record NotKnown() implements Reading {}

    record Amperes(Live.Both value) implements Reading {}

    record Ohms(Resistance value) implements Reading {}

    /// No way joins the probes.
    record Open() implements Reading {}

    /// Ohms refused: a terminal is live, and the reading would be wrong or the meter harmed.
    record StillLive(TerminalRef terminal, Optional<Live.Both> toOther) implements Reading {}

    record NoSuchTerminal(TerminalRef terminal) implements Reading {}
  }

  public static Reading volts(Live live, TerminalRef red, TerminalRef black) {
    if (missing(live, red)) return new Reading.NoSuchTerminal(red);
    if (missing(live, black)) return new Reading.NoSuchTerminal(black);
    if (!live.known(red, black)) return new Reading.NotKnown();
    return live.voltage(red, black)
        .<Reading>map(Reading.Volts::new)
        .orElseGet(Reading.Floating::new);
  }

  public static Reading clamp(Live live, Id conductor) {
    return live.current(conductor)
        .<Reading>map(Reading.Amperes::new)
        .orElseGet(Reading.NotKnown::new);
  }

  /// The direct-current resistance between the probes through wires, closed contacts, coils and
  /// heaters; electronics count as open.
  public static Reading ohms(Live live, TerminalRef red, TerminalRef black) {
    if (missing(live, red)) return new Reading.NoSuchTerminal(red);
    if (missing(live, black)) return new Reading.NoSuchTerminal(black);
    if (live.live(red)) return new Reading.StillLive(red, live.voltage(red, black));
    if (live.live(black)) return new Reading.StillLive(black, live.voltage(red, black));
    return live.resistance(red, black)
        .filter(ohms -> ohms < 1e8)
        .<Reading>map(ohms -> new Reading.Ohms(new Resistance(ohms)))
        .orElseGet(Reading.Open::new);
  }

  private static boolean missing(Live live, TerminalRef terminal) {
    return live.circuitry().node(terminal) < 0;
  }
}
