package nelvar.core.compose;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.TypicalLength;
import nelvar.core.analysis.stop.StopByParameter;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.catalogue.Appliance;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.SocketStrip;
import nelvar.core.catalogue.Terminal;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.SelfHeld;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.finding.Repair;
import nelvar.core.model.Device;
import nelvar.core.model.School;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.units.ImpossibleQuantity;

/// A contactor before a load that holds itself behind stops, with a start button: the way out for a
/// drive that a stop leaves its feed, and for what starts by itself when the mains comes back. What
/// stops did before, they still do; where none has a free contact, a stop button comes with it.
///
/// Sockets with a tool on them, and whatever else no stop takes, get the same.
///
/// Not offered for a drive where the Brief wants it to slow down before its power goes: this
/// contactor opens at once.
final class PowerContactor {
  private PowerContactor() {}

  /// Of a drive that only its run input stops.
  static Optional<Repair> behindStops(Device drive, Study study, Catalogue standard) {
    var stops = StopByParameter.telling(drive, study);
    return stops.isEmpty() ? Optional.empty() : of(drive, stops, study, standard);
  }

  /// Of a motor that starts by itself; of its drive, where it has one.
  static Optional<Repair> againstRestart(Device motor, Study study, Catalogue standard) {
    var load = driveOf(motor, study).orElse(motor);
    var stops = freeStops(study);
    return of(load, stops, study, standard);
  }

  /// Of what goes on whatever stop is pressed: of the drive of a motor, of the sockets a tool is
  /// plugged in at. None where no stop has a free contact.
  static Optional<Repair> behindFreeStops(Device device, Study study, Catalogue standard) {
    var stops = freeStops(study);
    if (stops.isEmpty()) return Optional.empty();
    var load = driveOf(device, study).or(() -> socket(device, study)).orElse(device);
    return of(load, stops, study, standard);
  }

  /// Of all that moves, behind a button that takes nothing yet: where it has one feed, the drive or
  /// the supply that nothing else hangs on. None where the button has no free contact.
  static Optional<Repair> behind(Device button, Study study, Catalogue standard) {
    if (free(button, study).isEmpty()) return Optional.empty();
    var feeds =
        study.project().devices().stream()
            .filter(d -> study.part(d).filter(Part::motor).isPresent())
            .map(motor -> driveOf(motor, study).orElse(motor))
            .map(load -> supplyOf(load, study).orElse(load))
            .distinct()
            .toList();
    return feeds.size() == 1
        ? of(feeds.getFirst(), List.of(button), study, standard)
        : Optional.empty();
  }

  /// The supply of direct current that feeds it, where all that hangs on that moves.
  private static Optional<Device> supplyOf(Device load, Study study) {
    return study.network().feeds(load.id()).stream()
        .flatMap(feed -> feed.source().stream())
        .filter(source -> !source.output().alternating())
        .filter(source ->
            study.currents().served(source).stream()
                .map(feed -> study.part(feed.device()))
                .allMatch(part -> part.filter(p -> p.motor() || p.drives()).isPresent()))
        .map(Source::device)
        .findFirst();
  }

  /// What feeds a motor, where that is a drive.
  private static Optional<Device> driveOf(Device motor, Study study) {
    return study.network().feeds(motor.id()).stream()
        .flatMap(feed -> feed.source().stream())
        .map(Source::device)
        .filter(source -> study.part(source).filter(Part::drives).isPresent())
        .findFirst();
  }

  private static List<Device> freeStops(Study study) {
    return study.project().devices().stream()
        .filter(device -> StopRehearsal.stops(device, study) && free(device, study).isPresent())
        .toList();
  }

  /// The strip that one is plugged in at, where nothing else hangs on it.
  private static Optional<Device> socket(Device plugged, Study study) {
    return wiredTo(plugged, study)
        .filter(other -> study.part(other).filter(SocketStrip.class::isInstance).isPresent())
        .findFirst()
        .filter(strip ->
            wiredTo(strip, study)
                .filter(other -> study.part(other).filter(Appliance.class::isInstance).isPresent())
                .allMatch(plugged::equals));
  }

