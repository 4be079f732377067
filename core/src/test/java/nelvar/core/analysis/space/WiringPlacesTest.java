package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.Panel;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Place;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import org.junit.jupiter.api.Test;

/// Where what comes in, what is filtered and what goes out stands, just inside and just outside.
class WiringPlacesTest {
  /// The mains through a filter of one phase to a drive.
  private static Panel filtered() {
    return Panel.mains()
        .device("Z1", "filter-1ph-20a")
        .device("U1", "drive-1ph-230-0p37kw")
        .wire("X0:L1", "Z1:L1", 2.5, 1)
        .wire("X0:N", "Z1:N", 2.5, 1)
        .wire("Z1:L1'", "U1:L", 2.5, 1)
        .wire("Z1:N'", "U1:N", 2.5, 1)
        .cabinet(800, 1000, 300);
  }

  /// 200 mm from edge to edge.
  @Test
  void aFilterStandsBesideItsDrive() {
    var filter = Bodies.of(filtered().at("Z1", 0, 0).study());
    var wide = filter.of(new nelvar.core.model.Id("Z1")).orElseThrow().box().width();
    var near = filtered().at("Z1", 50, 300).at("U1", 50 + wide + 200, 300);
    assertThat(near.judge(new FilterNear(), "Z1")).isInstanceOf(Verdict.Pass.class);
    var far = filtered().at("Z1", 50, 300).at("U1", 50 + wide + 201, 300);
    assertThat(far.found(new FilterNear(), "Z1").text()).contains("201 mm away from -U1");
    far.cures(new FilterNear(), "Z1");
    assertThat(filtered().at("Z1", 50, 300).judge(new FilterNear(), "Z1"))
        .isInstanceOf(Verdict.NotChecked.class);
  }

  /// Terminals of 24 V that a valve of the machine hangs on.
  private static Panel field() {
    return Panel.mains()
        .device("X1", "block-plus-8")
        .device("Y1", "valve-24vdc-4w8", Place.MACHINE)
        .wire("X1:1", "Y1:1", 1.5, 3)
        .cabinet(800, 1000, 300);
  }

  @Test
  void powerComesInApartFromTheMachine() {
    var inlet = Bodies.of(field().at("X0", 0, 0).study());
    var wide = inlet.of(new nelvar.core.model.Id("X0")).orElseThrow().box().width();
    var apart = field().at("X0", 50, 800).at("X1", 50 + wide + PowerIn.APART, 800);
    assertThat(apart.judge(new PowerIn(), "X0")).isInstanceOf(Verdict.Pass.class);
    var among = field().at("X0", 50, 800).at("X1", 50 + wide + PowerIn.APART - 1, 800);
    assertThat(among.found(new PowerIn(), "X0").text()).contains("-X1");
    among.cures(new PowerIn(), "X0");
    assertThat(field().at("X0", 50, 800).judge(new PowerIn(), "X0"))
        .isInstanceOf(Verdict.Pass.class);
  }

  /// Cables leave below, the plate is 950 high: the middle of a terminal at 475 is half way.
  @Test
  void terminalsStandWhereCablesLeave() {
    var high =
        Bodies.of(field().at("X1", 0, 0).study())
            .of(new nelvar.core.model.Id("X1"))
            .orElseThrow()
            .box()
            .height();
    var low = field().at("X1", 300, 475 - high / 2);
    assertThat(low.judge(new FieldTerminals(), "X1")).isInstanceOf(Verdict.Pass.class);
    var above = field().at("X1", 300, 474 - high / 2);
    above.found(new FieldTerminals(), "X1");
    above.cures(new FieldTerminals(), "X1");
    // Where cables leave at the top it is the other way round.
    var top =
        field()
            .cabinet(c -> c.withShell(c.shell().with(d -> d.cables = Shell.Side.TOP)))
            .at("X1", 300, 100);
    assertThat(top.judge(new FieldTerminals(), "X1")).isInstanceOf(Verdict.Pass.class);
  }

  /// A steel door of 0.6 · 0.8 m bears 15 kg/m², 7.2 kg; of plastic half of it.
  @Test
  void aDoorBearsItsLoad() {
    var panel = Panel.mains().device("T1", "supply-24v-20a", Place.DOOR).cabinet(600, 800, 250);
    var mass = panel.study().catalogue().find("supply-24v-20a").orElseThrow().article().mass();
    assertThat(mass).isPresent();
    var verdict = panel.at("T1", Surface.DOOR, 100, 100).judge(new DoorLoad(), "C");
    assertThat(verdict)
        .isInstanceOf(mass.get().value() <= 7.2 ? Verdict.Pass.class : Verdict.Finding.class);
    var small = Panel.mains();
    for (var i = 0; i < 6; i++) small.device("T" + i, "transformer-400va-230-24", Place.DOOR);
    small.cabinet(600, 800, 250);
    for (var i = 0; i < 6; i++) small.at("T" + i, Surface.DOOR, 10 + 90 * i, 100);
    assertThat(small.found(new DoorLoad(), "C").text()).contains("bears about 7.2 kg");
  }
}
