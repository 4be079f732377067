package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Controller;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.network.Conditions;
import nelvar.core.network.Engine;
import nelvar.core.network.WhatIf;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Links of pins against ngspice, which is given the circuit as anyone would draw it: source, what
/// is lost, resistors. Within 0.2 % or 2 mV, wires of half a metre and more apart.
class LinksBesideSimulatorTest {
  @TempDir Path folder;

  private double simulated(String circuit) throws Exception {
    assumeTrue(Simulator.installed(), "skipped: ngspice is not installed");
    var netlist = "* one link\n" + circuit.replace("; ", "\n") + "\n.op\n.end\n";
    return java.util.Objects.requireNonNull(Simulator.run(netlist, folder).get("in")).re();
  }

  private static Controller board(String heading, String row) {
    try {
      return (Controller)
          BoardCsv.read(
              "board.csv",
              "board,input,current," + heading + "\nTest board,20.4–28.8 V,0.2 A," + row + "\n");
    } catch (nelvar.core.file.UnreadableFile e) {
      throw new AssertionError(e);
    }
  }

  private static Panel panel(Controller board) {
    return Panel.dc()
        .part(board)
        .device("A", board.id())
        .wire("T:+", "A:+", 2.5, 0.5)
        .wire("A:-", "T:-", 2.5, 0.5);
  }

  private static PinLink link(Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.pin().name().equals("P"))
        .findFirst()
        .orElseThrow();
  }

  private static void agrees(double ours, double theirs) {
    assertThat(ours).isCloseTo(theirs, within(Math.max(2e-3, 2e-3 * Math.abs(theirs))));
  }

  /// A two-wire sensor of 5 V drop and 0.8 mA leakage before inputs of each type.
  @ParameterizedTest
  @CsvSource({"type-1,3300", "type-2,1800", "type-3,4700"})
  void aTwoWireSensor(String type, double ohms) throws Exception {
    var study =
        panel(board("pin,type,thresholds", "P,input-reads-plus," + type))
            .device("B", "inductive-m12-two-wire")
            .wire("T:+", "B:+", 2.5, 0.5)
            .wire("B:OUT", "A:P", 2.5, 0.5)
            .study();
    agrees(
        link(study).on().orElseThrow().volts().volts(),
        simulated("V1 s 0 24; Vd s in 5; R1 in 0 " + ohms));
    agrees(
        link(study).off().orElseThrow().volts().volts(),
        simulated("V1 s 0 24; I1 s in 0.0008; R1 in 0 " + ohms));
  }

  /// 0–10 V through 50 Ω into a drive; 20 mA over 250 Ω.
  @Test
  void values() throws Exception {
    var commanded =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .wire("T:+", "A:+", 2.5, 0.5)
            .wire("A:-", "T:-", 2.5, 0.5)
            .device("U", "drive-1ph-230-0p37kw")
            .wire("A:AO1", "U:AI", 0.25, 2)
            .wire("A:AO0", "U:AI0", 0.25, 2)
            .study();
    var command =
        PinLinks.of(commanded).stream()
            .filter(link -> link.pin().name().equals("AO1"))
            .findFirst()
            .orElseThrow();
    agrees(
        command.on().orElseThrow().volts().volts(),
        simulated("V1 s 0 10; R1 s in 50; R2 in 0 20k"));
    var sent =
        panel(board("pin,type,burden", "P,current-input,250 Ω"))
            .device("B", "transmitter-4-20ma")
            .wire("T:+", "B:+", 0.5, 5)
            .wire("B:-", "T:-", 0.5, 5)
            .wire("B:OUT", "A:P", 0.5, 5)
            .study();
    agrees(link(sent).on().orElseThrow().volts().volts(), simulated("I1 0 in 0.02; R1 in 0 250"));
  }

  /// A bead of 100 kΩ on a pull-up, and a contact on a logic pin, closed and open.
  @Test
  void pullUps() throws Exception {
    var bead =
        panel(
                board(
                    "pin,type,low,high,greatest,pull-up,pull-up supply",
                    "P,thermistor,0.8 V,2 V,3.6 V,4.7 kΩ,3.3 V"))
            .device("B", "thermistor-100k-3950")
            .wire("A:P", "B:1", 0.25, 2)
            .wire("B:2", "A:-", 0.25, 2)
            .study();
    agrees(
        link(bead).on().orElseThrow().volts().volts(),
        simulated("V1 s 0 3.3; R1 s in 4.7k; R2 in 0 100k"));
    var contact =
        panel(
                board(
                    "pin,type,low,high,greatest,pull-up,pull-up supply",
                    "P,logic-input,0.8 V,2 V,5.5 V,10 kΩ,5 V"))
            .device("S", "limit-switch-1nc-gilded")
            .wire("A:P", "S:11", 0.25, 2)
            .wire("S:12", "A:-", 0.25, 2)
            .study();
    var volts =
        List.of(
            link(contact).on().orElseThrow().volts().volts(),
            link(contact).off().orElseThrow().volts().volts());
    agrees(Math.min(volts.get(0), volts.get(1)), simulated("V1 s 0 5; R1 s in 10k; R2 in 0 0.01"));
    agrees(Math.max(volts.get(0), volts.get(1)), simulated("V1 s 0 5; R1 s in 10k; R2 in 0 1e9"));
  }

  /// The machine of three small boards: modules in sockets, regulators, jumpers, pull-ups.
  @Test
  void boardsWithModules() throws Exception {
    for (var project : List.of(Demo.sprayer(), Demo.sprayerSettled())) {
      var network = Study.of(project, CatalogueFile.standard()).network();
      var live =
          Engine.of(network)
              .solve(WhatIf.AS_DESIGNED, Conditions.usual(project.brief().surroundings().inside()));
      assertThat(live.settled()).isTrue();
      BesideSimulator.agrees(project, live, folder);
    }
  }
}
