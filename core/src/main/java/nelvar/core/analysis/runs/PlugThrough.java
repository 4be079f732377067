package nelvar.core.analysis.runs;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Connector;
import nelvar.core.model.Cable;
import nelvar.core.model.Place;

/// The plug at the inner end of a cable, which has to go through its gland with it where it is
/// fitted before.
public final class PlugThrough {
  private PlugThrough() {}

  /// @param across its greatest measure outside, mm
  /// @param moulded the cable comes with it
  public record Plug(String name, double across, boolean moulded) {}

  /// The largest one; empty where no core ends in a plug within a cabinet, or nobody states how
  /// large it is.
  public static Optional<Plug> of(Cable cable, Study study) {
    return study.cores(cable.id()).stream()
        .flatMap(core ->
            Stream.of(core.from(), core.to())
                .flatMap(end -> study.device(end.device()).stream())
                .filter(device -> device.place() != Place.MACHINE)
                .flatMap(device ->
                    study.part(device).stream()
                        .filter(Connector.class::isInstance)
                        .map(Connector.class::cast)
                        .flatMap(plug ->
                            plug.across().stream()
                                .map(across ->
                                    new Plug(
                                        device.designation().text(),
                                        across.metres() * 1000,
                                        core.leadOf().filter(device.id()::equals).isPresent())))))
        .max(Comparator.comparingDouble(Plug::across));
  }
}
