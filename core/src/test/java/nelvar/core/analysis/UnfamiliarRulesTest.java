package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.Panel;
import nelvar.core.analysis.earthing.FloatingZeroVolt;
import nelvar.core.analysis.earthing.ResidualCharge;
import nelvar.core.analysis.load.DriveSetCurrent;
import nelvar.core.analysis.parts.ClosesOntoCapacitors;
import nelvar.core.analysis.protection.BankWithoutDevice;
import nelvar.core.analysis.protection.BreakingCapacity;
import nelvar.core.analysis.stop.StartsByItself;
import nelvar.core.analysis.stop.StopReadOnly;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.review.RuleBook;
import org.junit.jupiter.api.Test;

/// What machines on linear supplies, boards and sockets brought to light, each on the smallest
/// panel that shows it.
final class UnfamiliarRulesTest {
  private static Verdict.Finding found(Rule rule, String subject, Panel panel) {
    var verdict = panel.judge(rule, subject);
    assertThat(verdict).isInstanceOf(Verdict.Finding.class);
    return (Verdict.Finding) verdict;
  }

  private static void passes(Rule rule, String subject, Panel panel) {
    assertThat(panel.judge(rule, subject)).isInstanceOf(Verdict.Pass.class);
  }

  private static Panel winding() {
    return Panel.mains()
        .device("T", "transformer-250va-230-24")
        .wire("X0:L1", "T:1", 1.5, 1)
        .wire("T:2", "X0:N", 1.5, 1)
        .device("B", "rectifier-24vac-10a-22mf");
  }

  private static Panel drive(Panel panel, String plus) {
    return panel
        .device("U", "stepper-drive-50v-5a")
        .wire(plus, "U:+", 1.5, 0.5)
        .wire("U:-", "B:-", 1.5, 0.5);
  }

  /// A fuse between winding and bridge, or one before every load, is a device; the primary's is
  /// not.
  @Test
  void aBankWantsADevice() {
    var bare = winding().wire("T:3", "B:~1", 2.5, 0.5).wire("T:4", "B:~2", 2.5, 0.5);
    found(new BankWithoutDevice(), "B", drive(bare, "B:+"));
    var before =
        winding()
            .device("F", "fuse-1p-gg4")
            .wire("T:3", "F:1", 2.5, 0.5)
            .wire("F:2", "B:~1", 2.5, 0.5)
            .wire("T:4", "B:~2", 2.5, 0.5);
    passes(new BankWithoutDevice(), "B", drive(before, "B:+"));
    var behind =
        winding()
            .wire("T:3", "B:~1", 2.5, 0.5)
            .wire("T:4", "B:~2", 2.5, 0.5)
            .device("F", "fuse-1p-gg4")
            .wire("B:+", "F:1", 2.5, 0.5);
    passes(new BankWithoutDevice(), "B", drive(behind, "F:2"));
  }

  /// A relay contact between bank and drive: 32 V over 1 m of 1.5 mm² (13 mΩ), contact and
  /// capacitor are above 500 A. Behind an electronic supply the same contact is fine.
  @Test
  void aContactClosesOntoCapacitors() {
    var panel =
        winding()
            .wire("T:3", "B:~1", 2.5, 0.5)
            .wire("T:4", "B:~2", 2.5, 0.5)
            .device("K", "relay-6a-24vdc")
            .wire("B:+", "K:11", 1.5, 0.5);
    var finding = found(new ClosesOntoCapacitors(), "U", drive(panel, "K:14"));
    assertThat(finding.text()).contains("-K").contains("-U");
    var electronic =
        Panel.dc("supply-48v-10a", "breaker-1p-c6")
            .device("K", "relay-6a-24vdc")
            .wire("T:+", "K:11", 1.5, 0.5)
            .device("U", "stepper-drive-50v-5a")
            .wire("K:14", "U:+", 1.5, 0.5)
            .wire("U:-", "T:-", 1.5, 0.5);
    passes(new ClosesOntoCapacitors(), "U", electronic);
    var charged =
        electronic
            .device("C", "bus-capacitors-22mf-63v")
            .wire("T:+", "C:+", 1.5, 0.5)
            .wire("C:-", "T:-", 1.5, 0.5);
    assertThat(found(new ClosesOntoCapacitors(), "U", charged).text()).contains("stand some 15 A");
  }

