package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// What one contact switches, by utilisation category (IEC 60947-4-1 and 60947-5-1): alternating
/// current into resistive loads (AC-1), motors (AC-3) and coils (AC-15), direct current by the
/// voltage it is to be broken at into resistive loads (DC-1) and into coils (DC-13), and the peak
/// it stands while it closes (of a contactor 10 times AC-3 effective, 14 times as a peak: IEC
/// 60947-4-1, making capacity, unchecked).
///
/// @param least what keeps it clean: with less it fouls and fails to conduct now and then
public record ContactRating(
    Current ac1,
    Optional<Current> ac3,
    Optional<Current> ac15,
    List<Direct> direct,
    Optional<Current> making,
    Optional<Least> least) {
  /// What it breaks up to a direct voltage.
  public record Direct(Voltage upTo, Current dc1, Current dc13) {}

  /// The least it switches surely.
  public record Least(Voltage volts, Current current) {
    @Override
    public String toString() {
      return current + " at " + volts;
    }
  }

  /// Of a small relay and of auxiliary contacts; common practice, no published source.
  private static final Least USUAL_LEAST = new Least(new Voltage(12), new Current(0.01));

  public ContactRating {
    direct = List.copyOf(direct);
  }

  /// What it breaks at a direct voltage; empty above the highest that is stated.
  public Optional<Direct> direct(Voltage volts) {
    return direct.stream()
        .filter(step -> volts.compareTo(step.upTo()) <= 0)
        .min(java.util.Comparator.comparing(Direct::upTo));
  }

  /// Into what turns: as stated for motors, else as into coils, which take as much while they
  /// close; empty where neither is stated.
  public Optional<Current> motors() {
    return ac3.or(() -> ac15);
  }

  /// Into coils on alternating current.
  public Current coils() {
    return ac15.or(() -> ac3).orElse(ac1);
  }

  /// A small relay of this rating, as such relays usually are; common practice, no published
  /// source, read the maker's curve.
  public static ContactRating usualRelay(Current rating) {
    return new ContactRating(
        rating,
        Optional.empty(),
        Optional.of(rating.times(0.5)),
        List.of(
            step(30, rating.amperes(), rating.amperes() / 3),
            step(60, Math.min(rating.amperes(), 1), 0.4),
            step(125, 0.3, 0.15),
            step(250, 0.15, 0.1)),
        Optional.empty(),
        Optional.of(USUAL_LEAST));
  }

  /// One pole of a contactor of this rating, likewise.
  public static ContactRating usualPole(Current rating) {
    var a = rating.amperes();
    return new ContactRating(
        rating,
        Optional.of(rating),
        Optional.empty(),
        List.of(step(30, a, 0.8 * a), step(60, a, 0.3 * a), step(125, 0.2 * a, 0.05 * a)),
        Optional.empty(),
        Optional.empty());
  }

  private static Direct step(double upTo, double dc1, double dc13) {
    return new Direct(new Voltage(upTo), new Current(dc1), new Current(dc13));
  }
}
