package nelvar.desktop.quick;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.calc.Calculator;
import nelvar.core.calc.Calculators;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.standards.TripCurve;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// What the project fills in, and where an answer goes.
class FromProjectTest {
  private static final Project PROJECT = open();
  private static final Study STUDY = Study.of(PROJECT, CatalogueFile.standard());

  private static Project open() {
    try {
      return ProjectFile.at(
              Path.of("../demo/seed-tray-filler/seed-tray-filler-settled.nelvar.json"))
          .open();
    } catch (nelvar.core.file.UnreadableFile e) {
      throw new IllegalStateException(e);
    }
  }

  private static Calculator calculator(String name) {
    return Calculators.named(name).orElseThrow();
  }

  private static Map<String, String> known(String calculator, String id) {
    return FromProject.known(calculator(calculator), new Id(id), STUDY);
  }

  /// -W12: 1.5 mm², 0.36 m by its way, to the drive that takes 1.39 A (its review), in the duct at
  /// 45 °C.
  @Test
  void aWireKnowsItsSectionLengthAndCurrent() {
    assertThat(known("voltage-drop", "W12"))
        .containsEntry("S", "1.5 mm²")
        .containsEntry("l", "0.36 m")
        .containsEntry("I", "1.39 A");
    assertThat(known("ampacity", "W12")).containsEntry("method", "B1").containsEntry("Ta", "45 °C");
  }

  /// -F1 is a C 6 A breaker before a drive with 20 A of inrush.
  @Test
  void aBreakerKnowsItsRatingCurveLoadAndInrush() {
    assertThat(known("breaker", "F1")).containsEntry("Ib", "1.39 A").containsEntry("Ipeak", "20 A");
    assertThat(known("greatest-loop-impedance", "F1"))
        .containsEntry("In", "6 A")
        .containsEntry("curve", "C")
        .containsEntry("U0", "231 V");
  }

  /// The loop impedance at the inlet comes from the Brief.
  @Test
  void theBriefKnowsTheLoop() {
    assertThat(known("loop-impedance", "W12")).containsEntry("Ze", "0.45 Ω");
  }

  /// Only what the calculation asks for, and only what it accepts, is filled in.
  @ParameterizedTest
  @ValueSource(strings = {"W12", "F1", "M6", "U1", "T2", "X10", "Y1", "A1"})
  void nothingIsFilledInThatWouldBeRefused(String id) {
    for (var calculator : Calculators.ALL) {
      var found = FromProject.known(calculator, new Id(id), STUDY);
      for (var entry : found.entrySet()) {
        var input =
            calculator.inputs().stream().filter(i -> i.symbol().equals(entry.getKey())).findFirst();
        assertThat(input).as(calculator.name() + " " + entry).isPresent();
        assertThat(input.get().problem(entry.getValue())).isEmpty();
      }
    }
  }

  private static Optional<nelvar.core.model.edit.Edit> use(Object answer, String id) {
    return FromProject.use(calculator("breaker"), answer, new Id(id), STUDY);
  }

  /// -F1 is the nearest device before -M1's drive; the gG fuses on the 48 V bus swap within gG.
  @Test
  void devicesInSeriesAndTheirInrushAreFilledIn() {
    assertThat(known("opening-time", "F1")).containsEntry("device", "C 6 A");
    assertThat(known("stands-inrush", "F1"))
        .containsEntry("Ipeak", "20 A")
        .containsEntry("t", "10 ms");
    assertThat(known("braking-resistor", "F1")).doesNotContainKey("t");
    assertThat(known("selectivity", "F11")).containsEntry("down", "gG 10 A").containsKey("Ik");
    assertThat(use(new Current(16), "F11").orElseThrow().apply(PROJECT).device(new Id("F11")))
        .hasValueSatisfying(fuse -> assertThat(fuse.part()).isEqualTo("fuse-1p-gg16"));
  }

  /// 7.8 A asked of a 24 V supply of one phase: the catalogue's next is 10 A.
  @Test
  void aSupplyOfTheNextSizeTakesItsPlace() {
    var edit =
        FromProject.use(calculator("supply-size"), new Current(7.8), new Id("T1"), STUDY)
            .orElseThrow();
    var next = edit.apply(PROJECT).device(new Id("T1")).orElseThrow().part();
    assertThat(CatalogueFile.standard().find(next).orElseThrow().name()).contains("10 A");
    assertThat(FromProject.use(calculator("supply-size"), new Current(900), new Id("T1"), STUDY))
        .isEmpty();
    assertThat(use(new Current(10), "T1")).as("any other current is no rating").isEmpty();
  }

  @Test
  void aSectionGoesIntoTheWire() {
    var edit = use(new CrossSection(4), "W12").orElseThrow();
    assertThat(edit.apply(PROJECT).conductor(new Id("W12")).orElseThrow().section())
        .contains(new CrossSection(4));
    assertThat(use(new CrossSection(1.5), "W12")).as("it has that already").isEmpty();
    assertThat(use(new CrossSection(4), "F1")).as("a device has no section").isEmpty();
  }

  @Test
  void aLengthGoesIntoTheWire() {
    var edit = use(new Length(3), "W12").orElseThrow();
    assertThat(edit.apply(PROJECT).conductor(new Id("W12")).orElseThrow().length())
        .contains(new Length(3));
  }

  /// A breaker of the same poles takes the place of the selected one; a rating alone keeps the
  /// curve.
  @Test
  void aBreakerTakesThePlaceOfTheSelectedOne() {
    var breaker =
        use(new ProtectiveDevice.Breaker(new Current(10), TripCurve.D), "F1")
            .orElseThrow()
            .apply(PROJECT);
    assertThat(breaker.device(new Id("F1")).orElseThrow().part()).isEqualTo("breaker-3p-d10");
    var rating = use(new Current(10), "F1").orElseThrow().apply(PROJECT);
    assertThat(rating.device(new Id("F1")).orElseThrow().part()).isEqualTo("breaker-3p-c10");
    assertThat(use(new Current(11.3), "F1")).as("no such rating").isEmpty();
    assertThat(use(new ProtectiveDevice.Breaker(new Current(10), TripCurve.D), "M6")).isEmpty();
  }

  @Test
  void otherAnswersBelongNowhere() {
    assertThat(use(new Percent(5), "W12")).isEmpty();
    assertThat(use("yes", "W12")).isEmpty();
    assertThat(use(new CrossSection(4), "no-such")).isEmpty();
  }
}
