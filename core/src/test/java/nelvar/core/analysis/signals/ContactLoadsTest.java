package nelvar.core.analysis.signals;

import static nelvar.core.analysis.signals.Boards.board;
import static nelvar.core.analysis.signals.Boards.found;
import static nelvar.core.analysis.signals.Boards.link;
import static nelvar.core.analysis.signals.Boards.panel;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.parts.ClosingPeak;
import nelvar.core.analysis.signals.PinLink.Standing;
import nelvar.core.catalogue.ContactRating;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Controller;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Suppression;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What contacts and outputs carry at least and for a moment, and what is on with nobody asking.
class ContactLoadsTest {
  private static final String INPUT = "pin,type,thresholds";

  private static Study pressing(Controller board, String button, String pin) {
    return panel(board)
        .device("S", button)
        .wire("T:+", "S:11", 0.5, 5)
        .wire("S:12", "A:" + pin, 0.5, 5)
        .study();
  }

  private static Optional<Verdict.NotChecked> unchecked(Rule rule, Study study) {
    return rule.check(study)
        .filter(Verdict.NotChecked.class::isInstance)
        .map(Verdict.NotChecked.class::cast)
        .findFirst();
  }

  /// 24 V over the 4.7 kΩ of a type 3 input are 5.1 mA: enough for 1 mA, not for 10 mA; 24 V over
  /// the 4.9 mA that are missing are 4.9 kΩ.
  @Test
  void aContactBeforeAnInputStaysClean() {
    var input = board(INPUT, "DI1,input-reads-plus,type-3");
    assertThat(Boards.passes(new ContactLeastLoad(), pressing(input, "limit-switch-1nc", "DI1")))
        .isEqualTo(1);
    var relay =
        panel(input)
            .device("K", "relay-6a-24vdc")
            .wire("T:+", "K:11", 0.5, 1)
            .wire("K:14", "A:DI1", 0.5, 1)
            .wire("T:+", "K:A1", 0.5, 1)
            .wire("K:A2", "T:-", 0.5, 1)
            .study();
    var finding = found(new ContactLeastLoad(), relay).orElseThrow();
    assertThat(finding.text())
        .contains("-K 11–14", "needs 0.01 A at 12 V", "between the input and 0 V");
    var ohms = finding.text().replaceAll(".*at most ([0-9.]+) kΩ.*", "$1");
    assertThat(Double.parseDouble(ohms)).isCloseTo(24 / 4.9, within(0.1));
    // What the finding says cures: that resistor beside the input.
    var beside = board(INPUT, "DI1,input-reads-plus,type-3", "DI2,input-reads-plus,type-1");
    assertThat(link(pressing(beside, "limit-switch-1nc", "DI1"), "DI1").standing())
        .isEqualTo(Standing.SURE);
  }

  /// A contact of amperes on 5 V and half a milliampere; one with gilded contacts; one of which
  /// nothing is known, which is said and not condemned.
  @Test
  void fiveVoltsAndHalfAMilliampere() {
    var logic =
        board(
            "pin,type,low,high,greatest,pull-up,pull-up supply",
            "X,logic-input,0.8 V,2 V,5.5 V,10 kΩ,5 V");
    var fouls = found(new ContactLeastLoad(), grounding(logic, "limit-switch-1nc")).orElseThrow();
    assertThat(fouls.text()).contains("501 µA", "gilded contacts", "and its +");
    assertThat(Boards.passes(new ContactLeastLoad(), grounding(logic, "limit-switch-1nc-gilded")))
        .isEqualTo(1);
    var unknown = silent(Optional.empty());
    var study = grounding(panel(logic).part(unknown), "silent").study();
    assertThat(found(new ContactLeastLoad(), study)).isEmpty();
    assertThat(unchecked(new ContactLeastLoad(), study).orElseThrow().why())
        .contains("state what it needs");
    // States a rating, and nothing of what it switches at least.
    var half = silent(Optional.of(ContactRating.usualPole(new nelvar.core.units.Current(6))));
    assertThat(
            unchecked(new ContactLeastLoad(), grounding(panel(logic).part(half), "silent").study())
                .orElseThrow()
                .why())
        .contains("is not stated");
  }

  private static ControlSwitch silent(Optional<ContactRating> rating) {
    var shipped = (ControlSwitch) CatalogueFile.standard().find("limit-switch-1nc").orElseThrow();
    return new ControlSwitch("silent", "Switch", shipped.article(), 1, 0, rating, Optional.empty());
  }

  private static Study grounding(Controller logic, String part) {
    return grounding(panel(logic), part).study();
  }

  private static Panel grounding(Panel panel, String part) {
    return panel.device("S", part).wire("A:X", "S:11", 0.5, 5).wire("S:12", "T:-", 0.5, 5);
  }

