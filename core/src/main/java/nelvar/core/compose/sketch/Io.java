package nelvar.core.compose.sketch;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.DriverBoard;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Relay;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// What reads and what switches: pins of a controller and of as many extensions as are asked for,
/// relays where an output carries too little or stands on the wrong side of the stop.
///
/// Outputs switch +, the load hangs on 0 V: where 0 V is earthed, an earth fault behind an output
/// that switches 0 V would start what it drives (IEC 60204-1:2016, 9.4.3.1, unchecked).
public final class Io {
  private static final double LOGIC = 24;
  private static final String MORE = "extension-16di-16do";
  private static final String ANALOGUE = "extension-4ai-4ao";
  private static final String AXES = "extension-4ax";

  /// What a sourcing output carries; of each controller shipped, and common.
  private static final double OUTPUT = 0.5;

  /// What outputs of the shipped boards stand for a moment.
  private static final double PEAK = 1.5;

  /// What a relay of the catalogue switches at 24 V, with some to spare (of its 6 A).
  private static final double RELAY = 4;

  private static final String COIL = ", coil";

  /// Of a contactor: its loads take more where the mains is low.
  private static final double TO_SPARE = 1.15;

  /// Coils and lamps that one relay less is not worth an extension for.
  private static final int RELAYS = 4;

  private final Sketch sketch;
  private final Rails rails;
  private final Mains mains;
  private final List<TerminalRef> inputs = new ArrayList<>();
  private final List<TerminalRef> readings = new ArrayList<>();
  private final List<Spoken> spoken = new ArrayList<>();
  private final List<Axis> axes = new ArrayList<>();
  private final List<OnBoard> onBoard = new ArrayList<>();
  private final List<Out> outputs = new ArrayList<>();
  private Optional<Id> wanted = Optional.empty();

  private final Optional<Existing> existing;
  private final Composer.Beside how;
  private Architecture architecture = Architecture.STAND_ALONE;

  /// What runs the machine, where it is drawn up from nothing.
  void run(Architecture next) {
    architecture = next;
  }

  Io(Sketch sketch, Rails rails, Mains mains, Optional<Existing> existing, Composer.Beside how) {
    this.existing = existing;
    this.how = how;
    this.sketch = sketch;
    this.rails = rails;
    this.mains = mains;
  }

  private record Out(
      Rails.Fed fed,
      double amperes,
      double starting,
      boolean safe,
      Optional<Id> serves,
      String what) {}

  /// An analogue output and what it counts from.
  public record Spoken(TerminalRef signal, TerminalRef zero) {}

  /// Pulse and direction of an axis.
  public record Axis(
      TerminalRef stepPlus, TerminalRef stepMinus, TerminalRef dirPlus, TerminalRef dirMinus) {}

  /// An input that reads +.
  public TerminalRef input() {
    inputs.add(sketch.promise());
    return inputs.getLast();
  }

  /// A pin of a kind that is free in the machine that stands; none is drawn up for it.
  public Optional<TerminalRef> free(Pin.Type type) {
    return existing.flatMap(machine -> machine.pins().pin(type, Optional.empty()));
  }

  /// An analogue input.
  public TerminalRef reading() {
    readings.add(sketch.promise());
    return readings.getLast();
  }

  public Spoken speak() {
    spoken.add(new Spoken(sketch.promise(), sketch.promise()));
    return spoken.getLast();
  }

  public Axis axis() {
    axes.add(new Axis(sketch.promise(), sketch.promise(), sketch.promise(), sketch.promise()));
    return axes.getLast();
  }

  /// A drive on the board that runs the machine.
  private record OnBoard(List<TerminalRef> ends, double amperes, double volts) {}

  /// The board that runs a machine that is drawn up, where it carries its drives.
  private Optional<DriverBoard> board() {
    return existing.isPresent()
        ? Optional.empty()
        : sketch
            .catalogue()
            .find(architecture.main(true))
            .filter(DriverBoard.class::isInstance)
            .map(DriverBoard.class::cast);
  }

