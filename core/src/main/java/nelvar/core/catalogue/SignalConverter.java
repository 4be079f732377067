package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Sends signals on in another form: a line driver makes two wires of one against 0 V (`IN1` to
/// `OUT1+` and `OUT1-`), a line receiver one of two (`IN1+` and `IN1-` to `OUT1`).
///
/// What it gives are 5 V; what it takes on one wire is a logic level of 2 V and more, between two
/// wires 0.2 V and more (TIA/EIA-422-B, from memory).
///
/// @param current its electronics take
/// @param lines how many signals it sends on
/// @param gives what goes on behind it
/// @param frequency greatest it follows
/// @param pulse least width that passes
public record SignalConverter(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Current current,
    int lines,
    Form gives,
    Frequency frequency,
    Duration pulse)
    implements Part {
  private static final int MOST = 16;

  /// Ω of an input on one wire (typical of such circuits).
  private static final Resistance INPUT = new Resistance(10_000);

  /// From which one wire surely is a 1 (logic of 5 V and of 3.3 V).
  private static final Voltage HIGH = new Voltage(2);

  /// How a signal goes.
  public enum Form {
    /// On one wire, against 0 V.
    SINGLE,
    /// On two, each against the other.
    DIFFERENTIAL
  }

  public SignalConverter {
    if (lines < 1 || lines > MOST)
      throw new ImpossibleQuantity(
          "a signal converter has 1 to %d lines, not %d".formatted(MOST, lines));
  }

  /// Whether it makes two wires of one.
  public boolean drivesLines() {
    return gives == Form.DIFFERENTIAL;
  }

  @Override
  public List<PassedLine> passesOn() {
    return IntStream.rangeClosed(1, lines)
        .mapToObj(n ->
            drivesLines()
                ? new PassedLine(
                    "IN" + n, Optional.empty(), "OUT" + n + "+", Optional.of("OUT" + n + "-"))
                : new PassedLine(
                    "IN" + n + "+", Optional.of("IN" + n + "-"), "OUT" + n, Optional.empty()))
        .toList();
  }

  @Override
  public List<Terminal> terminals() {
    var all =
        new ArrayList<>(
            List.of(Terminal.required("+", Role.PLUS), Terminal.required("-", Role.MINUS)));
    for (var line : passesOn()) {
      all.add(Terminal.optional(line.in(), Role.SIGNAL));
      line.inReturn().ifPresent(mark -> all.add(Terminal.optional(mark, Role.SIGNAL)));
      all.add(Terminal.optional(line.out(), Role.SIGNAL));
      line.outReturn().ifPresent(mark -> all.add(Terminal.optional(mark, Role.SIGNAL)));
    }
    return all;
  }

  @Override
  public List<Element> elements() {
    return passesOn().stream()
        .<Element>map(line ->
            line.inReturn()
                .map(other -> new Element.Resistor(line.in(), other, PassedLine.ENDING))
                .orElseGet(() -> new Element.Resistor(line.in(), "-", INPUT)))
        .toList();
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "supply", "+", "-", input, new Demand.FixedCurrent(current), Optional.empty()));
  }

  /// Pulses on one wire are taken as a logic level.
  @Override
  public Optional<PulseInput> pulseInput() {
    return drivesLines()
        ? Optional.of(
            new PulseInput(
                new Voltage(0),
                INPUT,
                new Current(HIGH.volts() / INPUT.ohms()),
                new Current(2 * PassedLine.GIVES.volts() / INPUT.ohms()),
                frequency,
                pulse,
                Optional.of(HIGH),
                Optional.empty()))
        : Optional.empty();
  }
}
