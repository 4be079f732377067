package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.Frequency;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Voltage;

/// Coils: volts at them, how they let go, what tames them.
public final class CoilFormulas {
  private CoilFormulas() {}

  /// `2 · l · r`, out and back.
  public static Resistance loop(Length oneWay, ResistancePerLength warm) {
    return new Resistance(2 * oneWay.metres() * warm.ohmsPerMetre());
  }

  /// `(Us − Umin)/(2 · r · I)`; none where the source is below already.
  public static Optional<Length> greatestLength(
      Voltage source, Voltage least, ResistancePerLength warm, Current coil) {
    var spare = source.volts() - least.volts();
    return spare <= 0
        ? Optional.empty()
        : Optional.of(new Length(spare / (2 * warm.ohmsPerMetre() * coil.amperes())));
  }

  /// `Uoff/(Ileak − Uoff/R)`, across the coil; none where it lets go without.
  public static Optional<Resistance> bleeder(Current leak, Resistance coil, Voltage letsGo) {
    var spare = leak.amperes() - letsGo.volts() / coil.ohms();
    return spare <= 0 ? Optional.empty() : Optional.of(new Resistance(letsGo.volts() / spare));
  }

  /// `Un²/P`.
  public static Resistance ofRating(Voltage rated, Power power) {
    return new Resistance(rated.volts() * rated.volts() / power.watts());
  }

  /// `L/R · ln((1 + z)/(h + z))`: the same in shares of its own current and volts.
  ///
  /// @param constant L/R; @param holds `h`, share of its current at which it lets go
  /// @param clamp `z`, volts of the clamp over those of the coil
  public static Duration letsGo(Duration constant, double holds, double clamp) {
    return new Duration(constant.seconds() * Math.log((1 + clamp) / (holds + clamp)));
  }

  /// `L/R · ln((I0 + Uz/R)/(Ih + Uz/R))`, with a diode and what clamps beside it; none where it
  /// holds with more than flows.
  public static Optional<Duration> releaseTime(
      Measure inductance, Resistance coil, Current flows, Current holds, Voltage clamp) {
    if (holds.compareTo(flows) >= 0) return Optional.empty();
    var r = coil.ohms();
    var z = clamp.volts() / r;
    return Optional.of(
        new Duration(
            inductance.value() / r * Math.log((flows.amperes() + z) / (holds.amperes() + z))));
  }

  /// `L · I²/2`.
  public static Energy energy(Measure inductance, Current flows) {
    return new Energy(inductance.value() * flows.amperes() * flows.amperes() / 2);
  }

  /// `E · f`.
  public static Power mean(Energy each, Frequency often) {
    return new Power(each.joules() * often.hertz());
  }

  /// `I²/10 in µF`, against arcing (common practice).
  public static Capacitance snubber(Current broken) {
    return new Capacitance(broken.amperes() * broken.amperes() / 10 * 1e-6);
  }

  /// `U/(10 · I^(1 + 50/U))`, in series with it (common practice).
  public static Resistance snubberResistor(Voltage peak, Current broken) {
    return new Resistance(peak.volts() / (10 * Math.pow(broken.amperes(), 1 + 50 / peak.volts())));
  }

  /// 0.5 to 1 µF for each ampere damp the coil and leak more, the other school.
  public record Damping(Capacitance least, Capacitance greatest) {
    @Override
    public String toString() {
      return least + " to " + greatest;
    }
  }

  public static Damping damping(Current broken) {
    return new Damping(
        new Capacitance(0.5e-6 * broken.amperes()), new Capacitance(1e-6 * broken.amperes()));
  }

  /// `500 · P/U² in µF, × 50 Hz/f`: a cable of more keeps an AC coil in (common practice).
  public static Capacitance holdsIn(double voltAmperes, Voltage voltage, Frequency frequency) {
    return new Capacitance(
        500 * voltAmperes / (voltage.volts() * voltage.volts()) * 50 / frequency.hertz() * 1e-6);
  }

  /// `C/Cl`.
  public static Length cable(Capacitance capacitance, Measure perMetre) {
    return new Length(capacitance.farads() / (perMetre.value() * 1e-12));
  }

  /// `uk · (Spull + Shold)/Sn`: the fall of a control transformer while a coil pulls in, all of one
  /// power factor, so too much rather than too little.
  public static Percent sag(
      Percent shortCircuitVoltage, Measure pullingIn, Measure holding, Measure rated) {
    return Percent.ofFraction(
        shortCircuitVoltage.fraction() * (pullingIn.value() + holding.value()) / rated.value());
  }

  /// The rating at which that fall is allowed.
  public static Measure transformer(
      Percent shortCircuitVoltage, Measure pullingIn, Measure holding, Percent fall) {
    return new Measure(
        shortCircuitVoltage.fraction() * (pullingIn.value() + holding.value()) / fall.fraction(),
        Measure.Unit.APPARENT_POWER);
  }
}
