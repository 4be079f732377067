package nelvar.core.analysis.signals;

import static nelvar.core.analysis.signals.Boards.link;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink.Standing;
import nelvar.core.catalogue.BoardHardware;
import nelvar.core.catalogue.Controller;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Setting;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.BoardEdits;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Conditions;
import nelvar.core.network.TrialText;
import nelvar.core.network.WhatIf;
import org.junit.jupiter.api.Test;

/// Jumpers, modules in sockets, plugs put on the wrong way, serial lines.
class SmallBoardsTest {
  private static final Id A1 = new Id("A1");

  private static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  private static Controller board() {
    return CatalogueFile.standard().find("board-3-sockets-24v").orElseThrow().logic().orElseThrow();
  }

  private static BoardHardware.Jumper jumper(String name) {
    return board().onBoard().jumpers().stream()
        .filter(jumper -> jumper.name().equals(name))
        .findFirst()
        .orElseThrow();
  }

  private static BoardHardware.Position position(BoardHardware.Jumper jumper, String label) {
    return jumper.positions().stream()
        .filter(position -> position.label().equals(label))
        .findFirst()
        .orElseThrow();
  }

  private static Project put(Project project, String name, String label) {
    var device = project.device(A1).orElseThrow();
    return BoardEdits.jumper(device, jumper(name), position(jumper(name), label)).apply(project);
  }

  private static List<Verdict.Finding> jumperFindings(Project project) {
    return new Jumpers()
        .check(study(project))
        .filter(Verdict.Finding.class::isInstance)
        .map(Verdict.Finding.class::cast)
        .toList();
  }

  private static double volts(Project project, String a, String b) {
    return study(project)
        .asDesigned()
        .voltage(TerminalRef.of(a), TerminalRef.of(b))
        .orElseThrow()
        .direct();
  }

  /// The volts of the fan follow its jumper: 12 V of the board's own, or its supply.
  @Test
  void aJumperIsAContactOfTheNetwork() {
    var project = Demo.sprayerSettled();
    assertThat(volts(project, "A1:FAN0.+", "A1:-")).isCloseTo(12, within(0.2));
    assertThat(volts(put(project, "JF", "24 V"), "A1:FAN0.+", "A1:-")).isCloseTo(23.9, within(0.2));
    assertThat(Jumpers.position(project.device(A1).orElseThrow(), jumper("JF"), study(project)))
        .hasValueSatisfying(position -> assertThat(position.label()).isEqualTo("12 V"));
  }

  /// A regulator on the board takes from the board's supply what it gives, over its efficiency, and
  /// the board its own 0.25 A besides.
  @Test
  void whatABoardGivesItTakes() {
    var study =
        Panel.dc()
            .device("A1", "board-3-sockets-24v")
            .wire("T:+", "A1:+", 0.75, 1)
            .wire("A1:-", "T:-", 0.75, 1)
            .device("A3", "knob-and-display-5v")
            .wire("A1:5V", "A3:+", 0.75, 1)
            .wire("A3:-", "A1:-", 0.75, 1)
            .study();
    var live = study.asDesigned();
    var given =
        live.outputs().stream()
            .filter(output -> output.device().id().text().equals("T"))
            .findFirst()
            .orElseThrow();
    // 0.25 A and 5 V · 0.12 A / 80 % / 24 V.
    assertThat(given.current().amperes()).isCloseTo(0.25 + 0.6 / 0.8 / 24, within(0.002));
  }

  @Test
  void aStallJumperNeedsAModuleThatTellsAStall() {
    var clean = Demo.sprayerSettled();
    assertThat(jumperFindings(clean)).isEmpty();
    var wrong = jumperFindings(put(clean, "JX", "stall"));
    assertThat(wrong).singleElement().satisfies(f -> assertThat(f.text()).contains("never tells"));
    // Its way out is the position that is not wrong, and it cures.
    var cured = wrong.getFirst().proposals().getFirst().edit().apply(put(clean, "JX", "stall"));
    assertThat(jumperFindings(cured)).isEmpty();
    // A module with a stall line, and a switch on the same input.
    assertThat(jumperFindings(put(clean, "JY", "stall")))
        .singleElement()
        .satisfies(f -> assertThat(f.text()).contains("-B2"));
    // No switch there: the stall line alone is read.
    var alone =
        put(clean, "JY", "stall")
            .withConductors(
                put(clean, "JY", "stall").conductors().stream()
                    .filter(wire -> !wire.touches(new Id("B2")))
                    .toList());
    assertThat(jumperFindings(alone)).isEmpty();
  }

