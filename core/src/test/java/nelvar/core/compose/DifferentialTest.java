package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Coupled;
import nelvar.core.analysis.interference.Emitter;
import nelvar.core.analysis.interference.MarginWorking;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.interference.Receivers;
import nelvar.core.analysis.interference.WayIn;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.runs.PairsKept;
import nelvar.core.analysis.signals.CountsOnPairs;
import nelvar.core.analysis.signals.OnTwoWires;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.analysis.signals.Pulses;
import nelvar.core.analysis.signals.PulsesOnPairs;
import nelvar.core.catalogue.Controller;
import nelvar.core.exchange.BoardCsv;
import nelvar.core.file.UnreadableFile;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cable;
import nelvar.core.model.Cable.Ending;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.CableEdits;
import nelvar.core.review.Review;
import nelvar.core.units.Length;
import nelvar.core.units.Price;
import org.junit.jupiter.api.Test;

/// Signals on two wires in place of one against 0 V: offered where one line is disturbed, and doing
/// what they promise.
class DifferentialTest {
  private static Controller board(String... rows) {
    var text =
        new StringBuilder(
            "board,input,current,output supply,pin,type,frequency,pulse,gives,set-up\nOwn board,20.4–28.8 V,0.2 A,,");
    text.append(String.join("\n,,,,", rows)).append('\n');
    return read(text.toString());
  }

  private static Controller read(String table) {
    try {
      return (Controller) BoardCsv.read("board.csv", table);
    } catch (UnreadableFile e) {
      throw new AssertionError(e);
    }
  }

  private static final Controller SINGLE =
      board(
          "STEP,output-pulses-single,100 kHz,5 µs,5 V,5 µs",
          "DIR,output-pulses-single,100 kHz,5 µs,5 V,5 µs");

  private static final Controller BOTH =
      board(
          "STEP+,output-pulses,100 kHz,5 µs,,5 µs",
          "STEP-,output-pulses,100 kHz,5 µs,,5 µs",
          "DIR+,output-pulses,100 kHz,5 µs,,5 µs",
          "DIR-,output-pulses,100 kHz,5 µs,,5 µs");

  /// A drive on the mains with its motor's wires in the duct D, a board on 24 V.
  private static Panel machine(Controller board) {
    return Panel.dc()
        .device("U", "drive-1ph-230-0p37kw")
        .device("M", "motor-0p25kw-230-400", Place.MACHINE)
        .device("F3", "breaker-1p-c10")
        .wire("X0:L1", "F3:1", 2.5, 2)
        .wire("F3:2", "U:L", 1.5, 2)
        .wire("U:N", "X0:N", 1.5, 2)
        .wire("U:U", "M:U", 1.5, 8)
        .wire("U:V", "M:V", 1.5, 8)
        .wire("U:W", "M:W", 1.5, 8)
        .part(board)
        .device("A", board.id())
        .device("Z", "block-minus-16")
        .device("F2", "breaker-1p-b4")
        .device("Q", "block-plus-16")
        .wire("T:+", "F2:1", 2.5, 0.3)
        .wire("F2:2", "Q:1", 0.75, 0.3)
        .wire("Q:2", "A:+", 0.75, 1)
        .wire("T:-", "Z:1", 2.5, 1)
        .wire("Z:2", "A:-", 0.75, 1);
  }

  private static Panel stepping(Controller board, String step, String dir, double metres) {
    return machine(board)
        .device("P", "stepper-drive-50v-5a")
        .control("A:" + step, "P:STEP+", 0.25, metres)
        .control("P:STEP-", "Z:3", 0.25, metres)
        .control("A:" + dir, "P:DIR+", 0.25, metres)
        .control("P:DIR-", "Z:4", 0.25, metres);
  }

  private static Pair pair(Study study, String at) {
    return Coupled.of(study).pairs().stream()
        .filter(p ->
            p.emitter().kind() == Emitter.Kind.DRIVE && p.receiver().at().toString().equals(at))
        .findFirst()
        .orElseThrow();
  }

