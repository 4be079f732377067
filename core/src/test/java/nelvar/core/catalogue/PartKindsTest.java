package nelvar.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.file.CatalogueFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Terminal marks are what stands on the part (EN 50005 for contacts and coils, IEC 60445 for mains
/// and motors; from memory): users' wires refer to them, so they last.
class PartKindsTest {
  private static Part part(String id) {
    return CatalogueFile.standard().find(id).orElseThrow();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "inlet-3-n-pe|L1 L2 L3 N PE",
        "inlet-1-n-pe|L1 N PE",
        "main-switch-3p-25a|1 2 3 4 5 6",
        "filter-1ph-10a|L1 L1' N N' PE",
        "breaker-1p-c6|1 2",
        "breaker-3p-c6|1 2 3 4 5 6",
        "fuse-1p-gg4|1 2",
        "electronic-4-2a|+ 0V 1 2 3 4",
        "transformer-160va-230-24|1 2 3 4 PE",
        "supply-24v-5a|L N PE + -",
        "supply-24v-20a-3ph|L1 L2 L3 PE + -",
        "drive-3ph-400-0p75kw|L1 L2 L3 PE U V W PE2 RUN COM AI AI0 FA FB",
        "drive-1ph-230-0p37kw|L N PE U V W PE2 RUN COM AI AI0 FA FB",
        "motor-0p55kw-230-400|U V W PE",
        "stepper-motor-3a|A+ A- B+ B-",
        "contactor-3p-9a-24vdc|A1 A2 1 2 3 4 5 6 13 14 21 22",
        "relay-6a-24vdc|A1 A2 11 12 14",
        "safety-relay-24v|A1 A2 S11 S12 S21 S22 S33 S34 13 14 23 24 33 34",
        "stop-button-2nc|11 12 21 22",
        "push-button-1no|13 14",
        "photo-eye-pnp|+ - OUT",
        "valve-24vdc-4w8|1 2",
        "heater-30w-230v|L N PE",
        "enclosure-600x800x250|PE DOOR",
        "operator-panel-7in|+ -",
        "supply-5-12-24v-100w|L N PE +5V 0-5V +12V 0-12V +24V 0-24V",
        "bus-capacitors-22mf-63v|+ -",
        "bus-clamp-55v-3r3-50w|+ -",
      })
  void terminalMarksLast(String id, String marks) {
    assertThat(part(id).terminals().stream().map(Terminal::name)).containsExactly(marks.split(" "));
  }

  @Test
  void polesAreJoinedInPairs() {
    assertThat(part("breaker-3p-c6").links()).extracting(Link::a).containsExactly("1", "3", "5");
    assertThat(part("breaker-3p-c6").links()).extracting(Link::b).containsExactly("2", "4", "6");
    assertThat(part("breaker-3p-c6").links())
        .allSatisfy(link ->
            assertThat(link.protection())
                .hasValueSatisfying(protection -> assertThat(protection).hasToString("C 6 A")));
    assertThat(part("fuse-1p-gg4").protection())
        .hasValueSatisfying(protection -> assertThat(protection).hasToString("gG 4 A"));
    assertThat(part("electronic-4-2a").links())
        .extracting(link -> link.protection().orElseThrow().toString())
        .containsExactly("ch. 1, 2 A", "ch. 2, 2 A", "ch. 3, 2 A", "ch. 4, 2 A");
  }

  @Test
  void outputsOfAControllerLeadToTheirOwnSupply() {
    var links = part("motion-controller-3ax").links();
    assertThat(links)
        .hasSize(12)
        .allSatisfy(link -> {
          assertThat(link.kind()).isEqualTo(Link.Kind.OUTPUT);
          assertThat(link.b()).isEqualTo("-");
        });
    assertThat(part("photo-eye-pnp").links())
        .extracting(Link::a, Link::b)
        .containsExactly(org.assertj.core.groups.Tuple.tuple("+", "OUT"));
    assertThat(part("photo-eye-npn").links())
        .extracting(Link::a, Link::b)
        .containsExactly(org.assertj.core.groups.Tuple.tuple("OUT", "-"));
  }

  @Test
  void blocksAreOneNodeAndStripsAreNot() {
    assertThat(part("block-minus-8").links())
        .hasSize(7)
        .allMatch(link -> link.kind() == Link.Kind.JOINED);
    assertThat(part("terminals-10x2p5").links()).isEmpty();
    assertThat(part("block-protective-8").terminals())
        .allMatch(terminal -> terminal.role() == Role.PROTECTIVE);
  }

  /// Nameplate, by hand: √3 · 400 V · 1.45 A · 0.75 = 753.4 W in star; √3 · 230 · 2.51 · 0.75 =
  /// 749.9 W in delta.
  @Test
  void aMotorTakesTheSamePowerEitherWay() {
    var motor = part("motor-0p55kw-230-400");
    var star = (Demand.FixedPower) motor.intakes(Linkage.STAR).getFirst().demand();
    var delta = (Demand.FixedPower) motor.intakes(Linkage.DELTA).getFirst().demand();
    assertThat(star.power().watts()).isCloseTo(753.4, within(0.1));
    assertThat(delta.power().watts()).isCloseTo(749.9, within(0.1));
    assertThat(motor.intakes(Linkage.DELTA).getFirst().accepts()).hasToString("207–253 V");
  }

  /// 160 VA at 230 V take 0.696 A; a control transformer's inrush is taken as twenty times that
  /// (common practice 10 to 20).
  @Test
  void aTransformerIsSizedByItsApparentPower() {
    var transformer = part("transformer-160va-230-24");
    assertThat(transformer.outputs().getFirst().rating().amperes())
        .isCloseTo(160 / 24.0, within(1e-9));
    assertThat(transformer.intakes(Linkage.STAR).getFirst().inrush().orElseThrow().peak().amperes())
        .isCloseTo(20 * 160 / 230.0, within(1e-9));
  }

  @Test
  void coilsKnowTheirRange() {
    assertThat(part("contactor-3p-9a-24vdc").ownCoil().orElseThrow().operates())
        .hasToString("20.4–26.4 V");
    assertThat(part("relay-6a-24vdc").ownCoil().orElseThrow().operates())
        .hasToString("19.2–26.4 V");
    assertThat(part("breaker-1p-c6").ownCoil()).isEmpty();
  }

  @Test
  void impossiblePartsAreRefused() {
    var six = new nelvar.core.units.Current(6);
    assertThatThrownBy(() -> new Disconnector("a", "a", Article.UNKNOWN, 5, six))
        .hasMessageContaining("1 to 4 poles");
    assertThatThrownBy(() -> new MainsInlet("a", "a", Article.UNKNOWN, 0, true))
        .hasMessageContaining("1 to 3 line");
    assertThatThrownBy(() ->
            new DistributionBlock(
                "a", "a", Article.UNKNOWN, 1, Role.PLUS, six, java.util.Optional.empty()))
        .hasMessageContaining("2 to 500");
    assertThatThrownBy(() ->
            new TerminalStrip(
                "a",
                "a",
                Article.UNKNOWN,
                0,
                new nelvar.core.units.CrossSection(2.5),
                java.util.Optional.empty(),
                java.util.Optional.empty()))
        .hasMessageContaining("1 to 500");
    assertThatThrownBy(() ->
            new ControlSwitch(
                "a",
                "a",
                Article.UNKNOWN,
                0,
                0,
                java.util.Optional.empty(),
                java.util.Optional.empty()))
        .hasMessageContaining("contacts");
    assertThatThrownBy(() -> new ElectronicProtection("a", "a", Article.UNKNOWN, List.of()))
        .hasMessageContaining("at least one channel");
    assertThatThrownBy(() ->
            new InductionMotor(
                "a",
                "a",
                Article.UNKNOWN,
                new nelvar.core.units.Power(1),
                new nelvar.core.units.Voltage(230),
                six,
                new nelvar.core.units.Voltage(400),
                six,
                1.2,
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                java.util.Optional.empty()))
        .hasMessageContaining("power factor");
  }
}
