package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Measure;
import nelvar.core.units.Temperature;

/// What a short fault heats a wire to: adiabatic (IEC 60364-5-54, 543.1.2, from memory).
public final class FaultHeating {
  private FaultHeating() {}

  /// Conductor metals with the constants of their factor.
  public enum Metal {
    COPPER("copper", 226, 234.5),
    ALUMINIUM("aluminium", 148, 228);

    private final String words;
    private final double lead;
    private final double beta;

    Metal(String words, double lead, double beta) {
      this.words = words;
      this.lead = lead;
      this.beta = beta;
    }

    /// What stands before the root.
    public double lead() {
      return lead;
    }

    /// Reciprocal of the temperature coefficient at 0 °C, in K.
    public double beta() {
      return beta;
    }

    @Override
    public String toString() {
      return words;
    }
  }

  /// `I · √t/k`.
  public static Measure leastSection(Current fault, Duration time, double k) {
    return leastSection(fault.amperes() * fault.amperes() * time.seconds(), k);
  }

  /// `√(I²t)/k`, by what a device lets through.
  public static Measure leastSection(double squareAmpereSeconds, double k) {
    return new Measure(Math.sqrt(squareAmpereSeconds) / k, Measure.Unit.SQUARE_MILLIMETRES);
  }

  /// `(k · S/I)²`.
  public static Duration time(double k, CrossSection section, Current fault) {
    return new Duration(energy(k, section).value() / (fault.amperes() * fault.amperes()));
  }

  /// `k² · S²`.
  public static Measure energy(double k, CrossSection section) {
    return new Measure(Math.pow(k * section.squareMillimetres(), 2), Measure.Unit.JOULE_INTEGRAL);
  }

  /// `226 · √(ln((β + Tf)/(β + Ti)))` for copper, 148 for aluminium; none where the end is not
  /// warmer.
  public static Optional<Measure> factor(Metal metal, Temperature from, Temperature to) {
    if (to.celsius() <= from.celsius()) return Optional.empty();
    var beta = metal.beta();
    return Optional.of(
        new Measure(
            metal.lead() * Math.sqrt(Math.log((beta + to.celsius()) / (beta + from.celsius()))),
            Measure.Unit.ADIABATIC));
  }

  /// `0.0297 · lg((Tf + 234)/(Ti + 234))`, for copper and circular mils (ICEA P-32-382, from
  /// memory).
  public static double insulatedCable(Temperature from, Temperature to) {
    return 0.0297 * Math.log10((to.celsius() + 234) / (from.celsius() + 234));
  }

  /// `A · √(k/t)`, A in circular mils and k by [#insulatedCable].
  public static Current insulatedCableFault(double circularMils, double k, Duration time) {
    return new Current(circularMils * Math.sqrt(k / time.seconds()));
  }
}
