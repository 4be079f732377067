package nelvar.core.standards;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/// The tables against one another and against physics. None was read off the printed page here;
/// each says so itself.
class TablesTest {
  /// IEC 60364-5-52:2009 Tables B.52.4 and B.52.10 (30 °C, PVC, three loaded conductors, from
  /// memory) × 0.87 (its Table B.52.14 at 40 °C) give IEC 60204-1 Table 6 to its rounding.
  @ParameterizedTest
  @CsvSource({
    "1.5,15.5,15,17.5,18.5",
    "2.5,21,20,24,25",
    "4,28,27,32,34",
    "6,36,34,41,43",
    "10,50,46,57,60",
    "16,68,62,76,80",
    "25,89,80,96,101",
    "35,110,99,119,126",
    "50,134,118,144,153",
    "70,171,149,184,196",
    "95,207,179,223,238",
    "120,239,206,259,276"
  })
  void ampacityAgreesWithTheThirtyDegreeTable(
      double section, double b1, double b2, double c, double e) {
    var thirty =
        Map.of(
            InstallationMethod.B1,
            b1,
            InstallationMethod.B2,
            b2,
            InstallationMethod.C,
            c,
            InstallationMethod.E,
            e);
    for (var method : InstallationMethod.values()) {
      var forty =
          MetricConductors.ampacity(new CrossSection(section), method)
              .orElseThrow()
              .value()
              .amperes();
      assertThat(forty)
          .as("%s mm² %s", section, method)
          .isCloseTo(thirty.get(method) * 0.87, within(forty < 30 ? 0.6 : 1.0));
    }
  }

  /// IEC 60364-5-52 Annex D power laws (from memory) × 0.87 at 0.75 and 1 mm²: 11.84 S^0.628 (B1),
  /// 11.65 S^0.6005 (B2).
  @ParameterizedTest
  @ValueSource(doubles = {0.75, 1})
  void thinSectionsFollowThePowerLaw(double section) {
    assertThat(
            MetricConductors.ampacity(new CrossSection(section), InstallationMethod.B1)
                .orElseThrow()
                .value()
                .amperes())
        .isCloseTo(0.87 * 11.84 * Math.pow(section, 0.628), within(0.06));
    assertThat(
            MetricConductors.ampacity(new CrossSection(section), InstallationMethod.B2)
                .orElseThrow()
                .value()
                .amperes())
        .isCloseTo(0.87 * 11.65 * Math.pow(section, 0.6005), within(0.06));
  }

  /// Physics: the loss in the wire may use up (70 − Ta) K instead of 30 K, and grows with the
  /// square of the current.
  @ParameterizedTest
  @ValueSource(ints = {30, 35, 40, 45, 50, 55, 60})
  void ambientFollowsTheSquareRoot(int ambient) {
    assertThat(MetricConductors.ambientFactor(new Temperature(ambient)).orElseThrow().value())
        .isCloseTo(Math.sqrt((70 - ambient) / 30.0), within(0.006));
  }

  @Test
  void betweenRowsTheWarmerCountsAndNothingExtrapolates() {
    assertThat(MetricConductors.ambientFactor(new Temperature(41)).orElseThrow().value())
        .isEqualTo(0.91);
    assertThat(MetricConductors.ambientFactor(new Temperature(10)).orElseThrow().value())
        .isEqualTo(1.15);
    assertThat(MetricConductors.ambientFactor(new Temperature(61))).isEmpty();
    assertThat(MetricConductors.ampacity(new CrossSection(150), InstallationMethod.B1)).isEmpty();
    assertThat(MetricConductors.groupingFactor(21, InstallationMethod.B1)).isEmpty();
    assertThat(MetricConductors.groupingFactor(10, InstallationMethod.B1).orElseThrow().value())
        .isEqualTo(0.45);
    assertThat(ProtectiveConductor.forLine(new CrossSection(0.34))).isEmpty();
    // A larger case lets more through, and class J no more than class RK5 (UL 248, from memory).
    for (var rating : new double[] {10, 30, 60, 100}) {
      var at = new Current(rating);
      assertThat(FuseClass.CLASS_J.letThrough(at).orElseThrow().value())
          .isLessThan(FuseClass.CLASS_RK5.letThrough(at).orElseThrow().value());
      assertThat(FuseClass.CLASS_J.letThrough(at).orElseThrow().value())
          .isLessThanOrEqualTo(FuseClass.CLASS_J.letThrough(at.times(2)).orElseThrow().value());
    }
    assertThat(FuseClass.GG.letThrough(new Current(10))).isEmpty();
    // Gauges follow the rule of the rows: as thick, 16 mm², half.
    assertThat(ProtectiveConductor.forLine(CrossSection.ofGauge(12)).orElseThrow().value())
        .isEqualTo(CrossSection.ofGauge(12));
    assertThat(ProtectiveConductor.forLine(CrossSection.ofGauge(4)).orElseThrow().value())
        .isEqualTo(new CrossSection(16));
  }

