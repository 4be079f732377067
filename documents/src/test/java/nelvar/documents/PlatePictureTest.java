package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.finding.Severity;
import nelvar.core.model.Id;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.review.Review;
import nelvar.core.review.RuleBook;
import nelvar.documents.content.Lists;
import nelvar.documents.drawing.PlateDrawing;
import nelvar.documents.drawing.PlatePicture;
import nelvar.documents.drawing.Shape;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/// The plate on the screen and on paper: everything stands where the model says, once.
class PlatePictureTest {
  private static Study study(String name) throws Exception {
    var path = Path.of("../demo/" + name + ".nelvar.json");
    return Study.of(
        ProjectFormat.read("demo", Files.readAllBytes(path), CatalogueFile.standard()),
        CatalogueFile.standard());
  }

  private static PlatePicture.Shown shown(Study study, PlatePicture.Lens lens, String selected) {
    return PlatePicture.of(
        study,
        study.project().layout().cabinets().getFirst(),
        lens,
        Optional.of(new Id(selected)),
        Map.of(new Id("A1"), Severity.WARNING),
        836,
        500);
  }

  @ParameterizedTest
  @EnumSource(PlatePicture.Lens.class)
  void everythingPlacedCanBeSelected(PlatePicture.Lens lens) throws Exception {
    var study = study("seed-tray-filler/seed-tray-filler");
    var drawing = shown(study, lens, "T3").drawing();
    var seen = new HashSet<Id>();
    drawing.spots().forEach(spot -> seen.add(spot.about()));
    for (var body : Bodies.of(study).in(study.project().layout().cabinets().getFirst()))
      assertThat(seen).contains(body.id());
    assertThat(drawing.width()).isEqualTo(836);
    // Every spot lies on the picture.
    for (var spot : drawing.spots()) {
      assertThat(spot.x()).isBetween(0.0, drawing.width());
      assertThat(spot.x() + spot.width()).isLessThanOrEqualTo(drawing.width() + 0.5);
    }
  }

