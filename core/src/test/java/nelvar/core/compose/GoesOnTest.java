package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.stop.Courses;
import nelvar.core.analysis.stop.GoesOn;
import nelvar.core.analysis.stop.StopReadOnly;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.review.Review;
import nelvar.core.review.WaysOut;
import nelvar.core.units.Duration;
import org.junit.jupiter.api.Test;

/// What no stop takes is said, and is led over a contactor that the stops open.
class GoesOnTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();

  /// A pump behind a stop button and its contactor, and sockets beside it.
  private static Panel workshop(String sockets) {
    return Panel.dc()
        .device("S", "stop-button-2nc", Place.DOOR)
        .device("K", "contactor-3p-9a-24vdc")
        .suppressed()
        .device("M", "pump-24v-3a", Place.MACHINE)
        .purpose("feed screw")
        .protective("T:-", "X0:PE", 2.5)
        .control("T:+", "S:11", 0.75, 1)
        .control("S:12", "K:A1", 0.75, 1)
        .control("K:A2", "T:-", 0.75, 1)
        .wire("T:+", "K:1", 1.5, 1)
        .wire("K:2", "M:+", 1.5, 3)
        .wire("M:-", "T:-", 1.5, 3)
        .device("F2", "breaker-1p-c10")
        .device("X5", "socket-strip-1")
        .purpose(sockets)
        .wire("X0:L2", "F2:1", 2.5, 1)
        .wire("F2:2", "X5:L", 2.5, 1)
        .wire("X5:N", "X0:N", 2.5, 1)
        .protective("X5:PE", "X0:PE", 2.5);
  }

  private static List<Verdict> judged(Project project) {
    return new GoesOn().check(Panel.study(project)).toList();
  }

  @Test
  void socketsOfASawStayLive() {
    assertThat(judged(workshop("socket of the crosscut saw").build()))
        .filteredOn(Verdict.Finding.class::isInstance)
        .singleElement()
        .isInstanceOfSatisfying(
            Verdict.Finding.class,
            f -> {
              assertThat(f.severity()).isEqualTo(Severity.WARNING);
              assertThat(f.text()).contains("-X5", "-S", "what is plugged in goes on");
            });
    // What hangs on others is nobody's tool; the screw is taken.
    assertThat(judged(workshop("socket of the lamp").build()))
        .singleElement()
        .isInstanceOf(Verdict.Pass.class);
  }

  /// A contactor before the sockets, behind the free contact of the stop: dry when it is pressed,
  /// and nothing comes back by letting it go.
  @Test
  void aContactorBeforeTheSockets() {
    var before = workshop("socket of the crosscut saw").build();
    var ways = waysOut(before);
    assertThat(ways).hasSize(1);
    assertThat(ways.getFirst().label()).contains("-X5", "contactor", "-S");
    var after = ways.getFirst().edit().on(before, STANDARD);
    assertThat(judged(after)).allMatch(Verdict.Pass.class::isInstance);
    var study = Panel.study(after);
    var stop = study.device(new Id("S")).orElseThrow();
    for (var rehearsal :
        List.of(
            StopRehearsal.pressing(stop, new Duration(5), study),
            StopRehearsal.pressedAndLetGo(stop, new Duration(1), new Duration(5), study)))
      assertThat(Courses.of(rehearsal, study))
          .anySatisfy(c -> assertThat(c.ends()).startsWith("sockets dry after 0."));
  }

  private static List<Repair> waysOut(Project project) {
    var review = Review.findingsOnly(project, STANDARD);
    var entry =
        review.open().stream()
            .filter(e -> e.rule().id().equals("stop.goes-on"))
            .findFirst()
            .orElseThrow();
    return WaysOut.of(review, STANDARD, new WaysAsRepairs(STANDARD)).of(entry).orElseThrow();
  }

  /// Straight on the mains beside a machine that has a stop, a mill goes on and a pump may.
  @Test
  void whatOnlyFlowsMayGoOn() {
    assertThat(judged(beside("grain mill")))
        .filteredOn(Verdict.Finding.class::isInstance)
        .singleElement()
        .isInstanceOfSatisfying(
            Verdict.Finding.class, f -> assertThat(f.text()).contains("grain mill goes on"));
    assertThat(judged(beside("coolant pump"))).allMatch(Verdict.Pass.class::isInstance);
    assertThat(judged(beside("pump of the saw blade")))
        .filteredOn(Verdict.Finding.class::isInstance)
        .hasSize(1);
    assertThat(waysOut(beside("grain mill"))).hasSize(1);
    // Words that only sound like flowing: each of these can take a hand along.
    for (var what :
        List.of("honey extractor drum", "compression roller", "spray arm", "chair lift"))
      assertThat(judged(beside(what)))
          .as(what)
          .filteredOn(Verdict.Finding.class::isInstance)
          .hasSize(1);
  }

  private static Project beside(String what) {
    var panel =
        workshop("socket of the lamp")
            .device("Q", "motor-protector-1a")
            .setTo(0.8)
            .device("M2", "motor-0p25kw-230-400", Place.MACHINE)
            .purpose(what)
            .protective("M2:PE", "X0:PE", 1.5);
    for (var n = 1; n <= 3; n++) panel = panel.wire("X0:L" + n, "Q:" + (2 * n - 1), 1.5, 1);
    return panel
        .cable("C1", "cable-4x1p5", 5, "D", 1.5, "Q:2", "M2:U", "Q:4", "M2:V", "Q:6", "M2:W")
        .build();
  }

  /// The tool moved to sockets behind the stop is taken with them; moved to an outlet of the
  /// building, an inlet of its own, no stop of the machine takes it.
  @Test
  void aToolMovedToAnotherOutlet() {
    assertThat(moved("X6", "N1")).isEmpty();
    assertThat(moved("X5", "N1")).hasSize(1);
    // One thing is said once: of the tool, not of its sockets as well.
    assertThat(moved("X5", "N1", "socket of the hand router")).hasSize(1);
    assertThat(moved("X9", "N")).hasSize(1);
  }

  private static List<Verdict> moved(String outlet, String neutral) {
    return moved(outlet, neutral, "socket of the lamp");
  }

  private static List<Verdict> moved(String outlet, String neutral, String sockets) {
    var panel =
        workshop(sockets)
            .device("K9", "contactor-3p-9a-24vdc")
            .suppressed()
            .device("X6", "socket-strip-1")
            .control("S:12", "K9:A1", 0.75, 1)
            .control("K9:A2", "T:-", 0.75, 1)
            .device("F3", "breaker-1p-c10")
            .wire("X0:L3", "F3:1", 2.5, 1)
            .wire("F3:2", "K9:1", 2.5, 1)
            .wire("K9:2", "X6:L", 2.5, 1)
            .wire("X6:N", "X0:N", 2.5, 1)
            .protective("X6:PE", "X0:PE", 2.5)
            .device("X9", "inlet-1-n-pe")
            .device("R", "appliance-router-900w", Place.MACHINE)
            .purpose("hand router");
    return judged(
            panel
                .wire(outlet + ":L1", "R:L", 1.5, 3)
                .wire("R:N", outlet + ":" + neutral, 1.5, 3)
                .build())
        .stream()
        .filter(Verdict.Finding.class::isInstance)
        .toList();
  }

  /// Demos are as before: what goes on in them only flows, and a stop that takes nothing at all is
  /// called out by another rule.
  @Test
  void theDemos() {
    for (var demo : List.of(Demo.planted(), Demo.settled(), Demo.rinserSettled()))
      assertThat(judged(demo)).isNotEmpty().allMatch(Verdict.Pass.class::isInstance);
    assertThat(judged(Demo.rinser())).isEmpty();
    assertThat(new StopReadOnly().check(Panel.study(Demo.rinser())).toList())
        .anyMatch(Verdict.Finding.class::isInstance);
  }
}