  /// IEC 60204-1 Table D.2 (from memory): 2, 4, 6, 9 circuits, B1: 0.8, 0.65, 0.57, 0.5; C: 0.85,
  /// 0.75, 0.72, 0.7; E: 0.88, 0.77, 0.73, 0.72.
  @ParameterizedTest
  @CsvSource({"B1,0.8,0.65,0.57,0.5", "C,0.85,0.75,0.72,0.7", "E,0.88,0.77,0.73,0.72"})
  void groupingIsThatOfTheMachineStandard(
      InstallationMethod method, double two, double four, double six, double nine) {
    assertThat(MetricConductors.groupingFactor(2, method).orElseThrow().value()).isEqualTo(two);
    assertThat(MetricConductors.groupingFactor(4, method).orElseThrow().value()).isEqualTo(four);
    assertThat(MetricConductors.groupingFactor(6, method).orElseThrow().value()).isEqualTo(six);
    assertThat(MetricConductors.groupingFactor(9, method).orElseThrow().value()).isEqualTo(nine);
  }

  @ParameterizedTest
  @EnumSource(InstallationMethod.class)
  void thickerCarriesMoreAndMoreCompanyCarriesLess(InstallationMethod method) {
    var before = 0.0;
    for (var section : MetricConductors.sections()) {
      if (section.squareMillimetres() < 0.75) continue;
      var now = MetricConductors.ampacity(section, method).orElseThrow().value().amperes();
      assertThat(now).isGreaterThan(before);
      before = now;
    }
    for (var circuits = 2; circuits <= 20; circuits++) {
      assertThat(MetricConductors.groupingFactor(circuits, method).orElseThrow().value())
          .isLessThanOrEqualTo(
              MetricConductors.groupingFactor(circuits - 1, method).orElseThrow().value());
    }
  }

  /// Copper at 20 °C has 17.241 Ω·mm²/km (IEC 60028); stranding and tolerance of class 5 add 10 to
  /// 20 %.
  @Test
  void resistanceIsThatOfCopper() {
    for (var section : MetricConductors.sections()) {
      var perKilometre =
          MetricConductors.resistance(section).orElseThrow().value().ohmsPerMetre() * 1000;
      assertThat(perKilometre * section.squareMillimetres())
          .as(section.toString())
          .isBetween(17.241 * 1.06, 17.241 * 1.2);
    }
  }

  /// IEC 60898-1 Table 7: B 3–5, C 5–10, D 10–20 times In.
  @Test
  void tripBands() {
    var ten = new Current(10);
    assertThat(TripCurve.B.holds(ten).value().amperes()).isEqualTo(30);
    assertThat(TripCurve.C.trips(ten).value().amperes()).isEqualTo(100);
    assertThat(TripCurve.D.holds(ten).value().amperes()).isEqualTo(100);
    assertThat(TripCurve.D.trips(ten).value().amperes()).isEqualTo(200);
  }

  /// IEC 60364-5-54 Table 54.2: S up to 16, then 16 up to 35, then half, rounded up to a standard
  /// size.
  @ParameterizedTest
  @CsvSource({"1.5,1.5", "16,16", "25,16", "35,16", "50,25", "70,35", "95,50", "120,70"})
  void protectiveConductorBySection(double line, double protective) {
    assertThat(
            ProtectiveConductor.forLine(new CrossSection(line))
                .orElseThrow()
                .value()
                .squareMillimetres())
        .isEqualTo(protective);
  }

