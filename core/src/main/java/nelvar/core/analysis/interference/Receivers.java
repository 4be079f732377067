package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Potentials;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Receiver.Kind;
import nelvar.core.analysis.signals.PassedOn;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.PassedLine;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.PulseInput;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// Everything that can be disturbed: inputs of controllers, drives that take pulses or a command,
/// lines that data goes over, leads of computers.
///
/// Too much is: of a digital input what it may still read as 0 (IEC 61131-2, unchecked), of a value
/// 1 % of its range (common practice), of pulses half the current at which the drive surely sees
/// one (assumed), of a serial line its logic level, 0.2 V on a bus of two wires (TIA/EIA-485, from
/// memory). How long a disturbance must last is typical of the kind of input; the setting `Input
/// filter` of a board says its own.
public final class Receivers {
  /// Ω of whatever sends 0–10 V, pulses or data, where nothing is stated (assumed).
  private static final double SENDER = 100;

  /// V between two wires that turn what a line receiver hears over: driven at least 2 V, heard from
  /// 0.2 V.
  private static final double LINE = 1.8;

  /// Of the range of a value.
  private static final double SHARE = 0.01;

  private final Study study;
  private final Potentials nets;
  private final Map<Integer, List<TerminalRef>> speaking = new HashMap<>();
  private final Map<Integer, List<Conductor>> wires = new HashMap<>();
  private final List<Receiver> all = new ArrayList<>();
  private final SignalWires ways;

  private Receivers(Study study) {
    this.study = study;
    this.nets = Potentials.of(study);
    for (var wire : study.project().conductors())
      if (wire.carriesWork() && !wire.plugged())
        wires.computeIfAbsent(nets.at(wire.from()), _ -> new ArrayList<>()).add(wire);
    for (var device : study.project().devices())
      study
          .part(device)
          .filter(part -> part.row().isEmpty() && part.faces().isEmpty())
          .ifPresent(part ->
              part.terminals()
                  .forEach(t -> {
                    var at = new TerminalRef(device.id(), t.name());
                    speaking.computeIfAbsent(nets.at(at), _ -> new ArrayList<>()).add(at);
                  }));
    this.ways = new SignalWires(study, nets, wires);
    for (var device : study.project().devices())
      study.part(device).flatMap(Part::logic).ifPresent(logic -> of(device, logic));
    PassedOn.all(study).forEach(this::passed);
    for (var device : study.project().devices())
      if (study.part(device).filter(Part::hostsBoards).isPresent()) link(device);
  }

  public static List<Receiver> of(Study study) {
    return study.once(Receivers.class, () -> List.copyOf(new Receivers(study).all));
  }

  private void of(Device board, Controller logic) {
    for (var pin : logic.pins()) {
      var at = new TerminalRef(board.id(), pin.name());
      var lying = wires.getOrDefault(nets.at(at), List.of());
      if (lying.isEmpty()) continue;
      var partner =
          speaking.getOrDefault(nets.at(at), List.of()).stream()
              .filter(end -> !end.device().equals(board.id()))
              .findFirst();
      heard(pin, at, partner, lying);
    }
  }

  private void heard(
      Pin pin, TerminalRef at, Optional<TerminalRef> partner, List<Conductor> lying) {
    switch (pin.type()) {
      case INPUT_READS_PLUS, INPUT_READS_MINUS ->
          add(
              at,
              Kind.DIGITAL,
              partner,
              lying,
              pin.levels().low().volts(),
              pin.load().ohms(),
              false,
              "still a 0 up to " + pin.levels().low());
      case LOGIC_INPUT ->
          add(
              at,
              Kind.LOGIC,
              partner,
              lying,
              pin.levels().low().volts(),
              pin.logic().flatMap(Pin.Logic::pullUp).map(r -> r.ohms()).orElse(10_000.0),
              false,
              "still a 0 up to " + pin.levels().low());
      case ANALOGUE_INPUT ->
          add(
              at,
              Kind.ANALOGUE,
              partner,
              lying,
              10 * SHARE,
              beside(pin.load().ohms(), sender(partner)),
              false,
              "1 % of 10 V");
      case CURRENT_INPUT ->
          add(
              at,
              Kind.LOOP,
              partner,
              lying,
              0.02 * pin.load().ohms() * SHARE,
              pin.load().ohms(),
              false,
              "1 % of 20 mA over " + pin.load());
      case THERMISTOR -> {
        var pull = pin.logic().flatMap(Pin.Logic::pullUp).map(r -> r.ohms()).orElse(4700.0);
        var volts = pin.logic().flatMap(Pin.Logic::supply).map(v -> v.volts()).orElse(3.3);
        add(
            at,
            Kind.THERMISTOR,
            partner,
            lying,
            volts * SHARE,
            pull / 2,
            false,
            "1 %% of %.1f V".formatted(volts));
      }
      case OUTPUT_PULSES, OUTPUT_PULSES_SINGLE ->
          partner.ifPresent(
              drive -> pulses(drive, at, PassedOn.onPair(pin, at, study), Kind.PULSES, lying));
      case ANALOGUE_OUTPUT -> partner.ifPresent(drive -> command(pin, drive, at, lying));
      case SERIAL -> serial(pin, at, partner, lying);
      default -> {}
    }
  }