  /// What a drive on the board gives, A.
  public Optional<Double> boardCurrent() {
    return board().map(board -> board.rating().amperes());
  }

  /// The ends of a drive on a board: of the board that is to run the machine, else of one that
  /// stands and has a drive free; empty where drives stand beside what runs them.
  ///
  /// @param volts as said for the axis
  public Optional<List<TerminalRef>> driveOnBoard(double amperes, Optional<Double> volts) {
    if (existing.isPresent())
      return existing.flatMap(
          machine -> machine.pins().drive(new Current(amperes), volts.map(Voltage::new)));
    return board()
        .map(board -> {
          var bus = volts.orElse(LOGIC);
          if (amperes > board.rating().amperes())
            throw new Unmet(
                "it wants %s, and a drive on the board gives %s"
                    .formatted(new Current(amperes), board.rating()));
          if (!board.bus().contains(new Voltage(bus)))
            throw new Unmet(
                "it wants %s, and the drives on the board take %s"
                    .formatted(new Voltage(bus), board.bus()));
          if (onBoard.stream().anyMatch(other -> other.volts() != bus))
            throw new Unmet(
                "it wants other volts than its neighbours, and the board has one input for all its drives");
          if (onBoard.size() == board.axes())
            throw new Unmet(
                "the board has drives for %d axes, and more are wanted".formatted(board.axes()));
          var ends = java.util.stream.Stream.generate(sketch::promise).limit(4).toList();
          onBoard.add(new OnBoard(ends, amperes * board.chopping().fraction(), bus));
          return ends;
        });
  }

  /// A controller is wanted although nothing asks for a pin.
  ///
  /// @param function what it is there for
  public void want(Id function) {
    wanted = Optional.of(function);
  }

  /// + that a program switches, and the way back, for a direct-current load.
  ///
  /// @param safe whether a stop must take its volts away
  public Rails.Fed output(
      double volts, double amperes, boolean safe, Optional<Id> serves, String what) {
    return output(volts, amperes, amperes, safe, serves, what);
  }

  /// The same for a load that takes more while it starts.
  public Rails.Fed output(
      double volts,
      double amperes,
      double starting,
      boolean safe,
      Optional<Id> serves,
      String what) {
    var behindStop = safe && mains.stops();
    if (volts == LOGIC
        && amperes <= OUTPUT
        && starting <= PEAK
        && (!how.relays() || what.endsWith(COIL)))
      return direct(amperes, starting, behindStop, serves, what);
    var fed = rails.feed(volts, amperes, starting, behindStop, what, amperes > 1);
    return new Rails.Fed(
        amperes <= RELAY && breaks(volts, amperes)
            ? relay(fed.plus(), serves, what)
            : contactor(fed.plus(), serves, what),
        fed.zero());
  }

  /// Whether a small relay breaks it into a coil: at 24 V all that a relay is given here, above by
  /// its rating for direct current.
  private boolean breaks(double volts, double amperes) {
    return volts <= LOGIC
        || HangingBrakes.contact(small(), "11")
            .direct(new Voltage(volts))
            .filter(most -> amperes <= most.dc13().amperes())
            .isPresent();
  }

  private Relay small() {
    return sketch.cheapest(Relay.class, r -> r.coil().voltage().volts() == LOGIC).orElseThrow();
  }

  private Rails.Fed direct(
      double amperes, double starting, boolean safe, Optional<Id> serves, String what) {
    // Where the output switches 0 V, the load hangs on + that is always there.
    if (how.sinking())
      return existing
          .flatMap(machine -> machine.pins().sink(amperes, safe))
          .orElseThrow(() ->
              new Unmet(
                  safe
                      ? "no output that switches 0 V is free behind the stop"
                      : "no output that switches 0 V is free"));
    var fed = new Rails.Fed(sketch.promise(), sketch.promise());
    outputs.add(new Out(fed, amperes, starting, safe, serves, what));
    return fed;
  }

  /// A dry contact that a program closes: both its ends.
  public record Contact(TerminalRef a, TerminalRef b) {}

