package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.completeness.DesignationUnique;
import nelvar.core.analysis.completeness.LengthKnown;
import nelvar.core.analysis.completeness.LoadFed;
import nelvar.core.analysis.completeness.TerminalConnected;
import nelvar.core.analysis.earthing.ProtectiveConnection;
import nelvar.core.analysis.earthing.ProtectiveSection;
import nelvar.core.analysis.load.DriveAgainstMotor;
import nelvar.core.analysis.load.InletAgainstUpstream;
import nelvar.core.analysis.parts.CoilRange;
import nelvar.core.analysis.parts.CoilSuppression;
import nelvar.core.analysis.parts.SensorAgainstInput;
import nelvar.core.analysis.parts.SupplyVoltage;
import nelvar.core.analysis.supply.DeadShort;
import nelvar.core.analysis.supply.SupplyHeadroom;
import nelvar.core.analysis.supply.SupplyLoad;
import nelvar.core.analysis.supply.SupplyOverloaded;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.Place;
import nelvar.core.units.Current;
import nelvar.core.units.VoltageRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Each rule on the smallest panel that shows it: inside, outside, at the limit, what is missing,
/// and every repair taken.
class RulesTest {
  private static Verdict.Finding found(Rule rule, String subject, Panel panel) {
    var verdict = panel.judge(rule, subject);
    assertThat(verdict).isInstanceOf(Verdict.Finding.class);
    var finding = (Verdict.Finding) verdict;
    assertThat(finding.title()).isNotBlank();
    assertThat(finding.text()).endsWith(".");
    for (var repair : finding.proposals())
      assertThat(Panel.judge(rule, subject, repair.edit().apply(panel.build())))
          .as(repair.label())
          .isInstanceOf(Verdict.Pass.class);
    return finding;
  }

  private static void passes(Rule rule, String subject, Panel panel) {
    assertThat(panel.judge(rule, subject)).isInstanceOf(Verdict.Pass.class);
  }

  /// `pumps` pumps of 3 A, the last at `loading` %, on a 10 A supply.
  private static Panel pumps(int pumps, double loading) {
    var panel = Panel.dc();
    for (var i = 0; i < pumps; i++) {
      panel.device("M" + i, "pump-24v-3a");
      if (i == pumps - 1) panel.works(loading, 100, 100);
      panel.wire("T:+", "M" + i + ":+", 2.5, 1).wire("M" + i + ":-", "T:-", 2.5, 1);
    }
    return panel;
  }

  /// By hand: 3 + 3 + 2 = 8 A is 80 % of 10 A; 8.01 A is more; 10.01 A is overload.
  @Test
  void headroomAndOverload() {
    passes(new SupplyHeadroom(), "T", pumps(3, 200.0 / 3));
    var tight = found(new SupplyHeadroom(), "T", pumps(3, 67));
    assertThat(tight.proposals()).extracting(r -> r.label()).containsExactly("Use the 20 A supply");
    passes(new SupplyOverloaded(), "T", pumps(3, 67));
    passes(new SupplyOverloaded(), "T", pumps(4, 100.0 / 3));
    var over = found(new SupplyOverloaded(), "T", pumps(4, 33.7));
    assertThat(over.trail().text()).contains("does not hold");
    assertThat(over.proposals()).isNotEmpty();
    assertThat(new SupplyHeadroom().check(pumps(4, 33.7).study()))
        .as("one finding, not two")
        .isEmpty();
  }

  @Test
  void whereNoSupplyIsLargeEnoughNoneIsOffered() {
    var panel = Panel.dc("supply-24v-20a", "breaker-1p-c10");
    for (var i = 0; i < 8; i++)
      panel
          .device("M" + i, "pump-24v-3a")
          .wire("T:+", "M" + i + ":+", 2.5, 1)
          .wire("M" + i + ":-", "T:-", 2.5, 1);
    assertThat(found(new SupplyOverloaded(), "T", panel).proposals()).isEmpty();
  }

