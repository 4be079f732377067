package nelvar.core.compose.pattern;

import java.util.Optional;
import nelvar.core.catalogue.DcMotor;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;

/// Pump, fan or small motor on direct current, over a relay or contactor.
final class DirectCurrentMotor implements Pattern {
  private static final double LOGIC = 24;
  private static final double USUAL = 72;
  private static final double SMALL = 120;

  @Override
  public String title() {
    return "direct-current motor on a relay";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    if (wish.by(Means.DC_MOTOR)) return true;
    var turns = function.kind() == FunctionKind.TURN || function.kind() == FunctionKind.PUMP;
    if (!turns) return false;
    if (wish.by(Means.FAN)) return wish.volts().isEmpty() || wish.extraLow();
    return wish.unsaid()
        && (wish.extraLow() || (wish.volts().isEmpty() && wish.watts().orElse(USUAL) <= SMALL));
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var volts = wish.volts().orElse(LOGIC);
    var amperes =
        wish.amperes().orElse(wish.watts().orElse(wish.by(Means.FAN) ? 6 : USUAL) / volts);
    var sketch = composer.sketch();
    for (var n = 1; n <= function.wants().count(); n++) {
      var part =
          sketch
              .cheapest(
                  DcMotor.class,
                  m ->
                      m.id().startsWith("fan") == wish.by(Means.FAN)
                          && m.input().contains(new nelvar.core.units.Voltage(volts))
                          && Math.abs(m.current().amperes() / amperes - 1) < 0.01)
              .orElseGet(() -> (DcMotor) sketch.made(Made.motor(volts, amperes)));
      var motor = sketch.add(part, wish.purpose(n), wish.place(), Optional.of(function.id()));
      var fed =
          composer
              .io()
              .output(
                  volts,
                  amperes,
                  amperes * part.starting(),
                  true,
                  Optional.of(function.id()),
                  wish.purpose(n));
      TwoWires.join(motor, "+", "-", fed, composer);
    }
  }
}
