package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.stop.StartsByItself;
import nelvar.core.analysis.stop.StartsOnRelease;
import nelvar.core.analysis.stop.StopByParameter;
import nelvar.core.analysis.stop.StopReadOnly;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Linkage;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.model.TerminalRef;
import nelvar.core.review.Review;
import nelvar.core.review.WaysOut;
import nelvar.core.units.Duration;
import org.junit.jupiter.api.Test;

/// A drive that a stop leaves its feed gets a contactor before it, which the same stop opens.
class PowerContactorTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();

  /// A conveyor with its drive on the mains, whose run input a stop and a second one open.
  private static Panel conveyor() {
    var panel =
        Panel.dc()
            .device("U", "drive-1ph-230-0p37kw")
            .protective("T:-", "X0:PE", 2.5)
            .device("M", "motor-0p25kw-230-400", Place.MACHINE)
            .linked(Linkage.DELTA)
            .device("S1", "stop-button-2nc", Place.DOOR)
            .device("S2", "stop-button-2nc", Place.MACHINE)
            .wire("X0:L1", "U:L", 1.5, 1)
            .wire("U:N", "X0:N", 1.5, 1)
            .control("U:RUN", "S1:11", 0.5, 1)
            .control("S1:12", "S2:11", 0.5, 4)
            .control("S2:12", "U:COM", 0.5, 4);
    for (var phase : List.of("U", "V", "W")) panel = panel.wire("U:" + phase, "M:" + phase, 1.5, 5);
    return panel;
  }

  private static List<Repair> waysOut(String rule, Project project) {
    var review = Review.findingsOnly(Panel.study(project));
    var entry =
        review.open().stream().filter(e -> e.rule().id().equals(rule)).findFirst().orElseThrow();
    return WaysOut.of(review, STANDARD, new WaysAsRepairs(STANDARD)).of(entry).orElseThrow();
  }

  @Test
  void aContactorThatBothStopsOpen() {
    var before = conveyor().build();
    assertThat(Panel.judge(new StopByParameter(), "U", before)).isInstanceOf(Verdict.Finding.class);
    var ways = waysOut("stop.parameter", before);
    assertThat(ways).hasSize(1);
    assertThat(ways.getFirst().label()).contains("contactor", "-S1, -S2", "start button");
    var after = ways.getFirst().edit().on(before, STANDARD);
    for (var rule : List.of(new StopByParameter(), new StartsOnRelease()))
      for (var verdict : rule.check(Panel.study(after)).toList())
        assertThat(verdict).isInstanceOf(Verdict.Pass.class);
    // Nothing turns from cold: before, it did as soon as the mains was there.
    assertThat(Panel.judge(new StartsByItself(), "M", before)).isInstanceOf(Verdict.Finding.class);
    assertThat(Panel.judge(new StartsByItself(), "M", after)).isInstanceOf(Verdict.Pass.class);
    var study = Panel.study(after);
    for (var stop : List.of("S1", "S2")) {
      var rehearsal =
          StopRehearsal.pressing(study.device(new Id(stop)).orElseThrow(), new Duration(5), study);
      assertThat(rehearsal.of(study.device(new Id("U")).orElseThrow()))
          .as(stop)
          .isNotEmpty()
          .allSatisfy(fate ->
              assertThat(fate.latest())
                  .hasValueSatisfying(t -> assertThat(t.seconds()).isLessThan(1)));
    }
  }

  @Test
  void notWhereItIsToSlowDownFirst() {
    assertThat(waysOut("stop.parameter", conveyor().answering(School.STOP_CATEGORY, "one").build()))
        .isEmpty();
  }

  /// A stop with no free contact cannot open a coil as well.
  @Test
  void notWithoutAFreeContact() {
    assertThat(
            waysOut(
                "stop.parameter",
                conveyor()
                    .control("S2:21", "U:RUN", 0.5, 1)
                    .control("S2:22", "U:RUN", 0.5, 1)
                    .build()))
        .isEmpty();
  }

  /// A pump straight on the mains runs as soon as they come back; behind a contactor that holds
  /// itself it waits for its start button, and a stop button comes with it.
  @Test
  void whatStartsByItselfWaitsForItsButton() {
    var panel =
        Panel.dc()
            .device("Q", "motor-protector-1a")
            .setTo(0.8)
            .protective("T:-", "X0:PE", 2.5)
            .device("M", "motor-0p25kw-230-400", Place.MACHINE)
            .protective("M:PE", "X0:PE", 1.5);
    for (var n = 1; n <= 3; n++) panel = panel.wire("X0:L" + n, "Q:" + (2 * n - 1), 1.5, 1);
    panel = panel.cable("C1", "cable-4x1p5", 5, "D", 1.5, "Q:2", "M:U", "Q:4", "M:V", "Q:6", "M:W");
    var pump = panel.build();
    var ways = waysOut("stop.restart", pump);
    assertThat(ways).isNotEmpty();
    var after = ways.getFirst().edit().on(pump, STANDARD);
    assertThat(Panel.judge(new StartsByItself(), "M", after)).isInstanceOf(Verdict.Pass.class);
    assertThat(after.devices())
        .extracting(device -> device.purpose())
        .contains("stop of -M", "power on, -M");
    // Its cable now begins at the contactor, in the cabinet.
    assertThat(after.conductors())
        .filteredOn(c -> c.cable().isPresent() && c.touches(new Id("M")))
        .hasSize(3)
        .allMatch(c ->
            after
                .device(c.from().device())
                .filter(d -> d.purpose().equals("feed of -M"))
                .isPresent());
  }

  /// With the run input of the belt bridged the reset alone starts it: a relay of the program takes
  /// the place of the bridge, and the reset starts nothing.
  @Test
  void aBridgedRunInputIsLedOverTheProgram() {
    var run = TerminalRef.of("U2:RUN");
    var common = TerminalRef.of("U2:COM");
    var settled = Demo.settled();
    var contact = settled.conductors().stream().filter(w -> w.lands(run)).findFirst().orElseThrow();
    var before =
        settled.withConductors(
            settled.conductors().stream()
                .filter(w -> w.equals(contact) || !w.touches(run.device()) || !w.lands(common))
                .map(w -> w.equals(contact) ? w.withEnds(common, run) : w)
                .toList());
    var ways = waysOut("stop.restart", before);
    assertThat(ways).hasSize(1);
    assertThat(ways.getFirst().label()).contains("run input of -U2", "relay");
    var after = ways.getFirst().edit().on(before, STANDARD);
    assertThat(Panel.judge(new StartsByItself(), "M2", after)).isInstanceOf(Verdict.Pass.class);
    assertThat(after.conductors()).noneMatch(w -> w.lands(run) && w.lands(common));
    // It still runs when the program says so.
    var study = Panel.study(after);
    var motor = study.device(new Id("M2")).orElseThrow();
    assertThat(study.asDesigned().circuitry().served(motor.id()))
        .allMatch(served ->
            study.asDesigned().at(motor, served.intake()).filter(u -> u.volts() > 100).isPresent());
    // As shipped no output of its controller is free: a second controller would open more.
    assertThat(waysOut("stop.restart", Demo.planted())).isEmpty();
  }

  /// A stop that only a controller reads, before two stepper drives on one supply: a contactor
  /// before that supply, which the stop opens itself, and which leaves the controller its volts.
  @Test
  void aStopThatOnlyAControllerReads() {
    var before =
        Panel.dc()
            .protective("T:-", "X0:PE", 2.5)
            .device("S1", "stop-button-2nc", Place.DOOR)
            .purpose("stop")
            .device("A", "motion-controller-4ax-sourcing")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .control("T:+", "S1:11", 0.5, 1)
            .control("S1:12", "A:DI1", 0.5, 1)
            .device("F2", "breaker-1p-d4")
            .device("T2", "supply-48v-10a")
            .wire("X0:L2", "F2:1", 2.5, 0.5)
            .wire("F2:2", "T2:L", 2.5, 0.5)
            .wire("T2:N", "X0:N", 2.5, 0.5)
            .protective("X0:PE", "T2:PE", 2.5)
            .protective("T2:-", "X0:PE", 2.5);
    for (var n = 1; n <= 2; n++) {
      before =
          before
              .device("U" + n, "stepper-drive-50v-5a")
              .setTo(4)
              .device("M" + n, "stepper-motor-4p2a", Place.MACHINE)
              .wire("T2:+", "U" + n + ":+", 2.5, 0.5)
              .wire("U" + n + ":-", "T2:-", 2.5, 0.5);
      for (var end : List.of("A+", "A-", "B+", "B-"))
        before = before.wire("U" + n + ":" + end, "M" + n + ":" + end, 1.5, 5);
    }
    var project = before.build();
    assertThat(Panel.judge(new StopReadOnly(), "S1", project)).isInstanceOf(Verdict.Finding.class);
    var ways = waysOut("stop.read-only", project);
    assertThat(ways).hasSize(1);
    assertThat(ways.getFirst().label()).contains("-T2", "-S1");
    var after = ways.getFirst().edit().on(project, STANDARD);
    var study = Panel.study(after);
    var rehearsal =
        StopRehearsal.pressing(study.device(new Id("S1")).orElseThrow(), new Duration(30), study);
    for (var id : List.of("U1", "U2", "A")) {
      var fates = rehearsal.of(study.device(new Id(id)).orElseThrow());
      assertThat(fates).isNotEmpty();
      assertThat(fates).as(id).allMatch(fate -> fate.dry().isPresent() == id.startsWith("U"));
    }
  }
}
