package nelvar.core.analysis.interference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import java.util.Optional;
import nelvar.core.Disturbing;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.Crosstalk;
import nelvar.core.model.Cable.Ending;
import nelvar.core.model.Cable.Screen;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.PinEdits;
import org.junit.jupiter.api.Test;

class CoupledTest {
  private static Study study(Project project) {
    return Panel.study(project);
  }

  private static Pair worst(Project project, String cable) {
    return Coupled.of(study(project)).pairs().stream()
        .filter(p -> p.receiver().id().equals(new Id(cable)))
        .findFirst()
        .orElseThrow();
  }

  private static Project screened(Project project, String cable, Screen screen) {
    var at =
        project.cables().stream()
            .filter(c -> c.id().text().equals(cable))
            .findFirst()
            .orElseThrow();
    return Edits.change(at.withScreen(screen)).apply(project);
  }

  /// The sensor of the demo that lies beside the auger's motor cable, recomputed by hand: 566 V in
  /// 0.1 µs on 9 m of cable, 7 m beside each other in a tray 60 mm deep.
  @Test
  void theSensorBesideTheAugerByHand() {
    var open = screened(Demo.planted(), "WD1", Screen.both(Ending.OPEN));
    var pair = worst(open, "WB4");
    assertThat(pair.emitter().label()).isEqualTo("-WD1");
    assertThat(pair.beside()).isCloseTo(7, within(0.01));
    // min(150 pF/m · 9 m · 5.66 GV/s, 566 V/100 Ω)
    assertThat(pair.emitter().leaves()).isCloseTo(5.657, within(0.01));
    var place = pair.apart().orElseThrow();
    var c =
        Crosstalk.capacitances(
            place.emitter().height() + place.emitter().radius(),
            place.emitter().radius(),
            place.receiver().height() + place.receiver().radius(),
            place.receiver().radius(),
            place.apart(),
            2);
    var volts = Crosstalk.capacitive(c, 7, 565.7, 1e-7, 4700) * (1 - Math.exp(-1e-7 / 1e-5));
    assertThat(pair.volts().get(WayIn.CAPACITANCE)).isCloseTo(volts, within(0.01 * volts));
    var near = 1e-7 * Math.log(ratio(place, 0));
    var far = 1e-7 * Math.log(ratio(place, place.receiver().loop().orElseThrow()));
    var field = 7 * (near - far) * 5.657 / 1e-7 * (1 - Math.exp(-1e-7 / 1e-5));
    assertThat(pair.volts().get(WayIn.FIELD)).isCloseTo(field, within(0.01 * field));
    assertThat(pair.margin()).isCloseTo(20 * Math.log10(5 / (volts + field)), within(0.1));
    assertThat(pair.uncertainty()).isEqualTo(12);
  }

  private static double ratio(Pair.Place at, double more) {
    var x = at.apart() + more;
    var h = at.emitter().height();
    var k = at.receiver().height();
    return (x * x + (h + k) * (h + k)) / (x * x + (h - k) * (h - k));
  }

  @Test
  void aShieldThatNobodySaidHowItEndsCountsAsOpen() {
    var said = screened(Demo.planted(), "WD1", Screen.both(Ending.CLAMP));
    var unsaid = screened(Demo.planted(), "WD1", Screen.NONE);
    var open = screened(Demo.planted(), "WD1", Screen.both(Ending.OPEN));
    assertThat(worst(unsaid, "WB4").margin()).isCloseTo(worst(open, "WB4").margin(), within(1e-9));
    assertThat(Coupled.of(study(said)).like(worst(unsaid, "WB4")).orElseThrow().margin())
        .isGreaterThan(worst(unsaid, "WB4").margin() + 30);
  }

