package nelvar.core.analysis.signals;

import static nelvar.core.analysis.signals.Boards.board;
import static nelvar.core.analysis.signals.Boards.found;
import static nelvar.core.analysis.signals.Boards.link;
import static nelvar.core.analysis.signals.Boards.panel;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink.Standing;
import nelvar.core.catalogue.Thermistor;
import nelvar.core.file.CatalogueFile;
import nelvar.core.formula.Ntc;
import nelvar.core.model.Brief;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;

/// Thermistors, and heaters that only a program ends.
class ThermistorTest {
  private static final Resistance NOMINAL = new Resistance(10_000);

  /// e^(3435 · (1/373.15 − 1/298.15)) = 0.0987: 987 Ω at 100 °C, by hand. There and back; its slope
  /// against two neighbours.
  @Test
  void theCurveByHand() {
    assertThat(Ntc.resistance(NOMINAL, 3435, new Temperature(25))).isEqualTo(NOMINAL);
    var hot = Ntc.resistance(NOMINAL, 3435, new Temperature(100));
    assertThat(hot.ohms()).isCloseTo(987, within(0.5));
    for (var t : new double[] {-40, 0, 25, 80, 280})
      assertThat(
              Ntc.temperature(NOMINAL, 3950, Ntc.resistance(NOMINAL, 3950, new Temperature(t)))
                  .celsius())
          .isCloseTo(t, within(1e-9));
    var supply = new Voltage(3.3);
    var pullUp = new Resistance(4700);
    var slope = Ntc.perKelvin(supply, pullUp, hot, 3435, new Temperature(100)).volts();
    assertThat(slope).isCloseTo(at(99.99, pullUp) - at(100.01, pullUp), within(slope * 1e-3));
  }

  private static double at(double celsius, Resistance pullUp) {
    return Ntc.read(
                new Voltage(3.3), pullUp, Ntc.resistance(NOMINAL, 3435, new Temperature(celsius)))
            .volts()
        * 50;
  }

  private static Panel measured(String part, String zero) {
    var board =
        board(
            "pin,type,low,high,greatest,pull-up,pull-up supply,bits",
            "T0,thermistor,0.8 V,2 V,3.6 V,4.7 kΩ,3.3 V,12");
    var panel = panel(board).device("B", part).wire("A:T0", "B:1", 0.25, 2);
    return zero.isEmpty() ? panel : panel.wire("B:2", zero, 0.25, 2);
  }

  /// 100 kΩ beside 4.7 kΩ of 3.3 V: 3.152 V at 25 °C from the network itself, 1 % below 3.3 V at −6
  /// °C: a broken wire is told from the 5 °C of the brief. Its other wire open, or nothing there.
  @Test
  void aBrokenWireIsToldFromCold() {
    var link = link(measured("thermistor-100k-3950", "T:-").study(), "T0");
    assertThat(link.standing()).as(link.words()).isEqualTo(Standing.SURE);
    assertThat(link.on().orElseThrow().volts().volts()).isCloseTo(3.3 * 100 / 104.7, within(0.001));
    assertThat(link.words()).contains("-6 °C: stop heating there", "B 3950 K", "steps of");
    var open = link(measured("thermistor-100k-3950", "").study(), "T0");
    assertThat(open.standing()).isEqualTo(Standing.WRONG);
    assertThat(open.words()).contains("joined to no 0 V");
    var free =
        panel(
                board(
                    "pin,type,low,high,greatest,pull-up,pull-up supply",
                    "T0,thermistor,0.8 V,2 V,3.6 V,4.7 kΩ,3.3 V"))
            .device("S", "push-button-1no");
    assertThat(link(free.wire("A:T0", "S:13", 0.25, 2).study(), "T0").standing())
        .isEqualTo(Standing.UNPROVED);
  }

