package nelvar.core.compose.pattern;

import java.util.List;
import java.util.Optional;
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

  @Override
  public String title() {
    return "contact on an input";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    return wish.by(Means.LIMIT_SWITCH) || wish.by(Means.BUTTON);
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var button = wish.by(Means.BUTTON);
    var sketch = composer.sketch();
    var part =
        sketch.catalogue().find(button ? "push-button-1no" : "limit-switch-1nc").orElseThrow();
    for (var n = 1; n <= function.wants().count(); n++) {
      var place = button && function.wants().place().isEmpty() ? Place.DOOR : wish.place();
      var device = sketch.add(part, wish.purpose(n), place, Optional.of(function.id()));
      var fed = composer.rails().feed(24, INPUT, false, "sensors", false);
      sketch.join(
          device,
          false,
          List.of(
              new Sketch.Core(fed.plus(), sketch.at(device, button ? "13" : "11"), Ink.CONTROL),
              new Sketch.Core(
                  composer.io().input(), sketch.at(device, button ? "14" : "12"), Ink.SIGNAL)));
    }
    if (!button)
      composer.because(
          "Limit switches are closed at rest: a cut wire is seen as the end of travel.");
  }
}
