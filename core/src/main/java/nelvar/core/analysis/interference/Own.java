package nelvar.core.analysis.interference;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Id;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Reading;

/// What somebody set on a device instead of what is typical of its kind: `Edge` of a drive, `Input
/// filter` of a board.
final class Own {
  private Own() {}

  static Optional<Double> seconds(Id device, String name, Study study) {
    return study
        .project()
        .setting(device, name)
        .flatMap(Own::read)
        .map(Duration::seconds)
        .filter(seconds -> seconds > 0);
  }

  private static Optional<Duration> read(String value) {
    return Kind.DURATION.readStrict(value) instanceof Reading.Value<Duration>(var is)
        ? Optional.of(is)
        : Optional.empty();
  }
}
