package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Clamp;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.review.Review;
import nelvar.core.units.CrossSection;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StripPlanTest {
  private static StripPlan plan(Project project, String id) {
    var study = Study.of(project, CatalogueFile.standard());
    return StripPlan.of(study.device(new Id(id)).orElseThrow(), study).orElseThrow();
  }

  private static Verdict judge(Project project, String subject) {
    return Panel.judge(new TerminalHolds(), subject, project);
  }

  private static Panel row() {
    return Panel.dc()
        .device("X1", "terminals-10x2p5")
        .device("K1", "relay-6a-24vdc")
        .device("B1", "valve-24v-6w", Place.MACHINE);
  }

  @Test
  void wiresStayOrLeaveAndWhatIsFreeIsCounted() {
    var project =
        row()
            .wire("T:+", "X1:1", 1, 1)
            .wire("X1:1", "B1:1", 1, 3)
            .wire("K1:11", "X1:4", 1, 1)
            .build();
    var plan = plan(project, "X1");
    var first = plan.ways().getFirst();
    assertThat(first.inside())
        .singleElement()
        .satisfies(landing -> assertThat(landing.other().toString()).isEqualTo("T:+"));
    assertThat(first.outside())
        .singleElement()
        .satisfies(landing -> assertThat(landing.other().toString()).isEqualTo("B1:1"));
    assertThat(first.potential()).isEqualTo(StripPlan.Potential.LOW);
    assertThat(plan.free()).hasSize(8);
    assertThat(plan.words()).isEqualTo("10 ways; 8 free");
    assertThat(plan.common()).isFalse();
  }

  /// A divider stands between 24 V and mains, and none between ways of 24 V.
  @Test
  void aDividerStandsBetweenMainsAndLowVoltage() {
    var project =
        row().wire("T:+", "X1:1", 1, 1).wire("T:-", "X1:2", 1, 1).wire("F:2", "X1:5", 1, 1).build();
    var ways = plan(project, "X1").ways();
    assertThat(ways.stream().filter(StripPlan.Way::divider).map(StripPlan.Way::number))
        .containsExactly(5);
    assertThat(ways.get(4).potential()).isEqualTo(StripPlan.Potential.HIGH);
  }

  @Test
  void waysLieOnLevels() {
    var project = Panel.mains().device("X1", "terminals-3x12x1p5").build();
    assertThat(plan(project, "X1").ways().stream().limit(4).map(StripPlan.Way::level))
        .containsExactly(1, 2, 3, 1);
    assertThat(plan(project, "X1").words()).isEqualTo("36 ways on 3 levels; 36 free");
  }

  /// One wire to a clamp and two clamps to a way: the third finds no place.
  @Test
  void threeWiresOnOneWayAreOneTooMany() {
    var two = row().wire("T:+", "X1:1", 1, 1).wire("X1:1", "K1:A1", 1, 1);
    assertThat(judge(two.build(), "X1:1")).isInstanceOf(Verdict.Pass.class);
    var three = two.wire("X1:1", "K1:11", 1, 1).build();
    assertThat(judge(three, "X1:1"))
        .isInstanceOfSatisfying(
            Verdict.Finding.class,
            finding -> {
              assertThat(finding.severity()).isEqualTo(Severity.ERROR);
              assertThat(finding.text()).contains("3 wires land on -X1:1, which is made for 2");
            });
  }

  /// On a strip the third wire goes to the next way with a bar: it cures, everything is joined as
  /// before, and the bar is seen in the plan.
  @Test
  void onAStripABarJoinsTheNextWay() {
    var project =
        row()
            .wire("T:+", "X1:1", 1, 1)
            .wire("X1:1", "K1:A1", 1, 1)
            .wire("X1:1", "K1:11", 1, 1)
            .build();
    var finding = (Verdict.Finding) judge(project, "X1:1");
    var cured = finding.proposals().getFirst().edit().apply(project);
    assertThat(judge(cured, "X1:1")).isInstanceOf(Verdict.Pass.class);
    assertThat(judge(cured, "X1:2")).isInstanceOf(Verdict.Pass.class);
    var way = plan(cured, "X1").ways().get(1);
    assertThat(way.bridged()).contains(1);
    assertThat(way.landing()).hasSize(1);
    var volts =
        Panel.study(cured)
            .asDesigned()
            .voltage(
                nelvar.core.model.TerminalRef.of("K1:11"), nelvar.core.model.TerminalRef.of("T:-"));
    assertThat(volts.orElseThrow().direct()).isGreaterThan(23.5);
    var before = Review.findingsOnly(Panel.study(project)).open().size();
    assertThat(Review.findingsOnly(Panel.study(cured)).open()).hasSize(before - 1);
  }

  /// On a block that is one, the wire goes to the free way beside, and nothing else changes.
  @Test
  void onABlockTheSecondWireGoesToAFreeWay() {
    var project =
        row()
            .device("X2", "block-plus-8")
            .wire("T:+", "X2:1", 1, 1)
            .wire("X2:2", "K1:A1", 1, 1)
            .wire("X2:2", "K1:11", 1, 1)
            .build();
    var finding = (Verdict.Finding) judge(project, "X2:2");
    var cured = finding.proposals().getFirst().edit().apply(project);
    assertThat(judge(cured, "X2:2")).isInstanceOf(Verdict.Pass.class);
    assertThat(plan(cured, "X2").ways().get(2).inside()).hasSize(1);
  }

  /// Bounds from the parts themselves: 2.5 mm² strips, 40 A blocks from 0.14 to 10 mm², 80 A blocks
  /// from 0.2 to 50 mm².
  @ParameterizedTest
  @CsvSource({
    "terminals-10x2p5, 2.5, true", "terminals-10x2p5, 4, false",
    "block-plus-8, 10, true", "block-plus-8, 16, false",
    "block-plus-16-80a, 0.34, true", "block-plus-16-80a, 0.14, false"
  })
  void aClampHoldsFromItsThinnestToItsThickest(String part, double section, boolean holds) {
    var project = row().device("X2", part).wire("T:+", "X2:1", section, 1).build();
    var verdict = judge(project, "X2:1");
    assertThat(verdict instanceof Verdict.Pass).isEqualTo(holds);
    if (verdict instanceof Verdict.Finding finding && !finding.proposals().isEmpty())
      assertThat(judge(finding.proposals().getFirst().edit().apply(project), "X2:1"))
          .isInstanceOf(Verdict.Pass.class);
  }

  /// What nobody states is not checked, and is no pass.
  @Test
  void aBlockThatStatesNothingIsNotChecked() {
    var standard = CatalogueFile.standard();
    var block =
        (nelvar.core.catalogue.DistributionBlock) standard.find("block-plus-8").orElseThrow();
    var silent =
        new nelvar.core.catalogue.DistributionBlock(
            "mine", "mine", block.article(), 8, block.role(), block.rating(), Optional.empty());
    var project = row().part(silent).device("X2", "mine").wire("T:+", "X2:1", 1, 1).build();
    assertThat(judge(project, "X2")).isInstanceOf(Verdict.NotChecked.class);
  }

  @Test
  void clampsAreRefusedThatHoldNothing() {
    org.assertj.core.api.Assertions.assertThatThrownBy(() ->
            new Clamp(
                Optional.of(new CrossSection(4)),
                new CrossSection(1),
                Optional.empty(),
                Optional.empty(),
                Optional.empty()))
        .hasMessageContaining("from its thinnest to its thickest");
  }

  /// Every wire that lands on a row of the demos is on exactly one of its ways, on one side.
  @Test
  void nothingIsLostOfTheDemos() {
    for (var project : java.util.List.of(Demo.planted(), Demo.rinserSettled())) {
      var study = Study.of(project, CatalogueFile.standard());
      for (var plan : StripPlan.all(study)) {
        Device device = plan.device();
        var landed =
            plan.ways().stream().flatMap(way -> way.landing().stream()).map(l -> l.wire()).toList();
        assertThat(landed).containsExactlyInAnyOrderElementsOf(study.at(device.id()));
      }
    }
  }
}