  /// Handbook load list for a 24 V bus, Σ n·I·g: 8 × 10 mA, 12 × 60 mA × 0.5, 4 × 208 mA × 0.75, 6
  /// × 0.5 A × 0.4, 1.2 A = 3.464 A.
  @Test
  void loadsAddUpWithTheirSimultaneity() {
    var range = VoltageRange.of(20, 28);
    var panel = Panel.dc();
    var amperes = new double[] {0.01, 0.06, 0.208, 0.5, 1.2};
    var count = new int[] {8, 12, 4, 6, 1};
    var together = new double[] {100, 50, 75, 40, 100};
    for (var kind = 0; kind < 5; kind++) {
      panel.part(
          new Sensor(
              "l" + kind,
              "load",
              nelvar.core.catalogue.Article.UNKNOWN,
              range,
              new Current(amperes[kind]),
              SensorOutput.CONTACT,
              java.util.Optional.empty()));
      for (var n = 0; n < count[kind]; n++)
        panel
            .device("L" + kind + "." + n, "l" + kind)
            .works(100, together[kind], 100)
            .wire("T:+", "L" + kind + "." + n + ":+", 1, 1)
            .wire("L" + kind + "." + n + ":-", "T:-", 1, 1);
    }
    var study = panel.study();
    var source =
        study.network().sources().stream()
            .filter(s -> s.device().id().text().equals("T"))
            .findFirst()
            .orElseThrow();
    var load = SupplyLoad.of(source, study);
    assertThat(load.value().amperes())
        .isCloseTo(3.464, org.assertj.core.api.Assertions.within(1e-9));
    assertThat(load.trail().text()).contains("Ib = Σ I · g = ").endsWith("= 3.46 A");
  }

  @Test
  void aDeadShortIsFound() {
    passes(new DeadShort(), "T", Panel.dc());
    assertThat(found(new DeadShort(), "T", Panel.dc().wire("T:+", "T:-", 1, 1)).text())
        .contains("+ and - of -T");
    found(
        new DeadShort(),
        "X0",
        Panel.mains()
            .device("Q", "main-switch-3p-25a")
            .wire("X0:L1", "Q:1", 6, 1)
            .wire("Q:2", "X0:N", 6, 1));
  }

  /// A contact that is closed at rest joins + and − as soon as its relay lets go; one that is open
  /// then joins nothing then.
  @Test
  void aShortThroughAContactAtRestIsFound() {
    var relay = Panel.dc().device("K", "relay-6a-24vdc").wire("T:+", "K:11", 1, 1);
    passes(new DeadShort(), "T", relay);
    assertThat(found(new DeadShort(), "T", relay.wire("K:12", "T:-", 1, 1)).text())
        .startsWith("With every relay and contactor let go")
        .contains("+ and - of -T");
    assertThat(found(new DeadShort(), "T", relay.wire("K:14", "T:-", 1, 1)).text())
        .startsWith("Wires and contacts that are closed in work");
  }

  @Test
  void theInletStaysWithinItsUpstreamDevice() {
    passes(new InletAgainstUpstream(), "X0", pumps(3, 100));
    var small =
        pumps(3, 100)
            .brief(b ->
                new Brief(
                    new Brief.Supply(
                        b.supply().voltage(),
                        b.supply().frequency(),
                        b.supply().earthing(),
                        new Current(1),
                        Optional.empty(),
                        Optional.empty()),
                    b.surroundings(),
                    b.policies()));
    assertThat(found(new InletAgainstUpstream(), "X0", small).text()).contains("rated 1 A");
  }

  private static Panel drive(String drive, String motor, Linkage linkage) {
    return Panel.mains()
        .device("U", drive)
        .device("M", motor)
        .linked(linkage)
        .wire("X0:L1", "U:L", 1.5, 1)
        .wire("U:N", "X0:N", 1.5, 1)
        .wire("U:U", "M:U", 1.5, 5)
        .wire("U:V", "M:V", 1.5, 5)
        .wire("U:W", "M:W", 1.5, 5);
  }

