package nelvar.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.Panel;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.units.CrossSection;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import org.junit.jupiter.api.Test;

class EditsTest {
  private final Project demo = Demo.planted();

  private Device device(String id) {
    return demo.device(new Id(id)).orElseThrow();
  }

  private Conductor wire(String id) {
    return demo.conductor(new Id(id)).orElseThrow();
  }

  @Test
  void aWireTakesAnotherSection() {
    var edit =
        Edits.section(
            "W32", Set.of(new Id("W32")), new CrossSection(2.5), CatalogueFile.standard());
    assertThat(edit.label()).isEqualTo("Make W32 2.5 mm²");
    assertThat(edit.apply(demo).conductor(new Id("W32")).orElseThrow().section())
        .contains(new CrossSection(2.5));
    assertThat(demo.conductor(new Id("W32")).orElseThrow().section()).contains(new CrossSection(1));
  }

  @Test
  void theCoresOfACableChangeTogetherWithTheCable() {
    var core =
        demo.conductors().stream()
            .filter(c -> c.cable().isPresent() && c.cable().get().text().equals("WB1"))
            .findFirst()
            .orElseThrow();
    var next =
        Edits.section("-WB1", Set.of(core.id()), new CrossSection(0.75), CatalogueFile.standard())
            .apply(demo);
    assertThat(
            next.conductors().stream()
                .filter(c -> c.cable().equals(core.cable()))
                .map(c -> c.section().orElseThrow().squareMillimetres()))
        .containsOnly(0.75);
    assertThat(next.cable(new Id("WB1")).orElseThrow().stock()).isEqualTo("cable-3x0p75");
    assertThatThrownBy(() ->
            Edits.section("-WB1", Set.of(core.id()), new CrossSection(35), CatalogueFile.standard())
                .apply(demo))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("no cable like");
  }

  @Test
  void swappingKeepsTheWiresOrIsRefused() {
    var larger = CatalogueFile.standard().find("supply-24v-20a").orElseThrow();
    assertThat(
            Edits.swap(device("T2"), larger).apply(demo).device(new Id("T2")).orElseThrow().part())
        .isEqualTo("supply-24v-20a");
    var valve = CatalogueFile.standard().find("valve-24vdc-4w8").orElseThrow();
    assertThatThrownBy(() -> Edits.swap(device("T2"), valve).apply(demo))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("Move that wire first");
  }

  @Test
  void removingADeviceLeavesNothingHanging() {
    var accepted =
        Edits.accept(
                new Deviation(
                    "parts.coil-suppression",
                    new Id("Y3"),
                    "short and far away",
                    "workshop",
                    "2026-01-01"))
            .apply(demo);
    var next = Edits.remove(device("U1")).then(Edits.remove(device("Y3"))).apply(accepted);
    assertThat(Consistency.check(next, CatalogueFile.standard())).isEmpty();
    assertThat(next.settings()).noneMatch(s -> s.device().text().equals("U1"));
    assertThat(next.deviations())
        .isNotEmpty()
        .noneMatch(d -> d.subject().text().equals("U1") || d.subject().text().equals("Y3"));
  }

  @Test
  void everyEditLeavesASoundProject() {
    var edits =
        List.of(
            Edits.rename(device("B5"), new Designation("-B55")),
            Edits.relabel(wire("W1"), new Designation("W999")),
            Edits.purpose(device("M6"), "spray pump"),
            Edits.use(
                device("M6"),
                new Use(
                    Optional.of(new Percent(50)),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty())),
            Edits.link(device("M2"), nelvar.core.catalogue.Linkage.DELTA),
            Edits.suppress(device("Y3"), Suppression.DIODE),
            Edits.leaveSpare(device("A1"), "DI16"),
            Edits.length(wire("W38"), new Length(2)),
            Edits.length(
                demo.conductors().stream()
                    .filter(c -> c.cable().isPresent())
                    .findFirst()
                    .orElseThrow(),
                new Length(4)),
            Edits.bundle(wire("W1"), new Id("D2")),
            Edits.remove(wire("W1")),
            Edits.set(new Setting(new Id("U1"), "Motor current", "1.5 A", "measured")));
    for (var edit : edits) {
      var next = edit.apply(demo);
      assertThat(next).as(edit.label()).isNotEqualTo(demo);
      assertThat(Consistency.check(next, CatalogueFile.standard())).as(edit.label()).isEmpty();
      assertThat(edit.label()).isNotBlank();
    }
  }

  @Test
  void acceptingNeedsAReasonAndCanBeTakenBack() {
    assertThatThrownBy(() -> new Deviation("r", new Id("Y3"), " ok", "a", "b"))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("reason");
    var deviation =
        new Deviation(
            "parts.coil-suppression",
            new Id("Y3"),
            "valve has one inside",
            "workshop",
            "2026-01-01");
    var accepted = Edits.accept(deviation).then(Edits.accept(deviation)).apply(demo);
    assertThat(accepted.deviations()).hasSize(demo.deviations().size() + 1).endsWith(deviation);
    assertThat(Edits.reopen(deviation).apply(accepted)).isEqualTo(demo);
  }

  @Test
  void aSettingOfTheSameNameIsReplaced() {
    var next =
        Edits.set(new Setting(new Id("U1"), "Motor current", "1.5 A", "measured")).apply(demo);
    assertThat(next.settings()).hasSize(demo.settings().size());
  }

  @Test
  void ownPartsAreAddedOnce() {
    var part =
        nelvar.core.file.PartProperties.copy(
            CatalogueFile.standard().find("pump-24v-3a").orElseThrow(), "our-pump", "our pump");
    var next = Edits.ownParts("Add", List.of(part)).apply(demo);
    assertThat(next.ownParts()).containsExactly(part);
    assertThatThrownBy(() -> Edits.ownParts("Add", List.of(part)).apply(next))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("another id");
  }

  @Test
  void freeNamesAreFound() {
    assertThat(NextName.designation(demo, "-F")).hasToString("-F7");
    assertThat(NextName.id(demo, "F1")).hasToString("F1.2");
    assertThat(NextName.id(demo, "-:-")).hasToString("x");
  }

  @Test
  void designationsSortAsPeopleCount() {
    assertThat(
            List.of(new Designation("-K10"), new Designation("-K2"), new Designation("-A1"))
                .stream()
                .sorted())
        .map(Designation::text)
        .containsExactly("-A1", "-K2", "-K10");
  }

  @Test
  void absurdNamesAreRefused() {
    assertThatThrownBy(() -> new Id("a b")).isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() -> new Designation("x".repeat(25)))
        .isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() -> TerminalRef.of("F4:")).isInstanceOf(ImpossibleQuantity.class);
    assertThat(Panel.mains().build().revision()).isEqualTo("–");
  }
}
