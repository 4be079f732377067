package nelvar.core.compose.sketch;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Current;

/// A contactor of its own in the feed of something that stands already, behind contacts of its
/// stops; it holds itself.
final class FeedContactor {
  /// A contactor carries so much more than flows by design: loads take more where the mains is low.
  private static final double TO_SPARE = 1.2;

  private static final double LOGIC = 24;

  private FeedContactor() {}

  /// A: what it switches of motors, or of what takes no more at first.
  private static double carries(Contactor part, boolean motor) {
    return part.contacts()
        .flatMap(rating -> motor ? rating.motors() : Optional.of(rating.ac1()))
        .map(Current::amperes)
        .orElse(0.0);
  }

  /// Before a load in the cabinet: what ends there ends at the contactor, which a new wire leads on
  /// from. Before one on the machine: its cable begins at the contactor.
  private static void lead(TerminalRef end, Device contactor, int pole, Ink ink, Sketch sketch) {
    var in = sketch.at(contactor, String.valueOf(2 * pole + 1));
    var out = sketch.at(contactor, String.valueOf(2 * pole + 2));
    if (sketch.device(end.device()).place() == Place.PANEL) {
      sketch.move(end, in);
      sketch.wire(out, end, ink);
      return;
    }
    var wires = sketch.at(end);
    if (wires.size() != 1) throw new Unmet("%s is led on to something else".formatted(end));
    var wire = wires.getFirst();
    var far = wire.from().equals(end) ? wire.to() : wire.from();
    if (sketch.device(far.device()).place() != Place.PANEL)
      throw new Unmet("its cable does not begin in the cabinet");
    sketch.move(wire.id(), far, out);
    sketch.wire(far, in, ink);
  }

  private static SelfHeld.Contact button(Device load, Sketch sketch) {
    var part =
        sketch
            .cheapest(
                ControlSwitch.class,
                s -> s.closedContacts() > 0 && s.id().startsWith("stop-button"))
            .orElseThrow();
    var stop = sketch.add(part, "stop of " + load.designation(), Place.DOOR, Optional.empty());
    return SelfHeld.ofButtons(List.of(stop)).getFirst();
  }

  /// @param stops where there are none, a new button
  /// @param terminals of its feed, all of which the contactor opens
  /// @param neutral the one that the neutral comes to
  /// @param amperes that flow there by design
  static void add(
      Device load,
      List<String> terminals,
      Optional<String> neutral,
      double amperes,
      List<SelfHeld.Contact> stops,
      Sketch sketch,
      Rails rails,
      Strip strip) {
    var motor = sketch.part(load.id()).motor();
    var part =
        sketch
            .cheapest(
                Contactor.class,
                c ->
                    c.poles() >= terminals.size()
                        && Mains.coil24(c)
                        && carries(c, motor) >= TO_SPARE * amperes)
            .orElseThrow(() -> new Unmet("no contactor of the catalogue carries what it takes"));
    var contactor =
        sketch
            .add(part, "feed of " + load.designation(), Place.PANEL, load.serves())
            .withSuppression(Suppression.DIODE)
            .withSpare(Mains.spare(terminals.size()));
    sketch.change(contactor);
    for (var n = 0; n < terminals.size(); n++)
      lead(
          sketch.at(load, terminals.get(n)),
          contactor,
          n,
          neutral.filter(terminals.get(n)::equals).isPresent() ? Ink.NEUTRAL : Ink.LINE,
          sketch);
    var fed = rails.tap(LOGIC, part.coil().power().watts() / LOGIC, "safety");
    var held =
        SelfHeld.held(
            stops.isEmpty() ? List.of(button(load, sketch)) : stops,
            contactor,
            fed.plus(),
            "power on, " + load.designation(),
            sketch,
            strip);
    sketch.wire(held.coil(), sketch.at(contactor, "A1"), Ink.CONTROL);
    sketch.wire(sketch.at(contactor, "A2"), fed.zero(), Ink.CONTROL);
  }
}