  /// A 230/400 V motor on a drive that gives 3×230 V is linked in delta; in star it lacks 130 V of
  /// 360 V.
  @Test
  void aMotorIsLinkedForItsDrive() {
    passes(
        new SupplyVoltage(),
        "M",
        drive("drive-1ph-230-0p37kw", "motor-0p25kw-230-400", Linkage.DELTA));
    var star =
        found(
            new SupplyVoltage(),
            "M",
            drive("drive-1ph-230-0p37kw", "motor-0p25kw-230-400", Linkage.STAR));
    assertThat(star.text()).contains("130 V too little");
    assertThat(star.proposals()).extracting(r -> r.label()).containsExactly("Link -M in delta");
  }

  /// 0.55 kW in delta takes 2.51 A: more than the 2.4 A of the 0.37 kW drive; the 0.75 kW one gives
  /// 4.2 A.
  @Test
  void aDriveSuitsItsMotor() {
    passes(
        new DriveAgainstMotor(),
        "U",
        drive("drive-1ph-230-0p37kw", "motor-0p37kw-230-400", Linkage.DELTA));
    var small =
        found(
            new DriveAgainstMotor(),
            "U",
            drive("drive-1ph-230-0p37kw", "motor-0p55kw-230-400", Linkage.DELTA));
    assertThat(small.proposals()).hasSize(1);
  }

  private static Panel sensor(String part, String supply) {
    return Panel.dc(supply, "breaker-1p-c6")
        .device("B", part)
        .device("A", "motion-controller-3ax")
        .control("T:+", "B:+", 0.34, 4)
        .control("B:-", "T:-", 0.34, 4)
        .control("B:OUT", "A:DI1", 0.34, 4);
  }

  @Test
  void aSensorGetsItsVoltage() {
    passes(new SupplyVoltage(), "B", sensor("photo-eye-pnp", "supply-12v-5a"));
    assertThat(found(new SupplyVoltage(), "B", sensor("photo-eye-pnp", "supply-48v-5a")).text())
        .contains("18 V too much");
    assertThat(
            found(new SupplyVoltage(), "B", sensor("pulse-pickup-5v", "supply-24v-5a")).proposals())
        .hasSize(1);
    assertThat(found(new SupplyVoltage(), "B", sensor("photo-eye-pnp", "supply-5v-5a")).text())
        .contains("5 V too little");
  }

  @Test
  void aSensorSuitsItsInput() {
    passes(new SensorAgainstInput(), "B", sensor("photo-eye-pnp", "supply-24v-5a"));
    assertThat(
            found(new SensorAgainstInput(), "B", sensor("inductive-m12-npn", "supply-24v-5a"))
                .proposals())
        .extracting(r -> r.label())
        .containsExactly("Change -B to inductive sensor M12, 10–30 V, sourcing (PNP)");
    found(new SensorAgainstInput(), "B", sensor("load-cell-amplifier", "supply-24v-5a"));
    assertThat(new SensorAgainstInput().check(Panel.dc().device("B", "photo-eye-pnp").study()))
        .as("not wired to an input: nothing to say")
        .isEmpty();
  }

  private static Panel coil(String relay, String supply, double section, double metres) {
    return Panel.dc(supply, "breaker-1p-c6")
        .device("K", relay)
        .control("T:+", "K:A1", section, metres)
        .control("K:A2", "T:-", section, metres);
  }

  /// Contactor 24 V, 4.5 W: 128 Ω; at 85 %, 20.4 V, it takes 0.159 A and 3.6 V may be lost: on 0.75
  /// mm² at 70 °C (31.1 mΩ/m) 363 m one way.
  @ParameterizedTest
  @CsvSource({"362,true", "365,false"})
  void aCoilPullsInAtTheEndOfItsWires(double metres, boolean holds) {
    var panel = coil("contactor-3p-9a-24vdc", "supply-24v-10a", 0.75, metres);
    if (holds) passes(new CoilRange(), "K", panel);
    else assertThat(found(new CoilRange(), "K", panel).title()).isEqualTo("Coil voltage too low");
  }

