package nelvar.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Output;
import nelvar.core.model.Brief;
import nelvar.core.model.Device;
import nelvar.core.network.solve.Grid;
import nelvar.core.network.solve.Phasor;
import nelvar.core.units.Resistance;

/// The mains at an inlet: line voltages behind the impedance the site states, and the way its
/// earthing system joins the star point to the protective conductor.
///
/// All inlets of a machine hang on one site: their lines and neutrals begin at one star point, and
/// their protective conductors are joined there, so that two things plugged in close a loop.
///
/// Impedances count as resistance, which holds for final circuits; where the site states neither
/// impedance nor short-circuit current, 0.25 Ω a line is taken (assumed).
public final class MainsSource {
  /// Of a line, where the site states nothing.
  public static final Resistance ASSUMED = new Resistance(0.25);

  /// Earth electrodes of a TT system where nothing is stated (assumed).
  private static final double ELECTRODES = 20;

  /// An insulated or impedance-earthed star point (IT).
  private static final double INSULATED = 1e6;

  private MainsSource() {}

  /// Adds it; returns the node of the inlet's protective terminal.
  static int of(Device device, MainsInlet inlet, Brief brief, NetworkBuilder to) {
    var supply = brief.supply();
    var phase = supply.voltage().toNeutral().volts();
    var cord = device.connected().cord().map(to::ohms).orElse(0.0);
    var line = line(supply, inlet.lines()) + cord;
    var star = to.star();
    var group = to.groups.size();
    to.groups.add(new Grid.Group(true, Grid.Limit.NONE, Double.POSITIVE_INFINITY, false, false));
    var emfs = new ArrayList<Integer>();
    var names = new ArrayList<String>();
    for (var i = 0; i < inlet.lines(); i++) {
      var angle = inlet.lines() == 2 ? 180.0 * i : -120.0 * i;
      var volts = Phasor.of(phase, angle);
      emfs.add(to.emfs.size());
      names.add("L" + (i + 1));
      to.emfs.add(
          new Grid.Emf(
              group, star, to.node(device, "L" + (i + 1)), volts.re(), volts.im(), line, 0));
    }
    if (inlet.neutral()) to.branches.add(Grid.Branch.linear(star, to.node(device, "N"), line, 0));
    var earth = to.node(device, "PE");
    protective(star, earth, supply, line - cord, cord, to);
    var output =
        new Output(
            "mains",
            names,
            inlet.neutral() ? Optional.of("N") : Optional.empty(),
            true,
            inlet.lines() == 1 ? supply.voltage().toNeutral() : supply.voltage().between(),
            device.connected().upstream().orElse(supply.upstream()));
    to.given.add(
        new Circuitry.Given(device, Optional.of(output), group, List.copyOf(emfs), List.of()));
    return earth;
  }

  /// Of one line, Ω. A stated short-circuit current is met at the terminals of the inlet: between
  /// line and neutral where there is one line, between two or three lines else. Its impedance
  /// counts with the voltage factor that the greatest current is computed with (IEC 60909-0, 6.2,
  /// unchecked).
  private static double line(Brief.Supply supply, int lines) {
    var phase = supply.voltage().toNeutral().volts();
    var conductors = lines == 1 ? 2 : 1;
    return supply
        .prospectiveShortCircuitCurrent()
        .map(current -> Fault.GREATEST * phase / current.amperes() / conductors)
        .or(() -> supply.loopImpedance().map(loop -> loop.ohms() / 2))
        .orElse(ASSUMED.ohms());
  }

  /// What is earthed at the site (TT, IT) is so once: the next inlet is joined to the first.
  private static void protective(
      int star, int earth, Brief.Supply supply, double line, double cord, NetworkBuilder to) {
    var first = to.earth();
    var own =
        switch (supply.earthing()) {
          case TN_S, TN_C_S -> true;
          case TT, IT -> first < 0;
        };
    if (own) to.branches.add(Grid.Branch.linear(star, earth, toEarth(supply, line) + cord, 0));
    else if (first != earth) to.branches.add(Grid.Branch.linear(first, earth, line + cord, 0));
  }

  private static double toEarth(Brief.Supply supply, double line) {
    var loop = supply.loopImpedance().map(z -> Math.max(z.ohms() - line, 0.001));
    return switch (supply.earthing()) {
      case TN_S, TN_C_S -> loop.orElse(line);
      case TT -> loop.orElse(ELECTRODES);
      case IT -> INSULATED;
    };
  }
}
