package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.formula.InputCircuit;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.PoleRef;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// Every pin of every controller with what the engine finds at it.
///
/// Inputs are solved twice with hot wires and low mains, all else as it runs: with everything that
/// drives them conducting, and with nothing driving them. What can be asked at once is solved at
/// once, so the number of links does not matter. Outputs are solved on, with cold wires and high
/// mains, where they carry most.
public final class PinLinks {
  private static final double LEAST = 1e-6;

  private PinLinks() {}

  /// By board in the order of the project, by pin in the order of the board.
  public static List<PinLink> of(Study study) {
    return study.once(PinLinks.class, () -> computed(study));
  }

  /// Whether a device has pins of its own.
  public static boolean board(Device device, Study study) {
    return study.part(device).flatMap(Part::logic).filter(l -> !l.pins().isEmpty()).isPresent();
  }

  private record Asked(Device board, Controller logic, Pin pin, Drivers drivers) {
    TerminalRef at() {
      return new TerminalRef(board.id(), pin.name());
    }

    Asked with(List<TerminalRef> partners) {
      return new Asked(board, logic, pin, new Drivers(drivers.conducting(), partners));
    }
  }

  /// Inputs that can be asked at once: none wants a contact otherwise than another.
  private static final class Batch {
    private final List<Asked> asked = new ArrayList<>();
    private final Map<ActuatorRef, Boolean> conducting = new LinkedHashMap<>();

    boolean takes(Asked one) {
      if (one.drivers().conducting().entrySet().stream()
          .anyMatch(e -> !conducting.getOrDefault(e.getKey(), e.getValue()).equals(e.getValue())))
        return false;
      asked.add(one);
      conducting.putAll(one.drivers().conducting());
      return true;
    }

    Live solved(boolean conducts, Study study) {
      var trial = WhatIf.AS_DESIGNED;
      for (var entry : conducting.entrySet())
        trial = trial.holding(entry.getKey(), entry.getValue() == conducts);
      return study.engine().solve(trial, Conditions.hotAndLow(study.hot()));
    }
  }

  private static List<PinLink> computed(Study study) {
    var all = new LinkedHashMap<TerminalRef, PinLink>();
    var batches = new ArrayList<Batch>();
    for (var device : study.project().devices()) {
      var logic = study.part(device).flatMap(Part::logic);
      if (logic.isEmpty()) continue;
      for (var pin : logic.get().pins()) {
        var at = new TerminalRef(device.id(), pin.name());
        if (!study.network().topology().wired(at)) {
          all.put(at, free(device, pin));
          continue;
        }
        var asked = new Asked(device, logic.get(), pin, Drivers.of(at, study));
        all.put(at, pin.type().digitalInput() ? unproved(asked) : other(asked, study));
        if (pin.type().digitalInput() && !asked.drivers().none() && !silent(pin))
          put(asked, batches);
      }
    }
    for (var batch : batches) {
      var on = batch.solved(true, study);
      var off = batch.solved(false, study);
      for (var asked : batch.asked) all.put(asked.at(), proved(asked, on, off));
    }
    return List.copyOf(all.values());
  }

  private static void put(Asked asked, List<Batch> batches) {
    for (var batch : batches) if (batch.takes(asked)) return;
    var next = new Batch();
    next.takes(asked);
    batches.add(next);
  }

  private static PinLink free(Device device, Pin pin) {
    return new PinLink(
        device,
        pin,
        List.of(),
        Optional.empty(),
        Optional.empty(),
        PinLink.Standing.FREE,
        Optional.empty(),
        Optional.empty(),
        "free: " + pin.type().words());
  }

  private static PinLink said(Asked asked, PinLink.Standing standing, String words) {
    return new PinLink(
        asked.board(),
        asked.pin(),
        asked.drivers().partners(),
        Optional.empty(),
        Optional.empty(),
        standing,
        Optional.empty(),
        Optional.empty(),
        words);
  }

  /// An input of its own logic that does not state its levels.
  private static boolean silent(Pin pin) {
    return pin.type() == Pin.Type.LOGIC_INPUT && pin.logic().isEmpty();
  }

  private static PinLink unproved(Asked asked) {
    if (silent(asked.pin()))
      return said(asked, PinLink.Standing.UNPROVED, "its levels are not stated");
    return said(
        asked,
        PinLink.Standing.UNPROVED,
        asked.drivers().partners().isEmpty()
            ? "nothing that switches is joined to it"
            : "what switches it is not stated in the data of what it is joined to");
  }