  private static Optional<Quieter.Tried> offered(Project project, String at, String says) {
    var study = Panel.study(project);
    return Quieter.of(pair(study, at), Review.findingsOnly(study), () -> false).stream()
        .filter(t -> t.remedy().repair().label().contains(says))
        .findFirst();
  }

  private static PinLink link(Study study, String pin) {
    return PinLinks.of(study).stream()
        .filter(l -> l.at().equals(TerminalRef.of(pin)))
        .findFirst()
        .orElseThrow();
  }

  private static List<String> landing(Project project, String end) {
    return project.conductors().stream()
        .filter(w -> w.lands(TerminalRef.of(end)))
        .map(w -> w.from().toString().equals(end) ? w.to().toString() : w.from().toString())
        .toList();
  }

  /// The line driver takes 24 V and 0 V, both lines of the axis, and no 0 V goes to the drive.
  @Test
  void aLineDriverSendsPulsesOnTwoWires() {
    var project = stepping(SINGLE, "STEP", "DIR", 1.5).build();
    var driver = offered(project, "P:STEP+", "Line driver").orElseThrow();
    var with = driver.remedy().repair().edit().apply(project);
    assertThat(landing(with, "P:STEP+")).containsExactly("K1:OUT1+");
    assertThat(landing(with, "P:STEP-")).containsExactly("K1:OUT1-");
    assertThat(landing(with, "P:DIR+")).containsExactly("K1:OUT2+");
    assertThat(landing(with, "P:DIR-")).containsExactly("K1:OUT2-");
    assertThat(landing(with, "K1:IN1")).containsExactly("A:STEP");
    assertThat(landing(with, "K1:IN2")).containsExactly("A:DIR");
    assertThat(landing(with, "K1:-")).containsExactly("Z:3");
    assertThat(landing(with, "K1:+")).first().asString().startsWith("Q:");
    var study = Panel.study(with);
    assertThat(study.network().feeds(new Id("K1")).getFirst().voltage().volts())
        .as("fed with 24 V")
        .isCloseTo(24, within(0.5));
    // 5 V through 1.2 V and 270 Ω: 14.1 mA, as from a board that gives 5 V itself.
    var link = link(study, "A:STEP");
    assertThat(link.standing()).isEqualTo(PinLink.Standing.SURE);
    assertThat(link.words()).startsWith("over -K1: 0.0141 A into the drive");
    assertThat(link.partners())
        .containsExactly(TerminalRef.of("K1:IN1"), TerminalRef.of("P:STEP+"));
  }

  /// The axis still knows its board and the pin that steps it.
  @Test
  void anAxisIsFoundBehindALineDriver() {
    var project =
        stepping(SINGLE, "STEP", "DIR", 1.5)
            .device("S", "stepper-motor-3a", Place.MACHINE)
            .wire("Q:9", "P:+", 0.75, 1)
            .wire("Z:9", "P:-", 0.75, 1)
            .wire("P:A+", "S:A+", 0.75, 3)
            .wire("P:A-", "S:A-", 0.75, 3)
            .wire("P:B+", "S:B+", 0.75, 3)
            .wire("P:B-", "S:B-", 0.75, 3)
            .build();
    var with =
        PulsesOnPairs.of(device(project, "A"), device(project, "P"), Panel.study(project))
            .orElseThrow()
            .edit()
            .apply(project);
    var axis = MotionAxes.of(Panel.study(with)).getFirst();
    assertThat(axis.board().id()).isEqualTo(new Id("A"));
    assertThat(axis.step().orElseThrow().pin().name()).isEqualTo("STEP");
  }

  private static Device device(Project project, String id) {
    return project.device(new Id(id)).orElseThrow();
  }