  public Contact contact(Optional<Id> serves, String what) {
    var relay = relayFor(serves, what);
    return new Contact(sketch.at(relay, "11"), sketch.at(relay, "14"));
  }

  private TerminalRef relay(TerminalRef from, Optional<Id> serves, String what) {
    var relay = relayFor(serves, what);
    sketch.wire(from, sketch.at(relay, "11"), Ink.CONTROL);
    return sketch.at(relay, "14");
  }

  private Device relayFor(Optional<Id> serves, String what) {
    var part = small();
    var relay = sketch.add(part, what, Place.PANEL, serves).withSuppression(Suppression.DIODE);
    sketch.change(relay);
    coil(relay, part.coil().power().watts(), serves, what);
    return relay;
  }

  private TerminalRef contactor(TerminalRef from, Optional<Id> serves, String what) {
    var device = contactor(1, 20, serves, what);
    sketch.wire(from, sketch.at(device, "1"), Ink.PLUS);
    return sketch.at(device, "2");
  }

  /// A contactor that a program pulls in, with its unused poles left open.
  ///
  /// @param amperes what its poles must at least be rated for
  public Device contactor(int poles, double amperes, Optional<Id> serves, String what) {
    var part =
        sketch
            .cheapest(
                Contactor.class,
                c ->
                    c.poles() == 3 && Mains.coil24(c) && c.rating().amperes() >= TO_SPARE * amperes)
            .orElseThrow(() ->
                new Unmet(
                    "no contactor of the catalogue switches %s A".formatted(Rail.round(amperes))));
    var device =
        sketch
            .add(part, what, Place.PANEL, serves)
            .withSuppression(Suppression.DIODE)
            .withSpare(Mains.spare(poles));
    sketch.change(device);
    coil(device, part.coil().power().watts(), serves, what);
    return device;
  }

  /// What its contact switches is behind the stop where that matters; the coil need not be.
  private void coil(Device device, double watts, Optional<Id> serves, String what) {
    var fed = output(LOGIC, watts / LOGIC, false, serves, what + COIL);
    sketch.wire(fed.plus(), sketch.at(device, "A1"), Ink.CONTROL);
    sketch.wire(sketch.at(device, "A2"), fed.zero(), Ink.CONTROL);
  }

  private static final String OUTPUTS = "outputs";

  /// Pins of one controller that are free yet.
  private final class Unit {
    private final Device device;
    private final Controller part;
    private final Part whole;
    private final boolean safe;
    private final Deque<Pin> reads = new ArrayDeque<>();
    private final Deque<Pin> gives = new ArrayDeque<>();
    private final Deque<Pin> measures = new ArrayDeque<>();
    private final Deque<Pin> speaks = new ArrayDeque<>();
    private final Deque<List<Pin>> steps = new ArrayDeque<>();
    private final List<Out> outs = new ArrayList<>();
    private double amperes;
    private double starting;

    Unit(String id, String purpose, boolean safe) {
      this.safe = safe;
      this.whole = sketch.catalogue().find(id).orElseThrow();
      this.part = whole.logic().orElseThrow();
      this.device = sketch.add(whole, purpose, Place.PANEL, wanted);
      var logic = rails.feed(LOGIC, part.current().amperes(), false, "controllers", false);
      sketch.wire(logic.plus(), sketch.at(device, "+"), Ink.PLUS);
      sketch.wire(sketch.at(device, "-"), logic.zero(), Ink.ZERO);
      var pulses = new ArrayList<Pin>();
      for (var pin : part.pins())
        switch (pin.type()) {
          case INPUT_READS_PLUS -> reads.add(pin);
          case OUTPUT_SOURCING -> gives.add(pin);
          case ANALOGUE_INPUT -> measures.add(pin);
          case ANALOGUE_OUTPUT -> {
            if (!pin.name().endsWith("0")) speaks.add(pin);
          }
          case OUTPUT_PULSES -> pulses.add(pin);
          default -> {}
        }
      for (var n = 0; n + 3 < pulses.size(); n += 4) steps.add(pulses.subList(n, n + 4));
    }

