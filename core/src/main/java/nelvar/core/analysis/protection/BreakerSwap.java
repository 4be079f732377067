package nelvar.core.analysis.protection;

import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.CircuitBreaker;

/// Breakers of the catalogue that could stand in the place of another.
final class BreakerSwap {
  private BreakerSwap() {}

  /// Same poles, carries the load, stands the inrush, no larger than any wire it guards allows;
  /// nearest rating first.
  static Stream<CircuitBreaker> candidates(
      CircuitBreaker now, Guards.Guarding guarding, Study study) {
    return study
        .catalogue()
        .of(CircuitBreaker.class)
        .filter(next ->
            next.poles() == now.poles()
                && !next.id().equals(now.id())
                && next.breakingCapacity().compareTo(now.breakingCapacity()) >= 0)
        .filter(next ->
            next.rating().compareTo(Schools.rated(guarding.design(), "", study).value()) >= 0)
        .filter(next ->
            next.curve()
                    .holds(next.rating())
                    .value()
                    .compareTo(BreakerChoice.effective(guarding.inrushPeak()))
                >= 0)
        .filter(next ->
            guarding.wires().stream()
                .allMatch(wire ->
                    Ampacity.of(wire, study)
                        .found()
                        .map(iz ->
                            next.rating().compareTo(Schools.greatestDevice(iz, wire, study).value())
                                <= 0)
                        .orElse(true)))
        .sorted(
            java.util.Comparator.comparingDouble((CircuitBreaker next) ->
                    Math.abs(next.rating().amperes() - now.rating().amperes()))
                .thenComparing(next -> next.price().orElse(nelvar.core.units.Price.ZERO))
                .thenComparing(CircuitBreaker::id));
  }
}
