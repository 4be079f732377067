package nelvar.core.analysis.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.repair.RepairWay.Reading;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import org.junit.jupiter.api.Test;

class RepairWayTest {
  private static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  private static List<Project> demos() {
    return List.of(Demo.planted(), Demo.settled(), Demo.rinser(), Demo.sprayer());
  }

  /// From a terminal of its source, along wires and through devices, to the load.
  @Test
  void eachWayLeadsFromItsSourceToItsLoad() {
    for (var project : demos()) {
      var study = study(project);
      var topology = study.network().topology();
      assertThat(RepairWay.all(study)).isNotEmpty();
      for (var way : RepairWay.all(study)) {
        assertThat(way.points().getFirst().at().device()).isEqualTo(way.source().device().id());
        var line =
            new TerminalRef(way.feed().device().id(), way.feed().intake().lines().getFirst());
        var ats = way.points().stream().map(RepairWay.Point::at).toList();
        assertThat(ats).as(way.feed().name()).contains(line);
        for (var n = 1; n <= ats.indexOf(line); n++) {
          var before = topology.node(ats.get(n - 1));
          var here = topology.node(ats.get(n));
          var edge = way.feed().lineWays().getFirst().get(n - 1);
          assertThat(topology.otherEnd(edge, before)).isEqualTo(here);
        }
      }
    }
  }

  /// What stands across a load is the difference of what is read at its two terminals.
  @Test
  void theReadingsAgreeWithWhatTheLoadGets() {
    var compared = 0;
    for (var project : demos()) {
      var study = study(project);
      for (var way : RepairWay.all(study)) {
        var feed = way.feed();
        if (!way.oneProbe() || feed.intake().back().isEmpty()) continue;
        var state =
            MachineStates.of(study).stream()
                .filter(s -> way.onIn().filter(s.name()::equals).isPresent())
                .findFirst();
        if (state.isEmpty()) continue;
        var there = volts(way, feed.intake().lines().getFirst());
        var back = volts(way, feed.intake().back().get());
        var across = state.get().live().at(feed.device(), feed.intake()).orElseThrow().volts();
        if (there.isEmpty() || there.get().mostlyAlternating()) continue;
        if (back.isEmpty() && feed.backWay().isEmpty()) continue;
        var atBack = back.map(Live.Both::direct).orElse(0.0);
        assertThat(Math.abs(there.get().direct() - atBack))
            .as(feed.name())
            .isCloseTo(across, within(0.01 * across));
        compared++;
      }
    }
    assertThat(compared).isGreaterThan(60);
  }

  private static Optional<Live.Both> volts(RepairWay way, String terminal) {
    return way.points().stream()
        .filter(point -> point.at().equals(new TerminalRef(way.feed().device().id(), terminal)))
        .map(RepairWay.Point::on)
        .filter(Reading.Volts.class::isInstance)
        .map(reading -> ((Reading.Volts) reading).value())
        .findFirst();
  }

  private static double rms(Reading reading) {
    return ((Reading.Volts) reading).value().rms();
  }

  /// By hand: the relay of the mist pump hangs on the 24 V all the time, and an output of the
  /// controller pulls its other side to 0 V. So A2 shows next to nothing when it is on, and the
  /// whole 24 V through its coil at rest.
  @Test
  void aRelaySwitchedAtItsReturnShowsItsVoltsThereAtRest() {
    var way =
        RepairWay.all(study(Demo.planted())).stream()
            .filter(one -> one.feed().device().designation().text().equals("-K10"))
            .findFirst()
            .orElseThrow();
    assertThat(way.protector().orElseThrow().device().id()).isEqualTo(new Id("F20"));
    var points = way.points();
    var a1 = points.stream().filter(p -> p.at().terminal().equals("A1")).findFirst().orElseThrow();
    var a2 = points.stream().filter(p -> p.at().terminal().equals("A2")).findFirst().orElseThrow();
    assertThat(rms(a1.on())).isCloseTo(24, within(0.3));
    assertThat(rms(a1.rest())).isCloseTo(24, within(0.3));
    assertThat(rms(a2.on())).isLessThan(0.3);
    assertThat(rms(a2.rest())).isCloseTo(24, within(0.3));
  }

  /// By hand: the auger contactor is switched by the safety relay and the controller before its
  /// coil; a three-phase motor is measured from line to line.
  @Test
  void threeLinesAreMeasuredFromLineToLine() {
    var ways = RepairWay.all(study(Demo.planted()));
    var drive =
        ways.stream()
            .filter(one -> one.feed().device().designation().text().equals("-U1"))
            .findFirst()
            .orElseThrow();
    assertThat(drive.oneProbe()).isFalse();
    for (var point : drive.points()) {
      assertThat(point.at()).isNotEqualTo(point.against());
      assertThat(rms(point.on())).isCloseTo(400, within(5.0));
    }
  }
}
