package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nelvar.core.Panel;
import nelvar.core.analysis.protection.OwnDevice;
import nelvar.core.analysis.supply.AllOutputs;
import nelvar.core.analysis.supply.BackFeed;
import nelvar.core.analysis.supply.SuppliesTogether;
import nelvar.core.analysis.supply.SupplyHeadroom;
import nelvar.core.analysis.supply.SupplyLoad;
import nelvar.core.analysis.supply.SupplyOverloaded;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.network.Live;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Several supplies on one bus, several outputs of one supply.
class SupplyRulesTest {
  private static Panel second(Panel panel, String supply) {
    return panel
        .device("F9", "breaker-1p-c6")
        .device("T2", supply)
        .wire("X0:L2", "F9:1", 6, 0.5)
        .wire("F9:2", "T2:L", 2.5, 0.5)
        .wire("T2:N", "X0:N", 2.5, 0.5)
        .wire("T2:-", "T:-", 2.5, 0.5);
  }

  /// Pumps of 3 A each on the terminal `bus`.
  private static Panel pumps(Panel panel, String bus, int pumps) {
    for (var i = 1; i <= pumps; i++)
      panel
          .device("M" + i, "pump-24v-3a")
          .wire(bus, "M" + i + ":+", 2.5, 1)
          .wire("M" + i + ":-", "T:-", 2.5, 1);
    return panel;
  }

  private static Panel direct(String supply, int pumps) {
    return pumps(
        second(Panel.dc(supply, "breaker-1p-c6"), supply).wire("T:+", "T2:+", 2.5, 0.5),
        "T:+",
        pumps);
  }

  private static Panel diodes(String supply, int pumps) {
    return pumps(
        second(Panel.dc(supply, "breaker-1p-c6"), supply)
            .device("V", "diode-module-2x20a")
            .wire("T:+", "V:1", 2.5, 0.5)
            .wire("T2:+", "V:2", 2.5, 0.5),
        "V:+",
        pumps);
  }

  /// Four pumps take 12 A: 6 A from each of two supplies of 10 A, 60 %. Joined directly it needs
  /// supplies made for it.
  @Test
  void twoSuppliesShareABus() {
    var panel = direct("supply-24v-10a-parallel", 4);
    var study = panel.study();
    for (var source : study.network().sources()) {
      if (source.output().alternating()) continue;
      assertThat(study.designCurrent(source).amperes()).isCloseTo(6, within(0.001));
      assertThat(SupplyLoad.of(source, study).trail().text()).contains("-T, -T2", "I/n");
    }
    for (var id : new String[] {"T", "T2"}) {
      assertThat(panel.judge(new SupplyOverloaded(), id)).isInstanceOf(Verdict.Pass.class);
      assertThat(panel.judge(new SupplyHeadroom(), id)).isInstanceOf(Verdict.Pass.class);
      assertThat(panel.judge(new BackFeed(), id)).isInstanceOf(Verdict.Pass.class);
    }
    assertThat(panel.judge(new SuppliesTogether(), "T")).isInstanceOf(Verdict.Pass.class);
    assertThat(direct("supply-24v-10a", 4).judge(new BackFeed(), "T"))
        .isInstanceOf(Verdict.Finding.class);
    // Five pumps: 7.5 A each; seven: 10.5 A, overloaded.
    assertThat(direct("supply-24v-10a-parallel", 7).judge(new SupplyOverloaded(), "T2"))
        .isInstanceOf(Verdict.Finding.class);
  }

  /// Each one's mains wire counts with all it may have to give: 12 A · 24 V/0.93 = 310 W are more
  /// than the 258 W of one supply, which is 258/(230.9 · 0.95) = 1.18 A.
  @Test
  void eachMainsWireCarriesWhatItsSupplyMayGive() {
    var study = direct("supply-24v-10a-parallel", 4).study();
    for (var id : new String[] {"T", "T2"}) {
      var feed = study.network().feeds(new Id(id)).getFirst();
      assertThat(study.designCurrent(feed).amperes())
          .isCloseTo(240 / 0.93 / 230.9 / 0.95, within(0.01));
    }
  }

