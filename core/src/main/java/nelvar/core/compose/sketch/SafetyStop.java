package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Relay;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;

/// Every button and guard with two contacts, one in each channel of a safety relay; two contactors
/// one behind the other; a reset that sees both of them released. Two channels are the industrial
/// default.
///
/// Where drives slow down first (IEC 60204-1, category 1), the contacts that open at once take the
/// run inputs and tell the program, those that open late the power.
final class SafetyStop implements StopChain.Acting {
  private static final double LOGIC = 24;

  /// Into an input of a controller, A.
  private static final double INPUT = 0.007;

  /// Into both torque inputs of a drive, A.
  private static final double TORQUE = 0.022;

  /// The coil of the largest contactor shipped, W.
  private static final double LARGEST = 9;

  /// A coil of a small relay, W.
  private static final double SMALL = 1;

  private final Sketch sketch;
  private final Rails rails;
  private final Mains mains;
  private final Strip strip;
  private final boolean inTwoSteps;
  private final HangingBrakes brakes;
  private final List<Device> torque = new ArrayList<>();
  private final List<Run> runs = new ArrayList<>();
  private Optional<TerminalRef> told = Optional.empty();

  /// A run input that the stop opens.
  private record Run(TerminalRef from, TerminalRef input) {}

  SafetyStop(Sketch sketch, Rails rails, Mains mains, Strip strip, boolean inTwoSteps) {
    this.sketch = sketch;
    this.rails = rails;
    this.mains = mains;
    this.strip = strip;
    this.inTwoSteps = inTwoSteps;
    this.brakes = new HangingBrakes(sketch, rails);
  }

  void torque(Device drive) {
    torque.add(drive);
  }

  TerminalRef run(TerminalRef input) {
    var from = sketch.promise();
    runs.add(new Run(from, input));
    return from;
  }

  /// The program hears of a stop on an input of its own, where there is a program: after the reset
  /// nothing may start that it has not asked for anew (IEC 60204-1:2016, 9.2.3.4.2, unchecked).
  @Override
  public void tell(List<Device> buttons, Io io) {
    told = Optional.of(io.input());
  }

  @Override
  public boolean breaks(double volts, double amperes) {
    return brakes.breaks(
        volts,
        amperes,
        List.of(
            HangingBrakes.contact(StopChain.relay(sketch, inTwoSteps), inTwoSteps ? "47" : "33"),
            HangingBrakes.contact(
                sketch
                    .cheapest(Contactor.class, c -> c.poles() == 3 && Mains.coil24(c))
                    .orElseThrow(),
                "13")));
  }

  @Override
  public Rails.Fed brake(Io.Contact contact, double volts, double amperes) {
    return brakes.add(contact, volts, amperes);
  }

  @Override
  public void settle(List<Device> buttons) {
    var part = StopChain.relay(sketch, inTwoSteps);
    var relay = sketch.add(part, "safety relay", Place.PANEL, Optional.empty());
    var fed = rails.feed(LOGIC, part.current().amperes(), false, "safety", false);
    sketch.wire(fed.plus(), sketch.at(relay, "A1"), Ink.CONTROL);
    sketch.wire(sketch.at(relay, "A2"), fed.zero(), Ink.CONTROL);
    channels(buttons, relay, sketch.at(relay, "S11"), sketch.at(relay, "S21"), sketch, strip);
    var contactors = mains.contactors();
    var contact = new Contacts(relay);
    // With two steps a brake waits for the power to go.
    brakes.settle(
        List.of(
            inTwoSteps ? contact.late("4") : contact.of("3"), contact.of(contactors.getFirst())));
    told.ifPresent(input -> {
      var plus = rails.feed(LOGIC, INPUT, false, "safety", false);
      var by =
          inTwoSteps
              ? contact.of("1")
              : brakes.none() ? contact.of("3") : contact.of(contactors.getLast());
      sketch.wire(plus.plus(), by.a(), Ink.CONTROL);
      sketch.wire(by.b(), input, Ink.SIGNAL);
    });
    reset(relay, contactors);
    coils(contactors, contact);
    runs(contact);
  }

  /// The dry contacts of the relay and of the contactors.
  private final class Contacts {
    private final Device relay;

    Contacts(Device relay) {
      this.relay = relay;
    }

