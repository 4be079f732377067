package nelvar.core.compose.sketch;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;

/// The coil circuit of a contactor that holds itself: through closed contacts of buttons, then
/// through its own contact, beside which a start button stands. A mains that comes back starts
/// nothing.
public final class SelfHeld {
  private SelfHeld() {}

  /// A contact of a button that is closed at rest.
  public record Contact(Device button, String in, String out) {}

  /// The first contact of each.
  static List<Contact> ofButtons(List<Device> buttons) {
    return buttons.stream().map(button -> new Contact(button, "11", "12")).toList();
  }

  /// @param coil what leads on to A1
  /// @param start where its start button tells that it is closed
  record Held(TerminalRef coil, TerminalRef start) {}

  /// @param buttonPurpose what the start button is called
  static Held held(
      List<Contact> stops,
      Device contactor,
      TerminalRef plus,
      String buttonPurpose,
      Sketch sketch,
      Strip strip) {
    var from = through(stops, plus, sketch, strip);
    var part =
        sketch
            .cheapest(ControlSwitch.class, s -> s.openContacts() == 1 && s.closedContacts() == 0)
            .orElseThrow();
    var start = sketch.add(part, buttonPurpose, Place.DOOR, Optional.empty());
    sketch.wire(from, sketch.at(contactor, "13"), Ink.CONTROL);
    sketch.wire(sketch.at(contactor, "13"), sketch.at(start, "13"), Ink.CONTROL);
    sketch.wire(sketch.at(start, "14"), sketch.at(contactor, "14"), Ink.CONTROL);
    return new Held(sketch.at(contactor, "14"), sketch.at(start, "14"));
  }

  /// One contact behind the other; where the last ends.
  static TerminalRef through(List<Contact> stops, TerminalRef plus, Sketch sketch, Strip strip) {
    var from = plus;
    for (var stop : stops) {
      var out = strip.next();
      sketch.join(
          stop.button(),
          false,
          List.of(
              new Sketch.Core(from, sketch.at(stop.button(), stop.in()), Ink.CONTROL),
              new Sketch.Core(out, sketch.at(stop.button(), stop.out()), Ink.CONTROL)));
      from = out;
    }
    return from;
  }
}
