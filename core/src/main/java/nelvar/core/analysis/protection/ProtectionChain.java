package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.Inrush;
import nelvar.core.formula.FaultHeating;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Edge;
import nelvar.core.network.Fault;
import nelvar.core.network.Feed;
import nelvar.core.units.Current;

/// The protective devices in series before one load, with everything that must pass below their
/// curves and everything that must stay above them.
///
/// @param protectors from the load towards the source
/// @param wire the thinnest wire behind the nearest device, and what it carries for ever
/// @param energy k²S² of that wire, A²s
/// @param start the motor's starting current and how long it lasts, assumed 6 times for 5 s where
///   it starts on the line
/// @param least and `greatest` fault current at the load and at the nearest device
/// @param magneticBand how many times the bands of magnetic trips count, by the Brief
public record ProtectionChain(
    Feed feed,
    List<Feed.Protector> protectors,
    Optional<Conductor> wire,
    Optional<Current> ampacity,
    double energy,
    Current design,
    Optional<Inrush> inrush,
    Optional<Current> start,
    Optional<Current> least,
    Optional<Current> greatest,
    boolean alternating,
    double magneticBand) {

  /// Of a motor started on the line, common practice: IEC 60204-1 counts on 6 to 8 times.
  private static final double START = 6;

  /// Those of every load behind a breaker or fuse, one for each nearest device: the load with the
  /// least fault current.
  public static List<ProtectionChain> all(Study study) {
    return all(study, 1);
  }

  /// Only those with two devices and more.
  static List<ProtectionChain> inSeries(Study study) {
    return all(study, 2);
  }

  private static List<ProtectionChain> all(Study study, int least) {
    var chosen = new java.util.LinkedHashMap<Feed.Protector, ProtectionChain>();
    for (var feed : study.network().feeds()) {
      if (protectors(feed, study).size() < least) continue;
      var chain = of(feed, study);
      if (chain.isEmpty()) continue;
      chosen.merge(
          chain.get().protectors().getFirst(),
          chain.get(),
          (a, b) -> amperes(b.least()) < amperes(a.least()) ? b : a);
    }
    return List.copyOf(chosen.values());
  }

  private static double amperes(Optional<Current> current) {
    return current.map(Current::amperes).orElse(Double.MAX_VALUE);
  }

  /// The chain of a load, of what a protective device protects, or of what a wire feeds.
  public static Optional<ProtectionChain> about(Id id, Study study) {
    var own = study.network().feeds(id).stream().findFirst();
    if (own.isPresent()) return of(own.get(), study);
    return study.network().feeds().stream()
        .filter(feed ->
            !feed.lineWays().isEmpty()
                && feed.lineWays().getFirst().stream()
                    .map(study.network().topology()::edge)
                    .anyMatch(edge ->
                        switch (edge) {
                          case Edge.Wire(var conductor) -> conductor.id().equals(id);
                          case Edge.Through(var device, var link) ->
                              device.id().equals(id) && link.protection().isPresent();
                        }))
        .findFirst()
        .flatMap(feed -> of(feed, study));
  }

  private static Optional<ProtectionChain> of(Feed feed, Study study) {
    if (feed.source().isEmpty() || feed.lineWays().isEmpty()) return Optional.empty();
    var protectors = protectors(feed, study);
    var line = new TerminalRef(feed.device().id(), feed.intake().lines().getFirst());
    var back =
        new TerminalRef(
            feed.device().id(),
            feed.intake().back().orElseGet(() -> feed.intake().lines().getLast()));
    var least = study.leastFault().between(line, back);
    var wire = thinnest(feed, protectors, study);
    var alternating =
        least
            .map(Fault.Prospective::alternating)
            .orElse(feed.source().get().output().alternating());
    var k = Schools.adiabatic(study).value().value();
    return Optional.of(
        new ProtectionChain(
            feed,
            List.copyOf(protectors),
            wire,
            wire.flatMap(w -> Ampacity.of(w, study).found()).map(iz -> iz.value()),
            wire.flatMap(Conductor::section)
                .map(s -> FaultHeating.energy(k, s).value())
                .orElse(0.0),
            study.designCurrent(feed),
            feed.intake().inrush(),
            study.part(feed.device()).filter(InductionMotor.class::isInstance).isPresent()
                ? Optional.of(study.designCurrent(feed).times(START))
                : Optional.empty(),
            least.map(Fault.Prospective::current),
            protectors.isEmpty()
                ? Optional.empty()
                : BreakingCapacity.greatest(protectors.getFirst().device(), study)
                    .map(Fault.Prospective::current),
            alternating,
            study.project().brief().policies().magneticBand(alternating)));
  }

  /// From the load towards the source.
  private static List<Feed.Protector> protectors(Feed feed, Study study) {
    var protectors = new ArrayList<Feed.Protector>();
    if (feed.lineWays().isEmpty()) return protectors;
    for (var edge : feed.lineWays().getFirst()) {
      if (study.network().topology().edge(edge) instanceof Edge.Through(var device, var link)
          && link.protection().isPresent())
        protectors.addFirst(new Feed.Protector(device, link.protection().get()));
    }
    return protectors;
  }

  private static Optional<Conductor> thinnest(
      Feed feed, List<Feed.Protector> protectors, Study study) {
    if (protectors.isEmpty()) return Optional.empty();
    return study.wires(feed.lineWays().getFirst()).stream()
        .filter(wire -> wire.section().isPresent())
        .filter(wire ->
            study
                .circuit(wire)
                .flatMap(circuit -> circuit.protection())
                .filter(protectors.getFirst()::equals)
                .isPresent())
        .min(java.util.Comparator.comparing(wire -> wire.section().orElseThrow()));
  }
}
