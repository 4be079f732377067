package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

/// What hands do to rails, ducts and several parts together.
class HandWorkTest {
  private static Length mm(double mm) {
    return Length.ofMillimetres(mm);
  }

  /// A rail at 142.5 with two breakers on it, a duct at 200 and an upright one at the right.
  private static Panel panel() {
    return Panel.mains()
        .device("F1", "breaker-1p-c6")
        .device("F2", "breaker-1p-c6")
        .device("T1", "supply-24v-5a")
        .cabinet(600, 800, 250)
        .cabinet(c ->
            c.withRails(List.of(Panel.rail("R1", 0, 142.5, 500)))
                .withDucts(
                    List.of(
                        Panel.duct("D1", 0, 200, 500, false), Panel.duct("D2", 510, 0, 750, true))))
        .at("F1", 20, 100)
        .at("F2", 60, 100)
        .at("T1", 200, 400);
  }

  private static Cabinet cabinet(Project project) {
    return project.layout().cabinets().getFirst();
  }

  private static Fixture fixture(Project project, String id) {
    return Fixture.of(cabinet(project), new Id(id)).orElseThrow();
  }

  private static double top(Project project, String id) {
    return Box.mm(project.layout().placement(new Id(id)).orElseThrow().top());
  }

  /// Both breakers go along 60 mm, the supply that stands on no rail does not; and it is one edit.
  @Test
  void aRailTakesAlongWhatIsOnIt() {
    var project = panel().build();
    var study = Panel.study(project);
    var rail = fixture(project, "R1");
    assertThat(rail.carries(study)).extracting(Body::name).containsExactly("-F1", "-F2");
    var next = rail.movedBy(0, 60).moved(study).apply(project);
    assertThat(Box.mm(cabinet(next).rails().getFirst().top())).isEqualTo(202.5);
    assertThat(top(next, "F1")).isEqualTo(160);
    assertThat(top(next, "F2")).isEqualTo(160);
    assertThat(top(next, "T1")).isEqualTo(400);
    // Back again: exactly as it was.
    var back = fixture(next, "R1").movedBy(0, -60).moved(Panel.study(next)).apply(next);
    assertThat(back.layout()).isEqualTo(project.layout());
  }

  /// Let go 4 mm from the lower edge of the plate it lies at it; elsewhere on whole 5 mm; never
  /// beyond the plate.
  @Test
  void aDuctComesToRestAtEdges() {
    var duct = fixture(panel().build(), "D1");
    assertThat(duct.rest(0, 706).box().top()).isEqualTo(710);
    assertThat(duct.rest(0, 302).box().top()).isEqualTo(300);
    assertThat(duct.rest(-50, -50).box().top()).isZero();
    assertThat(duct.rest(2000, 2000).box().left()).isEqualTo(50);
    // Its right end 6 mm from the upright duct is drawn to it.
    assertThat(duct.rest(16, 302).box().right()).isEqualTo(510);
  }

  @Test
  void whatIsCutTurnedToWiringAndRemoved() {
    var project = panel().bundle("B1", nelvar.core.standards.InstallationMethod.B1, true).build();
    var cut = fixture(project, "D1").sized(mm(320)).apply(project);
    assertThat(fixture(cut, "D1").box().width()).isEqualTo(320);
    var wide = fixture(project, "D1").section(mm(60), mm(80)).apply(project);
    assertThat(cabinet(wide).ducts().getFirst().depth()).isEqualTo(mm(80));
    var holding = fixture(project, "D1").holding(Optional.of(new Id("B1"))).apply(project);
    assertThat(cabinet(holding).ducts().getFirst().bundle()).contains(new Id("B1"));
    var gone = fixture(project, "D1").removed().apply(project);
    assertThat(cabinet(gone).ducts()).hasSize(1);
    assertThat(Fixture.of(cabinet(gone), new Id("D1"))).isEmpty();
  }

