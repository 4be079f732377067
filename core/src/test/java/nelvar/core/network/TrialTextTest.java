package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import java.util.Set;
import nelvar.core.Panel;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Everything that can be tried can be written.
final class TrialTextTest {
  private static Panel panel() {
    return Panel.dc()
        .device("Q", "motor-protector-4a")
        .device("K", "relay-6a-24vdc")
        .wire("T:+", "K:A1", 0.75, 1)
        .wire("K:A2", "T:-", 0.75, 1)
        .device("H", "lamp-led-24v-10w")
        .wire("T:+", "H:+", 0.75, 1)
        .wire("H:-", "T:-", 0.75, 1);
  }

  private static TrialText reader(Panel panel) {
    return new TrialText(panel.build(), panel.study().engine().circuitry(new Temperature(20)));
  }

  private static Set<Disturbance> set(String text) {
    return reader(panel()).set(WhatIf.AS_DESIGNED, text).disturbances();
  }

  @Test
  void quantitiesAndPartsAreRead() {
    var wire = panel().build().conductors().getFirst();
    assertThat(set("H=50 %")).containsExactly(new Disturbance.LoadAt(new Id("H"), new Percent(50)));
    assertThat(set(wire.label().text() + "=2 ohm"))
        .containsExactly(new Disturbance.Loose(wire.id(), new Resistance(2)));
    assertThat(set("Q=3.5A"))
        .containsExactly(new Disturbance.WrongSetting(new Id("Q"), new Current(3.5)));
    assertThat(set("K=relay-6a-12vdc"))
        .containsExactly(new Disturbance.WrongPart(new Id("K"), "relay-6a-12vdc"));
    assertThat(set("K=dead")).containsExactly(new Disturbance.Dead(new Id("K")));
    assertThat(set("K=on"))
        .containsExactly(new Disturbance.Hold(new ActuatorRef(new Id("K"), "coil"), true));
    var swapped = reader(panel()).swap(WhatIf.AS_DESIGNED, "K:A1,K:A2");
    assertThat(swapped.disturbances())
        .containsExactly(new Disturbance.Swap(TerminalRef.of("K:A1"), TerminalRef.of("K:A2")));
    assertThat(reader(panel()).swap(swapped, "K:A2,K:A1")).isEqualTo(WhatIf.AS_DESIGNED);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Q=9 A | is set from 2.5 A to 4 A, not to 9 A",
        "H=3 A | has nothing that is set to a current",
        "Q=50 % | takes no power",
        "H=-5 % | takes 0 to 500 % of its rating, not",
        "H=900 % | takes 0 to 500 % of its rating, not 900 %",
        "H=relay-6a-24vdc | wires land on +, -, which that has not",
        "W99=2 ohm | there is no conductor 'W99'",
        "K=perhaps | is not a state: write on, off",
        "K | sets nothing"
      })
  void whatCannotBeIsRefusedWithWhatCan(String text, String says) {
    assertThatThrownBy(() -> set(text))
        .isInstanceOf(TrialText.Unreadable.class)
        .hasMessageContaining(says);
  }

  /// By hand: 10 W on 24 V; with half its load 5 W are left of it.
  @Test
  void aLoadAtHalfTakesHalf() {
    var panel = panel();
    var trial = reader(panel).set(WhatIf.AS_DESIGNED, "H=50 %");
    var live = panel.study().engine().solve(trial, Conditions.usual(new Temperature(20)));
    var served = live.circuitry().served(new Id("H")).getFirst();
    assertThat(live.taken(served.device(), served.intake()).map(p -> Math.round(p.watts())))
        .isEqualTo(Optional.of(5L));
  }
}
