package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.completeness.Chatter;
import nelvar.core.analysis.states.DeviceOpens;
import nelvar.core.analysis.states.LoadWithoutVolts;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.analysis.states.ShortInWork;
import nelvar.core.analysis.states.SupplyAtLimit;
import nelvar.core.analysis.supply.BackFeed;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Id;
import nelvar.core.model.OperatingState;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import org.junit.jupiter.api.Test;

/// What the solved machine shows in its states is judged.
class StatesTest {
  private static Panel pump() {
    return Panel.dc().device("M", "pump-24v-3a").wire("T:+", "M:+", 1, 1).wire("M:-", "T:-", 1, 1);
  }

  private static Verdict.Finding error(Verdict verdict) {
    assertThat(verdict).isInstanceOf(Verdict.Finding.class);
    var finding = (Verdict.Finding) verdict;
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    return finding;
  }

  @Test
  void aSoundMachinePassesInItsOneState() {
    var panel = pump();
    assertThat(MachineStates.of(panel.study())).hasSize(1);
    assertThat(panel.judge(new LoadWithoutVolts(), "M")).isInstanceOf(Verdict.Pass.class);
    assertThat(panel.judge(new SupplyAtLimit(), "T")).isInstanceOf(Verdict.Pass.class);
    assertThat(panel.judge(new DeviceOpens(), "F")).isInstanceOf(Verdict.Pass.class);
    assertThat(panel.judge(new DeviceOpens(), "X0")).isInstanceOf(Verdict.Pass.class);
    assertThat(panel.judge(new ShortInWork(), "T")).isInstanceOf(Verdict.Pass.class);
    assertThat(panel.judge(new ShortInWork(), "X0")).isInstanceOf(Verdict.Pass.class);
  }

  /// Plus of one supply on minus of the other and back: each gives its greatest current into the
  /// other, and no other rule asks.
  @Test
  void twoSuppliesAgainstEachOtherStandAtTheirLimit() {
    var panel =
        Panel.dc()
            .device("F2", "breaker-1p-c6")
            .device("T2", "supply-24v-10a")
            .wire("X0:L2", "F2:1", 6, 0.5)
            .wire("F2:2", "T2:L", 2.5, 0.5)
            .wire("T2:N", "X0:N", 2.5, 0.5)
            .wire("T:+", "T2:-", 2.5, 1)
            .wire("T2:+", "T:-", 2.5, 1);
    for (var supply : List.of("T", "T2"))
      assertThat(error(panel.judge(new SupplyAtLimit(), supply)).title()).isEqualTo("At its limit");
    assertThat(errors(panel.build())).isPositive();
  }

  private static long errors(Project project) {
    return Review.of(project, CatalogueFile.standard()).count(Severity.ERROR);
  }

  /// A line on the PE of the inlet. By hand: 231 V through line and earth way, 0.25 Ω each where
  /// nothing is stated, is about 460 A.
  @Test
  void aLineWiredToEarthIsFound() {
    var panel = pump().wire("X0:L3", "X0:PE", 6, 0.5);
    var found = error(panel.judge(new ShortInWork(), "X0"));
    assertThat(found.title()).isEqualTo("A line is joined to earth");
    assertThat(found.text()).containsPattern("and 4[0-9]{2} A flow").contains("may be killed");
    assertThat(error(panel.judge(new DeviceOpens(), "X0")).title())
        .isEqualTo("The device before the inlet opens");
    // In a TT system only some 11 A flow and nothing opens: found all the same.
    var electrodes = panel.earthed(Brief.Earthing.TT);
    assertThat(error(electrodes.judge(new ShortInWork(), "X0")).title())
        .isEqualTo("A line is joined to earth");
    assertThat(electrodes.judge(new DeviceOpens(), "X0")).isInstanceOf(Verdict.Pass.class);
  }

  @Test
  void aDirectLineJoinedToItsReturnThroughEarthIsFound() {
    var bonded = pump().protective("T:-", "X0:PE", 2.5);
    assertThat(bonded.judge(new ShortInWork(), "T")).isInstanceOf(Verdict.Pass.class);
    var shorted = bonded.protective("T:+", "X0:PE", 2.5);
    assertThat(error(shorted.judge(new ShortInWork(), "T")).title()).isEqualTo("Shorted in work");
  }

  /// The mains is never put on the output of a drive; that diodes would part them is no advice
  /// here.
  @Test
  void mainsOnTheOutputOfADriveIsAnError() {
    var panel =
        Panel.mains()
            .device("F", "breaker-3p-c10")
            .device("U", "drive-3ph-400-0p75kw")
            .wire("X0:L1", "F:1", 6, 0.5)
            .wire("X0:L2", "F:3", 6, 0.5)
            .wire("X0:L3", "F:5", 6, 0.5)
            .wire("F:2", "U:L1", 2.5, 0.5)
            .wire("F:4", "U:L2", 2.5, 0.5)
            .wire("F:6", "U:L3", 2.5, 0.5)
            .wire("F:2", "U:U", 2.5, 0.5);
    var found = error(panel.judge(new BackFeed(), "U"));
    assertThat(found.title()).isEqualTo("Fed from outside at its output");
    assertThat(found.text()).doesNotContain("diode");
  }