  /// A glass fuse that breaks 600 A behind a bank of 22 mF at 35 V and mains at 1.05: 14.9 J, and
  /// over 10 mΩ of the capacitor and 12 mΩ of two wires of 0.5 m more than a kiloampere at first.
  /// One that breaks 50 kA is fine.
  @Test
  void aBankBurstsAGlassFuse() {
    var glass = found(new BreakingCapacity(), "F", behindBank(6000, 600));
    assertThat(glass.title()).as(glass.text()).isEqualTo("Capacitors can burst it");
    assertThat(glass.text()).contains("14.9 J", "600 A");
    passes(new BreakingCapacity(), "F", behindBank(6000, 50_000));
    // Nothing is known of the site: what the capacitors give is.
    var unknown =
        behindBank(6000, 600)
            .brief(b ->
                new nelvar.core.model.Brief(
                    new nelvar.core.model.Brief.Supply(
                        b.supply().voltage(),
                        b.supply().frequency(),
                        b.supply().earthing(),
                        b.supply().upstream(),
                        java.util.Optional.empty(),
                        java.util.Optional.empty()),
                    b.surroundings(),
                    b.policies()));
    assertThat(found(new BreakingCapacity(), "F", unknown).title())
        .isEqualTo("Capacitors can burst it");
    // For long only what the winding drives: 24 V behind some 0.2 Ω of its own, 0.9 of it
    // rectified.
    var study = behindBank(6000, 600).study();
    var steady =
        study
            .greatestFault()
            .between(
                nelvar.core.model.TerminalRef.of("B:+"), nelvar.core.model.TerminalRef.of("B:-"));
    var shorted =
        study
            .engine()
            .solve(
                nelvar.core.network.WhatIf.AS_DESIGNED.with(
                    new nelvar.core.network.Disturbance.Bridge(
                        nelvar.core.model.TerminalRef.of("B:+"),
                        nelvar.core.model.TerminalRef.of("B:-"))),
                nelvar.core.network.Conditions.usual(new nelvar.core.units.Temperature(20)));
    assertThat(steady.orElseThrow().current().amperes())
        .isCloseTo(
            1.05 * shorted.shorts().getFirst().current().orElseThrow().rms(),
            org.assertj.core.data.Percentage.withPercentage(10));
  }

  private static Panel behindBank(double site, double breaks) {
    return drive(
        winding()
            .siteShortCircuit(site)
            .part(
                new nelvar.core.catalogue.FuseHolder(
                    "glass",
                    "Fuse",
                    nelvar.core.catalogue.Article.UNKNOWN,
                    1,
                    new nelvar.core.units.Current(4),
                    new nelvar.core.units.Current(breaks),
                    java.util.Optional.of(nelvar.core.standards.FuseClass.GG)))
            .wire("T:3", "B:~1", 2.5, 0.5)
            .wire("T:4", "B:~2", 2.5, 0.5)
            .device("F", "glass")
            .wire("B:+", "F:1", 1.5, 0.5),
        "F:2");
  }

  private static Panel board() {
    return Panel.dc()
        .device("A", "motion-controller-3ax")
        .wire("T:+", "A:+", 0.75, 1)
        .wire("A:-", "T:-", 0.75, 1)
        .device("S", "stop-button-2nc");
  }

  /// Read by an input alone the stop is a program's; breaking a coil it is a stop.
  @Test
  void aStopThatOnlyAProgramReads() {
    var read = board().wire("T:+", "S:11", 0.75, 1).wire("S:12", "A:DI1", 0.75, 1);
    assertThat(found(new StopReadOnly(), "S", read).severity()).isEqualTo(Severity.ERROR);
    var breaks =
        board()
            .wire("T:+", "S:11", 0.75, 1)
            .wire("S:12", "A:DI1", 0.75, 1)
            .wire("T:+", "S:21", 0.75, 1)
            .device("K", "contactor-3p-9a-24vdc")
            .wire("S:22", "K:A1", 0.75, 1)
            .wire("K:A2", "T:-", 0.75, 1);
    passes(new StopReadOnly(), "S", breaks);
  }

