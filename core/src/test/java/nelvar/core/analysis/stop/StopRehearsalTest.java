package nelvar.core.analysis.stop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.file.Demo;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.Suppression;
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

  /// A contactor without anything across its coil: nothing but its own movement, 5 to 20 ms.
  @Test
  void aLoadIsDryWhenItsContactorHasLetGo() {
    var rehearsal = pressing("S", chain(false));
    assertThat(fate(rehearsal, "K").latest().orElseThrow().seconds()).isZero();
    var dry = fate(rehearsal, "Y").dry().orElseThrow();
    assertThat(dry.soonest().seconds()).isCloseTo(0.005, within(1e-9));
    assertThat(dry.latest().seconds()).isCloseTo(0.020, within(1e-9));
    assertThat(fate(rehearsal, "V").dry()).isEmpty();
  }

  /// With a diode the slowest coil, L/R 60 ms, holds until a tenth of its current: 60 ·
  /// ln(1.03/0.13) ms more; the quickest, 20 ms, until three quarters.
  @Test
  void aDiodeHoldsTheCoilForItsOwnTime() {
    var project = chain(false);
    var diode =
        project.withDevices(
            Project.changed(
                project.devices(),
                d -> d.id().text().equals("K"),
                d -> d.withSuppression(Suppression.DIODE)));
    var dry = fate(pressing("S", diode), "Y").dry().orElseThrow();
    assertThat(dry.latest().seconds())
        .isCloseTo(0.020 + 0.060 * Math.log(1.03 / 0.13), within(1e-6));
    assertThat(dry.soonest().seconds())
        .isCloseTo(0.005 + 0.020 * Math.log(1.03 / 0.78), within(1e-6));
  }

  /// A second contact in the load's own way never keeps its volts on for longer.
  @Test
  void aSecondContactInItsOwnWayIsNeverSlower() {
    var one = fate(pressing("S", chain(false)), "Y").latest().orElseThrow();
    var two = fate(pressing("S", chain(true)), "Y").latest().orElseThrow();
    assertThat(two).isLessThanOrEqualTo(one);
    assertThat(two.seconds()).isZero();
  }

  /// A transformer, a bridge with 22 mF, a stepper drive: with its mains gone the bank carries the
  /// torque on, `C · (U1² − U2²)/(2 · P)`, with a tenth of its load ten times as long.
  @Test
  void aBankCarriesTheTorqueOn() {
    var panel =
        Panel.mains()
            .device("S", "stop-button-2nc")
            .device("T", "toroid-500va-230-36-9")
            .wire("X0:L1", "S:11", 1.5, 1)
            .wire("S:12", "T:1", 1.5, 1)
            .wire("T:2", "X0:N", 1.5, 1)
            .device("B", "rectifier-48vac-10a-22mf")
            .wire("T:3", "B:~1", 2.5, 0.5)
            .wire("T:4", "B:~2", 2.5, 0.5)
            .device("U", "stepper-drive-50v-5a")
            .setTo(3)
            .wire("B:+", "U:+", 1.5, 0.5)
            .wire("U:-", "B:-", 1.5, 0.5)
            .device("M", "stepper-motor-3a");
    for (var end : List.of("A+", "A-", "B+", "B-")) panel.wire("U:" + end, "M:" + end, 1, 1);
    var study = panel.study();
    var drive = study.device(new Id("U")).orElseThrow();
    var served = study.asDesigned().circuitry().served(new Id("U")).getFirst();
    var volts = study.asDesigned().at(drive, served.intake()).orElseThrow().volts();
    var watts = study.asDesigned().taken(drive, served.intake()).orElseThrow().watts();
    var farads =
        0.022 + study.part(drive).flatMap(p -> p.busCapacitance()).map(c -> c.farads()).orElse(0.0);
    var ends = 0.5 * served.intake().accepts().least().volts();
    var full = farads * (volts * volts - ends * ends) / (2 * watts);
    var dry =
        fate(StopRehearsal.pressing(study.device(new Id("S")).orElseThrow(), MINUTE, study), "M")
            .dry()
            .orElseThrow();
    assertThat(full).isGreaterThan(0.1);
    assertThat(dry.soonest().seconds()).isCloseTo(full, within(0.001 * full));
    assertThat(dry.latest().seconds()).isCloseTo(10 * full, within(0.01 * full));
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
    assertThat(valve.back().orElseThrow().again().seconds()).isGreaterThan(2);
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
      assertThat(rehearsal.slow().endless()).isFalse();
      assertThat(rehearsal.loads()).allMatch(StopRehearsal.Fate::known);
    }
  }
}