  /// The loose wires become pairs of one shielded cable. What was promised is what the matrix says
  /// once it is done, and it is not offered twice.
  @Test
  void pulsesOnPairsGainWhatWasPromised() {
    var project = stepping(SINGLE, "STEP", "DIR", 1.5).build();
    var before = pair(Panel.study(project), "P:STEP+");
    var driver = offered(project, "P:STEP+", "Line driver").orElseThrow();
    assertThat(driver.effects().opened()).isEmpty();
    var with = driver.remedy().repair().edit().apply(project);
    var study = Panel.study(with);
    var after = pair(study, "P:STEP+");
    assertThat(after.receiver().unbalance()).as("twisted").isEqualTo(0.03);
    assertThat(after.margin()).isCloseTo(driver.remedy().margin(), within(0.01));
    assertThat(after.margin()).isGreaterThan(before.margin() + 20);
    var cores = study.cores(after.receiver().cable().orElseThrow().id());
    assertThat(cores).hasSize(4);
    assertThat(new PairsKept().check(study)).allMatch(Verdict.Pass.class::isInstance).isNotEmpty();
    assertThat(offered(with, "P:STEP+", "Line driver")).isEmpty();
    assertThat(offered(with, "P:STEP+", "both outputs")).isEmpty();
  }

  /// Two loose wires in one duct: what comes through capacitance is heard by a tenth (assumed),
  /// what comes through the field as before, since nobody says how far apart they lie.
  @Test
  void looseWiresHearTheFieldAsBefore() {
    var single = pair(stepping(SINGLE, "STEP", "DIR", 1.5).study(), "P:STEP+");
    var both =
        pair(
            machine(BOTH)
                .device("P", "stepper-drive-50v-5a")
                .control("A:STEP+", "P:STEP+", 0.25, 1.5)
                .control("A:STEP-", "P:STEP-", 0.25, 1.5)
                .study(),
            "P:STEP+");
    assertThat(both.receiver().unbalance()).isEqualTo(0.1);
    assertThat(both.volts().get(WayIn.CAPACITANCE))
        .isCloseTo(0.1 * single.volts().get(WayIn.CAPACITANCE), within(1e-6));
    assertThat(both.volts().get(WayIn.FIELD))
        .isCloseTo(single.volts().get(WayIn.FIELD), within(1e-6));
  }

  private static Pair inACable(String stock, Ending ends, String... cores) {
    var project =
        machine(SINGLE)
            .device("P", "stepper-drive-50v-5a")
            .cable("W", stock, 1.5, "D", 0.25, cores)
            .build();
    var both = Cable.Screen.both(ends);
    return pair(Panel.study(CableEdits.screened(new Id("W"), both).apply(project)), "P:STEP+");
  }

  /// A cable that holds signals alone has no way back in it: the field gets in as into a wire over
  /// the plate, and a shield clamped at both ends keeps none of it away. With 0 V beside it it
  /// does.
  @Test
  void aShieldKeepsNothingFromAWayBackOutsideIt() {
    var outside = List.of("A:STEP", "P:STEP+", "A:DIR", "P:DIR+").toArray(String[]::new);
    var open = inACable("cable-2x0p25-shielded", Ending.OPEN, outside);
    var clamped = inACable("cable-2x0p25-shielded", Ending.CLAMP, outside);
    assertThat(clamped.volts().get(WayIn.FIELD))
        .isCloseTo(open.volts().get(WayIn.FIELD), within(1e-9));
    assertThat(clamped.apart().orElseThrow().receiver().loop()).isEmpty();
    assertThat(MarginWorking.of(clamped, machine(SINGLE).study()).trail().text())
        .contains("way back", "outside -W");
    var inside = List.of("A:STEP", "P:STEP+", "P:STEP-", "Z:3").toArray(String[]::new);
    var beside = inACable("cable-2x0p25-shielded", Ending.CLAMP, inside);
    assertThat(beside.apart().orElseThrow().receiver().loop()).isPresent();
    assertThat(beside.volts().get(WayIn.FIELD)).isLessThan(clamped.volts().get(WayIn.FIELD) / 100);
  }

