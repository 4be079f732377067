package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Reading;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Wires as one says them, and what is proposed for them.
class HandWireTest {
  private static Study demo;

  @BeforeAll
  static void open() {
    demo = Study.of(Demo.settled(), CatalogueFile.standard());
  }

  private static HandWire.Proposed proposed(String text) {
    var ends = WireText.read(text, demo).orThrow();
    return HandWire.of(ends.from(), ends.to(), demo, CatalogueFile.standard());
  }

  @ParameterizedTest
  @CsvSource({
    "T1:+ to X31, T1:+, X31:13",
    "-T1:+ to -X31:13, T1:+, X31:13",
    "t1:+ to x31:13, T1:+, X31:13",
    "X31 -> T1:+, X31:13, T1:+",
    "X10 to T2:PE, X10:14, T2:PE",
    "S5:13 to DI10, S5:13, A1:DI10",
  })
  void readsBothEnds(String text, String from, String to) {
    assertThat(WireText.read(text, demo))
        .isEqualTo(
            new Reading.Value<>(new WireText.Ends(TerminalRef.of(from), TerminalRef.of(to))));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "T1 to X31 | Say at least one terminal, such as T1:L to X31.",
        "T99:+ to X31 | There is no device or terminal 'T99:+' in this machine.",
        "T1:9 to X31 | -T1 has no terminal '9'; it has L, N, PE, +, -",
        "T1:+ to 14 | Several devices have a terminal 14",
        "T1:+ to T1:+ | A wire ends on another terminal than it begins on.",
        "F5:1 to M1 | -M1 has no free terminal that goes with the other end",
        "T1:+ | Write both ends with 'to' between",
        "to | Write both ends",
      })
  void saysWhatItCannotRead(String text, String why) {
    assertThat(WireText.read(text, demo))
        .isInstanceOfSatisfying(
            Reading.Misread.class,
            misread -> assertThat(misread.message()).startsWith(why.strip()));
  }

  @Test
  void goesOnAsWhatItIsJoinedTo() {
    var wire = proposed("X31 to B1:+").wire();
    var like =
        demo.project().conductors().stream()
            .filter(c ->
                c.from().equals(TerminalRef.of("X31:1")) || c.to().equals(TerminalRef.of("X31:1")))
            .findFirst()
            .orElseThrow();
    assertThat(wire.function()).isEqualTo(like.function());
    assertThat(wire.colour()).isEqualTo(like.colour());
    assertThat(wire.label().text()).isEqualTo("W218");
    assertThat(wire.section()).isPresent();
  }

  /// The wire behind the 10 A breaker of the axis supply, drawn anew: as thick as the demo has it.
  @Test
  void theSectionIsComputedFromWhatFlows() {
    var bare = demo.project();
    var feeder =
        bare.conductors().stream()
            .filter(c ->
                c.to().equals(TerminalRef.of("T3:L")) || c.from().equals(TerminalRef.of("T3:L")))
            .findFirst()
            .orElseThrow();
    var cut = demo.tried(Edits.remove(feeder).apply(bare));
    var again = HandWire.of(feeder.from(), feeder.to(), cut, CatalogueFile.standard());
    assertThat(again.wire().section().orElseThrow())
        .isEqualByComparingTo(feeder.section().orElseThrow());
    assertThat(again.wire().label()).isEqualTo(feeder.label());
    assertThat(again.because()).anyMatch(line -> line.matches(".* mm² for [0-9.]+ A"));
    assertThat(again.edit(cut).on(cut.project(), CatalogueFile.standard()).conductors())
        .hasSize(bare.conductors().size());
  }

  @Test
  void protectiveConductorsAreGreenYellowAndThickEnough() {
    var pe =
        demo.project().conductors().stream()
            .filter(c -> c.touches(new Id("T3")) && c.function() == Conductor.Function.PROTECTIVE)
            .findFirst()
            .orElseThrow();
    var cut = demo.tried(Edits.remove(pe).apply(demo.project()));
    var ends = WireText.read("X10 to T3:PE", cut).orThrow();
    var wire = HandWire.of(ends.from(), ends.to(), cut, CatalogueFile.standard()).wire();
    assertThat(wire.function()).isEqualTo(Conductor.Function.PROTECTIVE);
    assertThat(wire.colour()).contains("green-yellow");
    assertThat(wire.section().orElseThrow()).isGreaterThanOrEqualTo(new CrossSection(0.75));
  }

  /// A cable of three cores of which two are used: the third, no new wire.
  @Test
  void takesTheFreeCoreOfTheCableThatGoesThere() {
    var drafted = drafted("valve 24 V\nphoto eye\n");
    var eye =
        drafted.project().devices().stream()
            .filter(d -> d.designation().text().startsWith("-B"))
            .findFirst()
            .orElseThrow();
    var core =
        drafted
            .cores(
                drafted.project().cables().stream()
                    .filter(c -> drafted.cores(c.id()).stream().anyMatch(w -> w.touches(eye.id())))
                    .findFirst()
                    .orElseThrow()
                    .id())
            .getLast();
    var without = drafted.tried(Edits.remove(core).apply(drafted.project()));
    var again = HandWire.of(core.from(), core.to(), without, CatalogueFile.standard());
    assertThat(again.wire().cable()).isEqualTo(core.cable());
    assertThat(again.wire().colour()).isEqualTo(core.colour());
    assertThat(again.wire().section()).isEqualTo(core.section());
    assertThat(again.wire().length()).isEmpty();
  }

  /// A core of 0.25 mm² is none for a heater of 2 kW: a wire of its own, as thick as it must be.
  @Test
  void aFreeCoreThatIsTooThinIsNotTaken() {
    var drafted = drafted("heater 230 V 2 kW\n");
    var heater =
        drafted.project().devices().stream()
            .filter(d -> d.designation().text().startsWith("-E"))
            .findFirst()
            .orElseThrow();
    var line =
        drafted.project().conductors().stream()
            .filter(w -> w.cable().isPresent() && w.touches(heater.id()) && w.carriesWork())
            .findFirst()
            .orElseThrow();
    var thin =
        Edits.section(
                "cores",
                java.util.Set.of(line.id()),
                new CrossSection(0.25),
                CatalogueFile.standard())
            .then(Edits.remove(line))
            .apply(drafted.project());
    var study = drafted.tried(thin);
    var again = HandWire.of(line.from(), line.to(), study, CatalogueFile.standard());
    assertThat(again.wire().cable()).isEmpty();
    assertThat(again.wire().section().orElseThrow()).isGreaterThanOrEqualTo(new CrossSection(1));
    assertThat(again.because()).contains("the free core that goes there is too thin for it");
  }

  /// Between two devices that no wire touches yet: the mains lies with the mains, 24 V with 24 V.
  @Test
  void whatCarriesTheMainsLiesWithTheMains() {
    var study = drafted("mains 230 V 50 Hz TN-S\nvalve 24 V\nphoto eye\n");
    var catalogue = CatalogueFile.standard();
    var set = study.project();
    for (var part : java.util.List.of("fuse-1p-gg2", "transformer-160va-230-24"))
      set =
          Edits.add(
                  nelvar.core.model.Device.of(
                      new Id(part.substring(0, 4)),
                      "-" + part.substring(0, 4),
                      "",
                      part,
                      nelvar.core.model.Place.PANEL))
              .on(set, catalogue);
    var with = study.tried(set);
    var wire =
        HandWire.of(TerminalRef.of("fuse:2"), TerminalRef.of("tran:1"), with, catalogue).wire();
    var duct =
        with.project().bundles().stream()
            .filter(b -> wire.bundle().filter(b.id()::equals).isPresent())
            .findFirst()
            .orElseThrow();
    assertThat(duct.name()).isEqualTo("mains duct");
    assertThat(wire.colour()).contains("black");
  }

  /// The 0 V bar is earthed at one of its ways: another wire on it is no protective conductor.
  @Test
  void whatEarthsABarDoesNotMakeItsWiresProtective() {
    for (var bar : java.util.List.of("X30", "X40", "X49")) {
      var wire = proposed(bar + " to K10:12").wire();
      assertThat(wire.carriesWork()).as(bar).isTrue();
      assertThat(wire.colour().orElseThrow()).as(bar).doesNotContain("green");
    }
  }

  /// One more loaded wire in a duct warms the others; where one of them is then too thin for what
  /// protects it, the proposal says so and the review finds it.
  @Test
  void whatItWarmsTooMuchIsNamed() {
    var study = drafted("mains 230 V 50 Hz TN-S\nupstream 25 A\nheater 230 V 1.2 kW\nvalve 24 V\n");
    var catalogue = CatalogueFile.standard();
    var said = false;
    for (var n = 1; n <= 8 && !said; n++) {
      var set = study.project();
      for (var part : java.util.List.of("fuse-1p-gg2", "heater-30w-230v"))
        set =
            Edits.add(
                    nelvar.core.model.Device.of(
                        new Id(part.substring(0, 4) + n),
                        "-" + part.substring(0, 4) + n,
                        "",
                        part,
                        nelvar.core.model.Place.PANEL))
                .on(set, catalogue);
      study = study.tried(set);
      var line =
          study.project().devices().stream()
              .filter(d -> d.purpose().equals("L1 distribution"))
              .findFirst()
              .orElseThrow();
      for (var wire :
          java.util.List.of(
              line.designation() + " to fuse%d:1".formatted(n),
              "fuse%d:2 to heat%d:L".formatted(n, n),
              "heat%d:N to %s".formatted(n, neutral(study)))) {
        var read = WireText.read(wire, study);
        if (!(read instanceof Reading.Value<WireText.Ends>(var ends))) return;
        var proposed = HandWire.of(ends.from(), ends.to(), study, catalogue);
        var after = study.tried(proposed.edit(study).on(study.project(), catalogue));
        var warmed = proposed.because().stream().anyMatch(l -> l.contains("it warms"));
        assertThat(warmed).isEqualTo(!WireSizes.weakened(study, after).isEmpty());
        said |= warmed;
        study = after;
      }
    }
    assertThat(said).isTrue();
  }

  private static String neutral(Study study) {
    return study.project().devices().stream()
        .filter(d -> d.purpose().equals("N distribution"))
        .findFirst()
        .orElseThrow()
        .designation()
        .text();
  }

  /// On a terminal that only cores of cables reach, their marks are no colour.
  @Test
  void theMarkOfACoreIsNotTakenForAColour() {
    var core =
        demo.project().conductors().stream()
            .filter(w -> w.cable().isPresent() && w.touches(new Id("B1")) && w.carriesWork())
            .findFirst()
            .orElseThrow();
    var at = core.from().device().equals(new Id("B1")) ? core.from() : core.to();
    var wire = HandWire.of(at, TerminalRef.of("X10:20"), demo, CatalogueFile.standard()).wire();
    assertThat(wire.colour().orElseThrow()).doesNotMatch("[0-9]+");
    var other = HandWire.of(at, TerminalRef.of("K10:12"), demo, CatalogueFile.standard()).wire();
    if (other.cable().isEmpty()) assertThat(other.colour().orElseThrow()).doesNotMatch("[0-9]+");
  }

  @Test
  void inAMachineWithoutAnyItBringsItsDuct() {
    var drafted = drafted("valve 24 V\n");
    var bare =
        drafted.tried(
            drafted
                .project()
                .withConductors(java.util.List.of())
                .withCables(java.util.List.of())
                .withBundles(java.util.List.of()));
    var terminals =
        bare.project().devices().stream()
            .filter(d -> bare.part(d).orElseThrow().terminals().size() > 1)
            .limit(2)
            .map(d ->
                new TerminalRef(d.id(), bare.part(d).orElseThrow().terminals().getFirst().name()))
            .toList();
    var wire = HandWire.of(terminals.get(0), terminals.get(1), bare, CatalogueFile.standard());
    assertThat(wire.bundle()).isPresent();
    var after = wire.edit(bare).on(bare.project(), CatalogueFile.standard());
    assertThat(after.bundles()).hasSize(1);
    assertThat(after.conductors()).hasSize(1);
  }

  @Test
  void twoTerminalsAreJoinedOnce() {
    var wire = demo.project().conductors().getFirst();
    assertThatThrownBy(() -> HandWire.of(wire.to(), wire.from(), demo, CatalogueFile.standard()))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("W1 joins these two terminals already");
  }

  private static Study drafted(String list) {
    return ((Drafting.Drawn) Drafting.of("x", list, CatalogueFile.standard()))
        .draft()
        .review()
        .study();
  }
}
