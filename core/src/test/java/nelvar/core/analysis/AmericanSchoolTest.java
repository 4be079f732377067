package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nelvar.core.Panel;
import nelvar.core.analysis.earthing.ProtectiveSection;
import nelvar.core.analysis.parts.WorstVolts;
import nelvar.core.analysis.protection.DeviceAgainstLoad;
import nelvar.core.analysis.protection.DeviceAgainstWire;
import nelvar.core.analysis.sizing.AmericanAmpacity;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.MinimumSection;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.analysis.sizing.SectionChoice;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.analysis.sizing.WireCarriesLoad;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.School;
import nelvar.core.standards.AmericanConductors.Rating;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.trail.Computed;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Length;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// The North American school beside the metric one; table values from memory.
class AmericanSchoolTest {
  private static final double AWG_18 = CrossSection.ofGauge(18).squareMillimetres();
  private static final double AWG_16 = CrossSection.ofGauge(16).squareMillimetres();
  private static final double AWG_14 = CrossSection.ofGauge(14).squareMillimetres();
  private static final double AWG_10 = CrossSection.ofGauge(10).squareMillimetres();

  private static Panel american(Panel panel) {
    return panel.brief(b ->
        new Brief(b.supply(), b.surroundings(), b.policies().sizedBy(Brief.Sizing.NORTH_AMERICAN)));
  }

  private static Panel answering(Panel panel, School school, String option) {
    return panel.answering(school, option);
  }

