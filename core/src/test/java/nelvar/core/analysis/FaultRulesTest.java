package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.protection.BranchDevice;
import nelvar.core.analysis.protection.BreakingCapacity;
import nelvar.core.analysis.protection.DisconnectsInTime;
import nelvar.core.analysis.sizing.WithstandsFault;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Place;
import nelvar.core.model.School;
import nelvar.core.units.Current;
import nelvar.core.units.Resistance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What faults ask of devices and wires, on the smallest panel that shows it.
class FaultRulesTest {
  private static Panel site(Panel panel, double loop, double shortCircuit) {
    return panel.brief(b ->
        new Brief(
            new Brief.Supply(
                b.supply().voltage(),
                b.supply().frequency(),
                b.supply().earthing(),
                b.supply().upstream(),
                loop > 0 ? Optional.of(new Resistance(loop)) : Optional.empty(),
                shortCircuit > 0 ? Optional.of(new Current(shortCircuit)) : Optional.empty()),
            b.surroundings(),
            b.policies()));
  }

  private static Panel answering(Panel panel, School school, String option) {
    return panel.brief(b ->
        new Brief(
            b.supply(),
            b.surroundings(),
            b.policies()
                .answering(
                    school,
                    school.options().stream()
                        .filter(o -> o.id().equals(option))
                        .findFirst()
                        .orElseThrow())));
  }

  /// A heater at the end of `metres` of 2.5 mm², protective conductor alike.
  private static Panel heater(String device, double metres) {
    return site(
        Panel.mains()
            .device("F", device)
            .device("E", "heater-100w-230v", Place.MACHINE)
            .wire("X0:L1", "F:1", 2.5, 0.1)
            .wire("F:2", "E:L", 2.5, metres)
            .wire("E:N", "X0:N", 2.5, metres)
            .protectiveOf("X0:PE", "E:PE", 2.5, metres),
        0.35,
        0);
  }

  private static Verdict judge(Panel panel) {
    return panel.judge(new DisconnectsInTime(), "E");
  }

  /// Worked example of the reference collection, section 7: Ze 0.35 Ω, 2.5/2.5 mm² class 5, 50 m;
  /// hot 1.308 Ω; 0.95 · 230/1.308 = 167 A. C16 (160 A) passes, C20 (200 A) fails. The solved
  /// network adds landings and the breaker's own pole (about 10 mΩ), and has 230.9 V to earth.
  @Test
  void theWorkedExampleOfTheFaultLoop() {
    assertThat(judge(heater("breaker-1p-c16", 50))).isInstanceOf(Verdict.Pass.class);
    var found = (Verdict.Finding) judge(heater("breaker-1p-c20", 50));
    assertThat(found.text()).contains("C 20 A", "0.4 s", "200 A");
    // B20 needs 100 A: the repair found in the catalogue cures.
    assertThat(found.repairs()).isNotEmpty();
    var cured = found.repairs().getFirst().edit().apply(heater("breaker-1p-c20", 50).build());
    assertThat(Panel.judge(new DisconnectsInTime(), "E", cured)).isInstanceOf(Verdict.Pass.class);
  }

  /// The same with fuses: the gate of gG 20 A at 0.4 s is 148 A and passes, 25 A 192 A fails; by
  /// the published curve 25 A needs 170 A, which still fails, 20 A needs 130 A.
  @Test
  void fusesByGateAndByCurve() {
    assertThat(judge(heater("fuse-1p-gg20", 50))).isInstanceOf(Verdict.Pass.class);
    assertThat(judge(heater("fuse-1p-gg25", 50))).isInstanceOf(Verdict.Finding.class);
    assertThat(judge(answering(heater("fuse-1p-gg25", 50), School.FUSE_MELTING, "curve")))
        .isInstanceOf(Verdict.Finding.class);
    // 57 m: 0.95 · 230.9/(0.36 + 57·2·0.00798·1.1965) = 151 A: the curve's 130 A, not the gates'
    // 148 A
    // at 60 m: 144 A.
    assertThat(judge(heater("fuse-1p-gg20", 60))).isInstanceOf(Verdict.Finding.class);
    assertThat(judge(answering(heater("fuse-1p-gg20", 60), School.FUSE_MELTING, "curve")))
        .isInstanceOf(Verdict.Pass.class);
  }

  /// Three readings of one loop: at 52 m C16 needs 160 A. Hot 1.344 Ω: 0.95 · 230.9/1.35 = 162 A
  /// passes; 54 m: 157 A fails, and passes where U0 counts in full (165 A). Cold, two thirds: 2/3 ·
  /// 230.9/(0.36 + 54·2·0.00798) = 126 A fails.
  @Test
  void theReadingOfTheBriefDecides() {
    var panel = heater("breaker-1p-c16", 54);
    assertThat(judge(panel)).isInstanceOf(Verdict.Finding.class);
    var plain = judge(answering(panel, School.FAULT_VOLTAGE, "plain"));
    assertThat(plain).isInstanceOf(Verdict.Pass.class);
    assertThat(((Verdict.Pass) plain).trail().text()).contains("U0, wires hot");
    assertThat(judge(answering(heater("breaker-1p-c16", 50), School.FAULT_VOLTAGE, "two-thirds")))
        .isInstanceOf(Verdict.Finding.class);
  }

