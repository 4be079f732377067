package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.completeness.Chatter;
import nelvar.core.analysis.earthing.FloatingZeroVolt;
import nelvar.core.analysis.earthing.ResidualCharge;
import nelvar.core.analysis.earthing.WorkingCurrentInEarth;
import nelvar.core.analysis.parts.CoilRange;
import nelvar.core.analysis.parts.LoadVolts;
import nelvar.core.analysis.parts.SignalLevel;
import nelvar.core.analysis.protection.Bypassed;
import nelvar.core.analysis.protection.ClearsFault;
import nelvar.core.analysis.supply.BackFeed;
import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.School;
import nelvar.core.standards.TripCurve;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// The rules that ask the solved network, each on the smallest panel that shows it.
class NetworkRulesTest {
  private static void passes(Rule rule, String subject, Panel panel) {
    assertThat(panel.judge(rule, subject)).isInstanceOf(Verdict.Pass.class);
  }

  private static Verdict.Finding found(Rule rule, String subject, Panel panel) {
    var verdict = panel.judge(rule, subject);
    assertThat(verdict).isInstanceOf(Verdict.Finding.class);
    return (Verdict.Finding) verdict;
  }

  private static void curesAll(Rule rule, String subject, Panel panel) {
    var project = panel.build();
    var repairs = found(rule, subject, panel).proposals();
    assertThat(repairs).isNotEmpty();
    for (var repair : repairs)
      assertThat(Panel.judge(rule, subject, repair.edit().apply(project)))
          .as(repair.label())
          .isInstanceOf(Verdict.Pass.class);
  }

  private static Panel controller(double returns) {
    return Panel.dc()
        .device("A", "motion-controller-3ax")
        .wire("T:+", "A:+", 1, 1)
        .wire("A:-", "T:-", 1, 1)
        .device("X", "block-minus-16")
        .wire("X:1", "T:-", 1, returns);
  }

  /// The motion controller needs 20.4 V. 0.6 A through 2·l·0.0195·1.1965 Ω/m of 1 mm² loses 3.6 V
  /// at l = 128 m; the supply's own 0.2 % and landings take a little more.
  @ParameterizedTest
  @CsvSource({"120, true", "130, false"})
  void aLoadGetsItsLeastVoltage(double metres, boolean holds) {
    var panel =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .wire("T:+", "A:+", 1, metres)
            .wire("A:-", "T:-", 1, metres);
    if (holds) passes(new LoadVolts(), "A", panel);
    else curesAll(new LoadVolts(), "A", panel);
  }

  @Test
  void withoutLengthsVoltsAreNotChecked() {
    var panel =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .wire(
                "T:+",
                "A:+",
                Conductor.Function.POWER,
                Optional.of(1.0),
                Optional.empty(),
                Optional.of("D"))
            .wire("A:-", "T:-", 1, 1);
    assertThat(panel.judge(new LoadVolts(), "A"))
        .isInstanceOfSatisfying(
            Verdict.NotChecked.class, not -> assertThat(not.why()).contains("length of W5"));
  }

  /// Contactor of 4.5 W (128 Ω) behind 0.5 mm² of which each metre out and back is 2·0.0467 Ω when
  /// warm: it needs 20.4 of 24 V, so at most 0.176 of 1 in the wire: 128·3.6/20.4/0.0933 = 242 m.
  @ParameterizedTest
  @CsvSource({"235, true", "250, false"})
  void aCoilStillPullsInAtWorst(double metres, boolean holds) {
    var panel =
        Panel.dc()
            .device("K", "contactor-3p-9a-24vdc")
            .control("T:+", "K:A1", 0.5, metres)
            .control("K:A2", "T:-", 0.5, metres);
    if (holds) passes(new CoilRange(), "K", panel);
    else curesAll(new CoilRange(), "K", panel);
  }