  /// Halogen lamps of 10 A peak each on an output of a board, from a supply of 10 A that gives 11 A
  /// at most: unstated, one is more than its 1 A and not checked; stated 12 A, two pass by what the
  /// supply gives; stated 5 A, one is too much.
  @ParameterizedTest
  @CsvSource({"'',1,not checked", "12 A,1,pass", "12 A,2,pass", "5 A,1,finding"})
  void coldLampsOnAnOutput(String peak, int lamps, String verdict) {
    var board = board("pin,type,rating,peak", "Q1,output-sinking,2 A," + peak);
    var panel = panel(board);
    for (var n = 1; n <= lamps; n++)
      panel
          .device("H" + n, "lamp-halogen-24v-20w")
          .wire("T:+", "H" + n + ":+", 0.75, 2)
          .wire("H" + n + ":-", "A:Q1", 0.75, 2);
    var study = panel.study();
    var rule = new ClosingPeak();
    assertThat(
            found(rule, study).isPresent()
                ? "finding"
                : unchecked(rule, study).isPresent() ? "not checked" : "pass")
        .isEqualTo(verdict);
    if (verdict.equals("pass")) assertThat(Boards.passes(rule, study)).isEqualTo(1);
    found(rule, study)
        .ifPresent(
            finding -> assertThat(finding.text()).contains("10 A for a moment and stands 5 A"));
  }

  /// A supply that takes 34 A at switching on, from the mains through a small relay that stands 15
  /// A, through a contactor that stands 127 A.
  @Test
  void aRelayWeldsOnASupply() {
    var relay = fed("relay-6a-24vdc", "11", "14");
    assertThat(found(new ClosingPeak(), relay).orElseThrow().text())
        .contains("34 A", "stands 15 A", "a contactor");
    assertThat(found(new ClosingPeak(), fed("contactor-3p-9a-24vdc", "1", "2"))).isEmpty();
    assertThat(Boards.passes(new ClosingPeak(), fed("contactor-3p-9a-24vdc", "1", "2")))
        .isEqualTo(1);
  }

  private static Study fed(String part, String in, String out) {
    return Panel.dc()
        .device("K", part)
        .wire("T:+", "K:A1", 0.75, 1)
        .wire("K:A2", "T:-", 0.75, 1)
        .device("F2", "breaker-1p-c6")
        .device("T2", "supply-24v-10a")
        .wire("X0:L2", "F2:1", 2.5, 1)
        .wire("F2:2", "K:" + in, 2.5, 1)
        .wire("K:" + out, "T2:L", 2.5, 1)
        .wire("T2:N", "X0:N", 2.5, 1)
        .protective("X0:PE", "T2:PE", 2.5)
        .study();
  }

  /// A contact of the board that is closed while it has no supply moves a valve then; one that is
  /// on while it is reset too. A transistor cannot be on without supply.
  @Test
  void whatIsOnUnaskedIsSaid() {
    var opens = board("pin,type,rating,common,unpowered", "R1,output-contact,2 A,RC,on");
    var study = valve(opens, "R1").wire("T:+", "A:RC", 0.75, 1).study();
    assertThat(found(new OnWhileBooting(), study).orElseThrow().text())
        .contains("while its board has no supply", "-Y");
    var link = link(study, "R1");
    assertThat(link.standing()).as(link.words()).isEqualTo(Standing.SURE);
    assertThat(link.on().orElseThrow().current().amperes()).isCloseTo(0.2, within(0.01));
    assertThat(link.off().orElseThrow().volts().volts())
        .as("across the open contact")
        .isCloseTo(24, within(0.1));
    var resets = board("pin,type,rating,boots,resets", "Q1,output-sinking,0.5 A,off,on");
    var reset =
        panel(resets)
            .device("Y", "valve-24vdc-4w8")
            .wire("T:+", "Y:1", 0.75, 1)
            .wire("Y:2", "A:Q1", 0.75, 1)
            .study();
    assertThat(found(new OnWhileBooting(), reset).orElseThrow().text())
        .contains("while its board is reset")
        .doesNotContain("boots");
    assertThatThrownBy(() -> board("pin,type,unpowered", "Q1,output-sinking,on"))
        .hasMessageContaining("pin 'Q1': only a relay's contact is closed or open without supply");
    assertThatThrownBy(() -> board("pin,type,resets", "Q1,output-sinking,perhaps"))
        .hasMessageContaining("resets: 'perhaps' says neither on nor off");
  }

  private static Panel valve(Controller board, String pin) {
    return panel(board)
        .device("Y", "valve-24vdc-4w8")
        .wire("A:" + pin, "Y:1", 0.75, 1)
        .wire("Y:2", "T:-", 0.75, 1);
  }

  /// 3 to 6 times with a diode, little with what clamps higher; what is built in counts as slowest.
  @Test
  void aDiodeHoldsLongest() {
    for (var other : Suppression.values())
      assertThat(other.lengthens()).isBetween(1.0, Suppression.DIODE.lengthens());
    assertThat(Suppression.BUILT_IN.lengthens()).isEqualTo(Suppression.DIODE.lengthens());
  }
}
