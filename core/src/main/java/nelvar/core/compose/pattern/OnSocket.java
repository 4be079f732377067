package nelvar.core.compose.pattern;

import java.util.Optional;
import nelvar.core.catalogue.Appliance;
import nelvar.core.catalogue.Computer;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.PhaseCutControl;
import nelvar.core.catalogue.SocketStrip;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Mains;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.Device;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Place;
import nelvar.core.units.VoltageRange;

/// Things on a cord: a hand router, a dust extractor over a contactor that follows the program; a
/// computer on a socket that stays on.
final class OnSocket implements Pattern {
  private static final double USUAL = 900;
  private static final double MONITOR = 30;

  @Override
  public String title() {
    return "appliance on a socket";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    return wish.by(Means.APPLIANCE)
        || (function.kind() == FunctionKind.COMPUTE && wish.by(Means.COMPUTER));
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    for (var n = 1; n <= function.wants().count(); n++) one(function, n, composer);
  }

  private static void one(MachineFunction function, int number, Composer composer) {
    var wish = new Wish(function);
    var computer = wish.by(Means.COMPUTER);
    var sketch = composer.sketch();
    var serves = Optional.of(function.id());
    var mains = sketch.brief().supply().voltage();
    Part part;
    VoltageRange range;
    double amperes;
    if (computer) {
      var desk = sketch.cheapest(Computer.class, _ -> true).orElseThrow();
      part = desk;
      range = desk.input();
      amperes = desk.power().watts() / 0.9 / composer.mains().voltsFor(range);
    } else {
      var watts = wish.watts().orElse(function.kind() == FunctionKind.SHOW ? MONITOR : USUAL);
      var volts =
          wish.volts()
              .orElse(
                  mains.toNeutral().volts() <= 250
                      ? mains.toNeutral().volts()
                      : mains.between().volts());
      var tool =
          sketch
              .cheapest(
                  Appliance.class,
                  a ->
                      a.input().contains(new nelvar.core.units.Voltage(volts))
                          && !a.earthed()
                          && Math.abs(a.power().watts() / watts - 1) < 0.01)
              .orElseGet(() -> (Appliance) sketch.made(Made.appliance(volts, watts)));
      part = tool;
      range = tool.input();
      amperes = watts / 0.95 / volts;
    }
    var strip =
        sketch
            .cheapest(SocketStrip.class, s -> !s.switched() && s.rating().amperes() >= amperes)
            .orElseThrow(() ->
                new Unmet(
                    "no socket of the catalogue carries %s A"
                        .formatted(nelvar.core.units.Significant.digits(amperes))));
    var socket = sketch.add(strip, wish.purpose(number) + ", socket", Place.PANEL, serves);
    var device = sketch.add(part, wish.purpose(number), Place.MACHINE, serves);
    sketch.lead(sketch.at(socket, "L1"), sketch.at(device, "L"), Ink.LINE, device, amperes);
    sketch.lead(sketch.at(socket, "N1"), sketch.at(device, "N"), Ink.NEUTRAL, device, amperes);
    if (part.terminals().stream().anyMatch(t -> t.name().equals("PE")))
      sketch.lead(
          sketch.at(socket, "PE1"), sketch.at(device, "PE"), Ink.PROTECTIVE, device, amperes);
    composer.mains().earth(sketch.at(socket, "PE"));
    var moves = function.kind().moves();
    var line = sketch.at(socket, "L");
    var back = sketch.at(socket, "N");
    if (SPEED.matcher(function.name()).find()) {
      var knob = knob(part, range, amperes, wish.purpose(number), function, composer);
      sketch.wire(sketch.at(knob, "L1"), line, Ink.LINE);
      sketch.wire(sketch.at(knob, "N1"), back, Ink.NEUTRAL);
      line = sketch.at(knob, "L");
      back = sketch.at(knob, "N");
    }
    // What shows or computes is always on; what works is switched by the program.
    if (!computer && function.kind() != FunctionKind.SHOW) {
      var contactor = composer.io().contactor(2, amperes, serves, wish.purpose(number));
      sketch.wire(sketch.at(contactor, "2"), line, Ink.LINE);
      sketch.wire(sketch.at(contactor, "4"), back, Ink.NEUTRAL);
      line = sketch.at(contactor, "1");
      back = sketch.at(contactor, "3");
    }
    composer
        .mains()
        .feedTwoWire(
            wish.purpose(number), line, back, range, amperes, moves, Mains.Protection.CORD);
  }

  private static final java.util.regex.Pattern SPEED =
      java.util.regex.Pattern.compile(
          "speed control|phase.cut", java.util.regex.Pattern.CASE_INSENSITIVE);

  /// A knob before the socket, for what bears it.
  private static Device knob(
      Part load,
      VoltageRange range,
      double amperes,
      String purpose,
      MachineFunction function,
      Composer composer) {
    if (load.bearsCutWaves().filter(bears -> !bears).isPresent())
      throw new Unmet("it does not bear a phase-cut speed control: its electronics would suffer");
    var sketch = composer.sketch();
    var volts = new nelvar.core.units.Voltage(composer.mains().voltsFor(range));
    var part =
        sketch
            .cheapest(
                PhaseCutControl.class,
                c -> c.input().contains(volts) && c.rating().amperes() >= amperes)
            .orElseThrow(() ->
                new Unmet("no phase-cut speed control of the catalogue carries what it takes"));
    return sketch.add(part, purpose + ", speed", Place.PANEL, Optional.of(function.id()));
  }
}
