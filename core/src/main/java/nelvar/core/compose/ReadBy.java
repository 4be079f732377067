package nelvar.core.compose;

import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Sensor;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Sketch;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// How what a sensor, button or switch has to say is read: on an input that goes with it, or, with
/// two contacts closed at rest, in both channels of the stop.
///
/// Only what has no wire yet is wired: what somebody began by hand stays theirs.
final class ReadBy {
  /// Into an input of a controller, A.
  private static final double INPUT = 0.007;

  private final Study study;
  private final Device device;
  private final Part part;

  ReadBy(Study study, Device device) {
    this.study = study;
    this.device = device;
    this.part = study.part(device).orElseThrow();
  }

  /// Whether it has something to say, and nothing hears it.
  boolean wanted() {
    return switch (part) {
      case Sensor _ -> open("OUT");
      case ControlSwitch button ->
          button.terminals().stream().allMatch(terminal -> open(terminal.name()));
      default -> false;
    };
  }

  private boolean open(String mark) {
    return !device.spare().contains(mark)
        && !study.network().topology().wired(new TerminalRef(device.id(), mark));
  }

  /// Whether it can let a machine go by itself: two contacts closed at rest.
  boolean stops() {
    return part instanceof ControlSwitch button && button.closedContacts() >= 2;
  }

  boolean shielded() {
    return part instanceof Sensor sensor && sensor.output().analogue();
  }

  void stop(Composer composer) {
    composer.stop().add(device);
  }

  /// @throws Unmet where no input goes with it
  void compose(Composer composer) {
    composer.sketch().join(device, shielded(), cores(composer));
  }

  List<Sketch.Core> cores(Composer composer) {
    var sketch = composer.sketch();
    if (part instanceof Sensor sensor)
      return List.of(
          new Sketch.Core(input(sensor, composer), sketch.at(device, "OUT"), Ink.SIGNAL));
    var contact = contact();
    var fed = composer.rails().feed(24, INPUT, false, "sensors", false);
    return List.of(
        new Sketch.Core(fed.plus(), sketch.at(device, contact.a()), Ink.CONTROL),
        new Sketch.Core(composer.io().input(), sketch.at(device, contact.b()), Ink.SIGNAL));
  }

  /// A button says something when it is pressed; what ends a travel is closed at rest, so that a
  /// cut wire is seen.
  private Link contact() {
    var links = part.links();
    return links.stream().filter(link -> !link.closedAtRest()).findFirst().orElse(links.getFirst());
  }

  private TerminalRef input(Sensor sensor, Composer composer) {
    return switch (sensor.output()) {
      case VOLTAGE, CURRENT -> composer.io().reading();
      case NPN ->
          composer
              .io()
              .free(Pin.Type.INPUT_READS_MINUS)
              .orElseThrow(() ->
                  new Unmet(
                      "%s switches 0 V, and no input that reads 0 V is free: take one that switches +"
                          .formatted(device.designation())));
      case PNP, TWO_WIRE, PUSH_PULL, CONTACT, PULSES -> composer.io().input();
    };
  }
}
