package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.SafetyRelay;
import nelvar.core.model.Device;
import nelvar.core.model.School;
import nelvar.core.model.TerminalRef;

/// The stop, by the school of the Brief: over a safety relay and two contactors, torque inputs of
/// drives besides (`SafetyStop`); over one contactor that holds itself, or by an output of the
/// controller alone (`ContactorStop`). Where a machine stands, its safety relay takes new buttons.
///
/// The draft claims no performance level: what a fault does to it is asked of the network later.
public final class StopChain {
  private final Sketch sketch;
  private final Mains mains;
  private final Strip strip;
  private final Optional<Existing> existing;
  private final List<Device> buttons = new ArrayList<>();
  private final Acting acting;

  /// What buttons act on.
  interface Acting {
    /// What the program has to do with the stop, before its pins are settled.
    void tell(List<Device> buttons, Io io);

    /// Whether a brake can hang on contacts of the chain.
    boolean breaks(double volts, double amperes);

    /// Where a brake gets its volts, behind the dry contact that a program closes for it.
    Rails.Fed brake(Io.Contact contact, double volts, double amperes);

    void settle(List<Device> buttons);
  }

  StopChain(Sketch sketch, Rails rails, Mains mains, Strip strip, Optional<Existing> existing) {
    this.existing = existing;
    this.sketch = sketch;
    this.mains = mains;
    this.strip = strip;
    this.acting =
        school("contactor") || school("output")
            ? new ContactorStop(sketch, rails, mains, strip, school("output"))
            : new SafetyStop(sketch, rails, mains, strip, inTwoSteps());
  }

  private boolean school(String option) {
    return sketch.brief().policies().chose(School.STOP_CHAIN, option);
  }

  /// Whether drives slow down before their power goes, category 1.
  private boolean inTwoSteps() {
    return sketch.brief().policies().chose(School.STOP_CATEGORY, "one");
  }

  /// What stands in the draft for whoever takes it.
  public String reason() {
    return inTwoSteps() && !(acting instanceof SafetyStop)
        ? chain()
            + " Slowing down first (category 1) takes a safety relay with delayed contacts: here the power goes at once."
        : chain();
  }

  private String chain() {
    return switch (sketch.brief().policies().answer(School.STOP_CHAIN).id()) {
      case "contactor" ->
          "Stop: one contactor that holds itself; a mains that comes back starts nothing. If it welds, nothing stops and nothing tells (by the Brief).";
      case "output" ->
          "Stop: only read by the controller, whose output holds the contactor: no emergency stop. If the program hangs, nothing stops (by the Brief).";
      case "torque-off" ->
          "Stop: two channels and a safety relay; drives with torque inputs stay fed and give no torque, the rest loses its power over two contactors (by the Brief). A drive that only gives no torque is live: never work on its motor without switching off.";
      default ->
          "Stop: two channels, a safety relay and two contactors one behind the other (industrial default). What a fault in it does is not judged yet.";
    };
  }

  /// How many contactors take the power.
  int contactors() {
    return acting instanceof SafetyStop ? 2 : 1;
  }

  /// A stop button or guard switch with two contacts closed at rest.
  public void add(Device button) {
    buttons.add(button);
    if (existing.isEmpty()) mains.stop(contactors());
  }

  private Optional<SafetyStop> safety() {
    return existing.isEmpty() && mains.stops() && acting instanceof SafetyStop stop
        ? Optional.of(stop)
        : Optional.empty();
  }

  /// Whether drives with a torque input are to be taken.
  public boolean wantsTorqueInputs() {
    return safety().isPresent() && school("torque-off");
  }

  /// Whether a stop takes the torque of a drive by its torque input, and leaves it its feed.
  public boolean byTorqueInput(Part drive) {
    return wantsTorqueInputs() && drive.torqueInput().isPresent();
  }

  /// A drive whose torque inputs are to hang on the chain.
  public void torque(Device drive) {
    safety().orElseThrow().torque(drive);
  }

  /// Where the run contact of a drive ends: on its run input; behind a contact of the stop where it
  /// slows down before its power goes.
  public TerminalRef run(TerminalRef input) {
    return safety().filter(_ -> inTwoSteps()).map(stop -> stop.run(input)).orElse(input);
  }

  void tell(Io io) {
    if (existing.isEmpty() && !buttons.isEmpty() && (!io.nothing() || school("output")))
      acting.tell(buttons, io);
  }

  /// They are fed with one voltage, and contacts break so much into coils.
  boolean breaks(double volts, double amperes) {
    return existing.isEmpty() && mains.stops() && acting.breaks(volts, amperes);
  }

  Rails.Fed brake(Io.Contact contact, double volts, double amperes) {
    return acting.brake(contact, volts, amperes);
  }

  void settle() {
    if (buttons.isEmpty()) return;
    if (existing.isPresent()) insert(existing.get());
    else acting.settle(buttons);
  }

  /// Between the last button of a chain that stands and its safety relay: the two wires that end
  /// there are led to terminals, and from these through the new buttons. Or the one wire that ends
  /// at the contact of a contactor that holds itself.
  private void insert(Existing machine) {
    var relay = machine.stopRelay();
    var held = machine.held();
    if (relay.isPresent()) {
      var one = strip.next();
      var two = strip.next();
      sketch.move(sketch.at(relay.get(), "S12"), one);
      sketch.move(sketch.at(relay.get(), "S22"), two);
      SafetyStop.channels(buttons, relay.get(), one, two, sketch, strip);
    } else if (held.isPresent()) {
      var end = held.get().end();
      var one = strip.next();
      sketch.move(held.get().wire(), end, one);
      sketch.wire(
          SelfHeld.through(SelfHeld.ofButtons(buttons), one, sketch, strip), end, Ink.CONTROL);
    } else
      throw new Unmet(
          "no chain of stops with a safety relay stands that it could be led into, and no contactor that holds itself behind a stop: draw the machine up with its stop, or wire it by hand");
  }

  /// The safety relay of new machines; with delayed outputs where drives slow down first.
  static SafetyRelay relay(Sketch sketch, boolean late) {
    return sketch
        .cheapest(SafetyRelay.class, relay -> relay.late().isPresent() == late)
        .orElseThrow();
  }
}
