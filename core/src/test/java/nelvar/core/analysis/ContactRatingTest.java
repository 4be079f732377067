package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.parts.ContactSwitches;
import nelvar.core.catalogue.Coil;
import nelvar.core.catalogue.ContactRating;
import nelvar.core.catalogue.Relay;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;

/// What contacts switch.
final class ContactRatingTest {
  /// A relay that states 2 A into coils and 5 A into resistive loads up to 30 V.
  private static final Relay RELAY =
      new Relay(
          "stated",
          "Relay",
          nelvar.core.catalogue.Article.UNKNOWN,
          new Coil(
              new Voltage(24),
              new Power(0.5),
              new Percent(80),
              new Percent(110),
              Optional.empty(),
              Optional.empty()),
          new Current(6),
          Optional.of(
              new ContactRating(
                  new Current(6),
                  Optional.empty(),
                  Optional.of(new Current(3)),
                  List.of(
                      new ContactRating.Direct(new Voltage(30), new Current(5), new Current(0.3))),
                  Optional.empty(),
                  Optional.empty())));

  /// The same that states nothing.
  private static final Relay SILENT =
      new Relay("silent", "Relay", RELAY.article(), RELAY.coil(), new Current(6), Optional.empty());

  /// Contacts of `count` relays in parallel switch a load of 24 V.
  private static Panel panel(String relay, int count, String load, String plus, String minus) {
    var panel = Panel.dc().part(RELAY).part(SILENT).device("L", load);
    for (var i = 1; i <= count; i++)
      panel
          .device("K" + i, relay)
          .wire("T:+", "K" + i + ":A1", 0.75, 1)
          .wire("K" + i + ":A2", "T:-", 0.75, 1)
          .wire("T:+", "K" + i + ":11", 1.5, 1)
          .wire("K" + i + ":14", "L:" + plus, 1.5, 1);
    return panel.wire("L:" + minus, "T:-", 1.5, 1);
  }

  private static Verdict verdict(Panel panel, String device) {
    return new ContactSwitches()
        .check(panel.study())
        .filter(verdict -> verdict.subject().concerns(new Id(device)))
        .findFirst()
        .orElseThrow();
  }

  /// 10 W of 24 V are 0.42 A, a lamp: DC-1, 5 A stated.
  @Test
  void aLampIsNoTrouble() {
    assertThat(verdict(panel("stated", 1, "lamp-led-24v-10w", "+", "-"), "K1"))
        .isInstanceOf(Verdict.Pass.class);
  }

  /// A valve of 4.8 W draws 0.2 A, DC-13, within 0.3 A; the coil of a contactor of 5.5 W draws 0.23
  /// A; two of it 0.46 A, which 0.3 A does not break.
  @Test
  void coilsAreJudgedAsCoils() {
    var one = panel("stated", 1, "contactor-3p-25a-24vdc", "A1", "A2");
    assertThat(verdict(one, "K1")).isInstanceOf(Verdict.Pass.class);
    one.device("L2", "contactor-3p-25a-24vdc")
        .wire("K1:14", "L2:A1", 0.75, 1)
        .wire("L2:A2", "T:-", 0.75, 1);
    var found = (Verdict.Finding) verdict(one, "K1");
    assertThat(found.text()).contains("DC-13 at 24 V", "does not go out by itself");
  }

  /// Two contacts in parallel carry half each and break all of it: the last to open.
  @Test
  void contactsInParallelBreakAlone() {
    var two = panel("stated", 2, "contactor-3p-25a-24vdc", "A1", "A2");
    two.device("L2", "contactor-3p-25a-24vdc")
        .wire("K1:14", "L2:A1", 0.75, 1)
        .wire("L2:A2", "T:-", 0.75, 1);
    for (var relay : List.of("K1", "K2"))
      assertThat(((Verdict.Finding) verdict(two, relay)).text())
          .contains("in parallel, of which one is always the last");
  }

  /// A part that states nothing: within what is usual it passes and says it was assumed; above, it
  /// is not checked. Two valves on a small relay pass; its 3 A vibrator of 24 V does too, at 6 A
  /// DC-1; nothing that is not known becomes red.
  @Test
  void whatIsNotStatedIsNeverRed() {
    var lamp = (Verdict.Pass) verdict(panel("silent", 1, "lamp-led-24v-10w", "+", "-"), "K1");
    assertThat(lamp.trail().text()).contains("assumed: as is usual");
    var many = panel("silent", 1, "contactor-3p-25a-24vdc", "A1", "A2");
    for (var i = 2; i <= 10; i++)
      many.device("L" + i, "contactor-3p-25a-24vdc")
          .wire("K1:14", "L" + i + ":A1", 0.75, 1)
          .wire("L" + i + ":A2", "T:-", 0.75, 1);
    assertThat(verdict(many, "K1")).isInstanceOf(Verdict.NotChecked.class);
  }

  /// A relay whose coil nothing drives in any state still has to switch what lies behind it: ten
  /// lamps of 0.42 A stay within 5 A of DC-1, fifteen do not.
  @Test
  void aContactNoStateClosesIsJudgedByItsLoads() {
    assertThat(verdict(undriven(10), "K1")).isInstanceOf(Verdict.Pass.class);
    assertThat(((Verdict.Finding) verdict(undriven(15), "K1")).text())
        .contains("6.3 A as its loads are dimensioned", "only 5 A (DC-1 at 24 V)");
  }

  private static Panel undriven(int lamps) {
    var panel = Panel.dc().part(RELAY).device("K1", "stated").wire("T:+", "K1:11", 1.5, 1);
    for (var i = 1; i <= lamps; i++)
      panel
          .device("L" + i, "lamp-led-24v-10w")
          .wire("K1:14", "L" + i + ":+", 1.5, 1)
          .wire("L" + i + ":-", "T:-", 1.5, 1);
    return panel;
  }

  /// A finding is accepted for one contact, or for all of its device.
  @Test
  void acceptedForOneContactOrForItsDevice() {
    var project = undriven(15).build();
    for (var subject : List.of("K1", "K1:11 – K1:14")) {
      var accepted =
          nelvar.core.model.edit.Edits.accept(
                  new nelvar.core.model.Deviation(
                      "parts.contact-rating",
                      nelvar.core.model.Subject.of(subject),
                      "seldom switched",
                      "A",
                      "2026-11-26"))
              .apply(project);
      var review =
          nelvar.core.review.Review.of(accepted, nelvar.core.file.CatalogueFile.standard());
      assertThat(review.open()).noneMatch(e -> e.rule().id().equals("parts.contact-rating"));
      assertThat(review.accepted()).anyMatch(e -> e.rule().id().equals("parts.contact-rating"));
    }
  }

  /// A contactor states 25 A for heaters and 9 A for motors; a relay that says nothing of motors
  /// switches of them what it switches of coils.
  @Test
  void aMotorCountsByTheRatingForMotors() {
    var rating =
        CatalogueFile.standard()
            .find("contactor-3p-9a-24vdc")
            .flatMap(part -> part.statedRating(part.links().getFirst()))
            .orElseThrow();
    assertThat(rating.motors()).contains(new Current(9));
    assertThat(rating.ac1()).isEqualTo(new Current(25));
    var silent = ContactRating.usualRelay(new Current(6));
    assertThat(silent.motors()).as("as into coils").contains(new Current(3));
    var heats =
        new ContactRating(
            new Current(6),
            Optional.empty(),
            Optional.empty(),
            List.of(),
            Optional.empty(),
            Optional.empty());
    assertThat(heats.motors()).as("what is not stated is not taken from heaters").isEmpty();
  }
}
