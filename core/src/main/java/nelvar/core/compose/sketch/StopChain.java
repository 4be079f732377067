package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.ContactRating;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.SafetyRelay;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Voltage;

/// The stop: every button and guard with two contacts, one in each channel of a safety relay; two
/// contactors one behind the other; a reset that sees both of them released. Brakes get their volts
/// over a contact of each, from a supply that stays live: behind the contactors they would open as
/// late as its capacitors are empty.
///
/// Two channels are the industrial default. The draft claims no performance level: what a fault
/// does to it is asked of the network later.
public final class StopChain {
  private static final double LOGIC = 24;

  private final Sketch sketch;
  private final Rails rails;
  private final Mains mains;
  private final Strip strip;
  private Optional<TerminalRef> told = Optional.empty();
  private final List<Device> buttons = new ArrayList<>();
  private final List<Brake> brakes = new ArrayList<>();

  private final Optional<Existing> existing;

  StopChain(Sketch sketch, Rails rails, Mains mains, Strip strip, Optional<Existing> existing) {
    this.existing = existing;
    this.sketch = sketch;
    this.rails = rails;
    this.mains = mains;
    this.strip = strip;
  }

  /// A stop button or guard switch with two contacts closed at rest.
  public void add(Device button) {
    buttons.add(button);
    if (existing.isEmpty()) mains.stop();
  }

  /// The program hears of a stop on an input of its own, where there is a program: after the reset
  /// nothing may start that it has not asked for anew (IEC 60204-1:2016, 9.2.3.4.2, unchecked).
  void tell(Io io) {
    if (existing.isEmpty() && !buttons.isEmpty() && !io.nothing()) told = Optional.of(io.input());
  }

  /// A brake, and the dry contact that a program closes for it.
  private record Brake(Io.Contact contact, TerminalRef zero, double volts, double amperes) {}

  /// Whether a brake can hang on contacts of the chain: they are fed with one voltage, and break so
  /// much into coils.
  boolean breaks(double volts, double amperes) {
    var sum = amperes + brakes.stream().mapToDouble(Brake::amperes).sum();
    return existing.isEmpty()
        && mains.stops()
        && brakes.stream().allMatch(brake -> brake.volts() == volts)
        && Stream.of(contact(part(), "33"), contact(contactor(), "13"))
            .allMatch(rating ->
                rating
                    .direct(new Voltage(volts))
                    .filter(most -> sum <= most.dc13().amperes())
                    .isPresent());
  }

  private static ContactRating contact(Part part, String mark) {
    return part.links().stream()
        .filter(link -> link.a().equals(mark))
        .flatMap(link -> part.statedRating(link).or(() -> part.usualRating(link)).stream())
        .findFirst()
        .orElseThrow();
  }

  private Contactor contactor() {
    return sketch.cheapest(Contactor.class, c -> c.poles() == 3 && Mains.coil24(c)).orElseThrow();
  }

  /// Where the brake gets its volts.
  Rails.Fed brake(Io.Contact contact, double volts, double amperes) {
    var zero = sketch.promise();
    brakes.add(new Brake(contact, zero, volts, amperes));
    return new Rails.Fed(contact.b(), zero);
  }

  /// From + that stays, over the safety relay and a contactor that the reset sees, to the program's
  /// contact of each brake.
  private void brakes(Device relay, Device contactor) {
    var sum = brakes.stream().mapToDouble(Brake::amperes).sum();
    var fed = rails.feed(brakes.getFirst().volts(), sum, false, "safety", sum > 1);
    sketch.wire(fed.plus(), sketch.at(relay, "33"), Ink.CONTROL);
    sketch.wire(sketch.at(relay, "34"), sketch.at(contactor, "13"), Ink.CONTROL);
    var from = sketch.at(contactor, "14");
    for (var brake : brakes) {
      sketch.wire(from, brake.contact().a(), Ink.CONTROL);
      from = brake.contact().a();
      sketch.keep(brake.zero(), rails.zero(fed));
    }
  }

  private SafetyRelay part() {
    return sketch.cheapest(SafetyRelay.class, _ -> true).orElseThrow();
  }