  /// A pigtail is not a clamp, a clamp at one end is none, and a ferrite helps a little.
  @Test
  void endsOfAShieldByTheirWorth() {
    var both = margin(Screen.both(Ending.CLAMP));
    var pigtails = margin(Screen.both(Ending.PIGTAIL));
    var one =
        margin(new Screen(Optional.of(Ending.CLAMP), Optional.of(Ending.OPEN), Optional.empty()));
    var open = margin(Screen.both(Ending.OPEN));
    var ferrite = margin(Screen.both(Ending.OPEN).withTurns(Optional.of(3)));
    assertThat(both).isGreaterThan(pigtails + 6);
    assertThat(pigtails).isGreaterThan(one);
    // 9 m are longer than a twentieth of the wave: the open end swings as if there were no shield.
    assertThat(one).isGreaterThanOrEqualTo(open);
    // What it drives out falls to a tenth; its edges stay.
    assertThat(ferrite).isBetween(open, open + 20);
  }

  private static double margin(Screen screen) {
    var project = screened(Demo.planted(), "WD1", screen);
    return Coupled.of(study(project))
        .like(new Id("WD1"), Emitter.Kind.DRIVE, receiver(project, "WB4"))
        .orElseThrow()
        .margin();
  }

  private static TerminalRef receiver(Project project, String cable) {
    return Receivers.of(study(project)).stream()
        .filter(r -> r.id().equals(new Id(cable)))
        .findFirst()
        .orElseThrow()
        .at();
  }

  @Test
  void inAnotherTrayNothingGetsInFromThere() {
    var project = Demo.planted();
    var receiver = receiver(project, "WB5");
    assertThat(Coupled.of(study(project)).like(new Id("WD1"), Emitter.Kind.DRIVE, receiver))
        .isEmpty();
  }

  /// The setting of a board is its own value; another edge that of a drive.
  @Test
  void ownValuesCount() {
    var project = Demo.planted();
    var board = project.devices().stream().filter(d -> d.id().text().equals("A1")).findFirst();
    var slow = PinEdits.say(board.orElseThrow(), "Input filter", "3 ms").apply(project);
    assertThat(worst(slow, "WB4").receiver().filter()).isEqualTo(0.003);
    assertThat(worst(slow, "WB4").margin()).isGreaterThan(worst(project, "WB4").margin());
    var drive = project.devices().stream().filter(d -> d.id().text().equals("U1")).findFirst();
    var edge = PinEdits.say(drive.orElseThrow(), "Edge", "1 µs").apply(project);
    var like = Emitters.of(study(edge)).stream().filter(e -> e.label().equals("-WD1")).findFirst();
    assertThat(like.orElseThrow().rise()).isEqualTo(1e-6);
  }

  /// What the shield of the motor brings home does not come over the mains.
  @Test
  void aClampedShieldKeepsTheMainsQuiet() {
    var open = feed(screened(Demo.rinser(), "WD1", Screen.both(Ending.OPEN)));
    var clamped = feed(screened(Demo.rinser(), "WD1", Screen.both(Ending.CLAMP)));
    assertThat(clamped.leaves()).isLessThan(open.leaves() / 20);
  }

  private static Emitter feed(Project project) {
    return Emitters.of(study(project)).stream()
        .filter(e -> e.kind() == Emitter.Kind.FEED)
        .findFirst()
        .orElseThrow();
  }

  /// A hose beside cables is one where the Brief asks for dust; it strikes what lies beside it.
  @Test
  void aHoseStrikesWhatLiesBesideIt() {
    var project = Demo.planted();
    var tray =
        project.bundles().stream()
            .filter(b -> b.id().text().equals("P3"))
            .findFirst()
            .orElseThrow();
    var hosed =
        Edits.change(
                tray.with(d ->
                    d.form =
                        d.form.map(f ->
                            f.withHoses(
                                java.util.List.of(nelvar.core.units.Length.ofMillimetres(20))))))
            .apply(project);
    assertThat(hoses(hosed)).isEmpty();
    var b = hosed.brief();
    var dusty =
        hosed.withBrief(
            new nelvar.core.model.Brief(
                b.supply(),
                b.surroundings().withDust(Optional.of(nelvar.core.model.Brief.Dust.OTHER)),
                b.policies()));
    assertThat(hoses(dusty)).hasSize(1);
    assertThat(hoses(dusty).getFirst().label()).isEqualTo("hose");
    assertThat(Coupled.of(study(dusty)).pairs())
        .filteredOn(p -> p.emitter().kind() == Emitter.Kind.HOSE)
        .isNotEmpty()
        .allMatch(p -> p.receiver().lays().in().containsKey(tray.id()));
  }

