package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.MinimumSection;
import nelvar.core.analysis.sizing.SectionChoice;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.analysis.sizing.VoltageDropLimit;
import nelvar.core.analysis.sizing.WireCarriesLoad;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.trail.Computed;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SizingTest {
  /// Worked examples by the tables of IEC 60204-1:2016 (from memory): 2.5 mm², B2, 45 °C, 4 cables:
  /// 17.4 · 0.91 · 0.65; 1.5 mm², B1, 50 °C, 6 circuits: 13.5 · 0.82 · 0.57; 25-core cable of 1
  /// mm², 24 loaded, B2, 40 °C: 10.1 · 0.40.
  @ParameterizedTest
  @CsvSource({
    "2.5,B2,45,4,3,10.2921",
    "1.5,B1,50,6,1,6.3099",
    "1,B2,40,1,24,4.04",
    "4,B2,40,4,3,14.95",
    "2.5,B2,40,4,3,11.31"
  })
  void ampacity(
      double section,
      InstallationMethod method,
      double air,
      int circuits,
      int cores,
      double amperes) {
    var computed =
        Ampacity.corrected(
            new CrossSection(section), method, new Temperature(air), circuits, cores);
    assertThat(computed.found().orElseThrow().value().amperes())
        .isCloseTo(amperes, within(amperes * 0.005));
  }

  /// The same wire by the 30 °C tables of IEC 60364-5-52 (from memory): 15.5 · 0.71 · 0.57 = 6.27
  /// A; the two schools agree within 1 %.
  @Test
  void theThirtyDegreeSchoolAgrees() {
    var forty =
        Ampacity.corrected(new CrossSection(1.5), InstallationMethod.B1, new Temperature(50), 6, 1)
            .found()
            .orElseThrow()
            .value()
            .amperes();
    assertThat(forty / (15.5 * 0.71 * 0.57)).isCloseTo(1, within(0.01));
  }

  @Test
  void offTheTablesNothingIsSaid() {
    assertThat(
            Ampacity.corrected(
                new CrossSection(2.5), InstallationMethod.B1, new Temperature(65), 1, 1))
        .isInstanceOfSatisfying(
            Computed.Missing.class, missing -> assertThat(missing.why()).contains("60 °C"));
    assertThat(
            Ampacity.corrected(
                new CrossSection(3), InstallationMethod.B1, new Temperature(40), 1, 1))
        .isInstanceOf(Computed.Missing.class);
    assertThat(
            Ampacity.corrected(
                new CrossSection(2.5), InstallationMethod.B1, new Temperature(40), 21, 1))
        .isInstanceOf(Computed.Missing.class);
    assertThat(
            Ampacity.corrected(
                new CrossSection(2.5), InstallationMethod.B2, new Temperature(40), 1, 25))
        .isInstanceOf(Computed.Missing.class);
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.75, 1.5, 2.5, 6, 16})
  void aWarmerRoomNeverRaisesAmpacity(double section) {
    var before = Double.MAX_VALUE;
    for (var air = 20; air <= 60; air++) {
      var now =
          Ampacity.corrected(
                  new CrossSection(section), InstallationMethod.C, new Temperature(air), 3, 1)
              .found()
              .orElseThrow()
              .value()
              .amperes();
      assertThat(now).isLessThanOrEqualTo(before);
      before = now;
    }
  }

  /// Worked examples, class 5 copper of IEC 60228 (from memory): 24 V, 5 A, 20 m, 1 mm²: 2 · 5 · 20
  /// · 0.0195 = 3.9 V = 16.25 % at 20 °C, 4.666 V at 70 °C; three-phase 400 V, 11.5 A, cosφ 0.83,
  /// 60 m, 2.5 mm² at 70 °C: 9.52 V with 0.08 mΩ/m (9.48 V without reactance).
  @Test
  void voltageDrop() {
    var cold =
        over(
                new CrossSection(1),
                new Length(20),
                new Current(5),
                new Voltage(24),
                2,
                1,
                new Temperature(20))
            .found()
            .orElseThrow();
    assertThat(cold.value().percent()).isCloseTo(16.25, within(0.001));
    var warm =
        over(
                new CrossSection(1),
                new Length(20),
                new Current(5),
                new Voltage(24),
                2,
                1,
                new Temperature(70))
            .found()
            .orElseThrow();
    assertThat(warm.value().fraction() * 24).isCloseTo(4.666, within(0.001));
    var three =
        over(
                new CrossSection(2.5),
                new Length(60),
                new Current(11.5),
                new Voltage(400),
                3,
                0.83,
                new Temperature(70))
            .found()
            .orElseThrow();
    assertThat(three.value().fraction() * 400).isCloseTo(9.52, within(0.005));
  }

  /// Worked example, shared return: 2, 1 and 0.5 A by own 10 m feeds of 1 mm², one common return of
  /// 10 m: at 20 °C load 1 loses 1.0725 V; at 70 °C × 1.1965 = 1.2832 V (the panel here takes warm
  /// wires).
  @Test
  void aSharedReturnLiftsAll() {
    var panel = Panel.dc().device("R", "block-minus-8").wire("R:1", "T:-", 1, 10);
    var pumps = new String[] {"A", "B", "C"};
    var loading = new double[] {200.0 / 3, 100.0 / 3, 50.0 / 3};
    for (var i = 0; i < 3; i++)
      panel
          .device(pumps[i], "pump-24v-3a")
          .works(loading[i], 100, 100)
          .wire("T:+", pumps[i] + ":+", 1, 10)
          .wire(pumps[i] + ":-", "R:" + (i + 2), 1, 0);
    var study = panel.study();
    var first =
        VoltageDrop.of(study.network().feeds(new Id("A")).getFirst(), study).found().orElseThrow();
    assertThat(first.value().fraction() * 24)
        .isCloseTo(1.0725 * (234.5 + 70) / 254.5, within(0.001));
    assertThat(first.trail().text()).contains("carries 3.5 A");
  }

  /// Above 16 mm² reactance counts: 25 mm², 100 m, three-phase, at 70 °C R = 78 mΩ · 1.1965 = 93.3
  /// mΩ, X = 8 mΩ; the motor's cosφ 0.8: R · 0.8 + X · 0.6 = 79.5 mΩ against 74.7 mΩ. Below, none.
  @ParameterizedTest
  @CsvSource({"25, 0.0795", "16, 0.1158"})
  void thickWiresLoseByTheirReactanceToo(double section, double ohms) {
    var study =
        Panel.mains()
            .device("M", "motor-1p5kw-230-400")
            .linked(nelvar.core.catalogue.Linkage.STAR)
            .wire("X0:L1", "M:U", section, 100)
            .wire("X0:L2", "M:V", section, 100)
            .wire("X0:L3", "M:W", section, 100)
            .study();
    var feed = study.network().feeds(new Id("M")).getFirst();
    var drop = VoltageDrop.of(feed, study).found().orElseThrow();
    var volts = drop.value().fraction() * feed.voltage().volts();
    assertThat(volts)
        .isCloseTo(Math.sqrt(3) * study.designCurrent(feed).amperes() * ohms, within(0.002));
    assertThat(drop.trail().text().contains("X · sinφ")).isEqualTo(section > 16);
  }

  /// 3 A on 0.75 mm² in a duct at 45 °C: Iz = 8.6 · 0.91 = 7.83 A (one circuit), K = 25 · (3/7.83)²
  /// = 3.67, so it warms to 45 + 3.67 · 279.5/(304.5 − 3.67) = 48.4 °C. At Iz it would reach 70 °C.
  @Test
  void aWireWarmsWithTheSquareOfItsCurrent() {
    var panel = pump(0.75, 1);
    var study = panel.study();
    var wire = study.project().conductors().getLast();
    var warm =
        nelvar.core.analysis.sizing.ConductorTemperature.of(wire, study).found().orElseThrow();
    assertThat(warm.value().celsius()).isCloseTo(48.41, within(0.05));
    assertThat(warm.trail().text()).contains("K = (Tc − Ta) · (Ib/Iz)²");
  }

  private static Panel pump(double section, double metres) {
    return Panel.dc()
        .device("M", "pump-24v-3a")
        .wire("T:+", "M:+", section, metres)
        .wire("M:-", "T:-", section, metres);
  }

  /// By hand at 70 °C: 2 · 3 A · l · 0.0195 · 1.19646 Ω/m = 5 % of 24 V = 1.2 V at l = 8.572 m.
  @Test
  void dropIsJudgedAtItsLimit() {
    assertThat(pump(1, 8.57).judge(new VoltageDropLimit(), "M")).isInstanceOf(Verdict.Pass.class);
    var finding = pump(1, 8.58).judge(new VoltageDropLimit(), "W5");
    assertThat(finding)
        .isInstanceOfSatisfying(
            Verdict.Finding.class,
            f -> {
              assertThat(f.trail().text()).contains("u = 5 % ≤ 5 %   does not hold");
              assertThat(f.proposals()).isNotEmpty();
              for (var repair : f.proposals())
                assertThat(
                        Panel.judge(
                            new VoltageDropLimit(),
                            "M",
                            repair.edit().apply(pump(1, 8.58).build())))
                    .isInstanceOf(Verdict.Pass.class);
            });
  }

  @Test
  void whereOneThickerWireIsNotEnoughAllWiresAreOffered() {
    var project = pump(0.75, 30).build();
    var finding = (Verdict.Finding) Panel.judge(new VoltageDropLimit(), "W5", project);
    assertThat(finding.proposals().getFirst().label()).startsWith("Make all wires to -M");
    assertThat(
            Panel.judge(
                new VoltageDropLimit(), "M", finding.proposals().getFirst().edit().apply(project)))
        .isInstanceOf(Verdict.Pass.class);
    assertThat(((Verdict.Finding) pump(0.75, 3000).judge(new VoltageDropLimit(), "W5")).proposals())
        .as("no wire cures three kilometres")
        .isEmpty();
  }

  @Test
  void withoutLengthOrSectionDropIsNotChecked() {
    var panel =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire(
                "T:+",
                "M:+",
                Conductor.Function.POWER,
                Optional.of(1.0),
                Optional.empty(),
                Optional.of("D"))
            .wire("M:-", "T:-", 1, 1);
    assertThat(panel.judge(new VoltageDropLimit(), "M"))
        .isInstanceOfSatisfying(
            Verdict.NotChecked.class,
            n -> assertThat(n.why()).isEqualTo("the length of W5 is not known yet"));
    var bare =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire(
                "T:+",
                "M:+",
                Conductor.Function.POWER,
                Optional.empty(),
                Optional.of(1.0),
                Optional.of("D"))
            .wire("M:-", "T:-", 1, 1);
    assertThat(bare.judge(new VoltageDropLimit(), "M")).isInstanceOf(Verdict.NotChecked.class);
    assertThat(bare.judge(new WireCarriesLoad(), "W5"))
        .isInstanceOfSatisfying(
            Verdict.NotChecked.class, n -> assertThat(n.why()).contains("section is not chosen"));
    assertThat(bare.judge(new MinimumSection(), "W5")).isInstanceOf(Verdict.NotChecked.class);
    var loose =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire(
                "T:+",
                "M:+",
                Conductor.Function.POWER,
                Optional.of(1.0),
                Optional.of(1.0),
                Optional.empty())
            .wire("M:-", "T:-", 1, 1);
    assertThat(loose.judge(new WireCarriesLoad(), "W5"))
        .isInstanceOfSatisfying(
            Verdict.NotChecked.class, n -> assertThat(n.why()).contains("not laid"));
  }

  /// 9.5 A (pump loading 317 %) on 1 mm² alone in a duct at 45 °C: 10.3 · 0.91 = 9.373 A.
  @Test
  void ampacityIsJudgedAtItsLimit() {
    assertThat(carrying(9.37).judge(new WireCarriesLoad(), "W5")).isInstanceOf(Verdict.Pass.class);
    var finding = carrying(9.38).judge(new WireCarriesLoad(), "W5");
    assertThat(finding)
        .isInstanceOfSatisfying(
            Verdict.Finding.class,
            f -> {
              assertThat(f.trail().text())
                  .contains("Iz = It · Ca · Cg = 10.3 A · 0.91 · 1 = 9.37 A");
              // The supply is the only protective device: the wire must stand its 20 A, 24 · 0.91 =
              // 21.8 A.
              assertThat(f.proposals().getFirst().label()).isEqualTo("Make W5 4 mm²");
              assertThat(
                      Panel.judge(
                          new WireCarriesLoad(),
                          "W5",
                          f.proposals().getFirst().edit().apply(carrying(9.38).build())))
                  .isInstanceOf(Verdict.Pass.class);
            });
  }

  private static Panel carrying(double amperes) {
    var panel = Panel.dc("supply-24v-20a", "breaker-1p-c10");
    for (var i = 0; i < 4; i++)
      panel.device("M" + i, "pump-24v-3a").works(amperes / 12 * 100, 100, 100);
    panel.device("P", "block-plus-8").device("N", "block-minus-8");
    panel.wire("T:+", "P:1", 1, 0.1).wire("N:1", "T:-", 10, 0.1);
    for (var i = 0; i < 4; i++)
      panel
          .wire("P:" + (i + 2), "M" + i + ":+", 10, 0.1)
          .wire("M" + i + ":-", "N:" + (i + 2), 10, 0.1);
    return panel;
  }

  /// IEC 60204-1 Table 5 (from memory): power inside 0.75 mm², single wire outside 1 mm², control
  /// inside 0.2 mm².
  @ParameterizedTest
  @CsvSource({
    "POWER,D,0.75,true",
    "POWER,D,0.5,false",
    "POWER,O,1,true",
    "POWER,O,0.75,false",
    "CONTROL,D,0.2,true",
    "CONTROL,O,1,true",
    "CONTROL,O,0.75,false",
    "DATA,D,0.14,true"
  })
  void leastSections(Conductor.Function function, String bundle, double section, boolean allowed) {
    var panel =
        Panel.dc()
            .bundle("O", InstallationMethod.B1, false)
            .device("M", "pump-24v-3a")
            .wire(
                "T:+", "M:+", function, Optional.of(section), Optional.of(1.0), Optional.of(bundle))
            .wire("M:-", "T:-", 1, 1);
    var verdict = panel.judge(new MinimumSection(), "W5");
    if (allowed) assertThat(verdict).isInstanceOf(Verdict.Pass.class);
    else
      assertThat(verdict)
          .isInstanceOfSatisfying(
              Verdict.Finding.class,
              f ->
                  assertThat(
                          Panel.judge(
                              new MinimumSection(),
                              "W5",
                              f.proposals().getFirst().edit().apply(panel.build())))
                      .isInstanceOf(Verdict.Pass.class));
  }

  @Test
  void aProposalPassesItsOwnRulesAndChoosingAgainChangesNothing() {
    var study = pump(0.75, 1).study();
    var wire = study.conductor(new Id("W5")).orElseThrow();
    var choice = SectionChoice.propose(wire, study).orElseThrow();
    var next =
        Panel.study(
            nelvar.core.analysis.sizing.Sections.change(wire, choice.value(), study)
                .apply(study.project()));
    assertThat(
            SectionChoice.propose(next.conductor(new Id("W5")).orElseThrow(), next)
                .orElseThrow()
                .value())
        .isEqualTo(choice.value());
    assertThat(Panel.judge(new WireCarriesLoad(), "W5", next.project()))
        .isInstanceOf(Verdict.Pass.class);
    assertThat(Panel.judge(new MinimumSection(), "W5", next.project()))
        .isInstanceOf(Verdict.Pass.class);
    assertThat(choice.trail().text()).endsWith("= " + choice.value());
  }

  /// Circuits loaded below 30 % of their grouped rating are left out of the count (IEC 60364-5-52,
  /// B.52.3, from memory).
  @Test
  void lightlyLoadedCompanyIsNotCounted() {
    var crowd =
        Panel.dc("supply-24v-20a", "breaker-1p-c10")
            .device("E", "electronic-8-4a")
            .wire("T:+", "E:+", 6, 1)
            .wire("E:0V", "T:-", 6, 1);
    for (var i = 1; i <= 6; i++)
      crowd
          .device("M" + i, "pump-24v-3a")
          .works(i <= 2 ? 100 : 10, 100, 100)
          .wire("E:" + i, "M" + i + ":+", 1.5, 1)
          .wire("M" + i + ":-", "T:-", 1.5, 1);
    var study = crowd.study();
    var iz = Ampacity.of(study.conductor(new Id("W7")).orElseThrow(), study).found().orElseThrow();
    assertThat(iz.trail().text())
        .contains("Cg")
        .doesNotContain("6 circuits")
        .doesNotContain("8 circuits");
  }

  /// What warms a duct are wires, not devices: three pumps with a pair of wires each, all behind
  /// nothing but their supply, are three circuits (IEC 60364-5-52:2009, note to Table B.52.17, from
  /// memory: n single wires are n/2 circuits of two).
  @Test
  void wiresAreCountedNotTheDevicesBeforeThem() {
    var panel = Panel.dc("supply-24v-20a", "breaker-1p-c10");
    for (var i = 1; i <= 3; i++)
      panel
          .device("M" + i, "pump-24v-3a")
          .wire("T:+", "M" + i + ":+", 0.75, 1)
          .wire("M" + i + ":-", "T:-", 0.75, 1);
    var study = panel.study();
    var iz = Ampacity.of(study.conductor(new Id("W7")).orElseThrow(), study).found().orElseThrow();
    assertThat(iz.trail().text()).contains("3 circuits");
  }

  /// A lead of a lamp, 0.34 mm² in no duct behind a breaker of 16 A: as a wire of the panel it is
  /// not checked; as the lead of its device no rule on wires asks for it, nor does choosing touch
  /// it, yet its drop counts and a short must not burn it. The file keeps it.
  @Test
  void aLeadIsItsMakersMatter() {
    var wire =
        Panel.dc("supply-24v-10a", "breaker-1p-c6")
            .device("H", "lamp-led-24v-10w")
            .wire("T:+", "H:+", 0.34, 2)
            .wire("H:-", "T:-", 1.5, 2)
            .build();
    var lead =
        nelvar.core.model.edit.Edits.leadOf(wire.conductors().getFirst(), Optional.of(new Id("H")))
            .change()
            .apply(wire);
    var id = wire.conductors().getFirst().id();
    for (var rule :
        java.util.List.of(
            new WireCarriesLoad(),
            new MinimumSection(),
            new nelvar.core.analysis.protection.DeviceAgainstWire())) {
      assertThat(rule.check(Panel.study(wire))).anyMatch(v -> v.subject().concerns(id));
      assertThat(rule.check(Panel.study(lead))).noneMatch(v -> v.subject().concerns(id));
    }
    var study = Panel.study(lead);
    var core = study.conductor(id).orElseThrow();
    assertThat(SectionChoice.propose(core, study)).isEmpty();
    assertThat(VoltageDrop.alone(core, study)).isPresent();
    assertThat(core.withEnds(core.from(), nelvar.core.model.TerminalRef.of("T:-")).leadOf())
        .isEmpty();
  }

  /// The third line of a motor is thinner and longer than the others: it decides.
  @Test
  void theWorstOfThreeLinesDecides() {
    var panel =
        Panel.mains()
            .device("M", "motor-1p5kw-230-400")
            .linked(nelvar.core.catalogue.Linkage.STAR)
            .wire("X0:L1", "M:U", 2.5, 10)
            .wire("X0:L2", "M:V", 2.5, 10)
            .wire("X0:L3", "M:W", 1.5, 20);
    var study = panel.study();
    var drop = VoltageDrop.of(study.network().feeds().getFirst(), study);
    var i = study.designCurrent(study.network().feeds().getFirst()).amperes();
    // 13.3 Ω/km of 1.5 mm² class 5 (IEC 60228, from memory), at 70 °C, √3 for a line
    var hand = Math.sqrt(3) * i * 0.0133 * 20 * (234.5 + 70) / 254.5 / 400;
    var pf = study.currents().drawn(study.network().feeds().getFirst()).powerFactor();
    assertThat(drop.found().orElseThrow().value().fraction()).isCloseTo(hand * pf, within(5e-4));
  }

  /// Gauge wires side by side share as their lengths too: 10 m beside 30 m take three quarters.
  @Test
  void gaugesSideBySideShareByLength() {
    var study =
        Panel.dc()
            .device("H", "lamp-led-24v-10w")
            .wire("T:+", "H:+", 2.5, 1)
            .wire("H:-", "T:-", 2.5, 1)
            .wire("H:-", "T:-", 2.5, 1)
            .build();
    var wires = new java.util.ArrayList<>(study.conductors());
    for (var k = 1; k <= 2; k++)
      wires.set(
          wires.size() - k,
          wires
              .get(wires.size() - k)
              .withSection(CrossSection.ofGauge(14))
              .withLength(new Length(k == 1 ? 30 : 10)));
    var next = Panel.study(study.withConductors(wires));
    var near = next.designCurrent(wires.get(wires.size() - 2)).amperes();
    var far = next.designCurrent(wires.getLast()).amperes();
    assertThat(near / (near + far)).isCloseTo(0.75, within(1e-6));
  }

  static Computed<Percent> over(
      CrossSection section,
      Length length,
      Current current,
      Voltage nominal,
      int lines,
      double powerFactor,
      Temperature temperature) {
    return VoltageDrop.over(
        new VoltageDrop.Run(
            section,
            nelvar.core.standards.MetricConductors.Strands.CLASS_5,
            length,
            current,
            nominal,
            lines,
            powerFactor,
            temperature,
            new nelvar.core.units.ResistancePerLength(0.00008),
            1));
  }
}