    Io.Contact of(String number) {
      return new Io.Contact(sketch.at(relay, number + "3"), sketch.at(relay, number + "4"));
    }

    Io.Contact late(String number) {
      return new Io.Contact(sketch.at(relay, number + "7"), sketch.at(relay, number + "8"));
    }

    /// One that takes power; both contactors hang on one where the other delayed one has brakes.
    Io.Contact power(int number) {
      if (!inTwoSteps) return of("" + number);
      return late(number == 1 || !brakes.none() ? "3" : "4");
    }

    Io.Contact of(Device contactor) {
      return new Io.Contact(sketch.at(contactor, "13"), sketch.at(contactor, "14"));
    }
  }

  /// Each contactor, and one channel of all torque inputs, on a contact of its own as far as there
  /// are so many.
  private void coils(List<Device> contactors, Contacts contacts) {
    Optional<Rails.Fed> shared = Optional.empty();
    var number = 1;
    for (var contactor : contactors) {
      var contact = contacts.power(number);
      var together = contact.equals(contacts.power(number % 2 + 1));
      var watts = ((Contactor) sketch.part(contactor.id())).coil().power().watts();
      // A larger contactor may follow when it is known what it cuts.
      var amperes = Math.max(watts, LARGEST) / LOGIC + torque.size() * TORQUE / 2;
      var coil = sketch.at(contactor, "A1");
      if (shared.isEmpty()) {
        var fed = rails.feed(LOGIC, together ? 2 * amperes : amperes, false, "safety", false);
        sketch.wire(fed.plus(), contact.a(), Ink.CONTROL);
        sketch.wire(contact.b(), coil, Ink.CONTROL);
        sketch.wire(sketch.at(contactor, "A2"), fed.zero(), Ink.CONTROL);
        if (together) shared = Optional.of(fed);
        torque(contact.b(), "STO" + number);
      } else {
        sketch.wire(sketch.at(contactors.getFirst(), "A1"), coil, Ink.CONTROL);
        sketch.wire(sketch.at(contactor, "A2"), rails.zero(shared.get()), Ink.CONTROL);
        torque(coil, "STO" + number);
      }
      if (number == 1 && !torque.isEmpty()) torque(sketch.at(contactor, "A2"), "STO0");
      number++;
    }
  }

  /// From drive to drive.
  private void torque(TerminalRef first, String mark) {
    var from = first;
    for (var drive : torque) {
      sketch.wire(from, sketch.at(drive, mark), Ink.CONTROL);
      from = sketch.at(drive, mark);
    }
  }

  /// Two drives hang on contacts of the relay, more on relays that its first contact holds.
  private void runs(Contacts contacts) {
    var free = new ArrayList<>(List.of("2", "3"));
    Optional<TerminalRef> coils = Optional.empty();
    for (var run : runs) {
      if (!free.isEmpty()) {
        var contact = contacts.of(free.removeFirst());
        sketch.keep(run.from(), contact.a());
        sketch.wire(contact.b(), run.input(), Ink.CONTROL);
        continue;
      }
      var part = sketch.cheapest(Relay.class, r -> r.coil().voltage().volts() == LOGIC);
      var relay =
          sketch
              .add(part.orElseThrow(), "stop, run of a drive", Place.PANEL, Optional.empty())
              .withSuppression(Suppression.DIODE);
      sketch.change(relay);
      var fed = rails.feed(LOGIC, SMALL / LOGIC, false, "safety", false);
      if (coils.isEmpty() && told.isEmpty())
        sketch.wire(fed.plus(), contacts.of("1").a(), Ink.CONTROL);
      sketch.wire(coils.orElseGet(() -> contacts.of("1").b()), sketch.at(relay, "A1"), Ink.CONTROL);
      sketch.wire(sketch.at(relay, "A2"), fed.zero(), Ink.CONTROL);
      coils = Optional.of(sketch.at(relay, "A1"));
      sketch.keep(run.from(), sketch.at(relay, "11"));
      sketch.wire(sketch.at(relay, "14"), run.input(), Ink.CONTROL);
    }
  }

  /// Both channels through all buttons; cables meet on terminals in the cabinet.
  static void channels(
      List<Device> buttons,
      Device relay,
      TerminalRef first,
      TerminalRef second,
      Sketch sketch,
      Strip strip) {
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
