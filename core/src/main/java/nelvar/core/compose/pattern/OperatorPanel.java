package nelvar.core.compose.pattern;

import java.util.Optional;
import nelvar.core.catalogue.Controller;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Place;

/// An operator panel on the door, on 24 V that stays on.
final class OperatorPanel implements Pattern {
  @Override
  public String title() {
    return "operator panel on the door";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    return function.kind() == FunctionKind.SHOW && new Wish(function).by(Means.PANEL);
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var part = (Controller) sketch.catalogue().find("operator-panel-7in").orElseThrow();
    for (var n = 1; n <= function.wants().count(); n++) {
      var panel = sketch.add(part, wish.purpose(n), Place.DOOR, Optional.of(function.id()));
      var fed = composer.rails().feed(24, part.current().amperes(), false, "controllers", false);
      sketch.wire(fed.plus(), sketch.at(panel, "+"), Ink.PLUS);
      sketch.wire(sketch.at(panel, "-"), fed.zero(), Ink.ZERO);
    }
  }
}
