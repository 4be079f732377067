package nelvar.core.analysis.signals;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink.Standing;
import nelvar.core.catalogue.Controller;
import nelvar.core.compose.Drafting;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.exchange.BoardCsv;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.file.UnreadableFile;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.edit.PinEdits;
import org.junit.jupiter.api.Test;

/// Links of pins, by hand: volts of a divider, what a pull-up leaves, what an output carries.
class PinLinksTest {
  private static final String PINS =
      """
      board,input,current,output supply,pin,type,pin-out,firmware,connector,place,rating,thresholds,low,high,greatest,pull-up,pull-up supply,common
      Test board,20.4–28.8 V,0.2 A,P+,DI1,input-reads-plus,IN1,in.1,J1,1,,type-3,,,,,,
      ,,,,DI2,input-reads-plus,IN2,in.2,J1,2,,type-1,,,,,,
      ,,,,DN1,input-reads-minus,,,J1,3,,,,,,,,
      ,,,,L1,logic-input,,,J2,1,,,0.8 V,2 V,5.5 V,10 kΩ,5 V,
      ,,,,L2,logic-input,,,J2,2,,,0.8 V,2 V,5.5 V,,,
      ,,,,L3,logic-input,,,J2,3,,,,,,,,
      ,,,,Q1,output-sourcing,,,J3,1,0.5 A,,,,,,,
      ,,,,Q2,output-sinking,,,J3,2,0.1 A,,,,,,,
      ,,,,Q3,output-sourcing,,,J3,3,,,,,,,,
      ,,,,R1,output-contact,,,J4,1,2 A,,,,,,,RC
      ,,,,FAN,always-on,,,J5,1,1 A,,,,,,,
      """;

  private static Controller board() {
    try {
      return (Controller) BoardCsv.read("board.csv", PINS);
    } catch (UnreadableFile e) {
      throw new AssertionError(e);
    }
  }

  private static Panel panel() {
    return Panel.dc()
        .part(board())
        .device("A", "own-test-board")
        .wire("T:+", "A:+", 0.75, 1)
        .wire("A:-", "T:-", 0.75, 1)
        .wire("T:+", "A:P+", 0.75, 1);
  }

  private static PinLink link(Study study, String pin) {
    return PinLinks.of(study).stream()
        .filter(link -> link.pin().name().equals(pin))
        .findFirst()
        .orElseThrow();
  }

  private static List<Verdict> verdicts(Rule rule, Study study, String pin) {
    return rule.check(study)
        .filter(verdict ->
            verdict.subject() instanceof nelvar.core.model.Subject.AtTerminal at
                && at.terminal().terminal().equals(pin))
        .toList();
  }

  private static Verdict.Finding found(Rule rule, Study study, String pin) {
    return (Verdict.Finding) verdicts(rule, study, pin).getFirst();
  }

  /// A button to + on a type 3 input of 4.7 kΩ: 24 V and 5.1 mA pressed, nothing at rest; sure by
  /// the 5 V below which it is off.
  @Test
  void aContactOnAnInputIsSure() {
    var study =
        panel()
            .device("S", "push-button-1no")
            .wire("T:+", "S:13", 0.5, 5)
            .wire("S:14", "A:DI1", 0.5, 5)
            .study();
    var link = link(study, "DI1");
    assertThat(link.standing()).as(link.words()).isEqualTo(Standing.SURE);
    assertThat(link.on().orElseThrow().volts().volts()).isCloseTo(24, within(0.05));
    assertThat(link.on().orElseThrow().current().amperes()).isCloseTo(24 / 4700.0, within(0.00002));
    assertThat(link.off().orElseThrow().volts().volts()).isZero();
    assertThat(link.margin().orElseThrow().volts()).isCloseTo(5, within(0.001));
    assertThat(link.partners()).extracting(end -> end.device().text()).containsExactly("S");
    assertThat(link(study, "DI2").standing()).isEqualTo(Standing.FREE);
    assertThat(verdicts(new InputLevel(), study, "DI1").getFirst())
        .isInstanceOf(Verdict.Pass.class);
    assertThat(verdicts(new InputLevel(), study, "DI2")).isEmpty();
  }

