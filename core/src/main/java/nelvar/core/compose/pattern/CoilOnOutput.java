package nelvar.core.compose.pattern;

import java.util.Optional;
import nelvar.core.analysis.stop.GripHolds;
import nelvar.core.catalogue.Solenoid;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Suppression;

/// Valves and brakes: on an output that switches +, with a diode each; over a relay where they take
/// more than an output carries.
final class CoilOnOutput implements Pattern {
  private static final double LOGIC = 24;
  private static final double VALVE = 4.8;
  private static final double BRAKE = 17;

  @Override
  public String title() {
    return "coil on a controller output with a diode";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    return wish.by(Means.VALVE)
        || wish.by(Means.BRAKE)
        || function.kind() == FunctionKind.OPEN
        || function.kind() == FunctionKind.HOLD;
  }

  /// A clamp that let go at a stop would throw the work.
  private static boolean holdsWorkOfATool(MachineFunction function, Composer composer) {
    return GripHolds.holdsWork(function.name())
        && composer.sketch().functions().stream()
            .anyMatch(other ->
                !other.id().equals(function.id())
                    && !GripHolds.holdsWork(other.name())
                    && GripHolds.turnsATool(other.name()));
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var brake = wish.by(Means.BRAKE) || (wish.unsaid() && function.kind() == FunctionKind.HOLD);
    var volts = wish.volts().orElse(LOGIC);
    if (volts > Wish.EXTRA_LOW)
      throw new nelvar.core.compose.sketch.Unmet(
          "valves and brakes of %s V are not drawn up: take 24 V".formatted(Math.round(volts)));
    var watts = wish.watts().orElse(brake ? BRAKE : VALVE);
    var holding = !brake && holdsWorkOfATool(function, composer);
    if (holding)
      composer.because(
          "%s holds work that a tool turns in: it keeps its volts at a stop, so that nothing lets go before the tool stands (IEC 60204-1, 9.3.1, unchecked). Where it closes by a spring, hang it behind the stop."
              .formatted(function.name()));
    var sketch = composer.sketch();
    for (var n = 1; n <= function.wants().count(); n++) {
      var part =
          sketch
              .cheapest(
                  Solenoid.class,
                  s ->
                      s.id().startsWith("brake") == brake
                          && s.coil().voltage().volts() == volts
                          && Math.abs(s.coil().power().watts() / watts - 1) < 0.01)
              .orElseGet(() ->
                  (Solenoid)
                      sketch.made(brake ? Made.brake(volts, watts) : Made.valve(volts, watts)));
      var coil =
          sketch
              .add(part, wish.purpose(n), wish.place(), Optional.of(function.id()))
              .withSuppression(brake ? Suppression.ZENER : Suppression.DIODE);
      sketch.change(coil);
      var fed =
          brake
              ? composer.brake(volts, watts / volts, function.id(), wish.purpose(n))
              : composer
                  .io()
                  .output(
                      volts, watts / volts, !holding, Optional.of(function.id()), wish.purpose(n));
      TwoWires.join(coil, "1", "2", fed, composer);
    }
    composer.because(
        "Outputs switch +, coils hang on 0 V: an earth fault then starts nothing (IEC 60204-1, 9.4.3.1).");
  }
}
