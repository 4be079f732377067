package nelvar.core.analysis.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.catalogue.Housing;
import nelvar.core.compose.WaysAsRepairs;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.Ageing;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Placement;
import nelvar.core.model.Project;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.review.Review;
import nelvar.core.units.Length;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;

/// What gets too warm, what is offered, and that it is cool then.
class WarmRulesTest {
  private static Shell box(Housing housing, double w, double h, double d) {
    return Shell.onWall(Length.ofMillimetres(w), Length.ofMillimetres(h), Length.ofMillimetres(d))
        .with(s -> s.housing = housing);
  }

  /// A heater of so many watts in a box, always on.
  private static Panel heated(Shell shell) {
    return Panel.mains()
        .device("F1", "breaker-1p-c6")
        .device("E1", "heater-100w-230v")
        .wire("X0:L1", "F1:1", 2.5, 1)
        .wire("F1:2", "E1:L", 2.5, 1)
        .wire("E1:N", "X0:N", 2.5, 1)
        .cabinet(shell)
        .at("X0", 20, 300)
        .at("F1", 160, 300)
        .at("E1", 20, 60);
  }

  /// The same with something that cools, fed beside the heater.
  private static Panel cooled(Shell shell, String part, Surface surface) {
    return heated(shell)
        .device("E2", part)
        .wire("F1:2", "E2:L", 2.5, 1)
        .wire("E2:N", "X0:N", 2.5, 1)
        .at("E2", surface, 60, 100);
  }

  private static Project build(Panel panel) {
    return panel.build();
  }

  /// 100 W behind 0.4 m² of plastic at 3.5 W/m²K are some 70 K: far above 40 °C + what is designed
  /// for. A large steel cabinet stays cool.
  @Test
  void aSmallPlasticBoxGetsTooWarm() {
    var hot = heated(box(Housing.PLASTIC, 400, 400, 200));
    var finding = hot.found(new InsideWarm(), "C");
    assertThat(finding.text()).contains("at the top it gets");
    for (var repair : finding.proposals())
      assertThat(Panel.judge(new InsideWarm(), "C", repair.edit().apply(build(hot))))
          .as(repair.label())
          .isInstanceOf(Verdict.Pass.class);
    // Nobody is told to design for more and be done.
    assertThat(finding.proposals()).noneMatch(r -> r.label().contains("Design for"));
    var cool = heated(box(Housing.PAINTED_STEEL, 2400, 2000, 600));
    assertThat(cool.judge(new InsideWarm(), "C")).isInstanceOf(Verdict.Pass.class);
    assertThat(new InsideWarm().check(heated(box(Housing.OPEN, 400, 400, 200)).study())).isEmpty();
  }

  private static nelvar.core.model.Project warm(nelvar.core.model.Brief.Dust dust) {
    var rails = java.util.List.of(Panel.rail("R1", 0, 342, 550));
    return build(
        heated(box(Housing.PAINTED_STEEL, 600, 600, 250))
            .device("X1", "block-line-8")
            .device("X2", "block-neutral-8")
            .wire("X0:L2", "X1:1", 2.5, 1)
            .wire("X0:N", "X2:1", 2.5, 1)
            .cabinet(c -> c.withRails(rails))
            .at("X1", 250, 300)
            .at("X2", 350, 300)
            .brief(b ->
                new nelvar.core.model.Brief(
                    b.supply(), b.surroundings().withDust(Optional.of(dust)), b.policies())));
  }

  /// Where the dust burns, a fan with a filter of its own; where it conducts, nothing that lets the
  /// air of the room in.
  @ParameterizedTest
  @org.junit.jupiter.params.provider.CsvSource({
    "NONE, Put a fan",
    "OTHER, with filter",
    "CONDUCTIVE, -"
  })
  void whatIsOfferedLooksAtTheDust(nelvar.core.model.Brief.Dust dust, String says) {
    var review = Review.of(warm(dust), CatalogueFile.standard());
    var warm =
        review.open().stream()
            .filter(e -> e.rule().id().equals("thermal.inside"))
            .findFirst()
            .orElseThrow();
    var labels =
        new WaysAsRepairs(CatalogueFile.standard())
            .of(warm, review).stream().map(Repair::label).toList();
    if (says.equals("-")) assertThat(labels).noneMatch(l -> l.startsWith("Put a fan"));
    else assertThat(labels).anyMatch(l -> l.contains(says));
  }

  /// The fan that is offered is placed, fed, and cools; nothing else is opened by it.
  @Test
  void aFanIsOfferedAndCures() {
    var project = warm(nelvar.core.model.Brief.Dust.NONE);
    var review = Review.of(project, CatalogueFile.standard());
    var warm =
        review.open().stream()
            .filter(e -> e.rule().id().equals("thermal.inside"))
            .findFirst()
            .orElseThrow();
    var repairs = new WaysAsRepairs(CatalogueFile.standard()).of(warm, review);
    assertThat(repairs)
        .extracting(Repair::label)
        .anyMatch(l -> l.startsWith("Put a fan in the right wall"));
    var after = Review.of(repairs.getFirst().edit().apply(project), CatalogueFile.standard());
    assertThat(after.open()).noneMatch(e -> e.rule().id().equals("thermal.inside"));
    assertThat(after.open().stream().filter(e -> e.rule().id().startsWith("space.")).count())
        .isLessThanOrEqualTo(
            review.open().stream().filter(e -> e.rule().id().startsWith("space.")).count());
    assertThat(after.open()).noneMatch(e -> e.rule().id().equals("stop.restart"));
    var fan =
        after.project().devices().stream()
            .filter(d -> d.part().startsWith("fan-"))
            .findFirst()
            .orElseThrow();
    assertThat(after.study().network().feeds(fan.id()).getFirst().source()).isPresent();
  }