  @Test
  void aJumperThatIsNowhereIsAskedFor() {
    var project = Demo.sprayerSettled();
    var without =
        project.withConductors(
            project.conductors().stream()
                .filter(wire ->
                    !BoardEdits.bridges(wire, project.device(A1).orElseThrow(), jumper("JL")))
                .toList());
    assertThat(jumperFindings(without))
        .singleElement()
        .satisfies(f -> assertThat(f.text()).contains("JL", "USB", "board"));
  }

  /// Plugged in by hand, a module gets its step pulses: 3.3 V where 2.1 V are seen.
  @Test
  void aModuleInItsSocketGetsItsPulses() {
    var panel =
        Panel.dc()
            .device("A1", "board-3-sockets-24v")
            .wire("T:+", "A1:+", 0.75, 1)
            .wire("A1:-", "T:-", 0.75, 1)
            .wire("T:+", "A1:VM", 0.75, 1)
            .build();
    var socket = board().onBoard().sockets().getFirst();
    var module = CatalogueFile.standard().find("driver-module-2a").orElseThrow();
    Device device = panel.device(A1).orElseThrow();
    assertThat(link(study(panel), "XSTEP").standing()).isEqualTo(Standing.FREE);
    var plugged = BoardEdits.plugIn(device, socket, module, "-U1").apply(panel);
    var link = link(study(plugged), "XSTEP");
    assertThat(link.standing()).as(link.words()).isEqualTo(Standing.SURE);
    assertThat(link.on().orElseThrow().volts().volts()).isCloseTo(3.3, within(1e-9));
    assertThat(BoardEdits.plugged(plugged, device, socket)).hasSize(9);
  }

  /// Turned round, + of the module comes to 0 V of the board: + and 0 V of the motors meet through
  /// it. Solved, and told.
  @Test
  void plugsPutOnTheWrongWayAreSolved() {
    var study = study(Demo.sprayerSettled());
    var trials = PlugTrials.of(study);
    var turned =
        trials.stream()
            .filter(trial -> trial.words().equals("-A1 SIG turned"))
            .findFirst()
            .orElseThrow();
    // + of the sensor's plug comes to its signal and back: the 5 V of the board meet 0 V.
    assertThat(turned.settled()).isTrue();
    assertThat(turned.harm()).isNotEmpty();
    var fan =
        trials.stream()
            .filter(trial -> trial.words().equals("-A1 FAN0 turned"))
            .findFirst()
            .orElseThrow();
    assertThat(fan.settled()).isTrue();
    assertThat(fan.harm()).isEmpty();
    assertThat(trials).anyMatch(trial -> trial.plug().how().startsWith("on "));
  }

  /// Typed as it is said: the same as moving each wire by hand.
  @Test
  void aTurnedPlugIsTheSameAsItsWiresMoved() {
    var project = Demo.sprayerSettled();
    var study = study(project);
    var text =
        new TrialText(project, study.engine().circuitry(Conditions.usual(study.hot()).wires()));
    var conditions = Conditions.usual(project.brief().surroundings().inside());
    var turned = study.engine().solve(text.set(WhatIf.AS_DESIGNED, "A1.FAN0=turned"), conditions);
    var byHand =
        project.withConductors(
            project.conductors().stream()
                .map(wire ->
                    wire.withEnds(
                        exchanged(wire.from(), "FAN0.+", "FAN0"),
                        exchanged(wire.to(), "FAN0.+", "FAN0")))
                .toList());
    // The jumper's own wires stay on its pads.
    var plus = TerminalRef.of("E3:+");
    var minus = TerminalRef.of("E3:-");
    assertThat(turned.voltage(plus, minus).orElseThrow().direct())
        .isCloseTo(
            study(byHand)
                .engine()
                .solve(WhatIf.AS_DESIGNED, conditions)
                .voltage(plus, minus)
                .orElseThrow()
                .direct(),
            within(1e-6));
    assertThat(turned.tried()).containsExactly("-A1 FAN0 turned");
  }

  private static TerminalRef exchanged(TerminalRef end, String a, String b) {
    if (!end.device().equals(A1)) return end;
    return end.terminal().equals(a)
        ? new TerminalRef(A1, b)
        : end.terminal().equals(b) ? new TerminalRef(A1, a) : end;
  }

  @Test
  void serialEndsAreSetAlike() {
    var project = Demo.sprayerSettled();
    assertThat(Boards.found(new SerialLinks(), study(project))).isEmpty();
    var other = Edits.set(new Setting(new Id("A3"), "Serial", "9600 8E1", "")).apply(project);
    assertThat(Boards.found(new SerialLinks(), study(other)).orElseThrow().text())
        .contains("115200 8n1", "9600 8e1");
    assertThat(Boards.found(new SerialLinks(), study(Demo.sprayer())).orElseThrow().text())
        .contains("nothing is heard");
  }

