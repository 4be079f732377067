package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.file.Demo;
import nelvar.core.model.Id;
import nelvar.core.model.edit.LayoutEdits;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// A part that is carried: its wires take the ways they would have if it were let go there.
class CarriedTest {
  private static final Study DEMO = Panel.study(Demo.settled());

  @Test
  void whereItStandsNothingChanges() {
    for (var id : List.of("K1", "T1", "X10", "A1")) {
      var body = Bodies.of(DEMO).of(new Id(id)).orElseThrow();
      var wires = Carried.of(body, DEMO);
      assertThat(wires).as(id).isNotEmpty();
      assertThat(wires).allSatisfy(wire -> assertThat(wire.longer()).isCloseTo(0, within(1e-6)));
    }
  }

  /// The ways shown on the hand are those the router finds once it is let go.
  @ParameterizedTest
  @CsvSource({"T1, 200, 100", "T1, 500, 560", "K1, 60, 700", "X10, 300, 90"})
  void theWaysAreThoseAfterLettingGo(String id, double left, double top) {
    var body = Bodies.of(DEMO).of(new Id(id)).orElseThrow().movedTo(left, top);
    var carried = Carried.of(body, DEMO);
    var let = Panel.study(LayoutEdits.place("move", List.of(body.at())).apply(DEMO.project()));
    for (var wire : carried) {
      var then =
          Routes.of(let).within(wire.wire()).stream().mapToDouble(p -> p.way().length()).sum();
      var now =
          Routes.of(DEMO).within(wire.wire()).stream().mapToDouble(p -> p.way().length()).sum();
      // Glands follow what enters through them; a carried part does not move them yet.
      if (wire.wire().cable().isEmpty())
        assertThat(wire.longer())
            .as(wire.wire().label().text())
            .isCloseTo(then - now, within(1e-6));
    }
    assertThat(Carried.words(carried).orElseThrow()).contains("wires");
  }

  @Test
  void wordsSayHowManyAndHowMuch() {
    assertThat(Carried.words(List.of())).isEmpty();
    var wire = DEMO.project().conductors().getFirst();
    assertThat(Carried.words(List.of(new Carried(wire, List.of(), 420))))
        .contains("1 wire, 0.42 m longer in all");
    assertThat(
            Carried.words(
                List.of(new Carried(wire, List.of(), -100), new Carried(wire, List.of(), 0))))
        .contains("2 wires, 0.1 m shorter in all");
  }
}