  /// In a hall that may have −20 °C a bead of 100 kΩ reads like a broken wire; one of 10 kΩ does
  /// not.
  @Test
  void inTheColdItIsNotProved() {
    var cold =
        link(measured("thermistor-100k-3950", "T:-").brief(ThermistorTest::cold).study(), "T0");
    assertThat(cold.standing()).as(cold.words()).isEqualTo(Standing.UNPROVED);
    assertThat(cold.words()).contains("which the machine may be");
    var ten =
        link(measured("thermistor-10k-3435", "T:-").brief(ThermistorTest::cold).study(), "T0");
    assertThat(ten.standing()).as(ten.words()).isEqualTo(Standing.SURE);
  }

  private static Brief cold(Brief brief) {
    var now = brief.surroundings();
    return new Brief(
        brief.supply(),
        new Brief.Surroundings(
            new Temperature(-20), now.greatest(), now.inside(), now.altitude(), now.remarks()),
        brief.policies());
  }

  /// A plate on an output of a board: only the program ends its heating, until a cut-out stands in
  /// its way, or in that of the coil of its relay. A heater on a hand's switch is nobody's
  /// business.
  @Test
  void somethingElseEndsTheHeating() {
    assertThat(found(new HeatsOnBrokenWire(), heated("T:+", "E:1")).orElseThrow().text())
        .contains("Only a program, by -A,", "thermal switch");
    var cut =
        heater("T:+", "S:11").device("S", "thermal-cut-out-10a-1nc").wire("S:12", "E:1", 1.5, 1);
    assertThat(found(new HeatsOnBrokenWire(), cut.study())).isEmpty();
    assertThat(Boards.passes(new HeatsOnBrokenWire(), cut.study())).isEqualTo(1);
    assertThat(found(new HeatsOnBrokenWire(), overRelay("T:+", "K:A1"))).isPresent();
    assertThat(Boards.passes(new HeatsOnBrokenWire(), overRelay("T:+", "S:11"))).isEqualTo(1);
    var byHand =
        Panel.dc()
            .device("S", "push-button-1no")
            .device("E", "plate-60w-24v")
            .wire("T:+", "S:13", 1.5, 1)
            .wire("S:14", "E:1", 1.5, 1)
            .wire("E:2", "T:-", 1.5, 1)
            .study();
    assertThat(new HeatsOnBrokenWire().check(byHand)).isEmpty();
  }

  private static Study heated(String from, String to) {
    return heater(from, to).study();
  }

  private static Panel heater(String from, String to) {
    return panel(board("pin,type,rating", "Q1,output-sinking,4 A"))
        .device("E", "plate-60w-24v")
        .wire(from, to, 1.5, 1)
        .wire("E:2", "A:Q1", 1.5, 1);
  }

  private static Study overRelay(String from, String to) {
    var panel =
        panel(board("pin,type,rating", "Q1,output-sinking,0.5 A"))
            .device("E", "plate-60w-24v")
            .device("K", "relay-6a-24vdc")
            .device("S", "thermal-cut-out-10a-1nc")
            .wire(from, to, 0.75, 1)
            .wire("K:A2", "A:Q1", 0.75, 1)
            .wire("T:+", "K:11", 1.5, 1)
            .wire("K:14", "E:1", 1.5, 1)
            .wire("E:2", "T:-", 1.5, 1);
    return (to.startsWith("S") ? panel.wire("S:12", "K:A1", 0.75, 1) : panel).study();
  }

  @Test
  void anImpossibleThermistorIsRefused() {
    var shipped = (Thermistor) CatalogueFile.standard().find("thermistor-10k-3435").orElseThrow();
    assertThatThrownBy(() ->
            new Thermistor(
                "x", "x", shipped.article(), NOMINAL, 10, shipped.least(), shipped.greatest()))
        .hasMessageContaining("B of 1000 to 10000 K");
    assertThatThrownBy(() ->
            new Thermistor(
                "x", "x", shipped.article(), NOMINAL, 3435, shipped.greatest(), shipped.least()))
        .hasMessageContaining("from a cold to a hot end");
  }
}