  /// The lines of a bus come back over one another: a cable of both has their way back in it.
  @Test
  void aBusComesBackOverItsOtherLine() {
    var rows =
        "board,input,current,output supply,pin,type,line\n%s board,20.4–28.8 V,0.2 A,,A,serial,a\n,,,,B,serial,b\n";
    var project =
        machine(read(rows.formatted("One")))
            .device("C", "one-board")
            .cable("W", "cable-pairs-1x2x0p25-shielded", 3, "D", 0.25, "A:A", "C:A", "A:B", "C:B")
            .build();
    var bus =
        Receivers.of(Panel.study(project)).stream()
            .filter(r -> r.at().toString().equals("A:A"))
            .findFirst()
            .orElseThrow();
    assertThat(bus.balanced()).isTrue();
    assertThat(bus.lays().in().values()).allMatch(lies -> lies.loop().isPresent()).isNotEmpty();
  }

  /// One cable of single wires takes their ways back along.
  @Test
  void oneCableTakesTheWaysBackAlong() {
    var project = stepping(SINGLE, "STEP", "DIR", 1.5).build();
    var one = offered(project, "P:STEP+", "One shielded cable for the 4 wires").orElseThrow();
    var with = one.remedy().repair().edit().apply(project);
    var cable = with.cables().getLast().id();
    assertThat(
            Panel.study(with).cores(cable).stream()
                .flatMap(c -> java.util.stream.Stream.of(c.from(), c.to()))
                .map(TerminalRef::toString))
        .contains("P:STEP+", "P:STEP-", "P:DIR+", "P:DIR-");
    assertThat(pair(Panel.study(with), "P:STEP+").margin())
        .isCloseTo(one.remedy().margin(), within(0.01));
  }

  /// Where the leads to the line driver themselves lie beside the motor, they are what counts.
  @Test
  void whatTheLineDriverHearsCountsAsWell() {
    var project = stepping(SINGLE, "STEP", "DIR", 1.5).build();
    var driver = offered(project, "P:STEP+", "Line driver").orElseThrow();
    var with = driver.remedy().repair().edit().apply(project);
    var far =
        with.withConductors(
            Project.changed(
                with.conductors(),
                w -> w.lands(TerminalRef.of("K1:IN1")),
                w -> w.withLength(new Length(1.5)).withBundle(Optional.of(new Id("D")))));
    assertThat(pair(Panel.study(far), "K1:IN1").margin())
        .isLessThan(pair(Panel.study(far), "P:STEP+").margin() - 6);
    // One wire against 0 V, half of 2 V in its input.
    assertThat(pair(Panel.study(far), "K1:IN1").receiver().threshold()).isEqualTo(1);
    assertThat(pair(Panel.study(far), "K1:IN1").receiver().balanced()).isFalse();
  }

  /// A board that has both outputs and whose drive is wired against 0 V all the same: that counts
  /// as one wire, and its free inverse costs nothing.
  @Test
  void freeInverseOutputsComeBeforeALineDriver() {
    var project = stepping(BOTH, "STEP+", "DIR+", 0.7).build();
    var study = Panel.study(project);
    assertThat(pair(study, "P:STEP+").receiver().balanced()).isFalse();
    assertThat(offered(project, "P:STEP+", "Line driver")).isEmpty();
    var both = offered(project, "P:STEP+", "both outputs of -A").orElseThrow();
    assertThat(both.remedy().costs()).contains(Price.ZERO);
    var with = both.remedy().repair().edit().apply(project);
    assertThat(landing(with, "P:STEP-")).containsExactly("A:STEP-");
    assertThat(landing(with, "P:DIR-")).containsExactly("A:DIR-");
    assertThat(with.devices()).hasSameSizeAs(project.devices());
    var after = pair(Panel.study(with), "P:STEP+");
    assertThat(after.receiver().balanced()).isTrue();
    assertThat(after.margin()).isCloseTo(both.remedy().margin(), within(0.01));
  }

