package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.finding.Severity;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.WhatIf;
import nelvar.core.review.Review;
import nelvar.core.units.Temperature;
import nelvar.documents.content.Lists;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.PinPicture;
import nelvar.documents.drawing.Shape;
import org.junit.jupiter.api.Test;

/// Pins on the screen and on paper say the same.
class PinsTest {
  private final Review review = Machines.planted(false);
  private final List<PinLink> links = PinLinks.of(review.study());

  private Drawing drawn(boolean free, Optional<Id> selected) {
    return PinPicture.of(
        links,
        review.study(),
        review.study().asDesigned(),
        new PinPicture.View(free, selected, Map.of(TerminalRef.of("A1:DI3"), Severity.ERROR)));
  }

  private static List<String> words(Drawing drawing) {
    return Machines.texts(drawing).toList();
  }

  @Test
  void everyWiredPinStandsInThePicture() {
    var words = words(drawn(false, Optional.empty()));
    for (var link : links)
      if (link.wired() && link.pin().type().digitalInput())
        assertThat(words).contains(link.pin().name());
    assertThat(words)
        .contains("5 free: DI12 to DI16", "5 free: Q8 to Q12", "J2 reads +", "J3 pulls to 0 V")
        .contains("reads 1, 23.9 V", "reads 0, 0 V", "on, 20.7 mA when on", "in.3", "XSTEP")
        .doesNotContain("DI12", "XDIR+");
    assertThat(words(drawn(true, Optional.empty()))).contains("DI12", "DI16", "Q12");
  }

  @Test
  void nothingStandsOnSomethingElseOrBeyondTheEdge() {
    for (var drawing : List.of(drawn(false, Optional.empty()), drawn(true, Optional.empty()))) {
      var spots = drawing.spots();
      for (var i = 0; i < spots.size(); i++)
        for (var j = i + 1; j < spots.size(); j++) {
          var a = spots.get(i);
          var b = spots.get(j);
          var apart =
              a.x() + a.width() <= b.x() + 0.01
                  || b.x() + b.width() <= a.x() + 0.01
                  || a.y() + a.height() <= b.y() + 0.01
                  || b.y() + b.height() <= a.y() + 0.01;
          assertThat(apart).as(a.says() + " and " + b.says()).isTrue();
        }
      for (var shape : drawing.shapes())
        if (shape instanceof Shape.Label label) {
          var width = Faces.width(label.text(), label.face(), label.size());
          var left =
              switch (label.anchor()) {
                case START -> label.x();
                case MIDDLE -> label.x() - width / 2;
                case END -> label.x() - width;
              };
          assertThat(left).as(label.text()).isNotNegative();
          assertThat(left + width).as(label.text()).isLessThanOrEqualTo(drawing.width());
        }
    }
  }

  /// A sensor that is tried off reads 0 in the picture.
  @Test
  void whatIsTriedIsSeen() {
    var live =
        review
            .study()
            .engine()
            .solve(
                WhatIf.AS_DESIGNED.holding(new ActuatorRef(new Id("B1"), "sees"), false),
                Conditions.usual(new Temperature(45)));
    var view = new PinPicture.View(false, Optional.of(new Id("B1")), Map.of());
    var before = words(drawn(false, Optional.empty())).stream().filter("reads 0, 0 V"::equals);
    var after =
        words(PinPicture.of(links, review.study(), live, view)).stream()
            .filter("reads 0, 0 V"::equals);
    assertThat(after.count()).isEqualTo(before.count() + 1);
  }

  @Test
  void thePackHasThePins() {
    var list =
        Lists.all(review).stream().filter(l -> l.name().equals("pins")).findFirst().orElseThrow();
    assertThat(list.rows()).hasSize(links.size());
    var di3 = list.rows().stream().filter(row -> row.getFirst().equals("-A1:DI3")).findFirst();
    assertThat(di3.orElseThrow())
        .contains("J2 pin 3", "IN3", "in.3", "-B3:OUT", "drum home", "wrong");
  }

  /// A function that is selected in Parts has all its pins marked here.
  @Test
  void theFunctionThatIsSelectedIsMarked() {
    var function =
        review.project().functions().stream()
            .filter(f ->
                links.stream()
                    .flatMap(link -> link.partners().stream())
                    .anyMatch(end ->
                        review
                            .study()
                            .device(end.device())
                            .flatMap(device -> device.serves())
                            .filter(f.id()::equals)
                            .isPresent()))
            .findFirst()
            .orElseThrow();
    assertThat(soft(drawn(false, Optional.of(function.id()))))
        .isGreaterThan(soft(drawn(false, Optional.empty())));
  }

  private static long soft(Drawing drawing) {
    return drawing.shapes().stream()
        .filter(shape ->
            shape instanceof Shape.Path path
                && path.fill().equals(Optional.of(nelvar.documents.drawing.Ink.ACCENT_SOFT)))
        .count();
  }

  /// Place by place what lands there, as text by a template of one's own.
  @Test
  void connectorsAreWrittenByATemplate() {
    var places =
        nelvar.documents.content.ConnectorRows.of(review.study()).stream()
            .flatMap(List::stream)
            .filter(place -> place.wire().isPresent())
            .toList();
    var third =
        places.stream()
            .filter(place -> place.terminal().equals(Optional.of("DI3")))
            .findFirst()
            .orElseThrow();
    assertThat(
            nelvar.documents.content.ConnectorRows.written(
                third, "{connector}/{place} {pin} {drawing} {colour} {to}"))
        .isEqualTo("-A1 J2/3 DI3 IN3 black -B3:OUT");
    assertThat(
            nelvar.documents.content.ConnectorRows.written(
                third, nelvar.documents.content.ConnectorRows.TEMPLATE))
        .startsWith("-A1 J2 3: DI3 (in.3) wire W1")
        .endsWith("to -B3:OUT drum home");
    assertThat(nelvar.documents.content.ConnectorRows.problem("{pin} {colour}")).isEmpty();
    assertThat(nelvar.documents.content.ConnectorRows.problem("{pni}").orElseThrow())
        .contains("{pni}", "{pin}");
    assertThat(nelvar.documents.content.ConnectorRows.problem("plain")).isPresent();
  }

  /// Two rows and a key, place 1 marked, the chosen one too; nothing beyond the edge.
  @Test
  void aConnectorIsDrawnFromItsMountedSide() {
    var face =
        new nelvar.core.catalogue.PlugFace(
            "J9",
            List.of(
                Optional.of("A"),
                Optional.of("B"),
                Optional.empty(),
                Optional.of("D"),
                Optional.of("E"),
                Optional.of("F")),
            2,
            Optional.of(true));
    var drawing =
        nelvar.documents.drawing.ConnectorFace.of(face, Map.of("A", "W7"), Optional.of("D"));
    assertThat(words(drawing)).contains("J9, keyed", "A", "W7", "1", "6").doesNotContain("7");
    for (var shape : drawing.shapes())
      if (shape instanceof Shape.Label label) {
        assertThat(label.x()).isBetween(0.0, drawing.width());
        assertThat(label.y()).isBetween(0.0, drawing.height());
      }
  }
}
