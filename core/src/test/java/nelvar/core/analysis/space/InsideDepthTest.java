package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.catalogue.Housing;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

/// What hangs on walls and doors against what stands on the plate, in all three directions.
class InsideDepthTest {
  private static Length mm(double mm) {
    return Length.ofMillimetres(mm);
  }

  /// 600 × 800 × 250: the plate from x 25 to 575, 25 mm before the back wall.
  private static Panel panel() {
    return Panel.mains()
        .device("E1", "fan-230v-45w")
        .device("T1", "supply-24v-5a")
        .device("A2", "operator-panel-7in", Place.DOOR)
        .cabinet(600, 800, 250);
  }

  /// The fan is 95 mm deep: on the right wall it comes to x = 505, that is 480 on the plate. A
  /// supply 40 wide at 440 ends there; at 441 they meet.
  @Test
  void aFanInTheWallMeetsWhatStandsOnThePlate() {
    var wide = Bodies.of(panel().at("T1", 0, 300).study()).of(new Id("T1")).orElseThrow();
    var ends = 480 - wide.box().width();
    var beside = panel().at("E1", Surface.RIGHT, 60, 300).at("T1", ends, 300);
    assertThat(beside.judge(new Collision(), "T1")).isInstanceOf(Verdict.Pass.class);
    var in = panel().at("E1", Surface.RIGHT, 60, 300).at("T1", ends + 1, 300);
    assertThat(in.found(new Collision(), "T1").text()).contains("E1 on the right wall");
    assertThat(in.found(new Collision(), "E1").text()).contains("T1 on the plate");
    in.cures(new Collision(), "T1");
    // On the left wall the same supply is in nobody's way.
    var left = panel().at("E1", Surface.LEFT, 60, 300).at("T1", ends + 1, 300);
    assertThat(left.judge(new Collision(), "T1")).isInstanceOf(Verdict.Pass.class);
  }

  /// Side walls are seen from outside: left on the right wall is at the door. At 0 it stands 0 to
  /// 125 mm behind the door, 125 to 250 before the back wall; a duct of 60 mm reaches 85.
  @Test
  void sideWallsAreSeenFromOutside() {
    var duct = Panel.duct("D1", 0, 320, 550, false);
    var panel = panel().cabinet(c -> c.withDucts(List.of(duct)));
    assertThat(panel.at("E1", Surface.RIGHT, 0, 300).judge(new Collision(), "E1"))
        .isInstanceOf(Verdict.Pass.class);
    var back = panel().cabinet(c -> c.withDucts(List.of(duct))).at("E1", Surface.RIGHT, 125, 300);
    assertThat(back.found(new Collision(), "E1").text()).contains("a duct on the plate");
    back.cures(new Collision(), "E1");
    // On the left wall it is the other way round.
    assertThat(
            panel()
                .cabinet(c -> c.withDucts(List.of(duct)))
                .at("E1", Surface.LEFT, 125, 300)
                .judge(new Collision(), "E1"))
        .isInstanceOf(Verdict.Pass.class);
  }

  /// A duct that ends in a fan is cut: 575 − 505 = 70 mm, on whole 5 mm.
  @Test
  void aDuctIsCutBeforeAFan() {
    var panel =
        panel()
            .cabinet(
                new Shell(
                    Housing.PLASTIC,
                    mm(600),
                    mm(800),
                    mm(180),
                    Optional.empty(),
                    nelvar.core.formula.Enclosure.Standing.WALL,
                    Shell.Side.BOTTOM,
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty()))
            .cabinet(c -> c.withDucts(List.of(Panel.duct("D1", 0, 320, 550, false))))
            .at("E1", Surface.RIGHT, 40, 300);
    var cut =
        panel.found(new Collision(), "E1").proposals().stream()
            .filter(repair -> repair.label().startsWith("Cut duct"))
            .findFirst()
            .orElseThrow();
    var after = cut.edit().apply(panel.build());
    assertThat(after.layout().cabinets().getFirst().ducts().getFirst().length()).isEqualTo(mm(480));
    assertThat(Panel.judge(new Collision(), "E1", after)).isInstanceOf(Verdict.Pass.class);
  }

  /// A fan of 125 mm, 50 mm free before it. A part that stands 49 mm before more than a quarter of
  /// its face blocks it, at 51 mm nothing does.
  @Test
  void nothingStandsBeforeAFan() {
    var wide = Bodies.of(panel().at("T1", 0, 300).study()).of(new Id("T1")).orElseThrow();
    var at = 480 - wide.box().width();
    // Beside the back wall, where the supply is.
    var blocked = panel().at("E1", Surface.RIGHT, 110, 300).at("T1", at - 49, 300);
    blocked.cures(new AirPath(), "E1");
    var free = panel().at("E1", Surface.RIGHT, 110, 300).at("T1", at - 51, 300);
    assertThat(free.judge(new AirPath(), "E1")).isInstanceOf(Verdict.Pass.class);
    // Wires between what is mounted, and no duct for them.
    var loose =
        panel()
            .device("X9", "terminals-10x2p5")
            .wire("T1:+", "X9:1", 1, 0.5)
            .at("E1", Surface.RIGHT, 110, 300)
            .at("T1", at - 51, 300)
            .at("X9", 20, 600);
    assertThat(loose.judge(new AirPath(), "E1")).isInstanceOf(Verdict.NotChecked.class);
    var laid = loose.cabinet(c -> c.withDucts(List.of(Panel.duct("D1", 0, 500, 400, false))));
    assertThat(laid.judge(new AirPath(), "E1")).isInstanceOf(Verdict.Pass.class);
    // What only stirs on the plate has no wall it blows through.
    assertThat(
            new AirPath()
                .check(panel().at("E1", 100, 100).study())
                .filter(v -> v.subject().text().equals("E1")))
        .isEmpty();
  }

