package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class EngineTest {
  private static final Conditions COLD = new Conditions(new Temperature(20), 1);

  private static Engine engine(Project project) {
    return Engine.of(Study.of(project, CatalogueFile.standard()).network());
  }

  private static Live solve(Project project, WhatIf trial) {
    return engine(project).solve(trial, COLD);
  }

  private static Live solve(Panel panel) {
    return solve(panel.build(), WhatIf.AS_DESIGNED);
  }

  private static TerminalRef at(String terminal) {
    return TerminalRef.of(terminal);
  }

  private static ActuatorRef actuator(String device, String name) {
    return new ActuatorRef(new Id(device), name);
  }

  private static double direct(Live live, String a, String b) {
    return live.voltage(at(a), at(b)).orElseThrow().direct();
  }

  /// The same question has the same answer to the last bit, whatever was asked in between.
  @Test
  void whatWasAskedBeforeChangesNothing() {
    var engine = engine(Demo.planted());
    var first = engine.solve(WhatIf.AS_DESIGNED, COLD);
    engine.solve(WhatIf.AS_DESIGNED.holding(actuator("S1", "pressed"), true), COLD);
    var again = engine.solve(WhatIf.AS_DESIGNED, COLD);
    assertThat(again.positions()).isEqualTo(first.positions());
    for (var conductor : Demo.planted().conductors())
      assertThat(again.current(conductor.id()))
          .as(conductor.label().text())
          .isEqualTo(first.current(conductor.id()));
  }

  /// A 3 A pump at the end of 10 m of 1 mm² out and back from 24 V, wires at 20 °C: 2·10·0.0195 Ω
  /// and four landings of 0.5 mΩ, 0.392 Ω; the supply itself gives 24 V less 0.0048 Ω · 3 A. By
  /// hand: 24 − 3·(0.392 + 0.0048) = 22.8096 V.
  @Test
  void aLoadSeesWhatItsWiresLeave() {
    var live =
        solve(
            Panel.dc()
                .device("M", "pump-24v-3a")
                .wire("T:+", "M:+", 1, 10)
                .wire("M:-", "T:-", 1, 10));
    assertThat(direct(live, "M:+", "M:-")).isCloseTo(22.8096, within(1e-4));
    assertThat(live.current(new Id("W5")).orElseThrow().direct()).isCloseTo(3, within(1e-6));
    assertThat(live.outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
  }

  /// Two wires side by side share by their resistance: 1.5 and 0.75 mm² of the same length carry
  /// 13.3 : 26 the other way round, landings aside.
  @Test
  void conductorsSideBySideShareTheCurrent() {
    var live =
        solve(
            Panel.dc()
                .device("M", "pump-24v-3a")
                .wire("T:+", "M:+", 1.5, 10)
                .wire("T:+", "M:+", 0.75, 10)
                .wire("M:-", "T:-", 1.5, 10));
    var thick = live.current(new Id("W5")).orElseThrow().direct();
    var thin = live.current(new Id("W6")).orElseThrow().direct();
    assertThat(thick + thin).isCloseTo(3, within(1e-6));
    assertThat(thick / thin).isCloseTo(0.261 / 0.134, within(1e-6));
  }

  @Test
  void theDemoRunsWithEverythingInWhereItBelongs() {
    var live = solve(Demo.settled(), WhatIf.AS_DESIGNED);
    assertThat(live.outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
    for (var contactor : new String[] {"K1", "K2", "K3", "K10", "K15"})
      assertThat(live.on(actuator(contactor, "coil"))).as(contactor).isTrue();
    assertThat(live.on(actuator("K0", "released"))).isTrue();
    assertThat(live.outputs()).allMatch(output -> output.on() && !output.limited());
    for (var served : live.circuitry().served())
      if (served.intake().accepts().least().volts() < 60
          || served.device().id().text().startsWith("U"))
        assertThat(
                served
                    .intake()
                    .accepts()
                    .contains(live.at(served.device(), served.intake()).orElseThrow()))
            .as(served.device().designation().text())
            .isTrue();
  }

  /// Any stop drops the safety relay, the contactors, the axis bus and the drives; the controller
  /// stays up. Letting the button go brings nothing back until reset is pressed.
  @ParameterizedTest
  @ValueSource(strings = {"S1", "S2", "S3", "S4"})
  void aStopCutsTheDrivesAndStaysCut(String stop) {
    var engine = engine(Demo.settled());
    var pressed = engine.solve(WhatIf.AS_DESIGNED.holding(actuator(stop, "pressed"), true), COLD);
    for (var contactor : new String[] {"K1", "K2", "K3"})
      assertThat(pressed.on(actuator(contactor, "coil"))).as(contactor).isFalse();
    assertThat(pressed.live(at("U1:L1"))).isFalse();
    assertThat(pressed.live(at("X48:1"))).isFalse();
    assertThat(direct(pressed, "A1:+", "A1:-")).isGreaterThan(23);
    var let =
        engine.solve(
            WhatIf.AS_DESIGNED, COLD, pressed.positions().with(actuator(stop, "pressed"), false));
    assertThat(let.on(actuator("K1", "coil"))).isFalse();
    var reset =
        engine.solve(
            WhatIf.AS_DESIGNED.holding(actuator("S5", "pressed"), true), COLD, let.positions());
    assertThat(reset.on(actuator("K1", "coil"))).isTrue();
  }

  /// One welded contact of the safety relay keeps the axis bus alive through a stop.
  @Test
  void aWeldedContactKeepsAliveWhatItFeeds() {
    var weld = new PoleRef(at("K2:1"), at("K2:2"));
    var live =
        solve(
            Demo.settled(),
            WhatIf.AS_DESIGNED.holding(actuator("S1", "pressed"), true).togglingWeld(weld));
    assertThat(live.on(actuator("K2", "coil"))).isFalse();
    assertThat(live.live(at("X48:1"))).isTrue();
    assertThat(live.live(at("U1:L1"))).isFalse();
  }

  /// A relay that holds itself through its own contact stays in; without its start button it never
  /// came in.
  @Test
  void aRelayHoldsItself() {
    var panel =
        Panel.dc()
            .device("S", "push-button-1no")
            .device("K", "relay-6a-24vdc")
            .wire("T:+", "S:13", 0.75, 1)
            .wire("S:14", "K:A1", 0.75, 1)
            .wire("K:A2", "T:-", 0.75, 1)
            .wire("T:+", "K:11", 0.75, 1)
            .wire("K:14", "K:A1", 0.75, 1);
    var engine = engine(panel.build());
    assertThat(engine.solve(WhatIf.AS_DESIGNED, COLD).on(actuator("K", "coil"))).isTrue();
    var rest = Positions.cold(engine.circuitry(COLD.wires()));
    assertThat(engine.solve(WhatIf.AS_DESIGNED, COLD, rest).on(actuator("K", "coil"))).isFalse();
    var started =
        engine.solve(WhatIf.AS_DESIGNED.holding(actuator("S", "pressed"), true), COLD, rest);
    assertThat(started.on(actuator("K", "coil"))).isTrue();
  }

  /// A relay fed through its own resting contact cannot come to rest.
  @Test
  void aRelayThatInterruptsItselfChatters() {
    var live =
        solve(
            Panel.dc()
                .device("K", "relay-6a-24vdc")
                .wire("T:+", "K:11", 0.75, 1)
                .wire("K:12", "K:A1", 0.75, 1)
                .wire("K:A2", "T:-", 0.75, 1));
    assertThat(live.outcome()).isEqualTo(new Outcome.Chattering(List.of(actuator("K", "coil"))));
  }

  /// Beside a relay that chatters a lamp burns as ever, and its numbers are there; the coil has
  /// none, and neither has what the relay switches. So where a race decides.
  @Test
  void onlyWhatChatterMakesDifferIsNotKnown() {
    for (var panel :
        List.of(
            Panel.dc()
                .device("K1", "relay-6a-24vdc")
                .wire("T:+", "K1:11", 0.75, 1)
                .wire("K1:12", "K1:A1", 0.75, 1)
                .wire("K1:A2", "T:-", 0.75, 1),
            locked("K1", "K2"))) {
      var live =
          solve(
              panel
                  .device("H", "lamp-led-24v-10w")
                  .wire("T:+", "H:+", 0.75, 1)
                  .wire("H:-", "T:-", 0.75, 1));
      assertThat(live.outcome()).isNotEqualTo(new Outcome.Settled());
      var plus = nelvar.core.model.TerminalRef.of("H:+");
      var minus = nelvar.core.model.TerminalRef.of("H:-");
      assertThat(live.voltage(plus, minus).orElseThrow().direct()).isCloseTo(24, within(0.3));
      assertThat(
              live.voltage(
                  nelvar.core.model.TerminalRef.of("K1:A1"),
                  nelvar.core.model.TerminalRef.of("K1:A2")))
          .isEmpty();
      assertThat(
              live.current(
                  new PoleRef(
                      nelvar.core.model.TerminalRef.of("K1:11"),
                      nelvar.core.model.TerminalRef.of("K1:12"))))
          .isEmpty();
    }
  }

  /// Two relays that lock each other out do not chatter: one of them wins, but which one is chance,
  /// not the order in which the file names them.
  @Test
  void relaysThatLockEachOtherOutAreUndecided() {
    for (var names : List.of(List.of("K1", "K2"), List.of("K2", "K1"))) {
      var live = solve(locked(names.getFirst(), names.getLast()));
      assertThat(((Outcome.Undecided) live.outcome()).race())
          .containsExactlyInAnyOrder(actuator("K1", "coil"), actuator("K2", "coil"));
      assertThat(live.on(actuator("K1", "coil"))).isNotEqualTo(live.on(actuator("K2", "coil")));
    }
  }

  private static Panel locked(String first, String second) {
    return Panel.dc()
        .device(first, "relay-6a-24vdc")
        .device(second, "relay-6a-24vdc")
        .wire("T:+", "K1:11", 0.75, 1)
        .wire("K1:12", "K2:A1", 0.75, 1)
        .wire("K2:A2", "T:-", 0.75, 1)
        .wire("T:+", "K2:11", 0.75, 1)
        .wire("K2:12", "K1:A1", 0.75, 1)
        .wire("K1:A2", "T:-", 0.75, 1);
  }

  /// A hundred relays, each fed by a contact of the one before: when the first drops out all
  /// follow, one after another, and come to rest. That is no chatter.
  @Test
  void aLongChainOfRelaysComesToRest() {
    var panel = Panel.dc().device("K1", "relay-6a-24vdc");
    panel.wire("T:+", "K1:A1", 0.75, 1).wire("K1:A2", "T:-", 0.75, 1);
    for (var i = 2; i <= 100; i++)
      panel
          .device("K" + i, "relay-6a-24vdc")
          .wire("T:+", "K" + (i - 1) + ":11", 0.75, 1)
          .wire("K" + (i - 1) + ":14", "K" + i + ":A1", 0.75, 1)
          .wire("K" + i + ":A2", "T:-", 0.75, 1);
    var running = solve(panel);
    assertThat(running.outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
    assertThat(running.on(actuator("K100", "coil"))).isTrue();
    var dropped = solve(panel.build(), WhatIf.AS_DESIGNED.holding(actuator("K1", "coil"), false));
    assertThat(dropped.outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
    assertThat(dropped.on(actuator("K100", "coil"))).isFalse();
  }

  /// Whatever is bridged, cut or pulled: solved means that the currents at every node add up, found
  /// here by adding them up once more, and watts in are watts out. Seeded; 200 trials on the demo.
  @Test
  void solvedMeansBalanced() {
    var project = Demo.planted();
    var engine = engine(project);
    var random = new Random(9);
    var ends = new ArrayList<TerminalRef>();
    for (var wire : project.conductors()) ends.addAll(List.of(wire.from(), wire.to()));
    var solved = 0;
    for (var trial = 0; trial < 200; trial++) {
      var what = WhatIf.AS_DESIGNED;
      for (var i = random.nextInt(3); i >= 0; i--)
        what =
            what.togglingShort(
                ends.get(random.nextInt(ends.size())), ends.get(random.nextInt(ends.size())));
      what = what.togglingCut(project.conductors().get(random.nextInt(150)).id());
      var live = engine.solve(what, COLD);
      if (!live.settled()) continue;
      solved++;
      assertThat(leftOver(live)).as(what.toString()).isLessThan(0.02);
    }
    assertThat(solved).as("of 200 trials").isGreaterThan(190);
  }

  /// What is left over at the worst node, added up branch by branch at direct current, where all
  /// sources and loads between the nodes are known by what they give and take.
  private static double leftOver(Live live) {
    var grid = live.circuitry().grid();
    var solution = live.solution();
    var sum = new double[grid.nodes()];
    for (var i = 0; i < grid.branches().size(); i++) {
      sum[grid.branches().get(i).a()] += solution.branchDirect(i);
      sum[grid.branches().get(i).b()] -= solution.branchDirect(i);
    }
    for (var i = 0; i < grid.loads().size(); i++) {
      sum[grid.loads().get(i).a()] += solution.loadDirect(i);
      sum[grid.loads().get(i).b()] -= solution.loadDirect(i);
    }
    for (var bridge : solution.bridges()) {
      sum[bridge.a()] += solution.bridgeDirect(bridge);
      sum[bridge.b()] -= solution.bridgeDirect(bridge);
    }
    var touched = new java.util.HashSet<Integer>();
    for (var i = 0; i < grid.emfs().size(); i++) {
      var emf = grid.emfs().get(i);
      if (grid.groups().get(emf.group()).alternating()) {
        // What flows backwards through a source of the other frequency is not asked here.
        touched.add(emf.minus());
        touched.add(emf.plus());
        continue;
      }
      sum[emf.minus()] += solution.given(i).re();
      sum[emf.plus()] -= solution.given(i).re();
    }
    for (var t : grid.transformers()) touched.addAll(List.of(t.a(), t.b(), t.c(), t.d()));
    var most = 0.0;
    for (var node = 0; node < sum.length; node++)
      if (!touched.contains(node)) most = Math.max(most, Math.abs(sum[node]));
    return most;
  }

  /// Between drop-out and pick-up a coil stays as it was: a relay of 24 V behind 1 km of 0.5 mm²
  /// (2·39 Ω) still holds but could not pull in at a load that leaves it 18 V or so.
  @Test
  void aCoilRemembersBetweenItsTwoVoltages() {
    var panel =
        Panel.dc()
            .device("K", "contactor-3p-9a-24vdc")
            .wire("T:+", "K:A1", 0.5, 400)
            .wire("K:A2", "T:-", 0.5, 400);
    var engine = engine(panel.build());
    assertThat(engine.solve(WhatIf.AS_DESIGNED, COLD).on(actuator("K", "coil"))).isTrue();
    var rest = Positions.cold(engine.circuitry(COLD.wires()));
    var out = engine.solve(WhatIf.AS_DESIGNED, COLD, rest);
    assertThat(out.on(actuator("K", "coil"))).isFalse();
    assertThat(direct(out, "K:A1", "K:A2")).isBetween(2.4, 20.4);
  }

  @Test
  void aSupplyInOverloadLimitsItselfAndSaysSo() {
    var panel = Panel.dc("supply-24v-2p5a", "breaker-1p-c6");
    for (var n = 1; n <= 3; n++)
      panel
          .device("M" + n, "pump-24v-3a")
          .wire("T:+", "M" + n + ":+", 2.5, 1)
          .wire("M" + n + ":-", "T:-", 2.5, 1);
    var live = solve(panel);
    var supply =
        live.outputs().stream()
            .filter(o -> o.device().id().text().equals("T"))
            .findFirst()
            .orElseThrow();
    assertThat(supply.limited()).isTrue();
    // 1.1 times its rating: what the usual supply holds.
    assertThat(supply.current().amperes()).isCloseTo(2.75, within(1e-4));
  }

  /// Losing the neutral of a shared circuit puts its single-phase loads in series between two
  /// lines; a broken wire in front leaves a load dead.
  @Test
  void aCutWireLeavesTheRestDead() {
    var live = solve(Demo.settled(), WhatIf.AS_DESIGNED.togglingCut(new Id("W142")));
    assertThat(live.live(at("K10:14"))).isTrue();
    assertThat(live.voltage(at("M6:+"), at("M6:-")).orElseThrow().rms()).isLessThan(0.1);
    assertThat(live.current(new Id("W142")).orElseThrow().rms()).isZero();
  }

  @Test
  void resetToAsDesignedIsEverythingBack() {
    var trial =
        WhatIf.AS_DESIGNED
            .togglingCut(new Id("W1"))
            .togglingProtection(new Id("F1"))
            .togglingShort(at("T1:+"), at("T1:-"))
            .togglingWeld(new PoleRef(at("K2:1"), at("K2:2")))
            .holding(actuator("S1", "pressed"), true)
            .with(LoadMode.MEAN);
    assertThat(trial.count()).isEqualTo(6);
    assertThat(
            trial
                .togglingCut(new Id("W1"))
                .togglingProtection(new Id("F1"))
                .togglingShort(at("T1:-"), at("T1:+"))
                .togglingWeld(new PoleRef(at("K2:1"), at("K2:2")))
                .releasing(actuator("S1", "pressed"))
                .with(LoadMode.TOGETHER)
                .asDesigned())
        .isTrue();
  }

  /// Laws on random panels: currents at a node (the residual), power in is power out and lost, and
  /// the order of devices and wires in the file changes nothing.
  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4, 5, 6})
  void lawsHoldOnGeneratedPanels(int seed) {
    var project = GeneratedPanel.of(8 + 6 * seed, seed);
    var live = solve(project, WhatIf.AS_DESIGNED);
    assertThat(live.outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
    assertThat(live.solution().residual()).isLessThan(1e-6);
    assertThat(Balance.imbalance(live)).isLessThan(1e-3);
    var random = new Random(seed);
    var devices = new ArrayList<>(project.devices());
    var conductors = new ArrayList<>(project.conductors());
    Collections.shuffle(devices, random);
    Collections.shuffle(conductors, random);
    var shuffled =
        solve(project.withDevices(devices).withConductors(conductors), WhatIf.AS_DESIGNED);
    for (var conductor : project.conductors())
      assertThat(shuffled.current(conductor.id()).orElseThrow().rms())
          .isCloseTo(live.current(conductor.id()).orElseThrow().rms(), within(1e-6));
  }

  /// A thicker wire never loses more volts itself.
  @ParameterizedTest
  @ValueSource(strings = {"W32", "W142", "W134", "W131", "W132", "W89"})
  void doublingAWireNeverRaisesItsDrop(String wire) {
    var project = Demo.settled();
    var thicker =
        project.withConductors(
            Project.changed(
                project.conductors(),
                (Conductor c) -> c.id().text().equals(wire),
                c ->
                    c.withSection(
                        new CrossSection(2 * c.section().orElseThrow().squareMillimetres()))));
    var conductor = project.conductor(new Id(wire)).orElseThrow();
    var before = solve(project, WhatIf.AS_DESIGNED);
    var after = solve(thicker, WhatIf.AS_DESIGNED);
    assertThat(after.voltage(conductor.from(), conductor.to()).orElseThrow().rms())
        .isLessThan(before.voltage(conductor.from(), conductor.to()).orElseThrow().rms());
  }

  @Test
  void unknownWiresCountAsShortOnesAndAreNamed() {
    var panel =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire(
                "T:+",
                "M:+",
                Conductor.Function.POWER,
                java.util.Optional.empty(),
                java.util.Optional.of(4.0),
                java.util.Optional.empty())
            .wire("M:-", "T:-", 1, 4);
    assertThat(solve(panel).circuitry().assumed()).containsExactly(new Id("W5"));
  }

  /// What is summed along ways and what is solved agree but for what drops make of constant powers:
  /// by hand a few per cent on the demo, whose drops stay below 5 %, and 5 mA for each input that a
  /// sensor drives, which no demand states.
  @Test
  void solvedAndSummedCurrentsAgree() {
    var study = Panel.study(Demo.settled());
    var live = study.asDesigned();
    for (var conductor : study.project().conductors()) {
      if (!conductor.carriesWork()
          || conductor.function() == Conductor.Function.DATA
          || study
              .device(conductor.from().device())
              .orElseThrow()
              .designation()
              .text()
              .matches("-[SKA].*")
          || study
              .device(conductor.to().device())
              .orElseThrow()
              .designation()
              .text()
              .matches("-[SKA].*")) continue;
      var summed = study.currents().edge(edge(study, conductor.id())).together();
      assertThat(live.current(conductor.id()).orElseThrow().rms())
          .as(conductor.label().text())
          .isCloseTo(summed, within(0.06 + 0.06 * summed));
    }
  }

  private static int edge(nelvar.core.analysis.Study study, Id conductor) {
    var topology = study.network().topology();
    for (var edge = 0; edge < topology.edgeCount(); edge++)
      if (topology.edge(edge) instanceof Edge.Wire(var wire) && wire.id().equals(conductor))
        return edge;
    throw new IllegalArgumentException(conductor.text());
  }

  /// Design currents of conductors side by side: 3 A over 13.3 and 26 mΩ/m of the same length.
  @Test
  void designCurrentsAreSharedSideBySide() {
    var panel =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 1.5, 10)
            .wire("T:+", "M:+", 0.75, 10)
            .wire("M:-", "T:-", 1.5, 10);
    var study = panel.study();
    var thick = study.designCurrent(study.conductor(new Id("W5")).orElseThrow()).amperes();
    var thin = study.designCurrent(study.conductor(new Id("W6")).orElseThrow()).amperes();
    assertThat(thick + thin).isCloseTo(3, within(1e-9));
    assertThat(thick / thin).isCloseTo(26 / 13.3, within(1e-9));
  }

  private static nelvar.core.model.Brief fed(nelvar.core.model.Brief brief, String mains) {
    var s = brief.supply();
    return new nelvar.core.model.Brief(
        new nelvar.core.model.Brief.Supply(
            nelvar.core.units.MainsVoltage.read(mains).orThrow(),
            s.frequency(),
            s.earthing(),
            s.upstream(),
            s.loopImpedance(),
            s.prospectiveShortCircuitCurrent()),
        brief.surroundings(),
        brief.policies());
  }

  /// Split-phase 120/240 V: 240 V between the lines, 120 V from each to N; a lost neutral with
  /// loads of 100 W and 30 W (made for 230 V, so 529 Ω and 1763 Ω) puts them in series on 240 V:
  /// 55.4 V and 184.6 V.
  @Test
  void aSplitPhaseSupplyWithAndWithoutItsNeutral() {
    var panel =
        new Panel()
            .brief(brief -> fed(brief, "120/240 V"))
            .device("X0", "inlet-2-n-pe")
            .device("E1", "heater-100w-230v")
            .device("E2", "heater-30w-230v")
            .device("N", "block-neutral-8")
            .wire("X0:N", "N:1", 2.5, 1)
            .wire("X0:L1", "E1:L", 2.5, 1)
            .wire("X0:L2", "E2:L", 2.5, 1)
            .wire("E1:N", "N:2", 2.5, 1)
            .wire("E2:N", "N:3", 2.5, 1);
    var whole = solve(panel.build(), WhatIf.AS_DESIGNED);
    assertThat(whole.voltage(at("X0:L1"), at("X0:L2")).orElseThrow().rms())
        .isCloseTo(240, within(0.3));
    assertThat(whole.voltage(at("E1:L"), at("E1:N")).orElseThrow().rms())
        .isCloseTo(120, within(0.2));
    var lost = solve(panel.build(), WhatIf.AS_DESIGNED.togglingCut(new Id("W1")));
    assertThat(lost.voltage(at("E1:L"), at("E1:N")).orElseThrow().rms())
        .isCloseTo(55.4, within(0.1));
    assertThat(lost.voltage(at("E2:L"), at("E2:N")).orElseThrow().rms())
        .isCloseTo(184.6, within(0.2));
  }

  @Test
  void aSinglePhaseInletGivesLineToNeutral() {
    var panel =
        new Panel()
            .brief(brief -> fed(brief, "230 V"))
            .device("X0", "inlet-1-n-pe")
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "E:L", 2.5, 1)
            .wire("E:N", "X0:N", 2.5, 1);
    assertThat(solve(panel).voltage(at("E:L"), at("E:N")).orElseThrow().rms())
        .isCloseTo(230, within(0.4));
  }

  /// Transformer 400 VA 230/24 V of 8 %, bridge and capacitors, a pump of 3 A. By hand, capacitor
  /// without ripple: E = 24 · 1.076 = 25.8 V, R = 0.08 · 24²/400 = 0.115 Ω and 0.015 Ω of wires and
  /// mains; sin θ − θ·cos θ = π·R·I/(2√2·E) = 0.0168, θ = 0.371, U = √2·E·cos θ − 1.4 V − 0.18 V =
  /// 32.4 V. The mains gives what the pump takes and what is lost.
  @Test
  void aLinearSupplyServesItsLoad() {
    var panel =
        Panel.mains()
            .device("T", "transformer-400va-230-24")
            .wire("X0:L1", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1)
            .device("V", "rectifier-24vac-10a-22mf")
            .wire("T:3", "V:~1", 2.5, 1)
            .wire("T:4", "V:~2", 2.5, 1)
            .device("M", "pump-24v-3a")
            .wire("V:+", "M:+", 2.5, 1)
            .wire("M:-", "V:-", 2.5, 1);
    var live = solve(panel);
    assertThat(live.outcome()).isEqualTo(new nelvar.core.network.Outcome.Settled());
    assertThat(direct(live, "V:+", "V:-")).isCloseTo(32.4, within(0.3));
    assertThat(live.current(new Id("W1")).orElseThrow().rms()).isPositive();
  }

  /// A drive gives while it is told to run; its fault contact FA-FB is closed while it is fed and
  /// well, opens on a fault, and a fault stops its output. A valve on the contact shows it.
  @Test
  void aDriveRunsIsReadyAndFails() {
    var panel =
        Panel.dc()
            .device("U", "drive-3ph-400-0p75kw")
            .device("S", "push-button-1no")
            .device("H", "valve-24vdc-4w8")
            .wire("X0:L1", "U:L1", 1.5, 1)
            .wire("X0:L2", "U:L2", 1.5, 1)
            .wire("X0:L3", "U:L3", 1.5, 1)
            .wire("S:13", "U:RUN", 0.5, 1)
            .wire("S:14", "U:COM", 0.5, 1)
            .wire("T:+", "U:FA", 0.5, 1)
            .wire("U:FB", "H:1", 0.5, 1)
            .wire("H:2", "T:-", 0.5, 1)
            .build();
    var ready = actuator("U", "ready");
    var run = actuator("U", "run");
    var pressed = WhatIf.AS_DESIGNED.holding(actuator("S", "pressed"), true);

    var still = solve(panel, WhatIf.AS_DESIGNED.holding(actuator("S", "pressed"), false));
    assertThat(still.on(ready)).isTrue();
    assertThat(still.on(run)).isFalse();
    assertThat(still.live(at("U:U"))).isFalse();
    assertThat(direct(still, "H:1", "H:2")).isGreaterThan(23);

    var running = solve(panel, pressed);
    assertThat(running.live(at("U:U"))).isTrue();

    var faulty = solve(panel, pressed.holding(ready, false));
    assertThat(faulty.live(at("U:U"))).isFalse();
    assertThat(direct(faulty, "H:1", "H:2")).isLessThan(1);
  }

  /// An axis drive is enabled while nothing stands on EN, is stopped by 24 V on it, and joins ALM
  /// to COM while it is fed.
  @Test
  void anAxisDriveIsEnabledAndReportsItself() {
    var panel =
        Panel.dc()
            .device("T2", "supply-48v-10a")
            .wire("X0:L2", "T2:L", 1.5, 1)
            .wire("T2:N", "X0:N", 1.5, 1)
            .device("U", "stepper-drive-50v-5a")
            .wire("T2:+", "U:+", 2.5, 1)
            .wire("T2:-", "U:-", 2.5, 1)
            .device("S", "push-button-1no")
            .device("H", "valve-24vdc-4w8")
            .wire("T:+", "S:13", 0.5, 1)
            .wire("S:14", "U:EN", 0.5, 1)
            .wire("U:COM", "T:-", 0.5, 1)
            .wire("T:+", "H:1", 0.5, 1)
            .wire("H:2", "U:ALM", 0.5, 1)
            .build();
    var off = WhatIf.AS_DESIGNED.holding(actuator("S", "pressed"), false);
    var free = solve(panel, off);
    assertThat(free.live(at("U:A+"))).isTrue();
    assertThat(direct(free, "H:1", "H:2")).isGreaterThan(23);
    var stopped = solve(panel, WhatIf.AS_DESIGNED.holding(actuator("S", "pressed"), true));
    assertThat(stopped.on(actuator("U", "enabled"))).isFalse();
    assertThat(stopped.live(at("U:A+"))).isFalse();
    // Without its 48 V it reports nothing.
    var bus =
        panel.conductors().stream()
            .filter(c -> c.from().equals(at("T2:+")))
            .findFirst()
            .orElseThrow();
    var dead = solve(panel, off.togglingCut(bus.id()));
    assertThat(direct(dead, "H:1", "H:2")).isLessThan(1);
  }
}
