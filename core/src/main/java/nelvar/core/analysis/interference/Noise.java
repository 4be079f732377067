package nelvar.core.analysis.interference;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Id;

/// The worst pair of every place and of every device: what a lens over a plate or over ways shows,
/// with the numbers of the matrix.
public final class Noise {
  private final Map<Id, Pair> places = new HashMap<>();
  private final Map<Id, Pair> devices = new HashMap<>();

  private Noise(Study study) {
    // Worst first.
    for (var pair : Coupled.of(study).pairs()) {
      pair.apart()
          .ifPresent(place -> {
            places.putIfAbsent(place.emitter().bundle().id(), pair);
            places.putIfAbsent(place.receiver().bundle().id(), pair);
          });
      devices.putIfAbsent(pair.emitter().device().id(), pair);
      devices.putIfAbsent(pair.receiver().at().device(), pair);
      pair.receiver().partner().ifPresent(end -> devices.putIfAbsent(end.device(), pair));
    }
  }

  public static Noise of(Study study) {
    return study.once(Noise.class, () -> new Noise(study));
  }

  /// The worst that gets in in a duct, tray, conduit or carrier.
  public Optional<Pair> in(Id bundle) {
    return Optional.ofNullable(places.get(bundle));
  }

  /// The worst that a device gives off or hears.
  public Optional<Pair> of(Id device) {
    return Optional.ofNullable(devices.get(device));
  }
}
