package nelvar.core.model;

import java.util.Optional;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Percent;

/// How hard a load works. What is not said counts as 100 %.
///
/// @param loading share of its rated power or current that the work needs, 0 to 200 %
/// @param simultaneity share that can be on together with everything else, 0 to 100 %
/// @param duty share of the time it is on, 0 to 100 %
/// @param returned what it gives back when it brakes
public record Use(
    Optional<Percent> loading,
    Optional<Percent> simultaneity,
    Optional<Percent> duty,
    Optional<Returned> returned) {
  public static final Use FULL =
      new Use(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

  public Use {
    within("loading", loading, 200);
    within("simultaneity", simultaneity, 100);
    within("duty", duty, 100);
  }

  public Use withLoading(Optional<Percent> next) {
    return new Use(next, simultaneity, duty, returned);
  }

  public Use withSimultaneity(Optional<Percent> next) {
    return new Use(loading, next, duty, returned);
  }

  public Use withDuty(Optional<Percent> next) {
    return new Use(loading, simultaneity, next, returned);
  }

  public Use withReturned(Optional<Returned> next) {
    return new Use(loading, simultaneity, duty, next);
  }

  private static void within(String name, Optional<Percent> share, double most) {
    if (share.isPresent() && (share.get().percent() < 0 || share.get().percent() > most)) {
      throw new ImpossibleQuantity(
          name + " is from 0 % to " + (int) most + " %, not " + share.get());
    }
  }

  public double loadingFactor() {
    return loading.orElse(Percent.WHOLE).fraction();
  }

  public double simultaneityFactor() {
    return simultaneity.orElse(Percent.WHOLE).fraction();
  }

  public double dutyFactor() {
    return duty.orElse(Percent.WHOLE).fraction();
  }
}
