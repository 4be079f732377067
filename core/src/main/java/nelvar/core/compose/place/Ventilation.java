package nelvar.core.compose.place;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.thermal.InsideWarm;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.Ways;
import nelvar.core.finding.Repair;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.model.edit.NextName;
import nelvar.core.review.Review;

/// A fan with its filter in the wall of a cabinet that gets too warm, or an exchanger where no fan
/// does: the smallest of the catalogue, placed where one is free, fed by the best way there is.
public final class Ventilation {
  private Ventilation() {}

  /// Empty where no wall has room, no fan does, or none can be fed.
  public static Optional<Repair> of(Id cabinet, Review review, Catalogue standard) {
    var study = review.study();
    var housing = study.project().layout().cabinet(cabinet);
    if (housing.isEmpty() || !housing.get().shell().closed()) return Optional.empty();
    return fans(study).stream()
        .flatMap(fan -> with(fan, housing.get(), review, standard).stream())
        .findFirst();
  }

  /// The weakest first.
  private static List<Part> fans(Study study) {
    return study.catalogue().all().stream()
        .filter(part -> moves(part) + exchanges(part) > 0 && part.article().body().isPresent())
        .sorted(
            Comparator.comparingDouble(Ventilation::exchanges)
                .thenComparingDouble(Ventilation::moves)
                .thenComparing(Part::id))
        .toList();
  }

  private static double moves(Part part) {
    return part.article().fitting().flatMap(Fitting::moves).map(flow -> flow.value()).orElse(0.0);
  }

  private static double exchanges(Part part) {
    return part.article().fitting().flatMap(Fitting::exchanges).map(q -> q.value()).orElse(0.0);
  }

  private static String words(Part part) {
    return moves(part) > 0
        ? "fan with filter in the %%s, %.0f m³/h in free air".formatted(moves(part))
        : "exchanger in the %%s, %.0f W/K".formatted(exchanges(part));
  }

  private static Optional<Repair> with(
      Part fan, Cabinet cabinet, Review review, Catalogue standard) {
    var project = review.project();
    var name = NextName.designation(project, fan.stem());
    var device =
        Device.of(
            NextName.id(project, name.text()),
            name.text(),
            moves(fan) > 0 ? "fan of the cabinet, with filter" : "exchanger of the cabinet",
            fan.id(),
            Place.PANEL);
    var added = Edits.add(device);
    var standing = review.study().tried(added.apply(project));
    var at = new Edges(cabinet, project.layout().in(cabinet), standing).place(device);
    if (at.isEmpty() || !at.get().surface().inside()) return Optional.empty();
    var placed = added.then(LayoutEdits.place(device, at.get()));
    return fed(placed, device, review, standard)
        .filter(edit -> cools(edit, cabinet, review.study()))
        .map(edit ->
            new Repair(
                "Put "
                    + (moves(fan) > 0 ? "a " : "an ")
                    + words(fan).formatted(at.get().surface().words()),
                edit.named("Add %s, %s".formatted(name, device.purpose()))));
  }

  private static Optional<Edit> fed(Edit placed, Device device, Review review, Catalogue standard) {
    var next = Review.of(placed.apply(review.project()), standard);
    return Ways.connecting(device, next, standard).ways().stream()
        .findFirst()
        .map(way -> placed.then(way.edit()));
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