  void settle() {
    if (buttons.isEmpty()) return;
    if (existing.isPresent()) {
      insert(existing.get());
      return;
    }
    var part = part();
    var relay = sketch.add(part, "safety relay", Place.PANEL, Optional.empty());
    var fed = rails.feed(LOGIC, part.current().amperes(), false, "safety", false);
    sketch.wire(fed.plus(), sketch.at(relay, "A1"), Ink.CONTROL);
    sketch.wire(sketch.at(relay, "A2"), fed.zero(), Ink.CONTROL);
    channels(relay);
    var contactors = mains.contactors();
    if (!brakes.isEmpty()) brakes(relay, contactors.getFirst());
    told.ifPresent(input -> {
      var plus = rails.feed(LOGIC, INPUT, false, "safety", false);
      var by = brakes.isEmpty() ? relay : contactors.getLast();
      var marks = brakes.isEmpty() ? List.of("33", "34") : List.of("13", "14");
      sketch.wire(plus.plus(), sketch.at(by, marks.getFirst()), Ink.CONTROL);
      sketch.wire(sketch.at(by, marks.getLast()), input, Ink.SIGNAL);
    });
    reset(relay, contactors);
    var output = 1;
    for (var contactor : contactors) {
      var in = sketch.at(relay, output + "3");
      var out = sketch.at(relay, output + "4");
      output++;
      var watts = ((Contactor) sketch.part(contactor.id())).coil().power().watts();
      // A larger contactor may follow when it is known what it cuts.
      var coil = rails.feed(LOGIC, Math.max(watts, LARGEST) / LOGIC, false, "safety", false);
      sketch.wire(coil.plus(), in, Ink.CONTROL);
      sketch.wire(out, sketch.at(contactor, "A1"), Ink.CONTROL);
      sketch.wire(sketch.at(contactor, "A2"), coil.zero(), Ink.CONTROL);
    }
  }

  /// Into an input of a controller, A.
  private static final double INPUT = 0.007;

  /// The coil of the largest contactor shipped, W.
  private static final double LARGEST = 9;

  /// Between the last button of a chain that stands and its safety relay: the two wires that end
  /// there are led to terminals, and from these through the new buttons.
  private void insert(Existing machine) {
    var relay =
        machine
            .stopRelay()
            .orElseThrow(() ->
                new Unmet(
                    "no chain of stops with a safety relay stands that it could be led into: draw the machine up with its stop, or wire it by hand"));
    var one = strip.next();
    var two = strip.next();
    sketch.move(sketch.at(relay, "S12"), one);
    sketch.move(sketch.at(relay, "S22"), two);
    channels(relay, one, two);
  }

  private void channels(Device relay) {
    channels(relay, sketch.at(relay, "S11"), sketch.at(relay, "S21"));
  }

  /// Both channels through all buttons; cables meet on terminals in the cabinet.
  private void channels(Device relay, TerminalRef first, TerminalRef second) {
    var one = first;
    var two = second;
    for (var n = 0; n < buttons.size(); n++) {
      var button = buttons.get(n);
      var last = n == buttons.size() - 1;
      var outOne = last ? sketch.at(relay, "S12") : strip.next();
      var outTwo = last ? sketch.at(relay, "S22") : strip.next();
      sketch.join(
          button,
          false,
          List.of(
              new Sketch.Core(one, sketch.at(button, "11"), Ink.CONTROL),
              new Sketch.Core(outOne, sketch.at(button, "12"), Ink.CONTROL),
              new Sketch.Core(two, sketch.at(button, "21"), Ink.CONTROL),
              new Sketch.Core(outTwo, sketch.at(button, "22"), Ink.CONTROL)));
      one = outOne;
      two = outTwo;
    }
  }

  private void reset(Device relay, List<Device> contactors) {
    var part =
        sketch
            .cheapest(ControlSwitch.class, s -> s.openContacts() == 1 && s.closedContacts() == 0)
            .orElseThrow();
    var button = sketch.add(part, "reset", Place.DOOR, Optional.empty());
    sketch.wire(sketch.at(relay, "S33"), sketch.at(button, "13"), Ink.CONTROL);
    TerminalRef from = sketch.at(button, "14");
    for (var contactor : contactors) {
      sketch.wire(from, sketch.at(contactor, "21"), Ink.CONTROL);
      from = sketch.at(contactor, "22");
    }
    sketch.wire(from, sketch.at(relay, "S34"), Ink.CONTROL);
  }
}