  private static Stream<Device> wiredTo(Device device, Study study) {
    return study.project().conductors().stream()
        .filter(wire -> wire.touches(device.id()))
        .flatMap(wire -> Stream.of(wire.from(), wire.to()))
        .flatMap(end -> study.device(end.device()).stream())
        .filter(other -> !other.equals(device))
        .distinct();
  }

  /// What its contactor opens, and carries.
  private record Cut(List<String> terminals, Optional<String> neutral, double amperes) {
    static Optional<Cut> of(Device load, Study study) {
      if (study.part(load).orElse(null) instanceof SocketStrip strip)
        return Optional.of(new Cut(List.of("L", "N"), Optional.of("N"), strip.rating().amperes()));
      return study.network().feeds(load.id()).stream()
          .filter(f -> f.source().filter(s -> s.output().alternating()).isPresent())
          .findFirst()
          .map(feed ->
              new Cut(
                  PowerContactor.terminals(feed),
                  PowerContactor.neutral(feed, study),
                  study.designCurrent(feed).amperes()));
    }
  }

  private static Optional<Repair> of(
      Device load, List<Device> stops, Study study, Catalogue standard) {
    var drives = study.part(load).filter(Part::drives).isPresent();
    if (drives && study.project().brief().policies().chose(School.STOP_CATEGORY, "one"))
      return Optional.empty();
    var cut = Cut.of(load, study);
    var contacts = new ArrayList<SelfHeld.Contact>();
    for (var stop : stops) free(stop, study).ifPresent(contacts::add);
    if (cut.isEmpty() || contacts.size() < stops.size()) return Optional.empty();
    try {
      var composer =
          Composer.beside(study, standard, TypicalLength.DISTANCE, Composer.Beside.USUAL);
      composer.cutFeed(
          load, cut.get().terminals(), cut.get().neutral(), cut.get().amperes(), contacts);
      composer.settle();
      var after = new Sizing(composer, standard, true).added(study.project()).project();
      var label =
          "Give %s a contactor that holds itself, with a start button, and %s"
              .formatted(
                  load.designation(),
                  stops.isEmpty()
                      ? "a stop button"
                      : "let "
                          + stops.stream()
                              .map(d -> d.designation().text())
                              .collect(Collectors.joining(", "))
                          + " open it");
      return Optional.of(InPlace.of(label, study.project(), after));
    } catch (Unmet | EditRefused | ImpossibleQuantity notPossible) {
      return Optional.empty();
    }
  }

  private static List<String> terminals(Feed feed) {
    return Stream.concat(feed.intake().lines().stream(), feed.intake().back().stream()).toList();
  }

  /// The terminal that its way back from a neutral ends at.
  private static Optional<String> neutral(Feed feed, Study study) {
    return feed.source()
        .filter(_ -> feed.backStart() >= 0)
        .map(source -> source.terminals().get(feed.backStart()))
        .filter(end ->
            study
                .device(end.device())
                .flatMap(study::part)
                .filter(part ->
                    part.terminals().stream()
                        .anyMatch(t ->
                            t.name().equals(end.terminal()) && t.role() == Terminal.Role.NEUTRAL))
                .isPresent())
        .flatMap(_ -> feed.intake().back());
  }

  /// A contact closed at rest on which nothing lands.
  private static Optional<SelfHeld.Contact> free(Device button, Study study) {
    var topology = study.network().topology();
    return study.part(button).map(Part::links).stream()
        .flatMap(List::stream)
        .filter(link -> link.kind() == Link.Kind.CONTACT && link.closedAtRest())
        .filter(link ->
            Stream.of(link.a(), link.b())
                .noneMatch(mark -> topology.wired(new TerminalRef(button.id(), mark))))
        .findFirst()
        .map(link -> new SelfHeld.Contact(button, link.a(), link.b()));
  }
}