  @Test
  void aLoadWithoutVoltsIsAnErrorWhereTheStateCallsForIt() {
    // The output of a dead way: the pump hangs on a relay whose coil is fed, but the coil's return
    // leads to the wrong terminal.
    var broken =
        Panel.dc()
            .device("K", "relay-6a-24vdc")
            .device("M", "pump-24v-3a")
            .wire("T:+", "K:A1", 0.75, 1)
            .wire("K:A2", "K:12", 0.75, 1)
            .wire("T:+", "K:11", 1, 1)
            .wire("K:14", "M:+", 1, 1)
            .wire("M:-", "T:-", 1, 1);
    assertThat(broken.judge(new LoadWithoutVolts(), "M")).isInstanceOf(Verdict.NotChecked.class);
    // Behind a button that nobody presses it is not called for, and that is said.
    var button =
        Panel.dc()
            .device("S", "push-button-1no")
            .device("M", "pump-24v-3a")
            .wire("T:+", "S:13", 1, 1)
            .wire("S:14", "M:+", 1, 1)
            .wire("M:-", "T:-", 1, 1);
    assertThat(button.judge(new LoadWithoutVolts(), "M"))
        .isInstanceOfSatisfying(
            Verdict.NotChecked.class, said -> assertThat(said.why()).contains("name a state"));
    var pressed =
        button
            .build()
            .withStates(
                List.of(
                    new OperatingState(
                        new Id("P"),
                        "pumping",
                        List.of(new OperatingState.Held(new Id("S"), "pressed", true)))));
    assertThat(Panel.judge(new LoadWithoutVolts(), "M", pressed)).isInstanceOf(Verdict.Pass.class);
  }

  /// A load at 0 V with everything on its way closed: both its ends on plus.
  @Test
  void aLoadWithBothEndsOnOneWireIsFound() {
    var panel =
        pump()
            .device("M2", "pump-24v-3a")
            .wire("T:+", "M2:+", 1, 1)
            .wire("M2:-", "T:-", 1, 1)
            .wire("M2:-", "M2:+", 1, 0.1);
    assertThat(errors(panel.build())).isPositive();
  }

  /// Two directions of one motor on two sinking outputs.
  ///
  /// @param locked each contactor's coil behind the other's resting contact
  private static Panel reversing(boolean locked) {
    var panel =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .wire("T:+", "A:+", 1, 1)
            .wire("A:-", "T:-", 1, 1)
            .device("K1", "contactor-3p-9a-24vdc")
            .device("K2", "contactor-3p-9a-24vdc")
            .device("M", "pump-24v-3a");
    panel
        .wire("T:+", locked ? "K2:21" : "K1:A1", 1, 1)
        .wire("K1:A2", "A:Q1", 1, 1)
        .wire("T:+", locked ? "K1:21" : "K2:A1", 1, 1)
        .wire("K2:A2", "A:Q2", 1, 1);
    if (locked) panel.wire("K2:22", "K1:A1", 1, 1).wire("K1:22", "K2:A1", 1, 1);
    return panel
        .wire("T:+", "K1:1", 2.5, 1)
        .wire("T:-", "K1:3", 2.5, 1)
        .wire("T:+", "K2:1", 2.5, 1)
        .wire("T:-", "K2:3", 2.5, 1)
        .wire("K1:2", "M:+", 2.5, 1)
        .wire("K1:4", "M:-", 2.5, 1)
        .wire("K2:2", "M:-", 2.5, 1)
        .wire("K2:4", "M:+", 2.5, 1);
  }