  /// A pump on the supply starts with it; one behind a relay that a program switches does not.
  @Test
  void aMotorThatStartsByItself() {
    var direct =
        Panel.dc().device("M", "pump-24v-3a").wire("T:+", "M:+", 1.5, 1).wire("M:-", "T:-", 1.5, 1);
    found(new StartsByItself(), "M", direct);
    var programmed =
        board()
            .device("K", "relay-6a-24vdc")
            .wire("T:+", "K:A1", 0.75, 1)
            .wire("K:A2", "A:Q1", 0.75, 1)
            .device("M", "pump-24v-3a")
            .wire("T:+", "K:11", 1.5, 1)
            .wire("K:14", "M:+", 1.5, 1)
            .wire("M:-", "T:-", 1.5, 1);
    passes(new StartsByItself(), "M", programmed);
  }

  /// 22 mF through 470 Ω, 10.3 s, charged without load and the mains high: below 60 V within 5 s,
  /// but more than 25 V then: advice with the times.
  @Test
  void chargeIsJudgedByTheTimeAPersonWaits() {
    var bare =
        Panel.mains()
            .device("T", "toroid-500va-230-36-9")
            .wire("X0:L1", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1)
            .device("B", "rectifier-48vac-10a-22mf")
            .wire("T:3", "B:~1", 2.5, 0.5)
            .wire("T:4", "B:~2", 2.5, 0.5);
    var finding = found(new ResidualCharge(), "B", bare);
    assertThat(finding.severity()).isEqualTo(Severity.ADVICE);
    assertThat(finding.text()).contains("below 25 V after").contains("below 5 V after");
  }

  /// A drive of 5 A on a motor of 3 A is fine set to 3 A, and too much at 4.5 A: (4.5/3)² = 225 %.
  @Test
  void aLargerDriveSetRightIsFine() {
    var panel = winding().wire("T:3", "B:~1", 2.5, 0.5).wire("T:4", "B:~2", 2.5, 0.5);
    passes(new DriveSetCurrent(), "M", axis(panel, 3));
    var other = winding().wire("T:3", "B:~1", 2.5, 0.5).wire("T:4", "B:~2", 2.5, 0.5);
    assertThat(found(new DriveSetCurrent(), "M", axis(other, 4.5)).text()).contains("225 %");
  }

  private static Panel axis(Panel panel, double amperes) {
    panel
        .device("U", "stepper-drive-50v-5a")
        .setTo(amperes)
        .wire("B:+", "U:+", 1.5, 0.5)
        .wire("U:-", "B:-", 1.5, 0.5)
        .device("M", "stepper-motor-3a");
    for (var end : java.util.List.of("A+", "A-", "B+", "B-"))
      panel.wire("U:" + end, "M:" + end, 1, 1);
    return panel;
  }

  /// A bus for axes above 60 V is no extra-low voltage any more: it is asked for its bond.
  @Test
  void aHighBusWantsItsBond() {
    var panel =
        Panel.mains()
            .part(
                nelvar.core.file.PartProperties.with(
                        nelvar.core.file.PartProperties.copy(
                            nelvar.core.file.CatalogueFile.standard()
                                .find("transformer-250va-230-24")
                                .orElseThrow(),
                            "to-48",
                            "Transformer to 48 V"),
                        "secondary",
                        "48 V")
                    .orThrow())
            .device("T", "to-48")
            .wire("X0:L1", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1)
            .device("B", "rectifier-48vac-10a-22mf")
            .wire("T:3", "B:~1", 2.5, 0.5)
            .wire("T:4", "B:~2", 2.5, 0.5)
            .device("U", "stepper-drive-80v-7a")
            .wire("B:+", "U:+", 1.5, 0.5)
            .wire("U:-", "B:-", 1.5, 0.5);
    found(new FloatingZeroVolt(), "B", panel);
    passes(new FloatingZeroVolt(), "B", panel.protective("X0:PE", "B:-", 2.5));
  }

