package nelvar.core.model;

import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Texts;

/// What a function asks for. What is not said is empty, and composing says what it assumed.
///
/// @param count how many alike, 1 to 200
/// @param voltage `24 V` is direct current up to 60 V, the mains' kind above
/// @param current of one, as on its nameplate
/// @param power of one; at the shaft for motors, taken for all others
/// @param speed turning, or travelling
/// @param detail what was said besides, in the builder's words: `belt 24 teeth 5 mm gear 3:1`
public record Wants(
    int count,
    Optional<Means> by,
    Optional<MainsVoltage> voltage,
    Optional<Current> current,
    Optional<Power> power,
    Optional<Measure> speed,
    Optional<Length> travel,
    Optional<Measure> mass,
    Optional<Length> resolution,
    Optional<String> place,
    Optional<String> detail) {
  /// One, and nothing more said.
  public static final Wants NOTHING =
      new Wants(
          1,
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  /// More alike than one function can have.
  public static final int MOST = 200;

  public Wants {
    if (count < 1 || count > MOST)
      throw new ImpossibleQuantity("a function has 1 to %d alike, not %d".formatted(MOST, count));
    if (mass.isPresent() && mass.get().unit() != Measure.Unit.MASS)
      throw new ImpossibleQuantity("a mass is given in kg");
    place = place.map(text -> Texts.storable("a place", text));
    detail = detail.map(text -> Texts.storable("a detail", text));
  }

  public Wants withCount(int next) {
    return new Wants(
        next, by, voltage, current, power, speed, travel, mass, resolution, place, detail);
  }

  public Wants withBy(Means next) {
    return new Wants(
        count,
        Optional.of(next),
        voltage,
        current,
        power,
        speed,
        travel,
        mass,
        resolution,
        place,
        detail);
  }

  public Wants withPower(Power next) {
    return new Wants(
        count,
        by,
        voltage,
        current,
        Optional.of(next),
        speed,
        travel,
        mass,
        resolution,
        place,
        detail);
  }

  public Wants withPlace(Optional<String> next) {
    return new Wants(
        count, by, voltage, current, power, speed, travel, mass, resolution, next, detail);
  }

  /// With what an axis is wanted to do, and what it moves with in words.
  public Wants withMotion(
      Optional<Measure> nextSpeed,
      Optional<Measure> nextMass,
      Optional<Length> nextResolution,
      Optional<String> nextDetail) {
    return new Wants(
        count,
        by,
        voltage,
        current,
        power,
        nextSpeed,
        travel,
        nextMass,
        nextResolution,
        place,
        nextDetail);
  }

  /// The quantities in a sentence: `2.2 kW, 3x230 V, on the gantry`.
  public String words() {
    var all = new java.util.StringJoiner(", ");
    if (count > 1) all.add(count + " ×");
    by.ifPresent(means -> all.add(means.words()));
    power.ifPresent(q -> all.add(q.toString()));
    voltage.ifPresent(q -> all.add(q.toString()));
    current.ifPresent(q -> all.add(q.toString()));
    speed.ifPresent(q -> all.add(q.toString()));
    travel.ifPresent(q -> all.add("travel " + q));
    mass.ifPresent(q -> all.add(q.toString()));
    resolution.ifPresent(q -> all.add("resolution " + q));
    detail.ifPresent(all::add);
    place.ifPresent(text -> all.add("at the " + text));
    return all.toString().replace(" ×, ", " × ");
  }
}
