package nelvar.core.compose.sketch;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Relay;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;

/// One contactor: behind all buttons, holding itself once a start button has closed it, so that a
/// mains that comes back starts nothing; or held by an output of a controller that alone reads the
/// buttons, which is no emergency stop.
final class ContactorStop implements StopChain.Acting {
  private static final double LOGIC = 24;

  /// Into an input of a controller, A.
  private static final double INPUT = 0.007;

  /// The coil of the largest contactor shipped, W.
  private static final double LARGEST = 9;

  /// A coil of a small relay, W.
  private static final double SMALL = 1;

  private final Sketch sketch;
  private final Rails rails;
  private final Mains mains;
  private final Strip strip;
  private final boolean byProgram;
  private final HangingBrakes brakes;
  private Optional<TerminalRef> told = Optional.empty();
  private Optional<Rails.Fed> output = Optional.empty();

  ContactorStop(Sketch sketch, Rails rails, Mains mains, Strip strip, boolean byProgram) {
    this.sketch = sketch;
    this.rails = rails;
    this.mains = mains;
    this.strip = strip;
    this.byProgram = byProgram;
    this.brakes = new HangingBrakes(sketch, rails);
  }

  @Override
  public void tell(List<Device> buttons, Io io) {
    if (!byProgram) {
      told = Optional.of(io.input());
      return;
    }
    for (var button : buttons) {
      var plus = rails.feed(LOGIC, INPUT, false, "sensors", false).plus();
      sketch.join(
          button,
          false,
          List.of(
              new Sketch.Core(plus, sketch.at(button, "11"), Ink.CONTROL),
              new Sketch.Core(io.input(), sketch.at(button, "12"), Ink.SIGNAL)));
    }
    output =
        Optional.of(
            io.output(LOGIC, coils() / LOGIC, false, Optional.empty(), "power, contactor, coil"));
  }

  /// W.
  private double coils() {
    return LARGEST + (brakes.none() ? 0 : SMALL);
  }

  private Relay relay() {
    return sketch
        .cheapest(Relay.class, relay -> relay.coil().voltage().volts() == LOGIC)
        .orElseThrow();
  }

  @Override
  public boolean breaks(double volts, double amperes) {
    return brakes.breaks(volts, amperes, List.of(HangingBrakes.contact(relay(), "11")));
  }

  @Override
  public Rails.Fed brake(Io.Contact contact, double volts, double amperes) {
    return brakes.add(contact, volts, amperes);
  }

  @Override
  public void settle(List<Device> buttons) {
    var contactor = mains.contactors().getFirst();
    var fed =
        output.orElseGet(() -> rails.feed(LOGIC, coils() / LOGIC + INPUT, false, "safety", false));
    var coil = output.map(Rails.Fed::plus).orElseGet(() -> held(buttons, contactor, fed.plus()));
    sketch.wire(coil, sketch.at(contactor, "A1"), Ink.CONTROL);
    sketch.wire(sketch.at(contactor, "A2"), fed.zero(), Ink.CONTROL);
    if (brakes.none()) return;
    var relay =
        sketch
            .add(relay(), "stop, brakes", Place.PANEL, Optional.empty())
            .withSuppression(Suppression.DIODE);
    sketch.change(relay);
    sketch.wire(sketch.at(contactor, "A1"), sketch.at(relay, "A1"), Ink.CONTROL);
    sketch.wire(sketch.at(relay, "A2"), sketch.at(contactor, "A2"), Ink.CONTROL);
    brakes.settle(List.of(new Io.Contact(sketch.at(relay, "11"), sketch.at(relay, "14"))));
  }

  private TerminalRef held(List<Device> buttons, Device contactor, TerminalRef plus) {
    var contacts = SelfHeld.ofButtons(buttons);
    var held = SelfHeld.held(contacts, contactor, plus, "power on", sketch, strip);
    told.ifPresent(input -> sketch.wire(held.start(), input, Ink.SIGNAL));
    return held.coil();
  }
}
