package nelvar.core.compose.pattern;

import nelvar.core.compose.sketch.Composer;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;

/// The controller, which the draft adds by itself with as many pins as are asked for.
final class Computing implements Pattern {
  @Override
  public String title() {
    return "controller in the cabinet";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    return function.kind() == FunctionKind.COMPUTE && !new Wish(function).by(Means.COMPUTER);
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    composer.io().want(function.id());
  }
}
