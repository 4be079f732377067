package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Random;
import nelvar.core.compose.need.NeedReader;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.network.Conditions;
import nelvar.core.network.WhatIf;
import nelvar.core.review.Review;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;

class WaysTest {
  private static Project drafted(String list) {
    return ((Drafting.Drawn)
            Drafting.of("x", ShippedLists.text(list).orElseThrow(), CatalogueFile.standard()))
        .draft()
        .project();
  }

  private static Project demo() {
    return Demo.settled();
  }

  private static MachineFunction function(String text, Project project) {
    var need = NeedReader.read(text).orThrow();
    var designation = Draft.designation(project, need.kind());
    return new MachineFunction(
        Draft.id(project, designation), designation, need.name(), need.kind(), need.wants());
  }

  private static Ways.Found ways(String text, Project project) {
    return Ways.of(
        function(text, project),
        Review.findingsOnly(project, CatalogueFile.standard()),
        CatalogueFile.standard());
  }

  /// Taken, each way makes the function work and opens no error; nothing that stood is changed.
  @Test
  void everyWayOfferedWorksAndLeavesWhatStands() throws Exception {
    for (var project : List.of(demo(), drafted("tile-polisher"), drafted("dough-roller")))
      for (var text :
          List.of(
              "4 valves 24 V on the gantry",
              "work light 24 V 10 W",
              "photo eye",
              "heater 230 V 200 W",
              "pump 24 V 1.5 A",
              "signal lamp")) {
        var found = ways(text, project);
        assertThat(found.ways()).as(text + " in " + project.name()).isNotEmpty();
        for (var way : found.ways()) judge(way, project, text);
      }
  }

  private static void judge(Way way, Project before, String text) {
    var after = way.edit().on(before, CatalogueFile.standard());
    assertThat(after.devices()).as(text).containsAll(before.devices());
    assertThat(after.conductors()).containsAll(before.conductors());
    assertThat(after.cables()).containsAll(before.cables());
    assertThat(after.fixed()).isEqualTo(before.fixed());
    var review = Review.findingsOnly(after, CatalogueFile.standard());
    var old = new HashSet<>(before.devices().stream().map(Device::id).toList());
    for (var entry : review.open()) {
      var finding = entry.finding().orElseThrow();
      if (finding.severity() == Severity.ERROR)
        assertThat(old).as(text + ": " + finding.text()).containsAll(finding.subject().things());
    }
    // What was added is fed in the solved machine.
    var live =
        review.study().engine().solve(WhatIf.AS_DESIGNED, Conditions.usual(new Temperature(45)));
    for (var device : FunctionEdits.served(after, added(before, after))) {
      var part = review.study().part(device).orElseThrow();
      for (var intake : device.intakes(part)) {
        var line = new TerminalRef(device.id(), intake.lines().getFirst());
        var back =
            new TerminalRef(device.id(), intake.back().orElseGet(() -> intake.lines().get(1)));
        assertThat(live.voltage(line, back).map(v -> v.rms()).orElse(0.0))
            .as("%s of %s by %s", intake.name(), device.designation(), way.title())
            .isGreaterThan(0.8 * intake.accepts().least().volts());
      }
    }
  }

  private static nelvar.core.model.Id added(Project before, Project after) {
    return after.functions().stream()
        .filter(f -> !before.functions().contains(f))
        .findFirst()
        .orElseThrow()
        .id();
  }

