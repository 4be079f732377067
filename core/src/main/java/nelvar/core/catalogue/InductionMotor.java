package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Three-phase induction motor with its two nameplate voltages and currents.
///
/// @param power at the shaft
/// @param leads how it can be linked; six ends where nothing is said
/// @param frequency of its nameplate, where that is not the mains': a high-frequency spindle
/// @param cooling what keeps it cool, where that is stated
/// @param poles 2 for a speed of 60 times its frequency, 4 for half of it, where that is stated
/// @param thermistor whether beads in its winding are brought out
public record InductionMotor(
    String id,
    String name,
    Article article,
    Power power,
    Voltage deltaVoltage,
    Current deltaCurrent,
    Voltage starVoltage,
    Current starCurrent,
    double powerFactor,
    Optional<Leads> leads,
    Optional<Frequency> frequency,
    Optional<Cooling> cooling,
    Optional<Integer> poles,
    Optional<Boolean> thermistor)
    implements Part {
  /// What keeps a motor cool.
  public enum Cooling {
    /// Air, blown by its own shaft or by the tool it turns.
    AIR,
    /// A liquid that a pump moves: without it a spindle is lost within minutes.
    LIQUID
  }

  public InductionMotor {
    Part.require(
        powerFactor > 0 && powerFactor <= 1,
        "a power factor is above 0 and at most 1, not " + powerFactor);
    Part.require(
        poles.filter(p -> p < 2 || p > 24 || p % 2 == 1).isEmpty(),
        "a motor has 2, 4, 6 and up to 24 poles, not " + poles.orElse(0));
  }

  /// What it takes as it is linked, by its nameplate.
  public Current nameplate(Linkage linkage) {
    return linkage == Linkage.STAR ? starCurrent : deltaCurrent;
  }

  /// Its volts as it is linked, by its nameplate.
  public Voltage nameplateVolts(Linkage linkage) {
    return linkage == Linkage.STAR ? starVoltage : deltaVoltage;
  }

  @Override
  public boolean motor() {
    return true;
  }

  @Override
  public boolean turnsByVolts() {
    return true;
  }

  @Override
  public List<Linkage> linkages() {
    return List.of(Linkage.STAR, Linkage.DELTA);
  }

  /// The first end of the beads in its winding.
  public static final String BEADS = "T1";

  /// Whether beads in its winding are brought out, `T1` and `T2`.
  public boolean beads() {
    return thermistor.orElse(false);
  }

  @Override
  public List<Terminal> terminals() {
    if (!beads()) return Part.threePhaseMotor();
    var all = new ArrayList<>(Part.threePhaseMotor());
    all.add(Terminal.optional(BEADS, Terminal.Role.SIGNAL));
    all.add(Terminal.optional("T2", Terminal.Role.SIGNAL));
    return all;
  }

  /// Cold beads have some hundreds of ohms (common practice); hot ones some thousands.
  @Override
  public List<Element> elements() {
    return beads() ? List.of(new Element.Resistor(BEADS, "T2", new Resistance(300))) : List.of();
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    var voltage = linkage == Linkage.STAR ? starVoltage : deltaVoltage;
    var current = linkage == Linkage.STAR ? starCurrent : deltaCurrent;
    var taken = new Power(Math.sqrt(3) * voltage.volts() * current.amperes() * powerFactor);
    var accepts = new VoltageRange(voltage.times(0.9), voltage.times(1.1));
    return List.of(
        Intake.threePhase(
            "stator",
            List.of("U", "V", "W"),
            accepts,
            new Demand.FixedPower(taken, powerFactor),
            Optional.of(new Inrush(current.times(7 * Math.sqrt(2)), new Duration(1)))));
  }
}