  /// To scale: two bodies stand on the picture as far apart as the model says.
  @Test
  void itIsToScale() throws Exception {
    var study = study("seed-tray-filler/seed-tray-filler-settled");
    var shown = shown(study, PlatePicture.Lens.PLACE, "T3");
    var plate = shown.of(Surface.PLATE).orElseThrow();
    var bodies = Bodies.of(study);
    var a = bodies.of(new Id("T1")).orElseThrow();
    var spot = shown.drawing().spot(new Id("T1")).orElseThrow();
    assertThat(plate.leftOf(spot.x()))
        .isEqualTo(a.box().left(), org.assertj.core.data.Offset.offset(0.01));
    assertThat(plate.topOf(spot.y()))
        .isEqualTo(a.box().top(), org.assertj.core.data.Offset.offset(0.01));
    assertThat(shown.at(spot.x() + 1, spot.y() + 1)).contains(plate);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "bottle-rinser/bottle-rinser",
        "glaze-sprayer/glaze-sprayer",
        "seed-tray-filler/seed-tray-filler"
      })
  void whatHasNoPlaceWaitsOnTheShelf(String name) throws Exception {
    var study = study(name);
    var first = study.project().layout().placements().getFirst();
    var device = study.device(first.device()).orElseThrow();
    var without = study.tried(LayoutEdits.takeOff(device).apply(study.project()));
    var shown = shown(without, PlatePicture.Lens.HEAT, "X0");
    assertThat(shown.drawing().spots())
        .anyMatch(spot -> spot.about().equals(device.id()) && spot.says().contains("nowhere yet"));
    assertThat(texts(shown.drawing().shapes())).anyMatch(t -> t.contains("Placed nowhere yet"));
  }

  private static List<String> texts(List<Shape> shapes) {
    return shapes.stream()
        .filter(Shape.Label.class::isInstance)
        .map(shape -> ((Shape.Label) shape).text())
        .toList();
  }

  @Test
  void thePaperHasMeasuresAndLists() throws Exception {
    var study = study("seed-tray-filler/seed-tray-filler-settled");
    var cabinet = study.project().layout().cabinets().getFirst();
    for (var surface : List.of(Surface.PLATE, Surface.DOOR, Surface.RIGHT)) {
      var drawing = PlateDrawing.of(cabinet, surface, study, 176, 225);
      assertThat(drawing.width()).isLessThanOrEqualTo(176.5);
      assertThat(drawing.height()).isLessThanOrEqualTo(225.5);
    }
    assertThat(texts(PlateDrawing.of(cabinet, Surface.PLATE, study, 176, 225).shapes()))
        .contains("750", "950");
    var review = Review.by(study, RuleBook.ALL);
    var places = Lists.named("places", review).orElseThrow().rows();
    assertThat(places).hasSize(Bodies.of(study).in(cabinet).size());
    var cuts = Lists.named("rail-and-duct-cuts", review).orElseThrow().rows();
    assertThat(cuts).hasSize(cabinet.rails().size() + cabinet.ducts().size());
    // By hand: a rail of 670 mm has a hole 20 mm from each end and one in the middle.
    var holes = Lists.named("drilling", review).orElseThrow().rows();
    assertThat(
            holes.stream().filter(row -> row.get(0).equals(cabinet.rails().getFirst().id().text())))
        .hasSize(3);
    assertThat(holes).anyMatch(row -> row.get(0).equals("-A2") && row.get(1).contains("cut-out"));
  }

  /// Beside the plate no two names of limits are written over one another, whatever is selected.
  @Test
  void namesBesideTheAirKeepApart() throws Exception {
    var study = study("seed-tray-filler/seed-tray-filler");
    for (var id : List.of("T3", "U2", "A1", "K0", "U4", "F21")) {
      var names =
          shown(study, PlatePicture.Lens.HEAT, id).drawing().shapes().stream()
              .filter(Shape.Label.class::isInstance)
              .map(Shape.Label.class::cast)
              .filter(label -> label.text().matches("-\\w+ to \\d+"))
              .toList();
      for (var a : names)
        for (var b : names)
          if (a != b) assertThat(Math.abs(a.y() - b.y())).as(id).isGreaterThanOrEqualTo(12);
    }
  }

  /// What is reached with the door open is listed with what is live beside it.
  @Test
  void whatIsReachedIsListed() throws Exception {
    var list =
        Lists.all(Review.by(study("seed-tray-filler/seed-tray-filler"), RuleBook.ALL)).stream()
            .filter(l -> l.name().equals("reached"))
            .findFirst()
            .orElseThrow();
    var slot =
        list.rows().stream().filter(row -> row.getFirst().equals("-A1")).findFirst().orElseThrow();
    assertThat(slot.get(1)).isEqualTo("card slot");
    assertThat(slot.get(3)).isEqualTo("extra-low volts or none");
    var drive =
        list.rows().stream().filter(row -> row.getFirst().equals("-U1")).findFirst().orElseThrow();
    assertThat(drive.get(3)).isEqualTo("live");
    assertThat(drive.get(4)).contains("-U2");
    assertThat(drive.get(5)).isEqualTo("locked off, or covered");
  }

  /// Seen from inside, what is left on the door is right; where a hand lets go of it, it is
  /// measured from the outside all the same.
  @Test
  void aDoorFromInsideIsMirrored() throws Exception {
    var study = study("seed-tray-filler/seed-tray-filler");
    var cabinet = study.project().layout().cabinets().getFirst();
    var inside =
        PlatePicture.of(
            study, cabinet, PlatePicture.Lens.PLACE, Optional.empty(), Map.of(), true, 836, 500);
    var door = inside.of(Surface.DOOR).orElseThrow();
    var outside = shown(study, PlatePicture.Lens.PLACE, "T3").of(Surface.DOOR).orElseThrow();
    var on =
        Bodies.of(study).in(cabinet).stream().filter(b -> b.surface() == Surface.DOOR).toList();
    assertThat(on).isNotEmpty();
    for (var body : on) {
      var spot =
          inside.drawing().spots().stream()
              .filter(s -> s.about().equals(body.id()))
              .findFirst()
              .orElseThrow();
      assertThat(spot.x() - door.x())
          .isCloseTo(outside.x() + outside.width() - outside.toX(body.box().right()), within(0.01));
      assertThat(door.leftOf(spot.x() + spot.width())).isCloseTo(body.box().left(), within(0.01));
    }
    assertThat(texts(inside.drawing().shapes()))
        .anyMatch(text -> text.startsWith("door from inside"));
    var paper = texts(PlateDrawing.fromInside(cabinet, study, 176, 225).shapes());
    var width = nelvar.core.analysis.space.Fits.surface(cabinet, Surface.DOOR).width();
    var last = on.stream().mapToDouble(b -> b.box().middleX()).max().orElseThrow();
    assertThat(paper)
        .contains(nelvar.core.units.Significant.exact(Math.round((width - last) * 10) / 10.0));
  }
}
