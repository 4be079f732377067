package nelvar.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.PartProperties;
import nelvar.core.units.Reading;
import org.junit.jupiter.api.Test;

class CatalogueTest {
  private final Catalogue catalogue = CatalogueFile.standard();

  @Test
  void everyKindHasAPart() {
    for (var kind : Part.class.getPermittedSubclasses())
      assertThat(catalogue.all()).as(kind.getSimpleName()).anyMatch(kind::isInstance);
  }

  /// Links, intakes and outputs speak only of terminals the part has; marks are unique.
  @Test
  void partsAreWholeInThemselves() {
    for (var part : catalogue.all()) {
      var marks = new HashSet<String>();
      for (var terminal : part.terminals())
        assertThat(marks.add(terminal.name())).as(part.id() + ":" + terminal.name()).isTrue();
      for (var link : part.links()) assertThat(marks).as(part.id()).contains(link.a(), link.b());
      for (var linkage : Linkage.values()) {
        for (var intake : part.intakes(linkage)) {
          assertThat(marks).as(part.id()).containsAll(intake.lines());
          intake.back().ifPresent(back -> assertThat(marks).contains(back));
          switch (intake.demand()) {
            case Demand.Converts(var output, _, _, _) ->
                assertThat(part.outputs()).anyMatch(o -> o.name().equals(output));
            case Demand.Chops(var outputs, _) ->
                assertThat(part.outputs()).anyMatch(o -> outputs.contains(o.name()));
            case Demand.FixedPower _, Demand.FixedCurrent _, Demand.Ohmic _ -> {}
          }
        }
      }
      for (var output : part.outputs()) assertThat(marks).as(part.id()).containsAll(output.lines());
    }
  }

  @Test
  void everyPartOfTheShippedCatalogueHasAPriceAndAPlainId() {
    for (var part : catalogue.all()) {
      assertThat(part.price()).as(part.id()).isPresent();
      assertThat(part.id()).matches("[a-z0-9]+(-[a-z0-9]+)*");
    }
  }

  /// A motor's two nameplate currents stand as √3: I(230 V, delta) = √3 · I(400 V, star), within
  /// the rounding of nameplates.
  @Test
  void nameplatesOfMotorsAgree() {
    catalogue
        .of(InductionMotor.class)
        // A spindle for one voltage states it for both.
        .filter(motor -> !motor.deltaVoltage().equals(motor.starVoltage()))
        .forEach(motor ->
            assertThat(motor.deltaCurrent().amperes() / motor.starCurrent().amperes())
                .as(motor.id())
                .isBetween(1.70, 1.77));
  }

  /// A supply's rated power divided by its efficiency, voltage and power factor stays below what
  /// its plug could give.
  @Test
  void suppliesGiveWhatTheirNamesSay() {
    catalogue
        .of(DcSupply.class)
        .forEach(supply ->
            assertThat(supply.name())
                .contains(nelvar.core.units.Significant.digits(supply.rating().amperes()) + " A"));
  }

  @Test
  void ownPartsComeFirst() {
    var valve = catalogue.find("valve-24vdc-4w8").orElseThrow();
    var own = PartProperties.copy(valve, "valve-24vdc-4w8", "our valve");
    assertThat(catalogue.with(List.of(own)).find("valve-24vdc-4w8").orElseThrow().name())
        .isEqualTo("our valve");
    assertThatThrownBy(() -> Catalogue.of(List.of(valve, valve)))
        .hasMessageContaining("stands twice");
  }

  @Test
  void aPartIsEditedPropertyByProperty() {
    var valve = catalogue.find("valve-24vdc-4w8").orElseThrow();
    assertThat(PartProperties.of(valve))
        .containsEntry("coil.power", "4.8 W")
        .containsEntry("name", valve.name())
        .doesNotContainKey("kind");
    assertThat(PartProperties.with(valve, "coil.power", "6,5 W").orThrow())
        .isInstanceOfSatisfying(
            Solenoid.class, next -> assertThat(next.coil().power().watts()).isEqualTo(6.5));
    assertThat(PartProperties.with(valve, "coil.power", "much"))
        .isInstanceOfSatisfying(
            Reading.Misread.class,
            misread -> assertThat(misread.message()).contains("'much' is not a power"));
    var breaker = catalogue.find("breaker-1p-c6").orElseThrow();
    assertThat(PartProperties.with(breaker, "poles", "9"))
        .isInstanceOfSatisfying(
            Reading.Misread.class,
            misread -> assertThat(misread.message()).contains("1 to 4 poles"));
    assertThat(PartProperties.with(breaker, "poles", "two")).isInstanceOf(Reading.Misread.class);
  }

  /// What switches says what it switches; a motor's contact is not judged by what heaters may take.
  @Test
  void contactsOfTheShippedCatalogueStateWhatTheySwitch() {
    var silent =
        CatalogueFile.standard()
            .of(Part.class)
            .filter(part ->
                part instanceof Contactor
                    || part instanceof Relay
                    || part instanceof RelayBank
                    || part instanceof SafetyRelay
                    || part instanceof TimerRelay
                    || part instanceof ControlSwitch)
            .filter(part -> part.links().stream().allMatch(l -> part.statedRating(l).isEmpty()))
            .map(Part::id)
            .toList();
    assertThat(silent).isEmpty();
    var contactor = CatalogueFile.standard().find("contactor-3p-9a-24vdc").orElseThrow();
    var pole = contactor.statedRating(contactor.links().getFirst()).orElseThrow();
    assertThat(pole.motors().orElseThrow()).isLessThan(pole.ac1());
    assertThat(pole.motors().orElseThrow().amperes()).isEqualTo(9);
  }
}