  @Test
  void aCoilIsMadeForItsVoltage() {
    passes(new CoilRange(), "K", coil("relay-6a-12vdc", "supply-12v-5a", 1, 1));
    assertThat(
            found(new CoilRange(), "K", coil("relay-6a-12vdc", "supply-24v-5a", 1, 1)).proposals())
        .hasSize(1);
    assertThat(found(new CoilRange(), "K", coil("relay-6a-48vdc", "supply-24v-5a", 1, 1)).text())
        .contains("14.4 V too little");
    var unknown =
        Panel.dc()
            .device("K", "relay-6a-24vdc")
            .wire(
                "T:+",
                "K:A1",
                Conductor.Function.CONTROL,
                Optional.of(1.0),
                Optional.empty(),
                Optional.of("D"))
            .control("K:A2", "T:-", 1, 1);
    assertThat(unknown.judge(new CoilRange(), "K")).isInstanceOf(Verdict.NotChecked.class);
  }

  @Test
  void aCoilIsSuppressed() {
    passes(new CoilSuppression(), "K", Panel.mains().device("K", "relay-6a-24vdc").suppressed());
    found(new CoilSuppression(), "K", Panel.mains().device("K", "valve-24vdc-4w8"));
    assertThat(new CoilSuppression().check(Panel.mains().study())).isEmpty();
  }

  @Test
  void whatCanBecomeLiveIsBonded() {
    passes(new ProtectiveConnection(), "T", Panel.dc());
    var bar =
        Panel.mains()
            .device("P", "block-protective-8")
            .protective("X0:PE", "P:1", 6)
            .device("C", "enclosure-600x800x250")
            .protective("P:2", "C:PE", 6)
            .wire("X0:L1", "X0:L2", 6, 1);
    var door = found(new ProtectiveConnection(), "C", bar);
    assertThat(door.title()).isEqualTo("Door not bonded");
    assertThat(door.proposals())
        .extracting(r -> r.label())
        .containsExactly("Bond -C:DOOR with 6 mm²");
    var noBar = found(new ProtectiveConnection(), "T", Panel.mains().device("T", "supply-24v-5a"));
    assertThat(noBar.proposals()).as("no free way on a PE bar, nothing to offer").isEmpty();
    var notEarthedBar =
        Panel.mains()
            .device("P", "block-protective-8")
            .device("T", "supply-24v-5a")
            .protective("P:1", "T:PE", 2.5);
    found(new ProtectiveConnection(), "T", notEarthedBar);
  }

  /// Supply fed by 2.5 mm²: its PE has 2.5 mm²; the thicker output wires do not count.
  @ParameterizedTest
  @CsvSource({"2.5,true", "1.5,false"})
  void aProtectiveConductorIsThickEnough(double section, boolean holds) {
    var panel =
        Panel.mains()
            .device("T", "supply-24v-10a")
            .wire("X0:L1", "T:L", 2.5, 1)
            .wire("T:N", "X0:N", 2.5, 1)
            .wire("T:+", "T:+".replace("+", "-"), 10, 1)
            .protective("X0:PE", "T:PE", section);
    if (holds) passes(new ProtectiveSection(), "W4", panel);
    else assertThat(found(new ProtectiveSection(), "W4", panel).proposals()).hasSize(1);
  }

  @Test
  void aLoneProtectiveWireHasFourSquareMillimetres() {
    var panel =
        Panel.mains()
            .device("C", "enclosure-600x800x250")
            .wire("X0:L1", "X0:L2", 2.5, 1)
            .wire(
                "X0:PE",
                "C:PE",
                Conductor.Function.PROTECTIVE,
                Optional.of(2.5),
                Optional.of(1.0),
                Optional.empty());
    assertThat(found(new ProtectiveSection(), "W2", panel).text()).contains("needs 4 mm²");
    assertThat(
            Panel.mains()
                .device("C", "enclosure-600x800x250")
                .protective("X0:PE", "C:PE", 6)
                .judge(new ProtectiveSection(), "W1"))
        .as("no line says how thick")
        .isInstanceOf(Verdict.NotChecked.class);
  }