  private static Panel heater(String device, double section) {
    return american(
        Panel.mains()
            .device("F", device)
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "F:1", AWG_10, 0.5)
            .wire("F:2", "E:L", section, 2)
            .wire("E:N", "X0:N", section, 2));
  }

  private static Conductor wire(Panel panel, String id) {
    return panel.build().conductor(new Id(id)).orElseThrow();
  }

  private static double ampacity(Panel panel, String id) {
    return Ampacity.of(wire(panel, id), panel.study()).found().orElseThrow().value().amperes();
  }

  /// Worked examples of the reference collection, section 4.3: 12 AWG 90 °C at 43 °C with 8
  /// conductors 18.27 A; 6 AWG at 50 °C alone 55 A on 60 °C terminals, 61.5 A on 75 °C ones.
  @Test
  void theWorkedExamples() {
    assertThat(amperes(12, Rating.C90, Rating.C75, 43, 8)).isCloseTo(18.27, within(0.005));
    assertThat(amperes(6, Rating.C90, Rating.C60, 50, 1)).isEqualTo(55);
    assertThat(amperes(6, Rating.C90, Rating.C75, 50, 1)).isCloseTo(61.5, within(1e-9));
    assertThat(amperes(10, Rating.C75, Rating.C75, 38, 5)).isCloseTo(24.64, within(1e-9));
  }

  private static double amperes(
      int gauge, Rating insulation, Rating terminals, double air, int conductors) {
    return AmericanAmpacity.corrected(
            CrossSection.ofGauge(gauge), insulation, terminals, new Temperature(air), conductors)
        .found()
        .orElseThrow()
        .value()
        .amperes();
  }

  @Test
  void theWorkingNamesBothColumns() {
    var text =
        AmericanAmpacity.corrected(
                CrossSection.ofGauge(6), Rating.C90, Rating.C60, new Temperature(50), 1)
            .found()
            .orElseThrow()
            .trail()
            .text();
    assertThat(text)
        .contains(
            "I = 75 A   6 AWG, insulation 90 °C: NEC 2023 (NFPA 70), Table 310.16 (unchecked)")
        .contains("It = 55 A   terminals 60 °C, uncorrected")
        .contains("Iz = min(Ic, It)");
  }

  /// 45 °C in the panel: 14 AWG, insulation 90 °C, 25 · 0.87 = 21.75 A, limited by 60 °C terminals
  /// to 15 A; by 75 °C ones to 20 A. Wires in the panel are not bundled, unless the Brief says so:
  /// three of them are loaded, which still counts 1.
  @Test
  void inThePanelTerminalsLimitAndBundlingIsAQuestion() {
    var panel = heater("fuse-1p-cc10", AWG_14);
    assertThat(ampacity(panel, "W2")).isEqualTo(15);
    assertThat(ampacity(answering(panel, School.TERMINAL_RATING, "c75"), "W2")).isEqualTo(20);
    // Four more loaded wires: with the line of the device seven, factor 0.7: 25 · 0.87 · 0.7 = 15.2
    // A.
    var crowded =
        answering(
            american(
                Panel.mains()
                    .device("E", "heater-100w-230v")
                    .device("G", "heater-100w-230v")
                    .device("H", "heater-100w-230v")
                    .device("I", "heater-100w-230v")
                    .wire("X0:L1", "E:L", AWG_14, 2)
                    .wire("E:N", "X0:N", AWG_14, 2)
                    .wire("X0:L1", "G:L", AWG_14, 2)
                    .wire("G:N", "X0:N", AWG_14, 2)
                    .wire("X0:L2", "H:L", AWG_14, 2)
                    .wire("H:N", "X0:N", AWG_14, 2)
                    .wire("X0:L3", "I:L", AWG_14, 2)
                    .wire("I:N", "X0:N", AWG_14, 2)),
            School.TERMINAL_RATING,
            "c75");
    assertThat(ampacity(crowded, "W1")).isEqualTo(20);
    assertThat(ampacity(answering(crowded, School.PANEL_GROUPING, "counted"), "W1"))
        .isCloseTo(25 * 0.87 * 0.7, within(1e-9));
  }

  /// What one school's tables do not hold is said, never guessed.
  @Test
  void neitherSchoolGuessesTheOthersSizes() {
    var metricWire =
        american(
            Panel.mains()
                .device("E", "heater-100w-230v")
                .wire("X0:L1", "E:L", 2.5, 2)
                .wire("E:N", "X0:N", 2.5, 2));
    assertThat(Ampacity.of(wire(metricWire, "W1"), metricWire.study()))
        .isInstanceOfSatisfying(
            Computed.Missing.class,
            missing -> assertThat(missing.why()).contains("no row for 2.5 mm²"));
    var gauge =
        Panel.mains()
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "E:L", AWG_14, 2)
            .wire("E:N", "X0:N", AWG_14, 2);
    assertThat(Ampacity.of(wire(gauge, "W1"), gauge.study())).isInstanceOf(Computed.Missing.class);
  }

  /// NFPA 79 12.6: power 14 AWG, control 18 AWG in the panel; power of motors up to 8 A may be 16
  /// AWG, up to 5 A 18 AWG.
  @ParameterizedTest
  @CsvSource({"14,true", "16,false", "18,false"})
  void powerWiresAreNoThinnerThanAllowed(int gauge, boolean passes) {
    var section = CrossSection.ofGauge(gauge).squareMillimetres();
    assertThat(heater("fuse-1p-cc10", section).judge(new MinimumSection(), "W2"))
        .isInstanceOf(passes ? Verdict.Pass.class : Verdict.Finding.class);
  }

  @Test
  void smallMotorsMayHaveThinnerWires() {
    var panel =
        american(
            Panel.dc()
                .device("M", "pump-24v-3a")
                .wire("T:+", "M:+", AWG_18, 2)
                .wire("M:-", "T:-", AWG_18, 2));
    assertThat(panel.judge(new MinimumSection(), "W5")).isInstanceOf(Verdict.Pass.class);
  }

  /// NEC 240.4: 14 AWG on 60 °C terminals carries 15 A and is capped at 15 A; 12 AWG 20 A at 20 A;
  /// the next standard size up is allowed only where the cap does not hold.
  @ParameterizedTest
  @CsvSource({
    "fuse-1p-cc15,14,true",
    "fuse-1p-cc20,14,false",
    "fuse-1p-cc20,12,true",
    "fuse-1p-cc30,12,false",
    "fuse-1p-cc30,10,true"
  })
  void smallConductorsCapTheirDevice(String device, int gauge, boolean passes) {
    var panel =
        answering(
            heater(device, CrossSection.ofGauge(gauge).squareMillimetres()),
            School.TERMINAL_RATING,
            "c75");
    var verdict = panel.judge(new DeviceAgainstWire(), passes ? "W2" : "F");
    assertThat(verdict).isInstanceOf(passes ? Verdict.Pass.class : Verdict.Finding.class);
    if (verdict instanceof Verdict.Pass pass)
      assertThat(pass.trail().text()).contains("small conductor: NEC 2023 (NFPA 70), 240.4(D)");
    if (verdict instanceof Verdict.Finding found) {
      assertThat(found.proposals()).isNotEmpty();
      for (var repair : found.proposals())
        assertThat(Panel.judge(new DeviceAgainstWire(), "W2", repair.edit().apply(panel.build())))
            .as(repair.label())
            .isInstanceOf(Verdict.Pass.class);
    }
  }

  /// 125 % for what stays on: a pump of 3 A asks for 3.75 A. A 3 A fuse does not hold it, 5 A do;
  /// by the other answer 3 A do.
  @Test
  void loadsThatStayOnHaveAQuarterToSpare() {
    var panel =
        american(
            Panel.dc()
                .device("F2", "fuse-1p-cc3")
                .device("M", "pump-24v-3a")
                .wire("T:+", "F2:1", AWG_14, 1)
                .wire("F2:2", "M:+", AWG_14, 1)
                .wire("M:-", "T:-", AWG_14, 1));
    var found = (Verdict.Finding) panel.judge(new DeviceAgainstLoad(), "F2");
    assertThat(found.title()).isEqualTo("No room for a load that stays on");
    assertThat(found.text()).contains("3 A", "3.75 A");
    assertThat(
            answering(panel, School.CONTINUOUS_LOAD, "as-is").judge(new DeviceAgainstLoad(), "F2"))
        .isInstanceOf(Verdict.Pass.class);
    assertThat(Schools.rated(new Current(3), "x", panel.study()).value()).isEqualTo(new Current(3));
  }

  @Test
  void aWireCarriesAHundredAndTwentyFivePercent() {
    // 18 AWG on 60 °C terminals: 7 A; a 6 A load asks for 7.5 A.
    var panel =
        american(
            Panel.dc()
                .device("M", "pump-24v-3a")
                .device("N", "pump-24v-3a")
                .device("X", "block-plus-8")
                .wire("T:+", "X:1", AWG_18, 1)
                .wire("X:2", "M:+", AWG_14, 1)
                .wire("X:3", "N:+", AWG_14, 1)
                .wire("M:-", "T:-", AWG_14, 1)
                .wire("N:-", "T:-", AWG_14, 1));
    var found = (Verdict.Finding) panel.judge(new WireCarriesLoad(), "W5");
    assertThat(found.trail().text()).contains("k · Ib = 1.25 · 6 A = 7.5 A");
    assertThat(found.text()).contains("125 % of it, 7.5 A");
    assertThat(answering(panel, School.CONTINUOUS_LOAD, "as-is").judge(new WireCarriesLoad(), "W5"))
        .isInstanceOf(Verdict.Pass.class);
  }

  /// NEC 250.122: 14 AWG up to 15 A, 12 AWG up to 20 A, 10 AWG up to 60 A; never thicker than the
  /// lines.
  @ParameterizedTest
  @CsvSource({
    "fuse-1p-cc15,14,14,true",
    "fuse-1p-cc15,14,16,false",
    "fuse-1p-cc20,10,12,true",
    "fuse-1p-cc20,10,14,false",
    "fuse-1p-cc20,14,14,true"
  })
  void groundingFollowsTheDevice(String device, int line, int ground, boolean passes) {
    var panel =
        heater(device, CrossSection.ofGauge(line).squareMillimetres())
            .protective("X0:PE", "E:PE", CrossSection.ofGauge(ground).squareMillimetres());
    assertThat(panel.judge(new ProtectiveSection(), "W4"))
        .isInstanceOf(passes ? Verdict.Pass.class : Verdict.Finding.class);
  }

  @Test
  void proposedSizesAreGauges() {
    var panel = heater("fuse-1p-cc15", AWG_16);
    var choice = SectionChoice.propose(wire(panel, "W2"), panel.study()).orElseThrow();
    assertThat(choice.value()).hasToString("14 AWG");
    assertThat(Schools.sizes(panel.study())).allMatch(size -> size.gauge().isPresent());
    assertThat(Schools.sizes(Panel.mains().study())).noneMatch(size -> size.gauge().isPresent());
  }

  /// 16 A over 100 ft of 12 AWG at 75 °C: 2 · 16 · 100 ft · 1.98 Ω/1000 ft = 6.34 V (NEC Table 8);
  /// 120 V: 5.28 %.
  @Test
  void dropsOfGaugesFollowTheirTable() {
    var drop =
        SizingTest.over(
                CrossSection.ofGauge(12),
                new Length(30.48),
                new Current(16),
                new nelvar.core.units.Voltage(120),
                2,
                1,
                new Temperature(75))
            .found()
            .orElseThrow();
    assertThat(drop.value().percent()).isCloseTo(5.28, within(0.01));
  }

  /// The metric school by either base: 2.5 mm², B1, 45 °C, alone: 18.3 · 0.91 = 16.65 A and 21 ·
  /// 0.79 = 16.59 A. Within 1 %, and each with its own correction table.
  @Test
  void theTwoMetricBasesAgree() {
    var panel =
        Panel.mains()
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "E:L", 2.5, 2)
            .wire("E:N", "X0:N", 2.5, 2);
    var forty = ampacity(panel, "W1");
    var thirty = ampacity(answering(panel, School.AMBIENT_BASE, "thirty"), "W1");
    assertThat(forty).isCloseTo(16.65, within(0.01));
    assertThat(thirty).isCloseTo(16.59, within(0.01));
    var cited =
        Ampacity.correctedFrom30(
                new CrossSection(2.5),
                InstallationMethod.B1,
                nelvar.core.standards.MetricConductors.Insulation.PVC,
                3,
                new Temperature(45),
                1,
                3)
            .found()
            .orElseThrow()
            .trail()
            .text();
    assertThat(cited).contains("B.52.4", "B.52.14").doesNotContain("IEC 60204-1:2016, Table D.1");
  }

  /// A wire's own temperature does not know its terminals: 14 AWG for 90 °C in air of 45 °C carries
  /// 25 A · 0.87 = 21.75 A, whatever its terminals; cross-linked wire has its own table, named
  /// alone.
  @Test
  void theTemperatureOfAWireGoesByItsInsulation() {
    var panel = heater("breaker-1p-c6", AWG_14);
    var warm =
        nelvar.core.analysis.sizing.ConductorTemperature.of(wire(panel, "W2"), panel.study())
            .found()
            .orElseThrow();
    assertThat(warm.trail().text()).contains("Tc = 90 °C").contains("Ic = I · Ca · Cb");
    assertThat(warm.value().celsius())
        .isCloseTo(45 + 45 * Math.pow(100 / 230.94 / 21.75, 2), within(0.02));
    var linked =
        Panel.mains()
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "E:L", 2.5, 20)
            .wire("E:N", "X0:N", 0.75, 20)
            .answering(School.WIRE_INSULATION, "xlpe")
            .study();
    var wires = linked.project().conductors();
    assertThat(Ampacity.of(wires.getFirst(), linked).found().orElseThrow().trail().text())
        .contains("cross-linked, 90 °C")
        .doesNotContain("base 40 °C");
    assertThat(Ampacity.of(wires.getLast(), linked).found().orElseThrow().trail().text())
        .doesNotContain("cross-linked");
  }

  /// The adiabatic factor of ICEA P-32-382 for 75 to 150 °C, 104.5, beside that of the other
  /// formula, 226 · √ln(384.5/309.5) = 105.3 (worked example of the reference collection, section
  /// 8: 1 %).
  @Test
  void theTwoAdiabaticFormulasAgree() {
    var panel =
        heater("breaker-1p-c6", 2.5)
            .brief(b ->
                new Brief(
                    b.supply(),
                    b.surroundings(),
                    b.policies().sizedBy(Brief.Sizing.NORTH_AMERICAN)));
    assertThat(Schools.adiabatic(panel.study()).value().value())
        .isCloseTo(226 * Math.sqrt(Math.log(384.5 / 309.5)), within(1.1));
  }

  /// Cross-linked wire, 2.5 mm² in a duct (B1) in air of 45 °C, one circuit: 28 A · 0.87 (IEC
  /// 60364-5-52, Tables B.52.5 and B.52.14, from memory) where PVC carries 18.3 · 0.91. It stands
  /// (143/115)² of the let-through energy, and hot it is (234.5 + 90)/(234.5 + 70) times as long.
  @Test
  void crossLinkedWireCarriesMoreStandsMoreAndLosesMore() {
    var pvc =
        Panel.mains()
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "E:L", 2.5, 20)
            .wire("E:N", "X0:N", 2.5, 20);
    var cool = pvc.study();
    var lost = lost(cool);
    var least = volts(cool);
    assertThat(Schools.adiabatic(cool).value().value()).isEqualTo(115);
    var linked = answering(pvc, School.WIRE_INSULATION, "xlpe");
    assertThat(ampacity(linked, "W1")).isCloseTo(28 * 0.87, within(0.01));
    var study = linked.study();
    assertThat(Schools.adiabatic(study).value().value()).isEqualTo(143);
    assertThat(lost(study) / lost).isCloseTo(324.5 / 304.5, within(1e-3));
    assertThat(volts(study)).isLessThan(least);
  }

  private static double lost(Study study) {
    return VoltageDrop.alone(study.project().conductors().getFirst(), study).orElseThrow().volts();
  }

  private static double volts(Study study) {
    return WorstVolts.of(study.network().feeds(new Id("E")).getFirst(), study)
        .found()
        .orElseThrow()
        .value()
        .least()
        .volts();
  }

  /// Metric panels may leave grouping out too, and thin control wires stay with the machine
  /// standard's table.
  @Test
  void metricGroupingAndThinWiresUnderTheOtherAnswers() {
    var panel =
        Panel.mains()
            .device("E", "heater-100w-230v")
            .device("G", "heater-100w-230v")
            .wire("X0:L1", "E:L", 0.75, 2)
            .wire("E:N", "X0:N", 0.75, 2)
            .wire("X0:L2", "G:L", 0.75, 2)
            .wire("G:N", "X0:N", 0.75, 2);
    var counted = ampacity(panel, "W1");
    assertThat(ampacity(answering(panel, School.PANEL_GROUPING, "not-counted"), "W1"))
        .isGreaterThanOrEqualTo(counted);
    assertThat(ampacity(answering(panel, School.AMBIENT_BASE, "thirty"), "W1"))
        .isEqualTo(8.6 * 0.91);
  }
}