  /// With both outputs on, locked contactors race and unlocked ones short the supply. Judged is the
  /// machine with one of them; the other is named as not judged, until the builder names its state.
  @Test
  void whatExcludesEachOtherIsNotJudgedTogether() {
    for (var locked : List.of(true, false)) {
      var panel = reversing(locked);
      var state = MachineStates.of(panel.study()).getFirst();
      assertThat(state.live().outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
      assertThat(state.leftOff()).extracting(Object::toString).containsExactly("A.Q2");
      assertThat(panel.judge(new SupplyAtLimit(), "T")).isInstanceOf(Verdict.Pass.class);
      assertThat(panel.judge(new Chatter(), "A"))
          .isInstanceOfSatisfying(
              Verdict.NotChecked.class,
              said -> assertThat(said.why()).contains("exclude each other"));
    }
  }

  /// An output that shorts the supply all by itself excludes nothing: it is a fault and shown.
  @Test
  void whatIsWrongByItselfIsNotHiddenAsAnExclusion() {
    var panel =
        reversing(true)
            .device("K3", "contactor-3p-9a-24vdc")
            .wire("T:+", "K3:A1", 1, 1)
            .wire("K3:A2", "A:Q3", 1, 1)
            .wire("T:+", "K3:1", 2.5, 1)
            .wire("K3:2", "T:-", 2.5, 1);
    assertThat(errors(panel.build())).isPositive();
    assertThat(MachineStates.of(panel.study()).getFirst().leftOff()).isEmpty();
  }

  @Test
  void namedStatesAreKeptEditedAndForgotten() {
    var project = pump().build();
    var state = new OperatingState(new Id("idle"), "idle", List.of());
    var kept = Edits.keep(state).on(project, CatalogueFile.standard());
    assertThat(kept.states()).containsExactly(state);
    assertThat(MachineStates.of(Panel.study(kept)))
        .first()
        .satisfies(s -> assertThat(s.words()).isEqualTo("in the state 'idle'"));
    assertThat(Edits.remove(state).on(kept, CatalogueFile.standard())).isEqualTo(project);
  }

  @Test
  void chatterIsJudgedInEveryState() {
    var project =
        Panel.dc()
            .device("S", "push-button-1no")
            .device("K", "relay-6a-24vdc")
            .wire("T:+", "S:13", 0.75, 1)
            .wire("S:14", "K:11", 0.75, 1)
            .wire("K:12", "K:A1", 0.75, 1)
            .wire("K:A2", "T:-", 0.75, 1)
            .build();
    assertThat(Panel.judge(new Chatter(), "K", project)).isInstanceOf(Verdict.Pass.class);
    var pressed =
        project.withStates(
            List.of(
                new OperatingState(
                    new Id("P"),
                    "pressed",
                    List.of(new OperatingState.Held(new Id("S"), "pressed", true)))));
    assertThat(error(Panel.judge(new Chatter(), "K", pressed)).text())
        .contains("in the state 'pressed'");
  }

  /// Naming one state hides no other: until each output is on in a named one, everything on is
  /// judged besides.
  @Test
  void oneNamedStateDoesNotHideTheRest() {
    var project = reversing(true).build();
    var idle = new OperatingState(new Id("idle"), "idle", List.of());
    assertThat(MachineStates.of(Panel.study(project.withStates(List.of(idle))))).hasSize(2);
    var all = new java.util.ArrayList<OperatingState.Held>();
    for (var program : Panel.study(project).asDesigned().circuitry().programs())
      all.add(new OperatingState.Held(program.device(), program.name(), true));
    var on = new OperatingState(new Id("on"), "all on", all);
    assertThat(MachineStates.of(Panel.study(project.withStates(List.of(idle, on)))))
        .extracting(MachineStates.State::name)
        .containsExactly("idle", "all on");
  }

  /// 400 m of 0.75 mm² there and back leave a drive on 24 V less than it works with once it takes
  /// up its load: it counts as off, and that is never passed in silence.
  @Test
  void aDriveWithoutAWorkingPointIsWarnedOf() {
    var panel =
        Panel.dc()
            .device("U", "stepper-drive-50v-5a")
            .device("M", "stepper-motor-3a")
            .wire("T:+", "U:+", 0.75, 400)
            .wire("U:-", "T:-", 0.75, 400);
    for (var end : List.of("A+", "A-", "B+", "B-")) panel.wire("U:" + end, "M:" + end, 0.75, 1);
    assertThat(MachineStates.of(panel.study()).getFirst().outputs(new Id("U")))
        .as("the case is tried")
        .anyMatch(output -> output.starved());
    assertThat(panel.judge(new SupplyAtLimit(), "U"))
        .isInstanceOfSatisfying(
            Verdict.Finding.class,
            found -> assertThat(found.severity()).isEqualTo(Severity.WARNING));
  }

  /// A pump that only a button energises, over 40 m of 0.75 mm²: not judged while no state presses
  /// it, and judged in the one that does, by name.
  @Test
  void voltsAreJudgedInTheStateThatEnergises() {
    var panel =
        Panel.dc()
            .device("S", "push-button-1no")
            .device("M", "pump-24v-3a")
            .wire("T:+", "S:13", 0.75, 1)
            .wire("S:14", "M:+", 0.75, 40)
            .wire("M:-", "T:-", 0.75, 40);
    var rule = new nelvar.core.analysis.parts.LoadVolts();
    assertThat(panel.judge(rule, "M")).isInstanceOf(Verdict.NotChecked.class);
    var project =
        panel
            .build()
            .withStates(
                List.of(
                    new OperatingState(
                        new Id("wet"),
                        "wetting",
                        List.of(new OperatingState.Held(new Id("S"), "pressed", true)))));
    var found = (Verdict.Finding) Panel.judge(rule, "M", project);
    assertThat(found.trail().text()).contains("in the state 'wetting'");
  }
}
