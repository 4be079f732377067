package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Project;
import nelvar.core.network.Conditions;
import nelvar.core.network.Engine;
import nelvar.core.network.Live;
import nelvar.core.network.LoadMode;
import nelvar.core.network.WhatIf;
import nelvar.core.sample.GeneratedPanel;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SpiceNetlistTest {
  @TempDir Path folder;

  private static Live solve(Project project, WhatIf trial) {
    var network = Study.of(project, CatalogueFile.standard()).network();
    var live =
        Engine.of(network).solve(trial, Conditions.usual(project.brief().surroundings().inside()));
    assertThat(live.outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
    return live;
  }

  private void agrees(Project project, WhatIf trial) throws Exception {
    BesideSimulator.agrees(project, solve(project, trial), folder);
  }

  static Stream<WhatIf> trials() {
    var demo = Demo.settled();
    var motor = demo.devices().stream().filter(d -> d.id().text().equals("M6")).findFirst();
    assertThat(motor).isPresent();
    return Stream.of(
        WhatIf.AS_DESIGNED,
        WhatIf.AS_DESIGNED.with(LoadMode.ALL_ON),
        WhatIf.AS_DESIGNED.togglingProtection(new nelvar.core.model.Id("F5")),
        WhatIf.AS_DESIGNED.togglingCut(new nelvar.core.model.Id("W12")),
        WhatIf.AS_DESIGNED.togglingShort(
            nelvar.core.model.TerminalRef.of("M6:+"), nelvar.core.model.TerminalRef.of("M6:-")));
  }

  @ParameterizedTest
  @MethodSource("trials")
  void aSimulatorFindsTheSameVoltsInTheDemo(WhatIf trial) throws Exception {
    agrees(Demo.settled(), trial);
  }

  @Test
  void aSimulatorFindsTheSameVoltsInTheDemoWithItsMistakes() throws Exception {
    agrees(Demo.planted(), WhatIf.AS_DESIGNED);
    agrees(Demo.rinser(), WhatIf.AS_DESIGNED);
    agrees(Demo.rinserSettled(), WhatIf.AS_DESIGNED);
  }

  /// Contacts, diodes and limits as the simulator finds them from their behaviour.
  @ParameterizedTest
  @MethodSource("trials")
  void aSimulatorFindsTheSameStateOfTheDemo(WhatIf trial) throws Exception {
    BesideSimulator.findsTheState(Demo.settled(), solve(Demo.settled(), trial), folder);
  }

  @Test
  void aSimulatorFindsTheSameStateOfTheOtherDemos() throws Exception {
    for (var project : java.util.List.of(Demo.planted(), Demo.rinser()))
      BesideSimulator.findsTheState(project, solve(project, WhatIf.AS_DESIGNED), folder);
    // The simulator begins cold: a contactor that holds itself is started.
    var started =
        WhatIf.AS_DESIGNED.holding(
            new nelvar.core.network.ActuatorRef(new nelvar.core.model.Id("S3"), "pressed"), true);
    BesideSimulator.findsTheState(
        Demo.rinserSettled(), solve(Demo.rinserSettled(), started), folder);
  }

  /// K1 pulls in; its contact feeds K2 and takes K3 away, whose contact at rest would feed K4; a
  /// bridge over the coil of K2 puts the supply at its limit and lets everything go.
  @Test
  void aSimulatorFindsTheSameStateOfRelays() throws Exception {
    var panel =
        Panel.dc()
            .device("K1", "relay-6a-24vdc")
            .device("K2", "relay-6a-24vdc")
            .device("K3", "relay-6a-24vdc")
            .device("K4", "relay-6a-24vdc")
            .wire("T:+", "K1:A1", 0.75, 1)
            .wire("T:+", "K1:11", 0.75, 1)
            .wire("K1:14", "K2:A1", 0.75, 1)
            .wire("K1:12", "K3:A1", 0.75, 1)
            .wire("T:+", "K3:11", 0.75, 1)
            .wire("K3:12", "K4:A1", 0.75, 1);
    for (var relay : java.util.List.of("K1", "K2", "K3", "K4"))
      panel = panel.wire(relay + ":A2", "T:-", 0.75, 1);
    var project = panel.build();
    var live = solve(project, WhatIf.AS_DESIGNED);
    assertThat(
            Stream.of("K1", "K2", "K3", "K4")
                .map(k ->
                    live.on(
                        new nelvar.core.network.ActuatorRef(
                            new nelvar.core.model.Id(k), nelvar.core.catalogue.Actuator.COIL))))
        .containsExactly(true, true, false, true);
    BesideSimulator.findsTheState(project, live, folder);
    var shorted =
        WhatIf.AS_DESIGNED.togglingShort(
            nelvar.core.model.TerminalRef.of("K4:A1"), nelvar.core.model.TerminalRef.of("K4:A2"));
    BesideSimulator.findsTheState(project, solve(project, shorted), folder);
  }

  static IntStream seeds() {
    return IntStream.rangeClosed(1, 20);
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void aSimulatorFindsTheSameVoltsInGeneratedPanels(int seed) throws Exception {
    agrees(GeneratedPanel.of(10 + seed, seed), WhatIf.AS_DESIGNED);
  }

  /// Transformer, bridge and capacitors, diodes: what the demos have none of.
  @Test
  void aSimulatorFindsTheSameVoltsBehindATransformer() throws Exception {
    agrees(
        Panel.mains()
            .device("T", "transformer-400va-230-24")
            .wire("X0:L1", "T:1", 1.5, 3)
            .wire("X0:N", "T:2", 1.5, 3)
            .protective("X0:PE", "T:PE", 1.5)
            .device("E", "heater-30w-230v")
            .wire("T:3", "E:L", 1.5, 20)
            .wire("T:4", "E:N", 1.5, 20)
            .build(),
        WhatIf.AS_DESIGNED);
  }

  @Test
  void theNetlistNamesWhatItStandsFor() {
    var demo = Demo.settled();
    var text = SpiceNetlist.direct(demo, solve(demo, WhatIf.AS_DESIGNED));
    assertThat(text)
        .startsWith("* Seed-tray filler TF-4, revision")
        .contains("= -T1:+\n", "* W89\n", "* -K1 1-2\n", "* -A1 supply\n", "\n.op\n");
    assertThat(text).isEqualTo(SpiceNetlist.direct(demo, solve(demo, WhatIf.AS_DESIGNED)));
  }
}
