package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.thermal.HeatBelow;
import nelvar.core.catalogue.Housing;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Placement;
import nelvar.core.model.Project;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

/// Each rule of the place just inside and just outside of its limit, and what it proposes, taken.
class PlaceRulesTest {
  private static Length mm(double mm) {
    return Length.ofMillimetres(mm);
  }

  private static Panel panel() {
    return Panel.mains()
        .device("F1", "breaker-1p-c6")
        .device("F2", "breaker-1p-c6")
        .device("A1", "motion-controller-3ax")
        .device("T1", "supply-24v-5a")
        .cabinet(600, 800, 250);
  }

  /// 17.5 mm wide: at 20 and 37.5 they touch, at 37 they overlap by half a millimetre.
  @Test
  void nothingStandsWhereSomethingElseIs() {
    var touch = panel().at("F1", 20, 100).at("F2", 37.5, 100);
    assertThat(touch.judge(new Collision(), "F2")).isInstanceOf(Verdict.Pass.class);
    var over = panel().at("F1", 20, 100).at("F2", 37, 100);
    assertThat(over.found(new Collision(), "F2").severity()).isEqualTo(Severity.WARNING);
    over.cures(new Collision(), "F2");
    var edge = panel().at("F1", 540, 100);
    assertThat(edge.found(new Collision(), "F1").text()).contains("the edge of the plate");
    var duct =
        panel()
            .cabinet(c -> c.withDucts(List.of(Panel.duct("D1", 0, 150, 550, false))))
            .at("F1", 20, 100);
    assertThat(duct.found(new Collision(), "F1").text()).contains("a duct");
  }

  /// What was measured is sure: then it is an error.
  @Test
  void measuredThingsThatOverlapAreAnError() {
    var project = panel().at("F1", 20, 100).at("F2", 30, 100).build();
    for (var id : List.of("F1", "F2"))
      project =
          LayoutEdits.measure(
                  project.device(new Id(id)).orElseThrow(),
                  Optional.of(
                      new nelvar.core.model.Measured(new Id(id), mm(18), mm(88), Optional.empty())))
              .apply(project);
    var verdict = (Verdict.Finding) Panel.judge(new Collision(), "F1", project);
    assertThat(verdict.severity()).isEqualTo(Severity.ERROR);
    // Without its depth nobody says whether the door closes.
    assertThat(Panel.judge(new DoorCloses(), "F1", project)).isInstanceOf(Verdict.NotChecked.class);
  }

  /// A breaker wants 20 mm above and below; 19 are too little.
  @Test
  void whatAPartWantsFreeIsFree() {
    var holds =
        panel()
            .cabinet(c -> c.withDucts(List.of(Panel.duct("D1", 0, 205, 550, false))))
            .at("F1", 20, 100);
    assertThat(holds.judge(new Clearance(), "F1")).isInstanceOf(Verdict.Pass.class);
    var near =
        panel()
            .cabinet(c -> c.withDucts(List.of(Panel.duct("D1", 0, 204, 550, false))))
            .at("F1", 20, 100);
    assertThat(near.found(new Clearance(), "F1").text()).contains("1 mm");
    near.cures(new Clearance(), "F1");
  }

  @Test
  void railPartsSitOnARail() {
    var on =
        panel()
            .cabinet(c -> c.withRails(List.of(Panel.rail("R1", 0, 142.5, 550))))
            .at("F1", 20, 100);
    assertThat(on.judge(new OnRail(), "F1")).isInstanceOf(Verdict.Pass.class);
    var off =
        panel().cabinet(c -> c.withRails(List.of(Panel.rail("R1", 0, 250, 550)))).at("F1", 20, 100);
    assertThat(off.found(new OnRail(), "F1").title()).contains("hangs in the air");
    off.cures(new OnRail(), "F1");
    // What has no place is said, never passed.
    assertThat(off.judge(new OnRail(), "F2")).isInstanceOf(Verdict.NotChecked.class);
  }

  /// 250 deep, 25 behind the plate, 20 for the door: 205 mm. A controller of 42 goes in, with the
  /// operator panel of 45 before it still; a servo drive of 170 does not go behind it: 170 + 45 +
  /// 10 = 225.
  @Test
  void theDoorCloses() {
    var panel =
        panel()
            .device("A2", "operator-panel-7in", Place.DOOR)
            .device("U3", "servo-drive-48v-10a")
            .at("A1", 100, 300)
            .at("U3", 300, 300)
            .at("A2", Surface.DOOR, 200, 300);
    assertThat(panel.judge(new DoorCloses(), "A1")).isInstanceOf(Verdict.Pass.class);
    assertThat(panel.found(new DoorCloses(), "U3").text()).contains("225 mm");
    panel.cures(new DoorCloses(), "U3");
  }