  /// Without its fan the same cabinet is as hot as before, and that is said.
  @Test
  void aStoppedFanIsThoughtOf() {
    var panel = cooled(box(Housing.PAINTED_STEEL, 600, 600, 250), "fan-230v-45w", Surface.RIGHT);
    assertThat(panel.found(new CoolingLost(), "C").text()).contains("When the fan of cabinet");
    var large = cooled(box(Housing.PAINTED_STEEL, 2400, 2000, 600), "fan-230v-45w", Surface.RIGHT);
    assertThat(large.judge(new CoolingLost(), "C")).isInstanceOf(Verdict.Pass.class);
  }

  /// 5.5 W/m²K · Ae · 5 K: 600 × 800 × 250 on a wall has 1.242 m², 34.2 W; a heater of 100 W does,
  /// up to 3.6 m².
  @Test
  void aHeaterAgainstDew() {
    assertThat(heated(box(Housing.PAINTED_STEEL, 600, 800, 250)).judge(new Dew(), "C"))
        .isInstanceOf(Verdict.Pass.class);
    var weak = heated(box(Housing.PAINTED_STEEL, 1600, 2000, 600));
    assertThat(weak.found(new Dew(), "C").text()).contains("100 W");
  }

  /// A supply above a heater: the plume is in the air it stands in; moved aside it is not.
  @Test
  void aPartInTooWarmAir() {
    var panel =
        heated(box(Housing.PAINTED_STEEL, 800, 1000, 300))
            .device("A1", "motion-controller-3ax")
            .at("A1", 20, 20);
    var low =
        panel
            .cabinet(c -> c)
            .at(
                Placement.at(
                    new Id("E1"),
                    new Id("C"),
                    Surface.PLATE,
                    Length.ofMillimetres(20),
                    Length.ofMillimetres(260)));
    var study = low.study();
    var body = nelvar.core.analysis.space.Bodies.of(study).of(new Id("A1")).orElseThrow();
    var air = CabinetAir.of(study.project().layout().cabinets().getFirst(), study);
    var at = PartAir.of(body, air, study);
    var verdict = Panel.judge(new PartWarm(), "A1", low.build());
    var most = body.fitting().most().orElseThrow();
    assertThat(verdict)
        .isInstanceOf(at.upper().compareTo(most) <= 0 ? Verdict.Pass.class : Verdict.Finding.class);
  }

  /// 60 W/K beside `k · Ae`: the rise of an exchanger by hand. Half of its own 90 W stay inside.
  @Test
  void anExchangerByHand() {
    var panel =
        cooled(box(Housing.PAINTED_STEEL, 600, 800, 250), "exchanger-230v-60wk", Surface.DOOR);
    var study = panel.study();
    var air = CabinetAir.of(study.project().layout().cabinets().getFirst(), study);
    assertThat(air.middle()).isCloseTo(air.inside().watts() / (5.5 * 1.242 + 60), within(1e-9));
    var own = DeviceHeat.of(study.project().called("E2").orElseThrow(), study).value();
    assertThat(air.heat(new Id("E2")).orElseThrow().inside().watts())
        .isCloseTo(own.watts() / 2, within(1e-9));
  }

  /// A cooling unit carries 500 W out: less is given off, so nothing is left to rise; and its own
  /// compressor warms the room.
  @Test
  void aCoolingUnitByHand() {
    var panel =
        cooled(box(Housing.PAINTED_STEEL, 600, 800, 250), "cooling-unit-230v-500w", Surface.DOOR);
    var study = panel.study();
    var air = CabinetAir.of(study.project().layout().cabinets().getFirst(), study);
    assertThat(air.middle()).isZero();
    assertThat(air.heat(new Id("E2")).orElseThrow().inside().watts()).isZero();
  }

  /// 10 K more halve it, 10 K less double it.
  @Test
  void electronicsAge() {
    assertThat(Ageing.life(new Temperature(50), Ageing.STATED).fraction())
        .isCloseTo(0.5, within(1e-12));
    assertThat(Ageing.life(new Temperature(30), Ageing.STATED).fraction())
        .isCloseTo(2, within(1e-12));
  }

  /// A cabinet measured cooler than the model beats it.
  @Test
  void whatWasMeasuredIsJudged() {
    var panel = heated(box(Housing.PLASTIC, 400, 400, 200));
    var felt =
        panel.cabinet(c ->
            c.withFelt(Optional.of(new Cabinet.Felt(new Temperature(26), new Temperature(24)))));
    assertThat(felt.judge(new InsideWarm(), "C")).isInstanceOf(Verdict.Pass.class);
  }
}
