package nelvar.core.trail;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;

class WorkingTest {
  private static final Citation TABLE = Citation.recalled("Standard 1", "Table 2");

  /// By hand: 5 A through 0.39 Ω, out and back, lose 2 · 5 · 0.39 = 3.9 V; of 24 V that is 16.25 %.
  @Test
  void readsAsTheHandCalculation() {
    var w = Working.of("Drop");
    var i = w.given("I", new Current(5), "pump");
    var r = w.table("R", new Cited<>(new Resistance(0.39), TABLE), "1 mm²");
    var lost = w.result("ΔU", "2 · I · R", i.across(r).times(2));
    w.given("Un", new Voltage(24), "supply");
    var explained = w.explain(w.result("u", "ΔU/Un", lost.of(new Voltage(24))));
    assertThat(explained.trail().text())
        .isEqualTo(
            """
            I = 5 A   pump
            R = 0.39 Ω   1 mm²: Standard 1, Table 2 (unchecked)
            ΔU = 2 · I · R = 2 · 5 A · 0.39 Ω = 3.9 V
            Un = 24 V   supply
            u = ΔU/Un = 3.9 V/24 V = 16.2 %\
            """);
    assertThat(explained.trail().citations()).containsExactly(TABLE);
  }

  @Test
  void theComparisonIsTheLastLine() {
    var explained = Working.of("x").explain(new Percent(5));
    var holds = Explained.atMost(explained, "u", new Percent(5), Citation.practice());
    assertThat(holds.holds()).isTrue();
    var broken =
        Explained.atMost(
            Working.of("x").explain(new Percent(5.1)), "u", new Percent(5), Citation.practice());
    assertThat(broken.holds()).isFalse();
    assertThat(broken.trail().text())
        .isEqualTo("u = 5.1 % ≤ 5 %   does not hold   common practice");
    assertThat(Explained.atLeast(explained, "u", new Percent(5.1), Citation.practice()).holds())
        .isFalse();
  }

  @Test
  void roundingDoesNotDecide() {
    var almost = Working.of("x").explain(new Current(0.1 + 0.2));
    assertThat(Explained.atMost(almost, "I", new Current(0.3), Citation.practice()).holds())
        .isTrue();
  }

  @Test
  void anotherWorkingIsTakenInOnceAndItsSymbolsAreKnown() {
    var inner = Working.of("inner");
    var explained = inner.explain(inner.given("Iz", new Current(10), "wire"));
    var outer = Working.of("outer");
    outer.use(explained);
    outer.use(explained);
    outer.result("I", "2 · Iz", new Current(20));
    assertThat(outer.explain(0).trail().text())
        .isEqualTo("Iz = 10 A   wire\nI = 2 · Iz = 2 · 10 A = 20 A");
  }

  @Test
  void onlyRecalledPagesAreMarked() {
    assertThat(new Citation("S", "p. 3", Citation.Status.CHECKED)).hasToString("S, p. 3");
    assertThat(Citation.practice()).hasToString("common practice");
  }
}