  /// The card slot of the controller at its right wants 60 mm.
  @Test
  void slotsAreReached() {
    var free = panel().at("A1", 100, 300).at("F1", 340, 300);
    assertThat(free.judge(new Reach(), "A1")).isInstanceOf(Verdict.Pass.class);
    var blocked = panel().at("A1", 100, 300).at("F1", 339, 300);
    assertThat(blocked.found(new Reach(), "A1").text()).contains("card slot by -F1");
    blocked.cures(new Reach(), "A1");
  }

  @Test
  void turningABodyTurnsItsSlot() {
    var turned =
        panel()
            .at(Placement.at(new Id("A1"), new Id("C"), Surface.PLATE, mm(100), mm(300)).turned())
            .at("F1", 100, 530);
    // A quarter turn clockwise: 90 wide, 180 high, the slot below at 480.
    assertThat(turned.found(new Reach(), "A1").text()).contains("card slot by -F1");
  }

  /// 100 mm between logic and a switching supply.
  @Test
  void logicStandsApartFromWhatSwitches() {
    var apart = panel().at("T1", 20, 300).at("A1", 160, 300);
    assertThat(apart.judge(new QuietApart(), "A1")).isInstanceOf(Verdict.Pass.class);
    var close = panel().at("T1", 20, 300).at("A1", 159, 300);
    assertThat(close.found(new QuietApart(), "A1").text()).contains("99 mm from -T1");
    close.cures(new QuietApart(), "A1");
  }

  @Test
  void bareBoardsStandOnSpacers() {
    var flat = panel().device("A3", "microcontroller-4ax").at("A3", 100, 300);
    flat.cures(new Spacers(), "A3");
  }

  /// Wood that holds mains wants a lining; steel does not, nor wood with 24 V only.
  @Test
  void woodBehindMainsIsLined() {
    var wood = Shell.onWall(mm(600), mm(800), mm(250)).with(d -> d.housing = Housing.WOOD);
    var mains = panel().cabinet(wood).at("X0", 20, 100);
    mains.cures(new CombustibleLining(), "C");
    var harmless = panel().cabinet(wood).at("A1", 100, 300);
    assertThat(harmless.judge(new CombustibleLining(), "C")).isInstanceOf(Verdict.Pass.class);
  }

  /// A fifth of the rail: 550 mm of rail, 110 are to be free. 25 breakers take 437.5, one more 455.
  @Test
  void aFifthIsLeft() {
    assertThat(room(25)).isInstanceOf(Verdict.Pass.class);
    assertThat(room(26)).isInstanceOf(Verdict.Finding.class);
  }

  /// Full rails down to the bottom of 400 × 600 × 210: the next size of steel has rows below them.
  /// A cabinet of which the catalogue has no larger one of at most three times the room gets none.
  @Test
  void aFullCabinetIsOfferedTheNextSize() {
    var full = full(400, 600);
    full.cures(new RoomKept(), "C");
    assertThat(full.found(new RoomKept(), "C").proposals().getFirst().label())
        .isEqualTo("Take Steel enclosure 600 × 800 × 250 mm with plate");
    assertThat(full(1200, 1600).found(new RoomKept(), "C").proposals()).isEmpty();
  }

  private static Panel full(double width, double height) {
    var panel = Panel.mains().cabinet(width, height, 210);
    var rails = new java.util.ArrayList<nelvar.core.model.Cabinet.Rail>();
    var across = (int) ((width - 50) / 17.5);
    for (var row = 0; 150 * (row + 1) <= height - 50; row++) {
      rails.add(Panel.rail("R" + row, 0, 100 + 150 * row, across * 17.5));
      for (var i = 0; i < across; i++)
        panel
            .device("F" + row + "." + i, "breaker-1p-c6")
            .at("F" + row + "." + i, 17.5 * i, 57.5 + 150 * row);
    }
    return panel.cabinet(c -> c.withRails(rails));
  }

  private static Verdict room(int breakers) {
    var panel = Panel.mains().cabinet(600, 215, 250);
    // A plate of 550 × 165: one row and nothing below it.
    for (var i = 0; i < breakers; i++)
      panel.device("F" + i, "breaker-1p-c6").at("F" + i, 17.5 * i, 40);
    return panel
        .cabinet(c -> c.withRails(List.of(Panel.rail("R1", 0, 82.5, 550))))
        .judge(new RoomKept(), "C");
  }

  /// Two ducts side by side with 60 mm between them, one with mains, one with signals.
  @Test
  void ductsWithMainsRunApart() {
    var near = ducts(100);
    assertThat(Panel.judge(new DuctsApart(), "DM", near)).isInstanceOf(Verdict.Finding.class);
    assertThat(Panel.judge(new DuctsApart(), "DM", ducts(140))).isInstanceOf(Verdict.Pass.class);
  }