  /// A way back that both lines share, one that ends elsewhere than at the 0 V of the board, and a
  /// module in a socket: nothing is offered.
  @Test
  void linesThatAreNotPlainAreLeftAlone() {
    var shared =
        machine(SINGLE)
            .device("P", "stepper-drive-50v-5a")
            .control("A:STEP", "P:STEP+", 0.25, 1.5)
            .control("P:STEP-", "Z:3", 0.25, 1.5)
            .control("P:STEP-", "P:DIR-", 0.25, 0.1)
            .control("A:DIR", "P:DIR+", 0.25, 1.5)
            .build();
    assertThat(offered(shared, "P:STEP+", "two wires")).isEmpty();
    var elsewhere =
        machine(SINGLE)
            .device("T2", "supply-24v-5a")
            .device("P", "stepper-drive-50v-5a")
            .control("A:STEP", "P:STEP+", 0.25, 1.5)
            .control("P:STEP-", "T2:-", 0.25, 1.5)
            .build();
    assertThat(offered(elsewhere, "P:STEP+", "two wires")).isEmpty();
  }

  /// Over a strip the wires stay as they are laid; nothing is refused half way.
  @Test
  void overAStripTheWiresStay() {
    var project =
        machine(SINGLE)
            .device("X9", "terminals-10x2p5")
            .device("P", "stepper-drive-50v-5a")
            .control("A:STEP", "X9:1", 0.25, 0.5)
            .control("X9:1", "P:STEP+", 0.25, 1)
            .control("P:STEP-", "Z:3", 0.25, 1.5)
            .build();
    var driver =
        PulsesOnPairs.of(device(project, "A"), device(project, "P"), Panel.study(project))
            .orElseThrow();
    assertThat(driver.edit().label()).doesNotContain("cable");
    var with = driver.edit().apply(project);
    assertThat(with.cables()).isEmpty();
    assertThat(landing(with, "X9:1")).containsExactlyInAnyOrder("K1:OUT1+", "P:STEP+");
    assertThat(pair(Panel.study(with), "P:STEP+").receiver().unbalance()).isEqualTo(0.1);
  }

  /// Over more than 2 m against 0 V is a warning of its own, and the line driver is its way out.
  @Test
  void pulsesThatGoTooFarAreLedOnTwoWires() {
    var project =
        machine(SINGLE)
            .device("P", "stepper-drive-50v-5a")
            .wire("A:STEP", "P:STEP+", 0.25, 4)
            .wire("P:STEP-", "Z:3", 0.25, 4)
            .build();
    var rule = new Pulses();
    var found =
        rule.check(Panel.study(project))
            .filter(Verdict.Finding.class::isInstance)
            .map(Verdict.Finding.class::cast)
            .toList();
    assertThat(found).hasSize(1);
    assertThat(found.getFirst().proposals()).hasSize(1);
    var with = found.getFirst().proposals().getFirst().edit().apply(project);
    assertThat(rule.check(Panel.study(with))).allMatch(Verdict.Pass.class::isInstance);
  }

  /// A line driver whose outputs lead nowhere gives no drive its pulses.
  @Test
  void aLineDriverThatLeadsNowhereIsNotProved() {
    var project =
        machine(SINGLE)
            .device("K", "line-driver-4ch")
            .wire("Q:3", "K:+", 0.75, 0.3)
            .wire("Z:5", "K:-", 0.75, 0.3)
            .control("A:STEP", "K:IN1", 0.25, 0.2)
            .build();
    var link = link(Panel.study(project), "A:STEP");
    assertThat(link.standing()).isEqualTo(PinLink.Standing.UNPROVED);
    assertThat(link.words()).startsWith("over -K: ");
  }

  /// A pick-up with pulses of 5 V on the machine, 4 m from its board.
  private static Panel counting(Controller board) {
    return machine(board)
        .device("T5", "converter-24-5v-4a-isolated")
        .wire("Q:5", "T5:IN+", 0.75, 0.3)
        .wire("Z:5", "T5:IN-", 0.75, 0.3)
        .wire("T5:-", "Z:6", 0.75, 0.3)
        .device("B", "pulse-pickup-5v", Place.MACHINE);
  }

  private static final Controller COUNTS = board("CNT,logic-input,,,,");

  private static Project counted(Controller board) {
    return counting(board)
        .wire("T5:+", "B:+", 0.5, 4)
        .wire("T5:-", "B:-", 0.5, 4)
        .control("B:OUT", "A:CNT", 0.5, 4)
        .build();
  }