    TerminalRef at(Pin pin) {
      return sketch.at(device, pin.name());
    }
  }

  private final List<Unit> units = new ArrayList<>();

  /// Chooses controllers for what was asked for, and lands everything on them.
  ///
  /// Outputs that a stop must kill take their current from behind the stop (`P+`). A machine with
  /// few of them has relays instead, and one controller for all.
  void settle() {
    existing.ifPresent(this::land);
    if (nothing()) return;
    var steady = outputs.stream().anyMatch(out -> !out.safe());
    if (steady) safeByRelays();
    var main =
        new Unit(
            architecture.main(!axes.isEmpty() || !onBoard.isEmpty()),
            "controller",
            !steady && mains.stops() && !outputs.isEmpty());
    units.add(main);
    for (var out : outputs) give(out);
    for (var promise : inputs) sketch.keep(promise, pin(u -> u.reads, MORE, "more inputs", false));
    for (var promise : readings)
      sketch.keep(promise, pin(u -> u.measures, ANALOGUE, "analogue signals", false));
    for (var want : spoken) {
      var signal = pin(u -> u.speaks, ANALOGUE, "analogue signals", false);
      sketch.keep(want.signal(), signal);
      sketch.keep(want.zero(), new TerminalRef(signal.device(), "AO0"));
    }
    for (var axis : axes) land(axis);
    if (main.whole instanceof DriverBoard board) land(main, board);
    for (var unit : units) supplyOutputs(unit);
  }

  /// Everything that free pins can be found for; what is left gets pins of its own.
  private void land(Existing machine) {
    inputs.removeIf(
        promise -> kept(promise, machine.pins().pin(Pin.Type.INPUT_READS_PLUS, Optional.empty())));
    readings.removeIf(
        promise -> kept(promise, machine.pins().pin(Pin.Type.ANALOGUE_INPUT, Optional.empty())));
    spoken.removeIf(want -> {
      var signal = machine.pins().pin(Pin.Type.ANALOGUE_OUTPUT, Optional.empty());
      signal.ifPresent(end -> sketch.keep(want.zero(), new TerminalRef(end.device(), "AO0")));
      return kept(want.signal(), signal);
    });
    outputs.removeIf(out -> {
      var pin = machine.pins().pin(Pin.Type.OUTPUT_SOURCING, Optional.of(out.safe()));
      var zero = pin.flatMap(end -> machine.pins().zeroOf(end.device()));
      if (pin.isEmpty() || zero.isEmpty()) return false;
      sketch.keep(out.fed().zero(), zero.get());
      return kept(out.fed().plus(), pin);
    });
    axes.removeIf(axis -> {
      var pins = machine.pins().axis();
      pins.ifPresent(four -> {
        sketch.keep(axis.stepPlus(), four.get(0));
        sketch.keep(axis.stepMinus(), four.get(1));
        sketch.keep(axis.dirPlus(), four.get(2));
        sketch.keep(axis.dirMinus(), four.get(3));
      });
      return pins.isPresent();
    });
  }

  private boolean kept(TerminalRef promise, Optional<TerminalRef> terminal) {
    terminal.ifPresent(end -> sketch.keep(promise, end));
    return terminal.isPresent();
  }

  boolean nothing() {
    return wanted.isEmpty()
        && inputs.isEmpty()
        && readings.isEmpty()
        && spoken.isEmpty()
        && axes.isEmpty()
        && onBoard.isEmpty()
        && outputs.isEmpty();
  }

