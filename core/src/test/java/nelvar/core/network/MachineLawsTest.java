package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nelvar.core.catalogue.ControlTransformer;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Duration;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;

/// Laws that hold for every machine in every state, whatever it is made of.
final class MachineLawsTest {
  private static final Conditions COLD = new Conditions(new Temperature(20), 1);
  private static final int MACHINES = 80;

  /// As designed, with something broken, with the mains off and just after.
  private static List<Live> states(nelvar.core.Panel panel, long seed) {
    var engine = panel.study().engine();
    var random = new Random(seed);
    var all = new ArrayList<Live>();
    all.add(engine.solve(WhatIf.AS_DESIGNED, COLD));
    all.add(engine.solve(WhatIf.AS_DESIGNED, COLD, Positions.cold(engine.circuitry(COLD.wires()))));
    all.add(engine.solve(WhatIf.AS_DESIGNED, new Conditions(new Temperature(60), 0.7)));
    var handle = engine.circuitry(COLD.wires()).actuators(new nelvar.core.model.Id("Q")).getFirst();
    var off = WhatIf.AS_DESIGNED.holding(handle, false);
    all.add(engine.solve(off, COLD));
    all.add(engine.after(WhatIf.AS_DESIGNED, off, COLD, new Duration(1)));
    var wires = Machines.wires(panel);
    for (var i = 0; i < 6; i++)
      all.add(
          engine.solve(
              WhatIf.AS_DESIGNED.togglingCut(wires.get(random.nextInt(wires.size()))), COLD));
    var ends = panel.build().conductors();
    for (var i = 0; i < 6; i++) {
      var a = ends.get(random.nextInt(ends.size())).to();
      var b = ends.get(random.nextInt(ends.size())).from();
      if (!a.equals(b)) all.add(engine.solve(WhatIf.AS_DESIGNED.togglingShort(a, b), COLD));
    }
    return all;
  }

  private static boolean converts(Intake intake) {
    return switch (intake.demand()) {
      case nelvar.core.catalogue.Demand.Converts _, nelvar.core.catalogue.Demand.Chops _ -> true;
      case nelvar.core.catalogue.Demand.FixedPower _,
          nelvar.core.catalogue.Demand.FixedCurrent _,
          nelvar.core.catalogue.Demand.Ohmic _ ->
          false;
    };
  }

  private static double taken(Live live, Device device) {
    return live.circuitry().served(device.id()).stream()
        .filter(served -> converts(served.intake()))
        .mapToDouble(served -> live.taken(device, served.intake()).orElseThrow().watts())
        .sum();
  }

  private static double given(Live live, Device device) {
    return live.outputs().stream()
        .filter(output -> output.device().id().equals(device.id()))
        .mapToDouble(output -> output.power().watts())
        .sum();
  }

  /// No device gives more than it takes, and the mains gives at least what all loads take together.
  @Test
  void nothingGivesMoreThanItTakes() {
    var broken = new ArrayList<String>();
    var looked = 0;
    var unsettled = 0;
    for (var seed = 1L; seed <= MACHINES; seed++) {
      var panel = Machines.of(seed);
      for (var live : states(panel, seed)) {
        looked++;
        if (!(live.outcome() instanceof Outcome.Settled)) {
          if (live.outcome() instanceof Outcome.Unsettled) unsettled++;
          unknown(live, panel, "machine " + seed + " " + live.tried(), broken);
          continue;
        }
        law(panel, live, "machine " + seed + " " + live.tried() + " " + live.conditions(), broken);
      }
    }
    // A line or the neutral of the whole machine lost, with a linear supply in series with others:
    // constant powers that pull against each other. It is said, and read from nowhere.
    assertThat(unsettled).isLessThan(looked / 100);
    assertThat(looked).isGreaterThan(10 * MACHINES);
    assertThat(broken).isEmpty();
  }

  /// What is not known is neither a number nor dead.
  private static void unknown(
      Live live, nelvar.core.Panel panel, String name, List<String> broken) {
    var topology = live.circuitry().topology();
    if (live.outcome() instanceof Outcome.Unsettled(var sources) && sources.isEmpty())
      broken.add(name + " does not say where");
    for (var device : topology.project().devices()) {
      for (var served : live.circuitry().served(device.id()))
        for (var line : served.intake().lines()) {
          var terminal = new TerminalRef(device.id(), line);
          if (live.at(device, served.intake()).isEmpty() && !live.live(terminal))
            broken.add(name + " " + terminal + " is not known and counts as dead");
        }
    }
    charge(live, panel, name, broken);
  }

  /// Switched off out of a state that is not known, capacitors may hold all they are rated for.
  private static void charge(Live live, nelvar.core.Panel panel, String name, List<String> broken) {
    var engine = panel.study().engine();
    var handle = engine.circuitry(COLD.wires()).actuators(new nelvar.core.model.Id("Q")).getFirst();
    var off = WhatIf.AS_DESIGNED.holding(handle, false);
    var charged = engine.after(live.trial(), off, COLD, new Duration(0)).charged();
    for (var stored : live.circuitry().stores) {
      var id = stored.device().id();
      if (live.known(
          new TerminalRef(id, stored.across().plus()),
          new TerminalRef(id, stored.across().minus()))) continue;
      if (charged.stream().noneMatch(charge -> charge.members().contains(id) && charge.assumed()))
        broken.add(name + " " + id + " may be charged and that is not said");
    }
  }

  private static void law(nelvar.core.Panel panel, Live live, String name, List<String> broken) {
    var mains = 0.0;
    var loads = 0.0;
    for (var device : panel.build().devices()) {
      var part = live.circuitry().topology().part(device.id()).orElseThrow();
      var in = taken(live, device);
      var out = given(live, device);
      if (part instanceof MainsInlet) mains += out;
      else if (device.intakes(part).stream().anyMatch(MachineLawsTest::converts)
          && !(part instanceof ControlTransformer)
          && out > in * 1.0001 + 1e-3)
        broken.add(name + " " + device.id() + " takes " + in + " W and gives " + out);
      for (var served : live.circuitry().served(device.id()))
        if (!converts(served.intake()))
          loads += live.taken(device, served.intake()).orElseThrow().watts();
    }
    if (live.charged().isEmpty() && loads > mains * 1.0001 + 0.01)
      broken.add(name + " loads take " + loads + " W, the mains gives " + mains);
  }
}
