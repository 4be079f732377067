package nelvar.core.compose;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.pins.AssignPins;
import nelvar.core.compose.pins.SwapBoard;
import nelvar.core.compose.place.Ventilation;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Placement;
import nelvar.core.review.Review;
import nelvar.core.review.WaysOut;

/// The best way to connect a device, as the way out of a finding that says it is not connected: not
/// fed, a terminal left open, a stop button that nothing hears; a free pin for a sensor that does
/// not suit its own, another controller for one that switches the earthed side, a contactor for a
/// drive that a stop leaves its feed, a fan for a cabinet that gets too warm. For one review.
public final class WaysAsRepairs implements WaysOut.Proposer {
  /// Ways take long to try: a machine with more devices to connect is drawn up or wired otherwise.
  private static final int MOST = 12;

  private final Catalogue standard;
  private final Set<Id> asked = new HashSet<>();
  private final Map<Id, Optional<Repair>> fans = new HashMap<>();

  public WaysAsRepairs(Catalogue standard) {
    this.standard = standard;
  }

  /// Another controller that takes over everything of one.
  private List<Repair> another(Device board, Review review) {
    if (review.study().part(board).flatMap(Part::logic).isEmpty()) return List.of();
    return SwapBoard.candidates(board, review.study(), standard).stream()
        .filter(SwapBoard.Proposal::possible)
        .limit(1)
        .map(proposal -> Repair.of(proposal.edit()))
        .toList();
  }

  /// A free pin that suits a sensor.
  private List<Repair> elsewhere(Device sensor, Review review) {
    var proposal = AssignPins.of(sensor, review.study(), standard);
    return proposal.nothing()
        ? List.of()
        : List.of(
            new Repair(
                "Move it to %s, which %s"
                    .formatted(
                        proposal.landings().getFirst().pin().terminal(),
                        proposal.landings().getFirst().because()),
                proposal.edit()));
  }

  /// What holds work on what stays live at a stop.
  private List<Repair> held(Device grip, Review review) {
    return Ways.heldLive(grip, review, standard).ways().stream()
        .limit(1)
        .map(way ->
            new Repair(
                "Hang %s on what stays live at a stop, %s"
                    .formatted(grip.designation(), way.title()),
                way.edit()))
        .toList();
  }

  private List<Repair> aired(Optional<Id> cabinet, Review review) {
    return cabinet
        .flatMap(id -> fans.computeIfAbsent(id, _ -> Ventilation.of(id, review, standard)))
        .map(List::of)
        .orElse(List.of());
  }

  @Override
  public List<Repair> of(Review.Entry entry, Review review) {
    var subject = entry.verdict().subject().thing();
    if (entry.rule().id().equals("thermal.inside")) return aired(subject, review);
    return subject
        .flatMap(id -> review.study().device(id))
        .map(device -> of(entry, device, review))
        .orElse(List.of());
  }

  private List<Repair> of(Review.Entry entry, Device device, Review review) {
    var study = review.study();
    var error = entry.finding().filter(finding -> finding.severity() == Severity.ERROR).isPresent();
    var warning =
        entry.finding().filter(finding -> finding.severity() == Severity.WARNING).isPresent();
    return switch (entry.rule().id()) {
      case "signals.earth-fault-start" -> another(device, review);
      case "parts.sensor-input" -> elsewhere(device, review);
      case "thermal.part" ->
          aired(review.project().layout().placement(device.id()).map(Placement::cabinet), review);
      case "stop.parameter" ->
          PowerContactor.behindStops(device, study, standard).stream().toList();
      case "stop.goes-on" ->
          PowerContactor.behindFreeStops(device, study, standard).stream().toList();
      case "stop.grip" -> warning ? held(device, review) : List.of();
      // What a reset starts wants another run command, not another contactor.
      case "stop.restart" ->
          (error
                  ? RunByProgram.of(device, study, standard)
                  : PowerContactor.againstRestart(device, study, standard))
              .stream().toList();
      case "stop.read-only" -> {
        var ways = connected(device, review);
        yield ways.isEmpty()
            ? PowerContactor.behind(device, study, standard).stream().toList()
            : ways;
      }
      case "completeness.load-fed", "completeness.unconnected-terminal" ->
          connected(device, review);
      default -> List.of();
    };
  }

  private List<Repair> connected(Device device, Review review) {
    if (!Ways.wanted(device, review.study())) return List.of();
    asked.add(device.id());
    if (asked.size() > MOST) return List.of();
    return Ways.connecting(device, review, standard).ways().stream()
        .limit(1)
        .map(way -> Repair.of(way.edit()))
        .toList();
  }
}