  /// Hinged left, 20 mm of frame: a corner may swing on 580 mm. 200 wide and 45 deep: √(r² + 45²)
  /// is 580 at r = 578.2.
  @Test
  void theDoorSwingsOut() {
    var passes = panel().at("A2", Surface.DOOR, 378, 300);
    assertThat(passes.judge(new DoorCloses(), "A2")).isInstanceOf(Verdict.Pass.class);
    var catches = panel().at("A2", Surface.DOOR, 379, 300);
    assertThat(catches.found(new DoorCloses(), "A2").title()).contains("catches");
    catches.cures(new DoorCloses(), "A2");
    // Hinged right the near edge counts: 600 − 379 = 221 mm.
    var right =
        panel()
            .cabinet(c -> c.withShell(c.shell().with(d -> d.hinge = Optional.of(Shell.Side.RIGHT))))
            .at("A2", Surface.DOOR, 379, 300);
    assertThat(right.judge(new DoorCloses(), "A2")).isInstanceOf(Verdict.Pass.class);
  }

  /// Rails 20 mm from their ends and each 400; a button's round hole, a screen's front.
  @Test
  void whatIsDrilled() {
    var panel =
        Panel.mains()
            .device("S1", "stop-button-2nc", Place.DOOR)
            .device("A2", "operator-panel-7in", Place.DOOR)
            .cabinet(600, 800, 250)
            .cabinet(c -> c.withRails(List.of(Panel.rail("R1", 10, 100, 540))))
            .at("S1", Surface.DOOR, 100, 200)
            .at("A2", Surface.DOOR, 200, 300);
    var cabinet = panel.build().layout().cabinets().getFirst();
    assertThat(Holes.of(cabinet, Surface.PLATE, panel.study()))
        .extracting(Holes.Hole::x)
        .containsExactly(30.0, 280.0, 530.0);
    var door = Holes.of(cabinet, Surface.DOOR, panel.study());
    assertThat(door)
        .extracting(Holes.Hole::kind)
        .containsExactlyInAnyOrder(Holes.Kind.ROUND, Holes.Kind.FRONT);
    assertThat(door.stream().filter(h -> h.kind() == Holes.Kind.ROUND).findFirst().orElseThrow())
        .extracting(Holes.Hole::width, Holes.Hole::x)
        .containsExactly(22.3, 120.0);
  }

  /// The controller's trimmer or slot beside a breaker on the mains: live within a hand's width.
  @Test
  void whatIsLiveWhenTheDoorIsOpen() {
    var near =
        Panel.mains()
            .device("F1", "breaker-1p-c6")
            .device("A1", "motion-controller-3ax")
            .wire("X0:L1", "F1:1", 2.5, 1)
            .cabinet(600, 800, 250)
            .at("A1", 100, 300)
            .at("F1", 275, 300);
    var cabinet = near.build().layout().cabinets().getFirst();
    var reached =
        OpenDoor.of(cabinet, near.study()).stream()
            .filter(r -> r.body().name().equals("-A1"))
            .toList();
    assertThat(reached).isNotEmpty().noneMatch(OpenDoor.Reached::itself);
    assertThat(reached.stream().flatMap(r -> r.beside().stream()).map(Body::name))
        .isNotEmpty()
        .allMatch("-F1"::equals);
    // Its own lever is reached with mains on it.
    assertThat(OpenDoor.of(cabinet, near.study()))
        .filteredOn(r -> r.body().name().equals("-F1"))
        .allMatch(OpenDoor.Reached::itself);
  }

  /// The inlet and the line side of the main switch stay live when it is off; what it feeds does
  /// not. Whoever reaches beside them is told to cover, not to lock off.
  @Test
  void whatStaysLiveWithTheMainSwitchOff() {
    var panel =
        Panel.mains()
            .device("Q1", "main-switch-2p-30a")
            .device("F1", "breaker-1p-c6")
            .device("A1", "motion-controller-3ax")
            .wire("X0:L1", "Q1:1", 2.5, 1)
            .wire("Q1:2", "F1:1", 2.5, 1)
            .wire("X0:N", "A1:-", 2.5, 1)
            .cabinet(600, 800, 250)
            .at("A1", 100, 300)
            .at("F1", 290, 300);
    assertThat(OnMains.aheadOfTheSwitch(panel.study()))
        .contains(new Id("X0"), new Id("Q1"))
        .doesNotContain(new Id("F1"), new Id("A1"));
    var cabinet = panel.build().layout().cabinets().getFirst();
    assertThat(only(cabinet, panel, "-F1")).containsOnly("locked off, or covered");
    assertThat(only(cabinet, panel, "-A1")).contains("locked off, or covered");
    // With the inlet beside it nothing is made safe by the switch.
    var beside = panel.at("X0", 310, 300);
    assertThat(only(cabinet, beside, "-F1"))
        .containsOnly("covered: -X0 is live with the main switch off");
    // Without a switch everything stays.
    var without =
        Panel.mains()
            .device("F1", "breaker-1p-c6")
            .wire("X0:L1", "F1:1", 2.5, 1)
            .cabinet(600, 800, 250)
            .at("F1", 290, 300);
    assertThat(only(cabinet, without, "-F1"))
        .containsOnly("covered: -F1 is live with the main switch off");
  }

  private static List<String> only(Cabinet cabinet, Panel panel, String name) {
    return OpenDoor.of(cabinet, panel.study()).stream()
        .filter(r -> r.body().name().equals(name))
        .map(OpenDoor.Reached::only)
        .toList();
  }
}