  /// A device that was only set down: each way feeds it, closes *Not fed*, and opens no error.
  @Test
  void aDeviceThatNothingFeedsHasWaysToBeFed() throws Exception {
    for (var project : List.of(demo(), drafted("tile-polisher"), drafted("conveyor-station")))
      for (var part :
          List.of(
              "valve-24vdc-4w8",
              "photo-eye-pnp",
              "pump-24v-3a",
              "relay-6a-24vdc",
              "fan-230v-20w",
              "supply-24v-5a",
              "operator-panel-7in",
              "signal-tower-3-24v",
              "heater-30w-230v")) {
        var catalogue = CatalogueFile.standard();
        var device =
            Device.of(
                new nelvar.core.model.Id("NEW1"),
                "-NEW1",
                "set down by hand",
                part,
                part.startsWith("relay") || part.startsWith("supply")
                    ? nelvar.core.model.Place.PANEL
                    : nelvar.core.model.Place.MACHINE);
        var before = Edits.add(device).on(project, catalogue);
        var review = Review.findingsOnly(before, catalogue);
        var found = Ways.connecting(device, review, catalogue);
        assertThat(found.ways())
            .as("%s in %s: %s", part, project.name(), found.refused())
            .isNotEmpty();
        for (var way : found.ways()) {
          var after = way.edit().on(before, catalogue);
          assertThat(after.conductors()).containsAll(before.conductors());
          assertThat(way.after().network().feeds(device.id()))
              .as(part + " by " + way.title())
              .isNotEmpty()
              .allMatch(feed -> feed.source().isPresent());
          assertThat(way.closed()).as(part).anyMatch(text -> text.startsWith("-NEW1: Not fed"));
        }
        // What works is switched; what reads or computes is always on.
        assertThat(found.ways().getFirst().title())
            .as(part)
            .startsWith(
                part.matches("(valve|pump|relay|signal).*")
                    ? "switched by a controller output"
                    : part.startsWith("photo") ? "fed, and read by an input" : "always on");
      }
  }

  @Test
  void whatWasBegunByHandIsNotWiredOver() throws Exception {
    var catalogue = CatalogueFile.standard();
    var device =
        Device.of(
            new nelvar.core.model.Id("NEW1"),
            "-NEW1",
            "",
            "valve-24vdc-4w8",
            nelvar.core.model.Place.MACHINE);
    var set = Edits.add(device).on(demo(), catalogue);
    var study = nelvar.core.analysis.Study.of(set, catalogue);
    var ends = WireText.read("NEW1:1 to X31:13", study).orThrow();
    var begun =
        HandWire.of(ends.from(), ends.to(), study, catalogue).edit(study).on(set, catalogue);
    var found = Ways.connecting(device, Review.findingsOnly(begun, catalogue), catalogue);
    assertThat(found.ways()).isEmpty();
    assertThat(found.refused()).allMatch(why -> why.contains("-NEW1:1 has a wire already"));
  }

  /// Where 0 V is earthed, an earth fault behind an output that switches 0 V starts what it drives
  /// (IEC 60204-1, 9.4.3.1): such ways come last for what moves, however cheap.
  @Test
  void waysThatAnEarthFaultCanStartComeLast() throws Exception {
    var ways = ways("4 valves 24 V on the gantry", nelvar.core.file.Demo.planted()).ways();
    var sinking = ways.stream().filter(way -> way.title().contains("switches 0 V")).toList();
    assertThat(sinking).isNotEmpty();
    assertThat(ways.getFirst().title()).doesNotContain("switches 0 V");
    assertThat(sinking.getFirst().costs()).isLessThan(ways.getFirst().costs());
  }

  /// By hand: four valves of 22.00, four relays of 7.80, four cables of 5.2 m of 2×0.25 mm², and a
  /// block of 10.40 for 0 V, as that of the draft has no four places left.
  @Test
  void aWaySaysWhatItAddsAndCosts() {
    var way = ways("4 valves 24 V on the gantry", drafted("tile-polisher")).ways().getFirst();
    var catalogue = CatalogueFile.standard();
    var metre =
        catalogue.find("cable-2x0p25").orElseThrow().price().orElseThrow().amount().doubleValue();
    assertThat(way.title()).contains("relays");
    assertThat(way.costs())
        .isCloseTo(
            4 * 22 + 4 * 7.8 + 4 * 5.2 * metre + 10.4,
            org.assertj.core.api.Assertions.within(0.01));
    // Each valve: two cores, two wires of its coil, one to its contact; one to the new block.
    assertThat(way.wires()).isEqualTo(21);
    assertThat(way.adds().getFirst())
        .isEqualTo("-Y4, -Y5, -Y6, -Y7: Solenoid valve, 24 V DC, 4.8 W");
  }