  /// Where some outputs stay on at a stop and few do not, those few get a relay each.
  private void safeByRelays() {
    var few = outputs.stream().filter(Out::safe).toList();
    if (few.size() > RELAYS) return;
    outputs.removeAll(few);
    for (var out : few) {
      var fed = rails.feed(LOGIC, out.amperes(), true, OUTPUTS, false);
      sketch.keep(out.fed().zero(), fed.zero());
      var part =
          sketch.cheapest(Relay.class, r -> r.coil().voltage().volts() == LOGIC).orElseThrow();
      var relay =
          sketch
              .add(part, out.what(), Place.PANEL, out.serves())
              .withSuppression(Suppression.DIODE);
      sketch.change(relay);
      coil(relay, part.coil().power().watts(), out.serves(), out.what());
      sketch.wire(fed.plus(), sketch.at(relay, "11"), Ink.CONTROL);
      sketch.keep(out.fed().plus(), sketch.at(relay, "14"));
    }
  }

  private void give(Out out) {
    for (var unit : units)
      if (unit.safe == out.safe()
          && !unit.gives.isEmpty()
          && unit.amperes + out.amperes() <= MOST_OUTPUTS) {
        land(unit, out);
        return;
      }
    var unit = new Unit(MORE, out.safe() ? "outputs behind the stop" : "more outputs", out.safe());
    units.add(unit);
    land(unit, out);
  }

  /// Of all outputs of one controller together: one channel of electronic protection.
  private static final double MOST_OUTPUTS = 4;

  private void land(Unit unit, Out out) {
    unit.amperes += out.amperes();
    unit.starting = Math.max(unit.starting, out.starting() - out.amperes());
    unit.outs.add(out);
    sketch.keep(out.fed().plus(), unit.at(unit.gives.removeFirst()));
  }

  private TerminalRef pin(
      java.util.function.Function<Unit, Deque<Pin>> which,
      String more,
      String purpose,
      boolean safe) {
    for (var unit : units)
      if (!which.apply(unit).isEmpty()) return unit.at(which.apply(unit).removeFirst());
    var unit = new Unit(more, purpose, safe);
    units.add(unit);
    return unit.at(which.apply(unit).removeFirst());
  }

  private void land(Axis axis) {
    var unit =
        units.stream()
            .filter(u -> !u.steps.isEmpty())
            .findFirst()
            .orElseGet(() -> {
              var more = new Unit(AXES, "more axes", false);
              units.add(more);
              return more;
            });
    var pins = unit.steps.removeFirst();
    sketch.keep(axis.stepPlus(), unit.at(pins.get(0)));
    sketch.keep(axis.stepMinus(), unit.at(pins.get(1)));
    sketch.keep(axis.dirPlus(), unit.at(pins.get(2)));
    sketch.keep(axis.dirMinus(), unit.at(pins.get(3)));
  }

  /// The drives of a board, on + that a stop takes away.
  private void land(Unit unit, DriverBoard board) {
    if (onBoard.isEmpty())
      throw new Unmet(
          "the board has drives for %d axes, and no stepper is wanted".formatted(board.axes()));
    for (var n = 0; n < onBoard.size(); n++) {
      var marks = board.axis(n + 1);
      for (var end = 0; end < marks.size(); end++)
        sketch.keep(onBoard.get(n).ends().get(end), sketch.at(unit.device, marks.get(end)));
    }
    var fed =
        rails.feed(
            onBoard.getFirst().volts(),
            onBoard.stream().mapToDouble(OnBoard::amperes).sum(),
            true,
            "axes",
            true);
    sketch.wire(fed.plus(), sketch.at(unit.device, board.busEnds().get(0)), Ink.BUS_PLUS);
    sketch.wire(sketch.at(unit.device, board.busEnds().get(1)), fed.zero(), Ink.BUS_ZERO);
  }

  private void supplyOutputs(Unit unit) {
    var mark = unit.part.outputSupply();
    if (mark.isEmpty() || unit.amperes == 0) return;
    var fed =
        rails.feed(LOGIC, unit.amperes, unit.amperes + unit.starting, unit.safe, OUTPUTS, true);
    sketch.wire(fed.plus(), sketch.at(unit.device, mark.get()), Ink.PLUS);
    // What an output switches goes back to the supply that feeds it.
    for (var out : unit.outs) sketch.keep(out.fed().zero(), rails.zero(fed));
  }
}
