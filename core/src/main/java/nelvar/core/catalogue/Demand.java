package nelvar.core.catalogue;

import java.util.List;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;

/// How much an intake takes at full load.
public sealed interface Demand {
  /// A fixed power at a power factor: motors at rated load, electronics behind a converter.
  record FixedPower(Power power, double powerFactor) implements Demand {}

  /// A fixed current: direct-current motors, sensors, logic.
  record FixedCurrent(Current current) implements Demand {}

  /// A resistance, given by its power at the voltage it is made for; `P ∝ U²`.
  record Ohmic(Power power, Voltage madeFor) implements Demand {}

  /// What leaves by `output` divided by the efficiency, plus what the part itself uses.
  record Converts(String output, Percent efficiency, double powerFactor, Power own)
      implements Demand {}

  /// A chopper drive: input current is `factor` of the phase current set, common practice 67 %
  /// (parallel connection).
  ///
  /// @param outputs the windings it feeds, each with an equal share
  record Chops(List<String> outputs, Percent factor) implements Demand {
    public Chops {
      outputs = List.copyOf(outputs);
    }
  }
}