  /// The lead of a computer to its board: two lines of data beside 5 V and 0 V, in a shield that
  /// its plugs join at both ends. Where the computer is earthed it closes a ring over the machine.
  private void link(Device computer) {
    for (var wire : study.at(computer.id())) {
      var mine = wire.from().device().equals(computer.id()) ? wire.from() : wire.to();
      var board = mine.equals(wire.from()) ? wire.to() : wire.from();
      if (!mine.terminal().equals("0V")) continue;
      var length = study.length(wire).map(l -> l.metres()).orElse(-1.0);
      var earthed =
          study.part(computer).stream()
              .flatMap(part -> part.terminals().stream())
              .anyMatch(t -> t.role() == Terminal.Role.PROTECTIVE);
      all.add(
          new Receiver(
              board,
              Kind.USB,
              Optional.of(mine),
              List.of(wire),
              study.cable(wire),
              0.8,
              SENDER / 2,
              Kind.USB.filter(),
              1,
              new Shielding(
                  true,
                  Cable.Ending.PIGTAIL,
                  earthed ? Cable.Ending.PIGTAIL : Cable.Ending.OPEN,
                  length,
                  true),
              Lays.of(List.of(wire), study),
              List.of(),
              study.cable(wire).map(c -> c.label().text()).orElse("USB"),
              computer.purpose().isBlank() ? computer.designation().text() : computer.purpose(),
              "a line still 0 up to 0.8 V (USB 2.0, 7.1.4.1, from memory)"));
    }
  }

  private double sender(Optional<TerminalRef> partner) {
    return partner
        .flatMap(end -> study.device(end.device()))
        .flatMap(study::part)
        .filter(Sensor.class::isInstance)
        .flatMap(part -> ((Sensor) part).stated().source())
        .map(r -> r.ohms())
        .orElse(SENDER);
  }

  private static double beside(double a, double b) {
    return a * b / (a + b);
  }

  /// @param pair whether they come over two wires
  private void pulses(
      TerminalRef drive, TerminalRef from, boolean pair, Kind kind, List<Conductor> lying) {
    var input = study.device(drive.device()).flatMap(study::part).flatMap(Part::pulseInput);
    if (input.isEmpty()) return;
    var i = input.get();
    var volts =
        i.logicHigh()
            .map(v -> v.volts() / 2)
            .orElse(i.least().amperes() / 2 * i.resistance().ohms() + i.forward().volts());
    add(
        drive,
        kind,
        Optional.of(from),
        lying,
        volts,
        beside(SENDER, ohms(i)),
        pair,
        i.logicHigh()
            .map(high -> "half of %s in its input".formatted(high))
            .orElseGet(() -> "half of %s in its input".formatted(i.least())));
  }

