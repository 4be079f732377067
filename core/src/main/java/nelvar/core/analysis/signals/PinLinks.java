package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.LoadMode;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// Every pin of every controller with what the engine finds at it.
///
/// Inputs are solved twice with hot wires and low mains, all else as it runs: with everything that
/// drives them conducting, and with nothing driving them. What can be asked at once is solved at
/// once, so the number of links does not matter. Drop and leakage of sensors are counted on top
/// ([Tolerance]). Outputs: [OutputLinks]; values: [AnalogueLinks].
public final class PinLinks {
  static final double LEAST = 1e-6;

  private PinLinks() {}

  /// By board in the order of the project, by pin in the order of the board.
  public static List<PinLink> of(Study study) {
    return study.once(PinLinks.class, () -> computed(study));
  }

  /// Whether a device has pins of its own.
  public static boolean board(Device device, Study study) {
    return study.part(device).flatMap(Part::logic).filter(l -> !l.pins().isEmpty()).isPresent();
  }

  /// Inputs that can be asked at once: none wants a contact otherwise than another.
  private static final class Batch {
    private final List<AskedPin> asked = new ArrayList<>();
    private final Map<ActuatorRef, Boolean> conducting = new LinkedHashMap<>();

    boolean takes(AskedPin one) {
      if (one.drivers().conducting().entrySet().stream()
          .anyMatch(e -> !conducting.getOrDefault(e.getKey(), e.getValue()).equals(e.getValue())))
        return false;
      asked.add(one);
      conducting.putAll(one.drivers().conducting());
      return true;
    }

    Live solved(boolean conducts, Study study) {
      return study.engine().solve(trial(conducts), Conditions.hotAndLow(study.hot()));
    }

    /// With the mains high and the loads at rest, where a supply follows it.
    Live most(boolean conducts, Study study) {
      return study.engine().solve(trial(conducts).with(LoadMode.IDLE), Conditions.COLD_AND_HIGH);
    }

