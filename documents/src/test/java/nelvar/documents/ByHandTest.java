package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import nelvar.core.sample.NewProject;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.River;
import nelvar.documents.drawing.Shape;
import nelvar.documents.drawing.WiringCard;
import org.junit.jupiter.api.Test;

/// Pictures for work by hand: the terminals of a device, and what is not fed yet.
class ByHandTest {
  private static final Review DEMO = Machines.planted(true);
  private static final Id K10 = new Id("K10");

  private static List<String> texts(Drawing drawing) {
    return Machines.texts(drawing).toList();
  }

  @Test
  void allTerminalsOfADeviceStandInTheMiddleAndSayWhereTheyLead() {
    var card = WiringCard.of(DEMO.study(), K10, List.of(), Optional.empty());
    assertThat(card.terminals().values())
        .contains(
            new TerminalRef(K10, "A1"),
            new TerminalRef(K10, "A2"),
            new TerminalRef(K10, "11"),
            new TerminalRef(K10, "12"),
            new TerminalRef(K10, "14"));
    assertThat(texts(card.drawing()))
        .contains("-K10", "free")
        .anyMatch(t -> t.endsWith("to -A1:DO1"));
    // Every wire of it whose other end is shown is a line between two cards.
    var wires = DEMO.study().at(K10).size();
    assertThat(
            card.drawing().shapes().stream()
                .filter(shape ->
                    shape instanceof Shape.Path(var steps, var fill, _)
                        && fill.isEmpty()
                        && steps.stream().anyMatch(Shape.Step.Curve.class::isInstance))
                .count())
        .isEqualTo(wires);
    for (var spot : card.drawing().spots()) assertThat(card.terminals()).containsKey(spot.about());
  }

  @Test
  void whatIsAskedForIsShownWithAllItsTerminals() {
    var b1 = new Id("B1");
    var beside =
        WiringCard.of(DEMO.study(), K10, List.of(b1), Optional.of(new TerminalRef(K10, "12")));
    var part = DEMO.study().part(DEMO.study().device(b1).orElseThrow()).orElseThrow();
    assertThat(beside.terminals().values().stream().filter(end -> end.device().equals(b1)))
        .hasSize(part.terminals().size());
    // Of a bar that is asked for only a few free ways.
    var bar = WiringCard.of(DEMO.study(), K10, List.of(new Id("X10")), Optional.empty());
    assertThat(bar.terminals().values().stream().filter(end -> end.device().equals(new Id("X10"))))
        .hasSizeLessThan(6);
    var from = beside.drawing().spots().getFirst();
    var line = WiringCard.reaching(from, 900, 40, beside.drawing());
    assertThat(line.shapes()).hasSize(1);
    assertThat(line.width()).isEqualTo(beside.drawing().width());
  }

  @Test
  void whatIsNotFedStandsOnAShelfBelowTheRiver() {
    var set = DEMO.project();
    for (var n = 70; n < 80; n++)
      set =
          Edits.add(Device.of(new Id("B" + n), "-B" + n, "", "photo-eye-pnp", Place.MACHINE))
              .apply(set);
    var view = new River.View(false, false, Optional.of(new Id("B71")));
    var with = River.of(Review.findingsOnly(set, CatalogueFile.standard()), view);
    var without = River.of(DEMO, view);
    assertThat(with.height()).isGreaterThan(without.height());
    assertThat(with.spot(new Id("B70")).orElseThrow().says()).isEqualTo("-B70, not fed yet");
    assertThat(texts(with)).anyMatch(text -> text.startsWith("Not fed yet"));
    assertThat(texts(without)).noneMatch(text -> text.startsWith("Not fed yet"));
    // Each on its own place.
    for (var n = 70; n < 79; n++) {
      var a = with.spot(new Id("B" + n)).orElseThrow();
      var b = with.spot(new Id("B" + (n + 1))).orElseThrow();
      assertThat(a.x() != b.x() || a.y() != b.y()).isTrue();
      assertThat(a.x() + a.width()).isLessThanOrEqualTo(with.width());
    }
  }

  @Test
  void anInletAloneSaysThatNothingHangsOnIt() {
    var river =
        River.of(
            Review.findingsOnly(NewProject.named("x"), CatalogueFile.standard()),
            new River.View(false, false, Optional.empty()));
    assertThat(texts(river)).contains("-X0", "Nothing hangs on it yet.");
  }
}
