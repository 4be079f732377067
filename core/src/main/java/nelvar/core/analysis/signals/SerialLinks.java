package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;

/// Serial lines: what sends meets what receives, A meets A and B meets B, both ends have one 0 V
/// between them, the same speed and parity (`115200 8N1` in the setting *Serial*), addresses of
/// their own (*Address*), a bus has a resistor at two ends and no more (*Termination*, on or off),
/// and is no longer than its speed allows.
///
/// Length: up to 1200 m and 10⁸ bit/s · m for two-wire buses (TIA-485 guidance, from memory); 15 m
/// for single wires against 0 V (common practice). What is not stated is named in the working and
/// judged no further.
public final class SerialLinks implements Rule {
  private static final Reason CROSSED = Reason.of("Serial wires at the wrong ends");
  private static final Reason NO_COMMON = Reason.of("Serial line without a common 0 V");
  private static final Reason DIFFER = Reason.of("Ends of a serial line are set differently");
  private static final Reason SAME_ADDRESS = Reason.of("Two ends of a bus have one address");
  private static final Reason TERMINATION = Reason.of("A bus is not ended at two ends");
  private static final Reason TOO_LONG = Reason.of("Serial line too long for its speed");

  private static final double BUS_METRES = 1200;
  private static final double BUS_PRODUCT = 1e8;
  private static final double SINGLE_METRES = 15;
  private static final Pattern SPEED = Pattern.compile("([0-9]{3,8})\\b");

  @Override
  public String id() {
    return "signals.serial";
  }

  @Override
  public String asks() {
    return "Serial lines lead from what sends to what receives, and both ends are set alike.";
  }

  /// One wire of a serial line with all pins on it.
  private record Wire(List<PinLink> pins) {
    PinLink first() {
      return pins.getFirst();
    }

    List<Device> boards() {
      return pins.stream().map(PinLink::board).distinct().toList();
    }
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var told = new HashSet<TerminalRef>();
    var wires = new ArrayList<Wire>();
    var all =
        PinLinks.of(study).stream()
            .filter(link -> link.wired() && link.pin().type() == Pin.Type.SERIAL)
            .filter(link -> link.pin().line().isPresent())
            .toList();
    for (var link : all) {
      if (told.contains(link.at())) continue;
      var joined = Set.copyOf(study.network().joined(link.at()));
      told.addAll(joined);
      wires.add(new Wire(all.stream().filter(other -> joined.contains(other.at())).toList()));
    }
    return wires.stream()
        .filter(wire -> wire.pins().size() > 1)
        .flatMap(
            Contained.one(this, wire -> wire.first().board().id(), wire -> judge(wire, study)));
  }

  private static Verdict judge(Wire wire, Study study) {
    var w = Working.of("Serial wire at " + name(wire.first()));
    for (var pin : wire.pins()) w.given(name(pin), line(pin).words(), pin.board().purpose());
    var crossed =
        wire.pins().stream()
            .filter(pin -> pin != wire.first() && line(pin) != line(wire.first()).other())
            .findFirst();
    if (crossed.isPresent())
      return finding(
          wire,
          Severity.ERROR,
          CROSSED,
          "%s %s and so does %s: nothing is heard. %s"
              .formatted(
                  name(wire.first()),
                  line(wire.first()).words(),
                  name(crossed.get()),
                  line(wire.first()).bus()
                      ? "Exchange A and B at one end."
                      : "Exchange the two wires at one end."),
          w);
    return common(wire, w, study)
        .or(() -> settings(wire, w, study))
        .or(() -> length(wire, w, study))
        .orElseGet(() -> new Verdict.Pass(subject(wire), w.explain(wire).trail()));
  }

  private static Optional<Verdict> common(Wire wire, Working w, Study study) {
    var zero = new TerminalRef(wire.first().board().id(), "-");
    for (var board : wire.boards()) {
      if (study.network().joined(zero).contains(new TerminalRef(board.id(), "-"))
          || board.equals(wire.first().board())) continue;
      if (study.asDesigned().metal(zero).contains(new TerminalRef(board.id(), "-"))) continue;
      return Optional.of(
          finding(
              wire,
              Severity.ERROR,
              NO_COMMON,
              "%s and %s speak over a wire and no metal joins their 0 V: levels mean nothing between them. Join 0 V beside the line."
                  .formatted(wire.first().board().designation(), board.designation()),
              w));
    }
    return Optional.empty();
  }

