package nelvar.core.analysis.signals;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.Panel;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import org.junit.jupiter.api.Test;

class SwappedPlugsTest {
  /// A fan on the mains and a valve on 24 V, each behind its plug.
  private static Panel twoPlugs(String fan, String valve) {
    return Panel.dc()
        .device("X1", fan)
        .device("X2", valve)
        .device("E1", "fan-230v-20w", Place.MACHINE)
        .device("Y1", "valve-24vdc-4w8", Place.MACHINE)
        .wire("F:2", "X1:1A", 1.5, 1)
        .wire("X0:N", "X1:2A", 1.5, 1)
        .wire("X1:1B", "E1:L", 1.5, 2)
        .wire("X1:2B", "E1:N", 1.5, 2)
        .wire("T:+", "X2:1A", 1, 1)
        .wire("T:-", "X2:2A", 1, 1)
        .wire("X2:1B", "Y1:1", 1, 2)
        .wire("X2:2B", "Y1:2", 1, 2);
  }

  private static Verdict judge(Project project) {
    return Panel.judge(new PlugsToldApart(), "X1", project);
  }

  /// 230 V on a valve for 24 V: solved, said with both names, and cured by a coding.
  @Test
  void aMainsPlugOnTheSocketOfAValveDestroysIt() {
    var project = twoPlugs("connector-4-16a", "connector-4-16a").build();
    var finding = (Verdict.Finding) judge(project);
    assertThat(finding.text())
        .contains("-X1 goes onto -X2 too")
        .contains("-Y1 gets many times its volts");
    var cured = finding.proposals().getFirst().edit().apply(project);
    assertThat(cured.setting(new Id("X1"), SwappedPlugs.CODING)).contains("1");
    assertThat(new PlugsToldApart().check(Panel.study(cured))).isEmpty();
  }

  /// A lamp that has somewhat too many volts already is still destroyed by the mains: what was
  /// wrong before hides nothing.
  @Test
  void whatIsWrongAlreadyHidesNothing() {
    var project =
        Panel.dc()
            .device("R", "rectifier-24vac-10a-22mf")
            .device("K", "transformer-100va-230-24")
            .wire("F:2", "K:1", 1.5, 1)
            .wire("X0:N", "K:2", 1.5, 1)
            .wire("K:3", "R:~1", 1.5, 1)
            .wire("K:4", "R:~2", 1.5, 1)
            .device("X1", "connector-4-16a")
            .device("X2", "connector-4-16a")
            .device("E1", "fan-230v-20w", Place.MACHINE)
            .device("H1", "lamp-halogen-24v-20w", Place.MACHINE)
            .wire("F:2", "X1:1A", 1.5, 1)
            .wire("X0:N", "X1:2A", 1.5, 1)
            .wire("X1:1B", "E1:L", 1.5, 2)
            .wire("X1:2B", "E1:N", 1.5, 2)
            .wire("R:+", "X2:1A", 1, 1)
            .wire("R:-", "X2:2A", 1, 1)
            .wire("X2:1B", "H1:+", 1, 2)
            .wire("X2:2B", "H1:-", 1, 2)
            .build();
    var finding = (Verdict.Finding) judge(project);
    assertThat(finding.text()).contains("-H1 gets many times its volts");
  }

  /// Plugs of other sizes do not go together: there is nothing to judge.
  @Test
  void plugsOfOtherSizesAreNotExchanged() {
    var project = twoPlugs("connector-4-16a", "connector-m12-4").build();
    assertThat(SwappedPlugs.of(Panel.study(project))).isEmpty();
  }

  /// Two valves on each other's sockets lose nothing: no trial, and no finding.
  @Test
  void twoAlikeAreNotSolved() {
    var project =
        Panel.dc()
            .device("X1", "connector-m12-4")
            .device("X2", "connector-m12-4")
            .device("Y1", "valve-24vdc-4w8", Place.MACHINE)
            .device("Y2", "valve-24vdc-4w8", Place.MACHINE)
            .wire("T:+", "X1:1A", 1, 1)
            .wire("T:-", "X1:2A", 1, 1)
            .wire("X1:1B", "Y1:1", 1, 2)
            .wire("X1:2B", "Y1:2", 1, 2)
            .wire("T:+", "X2:1A", 1, 1)
            .wire("T:-", "X2:2A", 1, 1)
            .wire("X2:1B", "Y2:1", 1, 2)
            .wire("X2:2B", "Y2:2", 1, 2)
            .build();
    assertThat(SwappedPlugs.of(Panel.study(project))).isEmpty();
  }

  /// Exchanged twice every wire is where it was.
  @Test
  void anExchangeGoesBothWays() {
    var study = Panel.study(twoPlugs("connector-4-16a", "connector-4-16a").build());
    var pair = SwappedPlugs.of(study).getFirst();
    var moves = pair.trial().plug().moves();
    assertThat(moves).hasSize(8);
    for (var move : moves)
      assertThat(moves)
          .anyMatch(back ->
              back.from().equals(move.to().orElseThrow())
                  && back.to().orElseThrow().equals(move.from()));
  }
}