  /// Every rule belongs to a part of the work.
  @Test
  void everyRuleHasItsJob() {
    assertThat(RuleBook.ALL).allMatch(rule -> rule.job() != null);
  }

  /// Four supplies of 40 A peak each on one line: 160 A peak are 113 A r.m.s., above the 48 A that
  /// B16 lets pass for certain and the 80 A of C16 (IEC 60898-1:2015, Table 7, unchecked); one
  /// alone, 28 A, is within both.
  @Test
  void allAtOnceMayOpenTheDeviceBeforeTheInlet() {
    assertThat(upstream(1)).isInstanceOf(Verdict.Pass.class);
    var four = (Verdict.Finding) upstream(4);
    assertThat(four.severity()).isEqualTo(nelvar.core.finding.Severity.ADVICE);
    assertThat(four.text()).contains("160 A", "B device of 16 A lets only 48 A", "80 A");
    assertThat(((Verdict.Finding) upstream(2)).text())
        .as("56.6 A: C16 stands it")
        .contains("see that the outlet has a C device");
  }

  private static Verdict upstream(int supplies) {
    var panel = Panel.mains();
    for (var i = 1; i <= supplies; i++)
      panel
          .device("E" + i, "computer-desk-150w")
          .wire("X0:L1", "E" + i + ":L", 1, 1)
          .wire("E" + i + ":N", "X0:N", 1, 1);
    return new nelvar.core.analysis.protection.InrushBeforeInlet()
        .check(panel.study())
        .findFirst()
        .orElseThrow();
  }

  /// A supply with plug and cord needs no device of its own behind an outlet; wired like any other
  /// it does.
  @Test
  void aSupplyWithPlugAndCordIsMadeForAnOutlet() {
    var rule = new nelvar.core.analysis.protection.OwnDevice();
    var project =
        Panel.mains()
            .device("T", "supply-24v-3a-class2")
            .wire("X0:L1", "T:L", 0.75, 1.5)
            .wire("T:N", "X0:N", 0.75, 1.5)
            .build();
    assertThat(Panel.judge(rule, "T", project)).isInstanceOf(Verdict.Finding.class);
    var plugged = project;
    for (var wire : project.conductors())
      plugged =
          nelvar.core.model.edit.Edits.leadOf(
                  wire, java.util.Optional.of(new nelvar.core.model.Id("T")))
              .apply(plugged);
    assertThat(Panel.judge(rule, "T", plugged)).isInstanceOf(Verdict.Pass.class);
  }

  /// Two secondaries are one transformer: the fuse before it is its own.
  @Test
  void aToroidOfTwoSecondariesHasOneDevice() {
    var panel =
        Panel.mains()
            .device("F", "fuse-1p-gg4")
            .device("T", "toroid-500va-230-36-9")
            .wire("X0:L1", "F:1", 1.5, 1)
            .wire("F:2", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1);
    passes(new nelvar.core.analysis.protection.BareTransformer(), "T", panel);
  }

  /// A board of 2 A drives a motor of 3 A with 2 A and no more: two thirds of its torque, no trip;
  /// two axes take 2 · 2 · 2 A · 0.67 of the bus at the most.
  @Test
  void aChopperGivesNoMoreThanItCan() {
    var panel =
        Panel.dc("supply-24v-10a", "breaker-1p-c6")
            .device("A", "board-4-axes-24v-2a")
            .wire("T:+", "A:+", 1.5, 0.5)
            .wire("A:-", "T:-", 1.5, 0.5)
            .device("M", "stepper-motor-3a")
            .wire("A:1A+", "M:A+", 0.5, 1)
            .wire("A:1A-", "M:A-", 0.5, 1)
            .wire("A:1B+", "M:B+", 0.5, 1)
            .wire("A:1B-", "M:B-", 0.5, 1);
    var drive = found(new nelvar.core.analysis.load.DriveAgainstMotor(), "A", panel);
    assertThat(drive.severity()).isEqualTo(Severity.WARNING);
    assertThat(drive.text()).contains("gives 2 A at the most");
    var study = panel.study();
    for (var feed : study.network().feeds(new nelvar.core.model.Id("M")))
      assertThat(study.designCurrent(feed).amperes()).isEqualTo(2);
    assertThat(study.asDesigned().outputs())
        .filteredOn(output -> output.device().id().text().equals("A") && output.on())
        .allMatch(output -> output.current().amperes() < 2.001);
  }