  private static Project ducts(double secondTop) {
    var panel =
        Panel.dc()
            .cabinet(600, 800, 250)
            .cabinet(c ->
                c.withDucts(
                    List.of(
                        Panel.duct("DM", 0, 0, 550, false).holding(Optional.of(new Id("D"))),
                        Panel.duct("DS", 0, secondTop, 550, false)
                            .holding(Optional.of(new Id("S"))))))
            .at("T", 100, 300);
    var project = panel.build();
    var bundles = new java.util.ArrayList<>(project.bundles());
    bundles.add(
        new nelvar.core.model.Bundle(
            new Id("S"), "signals", nelvar.core.standards.InstallationMethod.B1, true));
    return project.withBundles(bundles);
  }

  /// One upright duct from where cables leave, 1550 mm down the plate: a feed to a breaker at its
  /// top, and a switch of the machine that is read beside that and leaves the duct 320 mm down:
  /// 1230 mm together. Read below, they part 1120 mm down.
  @Test
  void signalsDoNotLieLongBesideMains() {
    var longWay = sharing(1600, 120);
    var found = longWay.found(new DuctsApart(), "C");
    assertThat(found.severity()).isEqualTo(Severity.ADVICE);
    assertThat(found.text()).contains("1.2 m in one duct with mains");
    longWay.cures(new DuctsApart(), "C");
    assertThat(sharing(1600, 600).judge(new DuctsApart(), "C")).isInstanceOf(Verdict.Pass.class);
  }

  /// A controller so far from the top; a switch of the machine on its input, mains to the breaker.
  private static Panel sharing(double height, double top) {
    return Panel.mains()
        .device("F1", "breaker-1p-c6")
        .device("A1", "motion-controller-3ax")
        .device("S1", "limit-switch-1nc", nelvar.core.model.Place.MACHINE)
        .wire("X0:L1", "F1:1", 2.5, 1)
        .wire("S1:11", "A1:DI1", 0.5, 1)
        .cabinet(600, height, 250)
        .cabinet(c ->
            c.withDucts(
                List.of(
                    Panel.duct("D1", 0, 0, height - 50, true),
                    Panel.duct("D2", 40, 40, 400, false),
                    Panel.duct("D3", 40, 300, 400, false),
                    Panel.duct("D4", 40, 1100, 400, false))))
        .at("F1", 300, 100)
        .at("A1", 100, top);
  }

  /// A controller 40 mm above a supply of 24 V that gives 60 W stands in its plume; beside it, it
  /// does not. The way out cures.
  @Test
  void heatDoesNotStandBelowWhatItHurts() {
    var hot =
        Panel.dc("supply-24v-5a", "breaker-1p-c6")
            .device("E1", "plate-60w-24v", Place.MACHINE)
            .wire("T:+", "E1:1", 2.5, 2)
            .wire("T:-", "E1:2", 2.5, 2)
            .device("A1", "motion-controller-3ax")
            .cabinet(600, 800, 250);
    var below = hot.at("T", 150, 500).at("A1", 100, 370);
    assertThat(below.found(new HeatBelow(), "A1").text()).contains("-T below it");
    below.cures(new HeatBelow(), "A1");
    var passes = Panel.dc().device("A1", "motion-controller-3ax").cabinet(600, 800, 250);
    assertThat(passes.at("T", 400, 500).at("A1", 100, 370).judge(new HeatBelow(), "A1"))
        .isInstanceOf(Verdict.Pass.class);
  }

  /// Things that come later keep their room though the machine of today has them not.
  @Test
  void whatComesLaterKeepsItsRoom() {
    var project = panel().at("F1", 20, 100).at("F2", 30, 100).build();
    var marked =
        project.with(
            project
                .plan()
                .withMarks(
                    List.of(
                        new nelvar.core.model.Standing.Mark(
                            new Id("F2"), nelvar.core.model.Standing.LATER))));
    var today = nelvar.core.model.edit.Horizon.TODAY.of(marked);
    assertThat(today.device(new Id("F2"))).isEmpty();
    var finding = (Verdict.Finding) Panel.judge(new Collision(), "F1", today);
    assertThat(finding.text()).contains("-F2, which comes later");
  }

  /// A removed device leaves no place behind; its undo brings the place back with it.
  @Test
  void whatIsRemovedLeavesItsPlace() {
    var project = panel().at("F1", 20, 100).build();
    var without =
        nelvar.core.model.edit.Edits.remove(project.device(new Id("F1")).orElseThrow())
            .apply(project);
    assertThat(without.layout().placements()).isEmpty();
    assertThat(nelvar.core.model.Consistency.check(without, Panel.study(without).catalogue()))
        .isEmpty();
  }
}