  @ParameterizedTest
  @CsvSource({"2,2.1", "4,2.1", "6,1.9", "10,1.9", "16,1.6", "63,1.6"})
  void fusingFactors(double rating, double factor) {
    assertThat(FuseLink.fusingFactor(new Current(rating)).orElseThrow().value()).isEqualTo(factor);
  }

  private static final String HEAD =
      "# title: t\n# source: s\n# place: p\n# status: recalled\n# mark: A\n# between rows: exact\n";

  @Test
  void aTableThatBreaksItsFormIsRefusedWithFileAndLine() {
    assertThatThrownBy(() -> Table.parse("x.tsv", HEAD + "a\tb\n1\t2\t3\n"))
        .hasMessageContaining("x.tsv, line 8")
        .hasMessageContaining("3 cells");
    assertThatThrownBy(() -> Table.parse("x.tsv", HEAD + "a\tb\n1\ttwo\n"))
        .hasMessageContaining("'two' is not a number");
    assertThatThrownBy(() -> Table.parse("x.tsv", HEAD + "a\tb\n1\t2\n1\t3\n"))
        .hasMessageContaining("stands twice");
    assertThatThrownBy(() -> Table.parse("x.tsv", "a\tb\n1\t2\n"))
        .hasMessageContaining("no 'title'");
    assertThatThrownBy(() -> Table.parse("x.tsv", HEAD + "a\tb\n")).hasMessageContaining("no rows");
    assertThatThrownBy(() -> Table.parse("x.tsv", HEAD.replace("exact", "about") + "a\tb\n1\t2\n"))
        .hasMessageContaining("between rows");
    assertThatThrownBy(() -> Table.load("none/none.tsv")).hasMessageContaining("no such table");
  }

  @Test
  void rulesBetweenRows() {
    assertThat(Table.parse("x", HEAD + "a\tb\n1\t10\n3\t30\n").at(2, "b")).isEmpty();
    assertThat(
            Table.parse("x", HEAD.replace("exact", "linear") + "a\tb\n1\t10\n3\t30\n").at(2, "b"))
        .hasValue(20);
    assertThat(
            Table.parse("x", HEAD.replace("exact", "linear") + "a\tb\n1\t10\n3\t30\n").at(4, "b"))
        .isEmpty();
    assertThat(
            Table.parse("x", HEAD.replace("exact", "next down") + "a\tb\n1\t10\n3\t30\n")
                .at(2, "b"))
        .hasValue(10);
    assertThat(Table.parse("x", HEAD + "a\tb\n1\t-\n").at(1, "b")).isEmpty();
    assertThat(Table.parse("x", HEAD + "a\tb\n1\t2\n").at(1, "c")).isEmpty();
  }

  /// Every table of 30 °C base × 0.87, its own correction at 40 °C, is Table 6 of IEC 60204-1 to
  /// its rounding: two separately entered files against each other.
  @Test
  void theTwoBasesAgree() {
    for (var section : MetricConductors.sections()) {
      if (section.squareMillimetres() < 1.5) continue;
      for (var method : InstallationMethod.values()) {
        var from30 =
            MetricConductors.ampacityAt30(section, method, MetricConductors.Insulation.PVC, 3)
                    .orElseThrow()
                    .value()
                    .amperes()
                * MetricConductors.ambientFactorFrom30(
                        new Temperature(40), MetricConductors.Insulation.PVC)
                    .orElseThrow()
                    .value();
        assertThat(MetricConductors.ampacity(section, method).orElseThrow().value().amperes())
            .as("%s %s", section, method)
            .isCloseTo(from30, within(from30 < 30 ? 0.6 : 1.0));
      }
    }
  }

