package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.protection.BareTransformer;
import nelvar.core.analysis.protection.BreakerChoice;
import nelvar.core.analysis.protection.DeviceAgainstLoad;
import nelvar.core.analysis.protection.DeviceAgainstWire;
import nelvar.core.analysis.protection.InrushAgainstCurve;
import nelvar.core.analysis.protection.OwnDevice;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.Current;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProtectionTest {
  private static Verdict.Finding finding(Verdict verdict) {
    assertThat(verdict).isInstanceOf(Verdict.Finding.class);
    return (Verdict.Finding) verdict;
  }

  private static void everyRepairCures(
      Verdict.Finding finding, nelvar.core.analysis.Rule rule, nelvar.core.model.Project project) {
    assertThat(finding.proposals()).isNotEmpty();
    for (var repair : finding.proposals())
      assertThat(rule.check(Panel.study(repair.edit().apply(project))))
          .as(repair.label())
          .noneMatch(verdict ->
              verdict instanceof Verdict.Finding && verdict.subject().equals(finding.subject()));
  }

  /// 1.5 mm² alone in a duct at 45 °C: 13.5 · 0.91 = 12.285 A: a 10 A breaker fits, 13 A does not.
  @Test
  void aBreakerFitsItsWire() {
    assertThat(behind("breaker-1p-c10", 1.5).judge(new DeviceAgainstWire(), "W2"))
        .isInstanceOf(Verdict.Pass.class);
    var panel = behind("breaker-1p-c13", 1.5);
    var finding = finding(panel.judge(new DeviceAgainstWire(), "F"));
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.text()).contains("its thinnest wire (W2) stands for 12.3 A");
    assertThat(finding.proposals())
        .extracting(r -> r.label())
        .containsExactly(
            "Change -F to circuit-breaker, 1 pole, C 10 A", "Make 2 wires behind -F 2.5 mm²");
    everyRepairCures(finding, new DeviceAgainstWire(), panel.build());
  }

  private static Panel behind(String breaker, double section) {
    return Panel.mains()
        .device("F", breaker)
        .device("T", "supply-24v-10a")
        .wire("X0:L1", "F:1", 6, 0.5)
        .wire("F:2", "T:L", section, 0.5)
        .wire("T:N", "X0:N", section, 0.5);
  }

  /// Worked boundary example: Iz 17.4 A (2.5 mm², B2, 40 °C). gG 12 A is not stocked; 10 A: 1.9 ·
  /// 10 ≤ 1.45 · 17.4; 16 A: 1.6 · 16 = 25.6 > 25.23 fails by 1.4 % read strictly, and passes by
  /// rating.
  @Test
  void fusesAreReadByTheSchoolOfTheProject() {
    var strict = fused("fuse-1p-gg16");
    assertThat(strict.judge(new DeviceAgainstWire(), "F")).isInstanceOf(Verdict.Finding.class);
    assertThat(fused("fuse-1p-gg10").judge(new DeviceAgainstWire(), "W2"))
        .isInstanceOf(Verdict.Pass.class);
    var byRating =
        strict.brief(b ->
            new Brief(
                b.supply(), b.surroundings(), b.policies().withFuses(Brief.FuseReading.RATING)));
    assertThat(byRating.judge(new DeviceAgainstWire(), "W2")).isInstanceOf(Verdict.Pass.class);
  }

  private static Panel fused(String fuse) {
    return Panel.mains()
        .bundle("O", InstallationMethod.B1, false)
        .device("F", fuse)
        .device("E", "heater-100w-230v")
        .wire("X0:L1", "F:1", 10, 0.5)
        .cable("C", "cable-3x2p5", 5, "O", 2.5, "F:2", "E:L", "E:N", "X0:N");
  }

  @Test
  void aShortTapInsideEndsAtItsDevice() {
    var tap =
        Panel.mains()
            .device("F", "breaker-1p-c6")
            .device("T", "supply-24v-5a")
            .wire("X0:L1", "F:1", 1.5, 3)
            .wire("F:2", "T:L", 1.5, 1)
            .wire("T:N", "X0:N", 6, 1);
    assertThat(tap.judge(new DeviceAgainstWire(), "W1")).isInstanceOf(Verdict.Pass.class);
    var long_ =
        Panel.mains()
            .device("F", "breaker-1p-c6")
            .device("T", "supply-24v-5a")
            .wire("X0:L1", "F:1", 1.5, 3.1)
            .wire("F:2", "T:L", 1.5, 1)
            .wire("T:N", "X0:N", 6, 1);
    var finding = finding(long_.judge(new DeviceAgainstWire(), "W1"));
    assertThat(finding.title()).isEqualTo("Wire without fitting protection");
    assertThat(finding.proposals())
        .as("a thicker wire would hide that a device is missing")
        .isEmpty();
  }

  @Test
  void whatIsNotLaidIsNotChecked() {
    var panel =
        Panel.mains()
            .device("F", "breaker-1p-c6")
            .device("T", "supply-24v-5a")
            .wire(
                "X0:L1",
                "F:1",
                nelvar.core.model.Conductor.Function.POWER,
                Optional.of(1.5),
                Optional.of(1.0),
                Optional.empty())
            .wire("F:2", "T:L", 1.5, 1)
            .wire("T:N", "X0:N", 6, 1);
    assertThat(panel.judge(new DeviceAgainstWire(), "W1")).isInstanceOf(Verdict.NotChecked.class);
  }

  /// 3 pumps of 3 A at 24 V, 90 %, 230.94 V, 0.95: 1.094 A; breaker 1 A trips, 2 A carries it.
  @Test
  void aBreakerCarriesItsLoad() {
    var ok = loaded("breaker-1p-d2");
    assertThat(ok.judge(new DeviceAgainstLoad(), "F")).isInstanceOf(Verdict.Pass.class);
    var panel = loaded("breaker-1p-d1");
    var finding = finding(panel.judge(new DeviceAgainstLoad(), "F"));
    assertThat(finding.trail().text()).contains("Ib = 1.09 A ≤ 1 A   does not hold");
    everyRepairCures(finding, new DeviceAgainstLoad(), panel.build());
  }

  private static Panel loaded(String breaker) {
    var panel = Panel.dc("supply-24v-10a", breaker);
    for (var i = 0; i < 3; i++)
      panel
          .device("M" + i, "pump-24v-3a")
          .wire("T:+", "M" + i + ":+", 2.5, 1)
          .wire("M" + i + ":-", "T:-", 2.5, 1);
    return panel;
  }

  /// Inrush 34 A peak: 24.04 A effective. B 6 A lets 18 A pass, B 10 A 30 A, C 6 A 30 A.
  @Test
  void switchingOnDoesNotTrip() {
    assertThat(Panel.dc("supply-24v-10a", "breaker-1p-c6").judge(new InrushAgainstCurve(), "F"))
        .isInstanceOf(Verdict.Pass.class);
    assertThat(Panel.dc("supply-24v-10a", "breaker-1p-b10").judge(new InrushAgainstCurve(), "F"))
        .isInstanceOf(Verdict.Pass.class);
    var panel = Panel.dc("supply-24v-10a", "breaker-1p-b6");
    var finding = finding(panel.judge(new InrushAgainstCurve(), "F"));
    assertThat(finding.severity()).isEqualTo(Severity.WARNING);
    assertThat(finding.trail().text()).contains("Ieff = Ipeak/√2 = 34 A/√2 = 24 A");
    everyRepairCures(finding, new InrushAgainstCurve(), panel.build());
  }

  /// A motor of 3.4 A takes 7 times that, 23.8 A, for a second. A gG 4 A need carry no more than 14
  /// A for 0.1 s, so it may melt after 0.1 · (14/23.8)² = 35 ms; a 10 A one carries 22 A for 10 s
  /// and 58 A for 0.1 s, on the line between more than a second (gates from memory).
  @ParameterizedTest
  @CsvSource({"fuse-3p-gg4, true", "fuse-3p-gg10, false", "motor-protector-4a, false"})
  void aFuseOutlivesTheStartOfAMotor(String device, boolean blows) {
    var panel =
        Panel.mains()
            .device("F", device)
            .device("M", "motor-1p5kw-230-400")
            .linked(nelvar.core.catalogue.Linkage.STAR)
            .wire("X0:L1", "F:1", 2.5, 1)
            .wire("X0:L2", "F:3", 2.5, 1)
            .wire("X0:L3", "F:5", 2.5, 1)
            .wire("F:2", "M:U", 2.5, 5)
            .wire("F:4", "M:V", 2.5, 5)
            .wire("F:6", "M:W", 2.5, 5);
    var verdict = panel.judge(new InrushAgainstCurve(), "F");
    if (!blows) {
      assertThat(verdict).isInstanceOf(Verdict.Pass.class);
      return;
    }
    var finding = finding(verdict);
    assertThat(finding.title()).isEqualTo("May blow when switched on");
    assertThat(finding.text()).contains("for 1 s", "gG 4 A", "after 33.9 ms");
    everyRepairCures(finding, new InrushAgainstCurve(), panel.build());
  }

  /// A cold halogen filament takes 10 A peak, 7.1 A effective: C 1 A lets 5 A pass, C 2 A 10 A.
  @ParameterizedTest
  @CsvSource({"breaker-1p-c1, true", "breaker-1p-c2, false"})
  void aColdFilamentMayTripItsBreaker(String breaker, boolean trips) {
    var panel =
        Panel.dc()
            .device("F2", breaker)
            .device("H", "lamp-halogen-24v-20w")
            .wire("T:+", "F2:1", 1, 1)
            .wire("F2:2", "H:+", 1, 3)
            .wire("H:-", "T:-", 1, 3);
    assertThat(panel.judge(new InrushAgainstCurve(), "F2") instanceof Verdict.Finding)
        .isEqualTo(trips);
  }

  @Test
  void inputsBehindOneBreakerChargeTogether() {
    var two =
        Panel.dc("supply-24v-5a", "breaker-1p-c6")
            .device("T2", "supply-24v-5a")
            .wire("F:2", "T2:L", 2.5, 1)
            .wire("T2:N", "X0:N", 2.5, 1);
    assertThat(((Verdict.Finding) two.judge(new InrushAgainstCurve(), "F")).trail().text())
        .contains("Ipeak = 54 A");
  }

  @Test
  void eachConverterHasItsOwnDevice() {
    assertThat(Panel.dc().judge(new OwnDevice(), "T")).isInstanceOf(Verdict.Pass.class);
    var bare =
        Panel.mains()
            .device("T", "supply-24v-5a")
            .wire("X0:L1", "T:L", 2.5, 1)
            .wire("T:N", "X0:N", 2.5, 1);
    var none = finding(bare.judge(new OwnDevice(), "T"));
    assertThat(none.severity()).isEqualTo(Severity.ERROR);
    everyRepairCures(none, new OwnDevice(), bare.build());
    var shared =
        Panel.dc("supply-24v-5a", "breaker-1p-d10")
            .device("T2", "supply-24v-5a")
            .wire("F:2", "T2:L", 2.5, 1)
            .wire("T2:N", "X0:N", 2.5, 1);
    var sharing = finding(shared.judge(new OwnDevice(), "T2"));
    assertThat(sharing.severity()).isEqualTo(Severity.WARNING);
    everyRepairCures(sharing, new OwnDevice(), shared.build());
    var grouped =
        shared.brief(b ->
            new Brief(
                b.supply(),
                b.surroundings(),
                b.policies().withProtection(Brief.Protection.GROUPED)));
    assertThat(grouped.judge(new OwnDevice(), "T2")).isInstanceOf(Verdict.Pass.class);
    var unfed = Panel.mains().device("T", "supply-24v-5a");
    assertThat(unfed.judge(new OwnDevice(), "T")).isInstanceOf(Verdict.NotChecked.class);
  }

  @Test
  void aThreePhaseConverterGetsAThreePoleBreaker() {
    var panel =
        Panel.mains().device("U", "drive-3ph-400-0p75kw").device("M", "motor-0p55kw-230-400");
    for (var i = 1; i <= 3; i++) panel.wire("X0:L" + i, "U:L" + i, 1.5, 1);
    panel.wire("U:U", "M:U", 1.5, 9).wire("U:V", "M:V", 1.5, 9).wire("U:W", "M:W", 1.5, 9);
    var finding = finding(panel.judge(new OwnDevice(), "U"));
    var next = finding.proposals().getFirst().edit().apply(panel.build());
    assertThat(next.devices().getLast().part()).startsWith("breaker-3p-");
    assertThat(next.conductors()).hasSize(panel.build().conductors().size() + 3);
    assertThat(Panel.judge(new OwnDevice(), "U", next)).isInstanceOf(Verdict.Pass.class);
  }

  @Test
  void aBareTransformerNeedsADeviceOfItsOwn() {
    var panel =
        Panel.mains()
            .device("F", "breaker-1p-d6")
            .device("T", "transformer-160va-230-24")
            .device("E", "heater-30w-230v")
            .wire("X0:L1", "F:1", 2.5, 1)
            .wire("F:2", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 2.5, 1)
            .wire("F:2", "E:L", 1.5, 1)
            .wire("E:N", "X0:N", 1.5, 1);
    var finding = finding(panel.judge(new BareTransformer(), "T"));
    everyRepairCures(finding, new BareTransformer(), panel.build());
    var alone =
        Panel.mains()
            .device("F", "breaker-1p-d6")
            .device("T", "transformer-160va-230-24")
            .wire("X0:L1", "F:1", 2.5, 1)
            .wire("F:2", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 2.5, 1);
    assertThat(alone.judge(new BareTransformer(), "T")).isInstanceOf(Verdict.Pass.class);
    assertThat(
            Panel.mains().device("T", "transformer-160va-230-24").judge(new BareTransformer(), "T"))
        .isInstanceOf(Verdict.NotChecked.class);
  }

  /// Ratings of IEC 60898-1 (from memory): 11.5 A gives 13 A; with 200 A peak, 141.4 A effective: C
  /// 32 A lets 160 A pass.
  @ParameterizedTest
  @CsvSource({
    "11.5,0,B 13 A",
    "6,0,B 6 A",
    "1,34,D 3 A",
    "5,34,C 6 A",
    "11.5,200,D 16 A",
    "60,0,B 63 A"
  })
  void proposesTheLeastBreakerThatStands(double design, double peak, String choice) {
    var proposal =
        BreakerChoice.propose(new Current(design), Optional.of(new Current(peak))).orElseThrow();
    assertThat(proposal.value()).hasToString(choice);
    assertThat(proposal.value().curve().holds(proposal.value().rating()).value().amperes())
        .isGreaterThanOrEqualTo(peak / Math.sqrt(2));
  }

  @Test
  void beyondTheStandardRatingsNothingIsProposed() {
    assertThat(BreakerChoice.propose(new Current(64), Optional.empty())).isEmpty();
    assertThat(BreakerChoice.effective(new Current(100)).amperes()).isCloseTo(70.71, within(0.01));
  }
}