  /// A motor linked for too high a voltage on a drive nobody starts: linking it is offered, though
  /// only then it can be asked how many volts reach it.
  @Test
  void aWayOutMayRaiseAQuestionOfItsOwnThing() {
    var panel =
        Panel.mains()
            .device("F", "breaker-2p-b10")
            .device("U", "drive-1ph-230-0p37kw")
            .device("M", "motor-0p37kw-230-400")
            .linked(nelvar.core.catalogue.Linkage.STAR)
            .wire("X0:L1", "F:1", 2.5, 1)
            .wire("F:2", "U:L", 2.5, 1)
            .wire("X0:N", "F:3", 2.5, 1)
            .wire("F:4", "U:N", 2.5, 1)
            .wire("U:U", "M:U", 2.5, 1)
            .wire("U:V", "M:V", 2.5, 1)
            .wire("U:W", "M:W", 2.5, 1);
    var catalogue = nelvar.core.file.CatalogueFile.standard();
    var review = nelvar.core.review.Review.of(panel.build(), catalogue).tried(catalogue);
    var entry =
        review.open().stream()
            .filter(e -> e.rule().id().equals("parts.supply-voltage"))
            .findFirst()
            .orElseThrow();
    assertThat(review.waysOut(entry)).extracting(r -> r.label()).contains("Link -M in delta");
  }

  /// A drive without mains reads nothing: its run input, which a live one reads as on when it is
  /// pulled to minus, is off.
  @Test
  void aDeadDriveReadsNothing() {
    var panel =
        Panel.mains()
            .device("F", "breaker-2p-b10")
            .device("U", "drive-1ph-230-0p37kw")
            .wire("X0:L1", "F:1", 2.5, 1)
            .wire("F:2", "U:L", 2.5, 1)
            .wire("X0:N", "F:3", 2.5, 1)
            .wire("F:4", "U:N", 2.5, 1);
    var run = new nelvar.core.network.ActuatorRef(new nelvar.core.model.Id("U"), "run");
    var off =
        panel
            .study()
            .engine()
            .solve(
                nelvar.core.network.WhatIf.AS_DESIGNED.togglingProtection(
                    new nelvar.core.model.Id("F")),
                nelvar.core.network.Conditions.usual(new nelvar.core.units.Temperature(20)));
    assertThat(off.circuitry().actuatorRefs()).contains(run);
    assertThat(off.on(run)).isFalse();
  }

  /// Two windings side by side on one chopper of 3 A have 1.5 A each, on paper as solved.
  @Test
  void windingsSideBySideShareOnPaperAsSolved() {
    var panel =
        Panel.dc("supply-48v-10a", "breaker-1p-c6")
            .device("U", "stepper-drive-50v-5a")
            .setTo(3)
            .wire("T:+", "U:+", 1.5, 0.5)
            .wire("U:-", "T:-", 1.5, 0.5);
    for (var motor : java.util.List.of("M1", "M2"))
      panel
          .device(motor, "stepper-motor-3a")
          .wire("U:A+", motor + ":A+", 0.75, 1)
          .wire("U:A-", motor + ":A-", 0.75, 1);
    var study = panel.study();
    var winding =
        study.network().feeds(new nelvar.core.model.Id("M1")).stream()
            .filter(feed -> feed.intake().lines().getFirst().equals("A+"))
            .findFirst()
            .orElseThrow();
    assertThat(study.designCurrent(winding).amperes()).isEqualTo(1.5);
    assertThat(study.asDesigned().outputs())
        .filteredOn(output -> output.device().id().text().equals("U") && output.on())
        .anyMatch(output -> Math.abs(output.current().amperes() - 3) < 0.05);
  }
}
