package nelvar.desktop.stage.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.runs.Routes;
import nelvar.core.analysis.runs.StripPlan;
import nelvar.core.analysis.thermal.InsideAir;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Severity;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.review.Review;
import nelvar.documents.content.ConnectorRows;
import nelvar.documents.drawing.BundleSection;
import nelvar.documents.drawing.ConnectorFace;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.RunsPicture;
import nelvar.documents.drawing.StripPicture;

/// What the Runs stage shows, without a node.
final class RunsModel {
  private RunsModel() {}

  /// Every conductor, in the order of the project.
  static List<RunRow> rows(Review review) {
    var worst = new HashMap<Id, Severity>();
    for (var entry : review.open())
      for (var thing : entry.verdict().subject().things())
        worst.merge(
            thing, entry.finding().orElseThrow().severity(), (a, b) -> a.compareTo(b) <= 0 ? a : b);
    return review.project().conductors().stream()
        .map(conductor -> RunRow.of(conductor, review, worst))
        .toList();
  }

  /// A cut through a bundle, with what stands beside it.
  ///
  /// @param drawn it is a duct of a plate, which the Panel changes
  record Cut(Bundle bundle, String words, Drawing drawing, boolean drawn) {}

  /// Through the bundle that was asked for, else that of the selection, else the fullest there is.
  static Optional<Cut> cut(
      Review review, Optional<Id> asked, Optional<Id> selected, double width, double height) {
    var study = review.study();
    var all = Lying.of(study).all();
    return asked
        .or(() -> selected.filter(id -> all.stream().anyMatch(b -> b.id().equals(id))))
        .flatMap(id -> all.stream().filter(b -> b.id().equals(id)).findFirst())
        .or(() -> selected.flatMap(study::conductor).flatMap(wire -> seen(wire, study)))
        .or(() ->
            selected
                .map(study::cores)
                .flatMap(cores -> cores.stream().findFirst())
                .flatMap(wire -> seen(wire, study)))
        .or(() -> all.stream().max(Comparator.comparingInt(b -> study.lyingIn(b).size())))
        .map(bundle ->
            new Cut(
                bundle,
                describe(bundle, review),
                BundleSection.of(bundle, study, selected, width, height),
                Lying.of(study).drawn(bundle)));
  }

  /// A row of terminals or a connector, as one sees it.
  record Ends(Device device, String words, List<Drawing> drawings) {}

  /// Where the selection has its ends: itself where it is a row of terminals or a connector, else
  /// those that the wire or cable lands on.
  static List<Device> ends(Review review, Optional<Id> selected) {
    var study = review.study();
    if (selected.isEmpty()) return List.of();
    var id = selected.get();
    var wires = study.conductor(id).map(List::of).orElseGet(() -> study.cores(id));
    return Stream.concat(
            study.device(id).stream(),
            wires.stream()
                .flatMap(wire -> Stream.of(wire.from(), wire.to()))
                .flatMap(end -> study.device(end.device()).stream()))
        .distinct()
        .filter(device ->
            study
                .part(device)
                .filter(part -> part.row().isPresent() || part.socket().isPresent())
                .isPresent())
        .toList();
  }

  /// Both halves of a connector from behind, where their wires go in; of a row of terminals one
  /// picture.
  static Ends seen(Device device, Review review, Optional<Id> selected, double width) {
    var study = review.study();
    var strip = StripPlan.of(device, study);
    if (strip.isPresent())
      return new Ends(
          device,
          "Turned a quarter: the cabinet at the left, what leaves at the right.",
          List.of(StripPicture.of(strip.get(), study, selected, width)));
    var drawings = new ArrayList<Drawing>();
    StripPlan.ofConnector(device, study)
        .ifPresent(plan -> drawings.add(StripPicture.of(plan, study, selected, width)));
    ConnectorRows.of(study).stream()
        .filter(face -> face.getFirst().board().id().equals(device.id()))
        .forEach(face -> drawings.add(connector(face, selected)));
    return new Ends(
        device,
        "%s. Below, both halves from behind, where their wires go in: they mirror each other. How its places lie is row by row here; the numbers moulded into it count."
            .formatted(study.part(device).map(Part::name).orElse("")),
        drawings);
  }

  private static Drawing connector(List<ConnectorRows.Place> face, Optional<Id> selected) {
    var shape = face.getFirst().face();
    var chosen =
        face.stream()
            .filter(place ->
                place.wire().filter(w -> selected.filter(w.id()::equals).isPresent()).isPresent())
            .flatMap(place -> place.terminal().stream())
            .findFirst();
    return shape.name().equals("socket")
        ? ConnectorFace.wiringSide(shape, ConnectorRows.under(face), chosen)
        : ConnectorFace.of(shape, ConnectorRows.under(face), chosen);
  }

  /// Of what a wire lies in, what is outside first: there it is longest.
  private static Optional<Bundle> seen(Conductor wire, Study study) {
    return study.bundles(wire).stream()
        .filter(bundle -> !bundle.inside())
        .findFirst()
        .or(() -> study.bundle(wire));
  }

  /// The ways over the plate: of the cabinet that the selection is in, else of the first.
  static Drawing ways(
      Review review, boolean noise, Optional<Id> selected, double width, double height) {
    var study = review.study();
    var cabinets = review.project().layout().cabinets();
    var at =
        selected
            .flatMap(study::conductor)
            .map(wire -> Routes.of(study).within(wire))
            .flatMap(parts -> parts.stream().findFirst())
            .flatMap(part -> review.project().layout().cabinet(part.cabinet()))
            .or(() -> cabinets.stream().findFirst());
    return noise
        ? RunsPicture.noise(study, at, selected, width - SCROLL_BAR, height)
        : RunsPicture.of(study, at, selected, width - SCROLL_BAR, height);
  }

  /// How long what is selected is, and who says so.
  static String words(Review review, Optional<Id> selected) {
    return selected
        .flatMap(id -> RunsPicture.words(review.study(), id))
        .orElseGet(() -> unknown(review));
  }

  private static String unknown(Review review) {
    var lengths = HowLong.of(review.study());
    var bases =
        review.project().conductors().stream()
            .collect(
                Collectors.groupingBy(
                    wire -> lengths.answer(wire).basis(), TreeMap::new, Collectors.counting()));
    return bases.entrySet().stream()
        .map(entry -> "%d %s".formatted(entry.getValue(), entry.getKey().words()))
        .collect(Collectors.joining(", ", "Lengths: ", ""));
  }

  private static String describe(Bundle bundle, Review review) {
    var around = review.project().brief().surroundings();
    var lying = review.study().lyingIn(bundle);
    Map<Boolean, Long> kinds =
        lying.stream()
            .collect(Collectors.partitioningBy(c -> c.cable().isPresent(), Collectors.counting()));
    return "%s (method %s), air %s; %d wires, %d cables; cut to scale"
        .formatted(
            bundle.method().words(),
            bundle.method(),
            bundle.inside() ? InsideAir.inDucts(review.study()) : around.greatest(),
            kinds.getOrDefault(false, 0L),
            lying.stream().flatMap(c -> c.cable().stream()).distinct().count());
  }

  /// What is taller than its pane scrolls up and down only, px.
  private static final double SCROLL_BAR = 16;
}
