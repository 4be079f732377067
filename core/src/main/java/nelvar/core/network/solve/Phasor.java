package nelvar.core.network.solve;

/// A voltage or current as a complex number, r.m.s.; direct current has no imaginary part.
public record Phasor(double re, double im) {
  public static final Phasor ZERO = new Phasor(0, 0);

  public static Phasor of(double magnitude, double degrees) {
    var angle = Math.toRadians(degrees);
    return new Phasor(magnitude * Math.cos(angle), magnitude * Math.sin(angle));
  }

  public Phasor plus(Phasor other) {
    return new Phasor(re + other.re, im + other.im);
  }

  public Phasor minus(Phasor other) {
    return new Phasor(re - other.re, im - other.im);
  }

  public Phasor times(double factor) {
    return new Phasor(re * factor, im * factor);
  }

  public Phasor times(Phasor other) {
    return new Phasor(re * other.re - im * other.im, re * other.im + im * other.re);
  }

  public Phasor over(Phasor other) {
    var size = other.re * other.re + other.im * other.im;
    return new Phasor(
        (re * other.re + im * other.im) / size, (im * other.re - re * other.im) / size);
  }

  public double magnitude() {
    return size(re, im);
  }

  /// As [Math#hypot], for volts and amperes, whose squares neither vanish nor overflow; many times
  /// as quick.
  static double size(double re, double im) {
    return Math.sqrt(re * re + im * im);
  }

  /// A current of `magnitude` that lags this voltage by the angle whose cosine is `powerFactor`.
  public Phasor lagging(double magnitude, double powerFactor) {
    var size = magnitude();
    if (size == 0) return ZERO;
    var cos = re / size;
    var sin = im / size;
    var lagSin = -Math.sqrt(Math.max(0, 1 - powerFactor * powerFactor));
    return new Phasor(
        magnitude * (cos * powerFactor - sin * lagSin),
        magnitude * (sin * powerFactor + cos * lagSin));
  }
}