  /// Two loaded conductors carry 1.06 to 1.2 times what three do; XLPE 1.2 to 1.35 times PVC: the
  /// ratios are constant over the sizes.
  @ParameterizedTest
  @EnumSource(InstallationMethod.class)
  void twoLoadedAndBetterInsulationCarryMore(InstallationMethod method) {
    for (var section : MetricConductors.sections()) {
      if (section.squareMillimetres() < 1.5) continue;
      var pvc3 = at30(section, method, MetricConductors.Insulation.PVC, 3);
      assertThat(at30(section, method, MetricConductors.Insulation.PVC, 2) / pvc3)
          .isBetween(1.06, 1.21);
      assertThat(at30(section, method, MetricConductors.Insulation.XLPE, 3) / pvc3)
          .isBetween(1.2, 1.36);
    }
  }

  private static double at30(
      CrossSection section,
      InstallationMethod method,
      MetricConductors.Insulation insulation,
      int loaded) {
    return MetricConductors.ampacityAt30(section, method, insulation, loaded)
        .orElseThrow()
        .value()
        .amperes();
  }

  /// Physics: `√((Tc − Ta)/(Tc − 30))` for the correction tables of both schools.
  @Test
  void ambientFactorsFollowTheRiseLeft() {
    for (var rating : AmericanConductors.Rating.values()) {
      var tc = rating.temperature().celsius();
      for (var ta = 10; ta <= 85; ta += 5) {
        var factor = AmericanConductors.ambientFactor(new Temperature(ta), rating);
        if (factor.isPresent())
          assertThat(factor.get().value())
              .as("%s %s", rating, ta)
              .isCloseTo(Math.sqrt((tc - ta) / (tc - 30)), within(0.011));
      }
    }
    for (var insulation : MetricConductors.Insulation.values()) {
      var tc = insulation.greatest().celsius();
      for (var ta = 10; ta < tc; ta += 5) {
        var factor = MetricConductors.ambientFactorFrom30(new Temperature(ta), insulation);
        if (factor.isPresent())
          assertThat(factor.get().value())
              .as("%s %s", insulation, ta)
              .isCloseTo(Math.sqrt((tc - ta) / (tc - 30)), within(0.011));
      }
    }
  }

  /// ASTM B258 diameters and 10.371 Ω·cmil/ft of annealed copper at 20 °C, brought to 75 °C, give
  /// NEC Chapter 9 Table 8 within 1.2 %, stranding included at 2 %.
  @Test
  void gaugeResistanceIsThatOfCopper() {
    for (var size : AmericanConductors.sizes()) {
      var tabled = AmericanConductors.resistance(size);
      if (tabled.isEmpty()) continue;
      var byArea = 10.371 / size.circularMils() / 0.3048 * (234.5 + 75) / 254.5;
      assertThat(tabled.get().value().ohmsPerMetre())
          .as(size.toString())
          .isBetween(byArea * 0.995, byArea * 1.035);
    }
  }

  /// One door for copper of any size: gauges lie between their metric neighbours.
  @Test
  void anyCopperHasItsResistance() {
    var before = Double.MAX_VALUE;
    for (var size : AmericanConductors.sizes()) {
      var now = CopperResistance.at20(size).orElseThrow().value().ohmsPerMetre();
      assertThat(now).as(size.toString()).isLessThan(before);
      before = now;
    }
    // IEC 60228 class 5, 4 mm² 4.95 Ω/km; 12 AWG, 3.309 mm², by area 4.95 · 4/3.309 = 5.98 less the
    // tolerance of class 5
    assertThat(CopperResistance.at20(CrossSection.ofGauge(12)).orElseThrow().value().ohmsPerMetre())
        .isBetween(0.0052, 0.00598);
  }

  /// BS 7671:2018 Table 41.3 (from memory): `230 V · 0.95/(5, 10, 20 · In)`.
  @ParameterizedTest
  @CsvSource({
    "B,6,7.28",
    "B,16,2.73",
    "B,32,1.37",
    "C,10,2.19",
    "C,16,1.37",
    "C,32,0.68",
    "D,16,0.68",
    "D,63,0.17",
    "B,63,0.69",
    "C,63,0.35"
  })
  void loopImpedancesOfBreakersAreThoseTabled(TripCurve curve, double rating, double tabled) {
    assertThat(230 * 0.95 / curve.trips(new Current(rating)).value().amperes())
        .isCloseTo(tabled, within(0.006));
  }

