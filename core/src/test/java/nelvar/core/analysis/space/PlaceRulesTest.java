package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.thermal.HeatBelow;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
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

  private static Cabinet.Rail rail(String id, double top) {
    return new Cabinet.Rail(new Id(id), Surface.PLATE, mm(0), mm(top), mm(550), Optional.empty());
  }

  private static Cabinet.Duct duct(String id, double top) {
    return new Cabinet.Duct(
        new Id(id),
        Surface.PLATE,
        mm(0),
        mm(top),
        mm(550),
        mm(40),
        mm(60),
        Optional.empty(),
        Optional.empty());
  }

  private static Verdict judge(Rule rule, String id, Panel panel) {
    return panel.judge(rule, id);
  }

  private static Verdict.Finding found(Rule rule, String id, Panel panel) {
    assertThat(judge(rule, id, panel)).isInstanceOf(Verdict.Finding.class);
    return (Verdict.Finding) judge(rule, id, panel);
  }

  /// Every way out, taken, gives a pass of the same rule.
  private static void cures(Rule rule, String id, Panel panel) {
    var finding = found(rule, id, panel);
    assertThat(finding.proposals()).isNotEmpty();
    for (var repair : finding.proposals())
      assertThat(Panel.judge(rule, id, repair.edit().apply(panel.build())))
          .as(repair.label())
          .isInstanceOf(Verdict.Pass.class);
  }

  /// 17.5 mm wide: at 20 and 37.5 they touch, at 37 they overlap by half a millimetre.
  @Test
  void nothingStandsWhereSomethingElseIs() {
    var touch = panel().at("F1", 20, 100).at("F2", 37.5, 100);
    assertThat(judge(new Collision(), "F2", touch)).isInstanceOf(Verdict.Pass.class);
    var over = panel().at("F1", 20, 100).at("F2", 37, 100);
    assertThat(found(new Collision(), "F2", over).severity()).isEqualTo(Severity.WARNING);
    cures(new Collision(), "F2", over);
    var edge = panel().at("F1", 540, 100);
    assertThat(found(new Collision(), "F1", edge).text()).contains("the edge of the plate");
    var duct = panel().cabinet(c -> c.withDucts(List.of(duct("D1", 150)))).at("F1", 20, 100);
    assertThat(found(new Collision(), "F1", duct).text()).contains("a duct");
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
    var holds = panel().cabinet(c -> c.withDucts(List.of(duct("D1", 205)))).at("F1", 20, 100);
    assertThat(judge(new Clearance(), "F1", holds)).isInstanceOf(Verdict.Pass.class);
    var near = panel().cabinet(c -> c.withDucts(List.of(duct("D1", 204)))).at("F1", 20, 100);
    assertThat(found(new Clearance(), "F1", near).text()).contains("1 mm");
    cures(new Clearance(), "F1", near);
  }

  @Test
  void railPartsSitOnARail() {
    var on = panel().cabinet(c -> c.withRails(List.of(rail("R1", 142.5)))).at("F1", 20, 100);
    assertThat(judge(new OnRail(), "F1", on)).isInstanceOf(Verdict.Pass.class);
    var off = panel().cabinet(c -> c.withRails(List.of(rail("R1", 250)))).at("F1", 20, 100);
    assertThat(found(new OnRail(), "F1", off).title()).contains("hangs in the air");
    cures(new OnRail(), "F1", off);
    // What has no place is said, never passed.
    assertThat(judge(new OnRail(), "F2", off)).isInstanceOf(Verdict.NotChecked.class);
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
    assertThat(judge(new DoorCloses(), "A1", panel)).isInstanceOf(Verdict.Pass.class);
    assertThat(found(new DoorCloses(), "U3", panel).text()).contains("225 mm");
    cures(new DoorCloses(), "U3", panel);
  }

  /// The card slot of the controller at its right wants 60 mm.
  @Test
  void slotsAreReached() {
    var free = panel().at("A1", 100, 300).at("F1", 340, 300);
    assertThat(judge(new Reach(), "A1", free)).isInstanceOf(Verdict.Pass.class);
    var blocked = panel().at("A1", 100, 300).at("F1", 339, 300);
    assertThat(found(new Reach(), "A1", blocked).text()).contains("card slot by -F1");
    cures(new Reach(), "A1", blocked);
  }

  @Test
  void turningABodyTurnsItsSlot() {
    var turned =
        panel()
            .at(Placement.at(new Id("A1"), new Id("C"), Surface.PLATE, mm(100), mm(300)).turned())
            .at("F1", 100, 530);
    // A quarter turn clockwise: 90 wide, 180 high, the slot below at 480.
    assertThat(found(new Reach(), "A1", turned).text()).contains("card slot by -F1");
  }

  /// 100 mm between logic and a switching supply.
  @Test
  void logicStandsApartFromWhatSwitches() {
    var apart = panel().at("T1", 20, 300).at("A1", 160, 300);
    assertThat(judge(new QuietApart(), "A1", apart)).isInstanceOf(Verdict.Pass.class);
    var close = panel().at("T1", 20, 300).at("A1", 159, 300);
    assertThat(found(new QuietApart(), "A1", close).text()).contains("99 mm from -T1");
    cures(new QuietApart(), "A1", close);
  }

  @Test
  void bareBoardsStandOnSpacers() {
    var flat = panel().device("A3", "microcontroller-4ax").at("A3", 100, 300);
    cures(new Spacers(), "A3", flat);
  }

  /// Wood that holds mains wants a lining; steel does not, nor wood with 24 V only.
  @Test
  void woodBehindMainsIsLined() {
    var wood = Shell.onWall(mm(600), mm(800), mm(250)).with(d -> d.housing = Shell.Housing.WOOD);
    var mains = panel().cabinet(wood).at("X0", 20, 100);
    cures(new CombustibleLining(), "C", mains);
    var harmless = panel().cabinet(wood).at("A1", 100, 300);
    assertThat(judge(new CombustibleLining(), "C", harmless)).isInstanceOf(Verdict.Pass.class);
  }

  /// A fifth of the rail: 550 mm of rail, 110 are to be free. 25 breakers take 437.5, one more 455.
  @Test
  void aFifthIsLeft() {
    assertThat(room(25)).isInstanceOf(Verdict.Pass.class);
    assertThat(room(26)).isInstanceOf(Verdict.Finding.class);
  }

  private static Verdict room(int breakers) {
    var panel = Panel.mains().cabinet(600, 215, 250);
    // A plate of 550 × 165: one row and nothing below it.
    for (var i = 0; i < breakers; i++)
      panel.device("F" + i, "breaker-1p-c6").at("F" + i, 17.5 * i, 40);
    return judge(new RoomKept(), "C", panel.cabinet(c -> c.withRails(List.of(rail("R1", 82.5)))));
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
                        duct("DM", 0).holding(Optional.of(new Id("D"))),
                        duct("DS", secondTop).holding(Optional.of(new Id("S"))))))
            .at("T", 100, 300);
    var project = panel.build();
    var bundles = new java.util.ArrayList<>(project.bundles());
    bundles.add(
        new nelvar.core.model.Bundle(
            new Id("S"), "signals", nelvar.core.standards.InstallationMethod.B1, true));
    return project.withBundles(bundles);
  }

  @Test
  void ductsThatSayNothingAreNotChecked() {
    var panel =
        panel()
            .cabinet(c -> c.withDucts(List.of(duct("D1", 0), duct("D2", 300))))
            .at("A1", 100, 100);
    assertThat(judge(new DuctsApart(), "C", panel)).isInstanceOf(Verdict.NotChecked.class);
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
    assertThat(found(new HeatBelow(), "A1", below).text()).contains("-T below it");
    cures(new HeatBelow(), "A1", below);
    var passes = Panel.dc().device("A1", "motion-controller-3ax").cabinet(600, 800, 250);
    assertThat(judge(new HeatBelow(), "A1", passes.at("T", 400, 500).at("A1", 100, 370)))
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
