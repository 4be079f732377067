package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nelvar.core.Panel;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Bundle;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// The carrier of the demo's press: 250 mm of travel, R 100 mm, links 26 mm high; cables of 8.8,
/// 7.9 and 7.0 mm.
class MovesWellTest {
  private static final Id P1 = new Id("P1");

  private static Project carrier(UnaryOperator<Bundle.Form> change) {
    var project = Demo.settled();
    return project.withBundles(
        project.bundles().stream()
            .map(b -> b.id().equals(P1) ? b.with(d -> d.form = d.form.map(change)) : b)
            .toList());
  }

  private static Bundle.Carrier around(
      Bundle.Carrier c, Optional<Length> room, Optional<Integer> strokes) {
    return new Bundle.Carrier(
        c.travel(),
        c.bendRadius(),
        c.pitch(),
        c.fixedOff(),
        c.outerHeight(),
        c.dividers(),
        c.lies(),
        Optional.empty(),
        room,
        strokes);
  }

  private static Project carrier(Optional<Length> room, Optional<Integer> strokes) {
    return carrier(f -> f.withCarrier(around(f.carrier().orElseThrow(), room, strokes)));
  }

  private static List<Verdict> judge(String id, Project project) {
    return new MovesWell()
        .check(Panel.study(project))
        .filter(v -> v.subject().things().contains(new Id(id)))
        .toList();
  }

  private static Verdict.Finding finding(String id, Project project) {
    return judge(id, project).stream()
        .filter(Verdict.Finding.class::isInstance)
        .map(Verdict.Finding.class::cast)
        .findFirst()
        .orElseThrow();
  }

  /// 1.1 · (2 · 100 + 26) = 248.6 mm.
  @ParameterizedTest
  @CsvSource({"248.7, true", "248.5, false"})
  void theLoopFindsRoom(double room, boolean holds) {
    var project = carrier(Optional.of(Length.ofMillimetres(room)), Optional.of(720));
    if (holds) {
      assertThat(judge("P1", project)).allMatch(Verdict.Pass.class::isInstance);
      return;
    }
    var finding = finding("P1", project);
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    // The next smaller radius, 75 mm, is what the thickest bears: 7.5 · 8.8 = 66 mm.
    var cured = finding.proposals().getFirst().edit().apply(project);
    assertThat(judge("P1", cured)).allMatch(Verdict.Pass.class::isInstance);
    assertThat(cured.bundles().toString()).contains("75 mm");
  }

  @Test
  void noTighterBendIsOfferedThanTheCablesBear() {
    var tight = carrier(Optional.of(Length.ofMillimetres(120)), Optional.of(720));
    assertThat(finding("P1", tight).proposals()).isEmpty();
  }

  @Test
  void whatNobodySaidIsNotChecked() {
    var unsaid = carrier(Optional.empty(), Optional.empty());
    assertThat(judge("P1", unsaid)).anyMatch(Verdict.NotChecked.class::isInstance);
    assertThat(judge("WY0", unsaid)).allMatch(Verdict.NotChecked.class::isInstance);
  }

  /// 5 000 000 / (n · 2000 h): 1250 an hour last two years to the day.
  @ParameterizedTest
  @CsvSource({"1250, true", "1251, false"})
  void lastsTwoYears(int strokes, boolean holds) {
    var project = carrier(Optional.of(Length.ofMillimetres(300)), Optional.of(strokes));
    assertThat(judge("WY0", project).stream().allMatch(Verdict.Pass.class::isInstance))
        .isEqualTo(holds);
    if (!holds) assertThat(finding("WY0", project).text()).contains("2.0 years of one shift");
  }