  /// A contact closed at rest counts as driving while nobody moves it; two in series both.
  @Test
  void contactsInSeriesAreFollowed() {
    var study =
        panel()
            .device("S1", "limit-switch-1nc")
            .device("S2", "push-button-1no")
            .wire("T:+", "S2:13", 0.5, 5)
            .wire("S2:14", "S1:11", 0.5, 5)
            .wire("S1:12", "A:DI1", 0.5, 5)
            .study();
    assertThat(link(study, "DI1").standing()).isEqualTo(Standing.SURE);
  }

  /// A button to 0 V on an input that reads +: it reads 0 whatever the button does (an input with
  /// its own load reads 0 when open, it does not float).
  @Test
  void aContactToTheWrongSideIsFound() {
    var study =
        panel()
            .device("S", "push-button-1no")
            .wire("T:-", "S:13", 0.5, 5)
            .wire("S:14", "A:DI1", 0.5, 5)
            .study();
    assertThat(link(study, "DI1").words()).contains("reads 0 whatever drives it");
    assertThat(found(new InputLevel(), study, "DI1").severity()).isEqualTo(Severity.ERROR);
    var right =
        panel()
            .device("S", "push-button-1no")
            .wire("T:-", "S:13", 0.5, 5)
            .wire("S:14", "A:DN1", 0.5, 5)
            .study();
    var link = link(right, "DN1");
    assertThat(link.standing()).as(link.words()).isEqualTo(Standing.SURE);
    assertThat(link.words()).startsWith("reads 1 at");
  }

  /// Over 2.2 kΩ a type 1 input of 3.3 kΩ sees 24 · 3.3/5.5 = 14.4 V: less than the 15 V at which
  /// it is surely on. A type 3 input of 4.7 kΩ sees 24 · 4.7/6.9 = 16.3 V and is sure. (A 24 V
  /// element of 0.2618 W is the resistor.)
  @Test
  void aResistorInTheWayTakesItsShare() {
    var ohms = 2200.0;
    var resistor =
        new nelvar.core.catalogue.Heater(
            "resistor",
            "Resistor",
            nelvar.core.catalogue.Article.UNKNOWN,
            new nelvar.core.units.Power(24 * 24 / ohms),
            new nelvar.core.units.Voltage(24));
    for (var pin : List.of("DI1", "DI2")) {
      var study =
          panel()
              .part(resistor)
              .device("S", "push-button-1no")
              .device("R", "resistor")
              .wire("T:+", "R:1", 0.5, 1)
              .wire("R:2", "S:13", 0.5, 1)
              .wire("S:14", "A:" + pin, 0.5, 1)
              .study();
      var link = link(study, pin);
      var load = pin.equals("DI1") ? 4700 : 3300;
      assertThat(link.on().orElseThrow().volts().volts())
          .isCloseTo(24 * load / (load + ohms), within(0.1));
      assertThat(link.standing()).isEqualTo(pin.equals("DI1") ? Standing.SURE : Standing.WRONG);
    }
  }

  /// A pull-up of 10 kΩ to 5 V: 5 V open, 0 V closed; without one the pin reads 0 in both states.
  @Test
  void aLogicPinNeedsItsPullUp() {
    var study =
        panel()
            .device("S", "push-button-1no")
            .device("S2", "push-button-1no")
            .wire("T:-", "S:13", 0.5, 1)
            .wire("S:14", "A:L1", 0.5, 1)
            .wire("T:-", "S2:13", 0.5, 1)
            .wire("S2:14", "A:L2", 0.5, 1)
            .study();
    var pulled = link(study, "L1");
    assertThat(pulled.standing()).as(pulled.words()).isEqualTo(Standing.SURE);
    assertThat(pulled.off().orElseThrow().volts().volts()).isCloseTo(5, within(0.01));
    assertThat(pulled.on().orElseThrow().current().amperes()).isCloseTo(0.0005, within(0.00001));
    assertThat(link(study, "L2").standing()).isEqualTo(Standing.WRONG);
    assertThat(found(new InputLevel(), study, "L2").text()).contains("pull-up");
  }

