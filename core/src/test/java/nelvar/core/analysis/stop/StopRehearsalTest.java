package nelvar.core.analysis.stop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.catalogue.Actuator;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.network.Rehearsal;
import nelvar.core.network.TrialText;
import nelvar.core.units.Duration;
import org.junit.jupiter.api.Test;

class StopRehearsalTest {
  private static final String CONTACTOR = "contactor-3p-9a-24vdc";
  private static final Duration MINUTE = new Duration(60);

  private static StopRehearsal.Fate fate(StopRehearsal of, String device) {
    return of.loads().stream()
        .filter(f -> f.device().id().text().equals(device))
        .findFirst()
        .orElseThrow();
  }

  private static StopRehearsal pressing(String button, Project project) {
    var study = Panel.study(project);
    return StopRehearsal.pressing(study.device(new Id(button)).orElseThrow(), MINUTE, study);
  }

  /// A stop button breaks a coil, whose contact feeds one valve; another valve hangs on the supply.
  ///
  /// @param second whether the valve's own way leads over the button too
  private static Project chain(boolean second) {
    var panel =
        Panel.dc()
            .device("S", "stop-button-2nc")
            .device("K", CONTACTOR)
            .device("Y", "valve-24vdc-4w8", Place.MACHINE)
            .device("V", "valve-24vdc-4w8", Place.MACHINE)
            .wire("T:+", "S:11", 0.75, 1)
            .wire("S:12", "K:A1", 0.75, 1)
            .wire("K:A2", "T:-", 0.75, 1)
            .wire("K:2", "Y:1", 0.75, 3)
            .wire("Y:2", "T:-", 0.75, 3)
            .wire("T:+", "V:1", 0.75, 3)
            .wire("V:2", "T:-", 0.75, 3);
    return (second
            ? panel.wire("T:+", "S:21", 0.75, 1).wire("S:22", "K:1", 0.75, 1)
            : panel.wire("T:+", "K:1", 0.75, 1))
        .build();
  }

  private static double releases() {
    return CatalogueFile.standard().find(CONTACTOR).orElseThrow().actuators().stream()
        .filter(Actuator.Magnet.class::isInstance)
        .mapToDouble(a -> ((Actuator.Magnet) a).releases().seconds())
        .findFirst()
        .orElseThrow();
  }

  /// The valve goes dry when the contactor lets go: by its own time of the catalogue.
  @Test
  void aLoadIsDryWhenItsContactorHasLetGo() {
    var rehearsal = pressing("S", chain(false));
    assertThat(releases()).isPositive();
    assertThat(fate(rehearsal, "K").dry().orElseThrow().seconds()).isZero();
    assertThat(fate(rehearsal, "Y").dry().orElseThrow().seconds())
        .isCloseTo(releases(), within(1e-9));
    assertThat(fate(rehearsal, "V").dry()).isEmpty();
  }

  /// A second contact in the load's own way never keeps its volts on for longer.
  @Test
  void aSecondContactInItsOwnWayIsNeverSlower() {
    var one = fate(pressing("S", chain(false)), "Y").dry().orElseThrow();
    var two = fate(pressing("S", chain(true)), "Y").dry().orElseThrow();
    assertThat(two).isLessThanOrEqualTo(one);
    assertThat(two.seconds()).isZero();
  }

  /// Let go again: the contactor that does not hold itself comes back, and that is said.
  @Test
  void whatComesBackByItselfIsSaid() {
    var study = Panel.study(chain(false));
    var text = new TrialText(study.project(), study.asDesigned().circuitry());
    var rehearsal =
        StopRehearsal.of(
            List.of(
                new Rehearsal.Act(new Duration(0), "press S", t -> text.set(t, "S=pressed")),
                new Rehearsal.Act(new Duration(2), "release S", t -> text.set(t, "S=released"))),
            MINUTE,
            study);
    var valve = fate(rehearsal, "Y");
    assertThat(valve.dry()).isEmpty();
    assertThat(valve.back().orElseThrow().seconds()).isGreaterThan(2);
    assertThat(fate(rehearsal, "V").back()).isEmpty();
  }

  /// In the settled machine a stop takes volts, and control goes on.
  @Test
  void theStopsOfTheDemo() {
    var study = Panel.study(Demo.settled());
    var buttons =
        study.project().devices().stream().filter(d -> StopRehearsal.stops(d, study)).toList();
    assertThat(buttons).isNotEmpty();
    for (var button : buttons) {
      var rehearsal = StopRehearsal.pressing(button, MINUTE, study);
      assertThat(rehearsal.loads()).anyMatch(f -> f.dry().isPresent());
      assertThat(fate(rehearsal, "A1").dry()).isEmpty();
      assertThat(rehearsal.timeline().endless()).isFalse();
      assertThat(rehearsal.loads()).allMatch(StopRehearsal.Fate::known);
    }
  }
}