  /// 26.7 mm of cables, a hose of 8 mm with its fifth 9.6 mm, and a wall of 3 mm: 39.3 mm.
  @Test
  void aHoseWantsAWallOfItsOwn() {
    var hose = List.of(Length.ofMillimetres(8));
    var wide = carrier(f -> wide(f, 40).withHoses(hose));
    var finding = finding("P1", wide);
    assertThat(finding.text()).contains("hoses beside cables").contains("no divider");
    var cured = finding.proposals().getFirst().edit().apply(wide);
    assertThat(judge("P1", cured)).allMatch(Verdict.Pass.class::isInstance);
    assertThat(new CarrierFits().check(Panel.study(cured)).allMatch(Verdict.Pass.class::isInstance))
        .isTrue();
    // In one that is too narrow no wall is offered.
    assertThat(finding("P1", carrier(f -> f.withHoses(hose))).proposals()).isEmpty();
  }

  /// A larger tray keeps the hoses that lie on it, and is larger for them.
  @Test
  void theNextSizeKeepsTheHoses() {
    var study = Panel.study(Demo.settled());
    var tray =
        study.project().bundles().stream()
            .filter(b -> b.id().text().equals("P2"))
            .findFirst()
            .orElseThrow();
    var hoses = List.of(Length.ofMillimetres(120), Length.ofMillimetres(120));
    var with = tray.with(b -> b.form = b.form.map(f -> f.withHoses(hoses)));
    var form = RightSize.of(with, Bundle.Kind.TRAY, study).orElseThrow();
    assertThat(form.hoses()).isEqualTo(hoses);
    assertThat(form.width())
        .isGreaterThan(RightSize.of(tray, Bundle.Kind.TRAY, study).orElseThrow().width());
  }

  private static Bundle.Form wide(Bundle.Form f, double width) {
    return new Bundle.Form(f.kind(), Length.ofMillimetres(width), f.height(), f.carrier());
  }

  private static Project coil(double closed, double far) {
    var project = Demo.settled();
    return project.withBundles(
        project.bundles().stream()
            .map(b ->
                b.id().equals(P1)
                    ? b.with(d -> {
                      d.form =
                          Optional.of(
                              Bundle.Form.coil(
                                  Length.ofMillimetres(30),
                                  Length.ofMillimetres(7),
                                  new Length(closed)));
                      d.course =
                          Optional.of(
                              new Bundle.Course("press", "frame", Optional.of(new Length(far))));
                    })
                    : b)
            .toList());
  }

  @ParameterizedTest
  @CsvSource({"0.4, 1.2, ''", "0.4, 1.21, WARNING", "0.4, 2.01, ERROR"})
  void coiledCordsAreDrawnThreeTimes(double closed, double far, String severity) {
    var project = coil(closed, far);
    if (severity.isEmpty()) {
      assertThat(judge("P1", project)).allMatch(Verdict.Pass.class::isInstance);
      return;
    }
    var finding = finding("P1", project);
    assertThat(finding.severity()).isEqualTo(Severity.valueOf(severity));
    var cured = finding.proposals().getFirst().edit().apply(project);
    assertThat(judge("P1", cured)).allMatch(Verdict.Pass.class::isInstance);
  }

  /// π · 23 mm · 400/7 = 4.13 m of cord in a coil of 0.4 m: what lies in it is so long.
  @Test
  void theCordInACoilByHand() {
    var bundle = coil(0.4, 1.2).bundles().stream().filter(b -> b.id().equals(P1)).findFirst();
    assertThat(Carriers.length(bundle.orElseThrow()).orElseThrow().metres())
        .isCloseTo(4.129, within(0.001));
  }

  @Test
  void impossibleFormsAreRefused() {
    assertThatThrownBy(() ->
            Bundle.Form.coil(
                Length.ofMillimetres(10), Length.ofMillimetres(7), Length.ofMillimetres(300)))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("three times as wide");
    assertThatThrownBy(() -> carrier(f -> f.withHoses(List.of(Length.ofMillimetres(1)))))
        .isInstanceOf(ImpossibleQuantity.class);
    assertThat(
            Fill.of(
                new Bundle(P1, "loom", nelvar.core.standards.InstallationMethod.E, false)
                    .with(b -> b.form = Optional.of(Bundle.Form.loom())),
                Panel.study(Demo.settled())))
        .isEmpty();
  }
}