  /// A sensor that pulls to 0 V on a logic pin without pull-up reads 0 for ever; with one it is
  /// sure. Levels that are not stated prove nothing, and an output that carries nothing neither.
  @Test
  void whatIsMissingIsFoundOrSaid() {
    for (var pin : List.of("L1", "L2")) {
      var study =
          panel()
              .device("B", "photo-eye-npn")
              .wire("T:+", "B:+", 0.34, 1)
              .wire("B:-", "T:-", 0.34, 1)
              .wire("B:OUT", "A:" + pin, 0.34, 1)
              .study();
      assertThat(verdicts(new InputLevel(), study, pin).getFirst())
          .isInstanceOf(pin.equals("L1") ? Verdict.Pass.class : Verdict.Finding.class);
    }
    var open =
        panel()
            .device("H", "lamp-led-24v-10w")
            .device("S", "push-button-1no")
            .wire("A:Q1", "H:+", 0.5, 1)
            .wire("T:+", "S:13", 0.5, 1)
            .wire("S:14", "A:L3", 0.5, 1)
            .study();
    assertThat(link(open, "Q1").standing()).isEqualTo(Standing.UNPROVED);
    assertThat(link(open, "L3").words()).contains("levels are not stated");
    assertThat(verdicts(new InputLevel(), open, "L3").getFirst())
        .isInstanceOf(Verdict.NotChecked.class);
  }

  /// 24 V on a pin that bears 5.5 V, whatever gives it.
  @Test
  void aLogicPinOnTwentyFourVoltsIsDestroyed() {
    var study =
        panel()
            .device("S", "push-button-1no")
            .wire("T:+", "S:13", 0.5, 1)
            .wire("S:14", "A:L2", 0.5, 1)
            .study();
    assertThat(found(new InputLevel(), study, "L2").title())
        .isEqualTo("An input gets more volts than it bears");
  }

  /// A 7 W lamp of 24 V on an output for 0.5 A is 0.29 A; on one for 0.1 A it is too much; what is
  /// not stated is not judged.
  @Test
  void anOutputCarriesWhatItMay() {
    var study =
        panel()
            .device("H", "lamp-led-24v-10w")
            .device("H2", "lamp-led-24v-10w")
            .device("H3", "lamp-led-24v-10w")
            .wire("A:Q1", "H:+", 0.5, 1)
            .wire("H:-", "T:-", 0.5, 1)
            .wire("T:+", "H2:+", 0.5, 1)
            .wire("H2:-", "A:Q2", 0.5, 1)
            .wire("A:Q3", "H3:+", 0.5, 1)
            .wire("H3:-", "T:-", 0.5, 1)
            .study();
    var link = link(study, "Q1");
    assertThat(link.standing()).isEqualTo(Standing.SURE);
    assertThat(link.on().orElseThrow().current().amperes()).isCloseTo(10 / 24.0, within(0.01));
    assertThat(link.spare().orElseThrow().amperes()).isCloseTo(0.5 - 10 / 24.0, within(0.01));
    assertThat(found(new OutputRating(), study, "Q2").text()).contains("the pin may carry 0.1 A");
    assertThat(verdicts(new OutputRating(), study, "Q3").getFirst())
        .isInstanceOf(Verdict.NotChecked.class);
    assertThat(link(study, "Q3").standing()).isEqualTo(Standing.UNPROVED);
  }

  @Test
  void outputsThatFightAndPinsThatNeverSwitchAreFound() {
    var fight =
        panel()
            .device("H", "lamp-led-24v-10w")
            .wire("A:Q1", "H:+", 0.5, 1)
            .wire("A:Q2", "H:+", 0.5, 1)
            .wire("H:-", "T:-", 0.5, 1)
            .study();
    assertThat(
            new PinTakenTwice()
                .check(fight)
                .filter(Verdict.Finding.class::isInstance)
                .map(verdict -> ((Verdict.Finding) verdict).title()))
        .containsExactly("Two outputs on one wire");
    var always =
        panel()
            .device("Y", "valve-24vdc-4w8")
            .wire("A:FAN", "Y:1", 0.5, 1)
            .wire("Y:2", "T:-", 0.5, 1)
            .study();
    assertThat(found(new PinTakenTwice(), always, "FAN").title())
        .isEqualTo("An output that is always on is used to switch");
  }

