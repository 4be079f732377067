package nelvar.core.analysis.bonding;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nelvar.core.Panel;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Cable;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.model.edit.Edits;
import org.junit.jupiter.api.Test;

class BondingTest {
  private static Bonding.Piece piece(Project project, String terminal) {
    return Bonding.of(Panel.study(project)).pieces().stream()
        .filter(p -> p.at().toString().equals(terminal))
        .findFirst()
        .orElseThrow();
  }

  private static Project star(Project project) {
    var b = project.brief();
    return project.withBrief(
        new Brief(
            b.supply(),
            b.surroundings(),
            b.policies()
                .answering(School.EARTHING_SYSTEM, School.EARTHING_SYSTEM.options().getLast())));
  }

  /// One wire of 2 m and 2.5 mm² from the inlet to the supply: 7.98 Ω/km (IEC 60228, class 5), 16.0
  /// mΩ, and 2 µH: 12.6 Ω at 1 MHz.
  @Test
  void oneWireByHand() {
    var project =
        Panel.mains()
            .device("T", "supply-24v-10a")
            .wire("X0:L1", "T:L", 2.5, 2)
            .wire("T:N", "X0:N", 2.5, 2)
            .protectiveOf("X0:PE", "T:PE", 2.5, 2)
            .build();
    var supply = piece(project, "T:PE");
    assertThat(supply.mains().orElseThrow()).isCloseTo(Math.hypot(0.01596, 0.000628), within(1e-5));
    assertThat(supply.fast().orElseThrow()).isCloseTo(12.566, within(0.01));
  }

  /// In a star the wires are all there is; on a bare plate the same part has a fiftieth.
  @Test
  void aBarePlateIsWorthMoreThanAWire() {
    var mesh = piece(Demo.settled(), "U1:PE").fast().orElseThrow();
    var wires = piece(star(Demo.settled()), "U1:PE").fast().orElseThrow();
    assertThat(wires).isGreaterThan(10 * mesh);
  }

  /// A shield beside the protective conductor of its motor halves what fast edges meet.
  @Test
  void aShieldHelpsTheMotorHome() {
    var project = Demo.settled();
    var cable =
        project.cables().stream()
            .filter(c -> c.id().text().equals("WD1"))
            .findFirst()
            .orElseThrow();
    var open = Edits.change(cable.withScreen(Cable.Screen.both(Cable.Ending.OPEN))).apply(project);
    assertThat(piece(project, "M1:PE").fast().orElseThrow())
        .isCloseTo(piece(open, "M1:PE").fast().orElseThrow() / 2, within(1.0));
    assertThat(Bonding.of(Panel.study(project)).loops())
        .noneMatch(Bonding.Loop::matters)
        .anyMatch(l -> l.closes().label().equals("-WD1"));
  }

  /// What nobody knows is counted, so that it can be said.
  @Test
  void aWireWithoutASectionIsAssumed() {
    var project = earthed(1);
    assertThat(Bonding.of(Panel.study(project)).assumed()).isZero();
    var thin =
        project.withConductors(
            project.conductors().stream()
                .map(w -> w.carriesWork() ? w : w.with(d -> d.section = java.util.Optional.empty()))
                .toList());
    assertThat(Bonding.of(Panel.study(thin)).assumed()).isEqualTo(2);
  }

  @Test
  void aDoorWithoutItsStrapIsJoinedToNothing() {
    assertThat(piece(Demo.planted(), "UC1:DOOR").mains()).isEmpty();
    assertThat(piece(Demo.settled(), "UC1:DOOR").mains()).isPresent();
  }

  private static Project earthed(int times) {
    var panel = Panel.dc().device("A", "motion-controller-3ax");
    panel.wire("T:+", "A:+", 0.75, 1).wire("T:-", "A:-", 0.75, 1);
    if (times > 0) panel.protective("T:-", "X0:PE", 2.5);
    if (times > 1) panel.protective("A:-", "T:PE", 2.5);
    return panel.build();
  }

  @Test
  void zeroVoltIsEarthedOnce() {
    for (var times = 0; times < 3; times++) {
      var zero = Bonding.of(Panel.study(earthed(times))).zeroVolt().getFirst();
      assertThat(zero.times()).isEqualTo(times);
    }
    assertThat(Panel.judge(new ZeroVoltOnce(), "T", earthed(1))).isInstanceOf(Verdict.Pass.class);
    // Earthed again it closes a ring that matters; once it closes none.
    assertThat(Bonding.of(Panel.study(earthed(1))).loops()).noneMatch(Bonding.Loop::matters);
    assertThat(Bonding.of(Panel.study(earthed(2))).loops()).anyMatch(Bonding.Loop::matters);
    var twice = earthed(2);
    var finding = (Verdict.Finding) Panel.judge(new ZeroVoltOnce(), "T", twice);
    assertThat(finding.severity()).isEqualTo(Severity.WARNING);
    assertThat(finding.proposals()).hasSize(2);
    for (var repair : finding.proposals()) {
      var after = repair.edit().apply(twice);
      assertThat(Panel.judge(new ZeroVoltOnce(), "T", after)).isInstanceOf(Verdict.Pass.class);
      assertThat(Bonding.of(Panel.study(after)).zeroVolt().getFirst().times()).isEqualTo(1);
    }
  }

  @Test
  void aWireMoreNeverMakesItWorse() {
    var project = earthed(1);
    var before = piece(project, "T:PE").fast().orElseThrow();
    var more =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("T:-", "A:-", 0.75, 1)
            .protective("T:-", "X0:PE", 2.5)
            .protective("X0:PE", "T:PE", 6)
            .build();
    assertThat(piece(more, "T:PE").fast().orElseThrow()).isLessThan(before);
  }
}