  /// What a line driver or receiver hears, and drives that hear a line driver. How short a spike
  /// counts says what hears at the end.
  private void passed(PassedOn.Hop hop) {
    var sent = wires.getOrDefault(nets.at(hop.out()), List.of());
    if (!sent.isEmpty())
      speaking.getOrDefault(nets.at(hop.out()), List.of()).stream()
          .filter(end -> !end.device().equals(hop.device().id()))
          .findFirst()
          .filter(end -> !board(end))
          .ifPresent(end ->
              pulses(
                  end,
                  hop.out(),
                  PassedOn.onPair(hop.out(), hop.outReturn(), end, study),
                  Kind.PULSES,
                  sent));
    var heard = wires.getOrDefault(nets.at(hop.in()), List.of());
    var from =
        speaking.getOrDefault(nets.at(hop.in()), List.of()).stream()
            .filter(end -> !end.device().equals(hop.device().id()))
            .findFirst();
    if (heard.isEmpty() || from.isEmpty()) return;
    if (hop.inReturn().isPresent()) line(hop, from.get(), heard);
    // Pulses of a pin are heard where the pin is asked.
    else if (!board(from.get())) pulses(hop.in(), from.get(), false, Kind.LOGIC, heard);
  }

  private boolean board(TerminalRef end) {
    return study.device(end.device()).flatMap(study::part).flatMap(Part::logic).isPresent();
  }

  private void line(PassedOn.Hop hop, TerminalRef from, List<Conductor> heard) {
    add(
        hop.in(),
        Kind.LOGIC,
        Optional.of(from),
        heard,
        LINE,
        beside(SENDER, PassedLine.ENDING.ohms()),
        PassedOn.other(from)
            .filter(inverse -> PassedOn.onPair(from, Optional.of(inverse), hop.in(), study))
            .isPresent(),
        "driven 2 V, told apart from 0.2 V (TIA/EIA-422-B, from memory)");
  }

  private static double ohms(PulseInput input) {
    return Math.max(1, input.resistance().ohms());
  }

  private void command(Pin pin, TerminalRef drive, TerminalRef from, List<Conductor> lying) {
    var part = study.device(drive.device()).flatMap(study::part);
    var command = part.flatMap(Part::command).filter(c -> c.signal().equals(drive.terminal()));
    if (command.isEmpty()) return;
    add(
        drive,
        Kind.ANALOGUE,
        Optional.of(from),
        lying,
        10 * SHARE,
        beside(
            command.get().resistance().ohms(),
            pin.value().resistance().map(r -> r.ohms()).orElse(SENDER)),
        false,
        "1 % of 10 V");
  }

  /// Only what hears: the sender drives its line hard.
  private void serial(
      Pin pin, TerminalRef at, Optional<TerminalRef> partner, List<Conductor> lying) {
    var line = pin.line();
    if (line.filter(l -> l == Pin.Line.TX).isPresent()) return;
    var bus = line.filter(Pin.Line::bus).isPresent();
    if (line.filter(l -> l == Pin.Line.B).isPresent()) return;
    add(
        at,
        Kind.SERIAL,
        partner,
        lying,
        bus ? 0.2 : 0.8,
        SENDER,
        bus,
        bus ? "0.2 V between its lines" : "still a 0 up to 0.8 V");
  }

  private void add(
      TerminalRef at,
      Kind kind,
      Optional<TerminalRef> partner,
      List<Conductor> lying,
      double threshold,
      double seen,
      boolean pair,
      String basis) {
    var cable = lying.stream().flatMap(w -> study.cable(w).stream()).findFirst();
    var length =
        lying.stream()
            .flatMap(w -> study.length(w).stream())
            .mapToDouble(l -> l.metres())
            .max()
            .orElse(-1);
    var own = Own.seconds(ways.hearsAtTheEnd(at), "Input filter", study);
    all.add(
        new Receiver(
            at,
            kind,
            partner,
            lying,
            cable,
            threshold,
            seen,
            own.orElse(kind.filter()),
            pair ? ways.unbalance(kind, threshold, at, cable) : 1,
            Shielding.of(cable, length, study),
            ways.comesBack(at, cable)
                ? Lays.of(lying, study)
                : Lays.of(lying, study).withoutWayBack(),
            partner.map(end -> ways.apart(at, end)).orElse(List.of()),
            cable
                .map(Cable::label)
                .map(l -> l.text())
                .orElse(study.label(at.device()) + ":" + at.terminal()),
            partner
                .flatMap(end -> study.device(end.device()))
                .map(d -> d.purpose().isBlank() ? d.designation().text() : d.purpose())
                .orElse(kind.words()),
            basis));
  }
}
