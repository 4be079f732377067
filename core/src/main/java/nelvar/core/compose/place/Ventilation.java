package nelvar.core.compose.place;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.stop.StartsByItself;
import nelvar.core.analysis.thermal.InsideWarm;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.Ways;
import nelvar.core.finding.Repair;
import nelvar.core.model.Brief;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.model.edit.NextName;
import nelvar.core.review.Review;

/// A fan with its filter in the wall of a cabinet that gets too warm, an exchanger where no fan
/// does, a cooling unit where neither does: the smallest of the catalogue, placed where one is
/// free, fed by the best way there is. Where the dust around conducts, no fan; where it is there at
/// all, one with a filter of its own; so too while nobody said.
public final class Ventilation {
  private Ventilation() {}

  /// Empty where no wall has room, no fan does, or none can be fed.
  public static Optional<Repair> of(Id cabinet, Review review, Catalogue standard) {
    var study = review.study();
    var housing = study.project().layout().cabinet(cabinet);
    if (housing.isEmpty() || !housing.get().shell().closed()) return Optional.empty();
    var onItsOwn = Optional.<Repair>empty();
    var behindTheStop = Optional.<Repair>empty();
    for (var fan : fans(study)) {
      if (!bears(fan, study)) continue;
      var found = with(fan, housing.get(), review, standard);
      if (found.isEmpty()) continue;
      var next = study.tried(found.get().edit().apply(study.project()));
      if (!runsFromCold(next, study)) {
        if (behindTheStop.isEmpty()) behindTheStop = found;
      } else if (!wantsASupply(next, study)) {
        return found;
      } else if (onItsOwn.isEmpty()) {
        onItsOwn = found;
      }
    }
    return onItsOwn.isPresent() ? onItsOwn : behindTheStop;
  }

  /// What goes on giving off heat after a stop goes on being cooled.
  private static boolean runsFromCold(Study next, Study study) {
    return fresh(next, study)
        .filter(device -> next.part(device).filter(Ventilation::carries).isPresent())
        .allMatch(device -> StartsByItself.fedFromCold(device, next));
  }

  /// Nobody sets up a supply for one fan where another fan needs none.
  private static boolean wantsASupply(Study next, Study study) {
    return fresh(next, study)
        .anyMatch(device ->
            next.network().sources().stream().anyMatch(source -> source.device().equals(device)));
  }

  private static Stream<Device> fresh(Study next, Study study) {
    return next.project().devices().stream().filter(device -> study.device(device.id()).isEmpty());
  }

  /// The weakest first.
  private static List<Part> fans(Study study) {
    return study.catalogue().all().stream()
        .filter(part -> carries(part) && part.article().body().isPresent())
        .sorted(
            Comparator.comparingDouble(Ventilation::removes)
                .thenComparingDouble(Ventilation::exchanges)
                .thenComparingDouble(Ventilation::moves)
                .thenComparing(Part::id))
        .toList();
  }

  private static boolean carries(Part part) {
    return part.article().fitting().filter(Fitting::cools).isPresent();
  }

  /// Whether the air around may come in through it.
  private static boolean bears(Part part, Study study) {
    if (moves(part) == 0) return true;
    var filtered = part.article().fitting().filter(Fitting::filtered).isPresent();
    return switch (study.project().brief().surroundings().dust().orElse(Brief.Dust.OTHER)) {
      case NONE -> true;
      case COMBUSTIBLE, OTHER -> filtered;
      case CONDUCTIVE -> false;
    };
  }

  private static double removes(Part part) {
    return part.article().fitting().flatMap(Fitting::removes).map(p -> p.watts()).orElse(0.0);
  }

  private static double moves(Part part) {
    return part.article().fitting().flatMap(Fitting::moves).map(flow -> flow.value()).orElse(0.0);
  }

  private static double exchanges(Part part) {
    return part.article().fitting().flatMap(Fitting::exchanges).map(q -> q.value()).orElse(0.0);
  }

  /// `60 m³/h in free air, behind a filter`: a plain fan wants one before it.
  private static String gives(Part part) {
    if (moves(part) > 0) return "%.0f m³/h in free air, behind a filter".formatted(moves(part));
    return exchanges(part) > 0
        ? "%.0f W/K".formatted(exchanges(part))
        : "carries %.0f W out".formatted(removes(part));
  }

  private static String called(Part part) {
    return moves(part) > 0 ? "fan" : exchanges(part) > 0 ? "heat exchanger" : "cooling unit";
  }

  private static Optional<Repair> with(
      Part fan, Cabinet cabinet, Review review, Catalogue standard) {
    var project = review.project();
    var name = NextName.designation(project, fan.stem());
    var device =
        Device.of(
            NextName.id(project, name.text()),
            name.text(),
            called(fan) + " of the cabinet" + (moves(fan) > 0 ? ", behind a filter" : ""),
            fan.id(),
            Place.PANEL);
    var added = Edits.add(device);
    var standing = review.study().tried(added.apply(project));
    var at = new Edges(cabinet, project.layout().in(cabinet), standing).place(device);
    if (at.isEmpty() || !at.get().surface().inside()) return Optional.empty();
    var placed = added.then(LayoutEdits.place(device, at.get()));
    return fed(placed, device, cabinet, review, standard)
        .filter(edit -> cools(edit, cabinet, review.study()))
        .map(edit ->
            new Repair(
                "Put a %s in the %s (%s): %s"
                    .formatted(called(fan), at.get().surface().words(), fan.name(), gives(fan)),
                edit.named("Add %s, %s".formatted(name, device.purpose()))));
  }

  /// Always on where that can be had: nobody lets a program forget a fan. What feeds it finds its
  /// place on a rail.
  private static Optional<Edit> fed(
      Edit placed, Device device, Cabinet cabinet, Review review, Catalogue standard) {
    var next = Review.findingsOnly(placed.apply(review.project()), standard);
    return Ways.alwaysOn(device, next, standard).ways().stream()
        .findFirst()
        .or(() -> Ways.connecting(device, next, standard).ways().stream().findFirst())
        .map(way -> mounted(placed.then(way.edit()), cabinet, review));
  }

  private static Edit mounted(Edit fed, Cabinet cabinet, Review review) {
    var study = review.study().tried(fed.apply(review.project()));
    var known = new HashSet<Id>();
    review.project().devices().forEach(d -> known.add(d.id()));
    var layout = study.project().layout();
    var items =
        study.project().devices().stream()
            .filter(d -> !known.contains(d.id()) && layout.placement(d.id()).isEmpty())
            .filter(d -> Arrange.onPlate(d, study))
            .flatMap(d -> Item.of(d, study).stream())
            .toList();
    if (items.isEmpty()) return fed;
    var stands = new ArrayList<>(layout.in(cabinet));
    Round.place(cabinet, items, stands, study);
    return fed.then(LayoutEdits.place("Mount what feeds it", stands));
  }

  private static boolean cools(Edit edit, Cabinet cabinet, Study study) {
    var next = study.tried(edit.apply(study.project()));
    return next.project()
        .layout()
        .cabinet(cabinet.id())
        .filter(now ->
            InsideWarm.upper(now, next).compareTo(next.project().brief().surroundings().inside())
                <= 0)
        .isPresent();
  }
}
