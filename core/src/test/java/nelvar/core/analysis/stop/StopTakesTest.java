package nelvar.core.analysis.stop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.stop.StopTakes.Standing;
import nelvar.core.file.Demo;
import nelvar.core.model.Id;
import nelvar.core.units.Duration;
import org.junit.jupiter.api.Test;

class StopTakesTest {
  private static StopTakes.Left left(String device, StopTakes takes) {
    return takes.of(new Id(device)).orElseThrow();
  }

  /// S1 of the filler: drives on mains lose their feed and hold √2 · 400 V, mains 10 % low or high;
  /// what hangs on 48 V is dry, the controller keeps its 24 V; a block of 0 V never had any.
  @Test
  void whatAStopLeaves() {
    var study = Panel.study(Demo.settled());
    var takes = StopTakes.of(Optional.of(new Id("S1")), study).orElseThrow();
    assertThat(takes.button().id()).isEqualTo(new Id("S1"));
    assertThat(left("U1", takes).standing()).isEqualTo(Standing.CHARGED);
    assertThat(left("U1", takes).volts().volts()).isBetween(0.9 * 565, 1.1 * 567);
    assertThat(left("U3", takes).standing()).isEqualTo(Standing.TAKEN);
    assertThat(left("U3", takes).volts().volts()).isCloseTo(48, within(3.0));
    assertThat(left("A1", takes).standing()).isEqualTo(Standing.STAYS);
    assertThat(left("A1", takes).volts().volts()).isCloseTo(24, within(1.5));
    assertThat(takes.of(new Id("X30"))).isEmpty();
    assertThat(takes.standing(Standing.TAKEN, study)).extracting(d -> d.id().text()).contains("U3");
  }

  /// What is not chosen is the first one; without a stop there is nothing.
  @Test
  void theFirstStopWhereNoneIsChosen() {
    var study = Panel.study(Demo.settled());
    assertThat(StopTakes.of(Optional.of(new Id("U1")), study))
        .isEqualTo(StopTakes.of(Optional.empty(), study));
    assertThat(StopTakes.of(Optional.empty(), Panel.study(Panel.dc().build()))).isEmpty();
  }

  /// A load that the rehearsal says keeps its volts is never called dry, one that it says loses
  /// them never as before, of all machines shipped and all their stops.
  @Test
  void itAgreesWithTheRehearsal() {
    for (var project : List.of(Demo.planted(), Demo.settled(), Demo.rinserSettled())) {
      var study = Panel.study(project);
      for (var one : Pressed.all(study)) {
        var takes = StopTakes.of(Optional.of(one.button().id()), study).orElseThrow();
        for (var fate : StopRehearsal.pressing(one.button(), new Duration(60), study).loads())
          agrees(fate, takes, study);
      }
    }
  }

  private static void agrees(StopRehearsal.Fate fate, StopTakes takes, Study study) {
    if (!fate.known() || study.asDesigned().circuitry().served(fate.device().id()).size() != 1)
      return;
    var standing = left(fate.device().id().text(), takes).standing();
    if (fate.dry().isEmpty()) assertThat(standing).as(fate.toString()).isNotEqualTo(Standing.TAKEN);
    else if (study.part(fate.device()).filter(p -> p.motor() || p.brakes()).isPresent())
      assertThat(standing).as(fate.toString()).isEqualTo(Standing.TAKEN);
  }
}