    private WhatIf trial(boolean conducts) {
      var trial = WhatIf.AS_DESIGNED;
      for (var entry : conducting.entrySet())
        trial = trial.holding(entry.getKey(), entry.getValue() == conducts);
      return trial;
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
        if (!wired(at, study)) {
          all.put(at, free(device, pin));
          continue;
        }
        var asked = new AskedPin(device, logic.get(), pin, Drivers.of(at, study));
        all.put(at, pin.type().digitalInput() ? unproved(asked) : other(asked, study));
        if (pin.type().digitalInput() && !asked.drivers().none() && !silent(pin))
          put(asked, batches);
      }
    }
    var follows = followsTheMains(study);
    for (var batch : batches) {
      var on = batch.solved(true, study);
      var off = batch.solved(false, study);
      var most =
          follows ? List.of(batch.most(true, study), batch.most(false, study)) : List.<Live>of();
      for (var asked : batch.asked) {
        var link = proved(asked, on, off, study);
        all.put(asked.at(), tooHigh(asked, most).orElse(link));
      }
    }
    return List.copyOf(all.values());
  }

  /// Whether any direct current follows the mains and its load: a transformer with its bridge.
  private static boolean followsTheMains(Study study) {
    return study.network().sources().stream()
        .anyMatch(source ->
            !source.output().alternating()
                && study
                    .part(source.device())
                    .filter(part -> !part.regulatedSupply() && part.logic().isEmpty())
                    .isPresent());
  }

  /// More than an input bears, at the most volts its supply can give.
  private static Optional<PinLink> tooHigh(AskedPin asked, List<Live> states) {
    var bears = asked.pin().levels().greatest();
    return states.stream()
        .filter(Live::settled)
        .flatMap(live -> seen(asked, live).stream())
        .filter(seen -> seen.volts().compareTo(bears) > 0)
        .max(java.util.Comparator.comparing(PinLink.Seen::volts))
        .map(seen ->
            asked.found(
                Optional.of(seen),
                Optional.empty(),
                PinLink.Standing.WRONG,
                "it gets %s with the mains high and bears %s".formatted(seen.volts(), bears)));
  }

  /// Whether a wire lands on it, or on a pad of the board that leads to it.
  static boolean wired(TerminalRef at, Study study) {
    var topology = study.network().topology();
    return topology.wired(at) || study.network().joined(at).stream().anyMatch(topology::wired);
  }

  private static void put(AskedPin asked, List<Batch> batches) {
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
        false,
        "free: " + pin.type().words());
  }

  /// An input of its own logic that does not state its levels.
  private static boolean silent(Pin pin) {
    return pin.type() == Pin.Type.LOGIC_INPUT && pin.logic().isEmpty();
  }

  private static PinLink unproved(AskedPin asked) {
    if (silent(asked.pin()))
      return asked.said(PinLink.Standing.UNPROVED, "its levels are not stated");
    return asked.said(
        PinLink.Standing.UNPROVED,
        asked.drivers().partners().isEmpty()
            ? "nothing that switches is joined to it"
            : "what switches it is not stated in the data of what it is joined to");
  }

  private static PinLink proved(AskedPin asked, Live on, Live off, Study study) {
    var first = seen(asked, on);
    var second = seen(asked, off);
    if (first.isEmpty() || second.isEmpty() || !on.settled() || !off.settled())
      return asked.said(
          PinLink.Standing.UNPROVED,
          "no steady state is found for it, or nothing joins it to the 0 V of its board");
    var pin = asked.pin();
    var tolerance = Tolerance.of(asked, study);
    var driven = tolerance.on(first.get());
    var resting = tolerance.off(second.get());
    var sure = toldApart(pin, driven, resting);
    var plainly = toldApart(pin, first.get(), second.get());
    if (plainly && !sure && !tolerance.stated())
      return asked.found(
          first, second, PinLink.Standing.UNPROVED, tolerance.doubt(driven, resting));
    var load = plainly ? tolerance.loadMissing(driven) : Optional.<String>empty();
    return new PinLink(
        asked.board(),
        pin,
        asked.drivers().partners(),
        Optional.of(driven),
        Optional.of(resting),
        sure && load.isEmpty() ? PinLink.Standing.SURE : PinLink.Standing.WRONG,
        sure
            ? Optional.of(
                new Voltage(
                    Math.min(
                        margin(driven.volts(), pin.levels()),
                        margin(resting.volts(), pin.levels()))))
            : Optional.empty(),
        Optional.empty(),
        plainly && (!sure || load.isPresent()),
        load.orElseGet(() -> words(driven, resting, pin)));
  }

  private static boolean toldApart(Pin pin, PinLink.Seen on, PinLink.Seen off) {
    var reads = PinLink.reads(pin, on.volts());
    var rests = PinLink.reads(pin, off.volts());
    return reads != PinLink.Reads.BETWEEN
        && rests != PinLink.Reads.BETWEEN
        && reads != rests
        && bears(pin, on, off);
  }

  private static boolean bears(Pin pin, PinLink.Seen on, PinLink.Seen off) {
    var most = on.volts().compareTo(off.volts()) >= 0 ? on.volts() : off.volts();
    return most.compareTo(pin.levels().greatest()) <= 0;
  }

  /// To the nearer of both levels on the sure side; 0 between them.
  private static double margin(Voltage volts, Pin.Logic levels) {
    var above = volts.volts() - levels.high().volts();
    var below = levels.low().volts() - volts.volts();
    return Math.max(0, Math.max(above, below));
  }

  private static String words(PinLink.Seen on, PinLink.Seen off, Pin pin) {
    var levels = pin.levels();
    if (!bears(pin, on, off))
      return "it gets %s and bears %s"
          .formatted(
              on.volts().compareTo(off.volts()) >= 0 ? on.volts() : off.volts(), levels.greatest());
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

  private static Optional<PinLink.Seen> seen(AskedPin asked, Live live) {
    return live.voltage(asked.at(), asked.zero())
        .map(Live.Both::direct)
        .map(volts -> {
          var against =
              asked.pin().type() == Pin.Type.INPUT_READS_MINUS
                  ? live.voltage(new TerminalRef(asked.board().id(), "+"), asked.zero())
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

  /// Whether what sends meets what receives; how both ends are set is judged by its rule.
  private static PinLink serial(AskedPin asked, Study study) {
    var other =
        asked.drivers().partners().stream()
            .flatMap(end ->
                study.device(end.device()).flatMap(study::part).flatMap(Part::logic).stream()
                    .flatMap(logic -> logic.pins().stream())
                    .filter(pin -> pin.name().equals(end.terminal())))
            .flatMap(pin -> pin.line().stream())
            .findFirst();
    var mine = asked.pin().line();
    if (other.isEmpty() || mine.isEmpty())
      return asked.said(
          PinLink.Standing.UNPROVED, "a serial line: which wire of it this is, is not stated");
    return mine.get().other() == other.get()
        ? asked.said(
            PinLink.Standing.SURE,
            "%s, and at the other end %s".formatted(mine.get().words(), other.get().words()))
        : asked.said(
            PinLink.Standing.WRONG, "%s, and at the other end too".formatted(mine.get().words()));
  }

  private static PinLink other(AskedPin asked, Study study) {
    var pin = asked.pin();
    if (pin.type().switches()) return OutputLinks.switched(asked, study);
    if (pin.type().steps()) return OutputLinks.pulses(asked.withLoads(study), study);
    if (pin.type().analogue()) return AnalogueLinks.of(asked, study);
    if (pin.type() == Pin.Type.THERMISTOR) return ThermistorLink.of(asked, study);
    if (pin.type() == Pin.Type.SERIAL) return serial(asked.withLoads(study), study);
    return asked
        .withLoads(study)
        .said(
            PinLink.Standing.UNPROVED,
            pin.type() == Pin.Type.ALWAYS_ON
                ? "always on: no program switches it"
                : "nothing is known of what it does");
  }
}
