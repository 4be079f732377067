package nelvar.core.analysis.stop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.file.Demo;
import nelvar.core.model.Id;
import nelvar.core.network.Rehearsal;
import nelvar.core.units.Duration;
import org.junit.jupiter.api.Test;

/// What can be done to a machine, and one thing after another.
class ScenarioTest {
  private static final Study STUDY = Panel.study(Demo.settled());

  private static StopRehearsal after(String... words) {
    var acts = new ArrayList<Rehearsal.Act>();
    for (var i = 0; i < words.length; i++)
      acts.addAll(Scenario.find(words[i], STUDY).orElseThrow().at(new Duration(2.0 * i)));
    return StopRehearsal.of(acts, new Duration(60), STUDY);
  }

  private static StopRehearsal.Fate fate(StopRehearsal of, String device) {
    return of.of(STUDY.device(new Id(device)).orElseThrow()).getFirst();
  }

  @Test
  void whatCanBeDoneIsOffered() {
    assertThat(Scenario.all(STUDY))
        .extracting(Scenario.Doable::words)
        .contains(
            "press -S1",
            "let go -S1",
            "open -S4",
            "reset with -S5",
            "push -S6",
            "mains away at -X0",
            "mains away at -X0 for 20 ms",
            "mains down to 40 % for 0.2 s",
            "overload -M1, 150 %",
            "lose the phase L3 of -X0",
            "lose -T2",
            "-A1 restarts, its outputs off");
    assertThat(Scenario.first(STUDY).orElseThrow().words()).isEqualTo("press -S1");
    assertThat(Scenario.find("Press S1", STUDY)).isPresent();
    assertThat(Scenario.find("press S99", STUDY)).isEmpty();
  }

  /// Let go alone brings nothing back; reset does, since every program goes on.
  @Test
  void onlyTheResetBringsItBack() {
    assertThat(fate(after("press -S1", "let go -S1"), "M4").dry()).isPresent();
    var back = fate(after("press -S1", "let go -S1", "reset with -S5"), "M4").back().orElseThrow();
    assertThat(back.lost().seconds()).isLessThan(2);
    assertThat(back.again().seconds()).isBetween(4.0, 6.0);
  }

  /// A dip that the capacitors of the supplies carry takes nothing of the 24 V.
  @Test
  void aShortDipIsCarried() {
    assertThat(fate(after("mains away at -X0 for 20 ms"), "A1").dry()).isEmpty();
    assertThat(fate(after("mains away at -X0"), "A1").dry()).isPresent();
    var longer = fate(after("mains away at -X0 for 0.2 s"), "A1");
    assertThat(longer.back()).isPresent();
  }

  /// Electronic supplies with a wide input hardly notice 40 %; what hangs on the mains does; 10 %
  /// is as good as nothing. Any depth and length can be asked for, none that cannot be.
  @Test
  void aDipByItsDepthAndLength() {
    var half = after("mains down to 40 % for 0.2 s");
    assertThat(fate(half, "A1").dry()).isEmpty();
    assertThat(fate(half, "A1").back()).isEmpty();
    assertThat(fate(half, "M1").back().orElseThrow().again().seconds()).isEqualTo(0.2);
    assertThat(fate(after("mains down to 70 % for 0.5 s"), "M1").back()).isEmpty();
    var deep = fate(after("mains down to 10 % for 0.2 s"), "A1");
    // 20 ms of hold-up, and half a second to come back.
    assertThat(deep.back().orElseThrow().lost().seconds()).isEqualTo(0.02);
    assertThat(deep.back().orElseThrow().again().seconds()).isEqualTo(0.7);
    assertThat(fate(after("mains down to 10 % for 15 ms"), "A1").back()).isEmpty();
    for (var refused : List.of("mains down to 200 % for 1 s", "mains down to x for 1 s"))
      assertThat(Scenario.find(refused, STUDY)).isEmpty();
  }

  @Test
  void aSupplyAloneTakesWhatHangsOnIt() {
    var lost = after("lose -T2");
    assertThat(fate(lost, "M6").dry()).isPresent();
    assertThat(fate(lost, "A1").dry()).isEmpty();
  }

  /// Its outputs off: what programs switch stops, with nobody pressing anything.
  @Test
  void aControllerThatRestarts() {
    var restarts = after("-A1 restarts, its outputs off");
    for (var load : List.of("M1", "M6", "Y1"))
      assertThat(fate(restarts, load).dry()).as(load).isPresent();
    assertThat(fate(after("-A1 hangs, its outputs on"), "M1").dry()).isEmpty();
  }
}