  @Test
  void loadsAreFed() {
    passes(
        new LoadFed(),
        "M",
        Panel.dc().device("M", "pump-24v-3a").wire("T:+", "M:+", 1, 1).wire("M:-", "T:-", 1, 1));
    assertThat(found(new LoadFed(), "M", Panel.dc().device("M", "pump-24v-3a")).title())
        .isEqualTo("Not fed");
    assertThat(
            found(
                    new LoadFed(),
                    "M",
                    Panel.dc().device("M", "pump-24v-3a").wire("T:+", "M:+", 1, 1))
                .title())
        .isEqualTo("No way back");
  }

  @Test
  void neededTerminalsAreConnected() {
    assertThat(
            found(
                    new TerminalConnected(),
                    "B",
                    Panel.dc()
                        .device("B", "photo-eye-pnp")
                        .wire("T:+", "B:+", 1, 1)
                        .wire("B:-", "T:-", 1, 1))
                .proposals())
        .hasSize(1);
    assertThat(
            found(
                    new TerminalConnected(),
                    "M",
                    Panel.dc().device("M", "pump-24v-3a").wire("T:+", "M:+", 1, 1))
                .proposals())
        .as("a pump whose way back is left open on purpose is silent, and still")
        .isEmpty();
    assertThat(
            found(new TerminalConnected(), "M", Panel.dc().device("M", "pump-24v-3a")).proposals())
        .as("two open terminals are no choice of one")
        .isEmpty();
    passes(
        new TerminalConnected(),
        "K",
        Panel.dc()
            .device("K", "relay-6a-24vdc")
            .wire("T:+", "K:A1", 1, 1)
            .wire("K:A2", "T:-", 1, 1));
  }

  @Test
  void wiresHaveALength() {
    passes(new LengthKnown(), "W1", Panel.dc());
    assertThat(
            found(
                    new LengthKnown(),
                    "W1",
                    Panel.mains()
                        .device("T", "supply-24v-5a")
                        .wire(
                            "X0:L1",
                            "T:L",
                            Conductor.Function.POWER,
                            Optional.of(1.0),
                            Optional.empty(),
                            Optional.of("D")))
                .proposals())
        .isEmpty();
    passes(
        new LengthKnown(),
        "W1",
        Panel.mains()
            .bundle("O", nelvar.core.standards.InstallationMethod.E, false)
            .device("E", "heater-30w-230v", Place.MACHINE)
            .cable("C", "cable-3x1", 4, "O", 1, "X0:L1", "E:L"));
  }

  @Test
  void designationsStandOnce() {
    passes(
        new DesignationUnique(),
        "A",
        Panel.mains().device("A", "pump-24v-3a").device("B", "pump-24v-3a"));
    var twice =
        found(
            new DesignationUnique(),
            "B",
            Panel.mains()
                .device("A", "pump-24v-3a")
                .called("-M1")
                .device("B", "pump-24v-3a")
                .called("-M1"));
    assertThat(twice.proposals()).extracting(r -> r.label()).containsExactly("Rename -M1 to -M2");
  }

  @Test
  void rulesOfAnEmptyPanelAreSilentOrFineAndNeverFail() {
    for (var rule : nelvar.core.review.RuleBook.ALL) {
      for (var verdict : rule.check(Panel.mains().study()).toList())
        assertThat(verdict).as(rule.id()).isNotNull();
      var empty =
          nelvar.core.model.Project.empty("", "", nelvar.core.sample.NewProject.usualBrief());
      assertThat(rule.check(Panel.study(empty))).as(rule.id()).isEmpty();
    }
  }
}