  private static java.util.List<Emitter> hoses(Project project) {
    return Emitters.of(study(project)).stream().filter(e -> e.kind() == Emitter.Kind.HOSE).toList();
  }

  /// What helps does what it promised, within 1 dB, when it is taken.
  @Test
  void aRemedyGivesWhatItPromised() {
    var project = screened(Demo.planted(), "WD1", Screen.both(Ending.OPEN));
    var pair = worst(project, "WB4");
    var all = Remedies.of(pair, study(project));
    assertThat(all).hasSizeGreaterThanOrEqualTo(4);
    for (var remedy : all) {
      var after = remedy.repair().edit().apply(project);
      var margin = Coupled.of(study(after)).like(pair).map(Pair::margin).orElse(Pair.FAR);
      assertThat(margin).as(remedy.repair().label()).isCloseTo(remedy.margin(), within(1.0));
      assertThat(remedy.gain()).isCloseTo(margin - pair.margin(), within(1.0));
    }
    assertThat(all).isSortedAccordingTo(Comparator.comparingDouble(Remedy::worth).reversed());
    assertThat(all)
        .extracting(r -> r.repair().label())
        .anyMatch(label -> label.startsWith("Clamp the shield of -WD1"))
        .anyMatch(label -> label.startsWith("Lay -WB4 in the signal tray"))
        .anyMatch(label -> label.startsWith("Shielded cable for -WB4"));
  }

  /// Slower inputs are offered where none of the board counts pulses.
  @Test
  void aBoardThatCountsIsNotMadeSlow() {
    assertThat(labels(Demo.planted())).noneMatch(l -> l.startsWith("Filter the inputs"));
    assertThat(labels(Demo.rinser())).anyMatch(l -> l.startsWith("Filter the inputs of -A1"));
  }

  private static java.util.List<String> labels(Project project) {
    var study = study(project);
    return Remedies.of(Coupled.of(study).pairs().getFirst(), study).stream()
        .map(r -> r.repair().label())
        .toList();
  }

  @Test
  void theBestFiveAreOneStep() {
    var project = screened(Demo.planted(), "WD1", Screen.both(Ending.OPEN));
    var best = Remedies.best(study(project), 5, _ -> true).orElseThrow();
    assertThat(best.steps()).isNotEmpty().hasSizeLessThanOrEqualTo(5);
    var after = Coupled.of(study(best.edit().apply(project))).pairs();
    assertThat(after.getFirst().margin()).isCloseTo(best.worst(), within(1e-9));
    assertThat(best.worst()).isGreaterThan(worst(project, "WB4").margin());
    assertThat(Remedies.best(study(project), 5, _ -> false)).isEmpty();
  }

  /// 21 valves on one thin wire back lift what shares it; on a wire of its own nothing does.
  @Test
  void aSharedWayBackLiftsWhatSharesIt() {
    var shared = Disturbing.sharedReturn(10);
    assertThat(shared.volts()).containsKey(WayIn.SHARED);
    // 0.2 A over 10 m of 0.5 mm², 0.36 Ω: 71 mV, and its inductance.
    assertThat(shared.volts().get(WayIn.SHARED)).isGreaterThan(0.07);
  }

