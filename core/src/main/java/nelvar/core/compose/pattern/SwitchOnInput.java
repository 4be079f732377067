package nelvar.core.compose.pattern;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Sketch;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Place;

/// Limit switches and push-buttons: a contact between + and an input.
final class SwitchOnInput implements Pattern {
  /// Into an input, A: enough for the contact, next to nothing for the supply.
  private static final double INPUT = 0.007;

  private static final Map<Means, String> PARTS =
      Map.of(
          Means.LIMIT_SWITCH, "limit-switch-1nc",
          Means.BUTTON, "push-button-1no",
          Means.FLOW_SWITCH, "flow-switch-1no",
          Means.THERMAL_SWITCH, "thermal-switch-1nc",
          Means.TOOL_SETTER, "tool-setter-1nc",
          Means.PROBE, "probe-battery-1nc");

  @Override
  public String title() {
    return "contact on an input";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    return part(function).isPresent();
  }

  private static Optional<String> part(MachineFunction function) {
    return function.wants().by().flatMap(by -> Optional.ofNullable(PARTS.get(by)));
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var button = wish.by(Means.BUTTON);
    var sketch = composer.sketch();
    var part = (ControlSwitch) sketch.catalogue().find(part(function).orElseThrow()).orElseThrow();
    var closed = part.closedContacts() > 0;
    for (var n = 1; n <= function.wants().count(); n++) {
      var place = button && function.wants().place().isEmpty() ? Place.DOOR : wish.place();
      var device = sketch.add(part, wish.purpose(n), place, Optional.of(function.id()));
      var fed = composer.rails().feed(24, INPUT, false, "sensors", false);
      sketch.join(
          device,
          false,
          List.of(
              new Sketch.Core(fed.plus(), sketch.at(device, closed ? "11" : "13"), Ink.CONTROL),
              new Sketch.Core(
                  composer.io().input(), sketch.at(device, closed ? "12" : "14"), Ink.SIGNAL)));
    }
    if (wish.by(Means.LIMIT_SWITCH))
      composer.because(
          "Limit switches are closed at rest: a cut wire is seen as the end of travel.");
  }
}
