package nelvar.core.compose.pattern;

import java.util.Optional;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Place;

/// Stop buttons and guard switches, by the school of the Brief.
final class StopDevices implements Pattern {
  @Override
  public String title() {
    return "stop";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    return function.kind() == FunctionKind.STOP;
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var guard = wish.by(Means.GUARD);
    Part part =
        composer
            .sketch()
            .catalogue()
            .find(guard ? "guard-switch-2nc" : "stop-button-2nc")
            .orElseThrow();
    for (var n = 1; n <= function.wants().count(); n++) {
      // The first button stands where it is reached from the cabinet.
      var place =
          function.wants().place().isPresent() || guard || n > 1 ? wish.place() : Place.DOOR;
      var name = wish.purpose(n);
      composer
          .stop()
          .add(
              composer
                  .sketch()
                  .add(
                      part,
                      guard || name.contains("stop") ? name : "stop, " + name,
                      place,
                      Optional.of(function.id())));
    }
    composer.because(composer.stop().reason());
    composer.because(
        "After a stop the program must let go of its outputs: an input tells it of the stop. What it still asks for at the reset would run at once.");
  }
}
