package nelvar.desktop.stage.brief;

import nelvar.core.model.Brief;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Temperature;

/// The edits of a brief, field by field.
final class Briefs {
  private Briefs() {}

  private static Edit supply(String what, Brief brief, Brief.Supply next) {
    return Edits.brief(what, new Brief(next, brief.surroundings(), brief.policies()));
  }

  static Edit voltage(Brief b, MainsVoltage next) {
    var s = b.supply();
    return supply(
        "Set the mains to " + next,
        b,
        new Brief.Supply(
            next,
            s.frequency(),
            s.earthing(),
            s.upstream(),
            s.loopImpedance(),
            s.prospectiveShortCircuitCurrent()));
  }

  static Edit frequency(Brief b, Frequency next) {
    var s = b.supply();
    return supply(
        "Set the frequency to " + next,
        b,
        new Brief.Supply(
            s.voltage(),
            next,
            s.earthing(),
            s.upstream(),
            s.loopImpedance(),
            s.prospectiveShortCircuitCurrent()));
  }

  static Edit earthing(Brief b, Brief.Earthing next) {
    var s = b.supply();
    return supply(
        "Set the earthing to " + next.words(),
        b,
        new Brief.Supply(
            s.voltage(),
            s.frequency(),
            next,
            s.upstream(),
            s.loopImpedance(),
            s.prospectiveShortCircuitCurrent()));
  }

  static Edit upstream(Brief b, Current next) {
    var s = b.supply();
    return supply(
        "Set the upstream device to " + next,
        b,
        new Brief.Supply(
            s.voltage(),
            s.frequency(),
            s.earthing(),
            next,
            s.loopImpedance(),
            s.prospectiveShortCircuitCurrent()));
  }

  static Edit loop(Brief b, nelvar.core.units.Resistance next) {
    var s = b.supply();
    return supply(
        "Set the loop impedance to " + next,
        b,
        new Brief.Supply(
            s.voltage(),
            s.frequency(),
            s.earthing(),
            s.upstream(),
            java.util.Optional.of(next),
            s.prospectiveShortCircuitCurrent()));
  }

  static Edit shortCircuit(Brief b, Current next) {
    var s = b.supply();
    return supply(
        "Set the short-circuit current to " + next,
        b,
        new Brief.Supply(
            s.voltage(),
            s.frequency(),
            s.earthing(),
            s.upstream(),
            s.loopImpedance(),
            java.util.Optional.of(next)));
  }

  static Edit around(
      String what, Brief b, Temperature least, Temperature greatest, Temperature inside) {
    return around(what, b, b.surroundings().withAir(least, greatest, inside));
  }

  static Edit around(String what, Brief b, Brief.Surroundings next) {
    return Edits.brief(what, new Brief(b.supply(), next, b.policies()));
  }

  static Edit policies(String what, Brief b, Brief.Policies next) {
    return Edits.brief(what, new Brief(b.supply(), b.surroundings(), next));
  }
}