  /// Behind diodes: three pumps of 3 A leave one supply of 10 A enough when the other fails; four
  /// do not.
  @ParameterizedTest
  @CsvSource({"3,true", "4,false"})
  void diodesMakeItRedundantWhereOneIsEnough(int pumps, boolean redundant) {
    var panel = diodes("supply-24v-10a", pumps);
    assertThat(panel.judge(new BackFeed(), "T")).isInstanceOf(Verdict.Pass.class);
    var verdict = panel.judge(new SuppliesTogether(), "T");
    assertThat(verdict).isInstanceOf(redundant ? Verdict.Pass.class : Verdict.Finding.class);
    if (verdict instanceof Verdict.Finding found) {
      assertThat(found.severity()).isEqualTo(Severity.ADVICE);
      assertThat(found.text()).contains("takes 12 A", "gives 10 A");
    }
    assertThat(panel.study().asDesigned().status()).isEqualTo(Live.Status.SOLVED);
  }

  /// 6 A from two hiccup supplies of 5 A: the higher one goes out at 5.5 A. 3 A are no matter.
  @ParameterizedTest
  @CsvSource({"1,true", "2,false"})
  void hiccupSuppliesDoNotHelpEachOther(int pumps, boolean passes) {
    var verdict = diodes("supply-24v-5a-hiccup", pumps).judge(new SuppliesTogether(), "T");
    assertThat(verdict).isInstanceOf(passes ? Verdict.Pass.class : Verdict.Finding.class);
    if (verdict instanceof Verdict.Finding found)
      assertThat(found.text()).contains("switches off instead of letting the other help");
  }

  private static Panel several(int fans5, int pumps24) {
    var panel =
        Panel.mains()
            .device("F", "breaker-1p-c6")
            .device("T", "supply-5-12-24v-100w")
            .wire("X0:L1", "F:1", 6, 0.5)
            .wire("F:2", "T:L", 2.5, 0.5)
            .wire("T:N", "X0:N", 2.5, 0.5)
            .protective("X0:PE", "T:PE", 2.5);
    for (var i = 1; i <= pumps24; i++)
      panel
          .device("M" + i, "vibrator-24v-2p5a")
          .wire("T:+24V", "M" + i + ":+", 2.5, 1)
          .wire("M" + i + ":-", "T:0-24V", 2.5, 1);
    for (var i = 1; i <= fans5; i++)
      panel
          .device("N" + i, "five")
          .wire("T:+5V", "N" + i + ":+", 2.5, 1)
          .wire("N" + i + ":-", "T:0-5V", 2.5, 1);
    return panel.part(
        new nelvar.core.catalogue.DcMotor(
            "five",
            "5 V load",
            java.util.Optional.empty(),
            java.util.Optional.empty(),
            new nelvar.core.units.VoltageRange(
                new nelvar.core.units.Voltage(4.5), new nelvar.core.units.Voltage(5.5)),
            new nelvar.core.units.Current(3),
            1));
  }

  /// 24 V · 2.5 A + 5 V · 6 A = 90 W of 100 W; every output keeps to its limit. A second vibrator
  /// overloads its own output, 5 A of 2.5 A, and all: 150 W.
  @Test
  void outputsHaveTheirOwnLimitsAndOneTogether() {
    var panel = several(2, 1);
    assertThat(panel.judge(new AllOutputs(), "T")).isInstanceOf(Verdict.Pass.class);
    assertThat(panel.judge(new SupplyOverloaded(), "T")).isInstanceOf(Verdict.Pass.class);
    assertThat(panel.judge(new OwnDevice(), "T")).isInstanceOf(Verdict.Pass.class);
    var crowded = several(2, 2);
    assertThat(((Verdict.Finding) crowded.judge(new AllOutputs(), "T")).text())
        .contains("take 150 W together; it gives 100 W");
    assertThat(crowded.judge(new SupplyOverloaded(), "T")).isInstanceOf(Verdict.Finding.class);
    // 90 W/0.84 from the mains: 107 W at 230.9 V and 0.6.
    var study = panel.study();
    var taken =
        study.network().feeds(new Id("T")).stream()
            .mapToDouble(feed -> study.designCurrent(feed).amperes())
            .sum();
    assertThat(taken).isCloseTo(90 / 0.84 / 230.9 / 0.6, within(0.01));
    assertThat(study.asDesigned().status()).isEqualTo(Live.Status.SOLVED);
  }
}
