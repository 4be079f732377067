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
}