  /// A bus of two wires between two boards: A on B, one address twice, resistors, too long.
  @Test
  void aBusHasItsEndsItsAddressesAndItsLength() {
    assertThat(bus("A", 10, "115200 8N1", "1", "2", "on", "on")).isEmpty();
    assertThat(bus("B", 10, "115200 8N1", "1", "2", "on", "on").orElseThrow().text())
        .contains("Exchange A and B");
    assertThat(bus("A", 10, "115200 8N1", "1", "1", "on", "on").orElseThrow().text())
        .contains("address 1");
    assertThat(bus("A", 10, "115200 8N1", "1", "2", "off", "on").orElseThrow().text())
        .contains("1 of 2 ends");
    // 10⁸/115200 = 868 m.
    assertThat(bus("A", 900, "115200 8N1", "1", "2", "on", "on").orElseThrow().text())
        .contains("868 m");
  }

  private static java.util.Optional<Verdict.Finding> bus(
      String onto, double metres, String serial, String one, String two, String r1, String r2) {
    var board = Boards.board("pin,type,line", "A,serial,a", "B,serial,b");
    var project =
        Boards.panel(board)
            .device("C", board.id())
            .wire("T:+", "C:+", 0.75, 1)
            .wire("C:-", "T:-", 0.75, 1)
            .wire("A:A", "C:" + onto, 0.25, metres)
            .build();
    for (var set :
        List.of(
            new Setting(new Id("A"), "Serial", serial, ""),
            new Setting(new Id("C"), "Serial", serial, ""),
            new Setting(new Id("A"), "Address", one, ""),
            new Setting(new Id("C"), "Address", two, ""),
            new Setting(new Id("A"), "Termination", r1, ""),
            new Setting(new Id("C"), "Termination", r2, "")))
      project = Edits.set(set).apply(project);
    return Boards.found(new SerialLinks(), study(project));
  }

  private static String homing(String drive, String text, Project project) {
    return Boards.found(
            new HomingSaid(),
            study(Edits.set(new Setting(new Id(drive), "Homing", text, "")).apply(project)))
        .map(Verdict.Finding::text)
        .orElse("");
  }

  /// By a switch that a pin surely reads, two that square, a stall line that is joined, by hand.
  @Test
  void anAxisHomesAsItIsSaid() {
    var project = Demo.sprayerSettled();
    assertThat(homing("U1", "switch S2, first, towards -", project)).isEmpty();
    assertThat(homing("U1", "by hand", project)).isEmpty();
    assertThat(homing("U1", "switch B99", project)).contains("no pin of a controller reads B99");
    assertThat(homing("U1", "switches S2, B2 squared", project)).contains("does not square");
    assertThat(homing("U1", "stall", project)).contains("no line that tells a stall");
    assertThat(homing("U2", "stall", project)).contains("no input reads its stall line");
    assertThat(homing("U2", "stall", put(project, "JY", "stall"))).isEmpty();
    assertThat(homing("U1", "somehow", project)).contains("cannot be read");
    var filler = Demo.settled();
    assertThat(homing("U3", "switches B6, B8 squared", filler)).isEmpty();
    assertThat(homing("U3", "switches B6, B6 squared", filler)).contains("on one pin");
  }

  /// Direction 5 µs before a step where the drive wants 5; a controller that gives 1 is told.
  @Test
  void directionStandsBeforeTheStep() {
    assertThat(pulses("5 µs", 1).standing()).isEqualTo(Standing.SURE);
    var early = pulses("1 µs", 1);
    assertThat(early.standing()).isEqualTo(Standing.WRONG);
    assertThat(early.words()).contains("sets direction 1 µs before a step");
  }

  private static PinLink pulses(String setUp, double metres) {
    return link(pulsed("output-pulses-single", setUp, metres), "STEP");
  }

  private static Study pulsed(String type, String setUp, double metres) {
    var board =
        Boards.board(
            "pin,type,frequency,pulse,gives,set-up", "STEP," + type + ",100 kHz,5 µs,5 V," + setUp);
    return Boards.panel(board)
        .device("U", "stepper-drive-50v-5a")
        .wire("A:STEP", "U:STEP+", 0.25, metres)
        .wire("U:STEP-", "A:-", 0.25, metres)
        .study();
  }

  @Test
  void pulsesOnOneWireDoNotGoFar() {
    assertThat(Boards.found(new Pulses(), pulsed("output-pulses-single", "5 µs", 1.5))).isEmpty();
    assertThat(
            Boards.found(new Pulses(), pulsed("output-pulses-single", "5 µs", 6))
                .orElseThrow()
                .text())
        .contains("over 6 m");
  }
}
