package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Heater;
import nelvar.core.catalogue.Linkage;
import nelvar.core.file.Demo;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CurrentsTest {
  private static double design(Study study, String wire) {
    return study.designCurrent(study.conductor(new Id(wire)).orElseThrow()).amperes();
  }

  private static double running(Study study, String wire) {
    return study.runningCurrent(study.conductor(new Id(wire)).orElseThrow()).amperes();
  }

  private static Heater heater(String id, double amperes) {
    return new Heater(
        id,
        id,
        nelvar.core.catalogue.Article.UNKNOWN,
        new Power(amperes * 400 / Math.sqrt(3)),
        new Voltage(400 / Math.sqrt(3)));
  }

  /// Handbook example for linear loads of equal power factor: 10, 6 and 3 A on three lines give
  /// √(10² + 6² + 3² − 60 − 18 − 30) = 6.08 A in the neutral.
  @Test
  void theNeutralCarriesThePhasorSum() {
    var panel = Panel.mains();
    var amperes = new double[] {10, 6, 3};
    for (var i = 0; i < 3; i++) {
      panel
          .part(heater("h" + i, amperes[i]))
          .device("E" + i, "h" + i)
          .wire("X0:L" + (i + 1), "E" + i + ":L", 2.5, 1);
    }
    panel.device("N", "block-neutral-8").wire("X0:N", "N:1", 2.5, 1);
    for (var i = 0; i < 3; i++) panel.wire("E" + i + ":N", "N:" + (i + 2), 2.5, 1);
    var study = panel.study();
    assertThat(design(study, "W1")).isCloseTo(10, within(1e-6));
    assertThat(design(study, "W3")).isCloseTo(3, within(1e-6));
    // The neutral wire also carries at least its largest single load alone.
    assertThat(study.currents().given(study.network().sources().getFirst()).get(3).running())
        .isCloseTo(6.0828, within(1e-3));
    assertThat(running(study, "W4")).isCloseTo(6.0828, within(1e-3));
  }

  /// By hand: 24 V, pump 3 A at 50 % loading, 40 % duty: 1.5 A when on, 0.6 A in the mean.
  @Test
  void loadingAndDutyCount() {
    var study =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .works(50, 100, 40)
            .wire("T:+", "M:+", 1, 2)
            .wire("M:-", "T:-", 1, 2)
            .study();
    assertThat(design(study, "W5")).isCloseTo(1.5, within(1e-9));
    assertThat(running(study, "W5")).isCloseTo(0.6, within(1e-9));
  }

  /// By hand: two pumps of 3 A, 50 % of each together with the rest: 3 A in common, but each own
  /// wire carries 3 A.
  @Test
  void simultaneityCountsWhereLoadsMeet() {
    var study =
        Panel.dc()
            .device("P", "block-plus-8")
            .device("A", "pump-24v-3a")
            .works(100, 50, 100)
            .device("B", "pump-24v-3a")
            .works(100, 50, 100)
            .device("C", "pump-24v-3a")
            .works(100, 50, 100)
            .wire("T:+", "P:1", 2.5, 1)
            .wire("P:2", "A:+", 1, 1)
            .wire("A:-", "T:-", 1, 1)
            .wire("P:3", "B:+", 1, 1)
            .wire("B:-", "T:-", 1, 1)
            .wire("P:4", "C:+", 1, 1)
            .wire("C:-", "T:-", 1, 1)
            .study();
    assertThat(design(study, "W5")).isCloseTo(4.5, within(1e-9));
    assertThat(design(study, "W6")).isCloseTo(3, within(1e-9));
  }

  /// Worked example, mains current of a supply: P/(η U λ). 72 W at 24 V, 90 %, 230.94 V, 0.95:
  /// 0.3646 A.
  @Test
  void aSupplyTakesWhatItGivesPlusItsLoss() {
    var study =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 1, 2)
            .wire("M:-", "T:-", 1, 2)
            .study();
    assertThat(design(study, "W2")).isCloseTo(72 / (0.9 * 230.94 * 0.95), within(1e-4));
  }

  /// By hand: motor 0.55 kW, 400 V star, 1.45 A at cosφ 0.75 takes √3 · 400 · 1.45 · 0.75 = 753 W;
  /// its drive, 95 % and power factor 0.7, takes 753/0.95/(√3 · 400 · 0.7) = 1.635 A in each line.
  @Test
  void aDriveTakesWhatItsMotorNeeds() {
    var panel =
        Panel.mains()
            .device("U", "drive-3ph-400-0p75kw")
            .device("M", "motor-0p55kw-230-400")
            .linked(Linkage.STAR);
    for (var i = 1; i <= 3; i++) panel.wire("X0:L" + i, "U:L" + i, 1.5, 1);
    panel.wire("U:U", "M:U", 1.5, 9).wire("U:V", "M:V", 1.5, 9).wire("U:W", "M:W", 1.5, 9);
    var study = panel.study();
    for (var wire : List.of("W4", "W5", "W6"))
      assertThat(design(study, wire)).isCloseTo(1.45, within(1e-6));
    for (var wire : List.of("W1", "W2", "W3"))
      assertThat(design(study, wire)).isCloseTo(1.635, within(1e-3));
  }

  /// Rule of thumb for chopper drives in parallel connection: 67 % of the phase current set; 4.2 A
  /// gives 2.81 A.
  @Test
  void aStepperDriveTakesTwoThirdsOfItsPhaseCurrent() {
    var study =
        Panel.dc("supply-48v-10a", "breaker-1p-c10")
            .device("U", "stepper-drive-50v-5a")
            .device("M", "stepper-motor-4p2a")
            .wire("T:+", "U:+", 1.5, 1)
            .wire("U:-", "T:-", 1.5, 1)
            .wire("U:A+", "M:A+", 1, 5)
            .wire("U:A-", "M:A-", 1, 5)
            .wire("U:B+", "M:B+", 1, 5)
            .wire("U:B-", "M:B-", 1, 5)
            .study();
    assertThat(design(study, "W5")).isCloseTo(0.67 * 4.2, within(1e-9));
    assertThat(design(study, "W9")).isCloseTo(4.2, within(1e-9));
  }

  /// A resistance made for 12 V takes four times its power on 24 V.
  @Test
  void aResistanceGoesWithTheSquareOfTheVoltage() {
    var study =
        Panel.dc()
            .device("K", "relay-6a-12vdc")
            .wire("T:+", "K:A1", 1, 1)
            .wire("K:A2", "T:-", 1, 1)
            .study();
    assertThat(design(study, "W5")).isCloseTo(4 * 0.5 / 24, within(1e-9));
  }

  @Test
  void aCoilMayBeConnectedEitherWayRoundAndBehindASinkingOutput() {
    var study =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .device("K", "relay-6a-24vdc")
            .wire("T:+", "A:+", 1, 1)
            .wire("A:-", "T:-", 1, 1)
            .wire("T:+", "K:A2", 1, 1)
            .wire("K:A1", "A:Q1", 1, 1)
            .study();
    assertThat(study.network().feeds(new Id("K")).getFirst().state()).isEqualTo(Feed.State.FED);
    assertThat(design(study, "W6"))
        .as("return of controller and coil")
        .isCloseTo(0.6 + 0.5 / 24, within(1e-9));
  }

  @Test
  void aRingOfConvertersIsFoundNotFollowedForEver() {
    var study =
        Panel.mains()
            .device("A", "supply-24v-5a")
            .device("B", "supply-24v-5a")
            .wire("A:+", "B:L", 1, 1)
            .wire("A:-", "B:N", 1, 1)
            .wire("B:+", "A:L", 1, 1)
            .wire("B:-", "A:N", 1, 1)
            .study();
    assertThat(study.currents().loops()).isNotEmpty();
  }

  /// Kirchhoff: what flows into a block flows out of it. On the demo, at every block of one
  /// potential.
  @Test
  void currentsAtEveryBlockSumToZero() {
    var study = Panel.study(Demo.planted());
    for (var block : List.of("X11", "X12", "X13", "X48", "X31", "X32")) {
      var wires =
          study.at(new Id(block)).stream()
              .map(study::runningCurrent)
              .mapToDouble(c -> c.amperes())
              .sorted()
              .toArray();
      var into = wires[wires.length - 1];
      var out = java.util.Arrays.stream(wires).sum() - into;
      // One kind of current only; lines with unlike power factors sum to no less than their phasor
      // sum.
      if (block.startsWith("X1"))
        assertThat(out).as(block).isGreaterThanOrEqualTo(into - 1e-9).isLessThan(into * 1.1);
      else assertThat(out).as(block).isCloseTo(into, within(1e-9));
    }
  }

  /// The mains give what all loads take plus all losses: Σ P(inlet) = Σ P of the feeds on it.
  @Test
  void powerBalances() {
    var study = Panel.study(Demo.settled());
    var inlet = nelvar.core.analysis.load.InletLoad.inlet(study).orElseThrow();
    var fed =
        study.currents().served(inlet).stream()
            .mapToDouble(feed -> study.currents().drawn(feed).runningWatts())
            .sum();
    var loads =
        study.network().feeds().stream()
            .filter(feed ->
                study.network().sources(feed.device()).isEmpty()
                    && feed.source().isPresent()
                    && !feed.intake().name().equals("B"))
            .toList();
    var useful =
        loads.stream()
            .filter(feed -> !feed.source().get().output().name().equals("A"))
            .mapToDouble(feed -> study.currents().drawn(feed).runningWatts())
            .sum();
    assertThat(fed).isGreaterThan(useful).isLessThan(useful * 2);
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4})
  void theOrderInTheFileChangesNothing(long seed) {
    var project = GeneratedPanel.of(30, seed);
    var shuffled = new ArrayList<>(project.conductors());
    Collections.shuffle(shuffled, new Random(seed));
    var devices = new ArrayList<>(project.devices());
    Collections.shuffle(devices, new Random(seed + 1));
    var before = Panel.study(project);
    var after = Panel.study(project.withConductors(shuffled).withDevices(devices));
    for (var conductor : project.conductors())
      assertThat(after.designCurrent(conductor).amperes())
          .isCloseTo(before.designCurrent(conductor).amperes(), within(1e-9));
  }

  /// A slow, obviously right twin: in a tree of one source, a wire carries the sum of the loads
  /// beyond it.
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5})
  void agreesWithCuttingEachWire(long seed) {
    var project = GeneratedPanel.of(9, seed);
    var study = Panel.study(project);
    for (var conductor : project.conductors()) {
      if (conductor.function() == Conductor.Function.PROTECTIVE
          || study.circuit(conductor).isEmpty()
          || study.circuit(conductor).get().source().output().alternating()) continue;
      assertThat(study.designCurrent(conductor).amperes())
          .as(conductor.label() + "")
          .isCloseTo(lostWithout(project, conductor, study), within(1e-9));
    }
  }

  private static double lostWithout(Project project, Conductor conductor, Study whole) {
    var cut =
        Panel.study(
            project.withConductors(
                project.conductors().stream().filter(c -> c != conductor).toList()));
    var lost = 0.0;
    for (var feed : whole.network().feeds()) {
      if (feed.source().isEmpty() || feed.source().get().output().alternating()) continue;
      if (cut.network().feeds(feed.device().id()).getFirst().state() != Feed.State.FED)
        lost += whole.designCurrent(feed).amperes();
    }
    return lost;
  }
}
