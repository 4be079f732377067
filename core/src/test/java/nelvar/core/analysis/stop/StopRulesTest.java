package nelvar.core.analysis.stop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nelvar.core.Panel;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.motion.Axes;
import nelvar.core.catalogue.DriveParameter.Role;
import nelvar.core.catalogue.Linkage;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.review.Review;
import nelvar.core.units.Duration;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

class StopRulesTest {
  private static final String CONTACTOR = "contactor-3p-9a-24vdc";

  private static Verdict.Finding found(Rule rule, String subject, Project project) {
    if (Panel.judge(rule, subject, project) instanceof Verdict.Finding finding) return finding;
    throw new AssertionError(rule.id() + " finds nothing of " + subject);
  }

  private static void passes(Rule rule, String subject, Project project) {
    assertThat(Panel.judge(rule, subject, project)).isInstanceOf(Verdict.Pass.class);
  }

  /// Both ways out close the brake whenever the stop is pressed, and open no other finding.
  @Test
  void aBrakeThatNoStopCloses() {
    var planted = Demo.planted();
    var finding = found(new BrakeHolds(), "M3", planted);
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.text()).contains("-S1, -S2, -S3, -S4", "=AX1", "-Y0");
    assertThat(finding.proposals()).isNotEmpty();
    var before = Review.of(planted, CatalogueFile.standard()).open().size();
    for (var repair : finding.proposals()) {
      var cured = repair.edit().apply(planted);
      passes(new BrakeHolds(), "M3", cured);
      assertThat(Review.of(cured, CatalogueFile.standard()).open()).hasSizeLessThan(before);
      var study = Panel.study(cured);
      for (var button : List.of("S1", "S2", "S3", "S4")) {
        var lanes =
            Courses.of(
                StopRehearsal.pressing(
                    study.device(new Id(button)).orElseThrow(), new Duration(5), study),
                study);
        assertThat(lanes)
            .filteredOn(c -> c.names().equals("-M3"))
            .allMatch(c -> c.last() == Course.State.HELD);
      }
    }
    passes(new BrakeHolds(), "M3", Demo.settled());
  }

  /// Without a brake it is said; a screw that does not run back needs none.
  @Test
  void nothingHoldsWhatHangs() {
    var settled = Demo.settled();
    // The only brake of the machine holds its only hanging axis, wherever it serves.
    passes(new BrakeHolds(), "M3", changed(settled, d -> d.withServes(Optional.empty())));
    var bare = changed(settled, d -> d.withPart("valve-24vdc-4w8"));
    assertThat(found(new BrakeHolds(), "M3", bare).severity()).isEqualTo(Severity.WARNING);
    var locks = Axes.moving(bare, "AX1", d -> d + " efficiency 40 %");
    passes(new BrakeHolds(), "M3", locks);
  }

  /// Behind the contactor of the bus it lets go with that, after its torque may have gone: the way
  /// out leads it over the safety relay.
  @Test
  void aBrakeBehindTheContactorOfTheBus() {
    var settled = Demo.settled();
    var late =
        settled.withConductors(
            settled.conductors().stream()
                .map(c ->
                    switch (c.id().text()) {
                      case "W136" -> c.withEnds(c.from(), TerminalRef.of("K2:3"));
                      case "W216" -> c.withEnds(TerminalRef.of("K2:4"), c.to());
                      default -> c;
                    })
                .toList());
    var finding = found(new BrakeHolds(), "M3", late);
    assertThat(finding.severity()).isEqualTo(Severity.WARNING);
    assertThat(finding.text()).contains("-Y0", "sinks");
    var cured =
        finding.proposals().stream()
            .filter(r -> r.label().contains("-K0:33-34"))
            .findFirst()
            .orElseThrow()
            .edit()
            .apply(late);
    passes(new BrakeHolds(), "M3", cured);
  }

  private static Project changed(Project project, UnaryOperator<Device> brake) {
    return project.withDevices(
        Project.changed(project.devices(), d -> d.id().text().equals("Y0"), brake));
  }

  /// A pump behind a contactor whose coil hangs on the stop button alone.
  private static Panel pump() {
    return Panel.dc()
        .device("S", "stop-button-2nc")
        .device("K", CONTACTOR)
        .suppressed()
        .device("M", "pump-24v-3a", Place.MACHINE)
        .wire("T:+", "S:11", 0.75, 1)
        .wire("S:12", "K:A1", 0.75, 1)
        .wire("K:A2", "T:-", 0.75, 1)
        .wire("T:+", "K:1", 1.5, 1)
        .wire("K:2", "M:+", 1.5, 3)
        .wire("M:-", "T:-", 1.5, 3);
  }

  @Test
  void whatStartsWhenTheStopIsLetGo() {
    assertThat(pump().found(new StartsOnRelease(), "S").severity()).isEqualTo(Severity.ERROR);
    pump().cures(new StartsOnRelease(), "S");
    // A controller that reads it may hold it off, which one that hangs does not.
    var read =
        pump()
            .device("A", "motion-controller-4ax-sourcing")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .wire("T:+", "S:21", 0.5, 1)
            .wire("S:22", "A:DI1", 0.5, 1);
    assertThat(read.found(new StartsOnRelease(), "S").severity()).isEqualTo(Severity.WARNING);
    passes(new StartsOnRelease(), "S1", Demo.settled());
    passes(new StartsOnRelease(), "S1", Demo.rinserSettled());
  }

  /// The belt's run input is bridged: the reset of the safety relay alone starts it.
  @Test
  void whatAResetStarts() {
    var finding = found(new StartsByItself(), "M2", Demo.planted());
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.text()).contains("-S5", "-M2");
    passes(new StartsByItself(), "M2", Demo.settled());
  }

  /// A relay that breaks its own coil buzzes once the reset gives it volts: what starts then is not
  /// known, and that is no pass.
  @Test
  void whatAResetStartsIsNotKnownWhileARelayBuzzes() {
    var settled = Demo.settled();
    var like = settled.conductor(new Id("W125")).orElseThrow();
    var buzzer = Device.of(new Id("KZ"), "-KZ", "buzzer", "relay-6a-24vdc", Place.PANEL);
    var devices = new ArrayList<>(settled.devices());
    devices.add(buzzer);
    var wires = new ArrayList<>(settled.conductors());
    for (var ends :
        List.of(List.of("K1:A1", "KZ:11"), List.of("KZ:12", "KZ:A1"), List.of("KZ:A2", "K1:A2")))
      wires.add(
          new Conductor(
              new Id("Z" + wires.size()),
              new Designation("Z" + wires.size()),
              TerminalRef.of(ends.getFirst()),
              TerminalRef.of(ends.getLast()),
              like.function(),
              like.section(),
              Optional.of(new Length(0.3)),
              Optional.empty(),
              Optional.empty(),
              Optional.empty()));
    var verdict =
        Panel.judge(new StartsByItself(), "M2", settled.withDevices(devices).withConductors(wires));
    assertThat(verdict).isInstanceOf(Verdict.NotChecked.class);
    assertThat(((Verdict.NotChecked) verdict).why()).contains("after -S5 resets");
  }

  /// A drive, a switch behind it, a motor.
  private static Panel behind(boolean between) {
    var panel =
        Panel.dc()
            .device("U", "drive-1ph-230-0p37kw")
            .device("M", "motor-0p25kw-230-400")
            .linked(Linkage.DELTA)
            .device("S", "stop-button-2nc")
            .wire("X0:L1", "U:L", 1.5, 1)
            .wire("U:N", "X0:N", 1.5, 1)
            .wire("S:11", "U:RUN", 0.5, 1)
            .wire("S:12", "U:COM", 0.5, 1);
    if (!between) {
      for (var phase : List.of("U", "V", "W"))
        panel = panel.wire("U:" + phase, "M:" + phase, 1.5, 5);
      return panel;
    }
    panel = panel.device("Q", "main-switch-3p-25a");
    var n = 1;
    for (var phase : List.of("U", "V", "W")) {
      panel = panel.wire("U:" + phase, "Q:" + n, 1.5, 1).wire("Q:" + (n + 1), "M:" + phase, 1.5, 5);
      n += 2;
    }
    return panel;
  }

  @Test
  void aSwitchBetweenDriveAndMotor() {
    assertThat(behind(true).found(new OpensBehindDrive(), "M").text()).contains("Q");
    behind(true).cures(new OpensBehindDrive(), "M");
    passes(new OpensBehindDrive(), "M", behind(false).build());
  }

  /// Without the wire that tells the controller of the stop, its outputs stay on and the reset
  /// alone starts what they command.
  @Test
  void aCommandLeftOn() {
    var settled = Demo.settled();
    passes(new CommandLeft(), "A1", settled);
    var untold =
        settled.withConductors(
            settled.conductors().stream()
                .filter(c -> !c.to().equals(TerminalRef.of("A1:DI11")))
                .toList());
    var finding = found(new CommandLeft(), "A1", untold);
    assertThat(finding.severity()).isEqualTo(Severity.WARNING);
    assertThat(finding.text()).contains("-S1", "-M1", "-M2", "is not told");
    assertThat(finding.proposals()).hasSize(1);
    var cured = finding.proposals().getFirst().edit().apply(untold);
    passes(new CommandLeft(), "A1", cured);
    assertThat(Review.of(cured, CatalogueFile.standard()).open())
        .as("opens nothing, as in the machine that has the wire")
        .isEmpty();
  }

  /// 200 kg·cm² from 1500 rpm in 3 s, 4 s by itself: 0.02 · 157.08 · (1/3 − 1/4) = 0.2618 N·m, and
  /// a fifth of 0.25 kW at 1500 rpm is 0.3183 N·m; four times the inertia asks for 1.047 N·m, and
  /// 1/(0.3183/12.566 + 1/4) = 3.63 s would do.
  @Test
  void aRampThatGivesBackTooMuch() {
    var belt = "BLT";
    passes(new RampHeld(), "U2", inertia(belt, "coasts 2 s"));
    var unknown = Panel.judge(new RampHeld(), "U2", inertia(belt, "coasts 4 s"));
    assertThat(unknown).isInstanceOf(Verdict.NotChecked.class);
    passes(new RampHeld(), "U2", inertia(belt, "coasts 4 s inertia 200 kg cm2"));
    var finding = found(new RampHeld(), "U2", inertia(belt, "coasts 4 s inertia 800 kg cm2"));
    assertThat(finding.text()).contains("coasts for 4 s");
    // Entered as long as that it holds, and is not much longer than it has to be.
    assertThat(finding.proposals()).hasSize(1);
    var heavy = inertia(belt, "coasts 4 s inertia 800 kg cm2");
    passes(new RampHeld(), "U2", finding.proposals().getFirst().edit().apply(heavy));
    var ramp = Role.RAMP_DOWN.title();
    var entered =
        finding
            .proposals()
            .getFirst()
            .edit()
            .apply(heavy)
            .setting(new Id("U2"), ramp)
            .orElseThrow();
    assertThat(Double.parseDouble(entered.replace(" s", ""))).isBetween(2.0, 4.0);
  }

  private static Project inertia(String function, String words) {
    return Axes.moving(Demo.settled(), function, d -> d + " " + words);
  }

  /// A stop that opens the run input of a drive alone hangs on a parameter.
  @Test
  void aStopByAParameter() {
    assertThat(behind(false).found(new StopByParameter(), "U").text()).contains("only by the run");
    passes(new StopByParameter(), "U1", Demo.settled());
  }
}
