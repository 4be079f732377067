package nelvar.core.analysis.shock;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Rule;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Connection;
import nelvar.core.model.Place;
import nelvar.core.network.Conditions;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Duration;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

class ShockRulesTest {
  private static Verdict.Finding found(Rule rule, String subject, Panel panel) {
    if (panel.judge(rule, subject) instanceof Verdict.Finding finding) return finding;
    throw new AssertionError(rule.id() + " finds nothing of " + subject);
  }

  /// A bank of 22 mF over 470 Ω behind 45 V: 10.3 s · ln(U0/60 V). Nothing is charged so at 24 V.
  @Test
  void thePinsOfAPlugOnABusOfMoreThanSixtyVolts() {
    var saw =
        Panel.mains()
            .device("F", "breaker-1p-c6")
            .device("T", "toroid-500va-230-36-9")
            .device("B", "rectifier-48vac-10a-22mf")
            .device("P", "connector-10-10a", Place.MACHINE)
            .device("Y", "brake-48vdc-17w", Place.MACHINE)
            .wire("X0:L1", "F:1", 1.5, 1)
            .wire("F:2", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1)
            .wire("T:4", "T:5", 1.5, 0.1)
            .wire("T:3", "B:~1", 1.5, 0.2)
            .wire("T:6", "B:~2", 1.5, 0.2)
            .wire("B:+", "P:1A", 1.5, 1)
            .wire("B:-", "P:2A", 1.5, 1)
            .wire("P:1B", "Y:+", 1.5, 1)
            .wire("P:2B", "Y:-", 1.5, 1);
    var charge = saw.study().engine().charges(Conditions.COLD_AND_HIGH).getFirst();
    var seconds = 470 * 0.022 * Math.log(charge.from().volts() / 60);
    assertThat(charge.from().volts()).isBetween(65.0, 85.0);
    var finding = found(new PlugCharge(), "P", saw);
    assertThat(finding.text()).contains("-P", "-B", "within 1 s", new Duration(seconds).toString());
    var low =
        Panel.dc()
            .device("P", "connector-10-10a", Place.MACHINE)
            .wire("T:+", "P:1A", 1.5, 1)
            .wire("T:-", "P:2A", 1.5, 1);
    assertThat(new PlugCharge().check(low.study())).isEmpty();
  }

  /// A machine on a cord with a filter: nobody states how fast its plug discharges. Without the
  /// filter, or wired for good, nothing is asked.
  @Test
  void thePlugOfTheMachineItself() {
    for (var filter : List.of(true, false))
      for (var cord : List.of(true, false)) {
        var panel = Panel.mains();
        if (cord)
          panel =
              panel.connected(
                  new Connection(
                      Optional.empty(),
                      Optional.of(new Connection.Cord(new CrossSection(1.5), new Length(2)))));
        if (filter) panel = panel.device("Z", "filter-1ph-10a").wire("X0:L1", "Z:L", 1.5, 1);
        var verdicts = new PlugCharge().check(panel.study()).toList();
        if (filter && cord)
          assertThat(verdicts)
              .singleElement()
              .isInstanceOfSatisfying(
                  Verdict.NotChecked.class, v -> assertThat(v.why()).contains("-Z", "within 1 s"));
        else assertThat(verdicts).isEmpty();
      }
  }

  /// A heater of 230 V and its sensor in one cable: nobody knows its insulation, so it is said;
  /// apart it passes, and a cable of low volts alone is not asked about.
  @Test
  void mainsAndLowVoltsInOneCable() {
    var apart =
        Panel.dc()
            .device("E", "heater-100w-230v", Place.MACHINE)
            .device("S", "limit-switch-1nc", Place.MACHINE)
            .cable("C1", "cable-4x1", 5, "D", 1, "X0:L2", "E:L", "X0:N", "E:N")
            .cable("C2", "cable-2x0p34", 5, "D", 0.34, "T:+", "S:11", "T:-", "S:12");
    assertThat(apart.judge(new LowVoltageApart(), "C1")).isInstanceOf(Verdict.Pass.class);
    assertThat(new LowVoltageApart().check(apart.study()).count()).isEqualTo(1);
    var mixed =
        Panel.dc()
            .device("E", "heater-100w-230v", Place.MACHINE)
            .device("S", "limit-switch-1nc", Place.MACHINE)
            .cable(
                "C1",
                "cable-5x1",
                5,
                "D",
                1,
                "X0:L2",
                "E:L",
                "X0:N",
                "E:N",
                "T:+",
                "S:11",
                "T:-",
                "S:12");
    assertThat(mixed.judge(new LowVoltageApart(), "C1"))
        .isInstanceOfSatisfying(
            Verdict.NotChecked.class, v -> assertThat(v.why()).contains("insulated for the mains"));
  }
}