  private static Optional<Verdict> settings(Wire wire, Working w, Study study) {
    var set = new HashSet<String>();
    var addresses = new HashSet<String>();
    var same = Optional.<String>empty();
    var ended = 0;
    var silent = 0;
    for (var board : wire.boards()) {
      var serial = study.project().setting(board.id(), "Serial");
      w.given("Serial", serial.orElse("not stated"), board.designation().text());
      serial.ifPresent(value -> set.add(value.strip().toLowerCase(java.util.Locale.ROOT)));
      var address = study.project().setting(board.id(), "Address");
      if (address.isPresent() && !addresses.add(address.get().strip())) same = address;
      var termination = study.project().setting(board.id(), "Termination");
      if (termination.isEmpty()) silent++;
      else if (termination.get().strip().equalsIgnoreCase("on")) ended++;
    }
    if (set.size() > 1)
      return Optional.of(
          finding(
              wire,
              Severity.ERROR,
              DIFFER,
              "The ends of the line at %s are set to %s: nothing understood. Set speed, bits and parity alike."
                  .formatted(
                      name(wire.first()), String.join(" and ", set.stream().sorted().toList())),
              w));
    if (same.isPresent())
      return Optional.of(
          finding(
              wire,
              Severity.ERROR,
              SAME_ADDRESS,
              "Two ends of the bus at %s have the address %s: both answer at once. Give each its own."
                  .formatted(name(wire.first()), same.get()),
              w));
    if (line(wire.first()) == Pin.Line.A && silent == 0 && ended != 2)
      return Optional.of(
          finding(
              wire,
              Severity.WARNING,
              TERMINATION,
              "%d of %d ends of the bus at %s have their resistor on; the two at its far ends must, and no other."
                  .formatted(ended, wire.boards().size(), name(wire.first())),
              w));
    return Optional.empty();
  }

  private static Optional<Verdict> length(Wire wire, Working w, Study study) {
    var joined = Set.copyOf(study.network().joined(wire.first().at()));
    var metres =
        study.project().conductors().stream()
            .filter(c -> joined.contains(c.from()))
            .map((Conductor c) -> study.length(c))
            .flatMap(Optional::stream)
            .mapToDouble(length -> length.metres())
            .sum();
    w.given("l", new nelvar.core.units.Length(metres), "of all wires joined");
    var speed =
        wire.boards().stream()
            .flatMap(board -> study.project().setting(board.id(), "Serial").stream())
            .map(SPEED::matcher)
            .filter(java.util.regex.Matcher::find)
            .map(at -> Double.parseDouble(at.group(1)))
            .findFirst();
    var bus = line(wire.first()).bus();
    var most =
        bus
            ? Math.min(BUS_METRES, speed.map(bits -> BUS_PRODUCT / bits).orElse(BUS_METRES))
            : SINGLE_METRES;
    if (metres <= most) return Optional.empty();
    return Optional.of(
        finding(
            wire,
            Severity.WARNING,
            TOO_LONG,
            "The line at %s is %s long; at its speed %s are sure. Set it slower, or %s."
                .formatted(
                    name(wire.first()),
                    new nelvar.core.units.Length(metres),
                    new nelvar.core.units.Length(most),
                    bus ? "put a repeater in between" : "take a two-wire bus"),
            w));
  }

  private static Pin.Line line(PinLink pin) {
    return pin.pin().line().orElseThrow();
  }

  private static String name(PinLink pin) {
    return pin.board().designation() + ":" + pin.pin().name();
  }

  private static Subject subject(Wire wire) {
    return new Subject.AtTerminal(wire.first().at());
  }

  private static Verdict finding(
      Wire wire, Severity severity, Reason reason, String text, Working w) {
    return new Verdict.Finding(
        subject(wire), severity, reason, text, w.explain(wire).trail(), List.of());
  }
}