  private static List<Body> bodies(String... ids) {
    var all = Bodies.of(panel().study());
    return List.of(ids).stream().map(id -> all.of(new Id(id)).orElseThrow()).toList();
  }

  /// The first stays; of the others one edge goes, the other measure stays.
  @Test
  void severalAreBroughtIntoLine() {
    var three = bodies("T1", "F1", "F2");
    for (var line : Together.Line.values()) {
      var next = Together.aligned(three, line);
      assertThat(next.getFirst().box()).isEqualTo(three.getFirst().box());
      var to = next.getFirst().box();
      for (var body : next) {
        var box = body.box();
        switch (line) {
          case TOPS -> assertThat(box.top()).isEqualTo(to.top());
          case MIDDLES -> assertThat(box.middleY()).isCloseTo(to.middleY(), within(0.06));
          case BOTTOMS -> assertThat(box.bottom()).isCloseTo(to.bottom(), within(0.06));
          case LEFTS -> assertThat(box.left()).isEqualTo(to.left());
          case CENTRES -> assertThat(box.middleX()).isCloseTo(to.middleX(), within(0.06));
          case RIGHTS -> assertThat(box.right()).isCloseTo(to.right(), within(0.06));
        }
      }
    }
  }

  /// 17.5 + 17.5 + the supply's width between 20 and its right edge: two equal gaps.
  @Test
  void equalGaps() {
    var next = Together.distributed(bodies("T1", "F2", "F1"), false);
    assertThat(next).extracting(Body::name).containsExactly("-F1", "-F2", "-T1");
    var first = -next.get(0).box().across(next.get(1).box());
    var second = -next.get(1).box().across(next.get(2).box());
    assertThat(first).isCloseTo(second, within(1e-9));
    assertThat(next.getFirst().box().left()).isEqualTo(20);
    assertThat(next.getLast().box().left()).isCloseTo(200, within(1e-9));
    assertThat(Together.distributed(bodies("F1", "F2"), false)).isEqualTo(bodies("F1", "F2"));
  }

  /// F1 ends at 37.5, F2 begins at 60: 22.5 mm, middles 40 mm.
  @Test
  void twoAreMeasured() {
    var panel = panel();
    var two = bodies("F1", "F2");
    var apart =
        Together.between(two.getFirst(), two.getLast(), cabinet(panel.build()), panel.study());
    assertThat(apart.across()).isCloseTo(22.5, within(1e-9));
    assertThat(apart.middleAcross()).isCloseTo(40, within(1e-9));
    assertThat(apart.middleDown()).isZero();
    assertThat(apart.words()).startsWith("22.5 mm between them, middles 40.0 mm across");
    // Both look down on the same duct: 20 mm or so of lead each, 40 mm along it.
    assertThat(apart.wire().orElseThrow().metres()).isBetween(0.04, 0.2);
  }

  /// A breaker let go 30 mm from its rail clips on; a supply that is no rail part does not; and a
  /// neighbour within 7 mm is touched.
  @Test
  void lettingGoSnaps() {
    var panel = panel();
    var all = Bodies.of(panel.study()).in(cabinet(panel.build()));
    var f2 = bodies("F2").getFirst();
    var rested = Snap.rest(f2.movedTo(40, 130), cabinet(panel.build()), all);
    assertThat(rested.box().middleY()).isCloseTo(142.5, within(0.26));
    assertThat(rested.box().left()).isEqualTo(37.5);
    var far = Snap.rest(f2.movedTo(300, 300), cabinet(panel.build()), all);
    assertThat(far.box().top()).isEqualTo(300);
  }

  @Test
  void aRowIsClosedUpAndSpread() {
    var row = Snap.row(bodies("F1").getFirst(), bodies("F1", "F2", "T1"));
    assertThat(row).extracting(Body::name).containsExactly("-F1", "-F2");
    var closed = Snap.closedUp(row);
    assertThat(closed.getLast().box().left()).isEqualTo(37.5);
    assertThat(Snap.spread(row)).isEqualTo(row);
  }
}