  private static PinLink proved(Asked asked, Live on, Live off) {
    var first = seen(asked, on);
    var second = seen(asked, off);
    if (first.isEmpty() || second.isEmpty() || !on.settled() || !off.settled())
      return said(
          asked,
          PinLink.Standing.UNPROVED,
          "no steady state is found for it, or nothing joins it to the 0 V of its board");
    var pin = asked.pin();
    var levels = pin.levels();
    var reads = PinLink.reads(pin, first.get().volts());
    var rests = PinLink.reads(pin, second.get().volts());
    var most =
        first.get().volts().compareTo(second.get().volts()) >= 0
            ? first.get().volts()
            : second.get().volts();
    var bears = most.compareTo(levels.greatest()) <= 0;
    var sure =
        reads != PinLink.Reads.BETWEEN && rests != PinLink.Reads.BETWEEN && reads != rests && bears;
    return new PinLink(
        asked.board(),
        pin,
        asked.drivers().partners(),
        first,
        second,
        sure ? PinLink.Standing.SURE : PinLink.Standing.WRONG,
        sure
            ? Optional.of(
                new Voltage(
                    Math.min(
                        margin(first.get().volts(), levels), margin(second.get().volts(), levels))))
            : Optional.empty(),
        Optional.empty(),
        words(first.get(), second.get(), pin, bears));
  }

  /// To the nearer of both levels on the sure side; 0 between them.
  private static double margin(Voltage volts, Pin.Logic levels) {
    var above = volts.volts() - levels.high().volts();
    var below = levels.low().volts() - volts.volts();
    return Math.max(0, Math.max(above, below));
  }

  private static String words(PinLink.Seen on, PinLink.Seen off, Pin pin, boolean bears) {
    var levels = pin.levels();
    if (!bears) return "it gets %s and bears %s".formatted(on.volts(), levels.greatest());
    var reads = PinLink.reads(pin, on.volts());
    var rests = PinLink.reads(pin, off.volts());
    if (reads == rests && reads != PinLink.Reads.BETWEEN)
      return "it %s whatever drives it: %s and %s"
          .formatted(reads.words(), on.volts(), off.volts());
    if (reads == PinLink.Reads.BETWEEN || rests == PinLink.Reads.BETWEEN)
      return "it gets %s; surely told apart are at most %s and at least %s"
          .formatted(
              reads == PinLink.Reads.BETWEEN ? on.volts() : off.volts(),
              levels.low(),
              levels.high());
    return "%s at %s driven, %s at %s at rest"
        .formatted(reads.words(), on.volts(), rests.words(), off.volts());
  }

  private static Optional<PinLink.Seen> seen(Asked asked, Live live) {
    var zero = new TerminalRef(asked.board().id(), "-");
    return live.voltage(asked.at(), zero)
        .map(Live.Both::direct)
        .map(volts -> {
          var against =
              asked.pin().type() == Pin.Type.INPUT_READS_MINUS
                  ? live.voltage(new TerminalRef(asked.board().id(), "+"), zero)
                      .map(Live.Both::direct)
                      .orElse(0.0)
                  : asked.pin().levels().supply().map(Voltage::volts).orElse(0.0);
          var ohms = asked.pin().levels().pullUp().orElse(asked.pin().load()).ohms();
          return new PinLink.Seen(
              // What rounding leaves is nothing.
              new Voltage(volts < LEAST ? 0 : volts),
              new Current(flows(Math.abs(volts - against) / ohms)));
        });
  }

  private static double flows(double amperes) {
    return amperes < LEAST ? 0 : amperes;
  }

  private static PinLink other(Asked asked, Study study) {
    var pin = asked.pin();
    if (pin.type().switches()) return output(asked, study);
    if (pin.type() == Pin.Type.OUTPUT_PULSES || pin.type() == Pin.Type.OUTPUT_PULSES_SINGLE)
      return pulses(asked.with(loads(asked, study)), study);
    return said(
        asked.with(loads(asked, study)),
        PinLink.Standing.UNPROVED,
        switch (pin.type()) {
          case ALWAYS_ON -> "always on: no program switches it";
          case ANALOGUE_OUTPUT -> "0–10 V: what takes it does not state its resistance";
          case ANALOGUE_INPUT, CURRENT_INPUT -> "a value, not a level: its scale is set by hand";
          case THERMISTOR -> "a thermistor: its curve is set in firmware";
          default -> "a serial line: its settings are made at both ends";
        });
  }

  /// What drives of pulses commonly give, where nothing is stated.
  private static final Voltage PULSES = new Voltage(5);