  /// A relay's contact on the board joins its common while the program has it on.
  @Test
  void aRelayOnTheBoardIsAContact() {
    var study =
        panel()
            .device("H", "lamp-led-24v-10w")
            .wire("T:+", "A:RC", 0.5, 1)
            .wire("A:R1", "H:+", 0.5, 1)
            .wire("H:-", "T:-", 0.5, 1)
            .study();
    assertThat(link(study, "R1").on().orElseThrow().current().amperes())
        .isCloseTo(10 / 24.0, within(0.01));
    assertThat(link(study, "R1").standing()).isEqualTo(Standing.SURE);
  }

  /// A limit that closes is not seen when its wire breaks; one that opens is. A start button that
  /// opens would start by itself. A stop reads like a limit; a door says neither.
  @Test
  void aBrokenWireReadsLikeTheLimit() {
    var rule = new BrokenWire();
    for (var part : List.of("limit-switch-1nc", "push-button-1no")) {
      var closed = part.endsWith("nc");
      var marks = closed ? List.of("11", "12") : List.of("13", "14");
      var limit =
          panel()
              .device("S", part, nelvar.core.model.Place.MACHINE)
              .purpose("limit of travel")
              .wire("T:+", "S:" + marks.get(0), 0.5, 5)
              .wire("S:" + marks.get(1), "A:DI1", 0.5, 5)
              .study();
      assertThat(verdicts(rule, limit, "DI1").getFirst())
          .isInstanceOf(closed ? Verdict.Pass.class : Verdict.Finding.class);
      var start =
          panel()
              .device("S", part, nelvar.core.model.Place.DOOR)
              .purpose("start")
              .wire("T:+", "S:" + marks.get(0), 0.5, 5)
              .wire("S:" + marks.get(1), "A:DI1", 0.5, 5)
              .study();
      // A limit switch used to start is a limit by its name: only the button is a start.
      if (!closed)
        assertThat(verdicts(rule, start, "DI1").getFirst()).isInstanceOf(Verdict.Pass.class);
    }
    var door =
        panel()
            .device("S", "door-switch-1no")
            .wire("T:+", "S:13", 0.5, 5)
            .wire("S:14", "A:DI1", 0.5, 5)
            .study();
    assertThat(verdicts(rule, door, "DI1")).isEmpty();
  }

  /// 5 V over 270 Ω and a diode of 1.2 V: 14.1 mA, pulses of 2.5 µs are seen. Over 2.2 kΩ they are
  /// not, over 100 Ω the diode is destroyed, pulses of 1 µs are too short.
  @Test
  void aDriveSeesItsPulses() {
    assertThat(pulses(270, 2.5).standing()).isEqualTo(Standing.SURE);
    assertThat(pulses(270, 2.5).on().orElseThrow().current().amperes())
        .isCloseTo(3.8 / 270, within(1e-6));
    assertThat(pulses(2200, 2.5).words()).contains("1.73 mA", "wants 6 mA");
    assertThat(pulses(100, 2.5).words()).contains("0.038 A", "bears 0.02 A");
    assertThat(pulses(270, 3).words()).contains("pulses of 2.5 µs", "none below 3 µs");
  }

  private static PinLink pulses(double ohms, double micros) {
    var drive =
        (nelvar.core.catalogue.StepperDrive)
            CatalogueFile.standard().find("stepper-drive-50v-5a").orElseThrow();
    var input = drive.pulseInput().orElseThrow();
    var tried =
        new nelvar.core.catalogue.StepperDrive(
            "drive",
            "Drive",
            drive.article(),
            drive.input(),
            drive.rating(),
            drive.chopping(),
            drive.controls(),
            drive.busCapacitance(),
            java.util.Optional.of(
                new nelvar.core.catalogue.PulseInput(
                    input.forward(),
                    new nelvar.core.units.Resistance(ohms),
                    input.least(),
                    input.greatest(),
                    input.frequency(),
                    new nelvar.core.units.Duration(micros * 1e-6),
                    java.util.Optional.empty(),
                    java.util.Optional.empty())),
            drive.steps());
    var study =
        Panel.dc()
            .part(tried)
            .device("A", "motion-controller-3ax")
            .device("U", "drive")
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .wire("A:XSTEP+", "U:STEP+", 0.25, 1)
            .wire("A:XSTEP-", "U:STEP-", 0.25, 1)
            .study();
    var link = link(study, "XSTEP+");
    var verdict = verdicts(new Pulses(), study, "XSTEP+").getFirst();
    assertThat(verdict)
        .isInstanceOf(
            link.standing() == Standing.SURE ? Verdict.Pass.class : Verdict.Finding.class);
    assertThat(new Pulses().check(study)).as("once an axis").hasSize(1);
    return link;
  }

