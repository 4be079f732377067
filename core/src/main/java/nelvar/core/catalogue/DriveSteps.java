package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.formula.Stepping;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;

/// What a stepper drive can be set to.
///
/// @param microsteps it divides a full step into
/// @param currents of a phase it can be set to; any up to its rating where none are listed
/// @param scale what those currents mean; not known where nothing is stated
/// @param idle share of the current it keeps at rest
/// @param bank its switches, where it is set with some
/// @param trimmer its trimmer, where its current is set with one
public record DriveSteps(
    List<Integer> microsteps,
    List<Current> currents,
    Optional<Stepping.Scale> scale,
    Optional<Percent> idle,
    Optional<SwitchBank> bank,
    Optional<Trimmer> trimmer) {
  public static final DriveSteps UNKNOWN =
      new DriveSteps(
          List.of(),
          List.of(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  public DriveSteps {
    microsteps = List.copyOf(microsteps);
    currents = List.copyOf(currents);
    for (var micro : microsteps)
      Part.require(
          micro >= 1 && micro <= 1024, "a drive divides a step into 1 to 1024, not " + micro);
  }

  /// The next it has that is at least as fine; empty where none is.
  public Optional<Integer> atLeast(double wanted) {
    return microsteps.stream().filter(m -> m >= wanted - 1e-9).min(Integer::compare);
  }

  /// The greatest it has that is no more.
  public Optional<Current> atMost(Current wanted) {
    return currents.stream().filter(c -> c.compareTo(wanted) <= 0).max(Current::compareTo);
  }
}
