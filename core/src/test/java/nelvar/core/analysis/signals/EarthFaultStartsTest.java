package nelvar.core.analysis.signals;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Subject;
import org.junit.jupiter.api.Test;

/// Which side is switched: with 0 V earthed a wire on the frame must start nothing.
class EarthFaultStartsTest {
  private static final EarthFaultStarts RULE = new EarthFaultStarts();

  /// A supply whose 0 V is joined to earth, and a controller that pulls to 0 V.
  private static Panel earthed(String controller) {
    return Panel.dc()
        .protective("X0:PE", "T:-", 4)
        .device("A", controller)
        .wire("T:+", "A:+", 0.75, 1)
        .wire("A:-", "T:-", 0.75, 1);
  }

  private static Optional<Verdict> of(Panel panel, String device) {
    return RULE.check(panel.study())
        .filter(verdict ->
            verdict.subject() instanceof Subject.Thing thing && thing.id().text().equals(device))
        .findFirst();
  }

  private static Verdict.Finding found(Panel panel, String device) {
    return (Verdict.Finding) of(panel, device).orElseThrow();
  }

  @Test
  void aValveOnASinkingOutputIsSwitchedByAWireOnTheFrame() {
    var panel =
        earthed("motion-controller-3ax")
            .device("Y", "valve-24vdc-4w8")
            .wire("T:+", "Y:1", 0.75, 5)
            .wire("Y:2", "A:Q1", 0.75, 5);
    assertThat(found(panel, "A").severity()).isEqualTo(Severity.ERROR);
    assertThat(found(panel, "A").text()).contains("-Y").contains("9.4.3.1");
  }

  @Test
  void aLampOnlyWarns() {
    var panel =
        earthed("motion-controller-3ax")
            .device("H", "lamp-signal-24v-1w")
            .wire("T:+", "H:+", 0.75, 5)
            .wire("H:-", "A:Q1", 0.75, 5);
    assertThat(found(panel, "A").severity()).isEqualTo(Severity.WARNING);
  }

  @Test
  void theSameValveBetweenAnOutputThatGivesPlusAndZeroStaysOff() {
    var panel =
        earthed("motion-controller-4ax-sourcing")
            .wire("T:+", "A:P+", 0.75, 1)
            .device("Y", "valve-24vdc-4w8")
            .wire("A:DO1", "Y:1", 0.75, 5)
            .wire("Y:2", "T:-", 0.75, 5);
    assertThat(of(panel, "A")).isEmpty();
  }

  @Test
  void withoutEarthNothingIsSwitched() {
    var panel =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .device("Y", "valve-24vdc-4w8")
            .wire("T:+", "Y:1", 0.75, 5)
            .wire("Y:2", "A:Q1", 0.75, 5);
    assertThat(of(panel, "A")).isEmpty();
  }

  /// The + of the valve is switched too: by the contact of a relay that is out while programs are.
  @Test
  void bothPolesSwitchedPasses() {
    var panel =
        earthed("motion-controller-3ax")
            .device("K", "relay-6a-24vdc")
            .device("S", "push-button-1no")
            .wire("T:+", "S:13", 0.75, 5)
            .wire("S:14", "K:A1", 0.75, 5)
            .wire("K:A2", "T:-", 0.75, 1)
            .device("Y", "valve-24vdc-4w8")
            .wire("T:+", "K:11", 0.75, 1)
            .wire("K:14", "Y:1", 0.75, 5)
            .wire("Y:2", "A:Q1", 0.75, 5);
    assertThat(of(panel, "A").orElseThrow()).isInstanceOf(Verdict.Pass.class);
  }

  /// Hard wired: a contactor between + and a button to 0 V, with a second contact in series.
  @Test
  void aButtonOnTheEarthedSideIsFound() {
    var panel =
        Panel.dc()
            .protective("X0:PE", "T:-", 4)
            .device("K", "contactor-3p-9a-24vdc")
            .device("S", "push-button-1no")
            .device("G", "push-button-1no")
            .wire("T:+", "K:A1", 0.75, 1)
            .wire("K:A2", "S:13", 0.75, 5)
            .wire("S:14", "G:13", 0.75, 5)
            .wire("G:14", "T:-", 0.75, 5);
    assertThat(found(panel, "S").text()).contains("-K");
    var right =
        Panel.dc()
            .protective("X0:PE", "T:-", 4)
            .device("K", "contactor-3p-9a-24vdc")
            .device("S", "push-button-1no")
            .wire("T:+", "S:13", 0.75, 5)
            .wire("S:14", "K:A1", 0.75, 5)
            .wire("K:A2", "T:-", 0.75, 1);
    assertThat(of(right, "S")).isEmpty();
  }

  /// A sinking sensor that starts: its wire on the frame reads like the sensor.
  @Test
  void aSinkingSensorThatStartsIsFoundAndOneThatOnlyCountsIsNot() {
    var start = npn().purpose("start when a tray comes").wire("B:OUT", "A:IN1", 0.5, 5);
    assertThat(found(start, "B").text()).contains("-A");
    assertThat(of(npn().purpose("counts trays").wire("B:OUT", "A:IN1", 0.5, 5), "B").orElseThrow())
        .isInstanceOf(Verdict.Pass.class);
  }

  private static Panel npn() {
    return Panel.dc()
        .protective("X0:PE", "T:-", 4)
        .device("A", "board-4-axes-24v-2a")
        .wire("T:+", "A:+", 0.75, 1)
        .wire("A:-", "T:-", 0.75, 1)
        .device("B", "photo-eye-npn")
        .wire("T:+", "B:+", 0.5, 5)
        .wire("B:-", "T:-", 0.5, 5);
  }
}