  @Test
  void aStarSendsMoreThroughShieldsThanAMesh() {
    var mesh = screened(Demo.settled(), "WD1", Screen.both(Ending.OPEN));
    var star =
        mesh.withBrief(
            new nelvar.core.model.Brief(
                mesh.brief().supply(),
                mesh.brief().surroundings(),
                mesh.brief()
                    .policies()
                    .answering(
                        School.EARTHING_SYSTEM, School.EARTHING_SYSTEM.options().getLast())));
    assertThat(earth(star)).isGreaterThan(2 * earth(mesh));
  }

  private static double earth(Project project) {
    return Coupled.of(study(project)).pairs().stream()
        .flatMap(p -> Optional.ofNullable(p.volts().get(WayIn.EARTH)).stream())
        .mapToDouble(v -> v)
        .max()
        .orElse(0);
  }

  @Test
  void onlyWhatIsBelowZeroByMoreThanCanBeKnownIsAnError() {
    var project = Demo.planted();
    assertThat(new QuietEnough().check(study(project)))
        .noneMatch(v -> v instanceof Verdict.Finding f && f.severity() == Severity.ERROR)
        .anyMatch(v -> v instanceof Verdict.Finding f && f.severity() == Severity.WARNING);
    assertThat(new QuietEnough().check(study(Demo.settled())))
        .allMatch(Verdict.Pass.class::isInstance);
    // A board that hears everything.
    var board = project.devices().stream().filter(d -> d.id().text().equals("A1")).findFirst();
    var fast =
        PinEdits.say(board.orElseThrow(), "Input filter", "0.01 µs")
            .apply(screened(project, "WD1", Screen.both(Ending.OPEN)));
    var finding =
        new QuietEnough()
            .check(study(fast))
            .filter(Verdict.Finding.class::isInstance)
            .map(Verdict.Finding.class::cast)
            .filter(f -> f.text().startsWith("-WB4"))
            .findFirst()
            .orElseThrow();
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.trail().text()).contains("earthed as a mesh", "touching");
    assertThat(finding.proposals()).isNotEmpty();
    for (var repair : finding.proposals()) {
      var after = study(repair.edit().apply(fast));
      assertThat(
              Coupled.of(after).pairs().stream()
                  .filter(p -> p.receiver().label().equals("-WB4"))
                  .filter(p -> p.emitter().label().equals("-WD1"))
                  .mapToDouble(Pair::margin)
                  .min()
                  .orElse(Pair.FAR))
          .as(repair.label())
          .isGreaterThanOrEqualTo(0);
    }
  }

  /// Where nothing couples it is said why; where something does there is nothing to say.
  @Test
  void whyNothingCouples() {
    assertThat(Coupled.of(study(Demo.planted())).none()).isEmpty();
    assertThat(Coupled.of(nelvar.core.Panel.mains().study()).none().orElseThrow())
        .isEqualTo("Nothing of this machine is known to disturb.");
    var apart =
        nelvar.core.Panel.dc()
            .device("U", "drive-1ph-230-0p37kw")
            .device("M", "motor-0p25kw-230-400", nelvar.core.model.Place.MACHINE)
            .wire("X0:L1", "U:L", 1.5, 2)
            .wire("U:N", "X0:N", 1.5, 2)
            .wire("U:U", "M:U", 1.5, 8)
            .wire("U:V", "M:V", 1.5, 8)
            .wire("U:W", "M:W", 1.5, 8);
    assertThat(Coupled.of(apart.study()).none().orElseThrow())
        .isEqualTo("Nothing of this machine listens.");
    apart
        .bundle("S", nelvar.core.standards.InstallationMethod.B1, true)
        .device("A", "motion-controller-3ax")
        .device("B", "photo-eye-pnp")
        .cable("W", "cable-3x0p5", 2, "S", 0.5, "T:+", "B:+", "T:-", "B:-", "B:OUT", "A:DI1");
    assertThat(Coupled.of(apart.study()).none().orElseThrow())
        .endsWith(
            "none of their wires is known to lie with another. No duct is drawn: those that are only named are taken as far from each other. Lay out the cabinet in Panel.");
  }
}