  /// A sinking sensor and a pump of 3 A on one return of 1 mm²: at 70 °C, 0.0233 Ω/m · 3 A lift it
  /// by 0.07 V a metre; 5 V, the input's off level, come at about 71 m.
  @ParameterizedTest
  @CsvSource({"60, true", "80, false"})
  void aSinkingSensorPullsLowEnough(double metres, boolean holds) {
    var panel =
        controller(metres)
            .device("B", "photo-eye-npn")
            .wire("T:+", "B:+", 0.34, 1)
            .wire("B:-", "X:2", 0.34, 1)
            .control("B:OUT", "A:DI1", 0.34, 1)
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 2.5, 1)
            .wire("M:-", "X:3", 2.5, 1);
    // DI1 reads +; its own current is small beside the lift, but a pull-up makes it see the
    // sensor's 0 V.
    if (holds) passes(new SignalLevel(), "B", panel);
    else assertThat(found(new SignalLevel(), "B", panel).text()).contains("return of its own");
  }

  /// 0.1 V, 1 % of 10 V, is reached by 3 A in about 1.4 m of 1 mm².
  @ParameterizedTest
  @CsvSource({"1, true", "2, false"})
  void anAnalogueSignalIsWrongByTheLift(double metres, boolean holds) {
    var panel =
        controller(metres)
            .device("B", "load-cell-amplifier")
            .wire("T:+", "B:+", 0.34, 1)
            .wire("B:-", "X:2", 0.34, 0.1)
            .control("B:OUT", "A:AI1", 0.34, 1)
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 2.5, 1)
            .wire("M:-", "X:3", 2.5, 1);
    if (holds) passes(new SignalLevel(), "B", panel);
    else assertThat(found(new SignalLevel(), "B", panel).title()).contains("shared return");
  }

  @Test
  void aSourcingSensorReachesItsInput() {
    passes(
        new SignalLevel(),
        "B",
        controller(1)
            .device("B", "photo-eye-pnp")
            .wire("T:+", "B:+", 0.34, 5)
            .wire("B:-", "X:2", 0.34, 5)
            .control("B:OUT", "A:DI1", 0.34, 5));
  }

  private static Panel branch(String supply, String breaker) {
    return Panel.dc(supply, "breaker-1p-c6")
        .device("F2", breaker)
        .device("M", "pump-24v-3a")
        .wire("T:+", "F2:1", 2.5, 0.5)
        .wire("F2:2", "M:+", 0.5, 5)
        .wire("M:-", "T:-", 0.5, 5);
  }

  /// On direct current a C 6 A needs 10·6·1.4 = 84 A at once; within 5 s by its thermal part
  /// 6·2.55·√(60/5) = 53 A. A 10 A supply gives 11 A, and 0.5 mm² does not carry that: an error. On
  /// 2.5 mm² it does: a warning. An electronic channel of 4 A opens at 1.2 times its rating.
  @Test
  void anElectronicSupplyDoesNotOpenABreaker() {
    var thin = found(new ClearsFault(), "F2", branch("supply-24v-10a", "breaker-1p-c6"));
    assertThat(thin.severity()).isEqualTo(Severity.ERROR);
    assertThat(thin.text()).contains("53 A").contains("11 A");
    var thick =
        Panel.dc()
            .device("F2", "breaker-1p-c6")
            .device("M", "pump-24v-3a")
            .wire("T:+", "F2:1", 2.5, 0.5)
            .wire("F2:2", "M:+", 2.5, 5)
            .wire("M:-", "T:-", 2.5, 5);
    assertThat(found(new ClearsFault(), "F2", thick).severity()).isEqualTo(Severity.WARNING);
    passes(
        new ClearsFault(),
        "F2",
        Panel.dc()
            .device("F2", "electronic-4-4a")
            .device("M", "pump-24v-3a")
            .wire("T:+", "F2:+", 2.5, 0.5)
            .wire("F2:0V", "T:-", 1, 0.5)
            .wire("F2:1", "M:+", 0.5, 5)
            .wire("M:-", "T:-", 0.5, 5));
  }

  /// A Z 2.5 A behind a supply limited to 11 A: its magnetic trip opens at 3 · 2.5 · 1.4 = 10.5 A;
  /// who counts with 1.5 says 11.25 A, and by its thermal part 2.5 · 2.55 · √12 = 22 A.
  @ParameterizedTest
  @CsvSource({"1.4, true", "1.5, false"})
  void theSchoolDecidesOnDirectCurrent(String factor, boolean opens) {
    var panel =
        branch("supply-24v-10a", "z")
            .part(
                new CircuitBreaker(
                    "z",
                    "Z 2.5 A",
                    nelvar.core.catalogue.Article.UNKNOWN,
                    1,
                    new Current(2.5),
                    TripCurve.Z,
                    new Current(6000),
                    Optional.empty()))
            .answering(School.DIRECT_TRIP, factor);
    var verdict = panel.judge(new ClearsFault(), "F2");
    assertThat(verdict).isInstanceOf(opens ? Verdict.Pass.class : Verdict.Finding.class);
    var trail =
        verdict instanceof Verdict.Pass pass ? pass.trail() : ((Verdict.Finding) verdict).trail();
    assertThat(trail.text()).contains(factor + " times the band");
  }

  /// 1.1 kA at the inlet, stated.
  private static Brief site(Brief b) {
    var s = b.supply();
    return new Brief(
        new Brief.Supply(
            s.voltage(),
            s.frequency(),
            s.earthing(),
            s.upstream(),
            Optional.empty(),
            Optional.of(new Current(1100))),
        b.surroundings(),
        b.policies());
  }

  /// 230 V, C 16: within 5 s it needs 16·2.55·√12 = 141 A. With 1.1 kA at the inlet (0.21 Ω a
  /// line), 2.5 mm² out and back at 70 °C: 0.95·231/(0.42 + 0.0191·l) = 141 A at l = 59 m.
  @ParameterizedTest
  @CsvSource({"50, true", "70, false"})
  void theMainsOpensABreakerUnlessTheWireIsLong(double metres, boolean holds) {
    var panel =
        Panel.mains()
            .brief(NetworkRulesTest::site)
            .device("F", "breaker-1p-c16")
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "F:1", 6, 0.2)
            .wire("F:2", "E:L", 2.5, metres)
            .wire("E:N", "X0:N", 2.5, metres);
    if (holds) passes(new ClearsFault(), "F", panel);
    else found(new ClearsFault(), "F", panel);
  }

  @Test
  void whatIsNotClosedWhileRunningIsNotChecked() {
    var panel =
        Panel.dc()
            .device("F2", "fuse-1p-gg2")
            .device("S", "push-button-1no")
            .device("M", "pump-24v-3a")
            .wire("T:+", "F2:1", 1, 1)
            .wire("F2:2", "S:13", 1, 1)
            .wire("S:14", "M:+", 1, 1)
            .wire("M:-", "T:-", 1, 1);
    assertThat(panel.judge(new ClearsFault(), "F2")).isInstanceOf(Verdict.NotChecked.class);
  }

  private static Panel twoSupplies(String second) {
    return Panel.dc()
        .device("F3", "breaker-1p-c6")
        .device("T2", second)
        .wire("X0:L2", "F3:1", 2.5, 0.5)
        .wire("F3:2", "T2:L", 2.5, 0.5)
        .wire("T2:N", "X0:N", 2.5, 0.5)
        .wire("T:-", "T2:-", 2.5, 0.5);
  }

  @Test
  void suppliesDoNotFeedEachOther() {
    passes(new BackFeed(), "T", twoSupplies("supply-24v-10a"));
    assertThat(
            found(new BackFeed(), "T", twoSupplies("supply-24v-10a").wire("T:+", "T2:+", 2.5, 1))
                .severity())
        .isEqualTo(Severity.WARNING);
    assertThat(
            found(new BackFeed(), "T", twoSupplies("supply-48v-5a").wire("T:+", "T2:+", 2.5, 1))
                .severity())
        .isEqualTo(Severity.ERROR);
    passes(
        new BackFeed(),
        "T",
        twoSupplies("supply-24v-10a")
            .device("V", "diode-module-2x20a")
            .wire("T:+", "V:1", 2.5, 1)
            .wire("T2:+", "V:2", 2.5, 1));
  }

  @Test
  void aSecondWayRoundABreakerIsFound() {
    var panel =
        Panel.dc()
            .device("F2", "fuse-1p-gg4")
            .device("F3", "fuse-1p-gg4")
            .device("X", "block-plus-8")
            .wire("T:+", "F2:1", 1, 1)
            .wire("T:+", "F3:1", 1, 1)
            .wire("F2:2", "X:1", 1, 1);
    passes(new Bypassed(), "F2", panel);
    panel.wire("F3:2", "X:2", 1, 1);
    found(new Bypassed(), "F2", panel);
    found(new Bypassed(), "F3", panel);
    passes(new Bypassed(), "F", panel);
  }

  /// The pump's return is left off and its 0 V side wired to PE: all 3 A come home through the
  /// bond.
  @Test
  void aLoadThatReturnsThroughEarthIsFound() {
    var sound =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 1, 1)
            .protective("X0:PE", "T:-", 2.5)
            .wire("M:-", "T:-", 1, 1);
    passes(new WorkingCurrentInEarth(), "W6", sound);
    var earthed =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 1, 1)
            .protective("X0:PE", "T:-", 2.5)
            .wire("M:-", "X0:PE", 1, 1);
    assertThat(found(new WorkingCurrentInEarth(), "W6", earthed).text()).contains("3 A");
    var shield =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 1, 1)
            .wire(
                "M:-",
                "T:-",
                Conductor.Function.SHIELD,
                Optional.of(1.0),
                Optional.of(1.0),
                Optional.of("D"));
    assertThat(found(new WorkingCurrentInEarth(), "W6", shield).title()).contains("shield");
  }

  private static Panel board() {
    return Panel.dc()
        .device("A", "motion-controller-3ax")
        .wire("T:+", "A:+", 0.75, 1)
        .wire("A:-", "T:-", 0.75, 1);
  }

  /// A bridge earthed on its minus alone is right; its winding earthed too shorts each half wave.
  @Test
  void aBridgeIsEarthedOnOneSide() {
    var panel =
        Panel.mains()
            .device("T", "transformer-250va-230-24")
            .wire("X0:L1", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1)
            .device("B", "rectifier-24vac-10a-22mf")
            .wire("T:3", "B:~1", 2.5, 1)
            .wire("T:4", "B:~2", 2.5, 1)
            .protective("X0:PE", "B:-", 2.5);
    passes(new nelvar.core.analysis.earthing.BridgeEarthedTwice(), "B", panel);
    panel.protective("X0:PE", "T:4", 2.5);
    var found = found(new nelvar.core.analysis.earthing.BridgeEarthedTwice(), "B", panel);
    assertThat(found.severity()).isEqualTo(nelvar.core.finding.Severity.ERROR);
  }

  @Test
  void aFloatingZeroVoltIsFound() {
    found(new FloatingZeroVolt(), "T", board());
    passes(new FloatingZeroVolt(), "T", board().protective("X0:PE", "T:-", 2.5));
    // Two supplies of one circuit are told of once; a bus for axes, and a winding, not at all.
    var two =
        board()
            .device("T2", "supply-24v-5a")
            .wire("T2:-", "T:-", 0.75, 1)
            .device("A2", "motion-controller-3ax")
            .wire("T2:+", "A2:+", 0.75, 1)
            .wire("A2:-", "T2:-", 0.75, 1);
    assertThat(new FloatingZeroVolt().check(two.study())).hasSize(1);
    var axes =
        Panel.dc()
            .device("U", "stepper-drive-50v-5a")
            .wire("T:+", "U:+", 1.5, 1)
            .wire("U:-", "T:-", 1.5, 1);
    assertThat(new FloatingZeroVolt().check(axes.study())).isEmpty();
  }

  @Test
  void aBuzzingRelayIsFound() {
    var panel =
        Panel.dc()
            .device("K", "relay-6a-24vdc")
            .control("T:+", "K:11", 0.75, 1)
            .control("K:12", "K:A1", 0.75, 1)
            .control("K:A2", "T:-", 0.75, 1);
    assertThat(found(new Chatter(), "K", panel).text()).contains("-K coil");
    passes(
        new Chatter(),
        "K",
        Panel.dc()
            .device("K", "relay-6a-24vdc")
            .control("T:+", "K:A1", 0.75, 1)
            .control("K:A2", "T:-", 0.75, 1));
  }

  /// 1000 µF and 10 kΩ from 68 V: 26.1 s to 5 V; 470 µF, 6297 Ω from 325 V: 5 s to 60 V (t = RC
  /// ln(U0/U), worked by hand).
  @ParameterizedTest
  @CsvSource({
    "0.001, 10000, 68, 5, 26.1",
    "0.00047, 6297, 325, 60, 5.0",
    "0.001, 10000, 50, 60, 0"
  })
  void aCapacitorEmptiesThroughItsBleeder(
      double farads, double ohms, double from, double to, double seconds) {
    assertThat(
            ResidualCharge.time(
                    new Capacitance(farads),
                    new Resistance(ohms),
                    new Voltage(from),
                    new Voltage(to))
                .value()
                .seconds())
        .isCloseTo(seconds, within(0.05));
  }

  /// The drive of 0.75 kW: 235 µF, 68 kΩ, √2·528 V: 0.000235·68000·ln(747/60) = 40.3 s.
  @Test
  void chargeThatStaysIsFound() {
    var drive =
        Panel.mains()
            .device("U", "drive-3ph-400-0p75kw")
            .device("T", "rectifier-24vac-10a-22mf")
            .device("S", "supply-24v-5a");
    assertThat(found(new ResidualCharge(), "U", drive).text()).contains("40.3 s");
    passes(new ResidualCharge(), "T", drive);
  }
}