  /// Gates of gG fuses: what surely blows rating n is what surely holds in rating n + 2; the same
  /// for the energies. This is where the ratio 1.6 of selectivity comes from (16 to 400 A).
  @Test
  void fuseGatesInterlock() {
    var ratings =
        FuseLink.ratings().stream().filter(r -> r.amperes() >= 16 && r.amperes() <= 400).toList();
    for (var i = 0; i + 2 < ratings.size(); i++) {
      var low = FuseLink.gates(ratings.get(i)).orElseThrow().value();
      var high = FuseLink.gates(ratings.get(i + 2)).orElseThrow().value();
      assertThat(low.blows100ms().amperes())
          .as(ratings.get(i).toString())
          .isCloseTo(high.holds100ms().amperes(), within(high.holds100ms().amperes() * 0.001));
      assertThat(FuseLink.preArcing(ratings.get(i), true).orElseThrow().value())
          .isEqualTo(FuseLink.preArcing(ratings.get(i + 2), false).orElseThrow().value());
    }
  }

  /// German test practice (from memory) beside the gates, interpolated to 0.4 s: within 11 %.
  @ParameterizedTest
  @CsvSource({
    "2,16", "4,32", "6,47", "10,82", "16,107", "20,145", "25,180", "32,265", "50,460", "63,550"
  })
  void fuseCurrentsAgreeWithTestPractice(double rating, double practice) {
    assertThat(
            FuseLink.meltsWithin(new Current(rating), new nelvar.core.units.Duration(0.4))
                .orElseThrow()
                .value()
                .amperes())
        .isCloseTo(practice, within(practice * 0.11));
  }

  /// IEC 60947-4-1 Annex G: 230 V takes 1.74 times, 500 V 0.8 times, 690 V 0.58 times the current
  /// of 400 V, but for the smallest motors; NEC 430.250: 208 V 1.1 times, 200 V 1.15 times, 460 V
  /// half of 230 V.
  @Test
  void motorTablesKeepTheirRatios() {
    for (var size : Motors.Kind.METRIC_THREE_PHASE.sizes()) {
      if (size < 0.25) continue;
      var at400 = motor(Motors.Kind.METRIC_THREE_PHASE, size, 400);
      assertThat(motor(Motors.Kind.METRIC_THREE_PHASE, size, 230) / at400).isBetween(1.68, 1.8);
      assertThat(motor(Motors.Kind.METRIC_THREE_PHASE, size, 500) / at400).isBetween(0.77, 0.83);
      assertThat(motor(Motors.Kind.METRIC_THREE_PHASE, size, 690) / at400).isBetween(0.55, 0.61);
    }
    for (var size : Motors.Kind.THREE_PHASE.sizes()) {
      var at230 = motor(Motors.Kind.THREE_PHASE, size, 230);
      assertThat(motor(Motors.Kind.THREE_PHASE, size, 208) / at230).isBetween(1.08, 1.12);
      assertThat(motor(Motors.Kind.THREE_PHASE, size, 200) / at230).isBetween(1.13, 1.17);
      assertThat(motor(Motors.Kind.THREE_PHASE, size, 460) / at230).isBetween(0.49, 0.51);
    }
    for (var size : Motors.Kind.SINGLE_PHASE.sizes())
      assertThat(
              motor(Motors.Kind.SINGLE_PHASE, size, 115)
                  / motor(Motors.Kind.SINGLE_PHASE, size, 230))
          .isBetween(1.95, 2.05);
    assertThat(motor(Motors.Kind.DIRECT_CURRENT, 1, 180)).isEqualTo(6.1);
    // Class 10 trips within 4 minutes at 1.5 times, between 4 and 10 s at 7.2 times.
    assertThat(Motors.overloadTime(Motors.OverloadClass.CLASS_10).value()).isEqualTo(240);
    assertThat(Motors.lockedTime(Motors.OverloadClass.CLASS_10, false).value()).isEqualTo(4);
    assertThat(Motors.lockedTime(Motors.OverloadClass.CLASS_10, true).value()).isEqualTo(10);
  }

  private static double motor(Motors.Kind kind, double size, int volts) {
    return Motors.fullLoadCurrent(kind, size, volts).orElseThrow().value().amperes();
  }