  /// A driver in the lead of the sensor, a receiver beside the board, and one wire more between
  /// them. Driven 2 V, heard from 0.2 V: 1.8 V are too much (TIA/EIA-422-B, from memory).
  @Test
  void pulsesOfASensorGoOnTwoWires() {
    var project = counted(COUNTS);
    var before = pair(Panel.study(project), "A:CNT");
    assertThat(before.receiver().threshold()).as("a 0 of logic").isEqualTo(0.8);
    var both = offered(project, "A:CNT", "Line driver at -B").orElseThrow();
    assertThat(both.effects().opened()).isEmpty();
    var with = both.remedy().repair().edit().apply(project);
    assertThat(landing(with, "B:OUT")).containsExactly("K1:IN1");
    assertThat(landing(with, "K1:OUT1+")).containsExactly("K2:IN1+");
    assertThat(landing(with, "K1:OUT1-")).containsExactly("K2:IN1-");
    assertThat(landing(with, "A:CNT")).containsExactly("K2:OUT1");
    assertThat(landing(with, "K1:+")).containsExactly("B:+");
    var study = Panel.study(with);
    assertThat(study.device(new Id("K1")).orElseThrow().place()).isEqualTo(Place.MACHINE);
    var after = pair(study, "K2:IN1+");
    assertThat(after.receiver().threshold()).isEqualTo(1.8);
    // Not parted from its lines, it bears them 7 V from its 0 V: no less than 1.8/7 is heard.
    assertThat(after.receiver().unbalance()).isCloseTo(1.8 / 7, within(1e-9));
    assertThat(after.margin()).isCloseTo(both.remedy().margin(), within(0.01));
    assertThat(after.margin()).isGreaterThan(before.margin() + 20);
    // The board still knows what it counts.
    assertThat(link(study, "A:CNT").partners()).contains(TerminalRef.of("B:OUT"));
  }

  /// In a cable without a core to spare another cable comes with it, in which both are a pair.
  @Test
  void theCableGetsACoreMore() {
    var plain =
        counting(COUNTS)
            .cable("W", "cable-3x0p5", 4, "D", 0.5, "T5:+", "B:+", "B:OUT", "A:CNT", "T5:-", "B:-")
            .build();
    var numbers = List.of("T5:+", "B:OUT", "T5:-");
    var project =
        plain.withConductors(
            Project.changed(
                plain.conductors(),
                w -> w.cable().isPresent(),
                w -> w.withColour(Optional.of("" + (numbers.indexOf(w.from().toString()) + 1)))));
    var both = offered(project, "A:CNT", "Line driver at -B").orElseThrow();
    var with = both.remedy().repair().edit().apply(project);
    var study = Panel.study(with);
    var cores = study.cores(new Id("W"));
    assertThat(cores).hasSize(4);
    assertThat(cores.stream().map(c -> c.colour().orElseThrow())).doesNotHaveDuplicates();
    assertThat(new PairsKept().check(study)).allMatch(Verdict.Pass.class::isInstance).isNotEmpty();
    assertThat(pair(study, "K2:IN1+").receiver().unbalance()).isCloseTo(1.8 / 7, within(1e-9));
  }

  /// An input that bears 3.3 V alone is not put behind a receiver of 5 V.
  @Test
  void whatDoesNotBearFiveVoltsIsLeftAlone() {
    var text =
        "board,input,current,output supply,pin,type,low,high,greatest\nOwn board,20.4–28.8 V,0.2 A,,CNT,logic-input,0.8 V,2 V,";
    assertThat(onTwoWires(text + "3.3 V\n")).isEmpty();
    assertThat(onTwoWires(text + "5.5 V\n")).isPresent();
  }

  private static Optional<OnTwoWires> onTwoWires(String board) {
    var study = Panel.study(counted(read(board)));
    return CountsOnPairs.of(
        TerminalRef.of("A:CNT"), study.device(new Id("B")).orElseThrow(), study);
  }
}