  @Test
  void whatIsNotKnownIsNotJudged() {
    assertThat(judge(site(heater("breaker-1p-c16", 10), 0, 0)))
        .isInstanceOfSatisfying(
            Verdict.NotChecked.class, n -> assertThat(n.why()).contains("loop impedance"));
    for (var earthing : new Brief.Earthing[] {Brief.Earthing.TT, Brief.Earthing.IT})
      assertThat(
              judge(
                  heater("breaker-1p-c16", 10)
                      .brief(b ->
                          new Brief(
                              new Brief.Supply(
                                  b.supply().voltage(),
                                  b.supply().frequency(),
                                  earthing,
                                  b.supply().upstream(),
                                  b.supply().loopImpedance(),
                                  Optional.empty()),
                              b.surroundings(),
                              b.policies()))))
          .isInstanceOf(Verdict.NotChecked.class);
  }

  /// Three-pole breakers of 6 kA: 5 kA prospective passes, 7 kA does not. 1.05 · 231 V over the
  /// line impedance 231/5000 gives 5.25 kA bolted on three lines.
  @ParameterizedTest
  @CsvSource({"5000,true", "7000,false"})
  void aDeviceBreaksWhatCanFlow(double prospective, boolean passes) {
    var panel =
        site(
            Panel.mains()
                .device("F", "breaker-3p-c16")
                .wire("X0:L1", "F:1", 120, 0.01)
                .wire("X0:L2", "F:3", 120, 0.01)
                .wire("X0:L3", "F:5", 120, 0.01),
            0,
            prospective);
    assertThat(panel.judge(new BreakingCapacity(), "F"))
        .isInstanceOf(passes ? Verdict.Pass.class : Verdict.Finding.class);
    assertThat(site(panel, 0, 0).judge(new BreakingCapacity(), "F"))
        .isInstanceOf(Verdict.NotChecked.class);
  }

  /// EN 60898-1 class 3 (from memory): C16 lets through 17000 A²s up to 3 kA, 42000 A²s up to 6 kA.
  /// 1.5 mm² PVC stands 115² · 1.5² = 29756 A²s: survives 2 kA, burns at 5 kA; 2.5 mm² stands
  /// 82656.
  @ParameterizedTest
  @CsvSource({"1.5,2000,true", "1.5,5000,false", "2.5,5000,true"})
  void aWireSurvivesWhatItsBreakerLetsThrough(double section, double prospective, boolean passes) {
    var panel =
        site(
            Panel.mains()
                .device("F", "breaker-1p-c16")
                .device("E", "heater-100w-230v")
                .wire("X0:L1", "F:1", 120, 0.01)
                .wire("F:2", "E:L", section, 1)
                .wire("E:N", "X0:N", 10, 1),
            0,
            prospective);
    var verdict = panel.judge(new WithstandsFault(), "W2");
    assertThat(verdict).isInstanceOf(passes ? Verdict.Pass.class : Verdict.Finding.class);
    if (verdict instanceof Verdict.Finding found) {
      assertThat(found.text()).contains("29756 A²s", "42000 A²s");
      var cured = found.repairs().getFirst().edit().apply(panel.build());
      assertThat(Panel.judge(new WithstandsFault(), "W2", cured)).isInstanceOf(Verdict.Pass.class);
    }
  }

  /// gG 16 A melts with at most 1000 A²s (IEC 60269, from memory): 0.5 mm² stands 115² · 0.25 =
  /// 3306.
  @Test
  void aWireBehindAFuseAndOneWithoutSection() {
    var panel =
        site(
            Panel.mains()
                .device("F", "fuse-1p-gg16")
                .device("E", "heater-100w-230v")
                .wire("X0:L1", "F:1", 120, 0.01)
                .wire("F:2", "E:L", 0.5, 1)
                .wire("E:N", "X0:N", 10, 1),
            0,
            5000);
    assertThat(panel.judge(new WithstandsFault(), "W2")).isInstanceOf(Verdict.Pass.class);
  }

  /// In the North American school a miniature breaker that is not marked is supplementary; metric
  /// practice and the other answer let it pass.
  @Test
  void onlyAListedDeviceProtectsABranch() {
    var panel = heater("breaker-1p-c16", 5);
    assertThat(new BranchDevice().check(Panel.study(panel.build()))).isEmpty();
    var american =
        panel.brief(b ->
            new Brief(
                b.supply(), b.surroundings(), b.policies().sizedBy(Brief.Sizing.NORTH_AMERICAN)));
    assertThat(american.judge(new BranchDevice(), "F")).isInstanceOf(Verdict.Finding.class);
    assertThat(
            new BranchDevice()
                .check(Panel.study(answering(american, School.SMALL_BREAKER, "branch").build())))
        .isEmpty();
  }
}