  /// The demo's mistakes are wrong links, and its settled copy has none; nor has any draft.
  @Test
  void demosAndDraftsHold() throws Exception {
    var planted = Study.of(Demo.planted(), CatalogueFile.standard());
    assertThat(
            PinLinks.of(planted).stream()
                .filter(link -> link.standing() == Standing.WRONG)
                .map(link -> link.pin().name()))
        .containsExactly("DI3");
    var settled = Study.of(Demo.settled(), CatalogueFile.standard());
    assertThat(PinLinks.of(settled)).noneMatch(link -> link.standing() == Standing.WRONG);
    assertThat(PinLinks.of(settled).stream().filter(link -> link.standing() == Standing.SURE))
        .hasSizeGreaterThanOrEqualTo(18);
    for (var list : ShippedLists.NAMES) {
      var drawn =
          (Drafting.Drawn)
              Drafting.of("x", ShippedLists.text(list).orElseThrow(), CatalogueFile.standard());
      assertThat(PinLinks.of(drawn.draft().review().study()))
          .as(list)
          .noneMatch(link -> link.standing() == Standing.WRONG);
    }
  }

  /// Three names: on the board, on the maker's drawing, in the program; the last is the builder's.
  @Test
  void aPinHasThreeNames() {
    var project = panel().build();
    var board = project.device(new nelvar.core.model.Id("A")).orElseThrow();
    var pin = board().pins().getFirst();
    assertThat(pin.name()).isEqualTo("DI1");
    assertThat(pin.pinOut()).contains("IN1");
    assertThat(String.valueOf(pin.at().orElseThrow())).isEqualTo("J1 pin 1");
    assertThat(FirmwareNames.of(project, board.id(), pin)).contains("in.1");
    var named =
        PinEdits.firmwareName(board, "DI1", " IN_TRAY ").on(project, CatalogueFile.standard());
    assertThat(FirmwareNames.of(named, board.id(), pin)).contains("IN_TRAY");
    var back = PinEdits.firmwareName(board, "DI1", "").on(named, CatalogueFile.standard());
    assertThat(back).isEqualTo(project);
    // Exchanged with another pin, its wire and its name go there; exchanged again, all is as
    // before.
    var wired =
        panel()
            .device("S", "push-button-1no")
            .wire("T:+", "S:13", 0.5, 5)
            .wire("S:14", "A:DI1", 0.5, 5)
            .build();
    var called = PinEdits.firmwareName(board, "DI1", "IN_TRAY").on(wired, CatalogueFile.standard());
    var swapped = PinEdits.swap(board, "DI1", "DI2").on(called, CatalogueFile.standard());
    var second = board().pins().get(1);
    assertThat(FirmwareNames.of(swapped, board.id(), second)).contains("IN_TRAY");
    assertThat(FirmwareNames.of(swapped, board.id(), pin)).contains("in.1");
    // What sensors permit goes along too, on a board of its own and named from another.
    var permits =
        PinEdits.sayAll(
                board,
                "Permissive ",
                new java.util.LinkedHashMap<>(
                    java.util.Map.of("there", "S on permits Q1, A:R1, Q2")))
            .on(wired, CatalogueFile.standard());
    var moved = PinEdits.swap(board, "Q1", "R1").on(permits, CatalogueFile.standard());
    assertThat(moved.settings())
        .extracting(nelvar.core.model.Setting::value)
        .containsExactly("S on permits R1, Q1, Q2");
    var links = Study.of(swapped, CatalogueFile.standard());
    assertThat(link(links, "DI1").standing()).isEqualTo(Standing.FREE);
    assertThat(link(links, "DI2").standing()).isEqualTo(Standing.SURE);
    assertThat(PinEdits.swap(board, "DI2", "DI1").on(swapped, CatalogueFile.standard()))
        .isEqualTo(called);
  }
}