  @Test
  void whatCannotBeSaysWhy() {
    var found = ways("motor on a drive 7.5 kW", drafted("dough-roller"));
    assertThat(found.ways()).isEmpty();
    assertThat(found.refused()).anyMatch(why -> why.contains("so much needs three phases"));
  }

  @Test
  void aDriveThatNoMainsOfThatKindFeedsIsNotPutDownToItsSize() {
    var list =
        """
        machine dipper
        mains 120 V 60 Hz
        place frame 4 m
        =M1 carousel: motor 0.18 kW variable speed on the frame
        """;
    assertThat(Drafting.of("x", list, CatalogueFile.standard()).toString())
        .contains("none takes it")
        .doesNotContain("three phases");
  }

  @Test
  void aWayFoundForAnotherMachineIsRefused() {
    var project = drafted("yarn-winder");
    var way = ways("photo eye", project).ways().getFirst();
    var changed = Edits.purpose(project.devices().getFirst(), "changed").apply(project);
    assertThatThrownBy(() -> way.edit().on(changed, CatalogueFile.standard()))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("has changed since");
    assertThat(way.edit().on(project, CatalogueFile.standard())).isNotEqualTo(project);
  }

  /// Functions added one after another, each by its best way, to a random draft: what is fed stays
  /// fed, no error comes.
  @Test
  void machinesGrowWithoutErrors() {
    var random = new Random(11);
    var wishes =
        List.of(
            "2 valves 24 V",
            "photo eye",
            "work light",
            "stepper 2 A",
            "limit switch",
            "pump 24 V 1 A",
            "load cell",
            "homing sensor x 2",
            "signal lamp",
            "heater 24 V 20 W");
    var project = drafted("conveyor-station");
    var taken = 0;
    for (var n = 0; n < 14; n++) {
      var found = ways(wishes.get(random.nextInt(wishes.size())), project);
      if (found.ways().isEmpty()) continue;
      project = found.ways().getFirst().edit().on(project, CatalogueFile.standard());
      taken++;
      assertThat(
              Review.findingsOnly(project, CatalogueFile.standard()).open().stream()
                  .map(entry -> entry.finding().orElseThrow())
                  .filter(finding -> finding.severity() == Severity.ERROR))
          .isEmpty();
    }
    assertThat(taken).isGreaterThanOrEqualTo(10);
  }

  /// By hand, of the demo: the press hangs behind its own fuse; its drive, motor, brake relay,
  /// brake and sensor follow from feed to work. 527: drive 188.00, motor 214.00, brake, relay,
  /// sensor 17.00 and their cables.
  @Test
  void aChainIsReadFromFeedToWork() throws Exception {
    var rows = Chains.of(Review.findingsOnly(demo(), CatalogueFile.standard()));
    var press = rows.getFirst();
    assertThat(press.chain().stream().map(link -> link.device().designation().text()).toList())
        .containsExactly("-F11", "-K12", "-U3", "-M3", "-Y0", "-B6");
    assertThat(press.chain().stream().map(Chains.Link::caption).toList())
        .startsWith("gG 10 A", "press brake", "10 A", "400 W");
    assertThat(press.finished()).isTrue();
    assertThat(rows.getLast().function()).isEmpty();
    var alone = FunctionEdits.add(function("photo eye", demo())).apply(demo());
    var open = Chains.of(Review.findingsOnly(alone, CatalogueFile.standard()));
    assertThat(open.get(rows.size() - 1).finished()).isFalse();
    assertThat(open.get(rows.size() - 1).chain()).isEmpty();
  }
}
