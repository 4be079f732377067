package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Repair;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.model.edit.Splice;
import nelvar.core.network.Feed;
import nelvar.core.units.Current;

/// The repair that sets a new breaker into the last wires before a load.
final class InsertBreaker {
  private InsertBreaker() {}

  /// A breaker of the catalogue for the load, wired in before its lines; empty where the way cannot
  /// be cut there or none fits.
  static Optional<Repair> before(Feed feed, Study study) {
    var lastWires = new ArrayList<Conductor>();
    for (var way : feed.lineWays()) {
      var wires = study.wires(way);
      if (wires.isEmpty() || !wires.getLast().touches(feed.device().id())) return Optional.empty();
      lastWires.add(wires.getLast());
    }
    var poles = lastWires.size();
    var inrush = feed.intake().inrush().map(nelvar.core.catalogue.Inrush::peak);
    return study
        .catalogue()
        .of(CircuitBreaker.class)
        .filter(part -> Replacement.mayProtect(part, study))
        .filter(part ->
            part.poles() == poles && part.rating().compareTo(study.designCurrent(feed)) >= 0)
        .filter(part -> protects(part, feed, study))
        .filter(part ->
            part.curve()
                    .holds(part.rating())
                    .value()
                    .compareTo(BreakerChoice.effective(inrush.orElse(new Current(0))))
                >= 0)
        .filter(part ->
            lastWires.stream()
                .allMatch(wire ->
                    Ampacity.of(wire, study)
                        .found()
                        .map(iz -> part.rating().compareTo(iz.value()) <= 0)
                        .orElse(true)))
        .min(
            java.util.Comparator.comparing(CircuitBreaker::rating)
                .thenComparing(CircuitBreaker::curve)
                .thenComparing(CircuitBreaker::id))
        .map(part -> repair(feed, lastWires, part));
  }

  /// A device ahead of a transformer must still see its overload: at most 125 % of its rated
  /// primary current from 9 A on, 167 % below, 300 % below 2 A (NEC 2023, 450.3(B), primary only,
  /// unchecked).
  private static boolean protects(CircuitBreaker part, Feed feed, Study study) {
    var volts = feed.voltage().volts();
    var transformer = study.part(feed.device()).filter(Part::bareTransformer);
    if (transformer.isEmpty() || volts <= 0) return true;
    var primary = transformer.get().apparentPower().watts() / volts;
    var most = primary >= 9 ? 1.25 : primary >= 2 ? 1.67 : 3;
    return part.rating().amperes() <= most * primary;
  }

  private static Repair repair(Feed feed, List<Conductor> lastWires, CircuitBreaker part) {
    var label =
        "Give %s its own %s %s".formatted(feed.device().designation(), part.curve(), part.rating());
    return new Repair(
        label,
        new Edit(
            label,
            project -> {
              var designation = NextName.designation(project, "-F");
              var id = NextName.id(project, designation.text());
              var next =
                  Edits.add(
                          Device.of(
                              id,
                              designation.text(),
                              "feeds " + feed.device().designation(),
                              part.id(),
                              Place.PANEL))
                      .apply(project);
              for (var pole = 0; pole < lastWires.size(); pole++)
                next =
                    Splice.over(
                        next,
                        lastWires.get(pole),
                        feed.device().id(),
                        new TerminalRef(id, String.valueOf(2 * pole + 1)),
                        new TerminalRef(id, String.valueOf(2 * pole + 2)));
              return next;
            }));
  }
}
