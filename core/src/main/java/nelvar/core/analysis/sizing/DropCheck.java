package nelvar.core.analysis.sizing;

import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ServoDrive;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.network.Feed;
import nelvar.core.units.CrossSection;

/// The voltage drop of feeds with sections that are still being chosen; plain numbers, for trying
/// many.
public final class DropCheck {
  private DropCheck() {}

  /// Whether the rule of the voltage drop looks at a feed.
  public static boolean judged(Feed feed, Study study) {
    return feed.source().isPresent()
        && !feed.lineWays().isEmpty()
        && study.designCurrent(feed).amperes() > 0
        && feed.source()
            .flatMap(source -> study.part(source.device()))
            .filter(part -> part.chops() || part instanceof ServoDrive)
            .isEmpty();
  }

  /// The wires on the way there and back, for each of its lines.
  public static java.util.List<java.util.List<Conductor>> ways(Feed feed, Study study) {
    return feed.lineWays().stream()
        .map(way ->
            java.util.stream.Stream.concat(
                    study.wires(way).stream(),
                    feed.intake().threePhase()
                        ? java.util.stream.Stream.<Conductor>empty()
                        : study.wires(feed.backWay()).stream())
                .toList())
        .toList();
  }

  /// Volts lost in one wire of a feed, with `chosen` in the place of what it has; empty where its
  /// length or section is not known.
  public static Optional<Double> lost(
      Conductor wire, Feed feed, Map<Id, CrossSection> chosen, Study study) {
    var section = chosen.get(wire.id());
    Sections sections = section == null ? Sections.AS_DESIGNED : conductor -> Optional.of(section);
    return VoltageDrop.lost(wire, feed, study, sections)
        .map(volts -> volts * (feed.intake().threePhase() ? Math.sqrt(3) : 1));
  }
}