  /// Amperes in the optocoupler of the drive, and whether it sees pulses as short as they come.
  private static PinLink pulses(Asked asked, Study study) {
    var taken =
        asked.drivers().partners().stream()
            .flatMap(end -> study.device(end.device()).stream())
            .flatMap(device -> study.part(device).stream())
            .flatMap(part -> part.pulseInput().stream())
            .findFirst();
    var pin = asked.pin();
    if (taken.isEmpty())
      return said(
          asked,
          PinLink.Standing.UNPROVED,
          "pulses: levels and times of what takes them are not stated");
    if (pin.pulse().isEmpty() || pin.frequency().isEmpty())
      return said(asked, PinLink.Standing.UNPROVED, "pulses: how short and how fast is not stated");
    if (pin.type() == Pin.Type.OUTPUT_PULSES_SINGLE && pin.logic().isEmpty())
      return said(asked, PinLink.Standing.UNPROVED, "pulses: their volts are not stated");
    var volts = pin.logic().flatMap(Pin.Logic::supply).orElse(PULSES);
    var input = taken.get();
    var current = InputCircuit.coupled(volts, input.forward(), input.resistance());
    var wrong =
        current.compareTo(input.least()) < 0
            ? "gives %s, and the drive wants %s to see them".formatted(current, input.least())
            : current.compareTo(input.greatest()) > 0
                ? "gives %s, and the drive bears %s: put a resistor before it"
                    .formatted(current, input.greatest())
                : pin.pulse().get().compareTo(input.pulse()) < 0
                    ? "pulses of %s, and the drive sees none below %s: set them longer"
                        .formatted(pin.pulse().get(), input.pulse())
                    : "";
    var fastest =
        pin.frequency().get().compareTo(input.frequency()) < 0
            ? pin.frequency().get()
            : input.frequency();
    return new PinLink(
        asked.board(),
        pin,
        asked.drivers().partners(),
        Optional.of(new PinLink.Seen(volts, current)),
        Optional.empty(),
        wrong.isEmpty() ? PinLink.Standing.SURE : PinLink.Standing.WRONG,
        Optional.empty(),
        Optional.empty(),
        wrong.isEmpty()
            ? "%s into the drive, pulses of %s where %s are seen, up to %s"
                .formatted(current, pin.pulse().get(), input.pulse(), fastest)
            : wrong);
  }

  private static PinLink output(Asked asked, Study study) {
    var live = most(study);
    var pole =
        asked.logic().links().stream()
            .filter(link -> link.actuator().equals(Optional.of(asked.pin().name())))
            .map(link ->
                new PoleRef(
                    new TerminalRef(asked.board().id(), link.a()),
                    new TerminalRef(asked.board().id(), link.b())))
            .findFirst();
    var current = pole.flatMap(live::current);
    if (current.isEmpty() || !live.settled())
      return said(asked, PinLink.Standing.UNPROVED, "no steady state is found for it");
    if (current.get().rms() < LEAST)
      return said(
          asked.with(loads(asked, study)),
          PinLink.Standing.UNPROVED,
          "carries nothing with everything on: what hangs on it is not fed, or nothing does");
    var amperes = new Current(current.get().rms());
    var volts =
        live.voltage(asked.at(), new TerminalRef(asked.board().id(), "-"))
            .map(both -> new Voltage(both.rms()));
    var rating = asked.pin().rating();
    var standing =
        rating.isEmpty()
            ? PinLink.Standing.UNPROVED
            : amperes.compareTo(rating.get()) <= 0 ? PinLink.Standing.SURE : PinLink.Standing.WRONG;
    var loads = loads(asked, study);
    return new PinLink(
        asked.board(),
        asked.pin(),
        loads,
        volts.map(v -> new PinLink.Seen(v, amperes)),
        Optional.empty(),
        standing,
        Optional.empty(),
        rating.map(r -> new Current(Math.max(0, r.amperes() - amperes.amperes()))),
        rating.isEmpty()
            ? "carries %s; what it may carry is not stated".formatted(amperes)
            : "carries %s of %s".formatted(amperes, rating.get()));
  }

  /// Everything on, cold wires, mains high.
  private static Live most(Study study) {
    return study.once(
        "everything on, cold and high",
        () -> study.engine().solve(WhatIf.AS_DESIGNED, Conditions.COLD_AND_HIGH));
  }

  /// What hangs on an output: devices that take a current, move with a coil or read.
  private static List<TerminalRef> loads(Asked asked, Study study) {
    return study.network().joined(asked.at()).stream()
        .filter(end -> !end.device().equals(asked.board().id()))
        .filter(end ->
            study
                .device(end.device())
                .flatMap(study::part)
                .filter(part ->
                    part.ownCoil().isPresent()
                        || part.logic().isPresent()
                        || !part.intakes(nelvar.core.catalogue.Linkage.STAR).isEmpty())
                .isPresent())
        .toList();
  }
}