  /// `226 · √(ln((234.5 + Tf)/(234.5 + Ti)))` gives the tabled k of copper; 148 and 228 that of
  /// aluminium.
  @ParameterizedTest
  @CsvSource({
    "PVC,70,160",
    "PVC_ABOVE_300,70,140",
    "XLPE,90,250",
    "RUBBER,60,200",
    "SILICONE,180,350",
    "PROTECTIVE_PVC,30,160",
    "PROTECTIVE_XLPE,30,250",
    "PROTECTIVE_BARE,30,200"
  })
  void adiabaticFactorsFollowTheirTemperatures(Adiabatic kind, double start, double end) {
    assertThat(kind.copper().value().value())
        .isCloseTo(226 * Math.sqrt(Math.log((234.5 + end) / (234.5 + start))), within(1.0));
    assertThat(kind.aluminium().value().value())
        .isCloseTo(148 * Math.sqrt(Math.log((228 + end) / (228 + start))), within(1.0));
  }

  /// IEC 61439-1 Table H.1 is IEC 60364-5-52 × 0.61 (55 °C) × 0.8 (two circuits), and its losses
  /// are I²·R at 70 °C with the resistance of class 2 at 20 °C and 0.004/K.
  @Test
  void panelWiringFollowsFromTheOtherTables() {
    for (var section : MetricConductors.sections()) {
      var tabled = MetricConductors.panelWiring(section, MetricConductors.PanelLaying.TRUNKING);
      if (tabled.isEmpty()) continue;
      var amperes = tabled.get().value().amperes();
      assertThat(amperes)
          .as(section.toString())
          .isCloseTo(
              at30(section, InstallationMethod.B1, MetricConductors.Insulation.PVC, 3) * 0.61 * 0.8,
              within(0.6));
      var ohms =
          MetricConductors.resistance(section, MetricConductors.Strands.CLASS_2)
                  .orElseThrow()
                  .value()
                  .ohmsPerMetre()
              * 1.2;
      assertThat(
              MetricConductors.panelLoss(section, MetricConductors.PanelLaying.TRUNKING)
                  .orElseThrow()
                  .value()
                  .value())
          .as(section.toString())
          .isCloseTo(amperes * amperes * ohms, within(0.16));
    }
  }

  /// What the code says of small conductors and grounding, at its edges.
  @Test
  void americanEdges() {
    assertThat(
            AmericanConductors.smallConductorDevice(CrossSection.ofGauge(14)).orElseThrow().value())
        .isEqualTo(new Current(15));
    assertThat(AmericanConductors.smallConductorDevice(CrossSection.ofGauge(8))).isEmpty();
    assertThat(AmericanConductors.ampacity(new CrossSection(2.5), AmericanConductors.Rating.C75))
        .isEmpty();
    assertThat(AmericanConductors.equipmentGrounding(new Current(60)).orElseThrow().value())
        .hasToString("10 AWG");
    assertThat(AmericanConductors.equipmentGrounding(new Current(2000))).isEmpty();
    assertThat(AmericanConductors.bundlingFactor(3).orElseThrow().value()).isEqualTo(1);
    assertThat(AmericanConductors.bundlingFactor(4).orElseThrow().value()).isEqualTo(0.8);
    assertThat(
            AmericanConductors.minimumSize(AmericanConductors.Use.POWER, true)
                .orElseThrow()
                .value())
        .hasToString("14 AWG");
    assertThat(AmericanDevices.nextUp(new Current(24.5)).orElseThrow().value())
        .isEqualTo(new Current(25));
    assertThat(AmericanDevices.shortCircuitRating(AmericanDevices.Component.FUSE_HOLDER).value())
        .isEqualTo(new Current(10000));
    assertThat(AmericanDevices.smallFuseRatings().getFirst()).isEqualTo(new Current(0.1));
    assertThat(Disconnection.distribution(Disconnection.Earthing.TN).value().seconds())
        .isEqualTo(5);
    assertThat(Disconnection.distribution(Disconnection.Earthing.TT).value().seconds())
        .isEqualTo(1);
    assertThat(FuseLink.meltsByCurve(new Current(20)).orElseThrow().value())
        .isEqualTo(new Current(130));
  }
}
