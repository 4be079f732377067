package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.Panel;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Id;
import nelvar.core.model.Placement;
import nelvar.core.model.Surface;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Where terminals are on what is mounted, and that wires go from there.
class TerminalPlaceTest {
  private static TerminalPlace place(String part, String terminal, int quarters) {
    var at =
        Placement.at(
            new Id("D"),
            new Id("C"),
            Surface.PLATE,
            Length.ofMillimetres(100),
            Length.ofMillimetres(200));
    for (var i = 0; i < quarters; i++) at = at.turned();
    var panel = Panel.mains().device("D", part).cabinet(600, 800, 250).at(at);
    return TerminalPlace.of(Bodies.of(panel.study()).of(new Id("D")).orElseThrow(), terminal);
  }

  /// A breaker of 17.5 × 85 mm at 100, 200: 1 above and 2 below in its middle. A contactor of 45 ×
  /// 80 mm: above A1, 1, 3, 5, 13, 21, the second of six at 45 · 1.5/6. A supply of 22.5 × 90 mm: +
  /// and − above, L, N, PE below. A strip of 10 has its fifth at 4.5 tenths, open to both sides.
  @ParameterizedTest
  @CsvSource({
    "breaker-1p-c6, 1, 0, 108.75, 200, TOP",
    "breaker-1p-c6, 2, 0, 108.75, 285, BOTTOM",
    "contactor-3p-9a-24vdc, 1, 0, 111.25, 200, TOP",
    "contactor-3p-9a-24vdc, A2, 0, 103.75, 280, BOTTOM",
    "supply-5v-2p5a, +, 0, 105.625, 200, TOP",
    "supply-5v-2p5a, PE, 0, 118.75, 290, BOTTOM",
    // A quarter clockwise: 85 wide; what was above is right.
    "breaker-1p-c6, 1, 1, 185, 208.75, RIGHT",
    "breaker-1p-c6, 1, 2, 108.75, 285, BOTTOM",
    "breaker-1p-c6, 2, 3, 185, 208.75, RIGHT",
  })
  void asNumberedAndAsStated(
      String part, String terminal, int quarters, double x, double y, Fitting.Side side) {
    var found = place(part, terminal, quarters);
    assertThat(found.x()).isCloseTo(x, within(0.01));
    assertThat(found.y()).isCloseTo(y, within(0.01));
    assertThat(found.sides()).containsExactly(side);
  }

  /// A wire leaves where its terminal is: 400 mm of duct above, and below.
  @Test
  void wiresLeaveAtTheirSide() {
    var panel =
        Panel.mains()
            .device("D", "breaker-1p-c6")
            .cabinet(600, 800, 250)
            .cabinet(c ->
                c.withDucts(
                    List.of(
                        Panel.duct("D1", 0, 100, 400, false),
                        Panel.duct("D2", 0, 320, 400, false))))
            .at("D", 100, 200);
    var body = Bodies.of(panel.study()).of(new Id("D")).orElseThrow();
    var ways = DuctWays.of(panel.build().layout().cabinets().getFirst());
    assertThat(ways.access(body)).hasSize(2);
    // The middle of the upper duct is 120 mm down, of the lower 340: 80 and 55 mm of lead.
    assertThat(ways.access(body, "1"))
        .singleElement()
        .satisfies(a -> assertThat(a.lead()).isCloseTo(80, within(1e-9)));
    assertThat(ways.access(body, "2"))
        .singleElement()
        .satisfies(a -> assertThat(a.lead()).isCloseTo(55, within(1e-9)));
  }

  /// What the catalogue says of terminals is of terminals there are, each once.
  @Test
  void theCatalogueNamesTerminalsThereAre() {
    var rows = 0;
    for (Part part : CatalogueFile.standard().all()) {
      var there = part.terminals().stream().map(Terminal::name).toList();
      var seen = new ArrayList<String>();
      for (var row : part.article().fitting().map(Fitting::terminals).orElse(List.of())) {
        rows++;
        seen.addAll(row.marks());
      }
      assertThat(there).as(part.id()).containsAll(seen);
      assertThat(seen).as(part.id()).doesNotHaveDuplicates();
    }
    assertThat(rows).isGreaterThan(100);
  }
}
